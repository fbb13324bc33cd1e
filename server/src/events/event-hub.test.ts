import { pino } from 'pino';
import { TestServer } from '../test-server.fixture';
import { EventHub, notifyChanged } from './event-hub';

/* Two server processes on one database, played by two hubs: what one changes, the browsers of both hear. */

const server = new TestServer();
let url = '';
const hubs: EventHub[] = [];
beforeAll(async () => {
  await server.start();
  url = server.databaseUrl;
});
afterAll(async () => {
  for (const hub of hubs) await hub.stop();
  await server.stop();
});
const hub = async (): Promise<EventHub> => {
  const made = new EventHub(url, pino({ level: 'silent' }));
  hubs.push(made);
  await made.start();
  return made;
};
const listen = (of: EventHub): { heard: string[]; close: () => void } => {
  const heard: string[] = [];
  return {
    heard,
    close: of.stream().open(
      (chunk) => heard.push(chunk),
      () => undefined,
    ),
  };
};
const until = async (what: () => boolean): Promise<void> => {
  for (let i = 0; i < 100 && !what(); i++) await new Promise((resolve) => setTimeout(resolve, 50));
  expect(what()).toBe(true);
};
const change = (version: number): Promise<void> => notifyChanged(server.db, { table: 'jobs', id: 'j', version, by: 'anselm' });

describe('what changed', () => {
  it('is heard in every process, by every open stream', async () => {
    const streams = [listen(await hub()), listen(await hub())];
    await change(2);
    for (const { heard } of streams) {
      await until(() => heard.some((h) => h.includes('"version":2')));
      expect(heard[0]).toBe('retry: 1000\n\n');
      expect(heard.find((h) => h.includes('"version":2'))).toMatch(/^event: changed\ndata: \{.*\}\n\n$/);
    }
  });
  it('is not sent to a stream that was closed', async () => {
    const here = await hub();
    const [open, closed] = [listen(here), listen(here)];
    closed.close();
    await change(3);
    await until(() => open.heard.some((h) => h.includes('"version":3')));
    expect(closed.heard.some((h) => h.includes('"version":3'))).toBe(false);
  });
  it('tells streams to read again when the connection was lost, and goes on', async () => {
    const here = await hub();
    const { heard } = listen(here);
    await server.db.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid() and query like 'listen%'`,
    );
    await until(() => heard.some((h) => h.startsWith('event: again')));
    await change(4);
    await until(() => heard.some((h) => h.includes('"version":4')));
  });
  it('is told together where much changes at once: no write for each', async () => {
    const { heard } = listen(await hub());
    await Promise.all(Array.from({ length: 40 }, (_, i) => change(100 + i)));
    const all = (): string => heard.join('');
    await until(() => Array.from({ length: 40 }, (_, i) => 100 + i).every((v) => all().includes(`"version":${v}`)));
    expect(heard.filter((h) => h.startsWith('event: changed')).length).toBeLessThan(20);
  });
  it('ignores what is no change of ours', async () => {
    const { heard } = listen(await hub());
    await server.db.query(`select pg_notify('druckerei_changed', '{"table":"weather"}')`);
    await change(5);
    await until(() => heard.some((h) => h.includes('"version":5')));
    expect(heard.some((h) => h.includes('weather'))).toBe(false);
  });
  it('is no longer told to whom may not stay: the stream is ended with the next heartbeat', async () => {
    const quick = new EventHub(url, pino({ level: 'silent' }), 50);
    hubs.push(quick);
    await quick.start();
    let [may, ended] = [true, 0];
    const close = quick
      .stream(() => Promise.resolve(may))
      .open(
        () => undefined,
        () => ended++,
      );
    await new Promise((resolve) => setTimeout(resolve, 300));
    expect(ended).toBe(0);
    may = false;
    await until(() => ended > 0);
    close();
  });
});
