import type { Plan, Shelf } from '@druckerei/core';
import { LINDMOOR, cardSpec } from '../../../core/src/plan/line-1.fixture';
import { plan } from '@druckerei/core/planning';
import { type Client, TestServer } from '../test-server.fixture';

const server = new TestServer();
let planner: Client;
beforeAll(async () => {
  await server.start();
  planner = await server.signedIn('planner');
  await server.db.query(`update jobs set state = 'delivered' where state in ('part', 'released', 'revising')`);
});
afterAll(() => server.stop());

const PULLED = 'ivory300-520x720';
const shelfOf = async (job: string): Promise<Shelf> => (await planner.call('GET', `/api/jobs/${job}`)).body['shelf'] as Shelf;
const numberOf = async (job: string): Promise<number> => Number((await planner.call('GET', `/api/jobs/${job}`)).body['number']);
const free = (shelf: Shelf): number => Object.values(shelf.lots).reduce((sum, l) => sum + (l.stock === PULLED ? l.quantity : 0), 0);
const readyAt = (made: Plan): number => made.figures['total.readyAt']?.value ?? 0;

describe('a release', () => {
  it('promises its paper: a second job that counts on the same sheets is short of them', async () => {
    const [first, second] = [await planner.order(8_000), await planner.order(8_000)];
    const before = free(await shelfOf(second));
    expect((await planner.release(first)).status).toBe(200);
    const pulled = plan(cardSpec(8_000), LINDMOOR, await shelfOf(first)).figures['card.card.stock.in.demand']?.value ?? 0;
    expect(pulled).toBeGreaterThan(1_000);
    expect(before - free(await shelfOf(second))).toBe(Math.min(pulled, before));
    // Its own promise is not kept from the job itself.
    expect(free(await shelfOf(first))).toBe(before);
    const version = Number((await planner.call('GET', `/api/jobs/${first}`)).body['version']);
    expect((await planner.call('POST', `/api/jobs/${first}/deliver`, { version, back: false, note: '' })).status).toBe(200);
    expect(free(await shelfOf(second))).toBe(before);
  });
});

describe('machines', () => {
  it('are kept by what is released with an earlier date; the later job waits, and says for which', async () => {
    const [early, late] = [await planner.order(60_000), await planner.order(4_000)];
    expect(Object.keys((await shelfOf(late)).busy ?? {})).toEqual([]);
    const alone = readyAt(plan(cardSpec(4_000), LINDMOOR, await shelfOf(late)));
    expect((await planner.release(early)).status).toBe(200);
    const shelf = await shelfOf(late);
    expect(shelf.busy?.['press3']).toMatchObject({ job: await numberOf(early) });
    expect(shelf.busy?.['press3']?.seconds).toBeGreaterThan(1_000);
    // Nobody stands before the one that was first.
    expect(Object.keys((await shelfOf(early)).busy ?? {})).toEqual([]);
    const behind = plan(cardSpec(4_000), LINDMOOR, shelf);
    expect(readyAt(behind)).toBeGreaterThan(alone);
    expect(behind.assumptions).toContainEqual(
      expect.objectContaining({ code: 'assume.busy', args: expect.objectContaining({ job: await numberOf(early) }) }),
    );
  });
});
