import { randomUUID } from 'node:crypto';
import type { InkDesk, KitchenPage, ToolPage } from '@druckerei/contract';
import type { Plan, Shelf } from '@druckerei/core';
import { type Client, TestServer } from '../test-server.fixture';

/* What the desks tell a job: the shelf it is planned with, the findings that follow, and what lists show of it. */

const server = new TestServer();
let planner: Client;
let kitchen: Client;
let press: Client;
beforeAll(async () => {
  await server.start();
  [planner, kitchen, press] = [await server.signedIn('planner'), await server.signedIn('ink'), await server.signedIn('press')];
});
afterAll(() => server.stop());

const INK = 'moss green';
const shelfOf = async (job: string): Promise<Shelf> => (await planner.call('GET', `/api/jobs/${job}`)).body['shelf'] as Shelf;
const findings = async (job: string): Promise<string[]> =>
  ((await planner.call('GET', `/api/jobs/${job}/plan.json`)).body as unknown as Plan).findings.map((f) => f.code);
const stands = async (job: string): Promise<string | undefined> =>
  ((await kitchen.call('GET', '/api/kitchen')).body as unknown as KitchenPage).inks.find((i) => i.job === job)?.stands;
const colour = (lab: number[]) => ({ lab, mode: 'M1', backing: 'white', from: 'typed' });
const at = (job: string): string => `/api/kitchen/${job}/${encodeURIComponent(INK)}`;

it('say nothing of a job that no desk has seen: its shelf is as it was', async () => {
  const job = await planner.order();
  expect((await shelfOf(job)).desks).toBeUndefined();
});

it('follow an ink from no sample to accepted, in the kitchen’s list and in the findings of its job', async () => {
  const job = await planner.order(10_000, { front: ['K', INK], back: [] });
  expect(await stands(job)).toBe('noSample');
  expect(await findings(job)).toContain('ink.noDrawDown');
  await kitchen.call('POST', `${at(job)}/sample`, { id: randomUUID(), measured: colour([60, -20, 30]), tolerance: 2 });
  await kitchen.call('POST', `${at(job)}/sample`, { id: randomUUID(), measured: colour([58, -22, 30]), tolerance: 3 });
  expect(await stands(job)).toBe('sample');
  const batch = randomUUID();
  const body = { id: batch, recipe: [{ base: 'reed', parts: 1 }], weighed: [{ base: 'reed', kg: 1, lot: 'R1' }], pails: 1, place: '' };
  const made = (await kitchen.call('POST', `${at(job)}/batches`, body)).body as unknown as InkDesk;
  // The newest sample counts.
  expect(made.sample).toMatchObject({ tolerance: 3, measured: { lab: [58, -22, 30] } });
  expect(await stands(job)).toBe('mixed');
  const draw = randomUUID();
  await kitchen.call('POST', `/api/batches/${batch}/draw-downs`, { id: draw, measured: colour([58, -22, 30]) });
  expect(await stands(job)).toBe('drawn');
  expect((await shelfOf(job)).desks?.inks[INK]).toMatchObject({ accepted: false });
  await kitchen.call('POST', `/api/draw-downs/${draw}/answer`, { answer: 'accept', reason: '' });
  expect(await stands(job)).toBe('accepted');
  expect((await shelfOf(job)).desks?.inks[INK]).toMatchObject({ accepted: true, lowMigration: true });
  expect(await findings(job)).not.toContain('ink.noDrawDown');
  // A later draw-down that nobody accepted shuts the press again.
  await kitchen.call('POST', `/api/batches/${batch}/draw-downs`, { id: randomUUID(), measured: colour([50, -22, 30]) });
  expect(await findings(job)).toContain('ink.noDrawDown');
});

it('know what a mixture stands, and say so where the print must stand more', async () => {
  const job = await planner.order(10_000, { front: [INK], back: [], stands: ['light'] });
  expect(await findings(job)).toContain('ink.notFast');
  await kitchen.call('POST', `${at(job)}/sample`, { id: randomUUID(), measured: colour([60, -20, 30]), tolerance: 2 });
  const batch = randomUUID();
  const mix = (base: string) =>
    kitchen.call('POST', `${at(job)}/batches`, {
      id: batch,
      recipe: [{ base, parts: 1 }],
      weighed: [{ base, kg: 1, lot: 'x' }],
      pails: 1,
      place: '',
    });
  expect((await mix('rosehip')).status).toBe(400); // rosehip does not stand light
  expect((await mix('reed')).status).toBe(200);
  await kitchen.call('POST', `/api/batches/${batch}/draw-downs`, { id: randomUUID(), measured: colour([60, -20, 30]) });
  expect(await findings(job)).not.toContain('ink.notFast');
});

it('find a form by its number, its job and its ink', async () => {
  const job = await planner.order();
  await planner.release(job);
  const find = async (query: string): Promise<string[]> =>
    ((await press.call('GET', `/api/tool-cards?${query}`)).body as unknown as ToolPage).cards.map((c) => `${c.id} ${c.ink}`);
  const number = Number((await planner.call('GET', `/api/jobs/${job}`)).body['number']);
  const all = await find(`find=${number}`);
  expect(all.filter((c) => c.startsWith('P-'))).toHaveLength(5);
  const [first = ''] = all;
  expect(await find(`find=${first.split(' ')[0] ?? ''}`)).toEqual([first]);
  expect(await find('find=nothing-is-called-that')).toEqual([]);
  expect((await find(`state=kept&job=${job}`)).length).toBe(0);
});

it.each([
  ['mixing ink', 'POST', '/api/recipes', { id: 'R-9', name: 'x', parts: [{ base: 'clear', parts: 1 }], filmGsm: 1 }],
  ['answering a draw-down', 'POST', `/api/draw-downs/${randomUUID()}/answer`, { answer: 'accept', reason: '' }],
])('keep %s to the ink kitchen', async (_what, method, path, body) => {
  expect((await press.call(method, path, body)).status).toBe(403);
});

it.each([
  ['a batch', `/api/batches/${randomUUID()}/draw-downs`, { id: randomUUID(), measured: colour([50, 0, 0]) }],
  ['a draw-down', `/api/draw-downs/${randomUUID()}/answer`, { answer: 'accept', reason: '' }],
  ['a pail', `/api/pails/${randomUUID()}`, { kg: 1, place: '', free: false }],
  ['a job', `/api/kitchen/${randomUUID()}/K/sample`, { id: randomUUID(), measured: colour([50, 0, 0]), tolerance: 2 }],
])('do not know %s that is not here', async (_what, path, body) => {
  expect((await kitchen.call('POST', path, body)).status).toBe(404);
});

it('are not moved by the same press of a button twice', async () => {
  const job = await planner.order(10_000, { front: ['K', INK], back: [] });
  await kitchen.call('POST', `${at(job)}/sample`, { id: randomUUID(), measured: colour([60, -20, 30]), tolerance: 2 });
  const batch = randomUUID();
  const body = { id: batch, recipe: [{ base: 'reed', parts: 1 }], weighed: [{ base: 'reed', kg: 1, lot: 'R1' }], pails: 1, place: '' };
  await Promise.all([1, 2].map(() => kitchen.call('POST', `${at(job)}/batches`, body)));
  const addition = { id: randomUUID(), weighed: [{ base: 'clear', kg: 0.2, lot: 'C1' }], reason: 'too strong' };
  for (let i = 0; i < 2; i++) await kitchen.call('POST', `/api/batches/${batch}/additions`, addition);
  const desk = (await kitchen.call('GET', at(job))).body as unknown as InkDesk;
  expect(desk.batches).toHaveLength(1);
  expect(desk.batches[0]?.weighings.map((w) => w.kg)).toEqual([1, 0.2]);
  expect(desk.batches[0]?.pails[0]?.kg).toBeCloseTo(1.2, 9);
});
