import type { Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import type { Ledger } from '../quantity/ledger';
import { formatNumber } from '../words/format';
import { machinesFor, type Stock } from '../plant/plant';
import { type ConsumeContext, type PanelRow, type ProcessContext, setting, settingPath, wordSetting } from './process';

/* The rows that panels of several kinds of work share: each says what counts, set or not, and where it is set. */

/** The machine that does it. */
export const machineRow = (cx: ProcessContext): PanelRow => ({ label: 'machine', text: cx.machine.name });

/** The press, and those that could print it instead. */
export const pressRow = (cx: ProcessContext): PanelRow => ({
  label: 'press',
  text: cx.machine.name,
  edit: {
    at: ['choices', 'machine', cx.stone],
    kind: 'choice',
    options: machinesFor(cx.plant, cx.process).map(([value, m]) => ({ value, says: m.name })),
  },
});

/** One of several words, set on the step. */
export const choiceRow = (cx: ProcessContext, label: string, name: string, now: string, words: readonly string[]): PanelRow => ({
  label,
  text: now,
  edit: { at: settingPath(cx, name), kind: 'choice', options: words.map((value) => ({ value, says: value })) },
});

/** New or repeat work, by which the setup goes. */
export const setupKindRow = (cx: ProcessContext): PanelRow =>
  choiceRow(cx, 'setupKind', 'repeat', wordSetting(cx, 'repeat', 'new'), ['new', 'repeat']);

/** Running loss of a step of the run. */
export const runningLossRow = (cx: ProcessContext): PanelRow => ({
  label: 'runningLoss',
  figure: idOf(cx.id, 'runningPpm'),
  edit: { at: settingPath(cx, 'runningPpm'), kind: 'percent' },
});

/** The stock that is pulled, others of its grade, and whose it is. */
export const stockRows = (cx: ConsumeContext, form: Stock['form']): PanelRow[] => [
  {
    label: 'stock',
    text: cx.stock?.name ?? '',
    edit: {
      at: ['choices', 'stock', cx.form?.slot ?? ''],
      kind: 'choice',
      options: Object.entries(cx.plant.stocks)
        .filter(([, s]) => s.form === form && s.grade === cx.parts[0]?.grade)
        .map(([value, s]) => ({ value, says: s.name })),
    },
  },
  choiceRow(cx, 'owner', 'owner', wordSetting(cx, 'owner', 'works'), ['works', 'customer']),
];

/** A default in words, for a field that was not set: "100 mm". */
export const says = (term: Term, unit = ''): string =>
  'value' in term ? `${Math.round(term.value * 100) / 100}${unit ? ` ${unit}` : ''}` : '';

/** What may be set by hand as a number: it says what counts, set or not. */
export const settingRow = (
  cx: ProcessContext,
  label: string,
  name: string,
  otherwise: Term,
  { kind, unit }: { kind: 'count' | 'length' | 'seconds'; unit?: string },
): PanelRow => ({ label, text: says(setting(cx, name, otherwise), unit), edit: { at: settingPath(cx, name), kind } });

/** A figure to so many digits, as a table of a page has it. */
export const cell = (ledger: Ledger, figure: Id<'figure'>, digits: number): string =>
  ledger.has(figure) ? formatNumber(ledger.value(figure), digits, true) : '–';
