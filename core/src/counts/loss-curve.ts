import { type Scene, type Shape, boxAround } from '../scene/scene';
import { type LossPoint, lostByTable } from '../flow/loss-table';
import { leastRun } from '../flow/counts';

/** Setup cycles and running loss of a process by the first school. */
export interface SetupRunning {
  setup: number;
  runningPpm: number;
}

/** Good cycles at which a curve is drawn and a new table begins: 500 to 100,000, each about twice the one before. */
export const CURVE_AT = [500, 1_000, 2_000, 5_000, 10_000, 20_000, 50_000, 100_000] as const;

/**
 * Cycles lost for so many good ones by the school of setup and running loss.
 * @example lostBySetup({ setup: 200, runningPpm: 10_000 }, 9_900) // 300
 */
export const lostBySetup = ({ setup, runningPpm }: SetupRunning, good: number): number =>
  leastRun({ need: good, setup, runningPpm, samples: 0 }) - good;

/** The lines a table starts from: what the other school says at the usual quantities. */
export const tableFrom = (school: SetupRunning): LossPoint[] => CURVE_AT.map((good): LossPoint => [good, lostBySetup(school, good)]);

/**
 * Losses as curves: share lost over good cycles, one curve a school; the one in force in full ink. Quantities stand at equal distances,
 * since each is about twice the one before.
 */
export function lossScene(
  name: string,
  school: SetupRunning,
  table: readonly LossPoint[] | null,
  inForce: 'setupRunning' | 'table',
): Scene {
  const [W, H, text] = [300, 130, 8];
  const share = (lost: number, good: number): number => lost / (good + lost);
  const bySetup = CURVE_AT.map((good) => share(lostBySetup(school, good), good));
  const byTable = table ? CURVE_AT.map((good) => share(lostByTable(table, good), good)) : null;
  const most = Math.max(...bySetup, ...(byTable ?? []), 0.01);
  const at = (i: number, s: number): [number, number] => [(W * i) / (CURVE_AT.length - 1), H - (H * s) / most];
  const curve = (shares: number[], strong: boolean): Shape => ({
    kind: 'path',
    role: strong ? 'cut' : 'fold',
    points: shares.map((s, i) => at(i, s)),
    closed: false,
    ref: strong ? 'school in force' : 'other school',
  });
  const shapes: Shape[] = [
    { kind: 'line', role: 'dimension', x1: 0, y1: H, x2: W, y2: H },
    { kind: 'line', role: 'dimension', x1: 0, y1: 0, x2: 0, y2: H },
    ...CURVE_AT.map((good, i): Shape => ({
      kind: 'text',
      role: 'label',
      x: at(i, 0)[0],
      y: H + text * 1.6,
      text: String(good),
      sizeMm: text,
      anchor: 'middle',
    })),
    { kind: 'text', role: 'label', x: -4, y: text / 2, text: `${Math.round(most * 1000) / 10} %`, sizeMm: text, anchor: 'end' },
    { kind: 'text', role: 'label', x: -4, y: H, text: '0', sizeMm: text, anchor: 'end' },
    curve(bySetup, inForce === 'setupRunning'),
    ...(byTable ? [curve(byTable, inForce === 'table')] : []),
  ];
  const said = (shares: number[]): string =>
    `${Math.round((shares[0] ?? 0) * 1000) / 10} percent lost at ${CURVE_AT[0]}, ${Math.round((shares.at(-1) ?? 0) * 1000) / 10} at ${CURVE_AT.at(-1) ?? 0}`;
  return {
    title: `losses, ${name}`,
    says: `Losses of ${name}. By setup and running loss: ${said(bySetup)}.${byTable ? ` By the table: ${said(byTable)}.` : ''}`,
    box: boxAround(shapes, text * 3),
    toScale: false,
    shapes,
  };
}
