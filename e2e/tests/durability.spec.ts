import { randomUUID } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import { expect, test } from '../house';
import { cardSpec } from '../../core/src/plan/line-1.fixture';

interface Running {
  child: { pid: number; kill(signal: string): void };
  ready: Promise<number>;
  stop(): Promise<void>;
}
const lib = async (): Promise<{
  Cluster: new (
    name: string,
    port: number,
  ) => {
    start(): Promise<void>;
    stop(): void;
    pidLine(i: number): string;
    database(name: string): { owner: string; app: string };
    dropDatabase(name: string): void;
  };
  startServer(env: Record<string, string>): Running;
}> => {
  const [a, b] = ['cluster', 'server'].map((n) => new URL(`../../scripts/lib/${n}.mjs`, import.meta.url).href);
  return { ...(await import(a ?? '')), ...(await import(b ?? '')) };
};

test('what was saved survives kill -9 of server and database', async () => {
  const { Cluster, startServer } = await lib();
  const cluster = new Cluster('killed', 0);
  await cluster.start();
  cluster.dropDatabase('druckerei');
  const start = (): Running => {
    const urls = cluster.database('druckerei');
    return startServer({
      PORT: '0',
      DATABASE_URL: urls.app,
      OWNER_DATABASE_URL: urls.owner,
      FIRST_START: `${import.meta.dirname}/../../demo/first-start.json`,
      DEMO: '1',
      LOG_LEVEL: 'silent',
    });
  };
  let server = start();
  try {
    const talk = async (): Promise<(method: string, path: string, body?: unknown) => Promise<Record<string, unknown>>> => {
      const base = `http://127.0.0.1:${await server.ready}`;
      let cookie = '';
      const call = async (method: string, path: string, body?: unknown): Promise<Record<string, unknown>> => {
        const res = await fetch(base + path, {
          method,
          headers: { 'content-type': 'application/json', 'sec-fetch-site': 'same-origin', cookie },
          ...(body !== undefined && { body: JSON.stringify(body) }),
        });
        cookie = res.headers.getSetCookie()[0]?.split(';')[0] ?? cookie;
        expect(res.status).toBe(200);
        return (await res.json()) as Record<string, unknown>;
      };
      await call('POST', '/api/session', { name: 'anselm', password: 'paper-river-24' });
      return call;
    };
    let call = await talk();
    const customer = randomUUID();
    await call('POST', '/api/customers', { id: customer, name: 'Survivors', address: '' });
    const { job } = await call('POST', '/api/orders', { id: randomUUID(), customer, spec: cardSpec() });
    for (let round = 1; round <= 3; round++) {
      const saved = await call('POST', `/api/jobs/${String(job)}/edits`, {
        version: round,
        key: randomUUID(),
        edits: [{ at: ['name'], now: `Round ${round}` }],
      });
      expect(saved['version']).toBe(round + 1);
      server.child.kill('SIGKILL');
      spawnSync('kill', ['-9', cluster.pidLine(0)]);
      await new Promise((resolve) => setTimeout(resolve, 1_500));
      await cluster.start();
      server = start();
      call = await talk();
      const read = await call('GET', `/api/jobs/${String(job)}`);
      expect(read['version']).toBe(round + 1);
      expect((read['spec'] as { name: string }).name).toBe(`Round ${round}`);
    }
  } finally {
    await server.stop();
    cluster.stop();
  }
});

test('a dozen random kills of server and database under load lose no acknowledged entry', async () => {
  // Two and a half minutes on a quiet machine; as long again as a release takes beside other work, a dozen times.
  test.setTimeout(540_000);
  const { soak } = (await import(new URL('../../scripts/lib/soak.mjs', import.meta.url).href)) as {
    soak(ask: {
      kills: number;
      editors: number;
      seed: number;
      name: string;
    }): Promise<{ acknowledged: number; missing: number; twice: number; unfinished: number; off: number }>;
  };
  const said = await soak({ kills: 12, editors: 4, seed: 7, name: 'soak-short' });
  expect(said.acknowledged).toBeGreaterThan(10);
  const { missing, twice, unfinished, off } = said;
  expect({ missing, twice, unfinished, off }).toEqual({ missing: 0, twice: 0, unfinished: 0, off: 0 });
});
