import { randomUUID } from 'node:crypto';
import type { BoardBar, BoardEffect, BoardHelp, BoardMachine, BoardPage } from '@druckerei/contract';
import { Client, TestServer } from '../test-server.fixture';

/* A released step on another machine: its job is released again for it, in one with the board. */

const server = new TestServer();
let planner: Client;
beforeAll(async () => {
  await server.start();
  planner = await server.signedIn('planner');
  await server.db.query(`update lots set quantity = 1000000`);
});
afterAll(() => server.stop());

const [FRONT, BACK, FOLD] = ['card.card.print.front', 'card.card.print.back', 'card.card.fold'];
/** A card that waits for nothing but paper, press, guillotine and folder. */
async function released(quantity: number): Promise<string> {
  const job = await planner.order(quantity, { foils: {}, applied: {}, envelope: '', perBand: 1_000 });
  expect((await planner.release(job)).status).toBe(200);
  return job;
}
const board = async (): Promise<BoardPage> => (await planner.call('GET', '/api/board')).body as unknown as BoardPage;
const bar = (page: BoardPage, job: string, step = FRONT): BoardBar => page.bars.find((b) => b.job === job && b.step === step)!;
/** A job printed behind another. */
async function behind(job: string, other: string): Promise<void> {
  const page = await board();
  const move = { base: page.nr, work: bar(page, job).work, beside: bar(page, other, BACK).work, side: 'behind' };
  expect((await planner.call('POST', '/api/board/move', move)).status).toBe(200);
}
const machines = async (work: string): Promise<BoardMachine[]> =>
  (await planner.call('GET', `/api/board/machines?work=${encodeURIComponent(work)}`)).body as unknown as BoardMachine[];
const plates = async (job: string): Promise<{ press: string; state: string }[]> =>
  (
    await server.db.query<{ press: string; state: string }>(
      `select press, state from tools where job = $1 and kind = 'plate' order by id`,
      [job],
    )
  ).rows;

it('moves both sides to another press, releases the job again for it, and goes back', async () => {
  const [first, second] = [await released(60_000), await released(10_000)];
  await planner.call('POST', '/api/board/accept', { base: 0 });
  await behind(second, first);
  const page = await board();
  expect([first, second].map((job) => bar(page, job).machine)).toEqual(['press3', 'press3']);
  const free = (await machines(bar(page, second).work)).filter((m) => m.against === null);
  expect(free.map((m) => m.machine)).toContain('press5');
  expect(await machines(bar(page, second, FOLD).work)).toEqual([]);

  const move = { base: page.nr, work: bar(page, second).work, on: 'press5' };
  const effect = (await planner.call('POST', '/api/board/try', move)).body as unknown as BoardEffect;
  // Tried only: nothing is released.
  expect((await planner.call('GET', `/api/jobs/${second}`)).body).toMatchObject({ releases: [{ nr: 1 }] });
  expect((await planner.call('POST', '/api/board/move', move)).body).toEqual({ nr: page.nr + 1 });
  const after = await board();
  expect([FRONT, BACK].map((step) => bar(after, second, step).machine)).toEqual(['press5', 'press5']);
  expect(bar(after, first).machine).toBe('press3');
  const endOf = (p: BoardPage): number => p.jobs.find((j) => j.job === second)!.endAt;
  expect(effect.jobs.find((j) => j.job === second)?.byS ?? 0).toBe(endOf(after) - endOf(page));
  expect(bar(after, second, BACK).end).toBeLessThan(bar(page, second, BACK).end);

  const job = (await planner.call('GET', `/api/jobs/${second}`)).body as { state: string; releases: { nr: number; reason: string }[] };
  expect(job).toMatchObject({ state: 'released', releases: [{ nr: 1 }, { nr: 2, reason: 'moved to Press 5 on the board' }] });
  // Plates that were only planned are planned for the other press.
  const wanted = (await plates(second)).filter((p) => p.state === 'planned');
  expect(new Set(wanted.map((p) => p.press))).toEqual(new Set(['press5']));
  expect(wanted).toHaveLength(5);

  expect((await planner.call('POST', '/api/board/back', { base: after.nr })).body).toEqual({ nr: after.nr + 1 });
  const back = await board();
  expect([FRONT, BACK].map((step) => bar(back, second, step).machine)).toEqual(['press3', 'press3']);
  expect(endOf(back)).toBe(endOf(page));
});

it('lies beside the work of the other press where it is put', async () => {
  const [there, late] = [await released(40_000), await released(3_000)];
  const page = await board();
  const onPress5 = { base: page.nr, work: bar(page, there).work, on: 'press5' };
  expect((await planner.call('POST', '/api/board/move', onPress5)).status).toBe(200);
  const before = { base: page.nr + 1, work: bar(page, late).work, beside: bar(page, there).work, side: 'before' };
  expect((await planner.call('POST', '/api/board/move', before)).status).toBe(200);
  const after = await board();
  expect([there, late].map((job) => bar(after, job).machine)).toEqual(['press5', 'press5']);
  expect(bar(after, late).start).toBeLessThan(bar(after, there).start);
});

it('is told as what helps where its press stands, and comes to what was told', async () => {
  const late = await released(3_000);
  const stands = { id: randomUUID(), machine: 'press3', from: '2026-03-02T00:00', until: '2026-03-12T00:00', opens: false, why: 'feeder' };
  const copy = { base: (await board()).nr, hours: [stands], first: null };
  expect((await planner.call('POST', '/api/board/copy/take', copy)).status).toBe(200);
  const page = await board();
  const helps = (await planner.call('GET', `/api/board/jobs/${late}/help`)).body as unknown as BoardHelp[];
  const help = helps.find((h) => h.kind === 'on' && h.machine === 'press5') as Extract<BoardHelp, { kind: 'on' }>;
  expect(help).toMatchObject({ work: bar(page, late).work, name: 'Press 5' });
  expect(help.soonerS).toBeGreaterThan(86_400);
  const effect = (await planner.call('POST', '/api/board/try', { base: page.nr, work: help.work, on: 'press5' }))
    .body as unknown as BoardEffect;
  expect(effect.jobs.find((j) => j.job === late)?.byS).toBe(-help.soonerS);
  expect((await planner.call('POST', `/api/board/hours/${stands.id}/end`, {})).status).toBe(200);
});

it('refuses in words: a machine that cannot, a plate that is made, a job that is revised, somebody else’s move', async () => {
  const job = await released(9_000);
  const page = await board();
  const { work } = bar(page, job);
  const to = (on: string, base = page.nr): ReturnType<Client['call']> => planner.call('POST', '/api/board/move', { base, work, on });
  expect(await to('folder2')).toMatchObject({ status: 422, body: { detail: 'This step cannot be done on that machine.' } });
  expect((await to('press5', page.nr - 1)).status).toBe(409);

  await server.db.query(`update tools set state = 'checked' where job = $1 and kind = 'plate' and ink = 'K'`, [job]);
  const against = (await machines(work)).find((m) => m.machine === 'press5')?.against ?? '';
  expect(against).toMatch(/^P-\d+ is made, and would not fit\.$/);
  expect(await to('press5')).toMatchObject({ status: 422, body: { detail: `Not on Press 5: ${against}` } });
  expect((await planner.call('GET', `/api/jobs/${job}`)).body).toMatchObject({ releases: [{ nr: 1 }] });

  const { version } = (await planner.call('GET', `/api/jobs/${job}`)).body as { version: number };
  await planner.call('POST', `/api/jobs/${job}/revise`, { version, reason: 'another fold' });
  expect((await to('press5')).body['detail']).toContain('is revised');
  expect((await planner.call('GET', `/api/board/jobs/${job}/help`)).status).toBe(200);
});
