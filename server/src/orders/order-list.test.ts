import { randomUUID } from 'node:crypto';
import { cardSpec } from '../../../core/src/plan/line-1.fixture';
import { type Client, TestServer } from '../test-server.fixture';
import { afterOf, chosenBy, cursorOf, wordsOf } from './order-list';

const server = new TestServer();
let planner: Client;
const customers = ['Botanic garden', 'Choir of the harbour', 'Dairy'].map((name) => ({ id: randomUUID(), name }));
beforeAll(async () => {
  await server.start();
  planner = await server.signedIn('planner');
  for (const c of customers) await planner.call('POST', '/api/customers', { ...c, address: '' });
  // Dates fall together on purpose: a page must neither lose nor repeat what shares its key.
  for (let i = 0; i < 12; i++) {
    const spec = cardSpec(1000 + i);
    spec.name = `${i % 2 === 0 ? 'Winter' : 'Summer'} card ${i}`;
    spec.items['i1']!.deliveries = i % 4 === 3 ? [] : [{ by: `2026-03-${20 + (i % 3)}T14:00`, share: { only: 1000 + i }, to: 'Quay 1' }];
    await planner.call('POST', '/api/orders', { id: randomUUID(), customer: customers[i % 3]!.id, spec });
  }
});
afterAll(() => server.stop());

interface Row {
  job: string;
  number: number;
  customer: string;
  dueAt: number | null;
  title: string;
}
const page = async (query: string): Promise<{ rows: Row[]; next: string | null }> =>
  (await planner.call('GET', `/api/orders?${query}`)).body as unknown as { rows: Row[]; next: string | null };
const all = async (query: string, rows: number): Promise<Row[]> => {
  const read: Row[] = [];
  for (let next: string | null = ''; next !== null;) {
    const got = await page(`${query}&rows=${rows}${next ? `&after=${next}` : ''}`);
    expect(got.rows.length).toBeLessThanOrEqual(rows);
    read.push(...got.rows);
    next = got.next;
  }
  return read;
};

describe('the list in pages', () => {
  it.each(['due', 'customer', 'newest'])('sorted by %s loses nothing and repeats nothing, however long a page is', async (sort) => {
    const whole = await all(`sort=${sort}`, 200);
    expect(whole).toHaveLength(12);
    for (const rows of [1, 5, 12]) expect((await all(`sort=${sort}`, rows)).map((r) => r.job)).toEqual(whole.map((r) => r.job));
  });
  it('is in the order it says', async () => {
    const due = (await all('sort=due', 200)).map((r) => r.dueAt ?? Infinity);
    expect(due).toEqual([...due].sort((a, b) => a - b));
    expect(due.filter((d) => d === Infinity)).toHaveLength(3);
    const by = (await all('sort=customer', 200)).map((r) => r.customer);
    expect(by).toEqual([...by].sort());
    const numbers = (await all('sort=newest', 200)).map((r) => r.number);
    expect(numbers).toEqual([...numbers].sort((a, b) => b - a));
  });
  it('goes on where it was, though an order was entered meanwhile', async () => {
    const first = await page('sort=customer&rows=4');
    const spec = cardSpec(77);
    spec.name = 'Entered meanwhile';
    await planner.call('POST', '/api/orders', { id: randomUUID(), customer: customers[0]!.id, spec });
    const rest = await page(`sort=customer&rows=200&after=${first.next ?? ''}`);
    const jobs = [...first.rows, ...rest.rows].map((r) => r.job);
    expect(new Set(jobs).size).toBe(jobs.length);
    expect(rest.rows.filter((r) => r.title === 'Entered meanwhile').length).toBeLessThanOrEqual(1);
  });
  it.each(['no-cursor', Buffer.from('["x"]').toString('base64url'), Buffer.from('[1,"2"]').toString('base64url')])(
    'refuses a place that is none: %s',
    async (after) => {
      const r = await planner.call('GET', `/api/orders?after=${after}`);
      expect(r.status).toBe(400);
      expect((r.body['fields'] as { path: string }[])[0]?.path).toBe('after');
    },
  );
});

describe('finding and choosing', () => {
  it.each([
    ['a word of the title', 'winter', 6],
    ['how a word begins', 'sum', 6],
    ['two words, in any order', 'choir winter', 2],
    ['capitals or not', 'BOTANIC', 5],
    ['nothing of the kind', 'gravure', 0],
    ['signs a search would read', '!:* & |', 0],
    ['a quote that ends a statement', "'; drop table jobs; --", 0],
  ])('finds by %s', async (_name, find, many) => {
    expect((await page(`find=${encodeURIComponent(find)}`)).rows).toHaveLength(many);
  });
  it('chooses by state, and sums over all that is chosen, not over a page', async () => {
    const whole = (await planner.call('GET', '/api/orders/totals')).body as { orders: number; sheets: number; undecided: number };
    const drafts = (await planner.call('GET', '/api/orders/totals?state=draft')).body;
    expect(whole.orders).toBe(13);
    expect(drafts).toEqual(whole);
    expect((await planner.call('GET', '/api/orders/totals?state=released')).body['orders']).toBe(0);
    const rows = (await page('rows=200')).rows as unknown as { summary: { pulled: number; undecided: number } }[];
    expect(whole.sheets).toBe(rows.reduce((sum, r) => sum + r.summary.pulled, 0));
    expect(whole.undecided).toBe(rows.reduce((sum, r) => sum + r.summary.undecided, 0));
  });
  it('calls a job blocked when its last saved plan is', async () => {
    const [row] = (await page('sort=newest&rows=1')).rows;
    await planner.call('POST', `/api/jobs/${row!.job}/edits`, {
      version: 1,
      key: randomUUID(),
      edits: [{ at: ['choices', 'settings', 'card.card.fold', 'score'], now: 'none' }],
    });
    expect((await page('state=blocked')).rows.map((r) => r.job)).toEqual([row!.job]);
  });
});

describe('words and places', () => {
  it.each([
    ['Winter  card', 'winter:* & card:*'],
    ["o'brien", 'o:* & brien:*'],
    ['  ', ''],
    ['Größe-9', 'größe:* & 9:*'],
  ])('%s becomes words of which each begins one', (typed, words) => {
    expect(wordsOf(typed)).toBe(words);
  });
  it('a place comes back as it was named', () => {
    expect(afterOf(cursorOf('Müller & “Co”', 2417))).toEqual(['Müller & “Co”', 2417]);
  });
  it('a text without a letter finds nothing, no text finds all', () => {
    expect(chosenBy({ find: '?!' }, 7)[0]).toBe('nothing & !nothing');
    expect(chosenBy({}, 7)).toEqual(['', ['draft', 'part', 'released', 'revising'], 'any', 7]);
    expect(chosenBy({ state: 'blocked' }, 7)).toEqual(['', ['draft', 'part', 'revising'], 'blocked', 7]);
  });
});

describe('what is late', () => {
  it('is due before it is ready, or due before now and not delivered; what has no date is not', async () => {
    const spec = cardSpec(900);
    spec.name = 'Late card';
    spec.items['i1']!.deliveries = [{ by: '2026-03-02T08:00', share: { only: 900 }, to: 'Quay 1' }];
    await planner.call('POST', '/api/orders', { id: randomUUID(), customer: customers[0]!.id, spec });
    expect((await all('sort=due&state=late', 200)).map((r) => r.title)).toEqual(['Late card']);
    const totals = (await planner.call('GET', '/api/orders/totals?state=late')).body as unknown as { orders: number };
    expect(totals.orders).toBe(1);
  });
});
