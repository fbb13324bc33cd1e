import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import type { AbilityKey } from '../../plant/abilities';
import { type PracticeKey, practiceTerm } from '../../plant/practice';
import { allowedSays, type Measure, measureName } from '../../quality/measure';
import type { Part } from '../../product/part';
import type { Scene } from '../../scene/scene';
import { formatNumber } from '../../words/format';
import { label } from '../../words/en';
import {
  type ConsumeContext,
  type Consumed,
  type Department,
  type DraftContext,
  type OwnRule,
  type PanelRow,
  type PaperPage,
  type Process,
  settingPath,
} from '../process';
import { machineRow } from '../rows';
import { singleStep } from '../single-step';
import { timeAndCost } from '../time-and-cost';
import { bodyOver } from './cylinder-rules';
import { rollerScene } from './roller-scene';
import { type OneRoller, rollersOf } from './rollers';

/* Cylinders and embossing rollers go through the shop body by body: a step is one body at one place; nothing is lost, a fault is made again on the same base. */

export interface CylinderStage {
  id: Id<'process'>;
  department: Department;
  cautions: Id<'caution'>[];
  abilities?: readonly AbilityKey[];
  /** Makes the image; approves it. */
  images?: true;
  approves?: true;
  /** Takes the bodies from the store. */
  begins?: true;
  /** Written before its time: thickness, cells. */
  figures?: (cx: ConsumeContext) => void;
  /** How long it takes: the figure that says so, written here. */
  time: (cx: ConsumeContext) => Id<'figure'>;
  uses?: (cx: ConsumeContext) => Consumed['costs'];
  measures?: (cx: ConsumeContext) => Measure[];
  rules?: readonly OwnRule[];
  rows?: (cx: ConsumeContext) => PanelRow[];
  /** What only the planner weighs: not on the page. */
  weighs?: (cx: ConsumeContext) => PanelRow[];
  /** The table of its page: a line a roller. */
  table: { title: string; head: string[]; line: (cx: ConsumeContext, of: OneRoller) => string[] };
  blanks: string[];
  scene?: (cx: ConsumeContext) => Scene;
  /** One drawing of all its bodies, where they differ in it: the page has that. */
  drawing?: (runs: readonly ConsumeContext[]) => Scene;
}

/** A place of the cylinder shop as a process. */
export function cylinderStage(of: CylinderStage): Process {
  const panel = (cx: ConsumeContext): PanelRow[] => [
    machineRow(cx),
    ...(of.rows?.(cx) ?? []),
    { label: 'stageTime', figure: idOf(cx.id, 'stageS'), edit: { at: settingPath(cx, 'stageS'), kind: 'seconds' } },
  ];
  const paperOfRuns = (runs: readonly ConsumeContext[]): PaperPage[] => {
    const [cx, ...more] = runs;
    if (!cx) return [];
    return [
      {
        department: of.department,
        ...(of.drawing && more.length > 0 ? { scene: false, more: [of.drawing(runs)] } : { scene: true }),
        // What differs from body to body stands in the table.
        rows: more.length === 0 ? panel(cx) : [],
        lists: [
          { title: of.table.title, head: of.table.head, rows: runs.flatMap((run) => rollersOf(run).map((r) => of.table.line(run, r))) },
          ...measureList(of, runs),
        ],
        blanks: of.blanks,
      },
    ];
  };
  return {
    id: of.id,
    abilities: ['bodyFaceMm', 'bodyMm', 'bodyKg', ...(of.abilities ?? [])],
    ...(of.images && { images: of.images }),
    ...(of.approves && { approves: of.approves }),
    rules: [bodyOver, ...(of.rules ?? [])],
    asks: () => ({}),
    draft(cx) {
      const incoming = of.begins ? cx.parts.map((part) => bodies(cx, part)) : cx.incoming;
      return singleStep(
        { ...cx, incoming },
        {
          ...{ takesPer: 1, givesPer: 1, unit: 'piece', perGood: 1, whole: true, losses: {}, cautions: of.cautions },
          ...(of.begins && { supplied: Object.fromEntries(incoming.map((b) => [b.flow, b.of])) }),
        },
      );
    },
    consume(cx) {
      of.figures?.(cx);
      const stageS = of.time(cx);
      cx.ledger.figure(idOf(cx.id, 'stageS'), STAGE_TIME, { time: timeSet(cx) ?? fig(stageS) });
      for (const { part } of rollersOf(cx)) cx.ledger.figure(stageFigure(part, of.id), SUM, { time: fig(idOf(cx.id, 'stageS')) });
      cx.ledger.figure(idOf(cx.id, 'allS'), ALL_BODIES, { runs: fig(idOf(cx.id, 'run')), stageS: fig(idOf(cx.id, 'stageS')) });
      return { costs: [...timeAndCost(cx, { step: cx.id, runS: fig(idOf(cx.id, 'allS')) }), ...(of.uses?.(cx) ?? [])] };
    },
    ...(of.measures && { measures: of.measures }),
    scene: of.scene ?? rollerScene,
    panel: (cx) => [...panel(cx), ...(of.weighs?.(cx) ?? [])],
    paper: (cx) => paperOfRuns([cx]),
    paperOfRuns,
    summary: (cx) => ({ figure: idOf(cx.id, 'stageS'), text: [cx.machine.name, ...rollersOf(cx).map((r) => r.roller.name)].join(' · ') }),
  };
}

/** A time that somebody set on the step. */
function timeSet(cx: ConsumeContext): Term | null {
  const set = cx.settings['stageS'];
  return typeof set === 'number' ? typed(set, 's', `setting:${cx.id}.stageS`) : null;
}
/** How long a body is at a stage. */
export const stageFigure = (part: Pick<Part, 'id'>, stage: Id<'process'>): Id<'figure'> => idOf(idOf(part.id, stage), 'stageS');
/** A stage takes as long as was reckoned, or as somebody set. Source: arithmetic. */
const STAGE_TIME = { ...SUM, id: 'cylinders.stageTime' } as const;
/** All bodies that are made of one kind: `runs × time`. Source: arithmetic. */
const ALL_BODIES = {
  id: 'cylinders.allBodies',
  unit: 's',
  source: 'arithmetic',
  of: ({ runs, stageS }: Record<'runs' | 'stageS', number>): number => runs * stageS,
} as const;

/** A body comes from the store, or new from the maker; either way it is there when the job begins. */
const bodies = (cx: DraftContext, part: Part): DraftContext['incoming'][number] => ({
  flow: idOf(cx.id, 'in'),
  of: { unit: 'piece', part: part.id, item: part.item, perGood: 1, supply: { from: 'here' } },
  ...{ times: 1, forms: [], parts: [part.id], section: null, version: null, wet: [], faults: null, bundle: null },
});

/** A time of the works, as the figure of a stage. */
export function timeOf(cx: ConsumeContext, terms: Record<string, Term>): Id<'figure'> {
  const figure = idOf(cx.id, 'reckonedS');
  cx.ledger.figure(figure, { ...SUM, id: 'cylinders.reckoned' }, terms);
  return figure;
}
/** The same of practice values alone. */
export const usualTime = (cx: ConsumeContext, ...keys: PracticeKey[]): Id<'figure'> =>
  timeOf(cx, Object.fromEntries(keys.map((key) => [key.split('.').at(-1) ?? key, practiceTerm(cx.plant, key)])));

/** Something said in the order of a roller, as a term. */
export const mm = (value: number, at: string): Term => typed(value, 'mm', at);
export const um = (value: number, at: string): Term => typed(value, 'µm', at);

/** Minutes of a stage. */
export const minutesCell = (cx: ConsumeContext): string => formatNumber(cx.ledger.value(idOf(cx.id, 'stageS')) / 60, 1);

/** Bodies that find room beside one another on paper, each with a blank to write into. */
const MOST_BESIDE = 8;
/**
 * Readings that a page asks for. Of one body, or of a set as a whole, a line a reading; of several bodies a line a reading with a blank under each: what is allowed
 * stands beside it where it is alike, else in the table above. More bodies than find room have a line each.
 */
function measureList({ measures }: Pick<CylinderStage, 'measures'>, runs: readonly ConsumeContext[]): PaperPage['lists'] {
  const asked = runs.map((run) => {
    const [only, ...more] = rollersOf(run);
    return { name: only && more.length === 0 ? only.roller.name : label('theSet'), measures: measures?.(run) ?? [] };
  });
  const [first, ...others] = asked;
  if (!first || first.measures.length === 0) return [];
  if (others.length === 0 || asked.length > MOST_BESIDE) {
    const rows = asked.flatMap(({ name, measures: own }) => own.map((m) => [name, measureName(m), allowedSays(m), '']));
    return [{ title: 'readingsAsked', head: ['of', 'reading', 'aim, allowed', 'measured'], rows }];
  }
  const rows = first.measures.map((m) => {
    const isAlike = others.every((o) => o.measures.every((n) => n.key !== m.key || allowedSays(n) === allowedSays(m)));
    return [measureName(m), isAlike ? allowedSays(m) : label('asAbove'), ...asked.map(() => '')];
  });
  return [{ title: 'readingsAsked', head: ['reading', 'aim, allowed', ...asked.map((o) => o.name)], rows }];
}
