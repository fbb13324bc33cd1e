import { randomUUID } from 'node:crypto';
import type { StockLine } from '@druckerei/contract';
import { Client, type Said, TestServer } from '../test-server.fixture';

const server = new TestServer();
let planner: Client;
let store: Client;
beforeAll(async () => {
  await server.start();
  [planner, store] = [await server.signedIn('planner'), await server.signedIn('store')];
});
afterAll(() => server.stop());

const STOCK = 'ivory300-520x720-short';
const LOT = 'L-1044';
/** What an order of the fixture pulls. */
const PULLED = 'ivory300-520x720';
const line = async (stock = STOCK): Promise<StockLine> =>
  ((await store.call('GET', '/api/stock')).body['lines'] as StockLine[]).find((l) => l.stock === stock) as StockLine;
const move = (lot: string, body: object): Promise<Said> =>
  store.call('POST', `/api/lots/${lot}/moves`, { key: randomUUID(), quantity: 0, note: '', ...body });
const reserve = (job: string, quantity: number, id = randomUUID(), lot = LOT): Promise<Said> =>
  store.call('POST', '/api/reservations', { id, job, lot, quantity });
const shelfLot = async (job: string, lot = LOT): Promise<number> =>
  ((await planner.call('GET', `/api/jobs/${job}`)).body['shelf'] as { lots: Record<string, { quantity: number }> }).lots[lot]?.quantity ??
  0;
const held = async (lot: string): Promise<number> =>
  (await server.db.query<{ q: number }>('select quantity as q from lots where id = $1', [lot])).rows[0]?.q ?? 0;

describe('lots', () => {
  it('move in and out, and the lot holds what all movements come to', async () => {
    const before = await held(LOT);
    await move(LOT, { kind: 'issue', quantity: 500, note: 'to the press' });
    await move(LOT, { kind: 'return', quantity: 40 });
    expect(await held(LOT)).toBe(before - 460);
  });
  it('move once when it is sent twice', async () => {
    const before = await held(LOT);
    const key = randomUUID();
    for (let i = 0; i < 2; i++) await store.call('POST', `/api/lots/${LOT}/moves`, { key, kind: 'issue', quantity: 10, note: '' });
    expect(await held(LOT)).toBe(before - 10);
  });
  it('give nothing out that is not there', async () => {
    const refused = await move(LOT, { kind: 'issue', quantity: 1_000_000 });
    expect(refused.status).toBe(422);
    expect(refused.body['fields']).toEqual([{ path: 'quantity', says: 'is more than the lot holds' }]);
  });
  it('are recounted with a reason; the measured caliper reaches every shelf', async () => {
    expect((await move(LOT, { kind: 'recount', quantity: 5_000 })).status).toBe(400);
    expect((await move(LOT, { kind: 'recount', quantity: 5_000, note: 'counted by hand' })).body).toMatchObject({ quantity: 5_000 });
    await move(LOT, { kind: 'measure', caliperUm: 411 });
    const job = await planner.order();
    expect(((await planner.call('GET', `/api/jobs/${job}`)).body['shelf'] as { lots: object }).lots).toMatchObject({
      [LOT]: { caliperUm: 411 },
    });
  });
  it('take a wrong movement back by a counter-entry, once', async () => {
    const before = await held(LOT);
    await move(LOT, { kind: 'issue', quantity: 700 });
    const [last] = (await store.call('GET', `/api/lots/${LOT}/moves`)).body as unknown as { id: string }[];
    for (let i = 0; i < 2; i++) await move(LOT, { kind: 'counter', takesBack: last?.id, note: 'wrong lot' });
    expect(await held(LOT)).toBe(before);
    await expect(server.db.query('update lot_moves set quantity = 1')).rejects.toThrow(/permission denied/);
  });
  it('of customers come in, and go back; the works’ own do not', async () => {
    const id = 'C-1';
    const made = await store.call('POST', '/api/lots', {
      id,
      stock: STOCK,
      quantity: 800,
      owner: 'customer',
      place: 'rack A1',
      key: randomUUID(),
      note: 'sent by the choir',
    });
    expect(made.body).toMatchObject({ id, quantity: 800, owner: 'customer' });
    expect((await line()).customers).toBe(800);
    expect((await move(id, { kind: 'back', quantity: 800 })).body).toMatchObject({ quantity: 0 });
    expect((await move(LOT, { kind: 'back', quantity: 1 })).status).toBe(400);
  });
  it('have names of their own, and a stock card', async () => {
    const lot = { stock: STOCK, quantity: 1, owner: 'works', place: '', note: '' };
    expect((await store.call('POST', '/api/lots', { ...lot, id: LOT, key: randomUUID() })).body['fields']).toEqual([
      { path: 'id', says: 'is a lot that is there already' },
    ]);
    expect((await store.call('POST', '/api/lots', { ...lot, id: 'L-9', stock: 'boat', key: randomUUID() })).status).toBe(400);
    expect(await held(LOT)).toBe(5_000);
  });
  it('are cut to a smaller size of their grade, and to no other', async () => {
    const before = await held('L-1060');
    const key = randomUUID();
    const cut = (stock: string): Promise<Said> =>
      store.call('POST', '/api/lots/L-1060/trim', { key, stock, sheets: 100, lot: 'L-2000', place: 'rack C3' });
    expect((await cut(STOCK)).status).toBe(400);
    expect((await cut('gloss150-450x640')).body).toMatchObject({ id: 'L-2000', stock: 'gloss150-450x640', quantity: 200 });
    await cut('gloss150-450x640');
    expect(await held('L-1060')).toBe(before - 100);
    expect(await held('L-2000')).toBe(200);
  });
});

describe('reservations', () => {
  it('are kept from other jobs, not from their own', async () => {
    const [mine, other] = [await planner.order(1_000), await planner.order(1_000)];
    const all = await shelfLot(mine);
    const id = randomUUID();
    expect((await reserve(mine, 1_500, id)).body).toMatchObject({ id, quantity: 1_500, lot: LOT });
    await reserve(mine, 1_500, id);
    expect(await shelfLot(mine)).toBe(all);
    expect(await shelfLot(other)).toBe(all - 1_500);
    expect((await line()).reserved).toBe(1_500);
    expect((await store.call('POST', `/api/reservations/${id}/free`, { reason: 'job is off' })).status).toBe(200);
    expect(await shelfLot(other)).toBe(all);
  });
  it('promise no more than is free, however many ask at once', async () => {
    const job = await planner.order(1_000);
    const all = await held(LOT);
    const asked = await Promise.all(Array.from({ length: 6 }, () => reserve(job, Math.floor(all / 3))));
    expect(asked.filter((a) => a.status === 200)).toHaveLength(3);
    const refused = asked.find((a) => a.status === 400);
    expect(JSON.stringify(refused?.body['fields'])).toMatch(/is more than the \d+ of this lot that are free/);
  });
  it('end when the sheets are issued to the job', async () => {
    const job = await planner.order(1_000);
    await store.call('POST', '/api/lots', {
      id: 'L-3',
      stock: STOCK,
      quantity: 900,
      owner: 'works',
      place: '',
      key: randomUUID(),
      note: '',
    });
    await reserve(job, 600, randomUUID(), 'L-3');
    expect((await move('L-3', { kind: 'issue', quantity: 600, job })).body).toMatchObject({ quantity: 300, reserved: 0 });
  });
});

describe('what to order', () => {
  it('is what open jobs lack, at the best break, in time; and nothing once it is ordered', async () => {
    const job = await planner.order(400_000);
    const short = (await line(PULLED)).shortage;
    expect((await line(PULLED)).wanted).toBeGreaterThan(50_000);
    expect(short?.short).toBeGreaterThan(0);
    expect(short?.orderByS).toBeLessThan(short?.firstByS ?? 0);
    const buy = (await line(PULLED)).buy;
    expect(buy?.quantity).toBeGreaterThanOrEqual(short?.short ?? Infinity);
    await store.call('POST', '/api/purchases', {
      id: randomUUID(),
      stock: PULLED,
      quantity: buy?.quantity,
      comesOn: '2026-03-09',
      note: 'the mill',
    });
    expect(await line(PULLED)).toMatchObject({ coming: buy?.quantity, shortage: null, buy: null });
    // What is on its way moves the ready date of the job that waits for it.
    const shelf = (await planner.call('GET', `/api/jobs/${job}`)).body['shelf'] as { coming: Record<string, [number, number][]> };
    expect(shelf.coming[PULLED]).toEqual([[Date.UTC(2026, 2, 10) / 1000, buy?.quantity]]);
  });
  it('lasts as many weeks as delivered jobs let it; of what none used nothing is said', async () => {
    expect(await line(PULLED)).toMatchObject({ usedAWeek: 0, weeks: null });
    const job = await planner.order(10_000);
    await server.db.query(`update jobs set state = 'delivered', delivered_at = to_timestamp($2) where id = $1`, [
      job,
      server.now - 4 * 604_800,
    ]);
    const { usedAWeek, weeks, free } = await line(PULLED);
    const { rows } = await server.db.query<{ used: number }>(
      `select sum((n ->> 'quantity')::float8) as used from jobs, jsonb_array_elements(summary -> 'needs') n where id = $1 and n ->> 'stock' = $2`,
      [job, PULLED],
    );
    // Four weeks since the first of them.
    expect(usedAWeek).toBeCloseTo((rows[0]?.used ?? 0) / 4, 6);
    expect(weeks).toBeCloseTo(Math.max(free, 0) / usedAWeek, 6);
  });
  it('is received as a lot, or will not come', async () => {
    const purchase = ((await store.call('GET', '/api/stock')).body['purchases'] as { id: string; quantity: number }[])[0];
    await store.call('POST', '/api/lots', {
      id: 'L-4',
      stock: PULLED,
      quantity: purchase?.quantity,
      owner: 'works',
      place: 'rack B4',
      key: randomUUID(),
      note: '',
      purchase: purchase?.id,
    });
    expect((await line(PULLED)).coming).toBe(0);
    const id = randomUUID();
    await store.call('POST', '/api/purchases', { id, stock: PULLED, quantity: 100, comesOn: '2026-03-09', note: '' });
    await store.call('POST', `/api/purchases/${id}/cancel`);
    expect((await line(PULLED)).coming).toBe(0);
  });
  it('offers to cut a larger size of the grade', async () => {
    await planner.order(1_000);
    const { rows } = await server.db.query<{ id: string }>(`select id from jobs order by number desc limit 1`);
    const version = Number((await planner.call('GET', `/api/jobs/${String(rows[0]?.id)}`)).body['version']);
    await planner.call('POST', `/api/jobs/${String(rows[0]?.id)}/edits`, {
      version,
      key: randomUUID(),
      edits: [
        { at: ['products', 'card', 'wish', 'grade'], now: 'Gloss coated 150' },
        { at: ['choices', 'stock', 'card.card'], now: 'gloss150-450x640' },
        { at: ['items', 'i1', 'versions', 'only', 'quantity'], now: 60_000 },
      ],
    });
    const small = await line('gloss150-450x640');
    expect(small.shortage?.short).toBeGreaterThan(0);
    expect(small.trims).toContainEqual(expect.objectContaining({ from: 'gloss150-640x900', fromOne: 2 }));
  });
});

describe('tools', () => {
  it('name the jobs that used them, the newest first', async () => {
    const job = await planner.order(2_000);
    const foils = (
      (await planner.call('GET', `/api/jobs/${job}`)).body['spec'] as { products: { card: { wish: { foils: Record<string, object> } } } }
    ).products.card.wish.foils;
    const [area = ''] = Object.keys(foils);
    await planner.call('POST', `/api/jobs/${job}/edits`, {
      version: 1,
      key: randomUUID(),
      edits: [{ at: ['products', 'card', 'wish', 'foils', area, 'tool'], now: 'F-031' }],
    });
    const tools = (await planner.call('GET', '/api/tools')).body as unknown as { id: string; jobs: { job: string }[] }[];
    expect(tools.find((t) => t.id === 'F-031')?.jobs[0]?.job).toBe(job);
    expect(tools.find((t) => t.id === 'F-018')?.jobs).toEqual([]);
  });
});
