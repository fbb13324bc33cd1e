import * as z from 'zod';
import type { Db } from './pool';
import { nameOf, Together } from './together';

/** A statement that gives rows, with what a row looks like: nothing leaves the database unlooked at. */
export interface Rows<T> {
  sql: string;
  row: z.ZodType<T>;
  /** Under which PostgreSQL keeps it read and planned, connection by connection. */
  name: string;
}
export const rows = <T>(row: z.ZodType<T>, sql: string): Rows<T> => ({ sql, row, name: nameOf(sql) });

/** A column that holds a document this program wrote itself, whose own door (or writer) has checked it: only that it is there is asked. */
export const written = <T>(): z.ZodType<T> => z.custom<T>((value) => typeof value === 'object' && value !== null);
/** A document as it was written by this program or one before. @throws Error that says what of it cannot be read: never the fault of the one who asked */
export function stored<T>(door: z.ZodType<T>, document: unknown, what: string): T {
  const read = door.safeParse(document);
  if (!read.success) throw new Error(`${what} cannot be read: ${z.prettifyError(read.error)}`);
  return read.data;
}
/** Bytes of a file. */
export const bytes = z.instanceof(Buffer);

const askedAlone = async (db: Db, { name, sql }: Rows<unknown>, values: readonly unknown[]): Promise<unknown[]> => {
  const { rows: given } = await db.query({ name, text: sql, values: [...values] });
  return given as unknown[];
};

/** All rows. @throws Error that names the column which is not as its schema says: a fault of the program, never of the one who asked. */
export async function many<T>(db: Db, statement: Rows<T>, values: readonly unknown[] = []): Promise<T[]> {
  const given: unknown[] = db instanceof Together ? await db.rowsOf(statement.sql, values) : await askedAlone(db, statement, values);
  const found = z.array(statement.row).safeParse(given);
  if (!found.success) throw new Error(`rows are not as their schema says: ${z.prettifyError(found.error)}\n${statement.sql}`);
  return found.data;
}

/** The only row, or undefined where there is none. @throws Error where there are several: the statement is wrong. */
export async function maybeOne<T>(db: Db, statement: Rows<T>, values: readonly unknown[] = []): Promise<T | undefined> {
  const found = await many(db, statement, values);
  if (found.length > 1) throw new Error(`${found.length} rows where one at most is meant\n${statement.sql}`);
  return found[0];
}

/** The only row. @throws Error where there is none or are several. */
export async function one<T>(db: Db, statement: Rows<T>, values: readonly unknown[] = []): Promise<T> {
  const found = await maybeOne(db, statement, values);
  if (found === undefined) throw new Error(`no row where one is meant\n${statement.sql}`);
  return found;
}
