import { randomUUID } from 'node:crypto';
import { hashOf, JobSpecSchema } from '@druckerei/core';
import { pino } from 'pino';
import { Client, NOW, type Said, TestServer } from '../test-server.fixture';
import { refreshSummaries } from './refresh-summaries';

/* The planner's desk: gates, releases of parts, revisions, alternatives, jobs for several orders, reprints. */

const server = new TestServer();
let planner: Client;
let runa: Client;
let press: Client;
beforeAll(async () => {
  await server.start();
  [planner, runa, press] = [await server.signedIn('planner'), await server.signedIn('admin'), await server.signedIn('press')];
});
afterAll(() => server.stop());

const read = async (job: string): Promise<Record<string, unknown>> => (await planner.call('GET', `/api/jobs/${job}`)).body;
const versionOf = async (job: string): Promise<number> => Number((await read(job))['version']);
const edit = async (job: string, at: string[], now: unknown, who = planner): Promise<Said> =>
  who.call('POST', `/api/jobs/${job}/edits`, {
    version: await versionOf(job),
    key: randomUUID(),
    edits: [{ at, ...(now !== undefined && { now }) }],
  });
const release = async (job: string, more: object = {}): Promise<Said> => {
  const version = await versionOf(job);
  const tried = await planner.call('POST', `/api/jobs/${job}/release`, { version, decisions: {}, ...more });
  if (tried.body['type'] !== 'urn:druckerei:undecided') return tried;
  const decisions = Object.fromEntries((tried.body['fields'] as { path: string }[]).map((f) => [f.path, 'agreed with the customer']));
  return planner.call('POST', `/api/jobs/${job}/release`, { version, decisions, ...more });
};
const gate = { kind: 'fileProof', version: 'v1', who: 'the choir', by: '2026-03-05T10:00', holds: 'release' };
const answer = (job: string, more: object, who = planner): Promise<Said> =>
  who.call('POST', `/api/jobs/${job}/answers`, { gate: 'g1', version: 'v1', answer: 'yes', note: '', ...more });
const state = async (job: string): Promise<string> => String((await read(job))['state']);

describe('gates', () => {
  let job: string;
  beforeAll(async () => {
    job = await planner.order();
    await edit(job, ['gates', 'g1'], gate);
  });
  it('hold the release until somebody says yes to the version asked for', async () => {
    const held = await release(job);
    expect(held.status).toBe(422);
    expect((held.body['fields'] as { says: string }[])[0]?.says).toContain('File proof v1: no answer from the choir');
    expect((await answer(job, { version: 'v0' })).status).toBe(409);
    expect((await answer(job, { gate: 'g9' })).status).toBe(400);
    const given = await answer(job, {});
    expect((given.body['shelf'] as { gates: object }).gates).toMatchObject({ 'gate:g1': { state: 'open' } });
  });
  it('keep one answer when it is sent twice', async () => {
    const twice = await answer(job, {});
    expect((twice.body['answers'] as object[]).length).toBe(1);
  });
  it('are taken back by a counter-entry with a reason, and the first answer stays on record', async () => {
    const id = ((await read(job))['answers'] as { id: number }[])[0]?.id;
    expect((await answer(job, { answer: 'back', takesBack: id })).status).toBe(400);
    const back = await answer(job, { answer: 'back', takesBack: id, note: 'wrong file was shown' });
    expect((back.body['answers'] as { answer: string }[]).map((a) => a.answer)).toEqual(['yes', 'back']);
    expect((back.body['shelf'] as { gates: object }).gates).toMatchObject({ 'gate:g1': { state: 'waiting' } });
  });
  it('wait again when a new version is asked for', async () => {
    await answer(job, {});
    const edited = await edit(job, ['gates', 'g1', 'version'], 'v2');
    expect((edited.body['shelf'] as { gates: object }).gates).toMatchObject({ 'gate:g1': { state: 'waiting' } });
    expect((await answer(job, { version: 'v2', answer: 'no', note: 'crest is too small' })).status).toBe(200);
    expect(((await release(job)).body['fields'] as { says: string }[])[0]?.says).toContain('said no');
  });
  it('are answered by the press too; the app may change no answer', async () => {
    expect((await answer(job, { version: 'v2' }, press)).status).toBe(200);
    await expect(server.db.query(`update gate_answers set answer = 'no'`)).rejects.toThrow(/permission denied/);
    await expect(server.db.query(`delete from gate_answers`)).rejects.toThrow(/permission denied/);
  });
  it('move the ready date in the list with the answer', async () => {
    const other = await planner.order();
    const ready = async (): Promise<number> => {
      const { rows } = await server.db.query<{ r: number }>(`select (summary ->> 'readyAt')::float8 as r from jobs where id = $1`, [other]);
      return rows[0]?.r ?? 0;
    };
    const before = await ready();
    await edit(other, ['gates', 'g1'], { ...gate, by: '2026-03-12T10:00' });
    expect(await ready()).toBeGreaterThan(before);
    await answer(other, {});
    expect(await ready()).toBe(before);
  });
});

describe('a release of parts', () => {
  let job: string;
  const paper = 'card.card.stock.in';
  beforeAll(async () => {
    job = await planner.order();
    await edit(job, ['gates', 'g1'], gate);
  });
  it('sets some things free before the rest, whatever the gates of the whole', async () => {
    const part = await release(job, { scope: [paper] });
    expect(part.status).toBe(200);
    expect(part.body).toMatchObject({ nr: 1, scope: [paper] });
    expect(await state(job)).toBe('part');
    const pdf = await planner.call('GET', `/api/jobs/${job}/ticket.pdf`);
    expect(new TextDecoder().decode(pdf.bytes.slice(0, 5))).toBe('%PDF-');
  });
  it('names what it does not know', async () => {
    expect((await release(job, { scope: ['boat'] })).body['fields']).toEqual([
      { path: 'scope', says: 'names boat, which this plan does not have' },
    ]);
  });
  it('is still a draft to change, but a change of what was released blocks', async () => {
    await answer(job, {});
    expect((await edit(job, ['name'], 'Another name')).status).toBe(200);
    await edit(job, ['items', 'i1', 'versions', 'only', 'quantity'], 20_000);
    const held = await release(job);
    expect(held.status).toBe(422);
    expect(JSON.stringify(held.body['fields'])).toContain('released early, and changed since');
  });
  it('is revised with a reason, and the whole follows', async () => {
    expect((await release(job, { scope: [paper] })).body['fields']).toEqual([
      { path: 'reason', says: 'says in a few words why it is released again' },
    ]);
    expect((await release(job, { scope: [paper], reason: 'twice as many ordered' })).body).toMatchObject({ nr: 2 });
    expect((await release(job)).body).toMatchObject({ nr: 3, scope: null });
    expect(await state(job)).toBe('released');
  });
});

describe('a revision', () => {
  let job: string;
  beforeAll(async () => {
    job = await planner.order();
    await release(job);
  });
  it('opens what is released with a reason; nothing else changes it', async () => {
    expect((await edit(job, ['name'], 'x')).status).toBe(409);
    expect((await planner.call('POST', `/api/jobs/${job}/revise`, { version: await versionOf(job), reason: '' })).status).toBe(400);
    expect(
      (await planner.call('POST', `/api/jobs/${job}/revise`, { version: await versionOf(job), reason: 'customer wants more' })).status,
    ).toBe(200);
    expect(await state(job)).toBe('revising');
  });
  it('leaves the first snapshot in force until it is released, with a reason', async () => {
    await edit(job, ['items', 'i1', 'versions', 'only', 'quantity'], 12_000);
    await edit(job, ['items', 'i1', 'deliveries'], [{ by: '2026-03-20T14:00', share: { only: 12_000 }, to: 'Quay 1' }]);
    expect((await release(job)).body['fields']).toEqual([{ path: 'reason', says: 'says in a few words why it is released again' }]);
    expect((await release(job, { reason: 'customer wants 12,000' })).body).toMatchObject({ nr: 2, reason: 'customer wants 12,000' });
  });
  it('differs from the first in words and figures', async () => {
    const { body } = await planner.call('GET', `/api/jobs/${job}/differences?since=1&release=2`);
    expect(body['edits']).toContainEqual({ place: 'quantity', was: '10\u2009000', now: '12\u2009000' });
    expect((body['totals'] as { key: string }[]).map((t) => t.key)).toContain('sheets');
    const back = await planner.call('GET', `/api/jobs/${job}/differences?since=2&release=1`);
    expect(back.body['edits']).toContainEqual({ place: 'quantity', was: '12\u2009000', now: '10\u2009000' });
    expect((await planner.call('GET', `/api/jobs/${job}/differences?release=9`)).status).toBe(404);
  });
  it('can be given up: the specification is the released one again', async () => {
    const released = hashOf((await read(job))['spec']);
    await planner.call('POST', `/api/jobs/${job}/revise`, { version: await versionOf(job), reason: 'perhaps more' });
    await edit(job, ['name'], 'Something else');
    expect(
      (await planner.call('POST', `/api/jobs/${job}/withdraw`, { version: await versionOf(job), reason: 'no, it stays' })).status,
    ).toBe(200);
    expect(hashOf((await read(job))['spec'])).toBe(released);
    expect(await state(job)).toBe('released');
    expect((await planner.call('POST', `/api/jobs/${job}/withdraw`, { version: await versionOf(job), reason: 'again' })).status).toBe(409);
  });
  it('is told who did what, the newest first', async () => {
    const history = (await planner.call('GET', `/api/jobs/${job}/history`)).body as unknown as {
      what: string;
      by: string;
      note: string;
      edits: object[];
    }[];
    expect(history.map((h) => h.what).slice(0, 3)).toEqual(['job.withdrawn', 'job.edited', 'job.revising']);
    expect(history[0]).toMatchObject({ by: 'Anselm Hardt', note: 'no, it stays' });
    expect(history.at(-1)?.what).toBe('order.entered');
    expect(history[1]?.edits).toEqual([{ place: 'title', was: 'nothing', now: 'Something else' }]);
  });
  it('delivered leaves the orders in hand, is found as such, and comes back with a reason', async () => {
    const list = async (query: string): Promise<string[]> =>
      ((await planner.call('GET', `/api/orders?rows=200${query}`)).body['rows'] as { job: string }[]).map((r) => r.job);
    expect((await planner.call('POST', `/api/jobs/${await planner.order()}/deliver`, { version: 1, back: false, note: '' })).status).toBe(
      409,
    );
    await planner.call('POST', `/api/jobs/${job}/deliver`, { version: await versionOf(job), back: false, note: 'two pallets' });
    expect(await list('')).not.toContain(job);
    expect(await list('&state=delivered')).toContain(job);
    expect((await edit(job, ['name'], 'x')).status).toBe(409);
    expect((await planner.call('POST', `/api/jobs/${job}/deliver`, { version: await versionOf(job), back: true, note: '' })).status).toBe(
      400,
    );
    await planner.call('POST', `/api/jobs/${job}/deliver`, { version: await versionOf(job), back: true, note: 'wrong number' });
    expect(await state(job)).toBe('released');
  });
});

describe('alternatives', () => {
  let job: string;
  const other = randomUUID();
  beforeAll(async () => {
    job = await planner.order();
  });
  const duplicate = (id = other, edits: object[] = [{ at: ['choices', 'machine', 'card.card.print'], now: 'press3' }]): Promise<Said> =>
    planner.call('POST', `/api/jobs/${job}/alternatives`, { id, name: 'on the second press', edits });
  it('are plans of their own under the same number, not orders', async () => {
    expect((await duplicate()).body).toMatchObject({ job: other, alt: 1, name: 'on the second press', state: 'draft' });
    expect((await duplicate()).body['alt']).toBe(1);
    const list = (await planner.call('GET', `/api/jobs/${other}/alternatives`)).body as unknown as { job: string }[];
    expect(list.map((a) => a.job)).toEqual([job, other]);
    const orders = (await planner.call('GET', '/api/orders?rows=200')).body['rows'] as { job: string }[];
    expect(orders.map((o) => o.job)).not.toContain(other);
    expect(await read(other)).toMatchObject({
      alternativeOf: job,
      number: (await read(job))['number'],
      customer: (await read(job))['customer'],
    });
  });
  it('are changed without touching the job, and are never released themselves', async () => {
    expect((await edit(other, ['items', 'i1', 'overs', 'overPpm'], 10_000)).status).toBe(200);
    expect(await versionOf(job)).toBe(1);
    expect((await release(other)).status).toBe(422);
  });
  it('differ by what was changed only', async () => {
    const { body } = await planner.call('GET', `/api/jobs/${job}/differences?with=${other}`);
    expect((body['edits'] as { place: string }[]).map((e) => e.place).sort()).toEqual(['machine, Print', 'over allowed']);
  });
  it('chosen, become the job; the plan of before stays on record', async () => {
    const was = hashOf((await read(job))['spec']);
    const chosen = await planner.call('POST', `/api/jobs/${other}/choose`, {
      version: await versionOf(other),
      reason: 'cheaper at this quantity',
    });
    expect(chosen.body).toEqual({ job, version: 2 });
    expect(hashOf((await read(job))['spec'])).toBe(hashOf((await read(other))['spec']));
    const list = (await planner.call('GET', `/api/jobs/${job}/alternatives`)).body as unknown as { job: string; name: string }[];
    expect(list).toHaveLength(3);
    expect(hashOf((await read(list[2]!.job))['spec'])).toBe(was);
    expect((await planner.call('POST', `/api/jobs/${job}/choose`, { version: 2, reason: 'cheaper' })).status).toBe(409);
  });
  it('refuse edits that do not fit, and make nothing', async () => {
    expect((await duplicate(randomUUID(), [{ at: ['name'], now: 9 }])).status).toBe(400);
    expect((await planner.call('GET', `/api/jobs/${job}/alternatives`)).body as unknown as object[]).toHaveLength(3);
  });
});

describe('a job for several orders', () => {
  it('makes a product that both have once for both, and each order adds up', async () => {
    const [a, b] = [await planner.order(4_000), await planner.order(6_000)];
    const orderB = ((await read(b))['orders'] as { id: string }[])[0]!.id;
    expect((await planner.call('POST', `/api/jobs/${a}/join`, { version: 1, other: b })).status).toBe(200);
    const spec = JobSpecSchema.parse((await read(a))['spec']);
    expect(Object.keys(spec.items)).toEqual(['i1', 'i2']);
    expect(Object.keys(spec.products)).toEqual(['card']);
    expect(((await read(a))['orders'] as object[]).length).toBe(2);
    const page = (await planner.call('GET', `/api/orders/${orderB}`)).body as never as {
      lines: {
        quantity: number;
        deliveries: { quantity: number }[];
        jobs: { job: string; item: string; orders: number; good: number }[];
      }[];
    };
    expect(page.lines[0]).toMatchObject({ quantity: 6_000, jobs: [{ job: a, item: 'i2', orders: 2 }] });
    expect(page.lines[0]?.deliveries.reduce((s, d) => s + d.quantity, 0)).toBe(6_000);
    expect(page.lines[0]?.jobs[0]?.good).toBeGreaterThanOrEqual(10_000);
    expect(await read(b)).toMatchObject({ alternativeOf: a });
    const listed = ((await planner.call('GET', '/api/orders?rows=200')).body['rows'] as { job: string; quantity: number }[]).filter((r) =>
      [a, b].includes(r.job),
    );
    expect(listed).toEqual([expect.objectContaining({ job: a, quantity: 10_000 })]);
  });
  it('keeps different products apart', async () => {
    const [a, b] = [await planner.order(4_000), await planner.order(6_000)];
    await edit(b, ['products', 'card', 'wish', 'openWidthMm'], 180);
    await planner.call('POST', `/api/jobs/${a}/join`, { version: 1, other: b });
    expect(Object.keys(JobSpecSchema.parse((await read(a))['spec']).products)).toEqual(['card', 'card2']);
  });
  it('keeps apart what is alike in all but its name: another picture', async () => {
    const [a, b] = [await planner.order(4_000), await planner.order(6_000)];
    await edit(b, ['name'], 'Another card');
    await planner.call('POST', `/api/jobs/${a}/join`, { version: 1, other: b });
    expect(Object.keys(JobSpecSchema.parse((await read(a))['spec']).products)).toEqual(['card', 'card2']);
  });
  it('keeps the versions of both, and the sheet that one of them shares, under the names that the products now have', async () => {
    const [a, b] = [await planner.order(4_000), await planner.order(6_000)];
    await edit(b, ['products', 'card', 'wish', 'openWidthMm'], 180);
    await edit(b, ['items', 'i1', 'versions', 'only', 'changes'], ['K']);
    const menu = { ...JobSpecSchema.parse((await read(b))['spec']).items['i1'], product: 'menu', orderLine: null };
    await edit(b, ['products', 'menu'], JobSpecSchema.parse((await read(b))['spec']).products['card']);
    await edit(b, ['items', 'i9'], menu);
    await edit(b, ['choices', 'gangs'], { sheet: { parts: ['card.card', 'menu.card'] } });
    expect((await planner.call('POST', `/api/jobs/${a}/join`, { version: 1, other: b })).status).toBe(200);
    const spec = JobSpecSchema.parse((await read(a))['spec']);
    expect(spec.items['i2']).toMatchObject({ product: 'card2', versions: { only: { quantity: 6_000, changes: ['K'] } } });
    expect(spec.choices.gangs).toEqual({ sheet: { parts: ['card2.card', 'menu.card'] } });
  });
  it('takes in no job that is released, nor itself', async () => {
    const [a, b] = [await planner.order(), await planner.order()];
    await release(b);
    expect((await planner.call('POST', `/api/jobs/${a}/join`, { version: 1, other: b })).status).toBe(409);
    expect((await planner.call('POST', `/api/jobs/${a}/join`, { version: 1, other: a })).status).toBe(400);
  });
  it('an alternative made before it was joined cannot be chosen', async () => {
    const [a, b] = [await planner.order(), await planner.order()];
    const alt = randomUUID();
    await planner.call('POST', `/api/jobs/${a}/alternatives`, { id: alt, name: 'before', edits: [] });
    await planner.call('POST', `/api/jobs/${a}/join`, { version: 1, other: b });
    expect((await planner.call('POST', `/api/jobs/${alt}/choose`, { version: 1, reason: 'cheaper' })).status).toBe(409);
  });
});

describe('a reprint', () => {
  it('same again for no day is refused by its field', async () => {
    const job = await planner.order();
    const refused = await planner.call('GET', `/api/jobs/${job}/again?by=null`);
    expect(refused.status).toBe(400);
    expect((refused.body['fields'] as { path: string; says: string }[])[0]).toEqual({
      path: 'by',
      says: 'is a date and time such as 2026-12-03T14:00',
    });
  });
  it('starts from an old job: kept, changed, more, and repeat setups', async () => {
    const job = await planner.order(10_000);
    const again = await planner.call('GET', `/api/jobs/${job}/again?by=2026-06-01T12:00&times=1.08`);
    const spec = JobSpecSchema.parse(again.body['spec']);
    expect(spec.items['i1']).toMatchObject({ orderLine: null, versions: { only: { quantity: 10_800 } } });
    expect(again.body['number']).toBe(spec.again);
    const made = await planner.call('POST', '/api/orders', { id: randomUUID(), customer: again.body['customer'], spec });
    expect(made.status).toBe(200);
    const history = (await planner.call('GET', `/api/jobs/${String(made.body['job'])}/history`)).body as unknown as { note: string }[];
    expect(history).toHaveLength(1);
    const last = (await planner.call('GET', `/api/customers/${String(again.body['customer'])}/last`)).body as unknown as {
      number: number;
    }[];
    expect(last.map((l) => l.number)).toEqual([made.body['number'], again.body['number']]);
  });
});

describe('two editors', () => {
  it('learn who changed what since, by name', async () => {
    const job = await planner.order();
    await runa.call('POST', `/api/jobs/${job}/edits`, { version: 1, key: randomUUID(), edits: [{ at: ['name'], now: 'Theirs' }] });
    const mine = await planner.call('POST', `/api/jobs/${job}/edits`, {
      version: 1,
      key: randomUUID(),
      edits: [{ at: ['items', 'i1', 'overs', 'overPpm'], now: 1_000 }],
    });
    expect(mine.body['othersEdits']).toEqual([{ by: 'Runa Tormeel', edits: [{ at: ['name'], now: 'Theirs' }] }]);
  });
});

describe('files of a plan', () => {
  it('are the plan as CSV and JSON, and a specification a new order can start from', async () => {
    const job = await planner.order();
    await edit(job, ['name'], '=cmd|calc');
    const csv = await planner.call('GET', `/api/jobs/${job}/plan.csv`);
    expect(csv.headers.get('content-disposition')).toMatch(/^attachment; filename="plan-/);
    expect(new TextDecoder().decode(csv.bytes)).toMatch(/^stone,machine,in/);
    // No orders share a sheet here: nothing but the mark of the bytes.
    expect(new TextDecoder().decode((await planner.call('GET', `/api/jobs/${job}/gang.csv`)).bytes).trim()).toBe('');
    const spec = JobSpecSchema.parse((await planner.call('GET', `/api/jobs/${job}/job.json`)).body);
    expect(hashOf(spec)).toBe(hashOf((await read(job))['spec']));
    expect((await planner.call('GET', `/api/jobs/${job}/plan.json`)).body['of']).toMatchObject({ spec: hashOf(spec) });
    const orders = new TextDecoder().decode((await planner.call('GET', '/api/orders.csv')).bytes);
    expect(orders).toContain("'=cmd|calc");
    expect(orders).not.toMatch(/(^|,)=cmd/m);
    expect(((await planner.call('GET', '/api/orders.json')).body as unknown as object[]).length).toBeGreaterThan(3);
  });
});

it('plans anew what an older program planned, and nothing else', async () => {
  const job = await planner.order();
  const of = async (): Promise<{ core: string; needs: object[] }> => {
    const { rows } = await server.db.query<{ core: string; needs: object[] }>(
      `select summary -> 'of' ->> 'core' as core, summary -> 'needs' as needs from jobs where id = $1`,
      [job],
    );
    return rows[0] as { core: string; needs: object[] };
  };
  const now = await of();
  await server.db.query(`update jobs set summary = jsonb_set(summary || '{"needs": []}', '{of,core}', '"1.0.0"') where id = $1`, [job]);
  expect(await refreshSummaries(server.db, pino({ level: 'silent' }), () => NOW)).toBe(1);
  expect(await of()).toEqual(now);
  expect(await versionOf(job)).toBe(1);
  expect(await refreshSummaries(server.db, pino({ level: 'silent' }), () => NOW)).toBe(0);
});

describe('two planners at one job', () => {
  const save = (who: Client, job: string, version: number, at: string[], now: unknown, key = randomUUID()): Promise<Said> =>
    who.call('POST', `/api/jobs/${job}/edits`, { version, key, edits: [{ at, now }] });
  it('save a hundred times at once: every one is merged, or told both sides; nobody hears that the job is not here', async () => {
    const job = await planner.order(1_000);
    const version = await versionOf(job);
    const said = await Promise.all(
      Array.from({ length: 100 }, (_, i) =>
        i % 2 === 0
          ? save(planner, job, version, ['name'], 'Card A')
          : save(runa, job, version, ['items', 'i1', 'overs', 'overPpm'], 10_000 + i),
      ),
    );
    const answers = said.map((s) => s.status);
    expect(answers.filter((s) => s !== 200 && s !== 409)).toEqual([]);
    const took = answers.filter((s) => s === 200).length;
    expect(took).toBeGreaterThanOrEqual(2);
    for (const s of said.filter((x) => x.status === 409)) expect(s.body['stale']).toMatchObject({ edits: [expect.anything()] });
    expect(await versionOf(job)).toBe(version + took);
  });
  it('lose no answer twice: the same save sent again says what others saved meanwhile, and is no version more', async () => {
    const job = await planner.order(1_000);
    const version = await versionOf(job);
    const key = randomUUID();
    expect((await save(planner, job, version, ['name'], 'Card A', key)).status).toBe(200);
    expect((await save(runa, job, version + 1, ['items', 'i1', 'overs', 'overPpm'], 20_000)).status).toBe(200);
    const again = await save(planner, job, version, ['name'], 'Card A', key);
    expect(again.body).toMatchObject({ version: version + 2, othersEdits: [{ edits: [{ at: ['items', 'i1', 'overs', 'overPpm'] }] }] });
    expect(await versionOf(job)).toBe(version + 2);
  });
});
