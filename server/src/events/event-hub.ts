import { EventEmitter } from 'node:events';
import pg from 'pg';
import type { Logger } from 'pino';
import { Changed } from '@druckerei/contract';
import type { EventsReply } from '../replies';

export const CHANNEL = 'druckerei_changed';
const HEARTBEAT_MS = 15_000;
const RETRY_MS = 1_000;

/** One LISTEN connection per process, outside the pool; every open browser stream hangs on it. Reconnects by itself; clients then read again by version. */
export class EventHub {
  private readonly emitter = new EventEmitter().setMaxListeners(0);
  private readonly ends = new Set<() => void>();
  private client: pg.Client | null = null;
  private stopped = false;

  constructor(
    private readonly url: string,
    private readonly log: Logger,
  ) {}

  async start(): Promise<void> {
    if (this.stopped) return;
    const client = new pg.Client({ connectionString: this.url });
    client.on('error', (err) => this.log.warn({ err: err.message }, 'event connection lost'));
    client.on('end', () => {
      if (!this.stopped) setTimeout(() => void this.start().catch(() => undefined), RETRY_MS).unref();
    });
    client.on('notification', ({ payload }) => {
      const parsed = Changed.safeParse(JSON.parse(payload ?? '{}'));
      if (parsed.success) this.emitter.emit('changed', parsed.data);
    });
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
      this.client = client;
      this.emitter.emit('changed', null);
    } catch (err) {
      await client.end().catch(() => undefined);
      if (!this.client) this.log.warn({ err: (err as Error).message }, 'no event connection yet');
    }
  }

  /** A stream for one browser. A null change means: something may have been missed, read again. */
  stream(): EventsReply {
    return {
      open: (write) => {
        write('retry: 1000\n\n');
        const send = (changed: Changed | null): void =>
          write(`event: ${changed ? 'changed' : 'again'}\ndata: ${JSON.stringify(changed)}\n\n`);
        const beat = setInterval(() => write(': \n\n'), HEARTBEAT_MS);
        const close = (): void => {
          clearInterval(beat);
          this.emitter.off('changed', send);
          this.ends.delete(close);
        };
        this.emitter.on('changed', send);
        this.ends.add(close);
        return close;
      },
    };
  }

  async stop(): Promise<void> {
    this.stopped = true;
    for (const end of [...this.ends]) end();
    await this.client?.end().catch(() => undefined);
  }
}

/** Tells all servers that a thing changed; part of the transaction that changes it. */
export const notifyChanged = async (db: Pick<pg.Pool, 'query'>, changed: Changed): Promise<void> =>
  void (await db.query('select pg_notify($1, $2)', [CHANNEL, JSON.stringify(changed)]));
