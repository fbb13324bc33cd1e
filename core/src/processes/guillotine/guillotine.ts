import { idOf } from '../../quantity/id-of';
import { type typed, fig } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { PILE_SHEETS } from '../../stock/pile';
import { SHEET_MASS } from '../../stock/sheet-mass';
import { CUTS, CUTTING_TIME, LIFTS } from '../../finishing/cutting-program';
import { type Process, setting } from '../process';
import { cutWaits } from '../cut-wait';
import { meanPiece, partedStep } from '../parted-step';
import { usualLosses } from '../step-losses';
import { caliperTerm } from '../stock-terms';
import { timeAndCost } from '../time-and-cost';
import { guillotinePanel, guillotinePaper, guillotineSummary } from './guillotine-page';
import { GUILLOTINE_RULES } from './guillotine-rules';
import { cutScene } from './guillotine-scene';
import { liftMm, programOf } from './program';

const LOSSES = { setup: 'guillotine.setupSheets', running: 'guillotine.runningPpm' } as const;

/** Guillotine: sheets to copies in lifts, by a program of cuts. */
export const guillotine: Process = {
  id: 'guillotine',
  rules: GUILLOTINE_RULES,
  reach: 'sheet',
  losses: LOSSES,
  parts: true,
  straightCuts: true,
  needless: ({ layout }) => layout?.imposed?.foldedWhole === true,
  asks: (cx) => ({ ...(cx.machine.maxSheetMm && { maxSheetMm: cx.machine.maxSheetMm }) }),
  draft(cx) {
    return partedStep(cx, { unit: 'copy', losses: usualLosses(cx, LOSSES), waits: cutWaits(cx), cautions: ['knife'] });
  },
  consume(cx) {
    const { ledger, id } = cx;
    ledger.figure(idOf(id, 'perLift'), PILE_SHEETS, {
      heightMm: liftMm(cx),
      caliperUm: caliperTerm(cx),
    });
    ledger.figure(idOf(id, 'lifts'), LIFTS, { sheets: fig(idOf(id, 'run')), perLift: fig(idOf(id, 'perLift')) });
    ledger.figure(idOf(id, 'cuts'), CUTS, { cuts: { value: programOf(cx).length, unit: 'cut', from: 'family', at: 'program' } });
    ledger.figure(idOf(id, 'cuttingS'), CUTTING_TIME, {
      lifts: fig(idOf(id, 'lifts')),
      cuts: fig(idOf(id, 'cuts')),
      perCut: setting(cx, 'cutS', practiceTerm(cx.plant, 'guillotine.cutS')),
      loading: setting(cx, 'loadS', practiceTerm(cx.plant, 'guillotine.loadS')),
    });
    const mm = (value: number): ReturnType<typeof typed> => ({ value, unit: 'mm', from: 'family', at: 'layout' });
    const [w, h] = cx.layout?.sheetMm ?? [1, 1];
    const [pieceWidth, pieceHeight] = meanPiece(cx);
    const gsm = { value: cx.stock?.gsm ?? 0, unit: 'g/m²', from: 'plant', at: `stock:${cx.stockId ?? ''}` } as const;
    ledger.figure(idOf(id, 'sheetKg'), SHEET_MASS, { sheets: fig(idOf(id, 'run')), widthMm: mm(w), heightMm: mm(h), gsm });
    ledger.figure(idOf(id, 'cut'), COPIES_CUT, { sheets: fig(idOf(id, 'run')), copiesUp: fig(idOf(cx.form?.id ?? '', 'copiesUp')) });
    ledger.figure(idOf(id, 'copiesKg'), SHEET_MASS, {
      sheets: fig(idOf(id, 'cut')),
      widthMm: mm(pieceWidth),
      heightMm: mm(pieceHeight),
      gsm,
    });
    ledger.figure(idOf(id, 'trimKg'), TRIM_WASTE, { sheets: fig(idOf(id, 'sheetKg')), copies: fig(idOf(id, 'copiesKg')) });
    return {
      costs: timeAndCost(cx, { step: id, runS: fig(idOf(id, 'cuttingS')) }),
      wasteKg: [{ kind: 'trim', figure: idOf(id, 'trimKg') }],
    };
  },
  paper: guillotinePaper,
  scene: cutScene,
  panel: guillotinePanel,
  summary: guillotineSummary,
};

const COPIES_CUT = {
  id: 'guillotine.copiesCut',
  unit: 'copy',
  source: 'arithmetic',
  of: ({ sheets, copiesUp: up }: { sheets: number; copiesUp: number }) => sheets * up,
} as const;
const TRIM_WASTE = {
  id: 'guillotine.trimWaste',
  unit: 'kg',
  source: 'mass of the sheets less mass of the copies',
  of: ({ sheets, copies }: { sheets: number; copies: number }) => Math.max(sheets - copies, 0),
} as const;
