import { randomUUID } from 'node:crypto';
import { type Today, type TodayLine, TodayLine as Line } from '@druckerei/contract';
import { cardSpec } from '../../../core/src/plan/line-1.fixture';
import { type Client, TestServer } from '../test-server.fixture';

const server = new TestServer();
let planner: Client;
const customer = randomUUID();
const jobs: Record<string, string> = {};
const today = async (client: Client): Promise<Today> => (await client.call('GET', '/api/today')).body as unknown as Today;
const of = <K extends TodayLine['kind']>(lines: readonly TodayLine[], kind: K): Extract<TodayLine, { kind: K }>[] =>
  lines.filter((l): l is Extract<TodayLine, { kind: K }> => l.kind === kind);

beforeAll(async () => {
  await server.start();
  planner = await server.signedIn('planner');
  await planner.call('POST', '/api/customers', { id: customer, name: 'Botanic garden', address: '' });
  const enter = async (name: string, by: string, gates?: Record<string, unknown>): Promise<void> => {
    const spec = { ...cardSpec(1_000), name, ...(gates && { gates }) };
    spec.items['i1']!.deliveries = [{ by, share: { only: 1_000 }, to: 'Quay 1' }];
    const made = await planner.call('POST', '/api/orders', { id: randomUUID(), customer, spec });
    jobs[name] = (made.body as unknown as { job: string }).job;
  };
  await enter('In time', '2026-05-20T12:00');
  await enter('Late', '2026-03-02T09:00');
  await enter('Asked', '2026-05-20T12:00', {
    g1: { kind: 'fileProof', version: 'v1', who: 'Botanic garden', by: '2026-03-01T10:00', holds: 'release' },
  });
});
afterAll(() => server.stop());

describe('today', () => {
  it('tells a planner what is late and why, and what waits for whom, each with the job it is mended at', async () => {
    const { lines } = await today(planner);
    expect(of(lines, 'late').map((l) => [l.title, l.why.kind])).toEqual([['Late', expect.any(String)]]);
    expect(of(lines, 'late')[0]?.lateS).toBeGreaterThan(0);
    expect(of(lines, 'gate')).toMatchObject([{ title: 'Asked', who: 'Botanic garden', gate: 'fileProof', late: true, refused: false }]);
  });
  it('takes a gate away once it is opened, and says of a refused one that it is', async () => {
    const answer = (says: 'yes' | 'no'): Promise<unknown> =>
      planner.call('POST', `/api/jobs/${jobs['Asked']}/answers`, { gate: 'g1', version: 'v1', answer: says, note: '' });
    await answer('no');
    expect(of((await today(planner)).lines, 'gate')).toMatchObject([{ title: 'Asked', refused: true }]);
    await answer('yes');
    expect(of((await today(planner)).lines, 'gate')).toEqual([]);
  });
  it('shows each role its own, and says which it looks at even where there is nothing', async () => {
    const kinds = async (role: Parameters<TestServer['signedIn']>[0]): Promise<string[]> =>
      (await today(await server.signedIn(role))).kinds;
    expect(await kinds('press')).toEqual(['stopped', 'next']);
    expect(await kinds('ink')).toEqual(['ink']);
    expect(await kinds('store')).toEqual(['pull', 'comes', 'order', 'goes']);
    expect(await kinds('admin')).toEqual(expect.arrayContaining(['backup', 'disk', 'clock', 'refused']));
    const { lines } = await today(await server.signedIn('press'));
    expect(lines.every((l) => l.kind === 'stopped' || l.kind === 'next')).toBe(true);
  });
  it('tells an administrator the age of the backup, the room on the disk, and who was refused', async () => {
    await server.client().call('POST', '/api/session', { name: 'nobody', password: 'guessed-at-random' });
    const { lines } = await today(await server.signedIn('admin'));
    expect(of(lines, 'backup')).toMatchObject([{ at: null, late: true }]);
    expect(of(lines, 'disk')[0]?.freeBytes).toBeGreaterThan(0);
    expect(of(lines, 'refused')[0]?.names).toContain('nobody');
  });
  it('sends no line its contract does not know', async () => {
    for (const line of (await today(planner)).lines) expect(Line.parse(line)).toEqual(line);
  });
});
