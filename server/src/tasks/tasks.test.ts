import { randomUUID } from 'node:crypto';
import type { Task } from '@druckerei/contract';
import { Client, type Said, TestServer } from '../test-server.fixture';
import { readOrders } from './read-orders';
import { isPassing } from './runner';

const server = new TestServer();
let planner: Client;
beforeAll(async () => {
  await server.start();
  planner = await server.signedIn('planner');
});
afterAll(() => server.stop());

const task = async (id: string): Promise<Task> => (await planner.call('GET', `/api/tasks/${id}`)).body as unknown as Task;
const until = async (id: string, is: (t: Task) => boolean): Promise<Task> => {
  for (let i = 0; i < 300; i++) {
    const t = await task(id);
    if (is(t)) return t;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error(`still ${JSON.stringify(await task(id))}`);
};
const isOver = (t: Task): boolean => ['done', 'failed', 'cancelled'].includes(t.state);
const layout = (job: string, id = randomUUID(), part = 'card.card'): Promise<Said> =>
  planner.call('POST', '/api/tasks/layout', { id, job, version: 1, part });
const HEAD = 'customer,product,line,quantity,due,openWidthMm';
const csv = (rows: string[]): string => [HEAD, ...rows].join('\n');
const send = (text: string): Promise<Said> =>
  planner.call('POST', '/api/imports', text, { 'sec-fetch-site': 'same-origin', 'content-type': 'text/csv' });

describe('long work', () => {
  it('waits until somebody works, tells how far it is, and brings its result', async () => {
    const job = await planner.order();
    const id = randomUUID();
    expect((await layout(job, id)).body).toMatchObject({ state: 'waiting', kind: 'layout', attempt: 0 });
    expect((await layout(job, id)).body).toMatchObject({ id });
    await server.work();
    const over = await until(id, isOver);
    expect(over).toMatchObject({ state: 'done', attempt: 1, result: { part: 'card.card' } });
    expect((over.result as { found: number; bound: number }).found).toBeGreaterThan(0);
  });
  it('fails in words for a part that is not there', async () => {
    const id = randomUUID();
    await layout(await planner.order(), id, 'boat');
    expect(await until(id, isOver)).toMatchObject({ state: 'failed', says: 'This part has no sheet to be laid on.' });
  });
  it('is stopped by who asked for it, not by another planner', async () => {
    const id = randomUUID();
    const sheet = await planner.order();
    await planner.call('POST', `/api/jobs/${sheet}/edits`, {
      version: 1,
      key: randomUUID(),
      edits: [
        {
          at: ['products', 'card', 'wish'],
          now: { openWidthMm: 53, openHeightMm: 31, folds: 0, front: ['K'], back: [], bleedMm: 0, grain: 'free' },
        },
      ],
    });
    await planner.call('POST', '/api/tasks/layout', { id, job: sheet, version: 2, part: 'card.card' });
    const somebody = await server.signedIn('press');
    expect((await somebody.call('POST', `/api/tasks/${id}/cancel`)).status).toBe(403);
    await server.db.query(`update users set roles = '{planner}' where name = 'ilse'`);
    expect((await (await server.signedIn('store')).call('POST', `/api/tasks/${id}/cancel`)).status).toBe(403);
    await planner.call('POST', `/api/tasks/${id}/cancel`);
    expect(['cancelled', 'done']).toContain((await until(id, isOver)).state);
  });
  it('that waits is cancelled before it begins', async () => {
    const other = await new TestServer().start();
    try {
      const c = await other.signedIn('planner');
      const id = randomUUID();
      await c.call('POST', '/api/tasks/layout', { id, job: await c.order(), version: 1, part: 'card.card' });
      await c.call('POST', `/api/tasks/${id}/cancel`);
      expect((await c.call('GET', `/api/tasks/${id}`)).body['state']).toBe('cancelled');
      await other.work();
      await new Promise((resolve) => setTimeout(resolve, 500));
      expect((await c.call('GET', `/api/tasks/${id}`)).body).toMatchObject({ state: 'cancelled', attempt: 0 });
    } finally {
      await other.stop();
    }
  });
});

describe('an import', () => {
  it('tells what it would make, and makes nothing', async () => {
    const before = (await planner.call('GET', '/api/orders/totals')).body['orders'];
    const sent = await send(csv(['Harbour cafe,Menu,folded-card,2 000,2026-03-20,210', 'Harbour cafe,,boat,x,soon,9999']));
    expect(sent.status).toBe(200);
    expect(sent.body['preview']).toMatchObject({
      rows: 2,
      good: 1,
      badRows: 1,
      customersNew: ['Harbour cafe'],
      first: [{ line: 2, customer: 'Harbour cafe', title: 'Menu', quantity: 2_000, due: '2026-03-20T12:00' }],
      bad: [{ line: 3, issues: expect.arrayContaining([expect.objectContaining({ column: 'line' })]) as never }],
    });
    expect((await planner.call('GET', '/api/orders/totals')).body['orders']).toBe(before);
  });
  it('makes every good row an order, names every bad one, and makes none twice', async () => {
    const rows = Array.from({ length: 120 }, (_, i) => `Harbour ${i % 3},Flyer ${i},folded-card,${1_000 + i},2026-03-20,210`);
    const sent = await send(csv([...rows, 'Harbour 1,Bad,folded-card,0,2026-03-20,210']));
    const file = String(sent.body['file']);
    const id = randomUUID();
    await planner.call('POST', '/api/tasks/import', { id, file });
    const over = await until(id, isOver);
    expect(over).toMatchObject({ state: 'done', result: { made: 120, customers: 3 } });
    expect((over.result as { bad: { line: number }[] }).bad).toEqual([
      { line: 122, issues: [{ column: 'quantity', says: 'must be at least 1' }] },
    ]);
    const listed = (await planner.call('GET', '/api/orders?find=flyer&rows=200')).body['rows'] as {
      title: string;
      quantity: number;
      customer: string;
    }[];
    expect(listed).toHaveLength(120);
    expect(listed.find((r) => r.title === 'Flyer 7')).toMatchObject({ quantity: 1_007, customer: 'Harbour 1' });
    // The same task again, as after a crash: everything is there already.
    await server.db.query(`update tasks set state = 'waiting', attempt = 0 where id = $1`, [id]);
    await server.db.query(`select queue.add_job('import', json_build_object('id', $1::text))`, [id]);
    await until(id, (t) => isOver(t) && t.attempt === 1);
    expect(((await planner.call('GET', '/api/orders?find=flyer&rows=200')).body['rows'] as object[]).length).toBe(120);
  });
  it('is an order like any other', async () => {
    const [row] = (await planner.call('GET', '/api/orders?find=flyer&rows=1')).body['rows'] as { job: string }[];
    const edited = await planner.call('POST', `/api/jobs/${String(row?.job)}/edits`, {
      version: 1,
      key: randomUUID(),
      edits: [{ at: ['name'], now: 'Renamed' }],
    });
    expect(edited.status).toBe(200);
  });
  it.each([
    ['nothing', '', 'The file is empty.'],
    ['a head alone', HEAD, 'There is no row below the first line'],
    ['a picture', '\u0000PNG', 'This is no text'],
    ['a quotation mark never closed', `${HEAD}\n"Harbour,Menu`, 'a quotation mark is opened and never closed'],
  ])(
    'refuses %s in words',
    async (_name, text, says) => {
      const sent = await send(text);
      expect(sent.status).toBe(422);
      expect(String(sent.body['detail'])).toContain(says);
    },
    40_000,
  );
  it('reads no file larger than it says', async () => {
    const sent = await send('x'.repeat(20_000_001));
    expect(sent.status).toBe(413);
  });
  it('takes a file from no other role', async () => {
    const c = await server.signedIn('press');
    expect((await c.call('POST', '/api/imports', 'x', { 'sec-fetch-site': 'same-origin', 'content-type': 'text/csv' })).status).toBe(403);
  });
});

describe('a file of orders', () => {
  it('finds out its separator, its mark and its empty lines', () => {
    const text = '\ufeffcustomer;product;line;quantity;due\r\nA;B;folded-card;100;2026-03-20\r\n\r\n';
    const read = readOrders(Buffer.from(text));
    expect(read.preview.good).toBe(1);
    expect(read.customers).toEqual(['A']);
  });
  it('names columns that mean nothing', () => {
    expect(readOrders(Buffer.from(`${HEAD},colour of the boat\nA,B,folded-card,100,2026-03-20,210,\n`)).preview.columnsIgnored).toEqual([
      'colour of the boat',
    ]);
  });
});

// Source: PostgreSQL, error codes.
it.each([
  ['a full disk', '53100', true],
  ['no connection left', '53300', true],
  ['a server that shuts down', '57P01', true],
  ['a row that is there already', '23505', false],
  ['a value out of its range', '22003', false],
])('%s (%s) is the database’s fault and the task is done again: %s', (_what, code, passing) => {
  expect(isPassing(Object.assign(new Error('refused'), { code }))).toBe(passing);
});
