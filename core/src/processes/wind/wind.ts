import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig } from '../../quantity/ledger';
import { SUM } from '../../quantity/sum';
import { practiceTerm } from '../../plant/practice';
import { STEP_SETUP } from '../../counts/loss-terms';
import { WOUND_AN_HOUR } from '../../finishing/rolls-wound';
import { PRICE_OF } from '../../form/plates';
import { piecesOf } from '../../product/pieces';
import type { LaidDesign } from '../../layout/web-form';
import { ROLL_CHANGES, ROLLS } from '../../stock/roll';
import { SPLICE_LENGTHS } from '../../stock/mother-reel';
import { METRES_RUN } from '../../route/web-time';
import { RUN_TIME } from '../../route/time-and-cost';
import { type Batch, onwards } from '../batch';
import { type Consumed, type ConsumeContext, type Draft, type DraftContext, type Process, limitTerm, lossTable, setting } from '../process';
import { designsOff } from '../designs-off';
import { flowAfter, singleStep } from '../single-step';
import { runningLossTerm, stepLosses } from '../step-losses';
import { repeatFactor, speedTerm, timeAndCost } from '../time-and-cost';
import { ofForm } from '../web-time';
import { windPanel, windPaper, windSummary } from './wind-page';
import { windScene } from './wind-scene';

/** Winder: a length in all lanes a cycle, cut and wound on tubes; mother reels are taken off backwards, splices and faults cut out. */
export const wind: Process = {
  id: 'wind',
  abilities: ['minWebMm', 'maxWebMm', 'reelMm', 'reelCoreMm', 'reelKg', 'webMPerMin'],
  losses: { setup: 'wind.setupLengths', running: 'wind.runningPpm' },
  asks: () => ({}),
  draft(cx): Draft {
    const { ledger, id } = cx;
    const lengthMm = fig(ofForm(cx, 'lengthMm'));
    ledger.figure(idOf(id, 'spliceLengths'), SPLICE_LENGTHS, {
      tapedM: practiceTerm(cx.plant, 'wind.tapedM'),
      lengthM: fig(ofForm(cx, 'rollLengthM')),
    });
    const losses = stepLosses(cx, id, (cx) => ({
      // Every design is threaded and begun anew, also after another.
      setup: {
        formula: STEP_SETUP,
        terms: {
          fresh: setting(cx, 'setupSheets', practiceTerm(cx.plant, 'wind.setupLengths')),
          factor: repeatFactor({ ...cx, keeps: null }),
        },
      },
      runningPpm: runningLossTerm(cx, 'wind.runningPpm'),
      table: lossTable(cx),
      batches: [
        {
          cycles: { batch: fig(ofForm(cx, 'reelLengthMm')), perCycle: lengthMm },
          lost: { cycles: setting(cx, 'reelLengths', practiceTerm(cx.plant, 'wind.reelLengths')) },
        },
        { cycles: { batch: fig(ofForm(cx, 'usableRollMm')), perCycle: lengthMm }, lost: { cycles: fig(idOf(id, 'spliceLengths')) } },
      ],
    }));
    const designs = designsOff(cx);
    const lanes = designs.reduce((sum, d) => sum + d.lanes, 0);
    const lead = cx.incoming[0]?.of;
    const tubes = (cx.parts[0]?.traits?.wound?.coreMm ?? 0) > 0;
    const draft = singleStep(cx, {
      // Turns of the press that a roll takes.
      takesPer: piecesOf(cx.parts[0]),
      givesPer: lanes,
      unit: 'piece',
      perGood: 1,
      whole: true,
      losses,
      cautions: ['nips', 'sheeterKnife'],
      also: tubes
        ? [
            {
              port: { flow: idOf(id, 'tubes'), per: lanes },
              flow: { unit: 'piece', part: lead?.part ?? '', item: lead?.item ?? '', perGood: 1, supply: { from: 'buy', leadDays: 5 } },
            },
          ]
        : [],
      makes: { bundle: bundleOf(cx) },
    });
    return designs.length > 1 ? apart(cx, draft, designs) : draft;
  },
  consume(cx): Consumed {
    const { ledger, id } = cx;
    ledger.figure(idOf(id, 'anHour'), WOUND_AN_HOUR, {
      lengthM: fig(ofForm(cx, 'rollLengthM')),
      metresPerMin: limitTerm(cx, 'webMPerMin', practiceTerm(cx.plant, 'wind.metresPerMin')),
      changeS: practiceTerm(cx.plant, 'wind.changeS'),
      rated: speedTerm(cx),
    });
    ledger.figure(idOf(id, 'metres'), METRES_RUN, { cycles: fig(idOf(id, 'run')), repeatMm: fig(ofForm(cx, 'lengthMm')) });
    ledger.figure(idOf(id, 'reels'), ROLLS, { metres: fig(idOf(id, 'metres')), usable: fig(ofForm(cx, 'reelM')) });
    ledger.figure(idOf(id, 'reelsS'), ROLL_CHANGES, { rolls: fig(idOf(id, 'reels')), each: practiceTerm(cx.plant, 'wind.reelS') });
    ledger.figure(idOf(id, 'windingS'), RUN_TIME, { cycles: fig(idOf(id, 'run')), perHour: fig(idOf(id, 'anHour')) });
    ledger.figure(idOf(id, 'clockS'), SUM, { winding: fig(idOf(id, 'windingS')), reels: fig(idOf(id, 'reelsS')) }, 's');
    const tubes = tubesOf(cx);
    if (tubes) ledger.figure(idOf(id, 'tubeCost'), PRICE_OF, { number: tubes, price: practiceTerm(cx.plant, 'wind.tubePrice') });
    return {
      costs: [
        ...timeAndCost(cx, { step: id, runS: fig(idOf(id, 'clockS')) }),
        ...(tubes ? [{ figure: idOf(id, 'tubeCost'), kind: 'goods' as const, fixed: false }] : []),
      ],
    };
  },
  cutsOut: (cx) => ({ lengthM: cx.ledger.value(ofForm(cx, 'rollLengthM')) }),
  scene: windScene,
  panel: windPanel,
  paper: windPaper,
  summary: windSummary,
};

const tubesOf = ({ ledger, id }: ConsumeContext): Term | null =>
  ledger.has(idOf(id, 'tubes.demand')) ? fig(idOf(id, 'tubes.demand')) : null;

/** Rolls of each design leave in a flow of their own. */
function apart(cx: DraftContext, draft: Draft, designs: readonly LaidDesign[]): Draft {
  const step = draft.steps[cx.id]?.step;
  const [lead] = cx.incoming;
  if (!step || !lead) return draft;
  const flows: Draft['flows'] = Object.fromEntries(Object.entries(draft.flows).filter(([flow]) => flow !== idOf(cx.id, 'out')));
  const flowOf = ({ version }: LaidDesign): Id<'flow'> => idOf(cx.id, version);
  for (const design of designs) flows[flowOf(design)] = { ...flowAfter(lead.of, 'piece', 1), version: design.version };
  step.gives = designs.map((design) => ({ flow: flowOf(design), per: design.lanes }));
  const out = designs.map((design): Batch => onwards(cx.incoming, flowOf(design), { version: design.version, bundle: bundleOf(cx) }));
  return { ...draft, flows, out };
}

/** A roll lies on its side: so thick both ways, as long as it is wide. */
function bundleOf(cx: DraftContext): Batch['bundle'] {
  const diameterMm = cx.ledger.value(ofForm(cx, 'rollDiameterMm'));
  const widthMm = cx.parts[0]?.widthMm ?? 0;
  return {
    footprintMm: [widthMm, diameterMm],
    pieces: 1,
    layerMm: diameterMm,
    paperMm2: widthMm * cx.ledger.value(ofForm(cx, 'lengthMm')),
    together: 1,
  };
}
