import { raw, type Request, type RequestHandler, type Router } from 'express';
import type { Asked, Endpoint } from '@druckerei/contract';
import * as z from 'zod';
import { canonicalJson, NOT_PLAIN, notPlainAt } from '@druckerei/core';
import type { Ctx } from './context';
import { invalid } from './errors';
import { type EventsReply, type FileReply, WrittenJson } from './replies';

type Answer<E extends Endpoint> = E['reply'] extends z.ZodType
  ? z.input<E['reply']> | WrittenJson
  : E['reply'] extends 'file'
    ? FileReply
    : EventsReply;
export type Handlers<T extends Record<string, Endpoint>> = { [N in keyof T]: (asked: Asked<T[N]>, ctx: Ctx) => Promise<Answer<T[N]>> };

/** An answer that breaks its own promise is our fault, not the asker's: never the error of a wrong field. What the contract does not know stays here. */
function replied(name: string, reply: z.ZodType, answer: unknown): unknown {
  const said = reply.safeParse(answer);
  if (!said.success) throw new Error(`the reply of ${name} breaks the contract: ${z.prettifyError(said.error)}`);
  return said.data;
}
/** What the database wrote goes out as it is: it must be just what the contract says. */
function checkWritten(name: string, reply: z.ZodType, { text }: WrittenJson): void {
  const answer: unknown = JSON.parse(text);
  if (canonicalJson(replied(name, reply, answer)) !== canonicalJson(answer))
    throw new Error(`the reply of ${name} says more than the contract`);
}

/** One rule for every text that comes in: it can be kept and shown. */
function plainOnly(given: unknown): void {
  const bad = notPlainAt(given);
  if (bad !== null) throw invalid([{ path: bad, says: NOT_PLAIN }]);
}

interface Door {
  gate: (who: Endpoint['who']) => RequestHandler;
  context: (req: Request) => Ctx;
  /** Which part of the replies that the database wrote is held against the contract. */
  checked: number;
}

/** Puts a table of endpoints on a router; a missing, misspelt or ill-typed handler does not compile. Rejections go to the one error table. */
export function implement<T extends Record<string, Endpoint>>(
  router: Router,
  table: T,
  handlers: Handlers<T>,
  { gate, context, checked }: Door,
): void {
  for (const name of Object.keys(table) as (keyof T & string)[]) {
    const e: Endpoint = table[name] as Endpoint;
    const handle = handlers[name] as (asked: object, ctx: Ctx) => Promise<unknown>;
    // A file is read only once it is known that its sender may send one.
    const body = e.upload === undefined ? [] : [raw({ type: () => true, limit: e.upload })];
    router[e.method](e.path, gate(e.who), ...body, async (req, res) => {
      const asked: Record<string, unknown> = {};
      for (const k of ['params', 'query', 'body'] as const) {
        if (!e[k]) continue;
        const given: unknown = req[k] ?? {};
        plainOnly(e.oneByOne === undefined ? given : { ...(given as object), [e.oneByOne]: [] });
        asked[k] = e[k].parse(given);
      }
      if (e.upload !== undefined) asked['file'] = Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0);
      const answer = await handle(asked, context(req));
      if (e.reply === 'file') {
        const file = answer as FileReply;
        res
          .set({
            'Content-Type': file.mime,
            'Content-Disposition': `${file.attached ? 'attachment' : 'inline'}; filename="${file.name}"`,
            'Cache-Control': file.forEver ? 'private, max-age=31536000, immutable' : 'no-store',
            // Kept for this session only: whoever signs in next on this browser asks anew.
            ...(file.forEver && { Vary: 'Cookie' }),
          })
          .send(Buffer.from(file.bytes));
      } else if (e.reply === 'events') {
        res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform', 'X-Accel-Buffering': 'no' });
        res.flushHeaders();
        const close = (answer as EventsReply).open(
          (chunk) => res.write(chunk),
          () => res.end(),
        );
        req.on('close', close);
      } else {
        const written = answer instanceof WrittenJson ? answer : null;
        if (written && Math.random() < checked) checkWritten(name, e.reply, written);
        const text = written?.text ?? JSON.stringify(replied(name, e.reply, answer));
        res.set({ 'Cache-Control': 'no-store', 'Content-Type': 'application/json; charset=utf-8' }).send(text);
      }
    });
  }
}
