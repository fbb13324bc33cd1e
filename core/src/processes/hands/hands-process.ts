import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm, practiceValue } from '../../plant/practice';
import type { Flow, Port } from '../../flow/net';
import { PRICE_OF } from '../../form/plates';
import { CLOCK_TIME, HANDS_TIME, SECONDS_EACH } from '../../finishing/folding';
import { STEP_SETUP } from '../../counts/loss-terms';
import { type Consumed, type Process, lossTable, setting } from '../process';
import { singleStep } from '../single-step';
import { ownSetupTerm, runningLossTerm, stepLosses } from '../step-losses';
import { timeAndCost } from '../time-and-cost';
import { handsPaper, handsRows } from './hands-page';
import { handsScene } from './hands-scene';
import { type Motions, peopleTerm, termValue } from './motion';

/** Work of hands as a process: what is done to each piece tells the rest. */
export function handsProcess(id: Id<'process'>, motions: Motions, cautions: string[], joins = false): Process {
  return {
    id,
    losses: { setup: 'hands.setupPieces', running: 'hands.runningPpm' },
    ...(joins && { joins }),
    asks: () => ({}),
    draft(cx) {
      const losses = stepLosses(cx, cx.id, (cx) => ({
        setup: {
          formula: STEP_SETUP,
          terms: { fresh: practiceTerm(cx.plant, 'hands.setupPieces'), factor: typed(cx.keeps === null ? 1 : 0, '1', 'none') },
          own: ownSetupTerm(cx),
        },
        runningPpm: runningLossTerm(cx, 'hands.runningPpm'),
        table: lossTable(cx),
      }));
      const lead = cx.incoming[0]?.of;
      const also = motions(cx)
        .filter((m) => m.supply)
        .map((m): { port: Port; flow: Flow } => ({
          port: { flow: idOf(cx.id, m.key), per: m.each, spoilPpm: practiceValue(cx.plant, 'hands.pieceSpoilPpm') },
          flow: { unit: 'piece', part: lead?.part ?? '', item: lead?.item ?? '', perGood: m.each, supply: m.supply ?? { from: 'here' } },
        }));
      return singleStep(cx, { takesPer: 1, givesPer: 1, unit: 'piece', perGood: 1, whole: true, losses, also, cautions });
    },
    consume(cx): Consumed {
      const { ledger } = cx;
      const list = motions(cx);
      ledger.figure(idOf(cx.id, 'secondsEach'), SECONDS_EACH, Object.fromEntries(list.map((m) => [m.name, m.seconds])));
      ledger.figure(idOf(cx.id, 'handsS'), HANDS_TIME, {
        pieces: fig(idOf(cx.id, 'run')),
        secondsEach: setting(cx, 'secondsEach', fig(idOf(cx.id, 'secondsEach'))),
        rest: setting(cx, 'rest', practiceTerm(cx.plant, 'hands.restShare')),
      });
      ledger.figure(idOf(cx.id, 'clockS'), CLOCK_TIME, { handsS: fig(idOf(cx.id, 'handsS')), people: peopleTerm(cx) });
      const goods = list
        .filter((m) => m.supply)
        .map((m) => {
          ledger.figure(`${cx.id}.${m.key}.cost`, PRICE_OF, { number: fig(`${cx.id}.${m.key}.demand`), price: m.price });
          return { figure: `${cx.id}.${m.key}.cost`, kind: 'goods' as const, fixed: false, per: `${cx.id}.${m.key}.demand` };
        });
      return { costs: [...goods, ...timeAndCost(cx, { step: cx.id, runS: fig(idOf(cx.id, 'clockS')), people: peopleTerm(cx) })] };
    },
    paper: (cx) => handsPaper(cx, motions),
    scene: (cx) => handsScene(cx, motions(cx), Math.max(Math.round(termValue(cx, peopleTerm(cx))), 1)),
    panel: (cx) => handsRows(cx, motions),
    summary: (cx) => ({ text: `${cx.machine.name} · ${Math.round(termValue(cx, peopleTerm(cx)))} people` }),
  };
}
