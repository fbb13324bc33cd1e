import type { Formula } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import { practiceTerm } from '../../plant/practice';
import type { Step } from '../../flow/net';
import { PRICE_OF } from '../../form/plates';
import { copiesUp } from '../../layout/layout';
import { pieceAreaMm2 } from '../../product/blank';
import { type ConsumeContext, type DraftContext, type Process, setting } from '../process';
import { singleStep } from '../single-step';
import { usualLosses } from '../step-losses';
import { isSetAlready, timeAndCost } from '../time-and-cost';
import { coatPanel, coatPaper, coatScene, coatSummary } from './coat-page';

declare module '../../product/part' {
  interface Traits {
    /** Coated under lamps over the print; windows stay free of it, their lower left corners from that of the blank's box. */
    lampCoat: { kind: 'gloss' | 'matt'; windows: { xMm: number; yMm: number; widthMm: number; heightMm: number }[] };
  }
}

const LOSSES = { setup: 'coat.setupSheets', running: 'coat.runningPpm', samples: 'coat.samples', again: 'coat.againSheets' } as const;

/** Coat: sheets × area of what is coated × film. */
const COAT_KG: Formula<'sheets' | 'areaMm2' | 'gPerM2'> = {
  id: 'coat.kg',
  unit: 'kg',
  source: 'arithmetic',
  of: ({ sheets, areaMm2, gPerM2 }) => (sheets * areaMm2 * gPerM2) / 1e9,
};

/** A machine that lays a coat over printed sheets and dries it under lamps; one form for all forms of a die, as windows lie in the same places. */
export const coat: Process = {
  id: 'coat',
  feeds: true,
  abilities: ['gripperMm', 'lamps'],
  reach: 'sheet',
  losses: LOSSES,
  laysCoat: true,
  againS: 'coat.againS',
  suits: (_machine, parts) => parts.every((p) => p.traits?.lampCoat !== undefined),
  asks: (cx) => ({
    gripperMm: cx.machine.limits.gripperMm ?? 0,
    ...(cx.machine.minSheetMm && { minSheetMm: cx.machine.minSheetMm }),
    ...(cx.machine.maxSheetMm && { maxSheetMm: cx.machine.maxSheetMm }),
  }),
  draft: (cx) =>
    singleStep(cx, {
      takesPer: 1,
      givesPer: 1,
      unit: 'sheet',
      perGood: cx.incoming[0]?.of.perGood ?? 1,
      whole: true,
      losses: usualLosses(cx, LOSSES),
      waits: inkDries(cx),
      cautions: ['lamps', 'nips'],
      // What lies under a lamp-dried coat is dry with it.
      makes: { wet: [] },
    }),
  consume(cx) {
    const { ledger, id } = cx;
    ledger.figure(idOf(id, 'coatKg'), COAT_KG, {
      sheets: fig(idOf(id, 'run')),
      areaMm2: { value: coatedMm2(cx), unit: 'm²', from: 'family', at: 'blanks less their windows' },
      gPerM2: practiceTerm(cx.plant, 'coat.gPerM2'),
    });
    ledger.figure(idOf(id, 'coatCost'), PRICE_OF, { number: fig(idOf(id, 'coatKg')), price: practiceTerm(cx.plant, 'coat.pricePerKg') });
    const hung = !isSetAlready(cx);
    if (hung)
      ledger.figure(idOf(id, 'formCost'), PRICE_OF, {
        number: typed(1, 'plate', 'form of the coat'),
        price: practiceTerm(cx.plant, 'coat.formPrice'),
      });
    return {
      costs: [
        ...timeAndCost(cx, { step: id, againS: practiceTerm(cx.plant, 'coat.againS') }),
        { figure: idOf(id, 'coatCost'), kind: 'ink', fixed: false },
        ...(hung ? [{ figure: idOf(id, 'formCost'), kind: 'form' as const, fixed: true }] : []),
      ],
      inkKg: [idOf(id, 'coatKg')],
    };
  },
  scene: coatScene,
  paper: coatPaper,
  panel: coatPanel,
  summary: coatSummary,
};

/** What of a sheet is coated: its blanks, less the windows that a tray is glued in. */
function coatedMm2({ layout, parts }: ConsumeContext): number {
  return parts.reduce((sum, part) => {
    const free = (part.traits?.lampCoat?.windows ?? []).reduce((area, w) => area + w.widthMm * w.heightMm, 0);
    return sum + (pieceAreaMm2(part) - free) * (layout ? copiesUp(layout, part.id) : 0);
  }, 0);
}

/** Ink that dries by the air has to be through: a coat over young or waxed ink crawls and peels. */
const inkDries = (cx: DraftContext): Step['waits'] =>
  cx.wet.slice(-1).map((after) => {
    const figure = idOf(cx.id, 'waitS');
    cx.ledger.figure(figure, SUM, { wait: setting(cx, 'waitS', practiceTerm(cx.plant, 'coat.waitS')) });
    return { after, figure, why: 'coat' as const };
  });
