import type { Pile, StepNow, Terminal } from '@druckerei/contract';
import { entrySums, type FloorEntry, finerOut, leftOf, pileBalance, pileCode, tallyOf, timesAfter } from '@druckerei/core';

/** A terminal as it stands with what was written here and has not come back from the server yet. */
export function withWaiting(terminal: Terminal, waiting: readonly FloorEntry[]): Terminal {
  if (waiting.length === 0) return terminal;
  const back = new Set(waiting.flatMap((e) => (e.kind === 'counter' && e.other !== null ? [e.other] : [])));
  const mine = waiting.filter((e) => !back.has(e.id));
  const read = new Set(mine.flatMap((e) => (e.kind === 'read' && e.other !== null ? [e.other] : [])));
  const handovers = mine.flatMap((e) =>
    e.kind === 'handover' && e.machine === terminal.machine ? [{ id: e.id, by: '', at: e.at, note: e.note }] : [],
  );
  const piles = pilesWith(terminal, mine);
  return {
    ...terminal,
    steps: terminal.steps.map((s) =>
      stepWith(
        s,
        mine.filter((e) => e.job === s.job && e.step === s.step),
        piles,
      ),
    ),
    piles,
    handovers: [...terminal.handovers, ...handovers].filter((h) => !read.has(h.id)),
  };
}

function stepWith(step: StepNow, entries: readonly FloorEntry[], piles: readonly Pile[]): StepNow {
  if (entries.length === 0) return step;
  const more = tallyOf(
    step.step,
    step.units,
    entries.flatMap((e) => entrySums(e)),
  );
  const { tally } = step;
  const waste = { ...tally.waste };
  for (const [reason, n] of Object.entries(more.waste)) waste[reason] = (waste[reason] ?? 0) + n;
  return {
    ...step,
    toClear: step.toClear && !entries.some((e) => e.kind === 'clear'),
    times: entries.reduce(timesAfter, step.times),
    orders: step.orders.map((o) => ({
      ...o,
      good:
        o.good +
        entries
          .filter((e) => e.kind === 'good' && piles.find((p) => p.id === e.pile)?.flow === o.flow)
          .reduce((sum, e) => sum + (e.quantity ?? 0), 0),
    })),
    tally: {
      received: tally.received + more.received,
      good: tally.good + more.good,
      waste,
      wasted: tally.wasted + more.wasted,
      samples: tally.samples + more.samples,
      destroyed: tally.destroyed + more.destroyed,
      recounted: tally.recounted + more.recounted,
      run: tally.run + more.run,
      goodCycles: tally.goodCycles + more.goodCycles,
    },
  };
}

function pilesWith(terminal: Terminal, entries: readonly FloorEntry[]): Pile[] {
  const piles = new Map(terminal.piles.map((p) => [p.id, { ...p }]));
  const sums = entries.flatMap((e) => entrySums(e));
  for (const e of entries) {
    const pile = piles.get(e.pile ?? '');
    if (e.kind === 'pile' || e.kind === 'split') {
      const id = (e.kind === 'pile' ? e.pile : e.other) ?? '';
      const step = terminal.steps.find((s) => s.job === e.job && s.step === (e.step ?? pile?.step));
      if (!piles.has(id) && (step || pile)) piles.set(id, laid(id, e, step, pile));
    }
    if (e.kind === 'move' && pile) pile.place = e.reason;
    if (e.kind === 'take' && pile) pile.place = e.machine;
    if (e.kind === 'state' && pile) pile.state = e.reason as Pile['state'];
  }
  return [...piles.values()].map((p) => ({ ...p, inHand: p.inHand + pileBalance(p.id, sums).inHand }));
}

/** A pile laid here: it has its short name before the server has numbered it. */
const laid = (id: string, e: FloorEntry, step: StepNow | undefined, from: Pile | undefined): Pile => ({
  id,
  nr: 0,
  code: pileCode(id),
  job: e.job ?? '',
  number: step?.number ?? from?.number ?? 0,
  flow: e.flow ?? from?.flow ?? step?.units.gives ?? '',
  step: from?.step ?? step?.step ?? '',
  stepName: from?.stepName ?? [step?.name ?? '', ...(step?.orders ?? []).filter((o) => o.flow === e.flow).map((o) => o.name)].join(', '),
  unit: from?.unit ?? step?.units.givesUnit ?? 'piece',
  state: 'good',
  place: e.machine,
  inHand: 0,
  next: from?.next ?? step?.next[0]?.machineName ?? '',
  waitUntil: null,
});

/** Pieces of a step's finer side that went in and have not come out, good or not; null where nothing was counted in. */
export function leftAtMachine({ tally, units }: StepNow): number | null {
  if (units.takes === null || tally.received === 0) return null;
  return leftOf(tally);
}
/** Good pieces as the operator counts them: of what the step gives. */
export const goodGiven = ({ tally, units }: StepNow): number => tally.good / Math.max(finerOut(units), 1e-9);
export const goodWantedGiven = ({ goodWanted, units }: StepNow): number => goodWanted * units.givesPer;
