import { type ChildProcess, fork, spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';

interface Running {
  child: { pid: number; kill(signal: string): void; once(event: 'exit', heard: () => void): void };
  ready: Promise<number>;
  stop(): Promise<void>;
}
interface ClusterLike {
  start(): Promise<void>;
  stop(): void;
  pidLine(i: number): string;
  database(name: string): { owner: string; app: string };
  dropDatabase(name: string): void;
}
interface Kept {
  counts: Record<string, number>;
  plans: string;
}
interface Lib {
  Cluster: new (name: string, port: number, more?: { fast: boolean }) => ClusterLike;
  startServer(env: Record<string, string>): Running;
  freePort(): Promise<number>;
  backup(cluster: ClusterLike, database: string, path: string): Promise<Kept>;
  restore(cluster: ClusterLike, database: string, path: string): Promise<Kept>;
}

const ROOT = `${import.meta.dirname}/..`;
const lib = async (): Promise<Lib> => {
  const names = ['cluster', 'server', 'run', 'keeping'];
  const all = await Promise.all(names.map((n) => import(new URL(`../scripts/lib/${n}.mjs`, import.meta.url).href) as Promise<object>));
  return Object.assign({}, ...all) as Lib;
};

/** A server and a database of a test's own, which it may stop, kill and start again. */
export interface Own {
  base: string;
  stopDatabase(): void;
  startDatabase(): Promise<void>;
  /** kill -9 of the database server itself. */
  killDatabase(): void;
  killServer(): Promise<void>;
  startServer(more?: Record<string, string>): Promise<void>;
  anotherServer(): Promise<{ base: string; stop(): Promise<void> }>;
  /** Those that answer behind the port of the one that was started. */
  processes(): number[];
  worker(): ChildProcess;
  dropDatabase(): void;
  backup(file: string): Promise<Kept>;
  restore(file: string): Promise<Kept>;
  /** The same backup, said to be of a newer program. */
  newer(file: string, to: string): string;
  end(): Promise<void>;
}

export async function own(name: string, env: Record<string, string> = {}): Promise<Own> {
  const { Cluster, startServer, freePort, backup, restore } = await lib();
  // The same port after every start: the server goes on looking for its database there.
  const cluster = new Cluster(name, await freePort());
  await cluster.start();
  cluster.dropDatabase('druckerei');
  const port = String(await freePort());
  const start = (more: Record<string, string>): Running => {
    const urls = cluster.database('druckerei');
    return startServer({
      DATABASE_URL: urls.app,
      OWNER_DATABASE_URL: urls.owner,
      FIRST_START: `${ROOT}/demo/first-start.json`,
      DEMO: '1',
      LOG_LEVEL: 'silent',
      ...env,
      ...more,
    });
  };
  let server = start({ PORT: port });
  await server.ready;
  return {
    base: `http://127.0.0.1:${port}`,
    stopDatabase: () => {
      cluster.stop();
    },
    startDatabase: () => cluster.start(),
    killDatabase: () => {
      spawnSync('kill', ['-9', cluster.pidLine(0)]);
    },
    killServer: () =>
      new Promise((resolve) => {
        server.child.once('exit', () => {
          resolve();
        });
        server.child.kill('SIGKILL');
      }),
    startServer: async (more = {}) => {
      server = start({ PORT: port, ...more });
      await server.ready;
    },
    anotherServer: async () => {
      const other = start({ PORT: '0' });
      return { base: `http://127.0.0.1:${await other.ready}`, stop: () => other.stop() };
    },
    processes: () => readFileSync(`/proc/${server.child.pid}/task/${server.child.pid}/children`, 'utf8').trim().split(' ').map(Number),
    worker: () =>
      fork(`${ROOT}/server/dist/worker.js`, [], {
        env: { ...process.env, DATABASE_URL: cluster.database('druckerei').app, LOG_LEVEL: 'silent', ...env },
        stdio: 'ignore',
      }),
    dropDatabase: () => {
      cluster.dropDatabase('druckerei');
    },
    // What the commands npm run backup and npm run restore do, on this cluster.
    backup: (file) => backup(cluster, 'druckerei', file),
    restore: (file) => restore(cluster, 'druckerei', file),
    newer: (file, to) => {
      const bytes = readFileSync(file);
      const end = bytes.indexOf(10);
      const head = JSON.parse(bytes.subarray(0, end).toString()) as { version: number };
      writeFileSync(to, Buffer.concat([Buffer.from(JSON.stringify({ ...head, version: 9_999 })), bytes.subarray(end)]));
      return to;
    },
    end: async () => {
      await server.stop();
      cluster.stop();
    },
  };
}
