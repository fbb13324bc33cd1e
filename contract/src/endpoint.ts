import * as z from 'zod';

/** What a person may do here. */
export const ROLES = ['planner', 'press', 'finishing', 'ink', 'inspector', 'store', 'admin'] as const;
export type Role = (typeof ROLES)[number];

/** One promise of the server. `says` is its line in the OpenAPI document; `example` is a valid request, sent by the endpoint × role test. */
export interface Endpoint {
  method: 'get' | 'post' | 'put' | 'delete';
  path: `/${string}`;
  who: readonly Role[] | 'signed-in' | 'anyone';
  says: string;
  params?: z.ZodObject;
  query?: z.ZodObject;
  body?: z.ZodType;
  reply: z.ZodType | 'file' | 'events';
  /** What kind of file. */
  mime?: 'application/pdf' | 'application/xml' | 'image/svg+xml' | 'text/calendar' | 'image/vnd.dxf' | 'text/csv' | 'application/json';
  /** A list of the body whose entries are looked at one by one: a bad one does not hold the others up. */
  oneByOne?: string;
  /** The body is a file, sent as it is, of so many bytes at most. */
  upload?: number;
  example?: { params?: Record<string, string>; query?: Record<string, string>; body?: unknown };
}

type Key<E> = Extract<keyof E, 'params' | 'query' | 'body'>;
type Out<T> = T extends z.ZodType ? z.output<T> : never;
type In<T> = T extends z.ZodType ? z.input<T> : never;
/** What the handler gets, parsed. */
export type Asked<E extends Endpoint> = { [K in Key<E>]: Out<E[K]> } & (E extends { upload: number } ? { file: Uint8Array } : unknown);
/** What the browser writes. */
export type Sent<E extends Endpoint> = { [K in Key<E>]: In<E[K]> } & (E extends { upload: number } ? { file: unknown } : unknown);
export type Replied<E extends Endpoint> = E['reply'] extends z.ZodType ? z.output<E['reply']> : unknown;
