import { randomUUID } from 'node:crypto';
import type { BoardPage, FormOffer, ToolCard, ToolPage } from '@druckerei/contract';
import type { Shelf } from '@druckerei/core';
import { type Client, type Said, TestServer } from '../test-server.fixture';

/* The tool store: cards made at release, the platesetter, checks, remakes, kept forms for a reprint. */

const server = new TestServer();
let planner: Client;
let store: Client;
beforeAll(async () => {
  await server.start();
  [planner, store] = [await server.signedIn('planner'), await server.signedIn('store')];
});
afterAll(() => server.stop());

const page = async (query = ''): Promise<ToolPage> => (await store.call('GET', `/api/tool-cards${query}`)).body as unknown as ToolPage;
const cardsOf = async (job: string, state = 'all'): Promise<ToolCard[]> =>
  (await page(`?job=${job}&state=${state}`)).cards.filter((c) => c.kind === 'plate');
const read = async (id: string): Promise<{ card: ToolCard; log: { what: string; reason: string; cost: number | null }[] }> =>
  (await store.call('GET', `/api/tool-cards/${id}`)).body as never;
const move = (id: string, was: string, to: string, more: object = {}): Promise<Said> =>
  store.call('POST', `/api/tool-cards/${id}/move`, { key: randomUUID(), was, to, reason: '', ...more });
const check = (id: string, more: object = {}): Promise<Said> =>
  store.call('POST', `/api/tool-cards/${id}/check`, { key: randomUUID(), scratches: false, smallestUm: 20, steps: [], ...more });
async function released(more: object = {}): Promise<string> {
  const job = await planner.order(10_000, {}, more);
  expect((await planner.release(job)).status).toBe(200);
  return job;
}
/** Images everything that waits, and checks what is not bad. */
async function imageAll(job: string): Promise<void> {
  await store.call('POST', '/api/platesetter', { key: randomUUID(), plates: 50 });
  for (const card of await cardsOf(job, 'work')) if (card.state === 'imaged') await check(card.id);
}
const wedge = (gain: number) =>
  [0, 10, 25, 50, 75, 90, 100].map((file) => ({ file, plate: file + (gain * 4 * file * (100 - file)) / 1e4 }));

it('makes a card for every plate when a job is released, and queues them for the press that begins first', async () => {
  const job = await released();
  const cards = await cardsOf(job);
  // Line 1 by hand: front K C M Y, back K
  expect(cards.map((c) => `${c.side} ${c.ink}`).sort()).toEqual(['back K', 'front C', 'front K', 'front M', 'front Y']);
  expect(cards.every((c) => c.state === 'planned' && c.version === 'v1' && c.life > 0)).toBe(true);
  const queue = (await page()).queue.filter((q) => q.job === job);
  expect(queue).toHaveLength(5);
  expect(queue.every((q, i) => i === 0 || q.startAt >= (queue[i - 1]?.readyAt ?? 0))).toBe(true);
});

it('images first what the board has on a press first, whatever its plan says', async () => {
  const [first, second] = [await released(), await released()];
  const board = async (): Promise<BoardPage> => (await planner.call('GET', '/api/board')).body as unknown as BoardPage;
  const order = async (): Promise<string[]> =>
    [...new Set((await page()).queue.map((q) => q.job))].filter((j) => j === first || j === second);
  const { nr } = await board();
  await planner.call('POST', '/api/board/accept', { base: nr });
  const printOf = (job: string): string => `${job} card.card.print.front`;
  const move = async (work: string, beside: string): Promise<void> => {
    const body = { base: (await board()).nr, work: printOf(work), beside: printOf(beside), side: 'before' };
    expect((await planner.call('POST', '/api/board/move', body)).status).toBe(200);
  };
  if ((await order())[0] === first) await move(second, first);
  expect(await order()).toEqual([second, first]);
  await move(first, second);
  expect(await order()).toEqual([first, second]);
});

it('leaves no plate waiting for a job that is delivered', async () => {
  const job = await released();
  const { version } = (await planner.call('GET', `/api/jobs/${job}`)).body as { version: number };
  expect((await planner.call('POST', `/api/jobs/${job}/deliver`, { version, back: false, note: '' })).status).toBe(200);
  expect((await page()).queue.filter((q) => q.job === job)).toEqual([]);
  expect(await cardsOf(job, 'work')).toEqual([]);
});

it('lets the simulated platesetter image a plate once, however often it is asked', async () => {
  await released();
  const key = randomUUID();
  const first = await store.call('POST', '/api/platesetter', { key, plates: 1 });
  const again = await store.call('POST', '/api/platesetter', { key, plates: 1 });
  expect(again.body).toEqual(first.body);
  const [imaged] = first.body['imaged'] as { id: string; steps: object[] }[];
  expect(imaged?.steps).toHaveLength(7);
  expect((await read(imaged?.id ?? '')).card).toMatchObject({ state: 'imaged', madeHow: 'simulated platesetter' });
});

it('passes a plate whose wedge is in, spoils one whose wedge is out or that is scratched', async () => {
  const job = await released();
  await store.call('POST', '/api/platesetter', { key: randomUUID(), plates: 50 });
  const [one, two, three] = await cardsOf(job, 'work');
  expect((await check(one?.id ?? '', { steps: wedge(1) })).body).toMatchObject({ state: 'checked', checks: { wedge: 'in' } });
  expect((await check(two?.id ?? '', { steps: wedge(5) })).body).toMatchObject({ state: 'spoilt', checks: { wedge: 'out' } });
  expect((await check(three?.id ?? '', { scratches: true })).body).toMatchObject({ state: 'spoilt' });
  const refused = await check(one?.id ?? '', { steps: [{ file: 50, plate: 52 }] });
  expect(refused.status).toBe(400);
  expect(refused.body['fields']).toEqual([{ path: 'steps', says: 'steps must be 4 or more between 0 and 100 %' }]);
});

it('moves a form by the steps of its life only, once a key, and refuses one that moved meanwhile', async () => {
  const job = await released();
  await imageAll(job);
  const card = (await cardsOf(job, 'work')).find((c) => c.state === 'checked') as ToolCard;
  const key = randomUUID();
  expect((await move(card.id, 'checked', 'onPress', { key })).body).toMatchObject({ state: 'onPress' });
  expect((await move(card.id, 'checked', 'onPress', { key })).body).toMatchObject({ state: 'onPress' });
  expect((await move(card.id, 'checked', 'stored')).status).toBe(409);
  expect((await move(card.id, 'onPress', 'planned')).status).toBe(400);
  expect((await move(card.id, 'onPress', 'recycled')).body['fields']).toEqual([{ path: 'reason', says: 'says in a few words why' }]);
  expect((await read(card.id)).log.map((l) => l.what)).toEqual(['onPress', 'checked', 'imaged']);
});

it('wears a form by the impressions its steps counted', async () => {
  const job = await released();
  await imageAll(job);
  const card = (await cardsOf(job, 'work')).find((c) => c.ink === 'C') as ToolCard;
  if (card.state === 'imaged') await check(card.id);
  await move(card.id, 'checked', 'onPress');
  const press = await server.signedIn('press');
  const entry = {
    id: randomUUID(),
    kind: 'waste',
    machine: 'press3',
    job,
    step: 'card.card.print.front',
    pile: null,
    other: null,
    quantity: 70,
    reason: 'setup',
    note: '',
    witness: '',
    at: server.now,
    release: 1,
  };
  expect((await press.call('POST', '/api/floor/entries', { device: 't', sentAt: server.now, entries: [entry] })).body).toMatchObject({
    refused: [],
  });
  expect((await read(card.id)).card.used).toBe(70);
  expect((await move(card.id, 'onPress', 'stored', { place: 'rack 4' })).body).toMatchObject({ used: 70, place: 'rack 4' });
});

it('makes a form again with a reason and its price; the old one is spoilt', async () => {
  const job = await released();
  await imageAll(job);
  const card = (await cardsOf(job, 'work')).find((c) => c.state !== 'planned') as ToolCard;
  const key = randomUUID();
  expect((await store.call('POST', `/api/tool-cards/${card.id}/remake`, { key, reason: '' })).status).toBe(400);
  const made = await store.call('POST', `/api/tool-cards/${card.id}/remake`, { key, reason: 'scratched in the press', version: 'v2' });
  expect(made.body).toMatchObject({ state: 'planned', replaces: card.id, version: 'v2', ink: card.ink });
  expect((await store.call('POST', `/api/tool-cards/${card.id}/remake`, { key, reason: 'scratched in the press' })).body).toMatchObject({
    id: made.body['id'],
  });
  const { card: old, log } = await read(card.id);
  expect(old.state).toBe('spoilt');
  expect(log[0]).toMatchObject({ what: 'remake', reason: 'scratched in the press', cost: 9.5 });
});

it('offers the kept forms of the job it repeats; taken ones are not made again, and the plan knows it', async () => {
  const first = await released();
  await imageAll(first);
  const good = (await cardsOf(first, 'work')).filter((c) => c.state === 'checked');
  for (const c of good) await move(c.id, 'checked', 'stored');
  const number = Number((await planner.call('GET', `/api/jobs/${first}`)).body['number']);
  const again = await released({ again: number });
  const offers = (await store.call('GET', `/api/jobs/${again}/forms`)).body as unknown as FormOffer[];
  expect(offers.flatMap((o) => o.offers.map((c) => c.id)).sort()).toEqual(good.map((c) => c.id).sort());
  const key = randomUUID();
  const ask = { key, tools: good.map((c) => c.id) };
  expect((await store.call('POST', `/api/jobs/${again}/forms`, ask)).status).toBe(200);
  expect((await store.call('POST', `/api/jobs/${again}/forms`, ask)).status).toBe(200);
  expect((await cardsOf(again, 'work')).filter((c) => c.kept)).toHaveLength(good.length);
  const shelf = (await planner.call('GET', `/api/jobs/${again}`)).body['shelf'] as Shelf;
  expect(shelf.desks?.forms['card.card.plates']?.kept).toBe(good.length);
  expect((await store.call('POST', `/api/jobs/${again}/forms`, { key: randomUUID(), tools: ['P-9999999'] })).status).toBe(400);
});

it('blocks the next release of a job whose plates carry another version than the one approved', async () => {
  const gate = { kind: 'fileProof', version: 'v2', who: 'the choir', by: '2026-03-05T10:00', holds: 'release' };
  const job = await released();
  await imageAll(job);
  const version = async (): Promise<number> => Number((await planner.call('GET', `/api/jobs/${job}`)).body['version']);
  await planner.call('POST', `/api/jobs/${job}/revise`, { version: await version(), reason: 'new artwork' });
  await planner.call('POST', `/api/jobs/${job}/edits`, {
    version: await version(),
    edits: [{ at: ['gates', 'g1'], now: gate }],
    key: randomUUID(),
  });
  await planner.call('POST', `/api/jobs/${job}/answers`, { gate: 'g1', version: 'v2', answer: 'yes', note: '' });
  const held = await planner.call('POST', `/api/jobs/${job}/release`, { version: await version(), decisions: {}, reason: 'new artwork' });
  expect(held.status).toBe(422);
  expect(JSON.stringify(held.body['fields'])).toContain('Plates are v1, approval is v2');
});

describe('a tool that came into the store', () => {
  const entry = (more: object = {}) => ({
    key: randomUUID(),
    kind: 'cuttingDie',
    spec: 'sleeve, four up',
    version: '',
    widthMm: 700,
    heightMm: 500,
    life: 500_000,
    used: 12_000,
    place: 'die rack 3',
    owner: 'Marlock Dairy',
    number: null,
    ...more,
  });
  const enter = (body: object): Promise<Said> => store.call('POST', '/api/tool-cards', body);
  it('has a card of its kind, however often it is sent; whose it is stays when it is made again', async () => {
    const tool = entry();
    const first = await enter(tool);
    expect(first.body).toMatchObject({ kind: 'cuttingDie', state: 'stored', used: 12_000, owner: 'Marlock Dairy', job: null });
    expect(String(first.body['id'])).toMatch(/^D-\d+$/);
    expect((await enter(tool)).body['id']).toBe(first.body['id']);
    const id = String(first.body['id']);
    expect((await read(id)).log.map((l) => l.what)).toEqual(['entered']);
    await check(id, { smallestUm: null });
    expect((await read(id)).card).toMatchObject({ state: 'stored', checks: { scratches: false, wedge: 'none' } });
    const again = await store.call('POST', `/api/tool-cards/${id}/remake`, { key: randomUUID(), reason: 'rules worn' });
    expect(again.body).toMatchObject({ owner: 'Marlock Dairy', used: 0, state: 'planned', replaces: id });
    // Nobody set a price for a cutting die: none is made up.
    expect((await read(id)).log[0]).toMatchObject({ what: 'remake', cost: null });
  });
  it.each(['engravedDie', 'screen', 'cylinder', 'foilDie', 'plate'])('may be any kind of form: %s', async (kind) => {
    expect((await enter(entry({ kind }))).body).toMatchObject({ kind, state: 'stored' });
  });
  it('names a job of the house, or none; what is missing is said by its field', async () => {
    const job = await released();
    const { number } = (await cardsOf(job))[0]!;
    expect((await enter(entry({ number }))).body).toMatchObject({ job, number });
    const refused = async (more: object): Promise<unknown> => (await enter(entry(more))).body['fields'];
    expect(await refused({ number: 999_999 })).toEqual([{ path: 'number', says: '999999 is no job of the house' }]);
    expect(await refused({ spec: 'x' })).toEqual([{ path: 'spec', says: 'says what it carries' }]);
    expect(await refused({ life: 0 })).toEqual([{ path: 'life', says: 'must be at least 1' }]);
    expect((await planner.call('POST', '/api/tool-cards', entry())).status).toBe(200);
    expect((await (await server.signedIn('ink')).call('POST', '/api/tool-cards', entry())).status).toBe(403);
  });
});
