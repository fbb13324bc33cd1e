import fc from 'fast-check';
import { api, type Endpoint } from '@druckerei/contract';
import { Client, TestServer } from './test-server.fixture';

/*
 * Every endpoint gets its example with something wrong in it, many times over: it answers in words, never with a fault of its own. A few hundred requests here,
 * as many as are asked for with npm run fuzz.
 */

const RUNS = Number(process.env['FUZZ_RUNS'] ?? 400);
const FUZZED = Object.entries(api as Record<string, Endpoint>).filter(([name, e]) => e.reply !== 'events' && name !== 'session.signOut');

const server = new TestServer();
const clients = new Map<string, Client>();
let job = '';
beforeAll(async () => {
  await server.start();
  for (const role of ['planner', 'admin', 'press', 'store', 'ink'] as const) clients.set(role, await server.signedIn(role));
  job = (await clients.get('planner')?.order()) ?? '';
  await clients.get('planner')?.release(job);
});
afterAll(() => server.stop());

type Json = string | number | boolean | null | Json[] | { [key: string]: Json };
const ODD: fc.Arbitrary<Json> = fc.oneof(
  fc.constantFrom<Json>(
    null,
    '',
    ' ',
    '\u0000',
    '\ud83d',
    '__proto__',
    'constructor',
    '../../etc/passwd',
    `'; drop table jobs; --`,
    '2026-13-45T99:99',
    'ß'.repeat(5_000),
    true,
    -1,
    0,
    1.5,
    2 ** 31,
    2 ** 53,
    1e308,
    -1e308,
    [],
    {},
    [[[[]]]],
  ),
  fc.string({ unit: 'binary', maxLength: 30 }),
  fc.double({ noNaN: true, noDefaultInfinity: true }),
  fc.jsonValue({ maxDepth: 3 }) as fc.Arbitrary<Json>,
);
const Change = fc.record({
  place: fc.nat(),
  how: fc.constantFrom('replace', 'replace', 'leaveOut', 'addKey', 'twice'),
  value: ODD,
  key: fc.constantFrom('more', '__proto__', 'constructor', '0', 'x'.repeat(200)),
});
type Change = typeof Change extends fc.Arbitrary<infer C> ? C : never;
const BROKEN = ['', '{', '[1,', 'null', '"text"', '[]', '{"a":1}}', '['.repeat(20_000), '{"__proto__":{"roles":["admin"]}}', '\u0000'];

/** Where something can be changed: the value itself, and whatever stands in it. */
const places = (v: unknown, at: string[] = []): string[][] =>
  v !== null && typeof v === 'object' ? [at, ...Object.entries(v).flatMap(([k, inner]) => places(inner, [...at, k]))] : [at];

function changed(given: unknown, { place, how, value, key }: Change): unknown {
  const all = places(given);
  const at = all[place % all.length] ?? [];
  const last = at.at(-1);
  if (last === undefined) return how === 'replace' ? value : given;
  const copy = structuredClone(given) as Record<string, unknown>;
  let inner = copy;
  for (const k of at.slice(0, -1)) inner = inner[k] as Record<string, unknown>;
  if (how === 'replace') inner[last] = value;
  else if (how === 'leaveOut') Reflect.deleteProperty(inner, last);
  else if (how === 'addKey' && inner[last] !== null && typeof inner[last] === 'object')
    Object.defineProperty(inner[last], key, { value, enumerable: true, configurable: true });
  else if (how === 'twice' && Array.isArray(inner[last])) inner[last] = [...(inner[last] as unknown[]), ...(inner[last] as unknown[])];
  return copy;
}
/** As a part of an address; half a character has no place in one. */
const part = (v: unknown): string =>
  encodeURIComponent((typeof v === 'string' ? v : JSON.stringify(v)).replace(/\p{Surrogate}/gu, '\ufffd'));

const Request = fc.record({
  endpoint: fc.constantFrom(...FUZZED),
  /** Of a real job, or of the one in the example, that is nowhere. */
  real: fc.boolean(),
  params: fc.option(Change, { freq: 4 }),
  query: fc.option(Change, { freq: 3 }),
  twice: fc.boolean(),
  body: fc.array(Change, { maxLength: 3 }),
  broken: fc.option(fc.constantFrom(...BROKEN), { freq: 8 }),
  from: fc.nat({ max: 2 ** 24 }),
});

it('every endpoint answers in words whatever it is sent', async () => {
  await fc.assert(
    fc.asyncProperty(Request, async ({ endpoint: [name, e], real, params, query, twice, body, broken, from }) => {
      const home = real && e.path.startsWith('/api/jobs/:id') ? { ...e.example?.params, id: job } : (e.example?.params ?? {});
      const where = (params ? changed(home, params) : home) as Record<string, unknown> | null;
      const path = e.path.replace(/:(\w+)/g, (_, k: string) => part(where?.[k] ?? 'x'));
      const asked = (query ? changed(e.example?.query ?? { find: 'x' }, query) : (e.example?.query ?? {})) as Record<
        string,
        unknown
      > | null;
      const pairs = Object.entries(asked ?? {}).map(([k, v]) => `${part(k)}=${part(v)}`);
      const search = [...pairs, ...(twice ? pairs : [])].join('&');
      const sent = e.body === undefined ? undefined : (broken ?? JSON.stringify(body.reduce<unknown>(changed, e.example?.body ?? {})));
      const role = e.who === 'anyone' || e.who === 'signed-in' ? 'planner' : (e.who.find((r) => clients.has(r)) ?? 'planner');
      const address = `10.${from >> 16}.${(from >> 8) & 255}.${from & 255}`;
      const said = await clients.get(role)!.call(e.method.toUpperCase(), search ? `${path}?${search}` : path, sent, {
        'sec-fetch-site': 'same-origin',
        'x-forwarded-for': address,
      });
      if (said.status >= 500) throw new Error(`${name} answered ${said.status}: ${JSON.stringify(said.body)}`);
      if (said.status >= 400 && said.body['title'] === undefined && said.status !== 431)
        throw new Error(`${name} refused with ${said.status} without a word`);
    }),
    { numRuns: RUNS, ...(process.env['FUZZ_SEED'] !== undefined && { seed: Number(process.env['FUZZ_SEED']) }) },
  );
  expect((await clients.get('planner')!.call('GET', '/healthz')).status).toBe(200);
}, 3_600_000);
