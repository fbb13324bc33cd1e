import { lateBecause, type OpenJob, planToday } from './today';

/* Invented jobs: what counts is which line stands where. */
const HOUR = 3_600;
const DAY = 24 * HOUR;
const NOW = 1_790_000_000;
const open = (more: Partial<OpenJob>): OpenJob => ({
  job: 'j',
  number: 1,
  title: 'Card',
  drawn: 1,
  customer: 'Choir',
  quantity: 500,
  pieces: 'pieces',
  state: 'draft',
  dueAt: NOW + 10 * DAY,
  readyAt: NOW + 2 * DAY,
  machineS: 4 * HOUR,
  worst: null,
  blocking: 0,
  undecided: 0,
  stocks: [],
  children: [],
  gates: [],
  ...more,
});
const today = (jobs: OpenJob[], shorts: Parameters<typeof planToday>[1] = []) =>
  planToday(jobs, shorts, { now: NOW, endOfDay: NOW + 8 * HOUR });
const finding = { code: 'floor.short', level: 'decide', args: { short: 12 } } as const;
const gate = { gate: 'fileProof', version: 'v2', who: 'Botanic Garden', byAt: NOW - HOUR, refused: false } as const;

describe('what a planner looks at in the morning', () => {
  it('says nothing of a job that is well', () => {
    expect(today([open({ state: 'released' })])).toEqual([]);
  });
  it('says by how much a job will be late: ready behind due; where it is past and not made, the present behind due', () => {
    const lines = today([
      open({ job: 'will', dueAt: NOW + DAY, readyAt: NOW + 3 * DAY, state: 'released' }),
      open({ job: 'is', dueAt: NOW - 5 * DAY, readyAt: NOW - 6 * DAY, state: 'released' }),
    ]).filter((l) => l.kind === 'late');
    expect(lines).toMatchObject([
      { job: 'is', lateS: 5 * DAY, passed: true },
      { job: 'will', lateS: 2 * DAY, passed: false },
    ]);
  });
  it('says why: the gate before the paper, the paper before the child, the child before what is found, and else the work', () => {
    const all = open({
      gates: [gate],
      stocks: ['ivory'],
      children: [{ job: 'c', number: 7, title: 'die', state: 'draft' }],
      worst: finding,
    });
    const short = new Map([['ivory', 'Ivory board']]);
    expect(lateBecause(all, short)).toEqual({ kind: 'gate', gate: 'fileProof', who: 'Botanic Garden' });
    expect(lateBecause({ ...all, gates: [] }, short)).toEqual({ kind: 'paper', name: 'Ivory board' });
    expect(lateBecause({ ...all, gates: [] }, new Map())).toEqual({ kind: 'child', number: 7, title: 'die' });
    expect(lateBecause({ ...all, gates: [], children: [] }, new Map())).toEqual({ kind: 'finding', finding });
    expect(lateBecause(open({ worst: { ...finding, code: 'due.missed' } }), new Map()).kind).toBe('work');
    expect(lateBecause(open({}), new Map())).toEqual({ kind: 'work', machineS: 4 * HOUR });
  });
  it('offers to release what nothing blocks, nothing is left to decide of and nobody is waited for, the next due first', () => {
    const lines = today([
      open({ job: 'later' }),
      open({ job: 'sooner', dueAt: NOW + 5 * DAY, state: 'part' }),
      open({ job: 'blocked', blocking: 1, worst: finding }),
      open({ job: 'undecided', undecided: 1 }),
      open({ job: 'waits', gates: [gate] }),
      open({ job: 'out', state: 'released' }),
    ]);
    expect(lines.filter((l) => l.kind === 'ready').map((l) => l.job)).toEqual(['sooner', 'later']);
    expect(lines.filter((l) => l.kind === 'blocked').map((l) => l.job)).toEqual(['blocked']);
    expect(lines.filter((l) => l.kind === 'gate')).toMatchObject([{ job: 'waits', late: true, who: 'Botanic Garden' }]);
  });
  it('takes what is found of a released job for something that falls short, and of a draft not', () => {
    const lines = today([open({ job: 'out', state: 'released', worst: finding }), open({ job: 'draft', worst: finding })]);
    expect(lines.filter((l) => l.kind === 'short').map((l) => l.job)).toEqual(['out']);
  });
  it('sends out what is due before the day ends and says whether it is made', () => {
    const due = { state: 'released', dueAt: NOW + 2 * HOUR } as const;
    const lines = today([open({ job: 'made', ...due, readyAt: NOW - HOUR }), open({ job: 'not', ...due, readyAt: NOW + HOUR })]);
    expect(lines.filter((l) => l.kind === 'goes')).toMatchObject([
      { job: 'made', ready: true },
      { job: 'not', ready: false },
    ]);
    expect(today([open({ state: 'released', dueAt: NOW + DAY, readyAt: NOW })])).toEqual([]);
  });
  it('orders what is short, the one to order first before the others, and says which is late', () => {
    const stock = { unit: 'sheet', short: 1_000 } as const;
    const lines = today(
      [],
      [
        { stock: 'b', name: 'B', ...stock, orderByAt: NOW + 5 * DAY },
        { stock: 'a', name: 'A', ...stock, orderByAt: NOW + HOUR },
      ],
    );
    expect(lines).toMatchObject([
      { kind: 'order', stock: 'a', late: true },
      { kind: 'order', stock: 'b', late: false },
    ]);
  });
});
