import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import type { Wishes } from '../../product/job-spec';
import { childOf } from '../../plant/plant';
import { practiceTerm } from '../../plant/practice';
import { DIE_COST, DIE_FORCE_KN, DIE_LOAD, DIE_METRES, DIE_METRES_SHARED, NICKS, RUBBER_METRES } from '../../form/cutting-die';
import { REMAKES } from '../../form/plates';
import { SHEET_MASS } from '../../stock/sheet-mass';
import { commonCutMm } from '../../layout/common-cut';
import { copiesUp, cutByDie } from '../../layout/layout';
import { outlinesLaid } from '../../layout/outline-faults';
import { cutWaits } from '../cut-wait';
import { meanPiece, partedStep } from '../parted-step';
import { type ConsumeContext, type Consumed, type Draft, type DraftContext, type Process } from '../process';
import { singleStep } from '../single-step';
import { caliperUmOf } from '../stock-terms';
import { usualLosses } from '../step-losses';
import { isSetAlready, timeAndCost } from '../time-and-cost';
import { dieOf, measuresOf, outlineSays } from './die-of';
import { dieCutPanel, dieCutPaper, dieCutSummary, sharesCuts } from './die-cut-page';
import { DIE_CUT_RULES } from './die-cut-rules';
import { dieScene } from './die-cut-scene';

const LOSSES = {
  setup: 'dieCut.setupSheets',
  running: 'dieCut.runningPpm',
  samples: 'dieCut.samples',
  again: 'dieCut.againSheets',
} as const;

/** The use of the die: forms of one gang have one die for all. */
const dieUse = (cx: DraftContext): Id<'toolUse'> => idOf(cx.form?.oneOf ? cx.stone : cx.id, 'die');

/** The die as the works' own die room would make it. */
function dieWish(cx: DraftContext): Wishes['cutting-die'] {
  const { cutMm, creaseMm } = measuresOf(cx);
  const places = cx.layout ? copiesUp(cutByDie(cx.layout)) : 0;
  const [sheetWidthMm, sheetHeightMm] = cx.layout?.sheetMm ?? [0, 0];
  const metres = (mm: number): number => Math.round(places * mm) / 1000;
  return {
    name: outlineSays(cx).slice(0, 120),
    places: Math.max(places, 1),
    ...(sheetWidthMm > 0 && { sheetWidthMm, sheetHeightMm }),
    cutM: metres(cutMm),
    creaseM: metres(creaseMm),
    boardUm: caliperUmOf(cx),
  };
}

/** The die on the route: from the store where the order names one, else bought; of a further form of the gang the one that is there. */
function dieTool(cx: DraftContext): Draft['tools'] {
  if (isSetAlready(cx)) return {};
  const die = dieUse(cx);
  cx.ledger.figure(idOf(die, 'dies'), { ...SUM, id: 'dieCut.dies', unit: 'die' }, { each: typed(1, 'die', 'one die a form') });
  const tool = cx.parts.find((p) => p.traits?.cutBy)?.traits?.cutBy;
  const lead = practiceTerm(cx.plant, 'dieCut.leadDays');
  return {
    [die]: {
      kind: 'cutting die',
      spec: `${cx.layout ? copiesUp(cutByDie(cx.layout)) : 0} up, ${outlineSays(cx)}`,
      count: idOf(die, 'dies'),
      cycles: idOf(die, 'cycles'),
      remakes: idOf(die, 'remakes'),
      supply: tool ? { from: 'store', tool } : { from: 'buy', leadDays: 'value' in lead ? lead.value : 0 },
      made: { family: 'cutting-die', wish: dieWish(cx) },
    },
  };
}

/** Cuts and creases sheets in a flat-bed press and strips the waste; `parts`: takes the blanks out of their sheet as well. */
const dieCutting = (id: Id<'process'>, parts: boolean): Process => ({
  id,
  feeds: true,
  rules: DIE_CUT_RULES,
  abilities: ['gripperMm', 'tailMm', 'forceKn'],
  reach: 'sheet',
  losses: LOSSES,
  againS: 'dieCut.againS',
  ...(parts && { parts: true as const }),
  suits: (_machine, of) => of.every((p) => p.traits?.blank !== undefined),
  asks: (cx) => ({
    ...(sharesCuts(cx) && { commonCuts: true }),
    gripperMm: cx.machine.limits.gripperMm ?? 0,
    tailMm: cx.machine.limits.tailMm ?? 0,
    ...(cx.machine.minSheetMm && { minSheetMm: cx.machine.minSheetMm }),
    ...(cx.machine.maxSheetMm && { maxSheetMm: cx.machine.maxSheetMm }),
  }),
  draft(cx): Draft {
    const tools = dieTool(cx);
    const tool = dieUse(cx);
    const said = { losses: usualLosses(cx, LOSSES), waits: cutWaits(cx), cautions: ['diePress'] };
    const draft = parts
      ? partedStep(cx, { unit: 'copy', ...said })
      : singleStep(cx, { takesPer: 1, givesPer: 1, unit: 'sheet', perGood: cx.incoming[0]?.of.perGood ?? 1, whole: true, ...said });
    for (const { step } of Object.values(draft.steps)) step.needs = [{ gate: `tool:${tool}`, tool }];
    return { ...draft, tools };
  },
  consume(cx): Consumed {
    dieFigures(cx);
    const die = dieUse(cx);
    const kept = cx.tools[die]?.supply.from === 'store' || isSetAlready(cx);
    return {
      costs: [
        ...timeAndCost(cx, {
          step: cx.id,
          againS: practiceTerm(cx.plant, 'dieCut.againS'),
          ...(parts &&
            !isSetAlready(cx) && { forms: typed(1, '1', 'blanking grid'), perFormS: practiceTerm(cx.plant, 'dieCut.blankingS') }),
        }),
        ...(kept ? [] : [{ figure: idOf(die, 'cost'), kind: 'form' as const, fixed: true }]),
      ],
      wasteKg: [{ kind: 'skeleton', figure: idOf(cx.id, 'skeletonKg') }],
    };
  },
  paper: dieCutPaper,
  scene: dieScene,
  panel: dieCutPanel,
  summary: dieCutSummary,
});

/** Die-cut and stripped; blanks stay in their sheet by nicks, and are broken out by hand. */
export const dieCut = dieCutting('dieCut', false);
/** Die-cut, stripped and blanked in one pass. */
export const dieBlank = dieCutting('dieBlank', true);

/** What neighbours on the die share of their cuts, mm. */
function commonOf(cx: ConsumeContext): number {
  const line = dieOf(cx);
  return line && cx.layout && sharesCuts(cx) ? commonCutMm(outlinesLaid(cutByDie(cx.layout), line.outline)) : 0;
}

/** What of the die can be reckoned: rules, force, load, nicks, rubber, price; and what of the sheet is no blank. */
function dieFigures(cx: ConsumeContext): void {
  const { ledger, id } = cx;
  const die = dieUse(cx);
  const cut = Object.keys(cx.steps).filter((step) => cx.steps[step]?.stone === cx.stone && (cx.form?.oneOf === true || step === id));
  ledger.figure(
    idOf(die, 'cycles'),
    { ...SUM, id: 'dieCut.cycles', unit: 'cycle' },
    Object.fromEntries(cut.map((step) => [step, fig(idOf(step, 'run'))])),
  );
  const of = measuresOf(cx);
  const copies = idOf(cx.form?.id ?? '', 'copiesUp');
  // One die cuts all forms of a gang, also at places on which nothing lies.
  const onDie = cx.layout?.dieCells ? idOf(cx.form?.slot ?? '', 'places') : copies;
  const places: Term = fig(onDie);
  const mm = (value: number): Term => ({ value, unit: 'mm', from: 'family', at: 'die line' });
  const commonMm = commonOf(cx);
  if (commonMm > 0) ledger.figure(idOf(id, 'cutM'), DIE_METRES_SHARED, { places, eachMm: mm(of.cutMm), commonMm: mm(commonMm) });
  else ledger.figure(idOf(id, 'cutM'), DIE_METRES, { places, eachMm: mm(of.cutMm) });
  ledger.figure(idOf(id, 'creaseM'), DIE_METRES, { places, eachMm: mm(of.creaseMm) });
  ledger.figure(idOf(id, 'forceKn'), DIE_FORCE_KN, {
    cutMm: mm(of.cutMm * ledger.value(onDie) - commonMm),
    creaseMm: mm(of.creaseMm * ledger.value(onDie)),
    cutNPerMm: practiceTerm(cx.plant, 'dieCut.cutNPerMm'),
    creaseNPerMm: practiceTerm(cx.plant, 'dieCut.creaseNPerMm'),
    reserve: practiceTerm(cx.plant, 'dieCut.reserve'),
    rubber: practiceTerm(cx.plant, 'dieCut.rubberFactor'),
  });
  ledger.figure(idOf(id, 'load'), DIE_LOAD, {
    forceKn: fig(idOf(id, 'forceKn')),
    ratedKn: { value: cx.machine.limits.forceKn ?? 0, unit: 'kN', from: 'plant', at: `machine:${cx.machineId}.forceKn` },
  });
  ledger.figure(idOf(id, 'nicks'), NICKS, { places, outlineMm: mm(of.outlineMm) });
  ledger.figure(idOf(id, 'rubberM'), RUBBER_METRES, { cutM: fig(idOf(id, 'cutM')), times: practiceTerm(cx.plant, 'dieCut.rubberTimes') });
  const supply = cx.tools[die]?.supply;
  const child = supply?.from === 'job' ? childOf(cx.shelf, supply.job) : undefined;
  if (child)
    ledger.figure(idOf(die, 'cost'), DIE_OF_JOB, {
      job: { value: child.money, unit: 'money', from: 'shelf', at: `job ${child.number}` },
    });
  else
    ledger.figure(idOf(die, 'cost'), DIE_COST, {
      cutM: fig(idOf(id, 'cutM')),
      creaseM: fig(idOf(id, 'creaseM')),
      perMetre: practiceTerm(cx.plant, 'dieCut.pricePerMetre'),
      plates: practiceTerm(cx.plant, 'dieCut.platesPrice'),
    });
  ledger.figure(idOf(die, 'remakes'), REMAKES, {
    cycles: fig(idOf(die, 'cycles')),
    life: practiceTerm(cx.plant, 'dieCut.lifeCycles'),
    perSet: fig(idOf(die, 'dies')),
  });
  const [w, h] = cx.layout?.sheetMm ?? [0, 0];
  const [pieceW, pieceH] = meanPiece(cx);
  const gsm = { value: cx.stock?.gsm ?? 0, unit: 'g/m²', from: 'plant', at: `stock:${cx.stockId ?? ''}` } as const;
  ledger.figure(idOf(id, 'sheetKg'), SHEET_MASS, { sheets: fig(idOf(id, 'run')), widthMm: mm(w), heightMm: mm(h), gsm });
  ledger.figure(idOf(id, 'blanksCut'), BLANKS_CUT, { sheets: fig(idOf(id, 'run')), places: fig(copies) });
  ledger.figure(idOf(id, 'blanksKg'), SHEET_MASS, { sheets: fig(idOf(id, 'blanksCut')), widthMm: mm(pieceW), heightMm: mm(pieceH), gsm });
  ledger.figure(idOf(id, 'skeletonKg'), SKELETON, { sheets: fig(idOf(id, 'sheetKg')), blanks: fig(idOf(id, 'blanksKg')) });
}
/** A die made here costs what its job does. */
const DIE_OF_JOB = { ...SUM, id: 'dieCut.dieOfJob', unit: 'money' } as const;
const BLANKS_CUT = {
  id: 'dieCut.blanksCut',
  unit: 'copy',
  source: 'arithmetic',
  of: ({ sheets, places }: Record<'sheets' | 'places', number>) => sheets * places,
} as const;
/** What is left of the sheets once the blanks are out. */
const SKELETON = {
  id: 'dieCut.skeleton',
  unit: 'kg',
  source: 'mass of the sheets less mass of the blanks',
  of: ({ sheets, blanks }: Record<'sheets' | 'blanks', number>) => Math.max(sheets - blanks, 0),
} as const;
