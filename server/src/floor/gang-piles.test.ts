import { randomUUID } from 'node:crypto';
import type { JobFloor, Terminal } from '@druckerei/contract';
import type { FloorEntry } from '@druckerei/core';
import { Client, type Said, TestServer } from '../test-server.fixture';

/* Cards of two orders on one sheet: at the knife each is counted onto piles of its own, and goes its own way from there. */

const server = new TestServer();
let planner: Client;
let finishing: Client;
let job: string;
beforeAll(async () => {
  await server.start();
  [planner, finishing] = [await server.signedIn('planner'), await server.signedIn('press')];
  await server.db.query(`update lots set quantity = 1000000`);
  const plain = { foils: undefined, applied: undefined, envelope: undefined, sealed: undefined, folds: 0, perBand: 1 };
  job = await planner.order(4_000, plain);
  const other = await planner.order(6_000, { ...plain, openWidthMm: 180 });
  expect((await planner.call('POST', `/api/jobs/${job}/join`, { version: 1, other })).status).toBe(200);
  const version = async (): Promise<number> => Number((await planner.call('GET', `/api/jobs/${job}`)).body['version']);
  const gang = { at: ['choices', 'gangs'], now: { g: { parts: ['card.card', 'card2.card'] } } };
  const edited = await planner.call('POST', `/api/jobs/${job}/edits`, { version: await version(), key: randomUUID(), edits: [gang] });
  expect(edited.status).toBe(200);
  expect((await planner.release(job)).status).toBe(200);
});
afterAll(() => server.stop());

const CUT = 'g.cut';
const [A, B] = ['g.cut.card.card', 'g.cut.card2.card'];
const entry = (kind: FloorEntry['kind'], more: Partial<FloorEntry> = {}): FloorEntry => ({
  id: randomUUID(),
  kind,
  machine: 'knife1',
  job,
  step: CUT,
  pile: null,
  other: null,
  quantity: null,
  reason: '',
  note: '',
  witness: '',
  at: server.now,
  release: 1,
  ...more,
});
const send = (entries: FloorEntry[]): Promise<Said> =>
  finishing.call('POST', '/api/floor/entries', { device: 'knife', sentAt: server.now, entries });

describe('a sheet parted into two orders', () => {
  it('is one step at the knife, which knows both orders and their shares', async () => {
    const { steps } = (await finishing.call('GET', '/api/floor/machines/knife1')).body as unknown as Terminal;
    const cut = steps.find((s) => s.job === job && s.step === CUT)!;
    expect(cut.orders.map((o) => [o.flow, o.name, o.good])).toEqual([
      [A, 'card', 0],
      [B, 'card2', 0],
    ]);
    expect(cut.orders.reduce((sum, o) => sum + o.per, 0)).toBe(cut.units.givesPer);
  });
  it('counts each order onto piles of its own, named by it, and sends each its own way', async () => {
    const [a, b] = [randomUUID(), randomUUID()];
    const said = await send([
      entry('pile', { pile: a, flow: A }),
      entry('good', { pile: a, quantity: 400 }),
      entry('pile', { pile: b, flow: B }),
      entry('good', { pile: b, quantity: 300 }),
    ]);
    expect(said.body).toMatchObject({ refused: [] });
    const floor = (await planner.call('GET', `/api/jobs/${job}/floor`)).body as unknown as JobFloor;
    expect(floor.steps.find((s) => s.step === CUT)?.orders.map((o) => o.good)).toEqual([400, 300]);
    expect(floor.piles.map((p) => [p.flow, p.stepName, p.inHand])).toEqual([
      [A, expect.stringMatching(/, card$/), 400],
      [B, expect.stringMatching(/, card2$/), 300],
    ]);
    const takes = (order: string): string | null | undefined =>
      floor.steps.find((s) => s.step === `${order}.card.pack.carton`)?.units.takes;
    expect([takes('card'), takes('card2')]).toEqual([A, B]);
  });
  it('lays what names no order of the step where the step gives first, as older terminals say it', async () => {
    const [old, odd] = [randomUUID(), randomUUID()];
    await send([entry('pile', { pile: old }), entry('pile', { pile: odd, flow: 'g.cut.nobody' })]);
    const { rows } = await server.db.query<{ flow: string }>(`select flow from piles where id = any($1) order by nr`, [[old, odd]]);
    expect(rows.map((r) => r.flow)).toEqual([A, A]);
  });
  it('says a flow of nothing but a pile that is laid', async () => {
    const said = await send([entry('note', { note: 'looked at', flow: A })]);
    expect((said.body['refused'] as { says: string }[])[0]?.says).toContain('flow');
  });
});
