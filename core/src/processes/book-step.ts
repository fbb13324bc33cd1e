import type { CountUnit, Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig } from '../quantity/ledger';
import { SUM } from '../quantity/sum';
import type { AbilityKey } from '../plant/abilities';
import { type PracticeKey, practiceOf, practiceTerm } from '../plant/practice';
import { editAt } from '../product/edit';
import { piecesOf } from '../product/pieces';
import type { Scene } from '../scene/scene';
import type { LaidSection } from '../signature/sheet-pages';
import type { Form } from '../layout/form';
import type { LayoutAsk } from '../layout/usable-sheet';
import type { Batch } from './batch';
import {
  type ConsumeContext,
  type Consumed,
  type Draft,
  type DraftContext,
  type OwnRule,
  type PanelRow,
  type PaperPage,
  type Process,
  type ProcessContext,
  setting,
  settingPath,
} from './process';
import { machineRow, runningLossRow } from './rows';
import { singleStep } from './single-step';
import { usualLosses } from './step-losses';
import { speedTerm, type StepTime, timeAndCost } from './time-and-cost';

/** What of a step of the hand or machine bindery is its own; the rest is alike: one thing after another, counted, set up, with a running loss. */
export interface BookStep {
  id: Id<'process'>;
  abilities?: readonly AbilityKey[];
  rules?: readonly OwnRule[];
  losses: { setup: PracticeKey; running: PracticeKey };
  unit: CountUnit;
  cautions: Id<'caution'>[];
  asks?: (cx: ProcessContext) => Partial<LayoutAsk>;
  needless?: (form: Form, section?: LaidSection, forms?: readonly Form[]) => boolean;
  /** What it makes out of several things is one: no section any more. */
  joins?: true;
  /** Pieces of a batch that it takes; absent: as many as a copy has. */
  takes?: (cx: DraftContext, batch: Batch) => number;
  /** What it makes has to rest so long: the setting that says so, its practice, and the row that shows it. */
  rests?: { setting: string; practice: (cx: DraftContext) => PracticeKey; label: string };
  /** Written before anything is counted. */
  figures?: (cx: DraftContext) => void;
  makes?: (cx: DraftContext) => Partial<Batch>;
  /** Forms it works with, by their uses. */
  tools?: (cx: DraftContext) => Draft['tools'];
  /** What it uses, after the counts; and its time, where that is not a cycle a piece at the machine's speed. */
  uses?: (cx: ConsumeContext) => Consumed;
  time?: (cx: ConsumeContext) => Partial<StepTime>;
  rows: (cx: ConsumeContext) => PanelRow[];
  /** Rows that only the page has, lists, and what is filled in there. */
  page?: (cx: ConsumeContext) => Partial<Pick<PaperPage, 'rows' | 'lists' | 'more'>>;
  blanks: string[];
  scene: (cx: ConsumeContext) => Scene;
  says?: (cx: ConsumeContext) => string;
}

/** A step of the bindery as a process. */
export function bookStep(of: BookStep): Process {
  const panel = (cx: ConsumeContext): PanelRow[] => [
    machineRow(cx),
    ...of.rows(cx),
    { label: 'rate', figure: idOf(cx.id, 'rate'), edit: { at: settingPath(cx, 'perHour'), kind: 'count' } },
    ...(of.rests
      ? [
          {
            label: of.rests.label,
            figure: idOf(cx.id, of.rests.setting),
            edit: { at: settingPath(cx, of.rests.setting), kind: 'hours' as const },
          },
        ]
      : []),
    { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
    runningLossRow(cx),
  ];
  return {
    id: of.id,
    ...(of.abilities && { abilities: of.abilities }),
    rules: [...(of.rests ? [restShort(of.rests)] : []), ...(of.rules ?? [])],
    ...(of.needless && { needless: of.needless }),
    losses: of.losses,
    asks: of.asks ?? ((): Partial<LayoutAsk> => ({})),
    draft(cx) {
      of.figures?.(cx);
      const tools = of.tools?.(cx) ?? {};
      const draft = singleStep(cx, {
        ...{ takesPer: 1, givesPer: 1, unit: of.unit, perGood: 1, whole: true },
        losses: usualLosses(cx, of.losses),
        cautions: of.cautions,
        needs: Object.keys(tools).map((tool) => ({ gate: `tool:${tool}`, tool })),
        tools,
        makes: { ...of.makes?.(cx), ...(of.rests && { rests: restOf(cx, of.rests) }) },
      });
      const step = draft.steps[cx.id]?.step;
      const takes = of.takes ?? usualTakes;
      if (step) step.takes = cx.incoming.map((batch) => ({ flow: batch.flow, per: takes(cx, batch) }));
      if (of.joins) draft.flows = Object.fromEntries(Object.entries(draft.flows).map(([id, { section: _, ...flow }]) => [id, flow]));
      return draft;
    },
    consume(cx) {
      cx.ledger.figure(idOf(cx.id, 'rate'), { ...SUM, id: 'processes.rate' }, { machine: speedTerm(cx) }, '1/h');
      const used = of.uses?.(cx) ?? { costs: [] };
      return { ...used, costs: [...timeAndCost(cx, { step: cx.id, perHour: fig(idOf(cx.id, 'rate')), ...of.time?.(cx) }), ...used.costs] };
    },
    scene: of.scene,
    panel,
    paper: (cx) => {
      const { rows = [], lists = [], more } = of.page?.(cx) ?? {};
      return [{ department: 'binding', scene: true, ...(more && { more }), rows: [...rows, ...panel(cx)], lists, blanks: of.blanks }];
    },
    summary: (cx) => ({ figure: idOf(cx.id, 'run'), text: [cx.machine.name, of.says?.(cx)].filter(Boolean).join(' · ') }),
  };
}

/** As many pieces of a batch of one part as a copy has; of what was joined before one. */
function usualTakes({ parts }: DraftContext, batch: Batch): number {
  const [only, ...others] = batch.parts;
  return others.length > 0 ? 1 : piecesOf(parts.find((p) => p.id === only));
}

/** A rest that was set shorter than any works of the trade would: what is glued gives way in the next hand. */
const restShort = ({ setting: name, practice }: NonNullable<BookStep['rests']>): OwnRule => ({
  code: 'rest.short',
  find: (cx, spec) => {
    const { value, pm } = practiceOf(cx.plant, practice(cx));
    const [restS, leastS] = [cx.ledger.value(idOf(cx.id, name)), value - pm];
    return restS < leastS - 1e-9
      ? [
          {
            level: 'start',
            figure: idOf(cx.id, name),
            args: { hours: Math.round(restS / 360) / 10, least: Math.round(leastS / 360) / 10 },
            remedies: [{ do: 'edit', says: 'remedy.waitLonger', args: {}, edits: [editAt(spec, settingPath(cx, name), undefined)] }],
          },
        ]
      : [];
  },
});

function restOf(cx: DraftContext, { setting: name, practice }: NonNullable<BookStep['rests']>): NonNullable<Batch['rests']> {
  const figure = idOf(cx.id, name);
  cx.ledger.figure(figure, SUM, { wait: setting(cx, name, practiceTerm(cx.plant, practice(cx))) }, 's');
  return { after: cx.id, figure, why: 'rest' };
}
