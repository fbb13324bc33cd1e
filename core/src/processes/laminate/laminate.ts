import type { Formula } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import { practiceTerm, practiceValue } from '../../plant/practice';
import type { Step } from '../../flow/net';
import { PRICE_OF } from '../../form/plates';
import { sheetScene } from '../../layout/sheet-scene';
import { cutWaits } from '../cut-wait';
import { type ConsumeContext, type DraftContext, type OwnRule, type PanelRow, type Process, setting, settingPath } from '../process';
import { machineRow, runningLossRow, setupKindRow } from '../rows';
import { singleStep } from '../single-step';
import { usualLosses } from '../step-losses';
import { timeAndCost } from '../time-and-cost';

declare module '../../product/part' {
  interface Traits {
    /** Film laid over its outside. */
    laminated: { film: 'gloss' | 'matt' };
  }
}

const LOSSES = { setup: 'laminate.setupSheets', running: 'laminate.runningPpm' } as const;
const FILM_M2: Formula<'sheets' | 'widthMm' | 'heightMm'> = {
  id: 'laminate.film',
  unit: 'm²',
  source: 'arithmetic',
  of: ({ sheets, widthMm, heightMm }) => (sheets * widthMm * heightMm) / 1e6,
};

/** The film runs along the sheet's longer side, and covers the shorter. */
const acrossMm = ({ layout }: Pick<DraftContext, 'layout'>): number => Math.min(...(layout?.sheetMm ?? [0, 0]));
const widestMm = ({ machine, plant }: Pick<DraftContext, 'machine' | 'plant'>): number =>
  machine.limits.filmMm ?? practiceValue(plant, 'laminate.filmMm');

/** A sheet wider than any film of the machine. */
const tooWide: OwnRule = {
  code: 'laminate.tooWide',
  find: (cx) => {
    const [sheetMm, filmMm] = [acrossMm(cx), widestMm(cx)];
    return sheetMm > filmMm ? [{ level: 'release', args: { sheetMm, filmMm }, remedies: [] }] : [];
  },
};

/** Laminated sheets lie until the adhesive has set: cut before, the film creeps back. */
function sets(cx: DraftContext): Step['waits'][number] {
  const figure = idOf(cx.id, 'setsS');
  cx.ledger.figure(figure, SUM, { wait: setting(cx, 'setsS', practiceTerm(cx.plant, 'laminate.waitS')) }, 's');
  return { after: cx.id, figure, why: 'rest' };
}

const panel = (cx: ConsumeContext): PanelRow[] => [
  machineRow(cx),
  { label: 'lamination', text: cx.parts[0]?.traits?.laminated?.film ?? '' },
  { label: 'filmWidth', text: `${acrossMm(cx)} mm` },
  { label: 'filmArea', figure: idOf(cx.id, 'filmM2') },
  { label: 'setupSheets', figure: idOf(cx.id, 'setupCycles'), edit: { at: settingPath(cx, 'setupSheets'), kind: 'count' } },
  runningLossRow(cx),
  setupKindRow(cx),
  { label: 'waitBefore', figure: idOf(cx.id, 'waitS'), edit: { at: settingPath(cx, 'waitS'), kind: 'hours' } },
  { label: 'setsBefore', figure: idOf(cx.id, 'setsS'), edit: { at: settingPath(cx, 'setsS'), kind: 'hours' } },
];

/** Film laid over printed sheets; what is printed has to be dry, what is laid has to set before it is cut. */
export const laminate: Process = {
  id: 'laminate',
  feeds: true,
  abilities: ['filmMm'],
  reach: 'sheet',
  losses: LOSSES,
  rules: [tooWide],
  asks: (cx) => ({ ...(cx.machine.maxSheetMm && { maxSheetMm: cx.machine.maxSheetMm }) }),
  draft: (cx) =>
    singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'sheet',
      perGood: cx.incoming[0]?.of.perGood ?? 1,
      whole: true,
      losses: usualLosses(cx, LOSSES),
      waits: cutWaits(cx),
      cautions: ['nips', 'hotGlue'],
      // Under the film nothing dries any more: it was dry before.
      makes: { wet: [], rests: sets(cx) },
    }),
  consume(cx) {
    const { ledger, id } = cx;
    const [widthMm, heightMm] = cx.layout?.sheetMm ?? [0, 0];
    const mm = (value: number): ReturnType<typeof typed> => ({ value, unit: 'mm', from: 'family', at: 'layout' });
    ledger.figure(idOf(id, 'filmM2'), FILM_M2, { sheets: fig(idOf(id, 'run')), widthMm: mm(widthMm), heightMm: mm(heightMm) });
    ledger.figure(idOf(id, 'filmCost'), PRICE_OF, {
      number: fig(idOf(id, 'filmM2')),
      price: practiceTerm(cx.plant, 'laminate.pricePerM2'),
    });
    return { costs: [...timeAndCost(cx, { step: id }), { figure: idOf(id, 'filmCost'), kind: 'goods', fixed: false }] };
  },
  scene: (cx) => ({
    ...sheetScene(cx.layout, cx.parts, cx.stock, cx.workStyle, practiceTerm(cx.plant, 'layout.colourBarMm')),
    title: 'laminated sheet',
  }),
  panel,
  paper: (cx) => [
    {
      department: 'binding',
      scene: true,
      rows: [{ label: 'filmSide', text: 'the cover’s outside, the printed front of the sheet' }, ...panel(cx)],
      lists: [],
      blanks: [
        'printed, dry since',
        'heat and pressure as the maker of the film says',
        'first sheet: no bubbles, lies flat',
        'film: roll and lot',
      ],
    },
  ],
  summary: (cx) => ({ figure: idOf(cx.id, 'filmM2'), text: cx.machine.name }),
};
