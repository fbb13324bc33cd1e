import cluster, { type Worker } from 'node:cluster';
import type { Logger } from 'pino';
import type { Answering } from './answering';

const PAUSE_MS = 1_000;

/**
 * So many processes of this program that answer behind one port; one that ends is begun again. Resolves when all listen.
 * @throws Error where one ends before it listens: what is wrong with it is wrong with all
 */
export function beginProcesses(number: number, log: Logger): Promise<Answering> {
  let stopping = false;
  const fork = (): Worker => {
    const worker = cluster.fork();
    let listened = false;
    worker.once('listening', () => (listened = true));
    worker.once('exit', (code, signal) => {
      if (stopping || !listened) return;
      log.error({ code, signal }, 'an answering process ended; another begins');
      setTimeout(() => {
        if (!stopping) fork();
      }, PAUSE_MS);
    });
    return worker;
  };
  const stop = async (): Promise<void> => {
    stopping = true;
    const left = Object.values(cluster.workers ?? {}).filter((w) => w !== undefined);
    await Promise.all(
      left.map((worker) => {
        const ended = new Promise((resolve) => worker.once('exit', resolve));
        worker.process.kill('SIGTERM');
        return ended;
      }),
    );
  };
  return new Promise((resolve, reject) => {
    let listening = 0;
    for (let i = 0; i < number; i++) {
      const worker = fork();
      worker.once('listening', ({ port }: { port: number }) => {
        if (++listening === number) resolve({ port, stop });
      });
      worker.once('exit', (code) => {
        if (listening < number) reject(new Error(`an answering process ended with code ${code} before it listened`));
      });
    }
  });
}
