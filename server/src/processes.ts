import cluster from 'node:cluster';
import type { Logger } from 'pino';
import type { Answering } from './answering';

const PAUSE_MS = 1_000;

// All listen at one socket and each takes what it can answer. Handed out in turns instead, a connection on its way
// to a process that has just been killed would be nobody's, and its browser would wait for ever.
cluster.schedulingPolicy = cluster.SCHED_NONE;

/**
 * So many processes of this program that answer behind one port; one that ends is begun again. Resolves when all listen.
 * @throws Error where one ends before it listens: what is wrong with it is wrong with all
 */
export function beginProcesses(number: number, log: Logger): Promise<Answering> {
  let [allListened, stopping] = [false, false];
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
    const begin = (): void => {
      const worker = cluster.fork();
      worker.once('listening', ({ port }: { port: number }) => {
        if (++listening < number) return;
        allListened = true;
        resolve({ port, stop });
      });
      worker.once('exit', (code, signal) => {
        if (!allListened) reject(new Error(`an answering process ended with code ${code} before it listened`));
        else if (!stopping) {
          // Also one that never listened: it may have begun while the database was away.
          log.error({ code, signal }, 'an answering process ended; another begins');
          setTimeout(() => {
            if (!stopping) begin();
          }, PAUSE_MS);
        }
      });
    };
    for (let i = 0; i < number; i++) begin();
  });
}
