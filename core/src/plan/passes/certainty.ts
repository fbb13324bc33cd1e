import type { Formula, Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { type Ledger, fig } from '../../quantity/ledger';
import { PPM } from '../../quantity/units';
import { LIKELY } from '../../counts/allowance';
import { CHANCE, RESERVE, RESERVE_TIMES, type RiskTerms, riskTerms } from '../../counts/chance-of-enough';
import { cyclesPerGood, giveOf, inCopiesOf } from '../../flow/cycles-per-good';
import type { Net, Step } from '../../flow/net';
import type { Counts, LossTerms } from '../../flow/solve-backward';
import { stepsTo } from '../../flow/upstream';
import { SUM } from '../../quantity/sum';
import type { Plan } from '../plan-types';
import { sharing } from './sharing';

const source = 'arithmetic';
/** What a step has for its losses, in finished copies: its allowances, what whole sheets give over, its reserve. Cycles but for over and reserve. */
const KEPT: Formula = {
  id: 'plan.kept',
  unit: 'piece',
  source,
  carriesGuess: false,
  of: ({ perGood = 1, givesPer = 1, takesPer = 1, over = 0, reserve = 0, ...lost }) =>
    (Object.values(lost).reduce((a, b) => a + b, 0) + over / givesPer + reserve / takesPer) / perGood,
};
/** Cycles that go as a rule, setting up or by the plant's table, in finished copies. */
const LIKELY_CYCLES: Formula<'cycles' | 'perGood'> = {
  id: 'plan.likelyCycles',
  unit: 'piece',
  source,
  carriesGuess: false,
  of: ({ cycles, perGood }) => cycles / perGood,
};
const LIKELY_RUNNING: Formula = {
  id: 'plan.likelyRunning',
  unit: 'piece',
  source,
  carriesGuess: false,
  of: ({ run = 0, setup = 0, ppm = 0, perGood = 1 }) => (Math.max(run - setup, 0) * ppm) / PPM / perGood,
};
/** What may still be lost beyond what is planned before the order falls short of the least it takes. */
const SLACK: Formula<'demand' | 'least'> = {
  id: 'plan.slack',
  unit: 'piece',
  source,
  carriesGuess: false,
  of: ({ demand, least }) => demand - least,
};

/** Kinds of losses that go as a rule, as their figures are named: `<step>.likelyLost.<kind>`. */
export const LIKELY_KINDS = ['setup', 'running', 'table'] as const;

/** What certainty is reckoned from. */
export interface Certainty {
  net: Net;
  counts: Counts;
  losses: Readonly<Record<Id<'step'>, LossTerms>>;
  items: Plan['items'];
  ledger: Ledger;
}

/** The steps whose losses an item stands or falls with: those its pieces pass. */
const stepsOf = (item: Id<'item'>, { net, items }: Certainty): Id<'step'>[] => stepsTo(net, items[item]?.goods ?? '');

/** The least that must come out of a run: of its item, or of all items that are made in it together. */
function leastOf(item: Id<'item'>, { items, ledger }: Certainty): Id<'figure'> {
  const together = sharing(items, item);
  if (together.length === 1) return items[item]?.least ?? '';
  const all = idOf(item, 'leastTogether');
  ledger.figure(
    all,
    { ...SUM, id: 'plan.wanted', unit: 'piece' },
    Object.fromEntries(together.map((i) => [i, fig(items[i]?.least ?? '')])),
  );
  return all;
}

/** Writes what each step keeps and what it may lose, in finished copies. `asValue`: as plain values, for a reserve that will change the figures themselves. */
function risksOf(row: Id<'item'>, steps: readonly Id<'step'>[], cx: Certainty, asValue: boolean): RiskTerms[] {
  const { net, counts, losses, ledger } = cx;
  const written = <T extends string>(id: Id<'figure'>, formula: Formula<T>, terms: Record<T, Term>): Term => {
    const value = ledger.figure(id, formula, terms);
    return asValue ? { value, unit: 'piece', from: 'family', at: `${id}, before the reserve` } : fig(id);
  };
  const item = cx.items[row]?.item ?? row;
  const at = (id: Id<'step'>, what: string): Id<'figure'> => inCopiesOf(id, what, item, net);
  return steps.map((id): RiskTerms => {
    const step = net.steps[id] as Step;
    const count = counts.steps[id];
    const [takes, gives] = [step.takes[0], giveOf(step, item, net)];
    const { setup, running, table: byTable } = losses[id]?.likely ?? {};
    const { setup: setupLost, running: runningLost, table } = count?.lost ?? {};
    const over = count?.over[gives?.flow ?? ''];
    const reserve = idOf(id, 'reserve');
    const plain = (value: number, unit: '1' | 'piece'): Term => ({ value, unit, from: 'family', at: 'layout' });
    const perGood = plain(cyclesPerGood(step, item, net), '1');
    const found: RiskTerms['losses'] = [];
    // By a table the log may know what goes as a rule; where it does not, the table's lines are allowances like the handbook's.
    if (setup && (setupLost ?? table))
      found.push({ ...setup, loss: written(at(id, 'likelyLost.setup'), LIKELY_CYCLES, { cycles: setup.amount, perGood }) });
    if (running && (runningLost ?? table))
      found.push({
        ...running,
        loss: written(at(id, 'likelyLost.running'), LIKELY_RUNNING, {
          ppm: running.amount,
          run: fig(idOf(id, 'run')),
          perGood,
          ...(setupLost && { setup: fig(setupLost) }),
        }),
      });
    if (table && byTable) {
      ledger.figure(at(id, 'likelyTable'), LIKELY, { allowance: fig(table), spread: byTable.spread, share: byTable.share });
      found.push({
        spread: byTable.spread,
        common: byTable.common,
        loss: written(at(id, 'likelyLost.table'), LIKELY_CYCLES, { cycles: fig(at(id, 'likelyTable')), perGood }),
      });
    }
    const kept = written(at(id, 'kept'), KEPT, {
      perGood,
      ...(gives && { givesPer: plain(gives.per, '1') }),
      ...(takes && { takesPer: plain(takes.per, '1') }),
      ...(setupLost && { setup: fig(setupLost) }),
      ...(runningLost && { running: fig(runningLost) }),
      ...(table && { table: fig(table) }),
      ...(over && { over: fig(over) }),
      ...(!asValue && ledger.has(reserve) && { reserve: fig(reserve) }),
    });
    const taker = steps.findIndex((other) => net.steps[other]?.takes.some((t) => t.flow === gives?.flow));
    return { kept, losses: found, next: taker + 1 };
  });
}

/** Chance of enough of an item. Null where nothing of it is made here. */
export function chanceOf(item: Id<'item'>, cx: Certainty): Id<'figure'> | null {
  const steps = stepsOf(item, cx);
  if (steps.length === 0) return null;
  cx.ledger.figure(idOf(item, 'chance'), CHANCE, { ...riskTerms(risksOf(item, steps, cx, false)), slack: slackOf(item, cx) });
  return idOf(item, 'chance');
}

function slackOf(item: Id<'item'>, cx: Certainty): Term {
  const demand = cx.counts.demand[cx.items[item]?.goods ?? ''];
  if (demand === undefined) return { value: 0, unit: 'piece', from: 'family', at: 'nothing is made' };
  cx.ledger.figure(idOf(item, 'slack'), SLACK, { demand: fig(demand), least: fig(leastOf(item, cx)) });
  return fig(idOf(item, 'slack'));
}

/**
 * Lays the reserve that a wish takes, and returns it flow by flow: before each step so much as its allowance is to grow by, all by the same factor. Before the press it is unprinted and
 * goes back to the store when the setup was kind; behind it, good sheets wait for the steps after; finished pieces are never made for it.
 */
export function layReserve(item: Id<'item'>, wish: number, cx: Certainty): Record<Id<'flow'>, Record<string, Term>> {
  const steps = stepsOf(item, cx);
  const risks = risksOf(item, steps, cx, true);
  const slack = slackOf(item, cx);
  const times = cx.ledger.figure(idOf(item, 'reserveTimes'), RESERVE_TIMES, {
    ...riskTerms(risks),
    slack: { value: 'fig' in slack ? cx.ledger.value(slack.fig) : slack.value, unit: 'piece', from: 'family', at: 'before the reserve' },
    wish: { value: wish, unit: '1', from: 'typed', at: 'choices.certainty' },
  });
  const laid: Record<Id<'flow'>, Record<string, Term>> = {};
  if (times === 1) return laid;
  steps.forEach((id, i) => {
    const step = cx.net.steps[id] as Step;
    const takes = step.takes[0];
    const risk = risks[i];
    if (!takes || !risk || risk.losses.length === 0) return;
    const perGood = cyclesPerGood(step, cx.items[item]?.item ?? item, cx.net) * takes.per;
    // A step that several rows share keeps the greatest reserve that one of them takes.
    const known = cx.ledger.value(idOf(id, 'reserve'));
    const kept = 'value' in risk.kept ? risk.kept.value : cx.ledger.value(risk.kept.fig);
    if (known > 0 && known >= kept * (times - 1) * perGood) return;
    cx.ledger.figure(
      idOf(id, 'reserve'),
      RESERVE,
      {
        allowance: risk.kept,
        times: fig(idOf(item, 'reserveTimes')),
        perGood: { value: perGood, unit: '1', from: 'family', at: 'layout' },
      },
      cx.net.flows[takes.flow]?.unit ?? 'piece',
    );
    laid[takes.flow] = { ...laid[takes.flow], [`reserve ${id}`]: fig(idOf(id, 'reserve')) };
  });
  return laid;
}
