import type { Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import { practiceTerm, practiceValue } from '../../plant/practice';
import { CYCLES_OF_METRES, WITH_BREAKS } from '../../counts/loss-terms';
import { piecesOf } from '../../product/pieces';
import type { Measure } from '../../quality/measure';
import { BREAK_TIME, BREAKS_EXPECTED, METRES_RUN, SLOWED } from '../../route/web-time';
import type { Batch } from '../batch';
import { type Consumed, type ConsumeContext, type Draft, type DraftContext, type Process, lossTable, ownLoss, setting } from '../process';
import { REGISTER_ABILITIES } from '../register-of';
import { singleStep } from '../single-step';
import { runningLossTerm, stepLosses } from '../step-losses';
import { speedTerm, timeAndCost, repeatFactor } from '../time-and-cost';
import { clearanceTerm } from '../version-runs';
import { ofForm, webTime } from '../web-time';
import { cylinderCosts, cylindersOf, cylinderTool } from './cylinder-tools';
import { areInTurn, firstTurnMm, gravurePass, gravurePrints, gravureRegister } from './gravure-pass';
import { inksReady } from './gravure-ink';
import { gravurePanel, gravurePaper, gravureSummary } from './gravure-page';
import { GRAVURE_RULES } from './gravure-rules';
import { gravureScene } from './gravure-scene';
import { isWater, SOLVENT_LEFT, viscosityS } from './thinned-ink';

/** Metres an hour: as the card says; with water-based ink a share of it. */
function metresAnHour(cx: ConsumeContext): Term {
  const speed = speedTerm(cx);
  if (!isWater(cx) || typeof cx.settings['perHour'] === 'number') return speed;
  cx.ledger.figure(idOf(cx.id, 'slowed'), SLOWED, { perHour: speed, share: practiceTerm(cx.plant, 'gravure.waterShare') });
  return fig(idOf(cx.id, 'slowed'));
}

/** Running loss with the breaks of the web. What somebody set, or the works' own log says, holds them already. */
function runningTerm(cx: DraftContext): Term {
  const ppm = runningLossTerm(cx, 'gravure.runningPpm');
  if (typeof cx.settings['runningPpm'] === 'number' || ownLoss(cx) !== null) return ppm;
  cx.ledger.figure(idOf(cx.id, 'withBreaks'), WITH_BREAKS, {
    ppm,
    breakM: practiceTerm(cx.plant, 'gravure.breakMetres'),
    apartM: practiceTerm(cx.plant, 'gravure.breaksApartM'),
  });
  return fig(idOf(cx.id, 'withBreaks'));
}

/** A web that children or food come near lies so long before it is wound. */
function solventRest(cx: DraftContext): NonNullable<Batch['rests']> {
  const figure = idOf(cx.id, 'restS');
  cx.ledger.figure(figure, SUM, { wait: setting(cx, 'restS', practiceTerm(cx.plant, 'gravure.solventS')) }, 's');
  return { after: cx.id, figure, why: 'rest' };
}

/** Setting up in metres; of the next design as much as it changes of the cylinders. */
function setupTerms(cx: DraftContext): Record<'metres' | 'factor' | 'repeatMm', Term> {
  const { again, hung, inks } = gravurePass(cx);
  const changed: Term = { value: inks.length > 0 ? hung.length / inks.length : 0, unit: '1', from: 'family', at: 'cylinders changed' };
  return {
    metres: setting(cx, 'setupMetres', practiceTerm(cx.plant, 'gravure.setupMetres')),
    factor: again ? changed : repeatFactor(cx),
    repeatMm: fig(ofForm(cx, 'repeatMm')),
  };
}

/** Gravure press: a turn of the cylinders a cycle, all lanes at once; a station an ink, each with pan, blade and dryer; wound on mother reels. */
export const gravure: Process = {
  id: 'gravure',
  abilities: [
    ...(['minWebMm', 'maxWebMm', 'minRepeatMm', 'maxRepeatMm', 'units', 'bodyFaceMm', 'thinInk'] as const),
    ...(['maxRollKg', 'maxRollDiameterMm', 'coreMm', 'rollChangeS', 'reelMm', 'reelCoreMm', 'reelKg'] as const),
    ...REGISTER_ABILITIES,
  ],
  reach: 'web',
  rules: GRAVURE_RULES,
  losses: { running: 'gravure.runningPpm' },
  tellsVersions: areInTurn,
  suits: (machine, parts) =>
    parts.every((p) => {
      const turnMm = p.traits?.wound?.turnMm ?? 0;
      const { units = 0, minRepeatMm = 0, maxRepeatMm = Infinity } = machine.limits;
      return p.colours[0].length <= units && turnMm >= minRepeatMm && turnMm <= maxRepeatMm;
    }),
  asks: () => ({}),
  draft(cx): Draft {
    const { inks, hung } = gravurePass(cx);
    const repeatMm = fig(ofForm(cx, 'repeatMm'));
    const tool = cylindersOf(cx);
    const losses = stepLosses(cx, cx.id, (cx) => ({
      setup: { formula: CYCLES_OF_METRES, terms: setupTerms(cx) },
      runningPpm: runningTerm(cx),
      table: lossTable(cx, inks.length),
      batches: [
        {
          cycles: { batch: fig(ofForm(cx, 'usableRollMm')), perCycle: repeatMm },
          lost: {
            metres: setting(cx, 'rollMetres', practiceTerm(cx.plant, 'gravure.rollMetres')),
            factor: typed(1, '1', 'none'),
            repeatMm,
          },
        },
      ],
    }));
    return singleStep(cx, {
      inks: [...inks],
      prints: gravurePrints(cx),
      takesPer: firstTurnMm(cx) / 1000,
      givesPer: 1,
      unit: 'repeat',
      perGood: piecesOf(cx.parts[0]) / Math.max(cx.layout?.web?.lanes ?? 1, 1),
      whole: true,
      losses,
      cautions: ['nips', 'blades', ...(isWater(cx) ? [] : ['explosion'])],
      ...(cx.parts.some((p) => p.traits?.wound?.solventLimit) && { makes: { rests: solventRest(cx) } }),
      ...(hung.length > 0 && { needs: [{ gate: `tool:${tool}`, tool }], tools: { [tool]: cylinderTool(cx) } }),
    });
  },
  registers: gravureRegister,
  breaks: (cx) => ({
    turnMm: firstTurnMm(cx),
    pathM: practiceValue(cx.plant, 'gravure.pathM'),
    registerM: practiceValue(cx.plant, 'gravure.againM'),
  }),
  measures: (cx): Measure[] => [
    ...gravurePass(cx).inks.map((ink, i): Measure => ({ key: `viscosity.s${i + 1}`, of: ink, unit: 's', ...viscosityS(cx) })),
    ...(cx.parts.some((p) => p.traits?.wound?.solventLimit)
      ? [{ key: SOLVENT_LEFT, unit: '1' as const, most: practiceValue(cx.plant, 'gravure.solventLeft') }]
      : []),
  ],
  consume(cx): Consumed {
    const { ledger, id } = cx;
    const { hung, again } = gravurePass(cx);
    const apartM = practiceTerm(cx.plant, 'gravure.breaksApartM');
    const webS = webTime(cx, true, metresAnHour(cx));
    const repeatMm = fig(ofForm(cx, 'repeatMm'));
    ledger.figure(idOf(id, 'goodMetres'), METRES_RUN, { cycles: fig(idOf(id, 'good')), repeatMm });
    if (ledger.has(idOf(id, 'setupCycles')))
      ledger.figure(idOf(id, 'readyMetres'), METRES_RUN, { cycles: fig(idOf(id, 'setupCycles')), repeatMm });
    ledger.figure(idOf(id, 'breaks'), BREAKS_EXPECTED, { metres: fig(idOf(id, 'metres')), apartM });
    ledger.figure(idOf(id, 'breakS'), BREAK_TIME, {
      metres: fig(idOf(id, 'metres')),
      apartM,
      each: practiceTerm(cx.plant, 'gravure.breakS'),
    });
    ledger.figure(idOf(id, 'pressS'), SUM, { running: webS, breaks: fig(idOf(id, 'breakS')) }, 's');
    const time = timeAndCost(cx, {
      step: id,
      forms: typed(hung.length, '1', 'cylinders'),
      perFormS: practiceTerm(cx.plant, 'gravure.perCylinderS'),
      ...(again && { setupFactor: clearanceTerm(cx) }),
      runS: fig(idOf(id, 'pressS')),
    });
    const inks = inksReady(cx);
    return { costs: [...time, ...inks.costs, ...cylinderCosts(cx)], inkKg: inks.kg };
  },
  scene: gravureScene,
  panel: gravurePanel,
  paper: gravurePaper,
  summary: gravureSummary,
};
