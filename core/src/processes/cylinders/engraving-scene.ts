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

/** Cells of a cylinder a hundred times as large, from x on: tracks lie half a cell on from one another; a turn runs downwards. */
function lattice({ linesPerCm, angleDeg, cellUm }: Engraved, x: number): { shapes: Shape[]; widthMm: number; heightMm: number } {
  const a = (angleDeg * Math.PI) / 180;
  const along = (TIMES * 10) / (linesPerCm * cos(a));
  const across = (TIMES * 10) / (2 * linesPerCm * sin(a));
  const half = (TIMES * cellUm) / 2000;
  const shapes: Shape[] = [];
  for (let track = 0; track < 2 * ROWS; track++)
    for (let row = 0; row < ROWS; row++) {
      const [mx, my] = [x + half + track * across, half + (row + (track % 2) / 2) * along];
      const points: [number, number][] = [
        [mx, my - half],
        [mx + half, my],
        [mx, my + half],
        [mx - half, my],
      ];
      shapes.push({ kind: 'path', role: 'unit', points, closed: true });
    }
  return { shapes, widthMm: (2 * ROWS - 1) * across + 2 * half, heightMm: (ROWS - 0.5) * along + 2 * half };
}
/** Size of what is written under a lattice, mm of the drawing; a line of it is about so wide. */
const [TEXT, LINE] = [9, 95];

/** The cells of cylinders beside one another, all a hundred times as large, each with its screen. */
export function engravingScene(runs: readonly ConsumeContext[]): Scene {
  const all = runs.flatMap((cx) =>
    rollersOf(cx).flatMap(({ part, roller }) => (part.traits?.engraved ? [{ engraved: part.traits.engraved, name: roller.name }] : [])),
  );
  const shapes: Shape[] = [];
  let x = 0;
  for (const { engraved, name } of all) {
    const { shapes: cells, widthMm, heightMm } = lattice(engraved, x);
    const said = [name, `${engraved.linesPerCm}/cm, ${engraved.angleDeg}°`, `cell ${engraved.cellUm} µm`];
    shapes.push(
      ...cells,
      ...said.map((text, i): Shape => {
        const y = heightMm + TEXT * (1.8 + 1.3 * i);
        return { kind: 'text', role: i === 0 ? 'strong' : 'label', x, y, text, sizeMm: TEXT, anchor: 'start' };
      }),
    );
    x += Math.max(widthMm, LINE) + TEXT * 2;
  }
  return {
    title: 'cells, 100 : 1',
    says: `Cells, a hundred times as large: ${all
      .map(
        ({ engraved: e, name }) =>
          `${name} ${e.linesPerCm} lines a centimetre, ${e.angleDeg} degrees, full cells ${e.cellUm} micrometres wide`,
      )
      .join('; ')}.`,
    box: boxAround([...shapes, { kind: 'line', role: 'label', x1: 0, y1: 0, x2: x, y2: 0 }], TEXT),
    toScale: false,
    shapes,
  };
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
