import { randomUUID } from 'node:crypto';
import { api, type Endpoint, openApi } from '@druckerei/contract';
import { JobSpecSchema, PlantSchema, ShelfSchema } from '@druckerei/core';
import { plan } from '@druckerei/core/planning';
import { cardSpec } from '../../core/src/plan/line-1.fixture';
import { momentOf, openHours } from './plants/calendar';
import { Client, NOW, PASSWORDS, TestServer } from './test-server.fixture';

const server = new TestServer();
let planner: Client;
beforeAll(async () => {
  await server.start();
  planner = await server.signedIn('planner');
});
afterAll(() => server.stop());

const edit = (job: string, version: number, at: string[], now: unknown, key = randomUUID()) =>
  planner.call('POST', `/api/jobs/${job}/edits`, { version, key, edits: [{ at, now }] });
const decideAll = async (job: string): Promise<Record<string, string>> => {
  const r = await planner.call('POST', `/api/jobs/${job}/release`, { version: 1, decisions: {} });
  return Object.fromEntries(((r.body['fields'] ?? []) as { path: string }[]).map((f) => [f.path, 'agreed with the customer']));
};

describe('every endpoint × role', () => {
  const table = Object.entries(api as Record<string, Endpoint>);
  const request = (c: Client, e: Endpoint) => {
    const path = e.path.replace(/:(\w+)/g, (_, k: string) => e.example?.params?.[k] ?? '');
    const query = new URLSearchParams(e.example?.query).toString();
    return c.call(e.method.toUpperCase(), query ? `${path}?${query}` : path, e.example?.body);
  };
  it.each(table)('%s needs a person unless it is for anyone', async (_name, e) => {
    const { status } = await request(server.client(), e);
    if (e.who === 'anyone') expect(status).not.toBe(403);
    else expect(status).toBe(401);
  });
  it.each(table.filter(([, e]) => Array.isArray(e.who) && !e.who.includes('press')))(
    '%s is refused to the wrong role',
    async (_name, e) => {
      expect((await request(await server.signedIn('press'), e)).status).toBe(403);
    },
  );
  it.each(
    table.filter(
      ([name, e]) =>
        e.reply !== 'events' &&
        (e.who === 'signed-in' || (Array.isArray(e.who) && e.who.includes('planner'))) &&
        name !== 'session.signOut',
    ),
  )('%s is open to a planner', async (_name, e) => {
    expect([401, 403, 500]).not.toContain((await request(planner, e)).status);
  });
  it('describes itself as OpenAPI 3.1 with every path', async () => {
    const { body } = await planner.call('GET', '/api/openapi.json');
    expect(body).toEqual(JSON.parse(JSON.stringify(openApi(api))));
    expect(Object.keys(body['paths'] as object)).toEqual(expect.arrayContaining(['/api/jobs/{id}/edits', '/api/orders', '/api/session']));
  });
});

describe('sign-in', () => {
  it('answers wrong names and wrong passwords alike', async () => {
    const c = server.client();
    const [a, b] = [
      await c.call('POST', '/api/session', { name: 'anselm', password: 'no' }),
      await c.call('POST', '/api/session', { name: 'nobody-here', password: 'no' }),
    ];
    expect([a.status, b.status]).toEqual([401, 401]);
    expect(a.body['detail']).toBe(b.body['detail']);
  });
  it('sets a cookie no script can read, and a new id at every sign-in', async () => {
    const c = server.client();
    const first = await c.call('POST', '/api/session', { name: 'anselm', password: PASSWORDS.planner });
    const cookie = c.cookie;
    expect(first.headers.get('set-cookie')).toMatch(/HttpOnly/i);
    expect(first.headers.get('set-cookie')).toMatch(/SameSite=Lax/i);
    await c.call('POST', '/api/session', { name: 'anselm', password: PASSWORDS.planner });
    expect(c.cookie).not.toBe(cookie);
    const planted = server.client();
    planted.cookie = cookie;
    expect((await planted.call('GET', '/api/session')).status).toBe(401);
  });
  it('forgets a session that signed out', async () => {
    const c = await server.signedIn('store');
    const cookie = c.cookie;
    expect((await c.call('DELETE', '/api/session')).status).toBe(200);
    c.cookie = cookie;
    expect((await c.call('GET', '/api/session')).status).toBe(401);
  });
  it('keeps the units of a person for every screen he or she signs in at, and of nobody else', async () => {
    const c = await server.signedIn('store');
    expect((await c.call('GET', '/api/session')).body['units']).toBe('metric');
    expect((await c.call('PUT', '/api/session/units', { units: 'imperial' })).body).toMatchObject({ name: 'ilse', units: 'imperial' });
    expect((await (await server.signedIn('store')).call('GET', '/api/session')).body['units']).toBe('imperial');
    expect((await planner.call('GET', '/api/session')).body['units']).toBe('metric');
    expect((await c.call('PUT', '/api/session/units', { units: 'cubits' })).status).toBe(400);
  });
  it('never says a password, not even as a hash', async () => {
    const c = server.client();
    const { body } = await c.call('POST', '/api/session', { name: 'ilse', password: PASSWORDS.store });
    expect(Object.keys(body).sort()).toEqual(['fullName', 'initials', 'mustChange', 'name', 'roles', 'timeZone', 'units']);
  });
});

describe('the door', () => {
  it.each([
    ['another site', { 'sec-fetch-site': 'cross-site' }],
    ['another origin', { origin: 'http://elsewhere.example' }],
    ['a cookie with neither said', {}],
  ])('refuses a write from %s', async (_what, headers) => {
    expect(
      (await planner.call('POST', '/api/customers', { id: randomUUID(), name: 'X', address: '' }, headers as Record<string, string>))
        .status,
    ).toBe(403);
  });
  it('says what is wrong with JSON, size, address and fields', async () => {
    expect((await planner.call('POST', '/api/customers', '{"id":')).status).toBe(400);
    expect((await planner.call('POST', '/api/customers', { id: randomUUID(), name: 'x'.repeat(1_100_000), address: '' })).status).toBe(413);
    expect((await planner.call('GET', '/api/nothing-here')).status).toBe(404);
    const empty = await planner.call('POST', '/api/customers', { id: randomUUID(), name: ' ', address: '' });
    expect(empty.status).toBe(400);
    expect(empty.body['fields']).toEqual([{ path: 'name', says: 'is empty' }]);
    expect(empty.headers.get('content-type')).toContain('application/problem+json');
  });
  it.each([
    ['quantity of nothing', 'quantity', 0],
    ['a negative one', 'quantity', -5],
    ['half a piece', 'quantity', 1.5],
  ])('refuses %s with the field’s path', async (_w, _f, quantity) => {
    const spec = cardSpec();
    spec.items['i1']!.versions['only']!.quantity = quantity;
    const r = await planner.call('POST', '/api/orders', { id: randomUUID(), customer: randomUUID(), spec });
    expect(r.status).toBe(400);
    expect((r.body['fields'] as { path: string }[])[0]?.path).toBe('spec.items.i1.versions.only.quantity');
  });
  it('allows no inline or evaluated script', async () => {
    const csp = (await planner.call('GET', '/healthz')).headers.get('content-security-policy') ?? '';
    expect(csp).toContain("script-src 'self'");
    expect(csp).not.toMatch(/script-src[^;]*unsafe/);
  });
  it('stores script and SQL as the text they are', async () => {
    const name = `<script>alert(1)</script>'; drop table jobs; --`;
    const made = await planner.call('POST', '/api/customers', { id: randomUUID(), name, address: '' });
    expect(made.body['name']).toBe(name);
    expect((await planner.call('GET', '/api/orders')).status).toBe(200);
  });
});

describe('orders', () => {
  it('entered twice is one order', async () => {
    const customer = randomUUID();
    await planner.call('POST', '/api/customers', { id: customer, name: `Twice ${customer}`, address: '' });
    const body = { id: randomUUID(), customer, spec: cardSpec() };
    const [a, b] = [await planner.call('POST', '/api/orders', body), await planner.call('POST', '/api/orders', body)];
    expect(a.status).toBe(200);
    expect(b.body).toEqual(a.body);
  });
  it('names a customer that is not there', async () => {
    const r = await planner.call('POST', '/api/orders', { id: randomUUID(), customer: randomUUID(), spec: cardSpec() });
    expect(r.status).toBe(400);
    expect((r.body['fields'] as { path: string }[])[0]?.path).toBe('customer');
  });
  it('refuses a day that no calendar has', async () => {
    const customer = randomUUID();
    await planner.call('POST', '/api/customers', { id: customer, name: `Day ${customer}`, address: '' });
    const spec = cardSpec();
    spec.items['i1']!.deliveries = [{ by: '2026-02-30T10:00', share: { only: 10_000 }, to: '' }];
    expect((await planner.call('POST', '/api/orders', { id: randomUUID(), customer, spec })).status).toBe(400);
  });
  it('lists the next due first, and finds by title, customer and number', async () => {
    const job = await planner.order(1234);
    const rows = (await planner.call('GET', '/api/orders')).body['rows'] as {
      dueAt: number | null;
      number: number;
      job: string;
      quantity: number;
    }[];
    const due = rows.map((r) => r.dueAt ?? Infinity);
    expect(due).toEqual([...due].sort((a, b) => a - b));
    const row = rows.find((r) => r.job === job);
    expect(row?.quantity).toBe(1234);
    const found = (await planner.call('GET', `/api/orders?find=${row?.number ?? ''}`)).body['rows'] as { job: string }[];
    expect(found.map((r) => r.job)).toContain(job);
    expect((await planner.call('GET', `/api/orders?find=${encodeURIComponent("%' or 1=1 --")}`)).body['rows'] as unknown[]).toEqual([]);
  });
});

describe('a job', () => {
  it('plans the same in the browser’s way and the server’s: same four names', async () => {
    const job = await planner.order();
    const read = (await planner.call('GET', `/api/jobs/${job}`)).body;
    const plant = (await planner.call('GET', `/api/plants/${String(read['plant'])}`)).body;
    const mine = plan(JobSpecSchema.parse(read['spec']), PlantSchema.parse(plant), ShelfSchema.parse(read['shelf']));
    const { summary } = (await edit(job, 1, ['name'], 'Renamed')).body as unknown as {
      summary: { of: Record<string, string>; pulled: number };
    };
    expect(summary.of).toMatchObject({ core: mine.of.core, plant: mine.of.plant, shelf: mine.of.shelf });
    expect(summary.pulled).toBe(mine.figures['total.sheets']?.value);
    const after = (await planner.call('GET', `/api/jobs/${job}`)).body;
    expect(summary.of['spec']).toBe(
      plan(JobSpecSchema.parse(after['spec']), PlantSchema.parse(plant), ShelfSchema.parse(after['shelf'])).of.spec,
    );
  });
  it('saves edits as versions; the same key twice is one save', async () => {
    const job = await planner.order();
    const key = randomUUID();
    const first = await edit(job, 1, ['name'], 'Renamed', key);
    expect(first.body['version']).toBe(2);
    expect((await edit(job, 1, ['name'], 'Renamed', key)).body['version']).toBe(2);
    expect(((await planner.call('GET', `/api/jobs/${job}`)).body['spec'] as { name: string }).name).toBe('Renamed');
  });
  it('merges changes to different places and shows both sides of the same one', async () => {
    const job = await planner.order();
    await edit(job, 1, ['name'], 'Theirs');
    const merged = await edit(job, 1, ['items', 'i1', 'overs', 'overPpm'], 20_000);
    expect(merged.status).toBe(200);
    expect(merged.body['othersEdits']).toEqual([{ by: 'Anselm Hardt', edits: [{ at: ['name'], now: 'Theirs' }] }]);
    const both = await edit(job, 1, ['name'], 'Mine');
    expect(both.status).toBe(409);
    expect(both.body['stale']).toMatchObject({ version: 3, edits: [{ at: ['name'], now: 'Theirs' }] });
    expect((await edit(job, 3, ['name'], 'Mine')).status).toBe(200);
  });
  it('keeps deliveries in step with the specification', async () => {
    const job = await planner.order();
    await edit(job, 1, ['items', 'i1', 'deliveries'], [{ by: '2026-04-01T08:00', share: { only: 10_000 }, to: 'Pier 3' }]);
    const { rows } = await server.db.query<{ address: string; at: number }>(
      'select d.address, extract(epoch from d.due_at)::float8 as at from deliveries d join job_items i on i.order_line = d.order_line where i.job = $1',
      [job],
    );
    expect(rows).toEqual([{ address: 'Pier 3', at: Date.UTC(2026, 3, 1, 6) / 1000 }]); // 08:00 in summer time
  });
  it('answers 404 for a job that is not there, 400 for an id that is none', async () => {
    expect((await planner.call('GET', `/api/jobs/${randomUUID()}`)).status).toBe(404);
    expect((await planner.call('GET', '/api/jobs/1;drop')).status).toBe(400);
  });
});

describe('release', () => {
  it('is refused while something is undecided, and keeps who decided what', async () => {
    const job = await planner.order(10_000, { bleedMm: 2 }); // less bleed than the cut wanders: somebody must say so
    const refused = await planner.call('POST', `/api/jobs/${job}/release`, { version: 1, decisions: {} });
    expect(refused.status).toBe(422);
    const decisions = await decideAll(job);
    expect(Object.keys(decisions).length).toBeGreaterThan(0);
    const released = await planner.call('POST', `/api/jobs/${job}/release`, { version: 1, decisions });
    expect(released.body).toMatchObject({ nr: 1, by: 'Anselm Hardt' });
    expect((await planner.call('POST', `/api/jobs/${job}/release`, { version: 1, decisions })).body).toEqual(released.body);
    const spec = (await planner.call('GET', `/api/jobs/${job}`)).body['spec'] as {
      decisions: Record<string, { by: string; reason: string }>;
    };
    for (const key of Object.keys(decisions))
      expect(spec.decisions[key]).toMatchObject({ by: 'Anselm Hardt', reason: 'agreed with the customer' });
    expect((await edit(job, 2, ['name'], 'Too late')).body['type']).toBe('urn:druckerei:released');
  });
  it('is refused while a finding blocks it', async () => {
    const job = await planner.order();
    await edit(job, 1, ['choices', 'settings', 'card.card.fold', 'score'], 'none');
    const r = await planner.call('POST', `/api/jobs/${job}/release`, { version: 2, decisions: {} });
    expect(r.body['type']).toBe('urn:druckerei:blocked');
  });
  it('keeps an immutable snapshot: the app’s role may not change it', async () => {
    const job = await planner.order();
    await planner.call('POST', `/api/jobs/${job}/release`, { version: 1, decisions: await decideAll(job) });
    for (const statement of [
      'update releases set nr = 2',
      'delete from releases',
      'update specs set version = 9',
      'delete from events',
      'update events set what = $$x$$',
      'drop table jobs',
      'create table x (y int)',
    ])
      await expect(server.db.query(statement)).rejects.toThrow(/permission denied|must be owner/);
    const { rows } = await server.db.query<{ snapshot: { plan: { figures: object }; plant: string } }>(
      'select snapshot from releases where job = $1',
      [job],
    );
    expect(Object.keys(rows[0]?.snapshot.plan.figures ?? {}).length).toBeGreaterThan(200);
  });
});

describe('picture', () => {
  it('is kept by the browser under its own version, and asked for again under another', async () => {
    const job = await planner.order();
    const now = await planner.call('GET', `/api/jobs/${job}/picture.svg?version=1`);
    expect(now.headers.get('content-type')).toBe('image/svg+xml');
    expect(now.headers.get('cache-control')).toContain('immutable');
    expect(new TextDecoder().decode(now.bytes)).toMatch(/^<svg /);
    expect((await planner.call('GET', `/api/jobs/${job}/picture.svg?version=2`)).headers.get('cache-control')).toBe('no-store');
    expect((await planner.call('GET', `/api/jobs/${randomUUID()}/picture.svg?version=1`)).status).toBe(404);
  });
});

describe('ticket', () => {
  it('is a PDF, marked DRAFT before release, the stored one after it, byte for byte', async () => {
    const job = await planner.order();
    const draft = await planner.call('GET', `/api/jobs/${job}/ticket.pdf`);
    expect(draft.headers.get('content-type')).toBe('application/pdf');
    expect(Buffer.from(draft.bytes.slice(0, 5)).toString()).toBe('%PDF-');
    await planner.call('POST', `/api/jobs/${job}/release`, { version: 1, decisions: await decideAll(job) });
    const [a, b] = [await planner.call('GET', `/api/jobs/${job}/ticket.pdf`), await planner.call('GET', `/api/jobs/${job}/ticket.pdf`)];
    expect(Buffer.compare(a.bytes, b.bytes)).toBe(0);
    expect(Buffer.compare(a.bytes, draft.bytes)).not.toBe(0);
  });
});

describe('events', () => {
  it('tells open browsers what changed', async () => {
    const job = await planner.order();
    const abort = new AbortController();
    const stream = await fetch(`${server.base}/api/events`, { headers: { cookie: planner.cookie }, signal: abort.signal });
    const reader = stream.body!.getReader();
    await edit(job, 1, ['name'], 'Heard');
    let heard = '';
    // News of a moment before, that the order is there, may come first.
    while (!heard.includes('"version":2')) heard += new TextDecoder().decode((await reader.read()).value);
    expect(heard).toContain(`"id":"${job}","version":2`);
    abort.abort();
  });
});

describe('time', () => {
  const plant = PlantSchema.parse(require('../../demo/plant.json'));
  it('expands opening hours to UTC over the change to summer time', () => {
    const hours = openHours(plant, Date.UTC(2026, 2, 27) / 1000, 5); // Friday 27 March; clocks change on Sunday 29
    expect(hours.map(([a, b]) => [new Date(a * 1000).toISOString(), new Date(b * 1000).toISOString()])).toEqual([
      ['2026-03-27T05:00:00.000Z', '2026-03-27T19:00:00.000Z'],
      ['2026-03-30T04:00:00.000Z', '2026-03-30T20:00:00.000Z'],
      ['2026-03-31T04:00:00.000Z', '2026-03-31T20:00:00.000Z'],
    ]);
  });
  it('reads plant-local moments and knows a day that is none', () => {
    expect(momentOf('2026-03-02T07:00', 'Europe/Berlin')).toBe(NOW);
    expect(momentOf('2026-02-30T07:00', 'Europe/Berlin')).toBeNull();
  });
});

describe('what nobody of ours sends', () => {
  it('is answered in words: keys every object has, signs that cannot be kept, numbers past their column', async () => {
    expect((await planner.call('GET', '/api/floor/machines/__proto__')).status).toBe(404);
    expect((await planner.call('GET', '/api/floor/machines/constructor')).status).toBe(404);
    const half = await planner.call('POST', '/api/customers', { id: randomUUID(), name: 'Half \ud83c', address: '' });
    expect([half.status, (half.body['fields'] as { path: string }[])[0]?.path]).toEqual([400, 'name']);
    expect((await planner.call('GET', '/api/orders?find=%00')).status).toBe(400);
    const job = await planner.order(1_000);
    const far = await planner.call('POST', `/api/jobs/${job}/edits`, { version: 3_000_000_000, key: randomUUID(), edits: [] });
    expect(far.status).toBe(400);
  });
  it('on the channel of news ends nothing', async () => {
    await server.db.query(`select pg_notify('druckerei_changed', 'no JSON {')`);
    await server.db.query(`select pg_notify('druckerei_changed', '')`);
    expect((await planner.call('GET', '/healthz')).status).toBe(200);
  });
});

describe('behind a proxy', () => {
  it('the cookie is for https only where the person came by https', async () => {
    const sign = async (proto: string): Promise<string> =>
      (
        await server
          .client()
          .call(
            'POST',
            '/api/session',
            { name: 'anselm', password: PASSWORDS.planner },
            { 'sec-fetch-site': 'same-origin', 'x-forwarded-proto': proto },
          )
      ).headers.getSetCookie()[0] ?? '';
    expect(await sign('https')).toContain('Secure');
    expect(await sign('http')).not.toContain('Secure');
  });
});

it('keeps a picture for the session only', async () => {
  const job = await planner.order(1_000);
  const picture = await planner.call('GET', `/api/jobs/${job}/picture.svg?version=1`);
  expect([picture.headers.get('cache-control'), picture.headers.get('vary')]).toEqual([
    'private, max-age=31536000, immutable',
    expect.stringContaining('Cookie'),
  ]);
});
