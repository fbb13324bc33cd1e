import type { ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { type APIRequestContext, expect, type Page, test } from '../house';
import { cardSpec } from '../../core/src/plan/line-1.fixture';
import { enterOrder, signIn, type } from '../sign-in';
import { own, type Own } from '../own-server';

/* What goes wrong while people work: each is played on a server and database of its own. */

let house: Own;
test.beforeAll(async () => {
  house = await own('faults', { SILENT_S: '3' });
});
test.afterAll(async () => {
  await house.end();
});
const at = (page: Page): Promise<void> => signIn(page, 'anselm', 'paper-river-24', house.base);
const saved = (page: Page): Promise<void> => expect(page.getByText('saved', { exact: true })).toBeVisible();

test('the database goes away while editing: the page says so, keeps the input, and saves when it is back', async ({ page }) => {
  await at(page);
  await enterOrder(page, 'Interrupted card');
  await saved(page);
  house.stopDatabase();
  await type(page, 'Quantity', '7777');
  await expect(page.getByText(/The database does not answer|The server does not answer/)).toBeVisible();
  await page.waitForTimeout(5_000);
  await expect(page.getByRole('button', { name: /^Quantity, 7\s?777/ })).toBeVisible();
  await house.startDatabase();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Quantity, 7\s?777/ })).toBeVisible();
});

test('the server is killed and started again while editing: nothing typed is lost', async ({ page }) => {
  await at(page);
  await enterOrder(page, 'Restarted card');
  await saved(page);
  await house.killServer();
  await type(page, 'Quantity', '6666');
  await expect(page.getByText(/kept here/).first()).toBeVisible();
  await house.startServer();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Quantity, 6\s?666/ })).toBeVisible();
});

test('the same person in two tabs: both show what is saved in either', async ({ page, context }) => {
  await at(page);
  await enterOrder(page, 'Two tabs');
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('button', { name: /^Quantity, 10\s?000/ })).toBeVisible();
  await type(other, 'Quantity', '4444');
  await expect(page.getByRole('button', { name: /^Quantity, 4\s?444/ })).toBeVisible();
  await type(page, 'Title', 'Two tabs, one job');
  await expect(other.getByRole('button', { name: /^Title, Two tabs, one job/ })).toBeVisible();
});

test('two server processes on one database: an edit through one reaches the browser at the other', async ({ page, browser }) => {
  const second = await house.anotherServer();
  try {
    await at(page);
    await enterOrder(page, 'Two servers');
    await saved(page);
    const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await signIn(other, 'runa', 'paper-river-25', second.base);
    await other.getByRole('link', { name: 'Two servers' }).first().click();
    await type(other, 'Quantity', '3333');
    await expect(page.getByRole('button', { name: /^Quantity, 3\s?333/ })).toBeVisible();
    await expect(page.getByText('runa changed meanwhile:')).toBeVisible();
  } finally {
    await second.stop();
  }
});

test('an answering process that is killed: the port answers on, and another begins in its place', async () => {
  await house.killServer();
  await house.startServer({ PROCESSES: '2' });
  const answers = (): Promise<boolean> =>
    fetch(`${house.base}/healthz`, { headers: { connection: 'close' }, signal: AbortSignal.timeout(10_000) }).then(
      (said) => said.ok,
      () => false,
    );
  const before = house.processes();
  expect(before).toHaveLength(2);
  process.kill(before[0] ?? 0, 'SIGKILL');
  for (let i = 0; i < 40; i++) expect(await answers()).toBe(true);
  await expect.poll(() => house.processes().filter((pid) => !before.includes(pid)).length).toBe(1);
  await expect.poll(answers).toBe(true);
  expect(house.processes()).toContain(before[1]);
  // One that ends while the database is away begins as soon as it is back.
  house.stopDatabase();
  process.kill(before[1] ?? 0, 'SIGKILL');
  await new Promise((resolve) => setTimeout(resolve, 4_000));
  await house.startDatabase();
  await expect.poll(() => house.processes().length).toBe(2);
  await expect.poll(answers).toBe(true);
  await house.killServer();
  await house.startServer();
});

/** Talks to the server as a planner, without a page. */
async function talk(
  request: APIRequestContext,
): Promise<(method: 'get' | 'post', path: string, data?: unknown) => Promise<Record<string, unknown>>> {
  const call = async (method: 'get' | 'post', path: string, data?: unknown): Promise<Record<string, unknown>> => {
    const res = await request[method](house.base + path, {
      ...(data !== undefined && { data }),
      headers: { 'sec-fetch-site': 'same-origin' },
    });
    expect(res.ok(), `${path}: ${await res.text()}`).toBe(true);
    return (await res.json()) as Record<string, unknown>;
  };
  await call('post', '/api/session', { name: 'anselm', password: 'paper-river-24' });
  return call;
}
type Call = Awaited<ReturnType<typeof talk>>;
/** An order of small pieces on a large sheet: many states for a search to look into. */
async function smallPieces(call: Call): Promise<string> {
  const customer = randomUUID();
  await call('post', '/api/customers', { id: customer, name: `Patient ${customer}`, address: '' });
  const wish = { openWidthMm: 83, openHeightMm: 52, folds: 0, front: ['K'], back: [], bleedMm: 1, grain: 'free' };
  const spec = { ...cardSpec(5_000), products: { card: { kind: 'made', family: 'folded-card', wish } } };
  return String((await call('post', '/api/orders', { id: randomUUID(), customer, spec }))['job']);
}

/** Releases a job; what must be decided is. */
async function releaseOf(request: APIRequestContext, job: string): Promise<void> {
  const ask = (decisions: object) =>
    request.post(`${house.base}/api/jobs/${job}/release`, {
      data: { version: 1, decisions },
      headers: { 'sec-fetch-site': 'same-origin' },
    });
  const tried = await ask({});
  if (tried.ok()) return;
  const { fields } = (await tried.json()) as { fields: { path: string }[] };
  expect((await ask(Object.fromEntries(fields.map((f) => [f.path, 'agreed'])))).ok()).toBe(true);
}

test('a worker killed in mid-search: another takes the searches over and ends them, and the board that was accepted stands', async ({
  request,
}) => {
  await house.killServer();
  await house.startServer({ WORKERS: '0' });
  const call = await talk(request);
  const job = await smallPieces(call);
  await releaseOf(request, await smallPieces(call));
  const { nr } = await call('get', '/api/board');
  const first = house.worker();
  const ids = Array.from({ length: 3 }, () => randomUUID());
  for (const id of ids.slice(1)) await call('post', '/api/tasks/layout', { id, job, version: 1, part: 'card.card' });
  await call('post', '/api/board/search', { id: ids[0], base: nr });
  const states = async (): Promise<{ state: string; attempt: number }[]> =>
    Promise.all(ids.map((id) => call('get', `/api/tasks/${id}`))) as unknown as Promise<{ state: string; attempt: number }[]>;
  await expect.poll(async () => (await states()).some((t) => t.state === 'running'), { timeout: 30_000, intervals: [50] }).toBe(true);
  first.kill('SIGKILL');
  const left = (await states()).filter((t) => t.state === 'running').length;
  const second = house.worker();
  try {
    await expect.poll(async () => (await states()).map((t) => t.state), { timeout: 120_000 }).toEqual(['done', 'done', 'done']);
    expect((await call('get', '/api/board'))['nr']).toBe(nr);
    if (left > 0) expect((await states()).some((t) => t.attempt > 1)).toBe(true);
  } finally {
    await ended(second);
  }
  await house.killServer();
  await house.startServer();
});

test('a search whose worker is killed five times is over, says why, and may be begun anew', async ({ request }) => {
  await house.killServer();
  await house.startServer({ WORKERS: '0' });
  const call = await talk(request);
  const job = await smallPieces(call);
  const id = randomUUID();
  await call('post', '/api/tasks/layout', { id, job, version: 1, part: 'card.card' });
  const task = (): Promise<{ state?: unknown; attempt?: unknown; says?: unknown }> => call('get', `/api/tasks/${id}`);
  for (let attempt = 1; attempt <= 5; attempt++) {
    const worker = house.worker();
    await expect
      .poll(
        async () => {
          const { state, attempt: now } = await task();
          return [state, now];
        },
        { intervals: [30] },
      )
      .toEqual(['running', attempt]);
    worker.kill('SIGKILL');
  }
  const last = house.worker();
  try {
    await expect.poll(async () => (await task()).state).toBe('failed');
    expect((await task()).says).toContain('Begin it anew');
    const anew = randomUUID();
    await call('post', '/api/tasks/layout', { id: anew, job, version: 1, part: 'card.card' });
    await expect.poll(async () => (await call('get', `/api/tasks/${anew}`))['state'], { timeout: 120_000 }).toBe('done');
  } finally {
    await ended(last);
  }
  await house.killServer();
  await house.startServer();
});

test('a database away for twelve seconds during a search ends neither the server nor the search', async ({ request }) => {
  await house.killServer();
  await house.startServer();
  const call = await talk(request);
  const job = await smallPieces(call);
  const id = randomUUID();
  await call('post', '/api/tasks/layout', { id, job, version: 1, part: 'card.card' });
  house.stopDatabase();
  await new Promise((resolve) => setTimeout(resolve, 12_000));
  await house.startDatabase();
  const health = async (): Promise<number> => (await request.get(`${house.base}/healthz`)).status();
  await expect.poll(health, { timeout: 60_000 }).toBe(200);
  await expect.poll(async () => (await call('get', `/api/tasks/${id}`))['state'], { timeout: 120_000 }).toBe('done');
  // And the queue goes on: what is asked now is done as well.
  const next = randomUUID();
  await call('post', '/api/tasks/layout', { id: next, job, version: 1, part: 'card.card' });
  await expect.poll(async () => (await call('get', `/api/tasks/${next}`))['state'], { timeout: 120_000 }).toBe('done');
});

test('what was saved survives a backup, a loss of everything, and a restore: same plans by name', async ({ request }, info) => {
  const file = info.outputPath('house.backup');
  const call = await talk(request);
  await smallPieces(call);
  // Orders keep coming while it is made: rows and counts are of one moment all the same.
  const made = new AbortController();
  const orders = (async () => {
    while (!made.signal.aborted) await smallPieces(call);
  })();
  const before = await house.backup(file);
  made.abort();
  await orders;
  expect(before.counts['jobs']).toBeGreaterThan(0);
  expect(Object.keys(before.counts).length).toBeGreaterThan(45);
  const damaged = info.outputPath('damaged.backup');
  const bytes = readFileSync(file);
  bytes[bytes.length - 1_000] = (bytes[bytes.length - 1_000] ?? 0) ^ 1;
  writeFileSync(damaged, bytes);
  await expect(house.restore(damaged)).rejects.toThrow(/is damaged/);
  await house.killServer();
  house.dropDatabase();
  await house.startServer();
  expect((await (await request.get(`${house.base}/healthz`)).json()) as object).toEqual({ ok: true });
  await house.killServer();
  const after = await house.restore(file);
  expect(after.counts).toEqual(before.counts);
  expect(after.plans).toBe(before.plans);
  await house.startServer();
  await expect(house.restore(`${import.meta.dirname}/faults.spec.ts`)).rejects.toThrow(/is no backup of this program/);
  await expect(house.restore(house.newer(file, info.outputPath('newer.backup')))).rejects.toThrow(/restore it with the newer program/);
});

const ended = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    child.once('exit', () => {
      resolve();
    });
    child.kill('SIGTERM');
  });
