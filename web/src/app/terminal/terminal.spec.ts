import 'fake-indexeddb/auto';
import { TestBed } from '@angular/core/testing';
import { Outbox } from './outbox';
import { TerminalActions, terminalFeature, type TerminalState } from './terminal.feature';
import { entry, JOB, NOW, pile, PILE, step, terminal } from './terminal.fixture';
import { goodGiven, goodWantedGiven, leftAtMachine, withWaiting } from './with-waiting';

const OTHER = '3f9a2c11-0000-4000-8000-000000000002';

describe('a terminal with what waits to be sent', () => {
  it('counts it like the server would', () => {
    const now = withWaiting(terminal(), [
      entry('good', { pile: PILE, quantity: 300 }),
      entry('waste', { quantity: 5, reason: 'setOff' }),
      entry('waste', { quantity: 7, reason: 'setup' }),
      entry('take', { quantity: 100 }),
    ]);
    expect(now.steps[0]?.tally).toMatchObject({ good: 800, waste: { setup: 207, setOff: 5 }, received: 2_100, run: 1_022 });
    expect(now.piles[0]?.inHand).toBe(700);
    expect(leftAtMachine(now.steps[0]!)).toBe(2_100 - 800 - 212 - 10);
  });
  it.each([
    ['a stop', [entry('stop', { reason: 'blanket' })], { state: 'stopped', stopReason: 'blanket', runS: 360 }],
    ['its end', [entry('stop', { reason: 'blanket' }), entry('go', { at: NOW + 90 })], { state: 'running', stopReason: '', runS: 390 }],
    ['the end of the step', [entry('runEnd')], { state: 'done' }],
    ['a note', [entry('note', { note: 'hello' })], { state: 'running', runS: 300 }],
  ])('knows how the step stands after %s', (_what, entries, times) => {
    expect(withWaiting(terminal(), entries).steps[0]?.times).toMatchObject(times);
  });
  it('follows piles that were laid, split, merged, moved, held and taken here', () => {
    const { piles } = withWaiting(terminal(), [
      entry('pile', { pile: OTHER }),
      entry('good', { pile: OTHER, quantity: 50 }),
      entry('split', { pile: PILE, other: '3f9a2c11-0000-4000-8000-000000000003', quantity: 150, step: null }),
      entry('merge', { pile: OTHER, other: PILE, quantity: 50, step: null }),
      entry('move', { pile: PILE, reason: 'rack B4', step: null }),
      entry('state', { pile: PILE, reason: 'hold', step: null }),
      entry('recount', { pile: PILE, quantity: -1, step: null, note: 'counted' }),
    ]);
    expect(piles.map((p) => [p.inHand, p.place, p.state])).toEqual([
      [299, 'rack B4', 'hold'],
      [0, 'press3', 'good'],
      [150, 'press3', 'good'],
    ]);
    expect(piles[1]).toMatchObject({ number: 2417, nr: 0, unit: 'sheet' }); // named before the server has numbered it
  });
  it('leaves out what was taken back, and hides a handover that was read', () => {
    const wrong = entry('good', { pile: PILE, quantity: 5_000 });
    const word = { id: OTHER, by: 'Odo', at: NOW, note: 'hot' };
    const now = withWaiting(terminal({ handovers: [word] }), [
      wrong,
      entry('counter', { other: wrong.id, note: 'a nought too many' }),
      entry('read', { other: OTHER, job: null, step: null }),
    ]);
    expect(now.steps[0]?.tally.good).toBe(500);
    expect(now.handovers).toEqual([]);
  });
  it('counts copies of a guillotine, and says nothing of what is left where nothing was counted in', () => {
    const units = { ...step().units, givesPer: 6, perCycle: 6, unit: 'copy' as const, givesUnit: 'copy' as const };
    const cut = step({ units, goodWanted: 100, tally: { ...step().tally, good: 300, received: 0 } });
    expect([goodGiven(cut), goodWantedGiven(cut), leftAtMachine(cut)]).toEqual([300, 600, null]);
  });
});

describe('the state of a terminal', () => {
  const { reducer } = terminalFeature;
  const start = reducer(undefined, TerminalActions.machineChosen({ machine: 'press3' }));
  const shown = (s: TerminalState): number | undefined => terminalFeature.selectNow.projector(s.terminal, s.waiting)?.steps[0]?.tally.good;
  const written = entry('good', { pile: PILE, quantity: 300 });
  const kept = reducer(
    reducer(start, TerminalActions.terminalRead({ terminal: terminal(), askedAt: 1 })),
    TerminalActions.kept({ entries: [written] }),
  );
  it('asks who works here once the machine is known', () => {
    expect([terminalFeature.reducer(undefined, TerminalActions.machineChosen({ machine: null })).screen, start.screen]).toEqual([
      'machine',
      'who',
    ]);
  });
  it('shows an entry from when it is safe on the device until the server’s word holds it, and never twice', () => {
    expect(shown(kept)).toBe(800);
    const sent = reducer(kept, TerminalActions.answered({ ids: [written.id], turned: [], at: 1_000 }));
    expect([shown(sent), terminalFeature.selectUnsent.projector(sent.waiting)]).toEqual([800, 0]);
    const counted = { ...step().tally, good: 800 };
    const word = terminal({ steps: [step({ tally: counted })] });
    expect(shown(reducer(sent, TerminalActions.terminalRead({ terminal: word, askedAt: 2_000 })))).toBe(800);
    // A word asked for before the answer came, which holds the entry already.
    const early = reducer(sent, TerminalActions.terminalRead({ terminal: { ...word, newest: [written.id] }, askedAt: 500 }));
    expect(shown(early)).toBe(800);
    // One that was asked for before and does not hold it.
    expect(shown(reducer(sent, TerminalActions.terminalRead({ terminal: terminal(), askedAt: 500 })))).toBe(800);
  });
  it('keeps what was turned away in sight, and takes it from the counts', () => {
    const turned = reducer(kept, TerminalActions.answered({ ids: [], turned: [{ entry: written, says: 'no such job' }], at: 1 }));
    expect([shown(turned), turned.turned.length]).toEqual([500, 1]);
    expect(reducer(turned, TerminalActions.turnedSeen({ id: written.id })).turned).toEqual([]);
  });
  it('says when the line is down, and a word kept on the device does not mend it', () => {
    const down = reducer(kept, TerminalActions.lineDown({ failure: { status: 0, title: 'No answer' } }));
    expect(down.line).toEqual({ down: { status: 0, title: 'No answer' } });
    expect(reducer(down, TerminalActions.terminalRead({ terminal: terminal(), askedAt: 0 })).line).not.toBe('up');
    expect(reducer(down, TerminalActions.terminalRead({ terminal: terminal(), askedAt: 9 })).line).toBe('up');
  });
  it('takes no word of another machine', () => {
    expect(
      reducer(kept, TerminalActions.terminalRead({ terminal: terminal({ machine: 'folder2', name: 'Folder 2' }), askedAt: 9 })).terminal
        ?.name,
    ).toBe('Press 3');
  });
  it('works on the step chosen, else on the one that runs', () => {
    const waiting = step({ step: 'back', times: { ...step().times, state: 'waiting' } });
    const now = terminal({ steps: [waiting, step()] });
    expect(terminalFeature.selectStep.projector(now, null)?.step).toBe('front');
    expect(terminalFeature.selectStep.projector(now, { job: JOB, step: 'back' })?.step).toBe('back');
  });
});

describe('what the device keeps', () => {
  let outbox: Outbox;
  beforeEach(() => {
    outbox = TestBed.inject(Outbox);
  });
  it('is sent in the order it was written, and gone once it was answered', async () => {
    const all = [1, 2, 3].map((n) => entry('waste', { quantity: n, reason: 'torn' }));
    await outbox.write(all.slice(0, 2));
    await outbox.write(all.slice(2));
    const { keys, entries } = await outbox.oldest(2);
    expect(entries.map((e) => e.quantity)).toEqual([1, 2]);
    await outbox.answered(keys, [entries[0]!], [{ entry: entries[1]!, says: 'no' }]);
    expect((await outbox.all()).map((e) => e.quantity)).toEqual([3]);
    expect((await outbox.turned()).map((t) => t.says)).toEqual(['no']);
    await outbox.forgetTurned(entries[1]!.id);
    expect(await outbox.turned()).toEqual([]);
  });
  it('holds what was sent until a word of the server has it', async () => {
    const [a, b] = [entry('good', { pile: PILE, quantity: 1 }), entry('good', { pile: PILE, quantity: 2 })];
    await outbox.answered([], [a, b], []);
    await outbox.keep(terminal(), new Set([b.id]));
    expect((await outbox.sent()).map((e) => e.quantity)).toEqual([2]);
    // Started again without the line: the kept word and what was sent since.
    const start = terminalFeature.reducer(undefined, TerminalActions.machineChosen({ machine: 'press3' }));
    const found = terminalFeature.reducer(
      start,
      TerminalActions.keptFound({ waiting: [], sent: [b], turned: [], terminal: terminal(), people: [] }),
    );
    expect(terminalFeature.selectNow.projector(found.terminal, found.waiting)?.steps[0]?.tally.good).toBe(502);
    const fresh = terminalFeature.reducer(found, TerminalActions.terminalRead({ terminal: terminal(), askedAt: 5 }));
    expect([fresh.waiting, terminalFeature.selectUnsent.projector(found.waiting)]).toEqual([[], 0]);
    await outbox.keep(terminal(), new Set());
  });
  it('holds the last word about each machine', async () => {
    expect(await outbox.kept('folder2')).toBeNull();
    await outbox.keep(terminal({ machine: 'folder2', piles: [pile({ inHand: 1 })] }), new Set());
    expect((await outbox.kept('folder2'))?.piles[0]?.inHand).toBe(1);
  });
  it('opens what the program of before kept: times that lack a part are read as not begun', async () => {
    const outbox = TestBed.inject(Outbox);
    const old = terminal({
      steps: [step({ times: { state: 'stopped', setupS: 1_500, runS: 300, since: NOW, stopReason: 'blanket' } as never })],
    });
    await outbox.keep(old, new Set());
    const kept = await outbox.kept(old.machine);
    expect(kept?.steps[0]?.times).toMatchObject({ open: null, stops: {}, state: 'stopped', runS: 300 });
  });
});
