import { randomUUID } from 'node:crypto';
import type { BoardPage, InkDesk, KitchenPage, Match, Pail, StepNow } from '@druckerei/contract';
import { INVENTED_BASES, type Lab, mixed, printedLab, usualPaper } from '@druckerei/core';
import { type Client, type Said, TestServer } from '../test-server.fixture';

/* The ink kitchen: from the customer's sample by recipe, batch and draw-down to a press that may begin. */

const server = new TestServer();
let planner: Client;
let kitchen: Client;
beforeAll(async () => {
  await server.start();
  [planner, kitchen] = [await server.signedIn('planner'), await server.signedIn('ink')];
});
afterAll(() => server.stop());

const INK = 'moss green';
const at = (job: string, ink = INK): string => `/api/kitchen/${job}/${encodeURIComponent(ink)}`;
const measured = (lab: Lab | readonly number[], more: object = {}) => ({ lab, mode: 'M1', backing: 'white', from: 'typed', ...more });
const desk = (said: Said): InkDesk => said.body as unknown as InkDesk;
const order = (wish: object = {}): Promise<string> => planner.order(10_000, { front: ['K', INK], back: [], ...wish });
/** A colour the bases can make. */
const ofBases = (parts: Record<string, number>): Lab => {
  const of = INVENTED_BASES.filter((b) => b.id in parts);
  return printedLab(
    {
      ...mixed(
        of,
        of.map((b) => parts[b.id] ?? 0),
      ),
      gsm: 1.15,
    },
    usualPaper('matt'),
  );
};
const TARGET = ofBases({ clear: 60, reed: 25, lemon: 15 });
const sample = (job: string, more: object = {}): Promise<Said> =>
  kitchen.call('POST', `${at(job)}/sample`, { id: randomUUID(), measured: measured(TARGET), tolerance: 2, ...more });
const match = (job: string, more: object = {}): Promise<Said> =>
  kitchen.call('POST', `${at(job)}/match`, {
    most: 3,
    wish: 1,
    leftOverShare: 0,
    bases: ['clear', 'reed', 'lemon', 'soot', 'harbour'],
    ...more,
  });
async function mixedBatch(job: string, more: object = {}): Promise<InkDesk> {
  await sample(job);
  const [best] = (await match(job)).body['found'] as Match[];
  const recipe = best?.parts ?? [];
  const weighed = recipe.map((p) => ({ base: p.base, kg: (2 * p.parts) / 100, lot: `lot-${p.base}` }));
  return desk(await kitchen.call('POST', `${at(job)}/batches`, { id: randomUUID(), recipe, weighed, pails: 2, place: 'shelf 1', ...more }));
}
const drawDown = async (batch: string, lab: Lab | readonly number[]): Promise<InkDesk> =>
  desk(await kitchen.call('POST', `/api/batches/${batch}/draw-downs`, { id: randomUUID(), measured: measured(lab) }));

it('lists the inks that open jobs want mixed, with base inks and at least 200 house recipes', async () => {
  const job = await order();
  const page = (await kitchen.call('GET', '/api/kitchen')).body as unknown as KitchenPage;
  expect(page.inks.find((i) => i.job === job)).toMatchObject({ ink: INK, stands: 'noSample', lab: null });
  expect(page.bases.length).toBeGreaterThan(9);
  expect(page.recipes.length).toBeGreaterThanOrEqual(200);
});

it('lists first what a press of the board wants first, and says when', async () => {
  const [drafted, job] = [await order(), await order()];
  expect((await planner.release(job)).status).toBe(200);
  const board = async (): Promise<BoardPage> => (await planner.call('GET', '/api/board')).body as unknown as BoardPage;
  const inks = async (): Promise<KitchenPage['inks']> => ((await kitchen.call('GET', '/api/kitchen')).body as unknown as KitchenPage).inks;
  expect((await planner.call('POST', '/api/board/accept', { base: (await board()).nr })).status).toBe(200);
  const start = (await board()).bars.find((b) => b.job === job && b.step.startsWith('card.card.print'))!.start;
  const rows = await inks();
  expect(rows.find((r) => r.job === job)?.wantedAt).toBe(start);
  expect(rows.find((r) => r.job === drafted)?.wantedAt).toBeNull();
  expect(rows.findIndex((r) => r.job === job)).toBeLessThan(rows.findIndex((r) => r.job === drafted));
});

it('takes a sample, and names what a colour cannot be', async () => {
  const job = await order();
  expect(desk(await sample(job)).sample).toMatchObject({ tolerance: 2, by: 'Rosalind Farbach' });
  const bad = await sample(job, { measured: measured([150, 0, 0]) });
  expect(bad.status).toBe(400);
  expect(JSON.stringify(bad.body['fields'])).toContain('L* is at most 100');
  expect((await kitchen.call('GET', at(job, 'K2'))).status).toBe(404);
});

it('matches the sample on the job’s stock, and says how it looked', async () => {
  const job = await order();
  expect((await match(job)).body['detail']).toContain('Enter the customer’s sample first');
  await sample(job);
  const said = (await match(job)).body as unknown as { found: Match[]; exact: boolean };
  expect(said.exact).toBe(true);
  expect(said.found[0]).toMatchObject({ withinWish: true, deltaEUnderA: null });
  const wide = (await match(job, { most: 4, bases: undefined })).body as unknown as { exact: boolean };
  expect(wide.exact).toBe(false);
});

it('writes a batch once with the lot of every base, and finds it again by a lot', async () => {
  const job = await order();
  await sample(job);
  const body = {
    id: randomUUID(),
    recipe: [{ base: 'clear', parts: 100 }],
    weighed: [{ base: 'clear', kg: 1.2, lot: 'CL-77' }],
    pails: 2,
    place: '',
  };
  await kitchen.call('POST', `${at(job)}/batches`, body);
  const twice = desk(await kitchen.call('POST', `${at(job)}/batches`, body));
  expect(twice.batches).toHaveLength(1);
  expect(twice.batches[0]?.pails.map((p) => p.kg)).toEqual([0.6, 0.6]);
  const trace = (await planner.call('GET', '/api/ink-lots/CL-77')).body as unknown as { job: string; kg: number; lots: object[] }[];
  expect(trace).toMatchObject([{ job, kg: 1.2, lots: [{ base: 'clear', lot: 'CL-77' }] }]);
  const noLot = await kitchen.call('POST', `${at(job)}/batches`, {
    ...body,
    id: randomUUID(),
    weighed: [{ base: 'clear', kg: 1, lot: '' }],
  });
  expect(JSON.stringify(noLot.body['fields'])).toContain('what lot of Clear let-down was it');
});

it('binds bases by what the order says: food keeps out what migrates, a use what does not stand it', async () => {
  const job = await order({ food: true, stands: ['light'] });
  await sample(job);
  const weigh = (base: string) =>
    kitchen.call('POST', `${at(job)}/batches`, {
      id: randomUUID(),
      recipe: [{ base, parts: 1 }],
      weighed: [{ base, kg: 1, lot: 'x' }],
      pails: 1,
      place: '',
    });
  expect(JSON.stringify((await weigh('tin')).body['fields'])).toContain('may not go in: the order binds its inks (food, light)');
  expect(JSON.stringify((await weigh('violet')).body['fields'])).toContain('may not go in');
  expect((await weigh('harbour')).status).toBe(200);
});

it('judges a draw-down; only one inside is accepted, outside somebody decides by name and with a reason', async () => {
  const job = await order();
  const { batches } = await mixedBatch(job);
  const batch = batches[0]?.id ?? '';
  const off = await drawDown(batch, [TARGET[0] - 8, TARGET[1], TARGET[2]]);
  const id = off.drawDowns[0]?.id ?? '';
  const answer = (answered: string, reason = '', of = id) =>
    kitchen.call('POST', `/api/draw-downs/${of}/answer`, { answer: answered, reason });
  expect((await answer('accept')).body['detail']).toContain('more than the tolerance');
  expect((await answer('decide')).body['fields']).toEqual([{ path: 'reason', says: 'says in a few words why' }]);
  expect(desk(await answer('adjust')).drawDowns[0]?.answer?.answer).toBe('adjust');
  expect((await answer('decide', 'the customer stood beside it')).status).toBe(409);
  const good = await drawDown(batch, TARGET);
  expect(desk(await answer('accept', '', good.drawDowns[0]?.id)).drawDowns[0]?.answer).toMatchObject({
    answer: 'accept',
    by: 'Rosalind Farbach',
  });
});

it('says what to add to a batch that is off, and adding it brings the simulated instrument nearer', async () => {
  const job = await order();
  await sample(job);
  const recipe = [
    { base: 'clear', parts: 75 },
    { base: 'reed', parts: 14 },
    { base: 'lemon', parts: 11 },
  ];
  const weighed = recipe.map((p) => ({ base: p.base, kg: p.parts / 50, lot: 'a' }));
  const made = desk(await kitchen.call('POST', `${at(job)}/batches`, { id: randomUUID(), recipe, weighed, pails: 1, place: '' }));
  const batch = made.batches[0]?.id ?? '';
  const reading = async (n: number): Promise<InkDesk> => {
    const { measured: m, says } = (await kitchen.call('POST', `/api/batches/${batch}/simulated-reading`, { reading: n })).body as never as {
      measured: object;
      says: string;
    };
    expect(says).toContain('simulated');
    return desk(await kitchen.call('POST', `/api/batches/${batch}/draw-downs`, { id: randomUUID(), measured: m }));
  };
  const first = await reading(1);
  const off = first.drawDowns[0]?.verdict.deltaE ?? 0;
  expect(off).toBeGreaterThan(2);
  const correction = (
    await kitchen.call('POST', `/api/draw-downs/${first.drawDowns[0]?.id ?? ''}/correction`, { mostShare: 0.6, allBases: false })
  ).body as unknown as {
    add: { base: string; kg: number }[];
    deltaE: number;
  };
  expect(correction.deltaE).toBeLessThan(off);
  const add = correction.add.map((a) => ({ ...a, lot: 'b' }));
  const more = desk(
    await kitchen.call('POST', `/api/batches/${batch}/additions`, { id: randomUUID(), weighed: add, reason: 'after draw-down 1' }),
  );
  expect(more.batches[0]?.weighings).toHaveLength(3 + add.length);
  expect((await reading(2)).drawDowns[0]?.verdict.deltaE).toBeLessThan(off);
});

it('lets the press begin only with an accepted draw-down of the newest kind, and marks a run begun without', async () => {
  const job = await order();
  await planner.release(job);
  const press = await server.signedIn('press');
  const step = async (): Promise<StepNow> =>
    ((await press.call('GET', `/api/jobs/${job}/floor`)).body['steps'] as StepNow[]).find((s) => s.step === 'card.card.print') as StepNow;
  expect((await step()).locked).toEqual([INK]);
  const codes = async (): Promise<string[]> =>
    Object.keys(
      ((await planner.call('GET', `/api/jobs/${job}`)).body['shelf'] as { desks?: { inks: Record<string, { accepted: boolean }> } }).desks
        ?.inks ?? {},
    );
  const { batches } = await mixedBatch(job);
  const drawn = await drawDown(batches[0]?.id ?? '', TARGET);
  expect((await step()).locked).toEqual([INK]);
  const entry = {
    id: randomUUID(),
    kind: 'runStart',
    machine: 'press3',
    job,
    step: 'card.card.print',
    pile: null,
    other: null,
    quantity: null,
    reason: '',
    note: '',
    witness: '',
    at: server.now,
    release: 1,
  };
  await press.call('POST', '/api/floor/entries', { device: 't', sentAt: server.now, entries: [entry] });
  const log = (await press.call('GET', `/api/jobs/${job}/floor`)).body['log'] as { id: string; marks: string[] }[];
  expect(log.find((l) => l.id === entry.id)?.marks).toContain('noDrawDown');
  await kitchen.call('POST', `/api/draw-downs/${drawn.drawDowns[0]?.id ?? ''}/answer`, { answer: 'accept', reason: '' });
  expect((await step()).locked).toEqual([]);
  expect(await codes()).toEqual([INK]);
});

it('uses a left-over set free first, takes it out of its pail, and takes no more than there is', async () => {
  const first = await order();
  const { batches } = await mixedBatch(first);
  const pail = batches[0]?.pails[0] as Pail;
  const freed = await kitchen.call('POST', `/api/pails/${pail.id}`, { kg: 0.9, place: 'left-overs', free: true });
  expect(freed.body).toMatchObject({ free: true, kg: 0.9 });
  const second = await order();
  await sample(second);
  // Three inks at most, the left-over one of them: no nearer than 3, and beyond the wish none is offered.
  const found = (await match(second, { leftOverShare: 0.2, wish: 3 })).body['found'] as Match[];
  expect(found[0]?.parts.some((p) => p.base === `pail:${pail.id}`)).toBe(true);
  expect(found[0]?.leftOverShare).toBeGreaterThanOrEqual(0.2);
  const batch = (kg: number) => ({
    id: randomUUID(),
    recipe: [{ base: `pail:${pail.id}`, parts: 100 }],
    weighed: [{ base: `pail:${pail.id}`, pail: pail.id, kg, lot: '' }],
    pails: 1,
    place: '',
  });
  expect(JSON.stringify((await kitchen.call('POST', `${at(second)}/batches`, batch(5))).body['fields'])).toContain(
    'more than the pail holds',
  );
  expect((await kitchen.call('POST', `${at(second)}/batches`, batch(0.5))).status).toBe(200);
  const left = ((await kitchen.call('GET', '/api/kitchen')).body as unknown as KitchenPage).pails.find((p) => p.id === pail.id);
  expect(left?.kg).toBeCloseTo(0.4, 6);
});

it('reads measurements out of text files, and names a missing column', async () => {
  const good = await kitchen.send('/api/kitchen-files', Buffer.from('name;L;a;b\ntea;52,1;-31;22\n'));
  expect(good.body).toMatchObject({ rows: [{ name: 'tea', lab: [52.1, -31, 22] }], bad: [] });
  const bad = await kitchen.send('/api/kitchen-files', Buffer.from('name,LAB_L,LAB_A\nx,1,2\n'));
  expect(bad.status).toBe(422);
  expect(bad.body['detail']).toContain('Column LAB_B is missing');
});

it('keeps a recipe in the library under a name of its own', async () => {
  const recipe = {
    id: 'R-test',
    name: 'Trial green',
    parts: [
      { base: 'reed', parts: 40 },
      { base: 'clear', parts: 60 },
    ],
    filmGsm: 1.2,
  };
  expect((await kitchen.call('POST', '/api/recipes', recipe)).body).toMatchObject({ id: 'R-test' });
  expect((await kitchen.call('POST', '/api/recipes', recipe)).body['fields']).toEqual([
    { path: 'id', says: 'is a recipe that is there already' },
  ]);
  expect((await kitchen.call('POST', '/api/recipes', { ...recipe, id: 'R-2', parts: [{ base: 'nobody', parts: 1 }] })).status).toBe(400);
});
