import type { Formula, Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { SLOWEST } from '../../finishing/folding';
import { INK_IN_ALL } from '../../ink/ink-mass';
import { STEP_SETUP } from '../../counts/loss-terms';
import { METRES_RUN } from '../../route/web-time';
import { ROLLS } from '../../stock/roll';
import { formsOfRun, inksOf, plateRemakes } from '../press-inks';
import { type Consumed, type Draft, type Process, limitTerm, setting } from '../process';
import { REGISTER_ABILITIES, registerOfInks } from '../register-of';
import { sectionsApart } from '../sections-apart';
import { singleStep } from '../single-step';
import { ownSetupTerm, runningLossTerm, stepLosses } from '../step-losses';
import { repeatFactor, speedTerm, timeAndCost } from '../time-and-cost';
import { ofForm } from '../web-time';
import { foldWebPanel, foldWebPaper, foldWebSummary } from './fold-web-page';
import { foldWebPass } from './fold-web-pass';
import { foldWebScene } from './fold-web-scene';

/** Repeats an hour that the dryer allows. Formula: metres a minute × 60,000 ÷ cut-off. Source: arithmetic. */
const DRYER_RATE: Formula<'metresAMinute' | 'cutOffMm'> = {
  id: 'foldWeb.dryerRate',
  unit: '1/h',
  source: 'arithmetic',
  of: ({ metresAMinute, cutOffMm }) => (cutOffMm > 0 ? (metresAMinute * 60_000) / cutOffMm : 0),
};
/** Metres a minute of so many repeats an hour. Source: arithmetic. */
const SPEED: Formula<'perHour' | 'cutOffMm'> = {
  id: 'foldWeb.metresAMinute',
  unit: 'm',
  source: 'arithmetic',
  of: ({ perHour, cutOffMm }) => (perHour * cutOffMm) / 60_000,
};

/** Web press with a folder behind its dryer: both sides printed, dried, folded at former, jaw and chopper, cut: a section a turn of the cylinder. */
export const foldWeb: Process = {
  id: 'foldWeb',
  abilities: [
    'minWebMm',
    'maxWebMm',
    'cutOffMm',
    'edgeTrimMm',
    'maxRollKg',
    'maxRollDiameterMm',
    'coreMm',
    'units',
    'unitsBeforeTurn',
    'perfects',
    'dryerMPerMin',
    'perPlateS',
    'zones',
    'zoneMm',
    ...REGISTER_ABILITIES,
  ],
  reach: 'web',
  losses: { setup: 'foldWeb.setupRepeats', running: 'foldWeb.runningPpm' },
  asks: () => ({}),
  draft(cx): Draft {
    const repeatMm = fig(ofForm(cx, 'repeatMm'));
    const losses = stepLosses(cx, cx.id, (cx) => ({
      setup: {
        formula: STEP_SETUP,
        terms: { fresh: setting(cx, 'setupSheets', practiceTerm(cx.plant, 'foldWeb.setupRepeats')), factor: repeatFactor(cx) },
        own: ownSetupTerm(cx),
      },
      runningPpm: runningLossTerm(cx, 'foldWeb.runningPpm'),
      samples: setting(cx, 'samples', practiceTerm(cx.plant, 'foldWeb.samples')),
      batches: [
        {
          cycles: { batch: fig(ofForm(cx, 'usableRollMm')), perCycle: repeatMm },
          lost: {
            metres: setting(cx, 'spliceMetres', practiceTerm(cx.plant, 'foldWeb.spliceMetres')),
            factor: typed(1, '1', 'none'),
            repeatMm,
          },
        },
      ],
    }));
    const pass = foldWebPass(cx);
    const draft = singleStep(cx, {
      inks: pass.inks,
      prints: pass.prints,
      takesPer: (cx.layout?.sheetMm[1] ?? 0) / 1000,
      givesPer: 1,
      unit: 'section',
      perGood: 1,
      whole: true,
      losses,
      after: cx.formsFrom,
      cautions: ['nips', 'solvents', 'dryer', 'rollers', 'paperDust'],
    });
    return sectionsApart(cx, draft, 'section');
  },
  registers: (cx) => registerOfInks(cx, foldWebPass(cx).prints, 'web-offset', false),
  consume(cx): Consumed {
    const { ledger, id } = cx;
    const pass = foldWebPass(cx);
    const cutOffMm = fig(ofForm(cx, 'repeatMm'));
    ledger.figure(idOf(id, 'dryerRate'), DRYER_RATE, {
      metresAMinute: limitTerm(cx, 'dryerMPerMin', { value: 1e6, unit: 'm', from: 'plant', at: 'no dryer said' }),
      cutOffMm,
    });
    ledger.figure(idOf(id, 'rate'), SLOWEST, { dryer: fig(idOf(id, 'dryerRate')), machine: speedTerm(cx) }, '1/h');
    ledger.figure(idOf(id, 'metresAMinute'), SPEED, { perHour: fig(idOf(id, 'rate')), cutOffMm });
    ledger.figure(idOf(id, 'metres'), METRES_RUN, { cycles: fig(idOf(id, 'run')), repeatMm: cutOffMm });
    ledger.figure(idOf(id, 'rolls'), ROLLS, { metres: fig(idOf(id, 'metres')), usable: fig(ofForm(cx, 'usableRoll')) });
    const inks = inksOf(cx, pass);
    ledger.figure(idOf(id, 'inkKg'), INK_IN_ALL, Object.fromEntries(inks.map(({ kg }) => [kg, fig(kg)])));
    const plates: Id<'figure'>[] = pass.hung.length > 0 ? [plateRemakes(cx, pass)] : [];
    return {
      costs: [
        ...timeAndCost(cx, {
          step: id,
          ...formsOfRun(cx, pass),
          perFormS: limitTerm(cx, 'perPlateS', { value: 240, unit: 's', from: 'plant', at: 'practice' }),
          perHour: fig(idOf(id, 'rate')),
        }),
        ...inks.flatMap((ink) => ink.costs),
        ...plates.map(() => ({ figure: idOf(id, 'remakeCost'), kind: 'form' as const, fixed: false })),
      ],
      inkKg: inks.map(({ kg }) => kg),
      plates,
    };
  },
  scene: foldWebScene,
  panel: foldWebPanel,
  paper: foldWebPaper,
  summary: foldWebSummary,
};
