import { type Scene, type Shape, boxAround } from '../scene/scene';
import { ABILITY_KEYS, abilityOf, type AbilityKey } from './abilities';
import type { Machine } from './plant';

/** One value of a machine's card: where it stands in the plant, what kind of value it is, and whether it is edited on the drawing. */
export interface CardField {
  /** Below the machine. */
  at: string[];
  key: string;
  kind: 'length' | 'count' | 'minutes' | 'seconds' | 'number' | 'text';
  /** Its line in the drawing. */
  onDrawing?: true;
}

/** Smallest and largest thing a machine takes, width before depth: a sheet, or a width of web by a repeat. Null where neither says anything. */
interface Reach {
  most: [number, number];
  least: [number, number] | null;
  fields: CardField[];
}

const size = (at: string[], key: string): CardField => ({ at, key, kind: 'length', onDrawing: true });

function reachOf(machine: Machine): Reach | null {
  const { minSheetMm: least, maxSheetMm: most, limits } = machine;
  if (most)
    return {
      most,
      least: least ?? null,
      fields: [
        size(['maxSheetMm', '0'], 'largestWidth'),
        size(['maxSheetMm', '1'], 'largestDepth'),
        ...(least ? [size(['minSheetMm', '0'], 'smallestWidth'), size(['minSheetMm', '1'], 'smallestDepth')] : []),
      ],
    };
  const { minWebMm: w0, maxWebMm: w1, minRepeatMm: r0, maxRepeatMm: r1 } = limits;
  if (w1 === undefined || r1 === undefined) return null;
  return {
    most: [w1, r1],
    least: w0 !== undefined && r0 !== undefined ? [w0, r0] : null,
    fields: [
      size(['limits', 'maxWebMm'], 'largestWidth'),
      size(['limits', 'maxRepeatMm'], 'largestDepth'),
      ...(w0 !== undefined ? [size(['limits', 'minWebMm'], 'smallestWidth')] : []),
      ...(r0 !== undefined ? [size(['limits', 'minRepeatMm'], 'smallestDepth')] : []),
    ],
  };
}

/** Of work sent out. */
const OUTSIDE: CardField[] = [
  { at: ['outside', 'days'], key: 'outsideDays', kind: 'number' },
  { at: ['outside', 'supplier'], key: 'outsideSupplier', kind: 'text' },
];

/** Everything of a machine that a person may set, in the order of its card; sizes stand on the drawing. `abilities`: those its kinds of work read. */
export function machineFields(machine: Machine, abilities: readonly AbilityKey[]): CardField[] {
  const reach = reachOf(machine)?.fields ?? [];
  const drawn = new Set(reach.map((f) => f.at.join('.')));
  return [
    ...reach,
    { at: ['name'], key: 'name', kind: 'text' },
    { at: ['netPerHour'], key: 'netPerHour', kind: 'number' },
    { at: ['perHour'], key: 'perHour', kind: 'number' },
    { at: ['setupS'], key: 'setupNew', kind: 'minutes' },
    { at: ['setupRepeatS'], key: 'setupRepeat', kind: 'minutes' },
    { at: ['crew'], key: 'crew', kind: 'count' },
    { at: ['setupCostPerHour'], key: 'setupCostPerHour', kind: 'number' },
    { at: ['runCostPerHour'], key: 'runCostPerHour', kind: 'number' },
    ...ABILITY_KEYS.filter((name) => (abilities.includes(name) || name in machine.limits) && !drawn.has(`limits.${name}`)).map(
      (name): CardField => ({ at: ['limits', name], key: name, kind: abilityOf(name).kind }),
    ),
    ...(machine.outside ? OUTSIDE : []),
  ];
}

/**
 * A machine as its reach: the largest and the smallest sheet (or web by repeat) one in the other at the gripper edge, its margins, its units
 * in a row; for every machine the rated and the net speed as bars. Dimension lines carry the keys of the fields they show.
 */
export function machineScene(machine: Machine): Scene {
  const reach = reachOf(machine);
  const shapes: Shape[] = [];
  const [w, h] = reach?.most ?? [400, 120];
  const text = Math.max(w, h) / 22;
  if (reach) {
    const { gripperMm = 0, tailMm = 0, sideMm = 0 } = machine.limits;
    shapes.push({ kind: 'rect', role: 'sheet', x: 0, y: 0, w, h, ref: 'largest' });
    if (gripperMm > 0) shapes.push({ kind: 'rect', role: 'gripper', x: 0, y: h - gripperMm, w, h: gripperMm, ref: 'gripper' });
    if (gripperMm + tailMm + sideMm > 0)
      shapes.push({ kind: 'rect', role: 'usable', x: sideMm, y: tailMm, w: w - 2 * sideMm, h: h - gripperMm - tailMm });
    shapes.push(
      { kind: 'line', role: 'dimension', x1: 0, y1: -text * 1.6, x2: w, y2: -text * 1.6, ref: 'largestWidth' },
      { kind: 'line', role: 'dimension', x1: w + text * 2, y1: 0, x2: w + text * 2, y2: h, ref: 'largestDepth' },
    );
    if (reach.least) {
      const [sw, sh] = reach.least;
      shapes.push(
        { kind: 'rect', role: 'copy', x: (w - sw) / 2, y: h - sh, w: sw, h: sh, ref: 'smallest' },
        { kind: 'line', role: 'dimension', x1: (w - sw) / 2, y1: h - sh * 0.7, x2: (w + sw) / 2, y2: h - sh * 0.7, ref: 'smallestWidth' },
        { kind: 'line', role: 'dimension', x1: w / 2, y1: h - sh * 0.46, x2: w / 2, y2: h, ref: 'smallestDepth' },
      );
    }
  }
  const below = reach ? h + text * 1.4 : 0;
  const units = Math.min(machine.limits.units ?? 0, 12);
  for (let i = 0; i < units; i++)
    shapes.push({ kind: 'rect', role: 'unit', x: i * text * 2.2, y: below, w: text * 1.8, h: text * 1.8, ref: `unit ${i + 1}` });
  const bars = below + (units > 0 ? text * 3 : text * 0.4);
  const fastest = Math.max(machine.perHour, machine.netPerHour, 1);
  shapes.push(
    { kind: 'rect', role: 'colourBar', x: 0, y: bars, w: (w * machine.perHour) / fastest, h: text * 0.9, ref: 'rated speed' },
    { kind: 'rect', role: 'bar', x: 0, y: bars + text * 1.1, w: (w * machine.netPerHour) / fastest, h: text * 0.9, ref: 'net speed' },
    {
      kind: 'text',
      role: 'label',
      x: 0,
      y: bars + text * 3.2,
      text: `net ${machine.netPerHour} of ${machine.perHour} rated, an hour`,
      sizeMm: text,
    },
  );
  const sizes = reach
    ? `Takes at most ${reach.most.join(' by ')} millimetres${reach.least ? ` and at least ${reach.least.join(' by ')}` : ''}; `
    : '';
  return {
    title: machine.name,
    says: `${machine.name}. ${sizes}rated ${machine.perHour}, net ${machine.netPerHour} an hour${units > 0 ? `; ${units} units` : ''}.`,
    box: boxAround(shapes, text * 1.6),
    toScale: reach !== null,
    shapes,
  };
}
