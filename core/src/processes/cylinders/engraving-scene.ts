import { idOf } from '../../quantity/id-of';
import { portableCos as cos, portableSin as sin } from '../../quantity/portable-math';
import { nipScene } from '../../scene/nip-scene';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import type { Engraved } from '../../product/roller';
import type { ConsumeContext } from '../process';
import { rollersOf } from './rollers';

/** A hundred times as large as it is. */
const TIMES = 100;
const ROWS = 6;

/** Cells of a cylinder a hundred times as large: tracks lie half a cell on from one another; a turn runs downwards. */
export function latticeScene({ linesPerCm, angleDeg, cellUm }: Pick<Engraved, 'linesPerCm' | 'angleDeg' | 'cellUm'>, name: string): Scene {
  const a = (angleDeg * Math.PI) / 180;
  const along = (TIMES * 10) / (linesPerCm * cos(a));
  const across = (TIMES * 10) / (2 * linesPerCm * sin(a));
  const half = (TIMES * cellUm) / 2000;
  const shapes: Shape[] = [];
  for (let track = 0; track < 2 * ROWS; track++)
    for (let row = 0; row < ROWS; row++) {
      const [x, y] = [track * across, (row + (track % 2) / 2) * along];
      const points: [number, number][] = [
        [x, y - half],
        [x + half, y],
        [x, y + half],
        [x - half, y],
      ];
      shapes.push({ kind: 'path', role: 'unit', points, closed: true });
    }
  const text = along / 2.5;
  const low = (ROWS + 0.6) * along;
  return {
    title: 'cells, 100 : 1',
    says: `Cells of ${name}, a hundred times as large: ${linesPerCm} lines a centimetre, ${angleDeg} degrees, full cells ${cellUm} micrometres wide.`,
    box: boxAround([...shapes, { kind: 'text', role: 'label', x: 0, y: low, text: '', sizeMm: text }], text * 2),
    toScale: false,
    shapes: [
      ...shapes,
      {
        kind: 'text',
        role: 'label',
        x: 0,
        y: low,
        text: `${linesPerCm}/cm, ${angleDeg}°, cell ${cellUm} µm, 100 : 1`,
        sizeMm: text,
        anchor: 'start',
      },
    ],
  };
}
/** The cells of the first cylinder of a run. */
export function engravingScene(cx: ConsumeContext): Scene {
  const [first] = rollersOf(cx).flatMap(({ part, roller }) => (part.traits?.engraved ? [{ engraved: part.traits.engraved, roller }] : []));
  return latticeScene(first?.engraved ?? { linesPerCm: 60, angleDeg: 45, cellUm: 0 }, first?.roller.name ?? '');
}

/** Stations in the order of the press, each as much larger than the first as it is, a thousand times. */
export function stationsScene(cx: ConsumeContext): Scene {
  const all = rollersOf(cx).map(({ roller }) => ({ roller, mm: cx.ledger.value(roller.figures.diameterMm) }));
  const first = all[0]?.mm ?? 0;
  const r = 120;
  const largest = r + Math.max(0, ...all.map(({ mm }) => ((mm - first) * 1000) / 2));
  const pitch = 2 * largest + 60;
  const shapes = all.flatMap(({ roller, mm }, i): Shape[] => [
    { kind: 'circle', role: 'roll', cx: i * pitch, cy: 0, r: r + ((mm - first) * 1000) / 2 },
    { kind: 'text', role: 'strong', x: i * pitch, y: 0, text: roller.name, sizeMm: 46, anchor: 'middle' },
    { kind: 'text', role: 'label', x: i * pitch, y: 52, text: `+${Math.round((mm - first) * 1000)} µm`, sizeMm: 38, anchor: 'middle' },
  ]);
  const width = (all.length - 1) * pitch;
  shapes.unshift({ kind: 'line', role: 'web', x1: -pitch / 2, y1: -largest - 30, x2: width + pitch / 2, y2: -largest - 30 });
  return {
    title: 'stations, step up × 1,000',
    says: `${all.length} stations in the order of the press; what each is larger than the first is drawn a thousand times: ${all
      .map(({ roller, mm }) => `${roller.name} ${Math.round((mm - first) * 1000)} micrometres`)
      .join(', ')}.`,
    box: boxAround(shapes, 60),
    toScale: false,
    shapes,
  };
}

/** The pair at its nip, as deep as its tool is cut. */
export function pairScene(cx: ConsumeContext): Scene {
  const [part] = rollersOf(cx).flatMap(({ part }) => (part.traits?.embossing ? [part] : []));
  const { maleMm = 0.8, caliperMm = 0.3, reliefMm = 0.25 } = part?.traits?.embossing ?? {};
  const depth = idOf(part?.id ?? '', 'depthMm');
  return nipScene({ maleMm, caliperMm, reliefMm, depthMm: cx.ledger.has(depth) ? cx.ledger.value(depth) : reliefMm });
}
