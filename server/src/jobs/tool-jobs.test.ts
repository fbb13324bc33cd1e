import { randomUUID } from 'node:crypto';
import { JobSpecSchema, type Plan, type Plant, type Shelf } from '@druckerei/core';
import { plan } from '@druckerei/core/planning';
import { drawerPaper } from '../../../core/src/plan/line-12.fixture';
import { cartonSpec } from '../../../core/src/plan/line-4.fixture';
import { Client, type Said, TestServer } from '../test-server.fixture';

const server = new TestServer();
let planner: Client;
let press: Client;
let store: Client;
beforeAll(async () => {
  await server.start();
  [planner, press, store] = [await server.signedIn('planner'), await server.signedIn('press'), await server.signedIn('store')];
});
afterAll(() => server.stop());

interface Read {
  number: number;
  version: number;
  state: string;
  plant: string;
  shelf: Shelf;
  spec: unknown;
}
const read = async (job: string): Promise<Read> => (await planner.call('GET', `/api/jobs/${job}`)).body as never;
const planOf = async (job: string): Promise<Plan> => {
  const { spec, shelf, plant } = await read(job);
  const settings = (await planner.call('GET', `/api/plants/${plant}`)).body as never as Plant;
  return plan(JobSpecSchema.parse(spec), settings, shelf);
};
const FOILS = { foils: { f1: { name: 'crest', widthMm: 40, heightMm: 30 } } };
const DIE = 'card.card.foil.die.f1';
const make = async (job: string, id: string = randomUUID(), tool = DIE, who = planner): Promise<Said> =>
  who.call('POST', `/api/jobs/${job}/tools`, { id, version: (await read(job)).version, tool });

describe('a tool made by the works', () => {
  let parent: string;
  const child = randomUUID();
  it('is a job for no order, of as many pieces as the parent counts, wanted when its step begins', async () => {
    parent = await planner.order(10_000, FOILS);
    const before = await planOf(parent);
    const dies = before.figures[`${DIE}.dies`]!.value;
    const made = await make(parent, child);
    expect(made.status).toBe(200);
    expect(made.body).toMatchObject({ job: child, version: 2 });
    const { spec } = await read(child);
    const { items, products } = JobSpecSchema.parse(spec);
    expect(items['i1']).toMatchObject({ orderLine: null, versions: { only: { quantity: dies } } });
    expect(products['die']).toMatchObject({ family: 'foil-die', wish: { face: 'crest', widthMm: 40, heightMm: 30 } });
    expect(items['i1']!.deliveries[0]!.by).toMatch(/^2026-03-\d\dT\d\d:\d\d$/);
  });
  it('is taken from that job, whose date and cost the parent follows', async () => {
    const { shelf, spec } = await read(parent);
    expect(JobSpecSchema.parse(spec).choices.supply).toEqual({ [DIE]: { from: 'job', job: child, item: 'i1' } });
    const { number } = await read(child);
    expect(shelf.jobs?.[child]).toMatchObject({ number, delivered: false });
    const now = await planOf(parent);
    expect(now.figures[`${DIE}.cost`]?.value).toBe(shelf.jobs?.[child]?.money);
    expect(now.findings.find((f) => f.code === 'child.open')).toMatchObject({ level: 'start', args: { job: number } });
    expect(now.figures['card.card.foil.startAt']!.value).toBeGreaterThanOrEqual(shelf.jobs![child]!.readyAt);
  });
  it('clicked twice is one job; what the job does not use is refused by name; only planners ask', async () => {
    expect((await make(parent, child)).body).toMatchObject({ job: child });
    const refused = await make(parent, randomUUID(), 'card.card.foil.die.f9');
    expect(refused.status).toBe(400);
    expect((refused.body['fields'] as { path: string }[])[0]?.path).toBe('tool');
    expect((await make(parent, randomUUID(), DIE, press)).status).toBe(403);
    const stale = await planner.call('POST', `/api/jobs/${parent}/tools`, { id: randomUUID(), version: 1, tool: DIE });
    expect(stale.status).toBe(409);
  });
  it('is followed: a child that takes longer moves what the list says of the parent', async () => {
    const ready = async (): Promise<number> =>
      ((await planner.call('GET', '/api/orders?rows=200')).body['rows'] as { job: string; summary: { readyAt: number } }[]).find(
        (r) => r.job === parent,
      )!.summary.readyAt;
    const before = await ready();
    const edited = await planner.call('POST', `/api/jobs/${child}/edits`, {
      version: (await read(child)).version,
      key: randomUUID(),
      edits: [{ at: ['choices', 'settings', 'die.die.engrave', 'perCm2S'], now: 3_600 }],
    });
    expect(edited.status).toBe(200);
    expect(await ready()).toBeGreaterThan(before + 24 * 3_600);
    // So does the date that the board would give it, released now: the foil waits for its die.
    const { spec, shelf } = await read(parent);
    const told = (await planner.call('POST', '/api/board/promise', { spec, job: parent })).body as unknown as { at: number };
    expect(told.at).toBeGreaterThan(shelf.jobs![child]!.readyAt);
  });
  it('makes no pieces of the order: nothing that is short is made up by it', async () => {
    expect((await planner.call('GET', `/api/jobs/${parent}/floor`)).body['children']).toEqual([]);
  });
  it('holds the step at the floor until it is delivered, and then lies in the store under the parent’s card', async () => {
    expect((await planner.release(parent)).status).toBe(200);
    const waits = async (): Promise<string[]> =>
      ((await planner.call('GET', `/api/jobs/${parent}/floor`)).body['steps'] as { step: string; waits: string[] }[]).find(
        (s) => s.step === 'card.card.foil',
      )!.waits;
    const { number } = await read(child);
    expect(await waits()).toContain(`job ${number}`);
    await store.call('POST', '/api/lots', {
      id: 'B-1',
      stock: 'brass7-300x400',
      quantity: 20,
      owner: 'works',
      place: '',
      key: randomUUID(),
      note: '',
    });
    const released = await planner.release(child);
    expect(released.body['fields'] ?? []).toEqual([]);
    const delivered = await planner.call('POST', `/api/jobs/${child}/deliver`, {
      version: (await read(child)).version,
      back: false,
      note: '',
    });
    expect(delivered.status).toBe(200);
    expect(await waits()).not.toContain(`job ${number}`);
    const cards = (await planner.call('GET', `/api/tool-cards?state=kept&job=${parent}`)).body['cards'] as { id: string; kind: string }[];
    expect(cards).toEqual([expect.objectContaining({ kind: 'foilDie', state: 'stored' })]);
    expect((await read(parent)).shelf.jobs?.[child]).toMatchObject({ delivered: true, tool: cards[0]!.id });
    const again = await planner.call('GET', `/api/jobs/${parent}/again?by=2026-06-01T12:00&times=1`);
    expect(JobSpecSchema.parse(again.body['spec']).choices.supply).toEqual({ [DIE]: { from: 'store', tool: cards[0]!.id } });
  });
});

describe('a cutting die made by the works', () => {
  const USE = 'carton.blank.die.die';
  it('is a job of the die room, and lies in the store under the card of a cutting die, for the step it cuts', async () => {
    const parent = await planner.orderOf(JobSpecSchema.parse(cartonSpec(20_000)), 20_000);
    const child = randomUUID();
    expect((await make(parent, child, USE)).status).toBe(200);
    expect(JobSpecSchema.parse((await read(child)).spec).products['die']).toMatchObject({ family: 'cutting-die', wish: { places: 12 } });
    await store.call('POST', '/api/lots', {
      ...{ id: 'D-1', stock: 'dieboard18-1250x850', quantity: 5, owner: 'works', place: '', key: randomUUID(), note: '' },
    });
    expect((await planner.release(child)).body['fields'] ?? []).toEqual([]);
    const version = (await read(child)).version;
    expect((await planner.call('POST', `/api/jobs/${child}/deliver`, { version, back: false, note: '' })).status).toBe(200);
    const cards = (await planner.call('GET', `/api/tool-cards?state=kept&job=${parent}`)).body['cards'] as { kind: string }[];
    expect(cards).toEqual([expect.objectContaining({ kind: 'cuttingDie', state: 'stored', life: 1_000_000, stone: USE })]);
  });
});

describe('cylinders made by the works', () => {
  const USE = 'rolls.web.print.cylinders';
  it('are a job of the cylinder shop for the web of their parent, which says so when its web is changed after that', async () => {
    const spec = drawerPaper({ aBox: undefined }, {}, { only: { name: '', quantity: 6_000, changes: [] } });
    const parent = await planner.orderOf(JobSpecSchema.parse(spec), 6_000);
    const child = randomUUID();
    expect((await make(parent, child, USE)).status).toBe(200);
    const made = JobSpecSchema.parse((await read(child)).spec).products['cylinders'];
    expect(made).toMatchObject({
      family: 'cylinder-set',
      wish: { firstTurnMm: 500, bandMm: 1_410, rows: { r5: { ink: 'black', station: 5 } } },
    });
    const inks = ['gold', 'yellow', 'red', 'blue', 'black'];
    expect((await read(parent)).shelf.jobs?.[child]?.cylinders).toEqual({ turnMm: 500, bandMm: 1_410, inks });
    const codes = async (): Promise<string[]> => (await planOf(parent)).findings.map((f) => f.code);
    expect(await codes()).not.toContain('gravure.cylindersElse');
    const edits = [{ at: ['products', 'rolls', 'wish', 'turnMm'], was: 500, now: 500.25 }];
    const { version } = await read(parent);
    expect((await planner.call('POST', `/api/jobs/${parent}/edits`, { version, key: randomUUID(), edits })).status).toBe(200);
    expect(await codes()).toContain('gravure.cylindersElse');
  });
});
