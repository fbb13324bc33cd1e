import type { Formula, Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm, practiceValue } from '../../plant/practice';
import type { Flow, Port } from '../../flow/net';
import { PRICE_OF } from '../../form/plates';
import { CLOCK_TIME, HANDS_TIME } from '../../finishing/folding';
import { type DraftContext, type Process, machineTerm, setting } from '../process';
import { singleStep } from '../single-step';
import { usualLosses } from '../step-losses';
import { timeAndCost } from '../time-and-cost';
import { insertPanel, insertPaper, insertScene, insertSummary } from './insert-page';

declare module '../../product/part' {
  interface Traits {
    /** Trays are glued in, discs put on them, the piece closed; film shrunk round it where it is wished. */
    inserts: {
      /** The open piece as it comes, seen from inside: width and height, and where it folds, from its left edge. */
      openMm: [number, number];
      foldsMm: number[];
      trays: { panel: number; xMm: number; yMm: number; widthMm: number; heightMm: number; onPrint: boolean }[];
      trayMm: [number, number, number];
      discs: number;
      discsFrom: 'customer' | 'buy';
      discCode: string;
      shrink: boolean;
      closedMm: [number, number, number];
    };
  }
}

const LOSSES = {
  setup: 'insert.setupPieces',
  running: 'insert.runningPpm',
  samples: 'insert.samples',
  again: 'insert.setupPieces',
} as const;
/** A supplier needs about a week for trays and discs. Common practice, no source. */
const LEAD_DAYS = 7;

/** Film round a piece: its closed width and thickness, and what its seam takes. Formula: (width + thickness + extra) ÷ 1,000 × pieces. */
const FILM_M: Formula<'pieces' | 'widthMm' | 'thickMm' | 'extraMm'> = {
  id: 'insert.film',
  unit: 'm',
  source: 'common practice, no source',
  of: ({ pieces, widthMm, thickMm, extraMm }) => (pieces * (widthMm + thickMm + extraMm)) / 1000,
};

/** What is brought to the line: trays, of which some are spoilt; discs, which come back out of spoilt sleeves. */
function brought(cx: DraftContext): { port: Port; flow: Flow }[] {
  const inserts = cx.parts[0]?.traits?.inserts;
  const lead = cx.incoming[0]?.of;
  if (!inserts || !lead) return [];
  const flow = (perGood: number, from: 'customer' | 'buy'): Flow => ({
    unit: 'piece',
    part: lead.part,
    item: lead.item,
    perGood,
    supply: from === 'customer' ? { from } : { from, leadDays: LEAD_DAYS },
  });
  const trays = inserts.trays.length;
  return [
    ...(trays > 0
      ? [
          {
            port: { flow: idOf(cx.id, 'trays'), per: trays, spoilPpm: practiceValue(cx.plant, 'insert.traySpoilPpm') },
            flow: flow(trays, 'buy'),
          },
        ]
      : []),
    ...(inserts.discs > 0
      ? [
          {
            port: {
              flow: idOf(cx.id, 'discs'),
              per: inserts.discs,
              spoilPpm: practiceValue(cx.plant, 'insert.discSpoilPpm'),
              comesBack: true as const,
            },
            flow: flow(inserts.discs, inserts.discsFrom),
          },
        ]
      : []),
  ];
}

const inserting = (id: Id<'process'>, byHand: boolean): Process => ({
  id,
  ...(byHand && { insteadOf: ['insert'] }),
  losses: LOSSES,
  againS: 'insert.againS',
  suits: (_machine, parts) => parts.every((p) => p.traits?.inserts !== undefined),
  asks: () => ({}),
  draft: (cx) =>
    singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'piece',
      perGood: 1,
      whole: true,
      losses: usualLosses(cx, LOSSES),
      also: brought(cx),
      cautions: byHand ? ['repetition'] : ['tunnel', 'repetition'],
    }),
  consume(cx) {
    const { ledger } = cx;
    const inserts = cx.parts[0]?.traits?.inserts;
    const run = fig(idOf(cx.id, 'run'));
    const goods = brought(cx).map(({ port }) => {
      const figure = `${port.flow}.cost`;
      const kind = port.comesBack ? 'insert.discPrice' : 'insert.trayPrice';
      const customers = port.comesBack && inserts?.discsFrom === 'customer';
      ledger.figure(figure, PRICE_OF, {
        number: fig(idOf(port.flow, 'demand')),
        price: customers ? typed(0, 'money', 'the customer’s') : practiceTerm(cx.plant, kind),
      });
      return { figure, kind: 'goods' as const, fixed: false, per: idOf(port.flow, 'demand') };
    });
    if (inserts?.shrink) {
      const mm = (value: number): ReturnType<typeof typed> => ({ value, unit: 'mm', from: 'family', at: 'closed' });
      ledger.figure(idOf(cx.id, 'filmM'), FILM_M, {
        pieces: run,
        widthMm: mm(inserts.closedMm[0]),
        thickMm: mm(inserts.closedMm[2]),
        extraMm: practiceTerm(cx.plant, 'insert.filmExtraMm'),
      });
      ledger.figure(idOf(cx.id, 'filmCost'), PRICE_OF, {
        number: fig(idOf(cx.id, 'filmM')),
        price: practiceTerm(cx.plant, 'insert.filmPrice'),
      });
      goods.push({ figure: idOf(cx.id, 'filmCost'), kind: 'goods', fixed: false, per: idOf(cx.id, 'run') });
    }
    const againS = practiceTerm(cx.plant, 'insert.againS');
    if (!byHand) return { costs: [...timeAndCost(cx, { step: cx.id, againS }), ...goods] };
    ledger.figure(idOf(cx.id, 'handsS'), HANDS_TIME, {
      pieces: run,
      secondsEach: setting(cx, 'secondsEach', practiceTerm(cx.plant, 'insert.handsS')),
      rest: practiceTerm(cx.plant, 'hands.restShare'),
    });
    const people = setting(cx, 'people', machineTerm(cx, 'crew'));
    ledger.figure(idOf(cx.id, 'clockS'), CLOCK_TIME, { handsS: fig(idOf(cx.id, 'handsS')), people });
    return { costs: [...timeAndCost(cx, { step: cx.id, againS, runS: fig(idOf(cx.id, 'clockS')), people }), ...goods] };
  },
  scene: insertScene,
  paper: insertPaper,
  panel: (cx) => insertPanel(cx, byHand),
  summary: insertSummary,
});

/** The tray line: tray glued in, disc put on, closed, shrunk. */
export const insert = inserting('insert', false);
/** The same by hand, at a bench. */
export const insertByHand = inserting('insertByHand', true);
