import { randomUUID } from 'node:crypto';
import type { BoardEffect, BoardHelp, BoardPage, BoardPromise, Task } from '@druckerei/contract';
import { pino } from 'pino';
import { tellEnds } from './keep-ends';
import { Client, type Said, TestServer } from '../test-server.fixture';

/* The board: what is released lies on it, in an order that is accepted version by version. */

const server = new TestServer();
let planner: Client;
let other: Client;
beforeAll(async () => {
  await server.start();
  [planner, other] = [await server.signedIn('planner'), await server.signedIn('planner')];
  await server.db.query(`update lots set quantity = 1000000`);
  await server.work();
});
afterAll(() => server.stop());

const FRONT = 'card.card.print.front';
async function released(quantity: number): Promise<string> {
  const job = await planner.order(quantity);
  await releaseOf(job);
  return job;
}
async function releaseOf(job: string): Promise<void> {
  const version = Number((await planner.call('GET', `/api/jobs/${job}`)).body['version']);
  const ask = (decisions: object): Promise<Said> => planner.call('POST', `/api/jobs/${job}/release`, { version, decisions });
  const tried = await ask({});
  const fields = (tried.body['fields'] ?? []) as { path: string }[];
  if (tried.status !== 200) expect((await ask(Object.fromEntries(fields.map((f) => [f.path, 'agreed'])))).status).toBe(200);
}
const board = async (who = planner): Promise<BoardPage> => (await who.call('GET', '/api/board')).body as unknown as BoardPage;
const bar = (page: BoardPage, job: string, step = FRONT): BoardPage['bars'][number] =>
  page.bars.find((b) => b.job === job && b.step === step)!;
async function searched(base: number): Promise<Task> {
  const id = randomUUID();
  const begun = await planner.call('POST', '/api/board/search', { id, base });
  expect(begun.status).toBe(200);
  for (let i = 0; i < 600; i++) {
    const task = (await planner.call('GET', `/api/tasks/${id}`)).body as unknown as Task;
    if (['done', 'failed', 'cancelled'].includes(task.state)) return task;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('the search did not end');
}

describe('the board', () => {
  let jobs: string[];
  beforeAll(async () => {
    jobs = [await released(40_000), await released(12_000), await released(20_000)];
  });
  it('has every released step on its machine in open hours, and says why a job ends when it does', async () => {
    const page = await board();
    expect(page).toMatchObject({ nr: 0, why: null });
    for (const job of jobs) {
      const mine = page.bars.filter((b) => b.job === job);
      expect(mine.length).toBeGreaterThan(4);
      const told = page.jobs.find((j) => j.job === job)!;
      expect(told.endAt).toBe(Math.max(...mine.map((b) => b.end)));
      expect(told.because.reduce((sum, b) => sum + b.s, 0)).toBe(told.endAt - page.asOf);
    }
    expect(page.least).toBeLessThanOrEqual(page.money.late);
  });
  it('is late by the part that is due first, not by what is due later', async () => {
    const job = await planner.order(10_000);
    const parts = [
      { by: '2026-03-02T12:00', share: { only: 1_000 }, to: 'Quay 1' },
      { by: '2026-06-20T14:00', share: { only: 9_000 }, to: 'Quay 1' },
    ];
    const edits = [{ at: ['items', 'i1', 'deliveries'], now: parts }];
    const saved = await planner.call('POST', `/api/jobs/${job}/edits`, { version: 1, key: randomUUID(), edits });
    expect(saved.status).toBe(200);
    await planner.release(job);
    const told = (await board()).jobs.find((j) => j.job === job)!;
    expect(new Date(told.dueAt! * 1000).toISOString()).toBe('2026-03-02T11:00:00.000Z');
    expect(told.readyAt).toBeGreaterThan(told.dueAt!);
    expect(told.readyAt).toBeLessThan(told.endAt);
    // An hour of a tenth of the order costs a tenth of an hour of the whole.
    expect(told.lateMoney).toBeCloseTo(((told.readyAt - told.dueAt!) / 3600) * 30 * 0.1, 0);
  });
  it('is bettered by a search whose proposal is taken once, and by nobody twice', async () => {
    const { nr } = await board();
    const task = await searched(nr);
    expect(task).toMatchObject({ state: 'done', kind: 'board', result: { base: nr } });
    const found = task.result as { before: number; after: number; least: number };
    expect(found.after).toBeLessThanOrEqual(found.before + 1e-6);
    expect(found.least).toBeLessThanOrEqual(found.after + 1e-6);
    expect((await planner.call('POST', '/api/board/take', { task: task.id, base: nr })).body).toEqual({ nr: nr + 1 });
    expect((await other.call('POST', '/api/board/take', { task: task.id, base: nr })).status).toBe(409);
    expect(await board()).toMatchObject({ nr: nr + 1, why: 'search' });
  });
  it('shows what a move comes to before it is made, makes it a version, and goes back by one', async () => {
    const page = await board();
    const onPress = page.bars.filter((b) => b.machine === bar(page, jobs[0]!).machine).sort((a, b) => a.start - b.start);
    const [first, second] = [onPress[0]!, onPress.find((b) => b.job !== onPress[0]!.job)!];
    const move = { base: page.nr, work: second.work, beside: first.work, side: 'before' };
    const effect = (await planner.call('POST', '/api/board/try', move)).body as unknown as BoardEffect;
    expect((await board()).nr).toBe(page.nr);
    expect((await planner.call('POST', '/api/board/move', move)).body).toEqual({ nr: page.nr + 1 });
    const after = await board();
    expect(bar(after, second.job, second.step).start).toBeLessThan(bar(after, first.job, first.step).start);
    // What was told came to be.
    const ends = ({ jobs: all }: BoardPage): Map<string, number> => new Map(all.map((j) => [j.job, j.endAt]));
    const moved = [...ends(after)].filter(([job, end]) => end !== ends(page).get(job));
    expect(effect.jobs.map((j) => [j.job, j.byS]).sort()).toEqual(
      moved.map(([job, end]) => [job, end - (ends(page).get(job) ?? 0)]).sort(),
    );
    expect((await other.call('POST', '/api/board/move', move)).status).toBe(409);
    expect((await planner.call('POST', '/api/board/back', { base: page.nr + 1 })).body).toEqual({ nr: page.nr + 2 });
    const back = await board();
    expect(back.bars.map((b) => [b.work, b.start])).toEqual(page.bars.map((b) => [b.work, b.start]));
  });
  it('says by how much lateness has grown since the board was accepted', async () => {
    const { nr } = await board();
    expect((await planner.call('POST', '/api/board/accept', { base: nr })).status).toBe(200);
    const page = await board();
    expect(page.grown).toBeCloseTo(0, 0);
    const stands = { id: randomUUID(), machine: 'press3', from: '2026-03-02T00:00', until: '2026-04-20T00:00', opens: false, why: 'gears' };
    const copy = { base: (await board()).nr, hours: [stands], first: null };
    expect((await planner.call('POST', '/api/board/copy/take', copy)).status).toBe(200);
    const down = await board();
    expect(down.grown).toBeGreaterThan(down.growthMoney);
    expect(down.grown).toBeCloseTo(down.money.late - page.money.late, 0);
    expect((await planner.call('POST', `/api/board/hours/${stands.id}/end`, {})).status).toBe(200);
    expect((await board()).grown).toBeCloseTo(0, 0);
    expect((await planner.call('POST', '/api/board/back', { base: page.nr })).status).toBe(200);
  });
  it('tells which moves would let a job end sooner, and tells them right', async () => {
    const page = await board();
    // The job that ends first is laid behind the last on the machine of its last step.
    const [first] = [...page.jobs].sort((a, b) => a.endAt - b.endAt);
    const own = page.bars.filter((b) => b.job === first!.job).sort((a, b) => b.end - a.end)[0]!;
    const last = page.bars.filter((b) => b.machine === own.machine && b.job !== own.job).sort((a, b) => b.end - a.end)[0]!;
    const moved = { base: page.nr, work: own.work, beside: last.work, side: 'behind' };
    expect((await planner.call('POST', '/api/board/move', moved)).status).toBe(200);
    const helps = (await planner.call('GET', `/api/board/jobs/${own.job}/help`)).body as unknown as BoardHelp[];
    const help = helps.find((h) => h.kind === 'before');
    expect(help).toMatchObject({ work: own.work });
    const move = { base: page.nr + 1, work: help!.work, beside: help!.beside, side: 'before' };
    const effect = (await planner.call('POST', '/api/board/try', move)).body as unknown as BoardEffect;
    expect(effect.jobs.find((e) => e.job === own.job)?.byS).toBe(-help!.soonerS);
    // The whole job before everything, as it was told.
    const toFront = helps.find((h) => h.kind === 'first')!;
    const all = { base: page.nr + 1, first: own.job };
    const whole = (await planner.call('POST', '/api/board/try', all)).body as unknown as BoardEffect;
    expect(whole.jobs.find((e) => e.job === own.job)?.byS).toBe(-toFront.soonerS);
    expect((await planner.call('POST', '/api/board/move', all)).body).toEqual({ nr: page.nr + 2 });
    expect((await planner.call('POST', '/api/board/back', { base: page.nr + 2 })).status).toBe(200);
    expect((await planner.call('POST', '/api/board/move', { base: page.nr + 3, first: randomUUID() })).status).toBe(404);
    expect((await planner.call('POST', '/api/board/back', { base: page.nr + 3 })).status).toBe(200);
    expect(await planner.call('GET', `/api/board/jobs/${randomUUID()}/help`)).toMatchObject({ status: 404 });
  });
  it('lets what runs stay, takes what is done off, and shows what is released since as fresh', async () => {
    const before = await board();
    const { machine } = bar(before, jobs[1]!);
    const press = await server.signedIn('press');
    const entry = (kind: string, at: number) => ({
      ...{ id: randomUUID(), kind, machine, job: jobs[1], step: FRONT, pile: null, other: null, quantity: null },
      ...{ reason: '', note: '', witness: '', at, release: 1 },
    });
    const send = (entries: object[]): Promise<Said> =>
      press.call('POST', '/api/floor/entries', { device: 't1', sentAt: server.now, entries });
    // Terminals tell time by the millisecond.
    await send([entry('runStart', server.now - 59.6)]);
    const running = await board();
    expect(bar(running, jobs[1]!)).toMatchObject({ runs: true, start: server.now - 60 });
    const move = { base: running.nr, work: bar(running, jobs[1]!).work, beside: bar(running, jobs[0]!).work, side: 'behind' };
    expect(await planner.call('POST', '/api/board/move', move)).toMatchObject({ status: 409 });
    await send([entry('runEnd', server.now - 0.7)]);
    const fresh = await released(5_000);
    const after = await board();
    expect(after.bars.some((b) => b.job === jobs[1] && b.step === FRONT)).toBe(false);
    expect(bar(after, fresh).fresh).toBe(true);
    expect(bar(after, jobs[0]!).fresh).toBe(false);
  });
  it('promises what is not released: in its gaps, nobody’s end moved, and keeps it when it is released', async () => {
    const job = await planner.order(6_000);
    const { spec } = (await planner.call('GET', `/api/jobs/${job}`)).body as { spec: object };
    const before = await board();
    const told = (await planner.call('POST', '/api/board/promise', { spec, job })).body as unknown as BoardPromise;
    expect(told).toMatchObject({ onBoard: false, timeZone: before.timeZone });
    expect(told.because.reduce((sum, b) => sum + b.s, 0)).toBe(told.at - server.now);
    if (told.overtime) expect(told.overtime.at).toBeLessThan(told.at);
    // Drawn as it would lie: nothing of the others is another, and no search is asked for it.
    const drawn = (await planner.call('GET', `/api/board?quoted=${job}`)).body as unknown as BoardPage;
    expect(drawn.bars.filter((b) => !b.quoted)).toEqual(before.bars);
    expect(drawn.bars.filter((b) => b.quoted).every((b) => b.job === job && !b.fresh)).toBe(true);
    expect(drawn.jobs.find((j) => j.job === job)?.endAt).toBe(told.at);
    expect(drawn.grown).toBe(0);
    expect((await planner.call('GET', `/api/board?quoted=${randomUUID()}`)).status).toBe(404);
    // All that is not released: the other one behind it or in other gaps, and still nobody else moved.
    const other = await planner.order(4_000);
    const all = (await planner.call('GET', '/api/board?quoted=all')).body as unknown as BoardPage;
    expect(all.bars.filter((b) => !b.quoted)).toEqual(before.bars);
    const asIf = new Set(all.bars.filter((b) => b.quoted).map((b) => b.job));
    expect([job, other].every((id) => asIf.has(id))).toBe(true);
    await releaseOf(job);
    expect(((await planner.call('GET', `/api/board?quoted=${job}`)).body as unknown as BoardPage).bars.some((b) => b.quoted)).toBe(false);
    const after = await board();
    const ends = (page: BoardPage): (string | number)[][] => page.jobs.filter((j) => j.job !== job).map((j) => [j.job, j.endAt]);
    expect(ends(after)).toEqual(ends(before));
    // The shelf lies a reservation nearer, no more.
    expect(Math.abs(after.jobs.find((j) => j.job === job)!.endAt - told.at)).toBeLessThan(60);
    expect((await planner.call('POST', '/api/board/promise', { spec, job })).body).toMatchObject({
      ...{ onBoard: true, at: after.jobs.find((j) => j.job === job)!.endAt, overtime: null },
    });
    expect(await planner.call('POST', '/api/board/promise', { spec: { ...spec, schema: 9 }, job: null })).toMatchObject({ status: 400 });
  });
  it('pins a step where it lies, or not before a moment, from version to version, and lets it go', async () => {
    const page = await board();
    const mine = bar(page, jobs[2]!);
    const pin = (more: object): Promise<Said> =>
      planner.call('POST', '/api/board/pin', { base: page.nr, work: mine.work, pin: { kind: 'here' }, ...more });
    expect(await pin({})).toMatchObject({ status: 200, body: { nr: page.nr + 1 } });
    expect(bar(await board(), jobs[2]!)).toMatchObject({ start: mine.start, pin: { start: mine.start, by: expect.any(String) as string } });
    expect(await pin({})).toMatchObject({ status: 409 });
    // Nine days on at noon, as the works’ clock shows it: Lindmoor is an hour ahead of UTC in winter.
    const by = new Date((mine.start + 9 * 86_400) * 1000).toISOString().slice(0, 10);
    expect(await pin({ base: page.nr + 1, pin: { kind: 'notBefore', by: `${by}T12:00` } })).toMatchObject({ status: 200 });
    const later = bar(await board(), jobs[2]!);
    const noon = Date.parse(`${by}T11:00:00Z`) / 1000;
    expect(later.pin).toMatchObject({ notBefore: noon });
    expect(later.start).toBeGreaterThanOrEqual(noon);
    const task = await searched(page.nr + 2);
    expect((await planner.call('POST', '/api/board/take', { task: task.id, base: page.nr + 2 })).status).toBe(200);
    expect(bar(await board(), jobs[2]!).start).toBeGreaterThanOrEqual(noon);
    expect(await pin({ base: page.nr + 3, pin: { kind: 'notBefore', by: '2026-02-30T12:00' } })).toMatchObject({ status: 400 });
    expect(await pin({ base: page.nr + 3, work: 'none' })).toMatchObject({ status: 404 });
    expect(await pin({ base: page.nr + 3, pin: null })).toMatchObject({ status: 200 });
    expect(bar(await board(), jobs[2]!).pin).toBeNull();
  });
  it('asks what a machine that stands would come to, sets it, and takes it back', async () => {
    expect((await planner.call('POST', '/api/board/accept', { base: (await board()).nr })).status).toBe(200);
    const page = await board();
    // What ends last has nothing behind it that could make up for it.
    const mine = page.bars.reduce((a, b) => (b.end > a.end ? b : a));
    const local = (at: number): string => new Date((at + 3600) * 1000).toISOString().slice(0, 16);
    const stands = {
      machine: mine.machine,
      from: local(mine.start - 7200),
      until: local(mine.start + 50 * 3600),
      opens: false,
      why: 'repair',
    };
    const tried = (hours: object[], first: string | null = null): Promise<Said> =>
      planner.call('POST', '/api/board/copy/try', { base: page.nr, hours, first });
    const effect = (await tried([stands])).body as unknown as BoardEffect;
    const later = effect.jobs.find((e) => e.job === mine.job)!;
    expect(later.byS).toBeGreaterThan(0);
    expect((await board()).hours).toEqual([]);
    const id = randomUUID();
    const set = (more: object = {}): Promise<Said> =>
      planner.call('POST', '/api/board/copy/take', { base: page.nr, hours: [{ id, ...stands, ...more }], first: null });
    expect(await set()).toMatchObject({ status: 200 });
    expect(await set()).toMatchObject({ status: 200 });
    const after = await board();
    expect(after.hours).toMatchObject([{ id, machine: mine.machine, opens: false, why: 'repair' }]);
    // What was told came to be; a plan that is made now knows it too.
    const { shelf } = (await planner.call('GET', '/api/plants/current')).body as { shelf: { open: Record<string, [number, number][]> } };
    expect(shelf.open[mine.machine]!.filter(([from, to]) => from < mine.end && to > mine.start)).toEqual([]);
    expect(after.jobs.find((j) => j.job === mine.job)!.endAt - page.jobs.find((j) => j.job === mine.job)!.endAt).toBe(later.byS);
    expect(bar(after, mine.job, mine.step).off).toMatchObject({ start: mine.start });
    expect((await planner.call('POST', '/api/board/accept', { base: page.nr })).body).toEqual({ nr: page.nr + 1 });
    expect(bar(await board(), mine.job, mine.step).off).toBeNull();
    expect((await planner.call('POST', `/api/board/hours/${id}/end`)).status).toBe(200);
    expect((await planner.call('POST', `/api/board/hours/${id}/end`)).status).toBe(404);
    expect((await board()).hours).toEqual([]);
    expect((await planner.call('POST', '/api/board/back', { base: page.nr + 1 })).status).toBe(200);
    const { nr } = await board();
    const upsideDown = await planner.call('POST', '/api/board/copy/try', {
      base: nr,
      hours: [stands, { ...stands, until: stands.from }],
      first: null,
    });
    expect(upsideDown.body['fields']).toMatchObject([{ path: 'hours.1.until' }]);
    const wrong = [{ machine: 'none' }, { until: stands.from }, { from: '2026-02-30T10:00' }, { until: 'soon' }];
    for (const more of wrong)
      expect((await planner.call('POST', '/api/board/copy/try', { base: nr, hours: [{ ...stands, ...more }], first: null })).status).toBe(
        400,
      );
  });
  it('tries several changes in one copy, a job before everything among them, and takes them in one version', async () => {
    const page = await board();
    const rush = page.jobs.reduce((a, b) => (b.endAt > a.endAt ? b : a)).job;
    const first = bar(page, rush);
    const local = (at: number): string => new Date((at + 3600) * 1000).toISOString().slice(0, 16);
    const longer = { machine: first.machine, from: local(page.asOf), until: local(page.asOf + 48 * 3600), opens: true, why: 'rush' };
    const copy = { base: page.nr, hours: [longer, { ...longer, machine: 'imager' }], first: rush };
    const effect = (await planner.call('POST', '/api/board/copy/try', copy)).body as unknown as BoardEffect;
    const sooner = effect.jobs.find((e) => e.job === rush)!;
    expect(sooner.byS).toBeLessThan(0);
    // Nothing is changed by trying; the same is taken whole, or not at all.
    expect(await board()).toMatchObject({ nr: page.nr, hours: [] });
    const take = (more: object): Promise<Said> => planner.call('POST', '/api/board/copy/take', { ...copy, ...more });
    const withIds = copy.hours.map((h) => ({ ...h, id: randomUUID() }));
    expect((await take({ hours: [...withIds, { ...longer, machine: 'none-such', id: randomUUID() }] })).status).toBe(400);
    expect((await take({ hours: withIds, first: randomUUID() })).status).toBe(404);
    expect((await board()).hours).toEqual([]);
    expect(await take({ hours: withIds })).toMatchObject({ status: 200, body: { nr: page.nr + 1 } });
    expect((await take({ hours: withIds })).status).toBe(409);
    const after = await board();
    expect(after.hours.map((h) => h.id).sort()).toEqual(withIds.map((h) => h.id).sort());
    const endOf = (p: BoardPage): number => p.jobs.find((j) => j.job === rush)!.endAt;
    // The clock goes on while it is taken.
    expect(Math.abs(endOf(after) - endOf(page) - sooner.byS)).toBeLessThan(120);
    for (const { id } of withIds) expect((await planner.call('POST', `/api/board/hours/${id}/end`)).status).toBe(200);
    expect((await planner.call('POST', '/api/board/back', { base: page.nr + 1 })).status).toBe(200);
  });
  it('reads the hours of a machine out of a calendar file, and says what of it are none', async () => {
    const event = (lines: string[]): string => ['BEGIN:VEVENT', ...lines, 'END:VEVENT'].join('\r\n');
    const day = new Date((server.now + 86_400) * 1000).toISOString().slice(0, 10).replaceAll('-', '');
    const calendar = [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      event(['UID:1', `DTSTART:${day}T080000`, `DTEND:${day}T120000`, 'SUMMARY:rollers']),
    ];
    const read = (text: string, query = 'machine=press3&opens=false'): Promise<Said> =>
      planner.send(`/api/board/hours/read?${query}`, Buffer.from(text));
    const said = await read([...calendar, 'END:VCALENDAR'].join('\r\n'));
    const [y, m, d] = [day.slice(0, 4), day.slice(4, 6), day.slice(6)];
    expect(said.body).toEqual({
      hours: [{ machine: 'press3', opens: false, from: `${y}-${m}-${d}T08:00`, until: `${y}-${m}-${d}T12:00`, why: 'rollers' }],
      left: [],
    });
    expect((await read('a letter')).status).toBe(422);
    expect((await read(calendar.join('\r\n'), 'machine=none&opens=false')).status).toBe(400);
  });
  it('gives a terminal the order of the accepted board, and says what it has before a step that has begun', async () => {
    expect((await planner.call('POST', '/api/board/accept', { base: (await board()).nr })).status).toBe(200);
    const page = await board();
    const terminal = async (): Promise<{ job: string; step: string; startAt: number; overrules: string[] }[]> =>
      (await planner.call('GET', '/api/floor/machines/press3')).body['steps'] as never;
    const onPress = page.bars.filter((b) => b.machine === 'press3').sort((a, b) => a.start - b.start);
    expect(onPress.length).toBeGreaterThan(2);
    expect((await terminal()).map((s) => `${s.job} ${s.step}`)).toEqual(onPress.map((b) => b.work));
    expect((await terminal()).map((s) => s.startAt)).toEqual(onPress.map((b) => b.start));
    // The last is begun first.
    const last = onPress.at(-1)!;
    const entry = {
      ...{ id: randomUUID(), kind: 'setupStart', machine: 'press3', job: last.job, step: last.step, pile: null, other: null },
    };
    const more = { quantity: null, reason: '', note: '', witness: '', at: server.now - 10, release: 1 };
    const press = await server.signedIn('press');
    const sent = { device: 't1', sentAt: server.now, entries: [{ ...entry, ...more }] };
    expect((await press.call('POST', '/api/floor/entries', sent)).status).toBe(200);
    const [first, second] = await terminal();
    expect(`${first!.job} ${first!.step}`).toBe(last.work);
    expect(first!.overrules).toHaveLength(onPress.length - 1);
    expect(second!.overrules).toEqual([]);
  });
  it('tells its ends to lists and orders, and takes them back when it has them no more', async () => {
    const keeping = { db: server.db, log: pino({ level: 'silent' }), threads: server.threads, now: () => server.now };
    await tellEnds(keeping, new AbortController().signal);
    const page = await board();
    const listed = (await planner.call('GET', '/api/orders')).body['rows'] as { job: string; summary: { readyAt: number } }[];
    const readyOf = (job: string): number | undefined => listed.find((r) => r.job === job)?.summary.readyAt;
    expect(page.jobs.length).toBeGreaterThan(2);
    for (const { job, endAt } of page.jobs) expect(readyOf(job)).toBe(endAt);
    await server.db.query(`insert into board_ends select id, now() from jobs where state = 'draft' limit 1`);
    await tellEnds(keeping, new AbortController().signal);
    const kept = await server.db.query<{ job: string }>('select job from board_ends');
    expect(kept.rows.map((r) => r.job).sort()).toEqual(page.jobs.map((j) => j.job).sort());
  });
  it('goes out as CSV, a row a bar, and as a calendar whose dates keep their identity', async () => {
    const page = await board();
    const text = async (path: string): Promise<string> => Buffer.from((await planner.call('GET', path)).bytes).toString();
    const csv = (await text('/api/board.csv')).replace('\uFEFF', '');
    const [head, ...rows] = csv.trim().split('\r\n');
    expect(head).toBe('machine,job,title,customer,step,start,make-ready,run,end,change-over,state,job ends,due,late min');
    expect(rows).toHaveLength(page.bars.length);
    const { machine } = page.bars[0]!;
    const ics = await text(`/api/board.ics?machine=${machine}`);
    expect(ics.match(/BEGIN:VEVENT/g)).toHaveLength(page.bars.filter((b) => b.machine === machine).length);
    expect(ics).toContain(`SEQUENCE:${page.nr}`);
    expect(new Set(ics.match(/^UID:.*$/gm)).size).toBe(ics.match(/^UID:.*$/gm)!.length);
    expect(await planner.call('GET', '/api/board.ics?machine=none')).toMatchObject({ status: 404 });
  });
  it('refuses a step it does not have, and a base that is gone', async () => {
    const { nr } = await board();
    expect(await planner.call('POST', '/api/board/move', { base: nr, work: 'no step', beside: 'none', side: 'before' })).toMatchObject({
      status: 404,
    });
    expect(await planner.call('POST', '/api/board/search', { id: randomUUID(), base: nr + 5 })).toMatchObject({ status: 409 });
    expect(await planner.call('POST', '/api/board/take', { task: randomUUID(), base: nr })).toMatchObject({ status: 404 });
  });
});
