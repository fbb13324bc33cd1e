import { randomUUID } from 'node:crypto';
import { hash } from '@node-rs/argon2';
import type { FloorEntry, Shelf } from '@druckerei/core';
import { pileScan } from '@druckerei/core';
import type { JobFloor, LogbookPage, Pile, Shortage, Terminal } from '@druckerei/contract';
import { pino } from 'pino';
import { labelSpec } from '../../../core/src/plan/line-2.fixture';
import { Client, NOW, type Said, TestServer } from '../test-server.fixture';
import { writeOlderReleases } from './released-steps';

/* The floor's log: what is written, what is marked, what is refused, and what plan, piles and closing make of it. */

const server = new TestServer();
let planner: Client;
let press: Client;
beforeAll(async () => {
  await server.start();
  [planner, press] = [await server.signedIn('planner'), await server.signedIn('press')];
  // A release promises its paper, and this file releases dozens of jobs.
  await server.db.query(`update lots set quantity = 1000000`);
});
afterAll(() => server.stop());

const STOCK = 'card.card.stock';
const FRONT = 'card.card.print.front';
const BACK = 'card.card.print.back';

const version = async (job: string): Promise<number> => Number((await planner.call('GET', `/api/jobs/${job}`)).body['version']);
async function release(job: string, more: object = {}): Promise<Said> {
  const ask = async (decisions: object): Promise<Said> =>
    planner.call('POST', `/api/jobs/${job}/release`, { version: await version(job), decisions, ...more });
  const tried = await ask({});
  const fields = (tried.body['fields'] ?? []) as { path: string }[];
  return tried.status === 200 ? tried : ask(Object.fromEntries(fields.map((f) => [f.path, 'agreed'])));
}
async function released(quantity = 10_000): Promise<string> {
  const job = await planner.order(quantity);
  expect((await release(job)).status).toBe(200);
  return job;
}
const entry = (job: string | null, kind: FloorEntry['kind'], more: Partial<FloorEntry> = {}): FloorEntry => ({
  id: randomUUID(),
  kind,
  machine: 'press3',
  job,
  step: FRONT,
  pile: null,
  other: null,
  quantity: null,
  reason: '',
  note: '',
  witness: '',
  at: server.now,
  release: 1,
  ...more,
});
const send = (entries: readonly object[], more: object = {}, who = press): Promise<Said> =>
  who.call('POST', '/api/floor/entries', { device: 'terminal-1', sentAt: server.now, entries, ...more });
const accepted = async (entries: readonly FloorEntry[]): Promise<void> => {
  const said = await send(entries);
  expect(said.body).toMatchObject({ refused: [] });
};
const floorOf = async (job: string): Promise<JobFloor> => (await press.call('GET', `/api/jobs/${job}/floor`)).body as unknown as JobFloor;
const shelfOf = async (job: string): Promise<Shelf> => (await planner.call('GET', `/api/jobs/${job}`)).body['shelf'] as Shelf;
/** A pile with so many good on it. */
const pileOf = (job: string, quantity: number, more: Partial<FloorEntry> = {}): { pile: string; entries: FloorEntry[] } => {
  const pile = randomUUID();
  return { pile, entries: [entry(job, 'pile', { pile, ...more }), entry(job, 'good', { pile, quantity, ...more })] };
};

describe('an entry', () => {
  it('is written once, however often it is sent', async () => {
    const job = await released();
    const { entries } = pileOf(job, 500);
    const waste = entry(job, 'waste', { quantity: 12, reason: 'setOff' });
    await accepted([...entries, waste]);
    const again = await send([...entries, waste, entry(job, 'waste', { quantity: 3, reason: 'torn' })]);
    expect((again.body['accepted'] as string[]).length).toBe(4);
    const { steps, log } = await floorOf(job);
    expect(log).toHaveLength(4);
    expect(steps.find((s) => s.step === FRONT)?.tally).toMatchObject({ good: 500, waste: { setOff: 12, torn: 3 }, run: 515 });
  });
  it('may not be changed or deleted by the program', async () => {
    await expect(server.db.query(`update floor_log set quantity = 1`)).rejects.toThrow(/permission denied/);
    await expect(server.db.query(`delete from floor_log`)).rejects.toThrow(/permission denied/);
  });
  it('is taken back by a counter-entry with a reason, once', async () => {
    const job = await released();
    const { pile, entries } = pileOf(job, 500);
    const wrong = entry(job, 'good', { pile, quantity: 5_000 });
    const batch = [...entries, wrong, entry(job, 'counter', { other: wrong.id, note: 'a nought too many' })];
    await accepted(batch);
    await accepted(batch); // its answer was lost: sent again as it was
    const { steps, piles, log } = await floorOf(job);
    expect([steps.find((s) => s.step === FRONT)?.tally.good, piles[0]?.inHand]).toEqual([500, 500]);
    expect(log.find((l) => l.id === wrong.id)?.takenBack).toBe(true);
    const twice = await send([entry(job, 'counter', { other: wrong.id, note: 'again' })]);
    expect(twice.body['refused']).toMatchObject([{ says: 'It was taken back already.' }]);
  });
  it('keeps the device’s clock and ours, and sets right one that is a day off', async () => {
    const job = await released();
    const dayAhead = server.now + 86_400;
    const stop = entry(job, 'stop', { reason: 'blanket', at: dayAhead - 60 });
    const said = await send([stop], { sentAt: dayAhead });
    expect(said.body['skewS']).toBe(86_400);
    const line = (await floorOf(job)).log[0];
    expect(line).toMatchObject({ at: server.now - 60, receivedAt: server.now, skewS: 86_400, marks: ['skewed', 'noPin'] });
  });
  it('that comes a week late is written with when it happened', async () => {
    const job = await released();
    const week = 7 * 86_400;
    server.now += week;
    await accepted([entry(job, 'runStart', { at: server.now - week })]);
    server.now -= week;
    expect((await floorOf(job)).log[0]).toMatchObject({ at: NOW, receivedAt: NOW + week, marks: ['late', 'noPin'] });
  });
  it('is marked, never blocked, when the plan was revised or not released', async () => {
    const job = await released();
    await planner.call('POST', `/api/jobs/${job}/revise`, { version: await version(job), reason: 'more copies' });
    await accepted([entry(job, 'note', { note: 'ghosting on copy 3' })]);
    expect((await release(job, { reason: 'more copies' })).status).toBe(200);
    await accepted([entry(job, 'note', { note: 'still the old ticket', release: 1 })]);
    const early = await planner.order();
    await accepted([entry(early, 'note', { note: 'paper is here', release: null })]);
    expect((await floorOf(job)).log.map((l) => l.marks)).toEqual([
      ['revised', 'noPin'],
      ['revised', 'noPin'],
    ]);
    expect((await floorOf(early)).log.map((l) => l.marks)).toEqual([['unreleased', 'noPin']]);
  });
  it('after the job was delivered is written and marked', async () => {
    const job = await released();
    await planner.call('POST', `/api/jobs/${job}/deliver`, { version: await version(job), back: false, note: '' });
    await accepted([entry(job, 'note', { note: 'two sheets more in the rack' })]);
    expect((await floorOf(job)).log[0]?.marks).toEqual(['afterClose', 'noPin']);
  });
  it('that cannot be true is refused by name, and the rest of the batch is kept', async () => {
    const job = await released();
    const other = await released();
    const { pile, entries } = pileOf(other, 10);
    await accepted(entries);
    const bad = [
      entry(randomUUID(), 'runStart'),
      entry(job, 'runStart', { step: 'card.boat' }),
      entry(job, 'waste', { quantity: -4, reason: 'torn' }),
      entry(job, 'good', { pile, quantity: 5 }),
      entry(job, 'good', { pile: randomUUID(), quantity: 5 }),
      { id: randomUUID(), kind: 'drop table' },
    ];
    const said = await send([...bad, entry(job, 'runStart')]);
    expect(said.status).toBe(200);
    const says = new Map((said.body['refused'] as { id: string; says: string }[]).map((r) => [r.id, r.says]));
    expect(bad.map((b) => says.get(b.id))).toEqual([
      'The job is not here.',
      'This job has no step card.boat.',
      'quantity must not be below 0',
      'The pile is not here, or belongs to another job.',
      'The pile is not here, or belongs to another job.',
      expect.stringContaining('kind'),
    ]);
    expect(said.body['accepted']).toHaveLength(1);
  });
  it('is sent by those who may sign in only, and a batch has its bounds', async () => {
    expect((await send([entry(null, 'note', { step: null, note: 'hello' })], {}, server.client())).status).toBe(401);
    expect((await send(Array.from({ length: 501 }, () => entry(null, 'note', { step: null, note: 'hello' })))).status).toBe(400);
  });
});

describe('a person at a terminal', () => {
  const people = async (): Promise<{ id: string; fullName: string }[]> =>
    (await press.call('GET', '/api/floor/people')).body as unknown as { id: string; fullName: string }[];
  const signOn = async (name: string, pin: string, device = 'terminal-1'): Promise<Said> =>
    press.call('POST', '/api/floor/sign-on', { person: (await people()).find((p) => p.fullName === name)?.id, pin, device });
  it('signs on by PIN, and entries are that person’s whoever is signed in', async () => {
    const job = await released();
    const { token } = (await signOn('Mika Falzer', '2718')).body as { token: string };
    const said = await send([{ ...entry(job, 'note', { note: 'blades are new' }), by: token }]);
    expect(said.body['refused']).toEqual([]);
    expect((await floorOf(job)).log[0]).toMatchObject({ by: 'Mika Falzer', device: 'terminal-1', marks: [] });
  });
  it('who has not signed on is told apart from one who has, and from one at a desk', async () => {
    const job = await released();
    await send([entry(job, 'note', { note: 'at the machine' })]);
    await send([entry(job, 'note', { note: 'at the desk' })], { desk: true });
    const { log } = await floorOf(job);
    expect(Object.fromEntries(log.map((l) => [l.note, l.marks]))).toEqual({ 'at the machine': ['noPin'], 'at the desk': [] });
    // A terminal shows the next thirty steps: this job leaves the queue to the tests that read it.
    await planner.call('POST', `/api/jobs/${job}/deliver`, { version: await version(job), back: false, note: '' });
  });
  it('is not let on with a wrong PIN, and after three not at once', async () => {
    for (let i = 0; i < 3; i++) expect((await signOn('Ilse Lagerqvist', '9999')).status).toBe(400);
    expect((await signOn('Ilse Lagerqvist', '1618')).status).toBe(429);
    // Passwords are counted apart.
    expect((await server.signedIn('store')).cookie).not.toBe('');
  });
  it('is no longer vouched for once the PIN is another one', async () => {
    const job = await released();
    const { token } = (await signOn('Mika Falzer', '2718', 'terminal-9')).body as { token: string };
    const by = async (): Promise<unknown> =>
      (await send([{ ...entry(job, 'note', { note: 'hello' }), by: token }], { device: 'terminal-9' })).body['refused'];
    expect(await by()).toEqual([]);
    await server.db.query(`update users set pin_hash = $1 where name = 'mika'`, [await hash('8172')]);
    expect(await by()).toEqual([{ id: expect.any(String), says: 'Whoever wrote this must sign on again at this terminal.' }]);
  });
  it('is vouched for on that device only, for thirty days, and by nobody else’s seal', async () => {
    const job = await released();
    const { token } = (await signOn('Odo Pressnig', '3141')).body as { token: string };
    const by = async (t: string, more: object = {}): Promise<unknown> =>
      (await send([{ ...entry(job, 'note', { note: 'hello' }), by: t }], more)).body['refused'];
    expect(await by(token)).toEqual([]);
    expect(await by(token, { device: 'terminal-2' })).toHaveLength(1);
    expect(await by(`${token}x`)).toHaveLength(1);
    expect(await by('nonsense')).toHaveLength(1);
    server.now += 31 * 86_400;
    expect(await by(token)).toHaveLength(1);
    server.now -= 31 * 86_400;
  });
});

describe('piles', () => {
  it('are numbered by job, found by the code on their flag, and printed', async () => {
    const job = await released();
    const { pile, entries } = pileOf(job, 800);
    await accepted(entries);
    const [known] = (await floorOf(job)).piles as [Pile];
    expect(known).toMatchObject({
      nr: 1,
      inHand: 800,
      state: 'good',
      place: 'Press 3',
      stepName: 'Print, front',
      next: 'Press 3',
      unit: 'sheet',
    });
    expect(known.waitUntil).toBeGreaterThan(server.now); // oil ink must set before it is turned
    const scanned = await press.call('GET', `/api/scan?code=${pileScan(known.number, pile).toLowerCase()}`);
    expect(scanned.body).toMatchObject({ id: pile, inHand: 800 });
    expect((await press.call('GET', '/api/scan?code=hello')).status).toBe(400);
    expect((await press.call('GET', `/api/scan?code=${known.number}.ZZZZZZ`)).status).toBe(404);
    const flag = await press.call('GET', `/api/piles/${pile}/flag.pdf`);
    expect(new TextDecoder().decode(flag.bytes.slice(0, 5))).toBe('%PDF-');
  });
  it('are split, merged, moved, held and taken; what they hold follows', async () => {
    const job = await released();
    const a = pileOf(job, 800);
    const b = pileOf(job, 100);
    const c = randomUUID();
    await accepted([
      ...a.entries,
      ...b.entries,
      entry(job, 'split', { pile: a.pile, other: c, quantity: 300, step: null }),
      entry(job, 'merge', { pile: b.pile, other: a.pile, quantity: 100, step: null }),
      entry(job, 'move', { pile: c, reason: 'rack B4', step: null }),
      entry(job, 'state', { pile: c, reason: 'hold', step: null }),
      entry(job, 'take', { pile: a.pile, quantity: 600, step: BACK }),
      entry(job, 'recount', { pile: c, quantity: -2, step: null, note: 'two were stuck' }),
    ]);
    const { piles } = await floorOf(job);
    expect(piles.map((p) => [p.id, p.inHand, p.place, p.state])).toEqual([
      [a.pile, 0, 'Press 3', 'good'],
      [b.pile, 0, 'Press 3', 'good'],
      [c, 298, 'rack B4', 'hold'],
    ]);
    expect(await floorOf(job).then((f) => f.steps.find((s) => s.step === BACK)?.tally.received)).toBe(600);
  });
  it('keep the newest word of their place, in whatever order it comes', async () => {
    const job = await released();
    const { pile, entries } = pileOf(job, 5);
    await accepted(entries);
    server.now += 100;
    await accepted([
      entry(job, 'move', { pile, reason: 'late news', at: server.now - 10, step: null }),
      entry(job, 'move', { pile, reason: 'older news', at: server.now - 50, step: null }),
    ]);
    server.now -= 100;
    expect((await floorOf(job)).piles[0]?.place).toBe('late news');
  });
  it('get numbers of their own when two terminals lay them at once', async () => {
    const job = await released();
    await Promise.all(Array.from({ length: 8 }, () => accepted(pileOf(job, 1).entries)));
    expect((await floorOf(job)).piles.map((p) => p.nr)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
  });
});

describe('the plan that follows', () => {
  /** The front, printed and done, with so many lost while running. */
  const printedFront = async (job: string, lost: number): Promise<void> => {
    const front = (await floorOf(job)).steps.find((s) => s.step === FRONT);
    const run = front?.run ?? 0;
    const { entries } = pileOf(job, run - lost);
    await accepted([
      entry(job, 'setupStart', { at: server.now - 7_200 }),
      entry(job, 'setupEnd', { at: server.now - 5_400 }),
      entry(job, 'runStart', { at: server.now - 5_400 }),
      entry(job, 'take', { quantity: run }),
      ...entries,
      entry(job, 'waste', { quantity: lost, reason: 'running' }),
      entry(job, 'runEnd'),
    ]);
  };
  it('has what was counted on its shelf, and shows in lists what is now expected', async () => {
    const job = await released();
    await printedFront(job, 1_000);
    const shelf = await shelfOf(job);
    expect(shelf.counted[FRONT]).toMatchObject({ done: true, setup: 0, samples: 0 });
    const { rows } = await server.db.query<{ worst: string }>(`select summary -> 'worst' ->> 'code' as worst from jobs where id = $1`, [
      job,
    ]);
    expect(rows[0]?.worst).toBe('floor.short');
  });
  it('offers ways out, priced, and enters a child job with counts of its own', async () => {
    const job = await released();
    await printedFront(job, 1_200);
    const said = (await planner.call('GET', `/api/jobs/${job}/shortage?item=i1`)).body as unknown as Shortage;
    expect(said.short).toBeGreaterThan(0);
    expect(said.options.map((o) => o.way)).toEqual(['runOn', 'short', 'rerun', 'digital']);
    expect((await press.call('GET', `/api/jobs/${job}/shortage?item=i1`)).status).toBe(403);
    const id = randomUUID();
    const child = await planner.call('POST', `/api/jobs/${job}/children`, { id, item: 'i1', way: 'digital' });
    const twice = await planner.call('POST', `/api/jobs/${job}/children`, { id, item: 'i1', way: 'digital' });
    expect(twice.body).toEqual(child.body);
    expect((await floorOf(job)).children).toMatchObject([{ job: id, state: 'draft' }]);
    const made = (await planner.call('GET', `/api/jobs/${id}`)).body;
    expect(made).toMatchObject({ customer: (await planner.call('GET', `/api/jobs/${job}`)).body['customer'], state: 'draft' });
    expect((await release(id)).status).toBe(200);
    expect((await floorOf(id)).steps.some((s) => s.machine === 'toner1')).toBe(true);
    expect((await planner.call('GET', `/api/jobs/${await released()}/shortage?item=i1`)).body).toEqual({ short: 0, options: [] });
  });
  it('teaches when the job is closed: setup, running loss, time; and forgets when it is taken back', async () => {
    const job = await released();
    await printedFront(job, 150);
    await planner.call('POST', `/api/jobs/${job}/deliver`, { version: await version(job), back: false, note: '' });
    const facts = async (): Promise<unknown[]> =>
      ((await press.call('GET', '/api/learned')).body['losses'] as { process: string; machine: string | null; jobs: number }[]).filter(
        (l) => l.process === 'offset' && l.machine === 'press3',
      );
    expect(await facts()).toMatchObject([{ jobs: 1, enough: false }]);
    const times = (await press.call('GET', '/api/learned')).body['times'] as { machine: string; netPerHour: number; setupS: number }[];
    expect(times.find((t) => t.machine === 'press3')).toMatchObject({ setupS: 1_800 });
    const logbook = async (): Promise<LogbookPage> => (await press.call('GET', '/api/logbook?days=90')).body as unknown as LogbookPage;
    const page = await logbook();
    expect(page.more).toBe(false);
    // What the release set aside stands beside what was counted, and when the step ended by the log.
    expect(page.rows).toMatchObject([
      { machine: 'press3', allowedSetup: 225, setup: 0, allowedPpm: 20_000, waste: { running: 150 }, setupS: 1_800 },
    ]);
    expect(page.rows[0]?.stocks).toHaveLength(1);
    expect(Math.abs((page.rows[0]?.at ?? 0) - server.now)).toBeLessThan(86_400);
    expect(page.promises.find((p) => p.job === page.rows[0]?.job)).toMatchObject({ title: page.rows[0]?.title, delivered: server.now });
    expect((await press.call('GET', '/api/logbook?days=0')).status).toBe(400);
    const csv = new TextDecoder().decode((await press.call('GET', '/api/logbook.csv')).bytes);
    expect(csv.split('\r\n')[0]).toContain('cycles lost setting up');
    expect(csv.split('\r\n')).toHaveLength(3);
    await planner.call('POST', `/api/jobs/${job}/deliver`, { version: await version(job), back: true, note: 'not gone yet' });
    expect(await facts()).toEqual([]);
    expect((await logbook()).rows).toEqual([]);
  });
});

describe('closing', () => {
  const balanced = async (): Promise<string> => {
    const job = await planner.order();
    await planner.call('POST', `/api/jobs/${job}/edits`, {
      version: await version(job),
      key: randomUUID(),
      edits: [{ at: ['items', 'i1', 'balanced'], now: true }],
    });
    expect((await release(job)).status).toBe(200);
    return job;
  };
  const deliver = async (job: string): Promise<Said> =>
    planner.call('POST', `/api/jobs/${job}/deliver`, { version: await version(job), back: false, note: '' });
  it('a job that must balance waits until every difference is found or witnessed', async () => {
    const job = await balanced();
    const { entries } = pileOf(job, 997, { step: STOCK, machine: 'store' });
    await accepted([
      entry(job, 'take', { quantity: 1_000, step: STOCK, machine: 'store' }),
      ...entries,
      entry(job, 'runEnd', { step: STOCK, machine: 'store' }),
    ]);
    expect((await shelfOf(job)).floor?.off).toMatchObject([{ step: STOCK, by: 3 }]);
    const held = await deliver(job);
    expect(held.status).toBe(422);
    expect((held.body['fields'] as { says: string }[])[0]?.says).toMatch(/^3 missing at/);
    await accepted([entry(job, 'recount', { step: STOCK, quantity: -3, note: 'three torn in unpacking', witness: 'MF' })]);
    expect((await deliver(job)).status).toBe(200);
  });
  it('any other job closes with a difference', async () => {
    const job = await released();
    await accepted([entry(job, 'take', { quantity: 1_000 }), entry(job, 'runEnd')]);
    expect((await deliver(job)).status).toBe(200);
  });
});

describe('a terminal', () => {
  // It shows what is next: what other tests released stands before it no longer.
  beforeAll(async () => {
    await server.db.query(`update jobs set state = 'delivered' where state = 'released'`);
  });
  const terminal = async (machine: string): Promise<Terminal> =>
    (await press.call('GET', `/api/floor/machines/${machine}`)).body as unknown as Terminal;
  it('shows what comes with its setup sheet, and what runs before all else', async () => {
    const job = await released(8_000);
    const first = await terminal('press3');
    expect(first.steps.length).toBeGreaterThan(1);
    await accepted([entry(job, 'runStart')]);
    const now = await terminal('press3');
    expect(now.steps[0]).toMatchObject({ job, step: FRONT, times: { state: 'running' } });
    const sheet = now.sheets[`${job} ${FRONT}`];
    expect(sheet?.cautions.at(-1)).toContain('trained people');
    expect(sheet?.rows.length).toBeGreaterThan(5);
    expect((await press.call('GET', '/api/floor/machines/boat')).status).toBe(404);
  });
  it('gives the setup sheet of a step far down the queue when that step is asked for', async () => {
    for (let i = 0; i < 4; i++) await released(8_000);
    const { steps, sheets } = await terminal('press3');
    const far = steps.find((s) => !(`${s.job} ${s.step}` in sheets));
    expect(steps.length).toBeGreaterThan(6);
    const asked = await terminal(`press3?job=${far?.job}&step=${far?.step}`);
    expect(Object.keys(asked.sheets)).toHaveLength(Object.keys(sheets).length + 1);
    expect(asked.sheets[`${far?.job} ${far?.step}`]?.rows.length).toBeGreaterThan(5);
  });
  it('drops a step that is done, and a job that is delivered', async () => {
    const job = await released(8_000);
    await accepted([entry(job, 'runStart'), entry(job, 'runEnd')]);
    const shown = (await terminal('press3')).steps.filter((s) => s.job === job).map((s) => s.step);
    expect(shown).toEqual([BACK]);
    await planner.call('POST', `/api/jobs/${job}/deliver`, { version: await version(job), back: false, note: '' });
    expect((await terminal('press3')).steps.some((s) => s.job === job)).toBe(false);
  });
  it('hands over: unread until somebody reads it, and a finding of the jobs that wait there', async () => {
    const job = await released(8_000);
    const word = entry(null, 'handover', { step: null, machine: 'folder2', note: 'pile 4 is hot, belt slips', release: null });
    await accepted([word]);
    expect((await terminal('folder2')).handovers).toMatchObject([{ id: word.id, by: 'Odo Pressnig' }]);
    expect((await shelfOf(job)).floor?.unread).toEqual([{ machine: 'folder2', notes: 1 }]);
    await accepted([entry(null, 'read', { step: null, machine: 'folder2', other: word.id, release: null })]);
    expect((await terminal('folder2')).handovers).toEqual([]);
    expect((await shelfOf(job)).floor).toBeUndefined();
  });
  it('has the steps of releases made before there was a floor', async () => {
    const job = await planner.order();
    const { rows } = await server.db.query<{ n: number }>(`select count(*)::int as n from released_steps where job = $1`, [job]);
    expect(rows[0]?.n).toBe(0);
    // A release as an older program left it: a snapshot, and no steps.
    const snapshot = { spec: (await planner.call('GET', `/api/jobs/${job}`)).body['spec'], shelf: await shelfOf(job) };
    await server.db.query(`insert into files (hash, mime, bytes) values (repeat('0', 64), 'application/pdf', '') on conflict do nothing`);
    await server.db.query(
      `insert into releases (job, nr, version, snapshot, plan_hash, ticket, released_by)
       select $1, 1, 1, $2::jsonb || jsonb_build_object('plant', (select hash from plant_in_force)), 'x', repeat('0', 64), id from users limit 1`,
      [job, JSON.stringify(snapshot)],
    );
    await writeOlderReleases(server.db, pino({ level: 'silent' }));
    expect((await floorOf(job)).steps.map((s) => s.step)).toContain(FRONT);
    await writeOlderReleases(server.db, pino({ level: 'silent' })); // again: nothing twice
    expect((await floorOf(job)).steps.filter((s) => s.step === FRONT)).toHaveLength(1);
  });
  it('of a part release has the steps that were set free', async () => {
    const job = await planner.order();
    await release(job, { scope: ['card.card.stock.in'] });
    expect((await floorOf(job)).steps.map((s) => s.step)).toEqual([STOCK]);
  });
  it('tells what must be washed after what was printed before', async () => {
    const job = await released(8_000);
    await accepted([entry(job, 'runStart', { at: server.now + 1 })]);
    const { steps } = await terminal('press3');
    const washUp = (step: string) => steps.find((s) => s.job === job && s.step === step)?.washUp;
    // It runs: it was washed for. Its back prints black on the unit that held black: nothing to wash.
    expect(washUp(FRONT)).toBeNull();
    expect(washUp(BACK)).toMatchObject({ minutes: 0, units: [{ unit: 1, from: 'K', to: 'K', wash: 'none' }] });
    await accepted([entry(job, 'runEnd')]);
  });
  it('holds the run until what comes to it is dry, and marks one begun before', async () => {
    const job = await released(8_000);
    await accepted([entry(job, 'runStart'), entry(job, 'runEnd')]);
    const back = async (): Promise<number | null | undefined> => (await terminal('press3')).steps.find((s) => s.job === job)?.dryAt;
    const dryAt = await back();
    // The ink of the front dries four hours before it is turned (common practice; middle of 2 to 6).
    expect(dryAt).toBe(server.now + 4 * 3600);
    await accepted([entry(job, 'runStart', { step: BACK })]);
    expect((await floorOf(job)).log.find((l) => l.kind === 'runStart' && l.step === BACK)?.marks).toContain('stillWet');
    const later = await released(8_000);
    await accepted([entry(later, 'runStart', { at: server.now - 5 * 3600 }), entry(later, 'runEnd', { at: server.now - 5 * 3600 + 1 })]);
    await accepted([entry(later, 'runStart', { step: BACK })]);
    expect((await floorOf(later)).log.find((l) => l.kind === 'runStart' && l.step === BACK)?.marks).not.toContain('stillWet');
  });
  it('wants the line cleared before a job that touches food, washes other series off, and marks a run begun without', async () => {
    const web = 'label.web.print';
    const labels = async (series: string): Promise<string> => {
      const job = await planner.orderOf(
        labelSpec(480_000, { food: series === 'lampFood' }, { [web]: { series, coatSeries: 'lampFood' } }),
        480_000,
      );
      expect((await release(job)).status).toBe(200);
      return job;
    };
    const [plain, food] = [await labels('lamp'), await labels('lampFood')];
    const machine = (await floorOf(food)).steps.find((s) => s.step === web)?.machine ?? '';
    const now = async (job: string) => (await terminal(machine)).steps.find((s) => s.job === job && s.step === web);
    await accepted([entry(plain, 'runStart', { machine, step: web })]);
    expect(await now(plain)).toMatchObject({ toClear: false });
    // Four units of the same colours, but of another series: each is washed with care, 20 minutes by hand.
    expect(await now(food)).toMatchObject({ toClear: true, washUp: { minutes: 80 } });
    const marks = async (): Promise<string[][]> =>
      (await floorOf(food)).log.filter((l) => l.kind === 'runStart').map((l) => l.marks.filter((m) => m === 'uncleared'));
    await accepted([entry(food, 'runStart', { machine, step: web })]);
    expect(await marks()).toEqual([['uncleared']]);
    const clear = entry(food, 'clear', { machine, step: web });
    await accepted([clear]);
    expect(await now(food)).toMatchObject({ toClear: false });
    await accepted([entry(food, 'runStart', { machine, step: web })]);
    expect(await marks()).toEqual([[], ['uncleared']]);
    await accepted([entry(food, 'counter', { machine, step: null, other: clear.id, note: 'a pail of oil ink was found' })]);
    expect(await now(food)).toMatchObject({ toClear: true });
  });
});

describe('the floor for the planner', () => {
  it('has every machine: what runs, at which rate, what comes, what was said last', async () => {
    const { machines } = (await planner.call('GET', '/api/floor')).body as unknown as {
      machines: { machine: string; last: unknown; step: unknown }[];
    };
    expect(machines.map((m) => m.machine)).toContain('toner1');
    expect(machines.find((m) => m.machine === 'press3')).toMatchObject({ last: { by: 'Odo Pressnig' } });
  });
  it('exports the log of a job, with commas and formulas made plain', async () => {
    const job = await released();
    await accepted([entry(job, 'note', { note: '=1+1, really' })]);
    const csv = new TextDecoder().decode((await planner.call('GET', `/api/jobs/${job}/log.csv`)).bytes);
    expect(csv).toContain('"\'=1+1, really"');
    expect(csv.split('\r\n')[0]).toContain('kind,step,machine');
  });
});

describe('a batch with something wrong in it', () => {
  it('does not hold up what is right: half an emoji, a NUL, a number past its column', async () => {
    const job = await released();
    const well = Array.from({ length: 50 }, () => entry(job, 'note', { note: 'well written' }));
    const bad = [
      entry(job, 'note', { note: 'half a trumpet \ud83c' }),
      entry(job, 'note', { note: 'none\0at all' }),
      entry(job, 'note', { note: 'of release', release: 3_000_000_000 }),
      { ...entry(job, 'note', { note: 'a key \0' }), 'odd\0key': 1 },
    ];
    const said = await send([...well.slice(0, 25), ...bad, ...well.slice(25)]);
    expect(said.status).toBe(200);
    expect(said.body['accepted']).toHaveLength(50);
    expect((said.body['refused'] as { id: string }[]).map((r) => r.id)).toEqual(bad.map((e) => e.id));
  });
  it('counts an entry once that stands in it three times', async () => {
    const job = await released();
    const { pile, entries } = pileOf(job, 11);
    const good = entries[1]!;
    const said = await send([entries[0]!, good, good, good]);
    expect(said.body).toMatchObject({ accepted: [entries[0]!.id, good.id], refused: [] });
    expect((await floorOf(job)).piles.find((p) => p.id === pile)?.inHand).toBe(11);
  });
  it('of several jobs never waits for another of the same jobs the other way round', async () => {
    const jobs = [await released(), await released(), await released()];
    const batch = (order: readonly string[]) => order.flatMap((job) => pileOf(job, 1).entries);
    const said = await Promise.all(Array.from({ length: 24 }, (_, i) => send(batch(i % 2 === 0 ? jobs : [...jobs].reverse()))));
    expect(said.map((s) => s.status)).toEqual(said.map(() => 200));
    for (const job of jobs) expect((await floorOf(job)).piles).toHaveLength(24);
  });
});
