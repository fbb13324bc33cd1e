import { randomUUID } from 'node:crypto';
import { applyPlantEdits, editAt, hashOf, type Plant, PlantSchema } from '@druckerei/core';
import { type Client, type Said, TestServer } from '../test-server.fixture';

const server = new TestServer();
let planner: Client;
let admin: Client;
beforeAll(async () => {
  await server.start();
  planner = await server.signedIn('planner');
  admin = await server.signedIn('admin');
});
afterAll(() => server.stop());

const inForce = async (): Promise<{ hash: string; plant: Plant }> => {
  const hash = String((await admin.call('GET', '/api/plants/current')).body['hash']);
  return { hash, plant: PlantSchema.parse((await admin.call('GET', `/api/plants/${hash}`)).body) };
};
const changed = (plant: Plant, at: string[], now: unknown): Plant => {
  const applied = applyPlantEdits(plant, [editAt(plant, at, now)]);
  if (!applied.ok) throw new Error(JSON.stringify(applied.issues));
  return applied.made;
};
const accept = (before: string, plant: Plant, reason = 'the new rates of the year'): Promise<Said> =>
  admin.call('POST', '/api/plants', { before, plant, reason });

interface Tried {
  jobs: { job: string; totals: { key: string; before: number; after: number }[]; come: { code: string }[]; gone: { code: string }[] }[];
  planned: number;
  of: number;
  next: number | null;
}
const tryAll = async (plant: Plant): Promise<Tried['jobs']> => {
  const jobs: Tried['jobs'] = [];
  for (let after: number | null = 0; after !== null;) {
    const said: Tried = (await admin.call('POST', '/api/plants/try', { plant, after })).body as unknown as Tried;
    expect(said.planned).toBeLessThanOrEqual(20);
    jobs.push(...said.jobs);
    after = said.next;
  }
  return jobs;
};

describe('what new settings would move', () => {
  it('names every open job they move, by how much, and changes nothing', async () => {
    const jobs = await Promise.all(Array.from({ length: 23 }, () => planner.order(5_000)));
    const { hash, plant } = await inForce();
    const dearer = changed(plant, ['machines', 'press3', 'runCostPerHour'], (plant.machines['press3']?.runCostPerHour ?? 0) * 2);
    const moved = await tryAll(dearer);
    expect(new Set(moved.map((m) => m.job))).toEqual(new Set(jobs));
    for (const m of moved) {
      expect(m.totals.map((t) => t.key)).toEqual(['money']);
      expect(m.totals[0]!.after).toBeGreaterThan(m.totals[0]!.before);
    }
    expect((await inForce()).hash).toBe(hash);
  });
  it('says that nothing moves where nothing does', async () => {
    const { plant } = await inForce();
    expect(await tryAll(changed(plant, ['machines', 'platen1', 'name'], 'Platen, old'))).toEqual([]);
  });
  it('names findings that come', async () => {
    const { plant } = await inForce();
    const small = changed(plant, ['machines', 'folder2', 'maxSheetMm'], [200, 200]);
    const [first] = await tryAll(small);
    expect(first?.come.some((f) => f.code.startsWith('sheet.'))).toBe(true);
  });
  it('leaves released jobs out', async () => {
    const before = (await admin.call('POST', '/api/plants/try', { plant: (await inForce()).plant, after: 0 })).body as unknown as Tried;
    const job = await planner.order(300);
    const asked = await planner.call('POST', `/api/jobs/${job}/release`, { version: 1, decisions: {} });
    const decisions = Object.fromEntries(((asked.body['fields'] ?? []) as { path: string }[]).map((f) => [f.path, 'agreed with them']));
    await planner.call('POST', `/api/jobs/${job}/release`, { version: 1, decisions });
    const after = (await admin.call('POST', '/api/plants/try', { plant: (await inForce()).plant, after: 0 })).body as unknown as Tried;
    expect(after.of).toBe(before.of);
  });
});

describe('putting settings in force', () => {
  it('makes a new version with its reason; the old one stays, and jobs stay on it until they are moved', async () => {
    const job = await planner.order(5_000);
    const { hash, plant } = await inForce();
    const next = changed(plant, ['practice', 'offset.runningPpm'], {
      value: 40_000,
      pm: 5_000,
      unit: 'ppm',
      tag: 'own',
      source: 'log of the year',
    });
    const said = await accept(hash, next);
    expect(said.body['hash']).toBe(hashOf(next));
    expect((await inForce()).plant.practice['offset.runningPpm']?.value).toBe(40_000);
    expect((await admin.call('GET', `/api/plants/${hash}`)).status).toBe(200);
    const [last] = (await planner.call('GET', '/api/plants/history')).body as unknown as Record<string, unknown>[];
    expect(last).toMatchObject({ before: hash, plant: hashOf(next), reason: 'the new rates of the year', by: 'Runa Tormeel' });

    expect((await planner.call('GET', `/api/jobs/${job}`)).body['plant']).toBe(hash);
    const was = (await planner.call('GET', '/api/orders?sort=newest')).body['rows'] as { job: string; summary: { pulled: number } }[];
    const replanted = await planner.call('POST', `/api/jobs/${job}/plant`, { version: 1 });
    expect(replanted.body).toMatchObject({ version: 2, plant: hashOf(next) });
    expect((replanted.body['summary'] as { pulled: number }).pulled).toBeGreaterThan(was.find((r) => r.job === job)!.summary.pulled);
    expect((await planner.call('POST', `/api/jobs/${job}/plant`, { version: 1 })).body['version']).toBe(2);
    expect((await planner.call('GET', `/api/jobs/${job}`)).body['plant']).toBe(hashOf(next));
  });
  it('is refused to the second of two who began from the same settings, and to nobody who clicks twice', async () => {
    const { hash, plant } = await inForce();
    const mine = changed(plant, ['machines', 'bench', 'crew'], 7);
    expect((await accept(hash, mine)).status).toBe(200);
    expect((await accept(hash, mine)).status).toBe(200);
    const theirs = await accept(hash, changed(plant, ['machines', 'bench', 'crew'], 8));
    expect(theirs.status).toBe(409);
    expect(theirs.body['detail']).toContain('Somebody changed the settings meanwhile');
  });
  it.each<[string, (p: Plant) => unknown, string]>([
    [
      'a net speed above the rated one',
      (p) => ({ ...p, machines: { ...p.machines, press3: { ...p.machines['press3'], netPerHour: 20_000 } } }),
      'plant.machines.press3.netPerHour',
    ],
    [
      'a smallest sheet above the largest',
      (p) => ({ ...p, machines: { ...p.machines, press3: { ...p.machines['press3'], minSheetMm: [900, 340] } } }),
      'plant.machines.press3.minSheetMm.0',
    ],
    ['an usual ink that is not there', (p) => ({ ...p, usualInk: 'none' }), 'plant.usualInk'],
    ['a field nobody knows', (p) => ({ ...p, surprise: 1 }), 'plant'],
  ])('refuses %s by its path', async (_name, spoil, path) => {
    const { hash, plant } = await inForce();
    const r = await admin.call('POST', '/api/plants', { before: hash, plant: spoil(plant), reason: 'a try' });
    expect(r.status).toBe(400);
    expect((r.body['fields'] as { path: string }[])[0]?.path).toBe(path);
    expect((await inForce()).hash).toBe(hash);
  });
  it('keeps its history: the app’s role may not change it', async () => {
    for (const statement of ['update plant_changes set reason = $$x$$', 'delete from plant_changes', 'update plants set plant = $${}$$'])
      await expect(server.db.query(statement)).rejects.toThrow(/permission denied/);
  });
});

describe('people', () => {
  const body = (more: object = {}): Record<string, unknown> => ({
    id: randomUUID(),
    name: `p${randomUUID().slice(0, 8)}`,
    fullName: 'Tilda Kreuz',
    initials: 'TK',
    roles: ['store'],
    password: 'a-long-password',
    ...more,
  });
  const list = async (): Promise<Record<string, unknown>[]> =>
    (await admin.call('GET', '/api/people')).body as unknown as Record<string, unknown>[];
  const { password: _none, ...change } = { fullName: 'Tilda Kreuz', initials: 'TK', roles: ['store'], active: true, password: '' };

  it('enters a person who can then sign in, once however often it is sent; nobody’s password leaves the server', async () => {
    const person = body();
    expect((await admin.call('POST', '/api/people', person)).status).toBe(200);
    expect((await admin.call('POST', '/api/people', person)).status).toBe(200);
    const mine = (await list()).filter((p) => p['id'] === person['id']);
    expect(mine).toHaveLength(1);
    expect(mine[0]!['pin']).toBe(false); // whether there is one, never which
    expect(Object.keys(mine[0]!).sort()).toEqual(['active', 'fullName', 'id', 'initials', 'name', 'pin', 'roles']);
    const c = server.client();
    expect((await c.call('POST', '/api/session', { name: person['name'], password: 'a-long-password' })).body).toMatchObject({
      roles: ['store'],
    });
  });
  it.each([
    ['a taken name', { name: 'anselm' }, 409, 'name'],
    ['a name of two words', { name: 'two words' }, 400, 'name'],
    ['a short password', { password: 'short' }, 400, 'password'],
    ['no role', { roles: [] }, 400, 'roles'],
    ['a role nobody has', { roles: ['king'] }, 400, 'roles.0'],
  ])('refuses %s', async (_name, more, status, path) => {
    const r = await admin.call('POST', '/api/people', body(more));
    expect(r.status).toBe(status);
    expect((r.body['fields'] as { path: string }[])[0]?.path).toBe(path);
  });
  it('ends the sessions of who leaves or gets a new password, and lets the new one in', async () => {
    const person = body();
    await admin.call('POST', '/api/people', person);
    const c = server.client();
    const signIn = (password: string): Promise<Said> => c.call('POST', '/api/session', { name: person['name'], password });
    await signIn('a-long-password');
    await admin.call('PUT', `/api/people/${String(person['id'])}`, { ...change, password: 'another-long-one' });
    expect((await c.call('GET', '/api/session')).status).toBe(401);
    expect((await signIn('a-long-password')).status).toBe(401);
    expect((await signIn('another-long-one')).status).toBe(200);
    await admin.call('PUT', `/api/people/${String(person['id'])}`, { ...change, active: false });
    expect((await c.call('GET', '/api/session')).status).toBe(401);
    expect((await signIn('another-long-one')).status).toBe(401);
  });
  it('counts a role taken away at the next request', async () => {
    const person = body({ roles: ['planner'] });
    await admin.call('POST', '/api/people', person);
    const c = server.client();
    await c.call('POST', '/api/session', { name: person['name'], password: 'a-long-password' });
    await c.call('PUT', '/api/session/password', { old: 'a-long-password', password: 'an-own-word-here-7' });
    expect((await c.call('GET', '/api/customers')).status).toBe(200);
    await admin.call('PUT', `/api/people/${String(person['id'])}`, change);
    expect((await c.call('GET', '/api/customers')).status).toBe(403);
  });
  it('never loses the last person who may change settings', async () => {
    const runa = (await list()).find((p) => p['name'] === 'runa')!;
    const keep = { fullName: 'Runa Tormeel', initials: 'RT' };
    for (const body of [
      { ...keep, roles: ['planner'], active: true },
      { ...keep, roles: ['planner', 'admin'], active: false },
    ]) {
      const r = await admin.call('PUT', `/api/people/${String(runa['id'])}`, body);
      expect(r.status).toBe(422);
      expect((r.body['fields'] as { path: string }[])[0]?.path).toBe('roles');
    }
    expect((await admin.call('GET', '/api/session')).body['roles']).toContain('admin');
  });
  it('knows nobody by an id that is none', async () => {
    expect((await admin.call('PUT', `/api/people/${randomUUID()}`, change)).status).toBe(404);
  });
});
