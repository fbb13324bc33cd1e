import { createHash } from 'node:crypto';
import * as z from 'zod';
import type { Db } from './pool';

/** Each question's rows; what they are its asker checks. */
const Answers = z.record(z.string(), z.array(z.unknown()));

interface Ask {
  sql: string;
  values: readonly unknown[];
  resolve: (rows: unknown[]) => void;
  reject: (error: unknown) => void;
}

/**
 * Questions that do not wait for each other, asked in one statement: a page hangs on a dozen small tables, and the way to the database and back costs more than
 * they do. Whatever is asked in one turn of the program goes together; what is asked after an answer goes in the next. Reading only, and no more than rows of
 * JSON: no bytes, no dates as such.
 */
export class Together {
  private asks: Ask[] = [];

  constructor(private readonly db: Db) {}

  rowsOf(sql: string, values: readonly unknown[]): Promise<unknown[]> {
    return new Promise((resolve, reject) => {
      if (this.asks.length === 0) setImmediate(() => void this.send());
      this.asks.push({ sql, values, resolve, reject });
    });
  }
  /** Nothing is written here: what writes has an order. */
  readonly query: Db['query'] = () => {
    throw new Error('only reading goes together');
  };

  private async send(): Promise<void> {
    const asks = this.asks;
    this.asks = [];
    const text = joined(asks);
    try {
      const { rows } = await this.db.query({ name: nameOf(text), text, values: asks.flatMap((a) => [...a.values]) });
      const answers = Answers.parse(rows[0]);
      for (const [i, ask] of asks.entries()) ask.resolve(answers[`q${i}`] ?? []);
    } catch (error) {
      for (const ask of asks) ask.reject(error);
    }
  }
}

/** A name for a statement: its own fingerprint. */
export const nameOf = (sql: string): string => createHash('sha1').update(sql).digest('base64url');

/** Each statement's values follow those of the ones before it. */
const joined = (asks: readonly Pick<Ask, 'sql' | 'values'>[]): string => {
  let before = 0;
  const parts = asks.map(({ sql, values }, i) => {
    const moved = sql.replace(/\$(\d+)/g, (_, n: string) => `$${before + Number(n)}`);
    before += values.length;
    return `(select coalesce(json_agg(r), '[]') from (${moved}\n) r) as q${i}`;
  });
  return `select\n${parts.join(',\n')}`;
};

/** Reads that go together from here on; those of a caller who reads together already go with them. */
export const together = (db: Db): Together => (db instanceof Together ? db : new Together(db));
