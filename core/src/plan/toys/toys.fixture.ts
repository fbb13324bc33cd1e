import type { Family } from '../../families/family';
import type { Layouter } from '../../layout/layouter';
import type { Draft, DraftContext, Process } from '../../processes/process';
import { timeAndCost } from '../../processes/time-and-cost';
import type { Plant } from '../../plant/plant';
import type { Part } from '../../product/part';
import { type JobSpec, NO_CHOICES } from '../../product/job-spec';
import type { Registries } from '../passes/resolve';
import { LINDMOOR } from '../line-1.fixture';
import { REGISTRIES } from '../plan';

/* What the toy families have in common: they stand for lines to come, and show that a line needs no other file than its own. */

const NOTHING_DRAWN = { title: 'toy', says: 'a toy', box: { x: 0, y: 0, w: 1, h: 1 }, toScale: false, shapes: [] };

/** A kind of work of which only the counts matter. */
export const toyProcess = (id: string, draft: (cx: DraftContext) => Draft, more: Partial<Process> = {}): Process => ({
  id,
  asks: () => ({}),
  draft,
  consume: (cx) => ({ costs: cx.stepIds.flatMap((step) => timeAndCost(cx, { step })) }),
  scene: () => NOTHING_DRAWN,
  panel: () => [],
  paper: () => [{ department: 'bench', scene: false, rows: [], lists: [], blanks: [] }],
  summary: () => ({ text: id }),
  ...more,
});

/** A part that asks for nothing but its size and stock. */
export const toyPart = (id: string, ids: { product: string; item: string }, more: Partial<Part>): Part => ({
  id,
  ...ids,
  role: id.split('.').at(-1) ?? id,
  widthMm: 100,
  heightMm: 100,
  bleedMm: 0,
  leaves: 1,
  grainAlong: null,
  colours: [[], []],
  coveragePercent: {},
  layouter: 'rectangle',
  grade: null,
  ...more,
});

type ToyFamily = Pick<Family<never>, 'parts' | 'route'>;
export const withToys = (families: Record<string, ToyFamily>, processes: Process[], layouters: Layouter[]): Registries => ({
  families: { ...REGISTRIES.families, ...(families as unknown as Registries['families']) },
  processes: { ...REGISTRIES.processes, ...Object.fromEntries(processes.map((p) => [p.id, p])) },
  layouters: { ...REGISTRIES.layouters, ...Object.fromEntries(layouters.map((l) => [l.id, l])) },
});

/** The Lindmoor works with one machine more that does all the toys do; it loses nothing. */
export const toyPlant = (processes: string[]): Plant => ({
  ...LINDMOOR,
  machines: {
    ...LINDMOOR.machines,
    toy: { ...(LINDMOOR.machines['bench'] ?? Object.values(LINDMOOR.machines)[0]!), name: 'Toy', processes, limits: {} },
  },
});

export const toySpec = (
  orders: Record<string, { family: string; wish?: object; quantity: number }>,
  choices: Partial<JobSpec['choices']> = {},
): JobSpec =>
  ({
    schema: 1,
    name: 'toy',
    items: Object.fromEntries(
      Object.entries(orders).map(([id, { quantity }]) => [
        id,
        {
          orderLine: null,
          product: id,
          versions: { only: { name: 'only', quantity, changes: [] } },
          deliveries: [],
          overs: { underPpm: 0, overPpm: 0, extra: 'stock' },
          pieces: 'alike',
          balanced: false,
        },
      ]),
    ),
    products: Object.fromEntries(Object.entries(orders).map(([id, { family, wish = {} }]) => [id, { kind: 'made', family, wish }])),
    choices: { ...NO_CHOICES, ...choices },
    overrides: {},
    decisions: {},
  }) as unknown as JobSpec;
