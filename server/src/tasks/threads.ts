import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import pLimit from 'p-limit';
import { Refused } from '../errors';
import type { ThreadAsk, ThreadSays } from './thread-messages';

const MOST_MB = 1_024;
/** Plans leave much behind at once: room for it halves the collector's work. */
const YOUNG_MB = 128;

/** Heavy work in threads of this process, one for each ask, no more at once than its part of the cores: the others wait. */
export class Threads {
  private readonly lanes: Record<'asked' | 'long', ReturnType<typeof pLimit>>;

  /** @param processes how many share the cores */
  constructor(
    private readonly file: string | URL,
    processes = 1,
  ) {
    const most = Math.max(1, Math.floor(availableParallelism() / processes));
    this.lanes = { asked: pLimit(most), long: pLimit(most) };
  }

  /** Runs to its end; `tell` hears what is said on the way. Ends with the signal. */
  run<K extends ThreadAsk['kind']>(
    ask: Extract<ThreadAsk, { kind: K }>,
    tell: (said: ThreadSays) => void = () => undefined,
    signal?: AbortSignal,
  ): Promise<Extract<ThreadSays, { kind: K }>> {
    // Somebody waits for an answer, or a task has the night: neither waits for the other.
    const lane = ask.kind === 'plans' || ask.kind === 'layout' || ('moves' in ask && ask.moves > 0) ? this.lanes.long : this.lanes.asked;
    return lane(() => (signal?.aborted ? Promise.reject(new Error('stopped')) : this.begin(ask, tell, signal)));
  }

  private begin<K extends ThreadAsk['kind']>(
    ask: Extract<ThreadAsk, { kind: K }>,
    tell: (said: ThreadSays) => void,
    signal?: AbortSignal,
  ): Promise<Extract<ThreadSays, { kind: K }>> {
    return new Promise((resolve, reject) => {
      const worker = new Worker(this.file, {
        workerData: ask,
        resourceLimits: { maxOldGenerationSizeMb: MOST_MB, maxYoungGenerationSizeMb: YOUNG_MB },
      });
      const stop = (): void => void worker.terminate();
      signal?.addEventListener('abort', stop, { once: true });
      worker.on('message', (said: ThreadSays) => {
        if (said.kind === 'refused') reject(new Refused(422, 'refused', said.says));
        else if (said.kind === ask.kind) resolve(said as Extract<ThreadSays, { kind: K }>);
        else tell(said);
      });
      worker.on('error', reject);
      worker.on('exit', () => {
        signal?.removeEventListener('abort', stop);
        reject(new Error(signal?.aborted ? 'stopped' : 'the thread ended without an answer'));
      });
    });
  }
}
