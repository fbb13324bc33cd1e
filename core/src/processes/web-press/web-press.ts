import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { copiesUp } from '../../layout/layout';
import { INK_IN_ALL } from '../../ink/ink-mass';
import { CYCLES_OF_METRES, RUNNING_PPM } from '../../counts/loss-terms';
import { type Consumed, type Draft, type DraftContext, type Process, limitTerm, lossTable, setting } from '../process';
import { formsOfRun, inksOf, plateRemakes } from '../press-inks';
import { REGISTER_ABILITIES } from '../register-of';
import { singleStep } from '../single-step';
import { runningLossTerm, stepLosses } from '../step-losses';
import { repeatFactor, timeAndCost } from '../time-and-cost';
import { ofForm, webTime } from '../web-time';
import { passOf, webRegister } from './web-pass';
import { versionsDiffer } from '../version-runs';
import { webPressPanel, webPressPaper, webPressSummary } from './web-press-page';
import { webScene } from './web-press-scene';

/** Losses of web stones: metres to set up, new or repeat, as whole repeats. */
export const webSetup = (
  cx: DraftContext,
  metres: Term,
): { formula: typeof CYCLES_OF_METRES; terms: Record<'metres' | 'factor' | 'repeatMm', Term> } => ({
  formula: CYCLES_OF_METRES,
  terms: { metres, factor: repeatFactor(cx), repeatMm: fig(ofForm(cx, 'repeatMm')) },
});
/** Of the next version the press takes as much of its setup as it changes of its plates. */
const pressSetup = (cx: DraftContext): ReturnType<typeof webSetup> => {
  const { again, hung, inks } = passOf(cx);
  const setup = webSetup(cx, setting(cx, 'setupMetres', practiceTerm(cx.plant, 'web.setupMetres')));
  if (!again) return setup;
  const factor: Term = { value: inks.length > 0 ? hung.length / inks.length : 0, unit: '1', from: 'family', at: 'plates changed' };
  return { ...setup, terms: { ...setup.terms, factor } };
};

/** Web press: one repeat a cycle, every colour dried by a lamp after its unit, a join with every roll. */
export const webPress: Process = {
  id: 'webPress',
  abilities: [
    'minWebMm',
    'maxWebMm',
    'minRepeatMm',
    'maxRepeatMm',
    'gearPitchMm',
    'edgeTrimMm',
    'maxRollKg',
    'maxRollDiameterMm',
    'coreMm',
    'rollChangeS',
    'units',
    'lamps',
    'perPlateS',
    'zones',
    'zoneMm',
    ...REGISTER_ABILITIES,
  ],
  reach: 'web',
  tellsVersions: versionsDiffer,
  losses: { running: 'web.runningPpm' },
  suits: (machine, parts) => parts.every((p) => p.colours[0].length <= (machine.limits.units ?? 0)),
  asks: () => ({}),
  draft(cx): Draft {
    const repeatMm = fig(ofForm(cx, 'repeatMm'));
    // A web is not cut for a fault: it runs through, and is taken out where sheets or rolls are parted.
    const running = runningLossTerm(cx, 'web.runningPpm');
    const table = lossTable(cx, cx.prints[0].length);
    const runThrough = cx.faultsTakenOut && table?.inForce !== true;
    if (runThrough) cx.ledger.figure(idOf(cx.id, 'runningPpm'), RUNNING_PPM, { ppm: running });
    const losses = stepLosses(cx, cx.id, (cx) => ({
      setup: pressSetup(cx),
      ...(!runThrough && { runningPpm: runningLossTerm(cx, 'web.runningPpm') }),
      table,
      batches: [
        {
          cycles: { batch: fig(ofForm(cx, 'usableRollMm')), perCycle: repeatMm },
          lost: {
            metres: setting(cx, 'spliceMetres', practiceTerm(cx.plant, 'web.spliceMetres')),
            factor: typed(1, '1', 'none'),
            repeatMm,
          },
        },
      ],
    }));
    return singleStep(cx, {
      inks: passOf(cx).inks,
      prints: passOf(cx).prints,
      takesPer: (cx.layout?.sheetMm[1] ?? 0) / 1000,
      givesPer: 1,
      unit: 'repeat',
      perGood: 1 / Math.max(cx.layout ? copiesUp(cx.layout) : 1, 1),
      whole: true,
      losses,
      after: cx.formsFrom,
      cautions: ['nips', 'solvents', ...(cx.inkSeries?.lampDried ? ['lamps'] : [])],
      ...(runThrough && { makes: { faults: fig(idOf(cx.id, 'runningPpm')) } }),
    });
  },
  registers: webRegister,
  consume(cx): Consumed {
    const pass = passOf(cx);
    const inks = inksOf(cx, pass);
    cx.ledger.figure(idOf(cx.id, 'inkKg'), INK_IN_ALL, Object.fromEntries(inks.map(({ kg }) => [kg, fig(kg)])));
    const plates: Id<'figure'>[] = pass.hung.length > 0 ? [plateRemakes(cx, pass)] : [];
    return {
      costs: [
        ...timeAndCost(cx, {
          step: cx.id,
          ...formsOfRun(cx, pass),
          perFormS: limitTerm(cx, 'perPlateS', { value: 240, unit: 's', from: 'plant', at: 'practice' }),
          runS: webTime(cx, true),
        }),
        ...inks.flatMap((ink) => ink.costs),
        ...plates.map(() => ({ figure: idOf(cx.id, 'remakeCost'), kind: 'form' as const, fixed: false })),
      ],
      inkKg: inks.map(({ kg }) => kg),
      plates,
    };
  },
  scene: webScene,
  panel: webPressPanel,
  paper: webPressPaper,
  summary: webPressSummary,
};
