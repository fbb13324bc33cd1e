import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { IMAGING_TIME, PLATES, PLATES_OF_VERSIONS, platesOfInk, PRICE_OF } from '../../form/plates';
import { type Process, setting } from '../process';
import { NOTHING_LOST } from '../single-step';
import { timeAndCost } from '../time-and-cost';
import { plateSets } from './plate-sets';
import { platemakingPanel, platemakingPaper, platemakingSummary } from './platemaking-page';
import { platemakingScene } from './platemaking-scene';

/** Plates: how many, imaged and checked by when. No pieces pass this stone; the press waits for it. */
export const platemaking: Process = {
  id: 'platemaking',
  asks: () => ({}),
  draft(cx) {
    plateSets(cx).forEach((set, i) => {
      const own = set.inks.map((ink) => platesOfInk(ink, cx.versions).length);
      const changed = own.filter((n) => n > 1).reduce((a, b) => a + b, 0);
      if (changed === 0) cx.ledger.figure(`${cx.id}.plates.${i}`, PLATES, { inks: typed(set.inks.length, '1', `colours:${set.side}`) });
      else
        cx.ledger.figure(`${cx.id}.plates.${i}`, PLATES_OF_VERSIONS, {
          unchanged: typed(own.filter((n) => n === 1).length, 'plate', `colours:${set.side}`),
          changed: typed(changed, 'plate', `versions:${set.side}`),
        });
    });
    const plates = plateSets(cx).map((_, i) => fig(`${cx.id}.plates.${i}`));
    const kept = cx.shelf.desks?.forms[cx.id]?.kept ?? 0;
    cx.ledger.figure(idOf(cx.id, 'plates'), PLATES_IN_ALL, {
      ...Object.fromEntries(plates.map((t, i) => [`set ${i + 1}`, t])),
      // Forms that lie in the tool store from a job before are not made again.
      ...(kept > 0 && { kept: { value: -kept, unit: 'plate', from: 'shelf', at: 'forms kept' } as const }),
    });
    const step = {
      process: cx.process,
      stone: cx.stone,
      takes: [],
      gives: [],
      loss: NOTHING_LOST,
      whole: true,
      machine: cx.machineId,
      needs: [{ gate: `proof:${cx.id}` }],
      waits: [],
      cautions: ['laser'],
    };
    return { steps: { [cx.id]: { step, losses: {} } }, flows: {}, tools: {}, out: [], makesForms: [cx.id] };
  },
  consume(cx) {
    const { ledger, id } = cx;
    const plates = fig(idOf(id, 'plates'));
    ledger.figure(idOf(id, 'imagingS'), IMAGING_TIME, {
      plates,
      each: setting(cx, 'imagingS', practiceTerm(cx.plant, 'plate.imagingS')),
      wedge: practiceTerm(cx.plant, 'plate.wedgeS'),
    });
    ledger.figure(idOf(id, 'cost'), PRICE_OF, { number: plates, price: practiceTerm(cx.plant, 'plate.price') });
    return {
      costs: [...timeAndCost(cx, { step: id, runS: fig(idOf(id, 'imagingS')) }), { figure: idOf(id, 'cost'), kind: 'form', fixed: true }],
      plates: [idOf(id, 'plates')],
    };
  },
  forms: (cx) =>
    plateSets(cx).map((s) => ({
      ...s,
      plates: s.inks.flatMap((ink) => platesOfInk(ink, cx.versions).map((version) => ({ ink, version }))),
    })),
  scene: platemakingScene,
  panel: platemakingPanel,
  paper: platemakingPaper,
  summary: platemakingSummary,
};

const PLATES_IN_ALL = {
  id: 'platemaking.platesInAll',
  unit: 'plate',
  source: 'arithmetic',
  of: (t: Record<string, number>) => Object.values(t).reduce((a, b) => a + b, 0),
} as const;
