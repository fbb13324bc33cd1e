import { randomUUID } from 'node:crypto';
import type { RegisterDesk } from '@druckerei/contract';
import { practicePress, pullSheets, type Shelf, usualMarks } from '@druckerei/core';
import { type Client, type Said, TestServer } from '../test-server.fixture';

/* The register desk: readings, settings, the loop that brings the simulated press into register, and the practice press. */

const server = new TestServer();
let planner: Client;
let press: Client;
beforeAll(async () => {
  await server.start();
  [planner, press] = [await server.signedIn('planner'), await server.signedIn('press')];
});
afterAll(() => server.stop());

const FRONT = 'card.card.print.front';
const at = (job: string, step = FRONT): string => `/api/register/${job}/${step}`;
const desk = (said: Said): RegisterDesk => said.body as unknown as RegisterDesk;
async function released(wish: object = {}): Promise<string> {
  const job = await planner.order(10_000, wish);
  expect((await planner.release(job)).status).toBe(200);
  return job;
}
const MARKS = usualMarks([720, 520]);
const shifted = (dxMm: number, dyMm = 0, marks = MARKS) =>
  marks.map((m, i) => ({ mark: m.id, dxMm: dxMm + 0.002 * (i % 3), dyMm: dyMm - 0.002 * (i % 2) }));
const reading = (colours: object[], more: object = {}) => ({
  id: randomUUID(),
  reference: 'K',
  marks: MARKS,
  colours,
  sheets: 20,
  sheet: null,
  from: 'typed',
  ...more,
});

it('lists the steps whose register is read, and refuses a step that is not released', async () => {
  const draft = await planner.order();
  expect((await press.call('GET', at(draft))).body['detail']).toContain('not released');
  const job = await released();
  const rows = (await press.call('GET', '/api/register')).body as unknown as { job: string; step: string }[];
  // Front has four inks; the back of one ink is read against the front; the foil against the print.
  expect(rows.filter((r) => r.job === job).map((r) => r.step)).toEqual([FRONT, 'card.card.print.back', 'card.card.foil']);
});

it('lists what was read last first, before newer jobs', async () => {
  const job = await released();
  await press.call('POST', `${at(job)}/readings`, reading([{ ink: 'C', readings: shifted(0.2) }]));
  await released();
  const rows = (await press.call('GET', '/api/register')).body as unknown as { job: string; step: string }[];
  expect(rows[0]).toMatchObject({ job, step: FRONT });
});

it('fits a reading, tells what to set, and counts its sheets as set-up waste of the job', async () => {
  const job = await released();
  const body = reading([{ ink: 'C', readings: shifted(0.2) }]);
  await press.call('POST', `${at(job)}/readings`, body);
  const now = desk(await press.call('POST', `${at(job)}/readings`, body));
  expect(now.turns).toHaveLength(1);
  expect(now.waste).toBe(20);
  const [c] = now.turns[0]?.colours ?? [];
  expect(c).toMatchObject({ ink: 'C', unit: 2, aside: null });
  expect(c?.advice.settings[0]).toMatchObject({ by: 'lateral', steps: -20 });
  const floor = (await press.call('GET', `/api/jobs/${job}/floor`)).body as {
    log: { kind: string; quantity: number; reason: string; device: string }[];
  };
  expect(floor.log.filter((l) => l.device === 'register desk')).toMatchObject([{ kind: 'waste', quantity: 20, reason: 'setup' }]);
});

it('counts what the floor logged while setting up, whoever wrote it, and not what was taken back', async () => {
  const job = await released();
  const entry = (kind: string, more: object): Record<string, unknown> => ({
    ...{ id: randomUUID(), kind, job, step: FRONT, machine: 'press3', pile: null, other: null, quantity: null },
    ...{ reason: '', note: '', witness: '', release: 1, at: server.now, ...more },
  });
  const wrong = entry('waste', { quantity: 1_800, reason: 'setup' });
  const entries = [
    entry('waste', { quantity: 180, reason: 'setup' }),
    entry('waste', { quantity: 9, reason: 'torn' }),
    wrong,
    entry('counter', { other: wrong['id'], note: 'a nought too many' }),
  ];
  const said = await press.call('POST', '/api/floor/entries', { device: 'terminal-1', sentAt: server.now, entries });
  expect(said.body).toMatchObject({ refused: [] });
  expect(desk(await press.call('GET', at(job))).waste).toBe(180);
  await press.call('POST', `${at(job)}/readings`, reading([{ ink: 'C', readings: shifted(0.2) }]));
  expect(desk(await press.call('GET', at(job))).waste).toBe(200);
});

it('brings the simulated press into register: read, set as told, read again', async () => {
  const job = await released();
  let now = desk(await press.call('GET', at(job)));
  for (let turn = 0; turn < 6; turn++) {
    const said = (await press.call('POST', `${at(job)}/simulated-reading`, { marks: now.marks, reference: 'K' })).body as {
      colours: object[];
      says: string;
    };
    expect(said.says).toContain('simulated');
    now = desk(await press.call('POST', `${at(job)}/readings`, reading(said.colours, { marks: now.marks, from: 'simulated' })));
    const last = now.turns.at(-1)?.colours ?? [];
    if (last.every((c) => c.advice.inside)) break;
    const settings = Object.fromEntries(last.filter((c) => c.advice.settings.length > 0).map((c) => [c.ink, c.advice.settings]));
    now = desk(await press.call('POST', `${at(job)}/settings`, { id: randomUUID(), settings }));
  }
  const reads = now.turns.filter((t) => t.what === 'read');
  expect(reads.at(-1)?.colours.every((c) => c.advice.inside)).toBe(true);
  expect(reads.length).toBeLessThanOrEqual(5);
  const worst = (t: (typeof reads)[number] | undefined): number => Math.max(...(t?.colours ?? []).map((c) => c.advice.worstMm));
  expect(worst(reads.at(-1))).toBeLessThan(worst(reads[0]));
});

it('tells the plan what no setting removes', async () => {
  const job = await released();
  const stretched = MARKS.map((m) => ({ mark: m.id, dxMm: 0, dyMm: (0.6 * (m.yMm - 260)) / 1000 }));
  await press.call('POST', `${at(job)}/readings`, reading([{ ink: 'M', readings: stretched }]));
  const shelf = (await planner.call('GET', `/api/jobs/${job}`)).body['shelf'] as Shelf;
  expect(shelf.desks?.register).toMatchObject([{ step: FRONT, ink: 'M', remedy: 'packing' }]);
});

it.each([
  ['a reading in another unit', { colours: [{ ink: 'C', readings: [{ mark: 'G1', dxMm: 100, dyMm: 0 }] }] }, 'another unit'],
  ['two marks at the same place', { marks: [MARKS[0], { ...MARKS[0], id: 'G1b' }] }, 'lies where G1 lies'],
  ['a colour this step does not print', { colours: [{ ink: 'gold', readings: shifted(0.1) }] }, 'does not print'],
  ['no reading', { colours: [] }, 'needs a colour'],
])('refuses %s', async (_name, more, says) => {
  const job = await released();
  const said = await press.call('POST', `${at(job)}/readings`, { ...reading([{ ink: 'C', readings: shifted(0.1) }]), ...more });
  expect(said.status).toBe(400);
  expect(JSON.stringify(said.body['fields'])).toContain(says);
});

it('names units that walk, and colours that drift while nobody sets them', async () => {
  let last = '';
  for (let i = 0; i < 6; i++) {
    last = await released();
    await press.call('POST', `${at(last)}/readings`, reading([{ ink: 'C', readings: shifted(0.15) }], { sheets: 0 }));
  }
  expect(desk(await press.call('GET', at(last))).walking).toMatchObject([{ unit: 2, way: 'lateral' }]);
  for (let i = 0; i < 9; i++)
    await press.call('POST', `${at(last)}/readings`, reading([{ ink: 'C', readings: shifted(0.15 + 0.02 * i) }], { sheets: 0 }));
  const drift = desk(await press.call('GET', at(last))).drift.find((d) => d.ink === 'C' && d.way === 'lateral');
  expect(drift?.drifts).toBe(true);
});

it('works to what the artwork asks where that is finer than the press holds, and reads foil against print', async () => {
  const job = await released({ finestOverprintMm: 0.04 });
  expect(desk(await press.call('GET', at(job)))).toMatchObject({ askedMm: 0.04, holdsMm: 0.05, toleranceMm: 0.04 });
  const foil = desk(await press.call('GET', at(job, 'card.card.foil')));
  expect(foil.inks[0]).toBe('print');
  expect(foil.toleranceMm).toBeLessThanOrEqual(0.3);
});

it('reads readings out of a CSV in micrometres', async () => {
  const said = await press.send('/api/register-files', Buffer.from('ink,mark,dx_um,dy_um\nC,G1,120,-40\n'));
  expect(said.body).toMatchObject({ inks: [{ ink: 'C', readings: [{ mark: 'G1', dxMm: 0.12, dyMm: -0.04 }] }], bad: [] });
  expect((await press.send('/api/register-files', Buffer.from('ink,mark\nC,G1\n'))).body['detail']).toContain('Column dx, dy is missing');
});

it('plays a game of practice again on the server, and keeps the score', async () => {
  const start = practicePress(42, 'shifts', MARKS, [720, 520]);
  const set = Object.fromEntries(
    pullSheets(start).readings.map(({ ink, readings }) => {
      const mean = (of: 'dxMm' | 'dyMm'): number => readings.reduce((n, r) => n + r[of], 0) / readings.length;
      return [
        ink,
        [
          { by: 'lateral', mm: -mean('dxMm'), steps: Math.round(-100 * mean('dxMm')) },
          { by: 'round', mm: -mean('dyMm'), steps: Math.round(-100 * mean('dyMm')) },
        ],
      ];
    }),
  );
  const said = await press.call('POST', '/api/practice', { id: randomUUID(), seed: 42, level: 'shifts', turns: [set, {}] });
  expect(said.body).toMatchObject({ own: { inside: true, waste: 40 }, score: 100 });
  const lazy = await press.call('POST', '/api/practice', { id: randomUUID(), seed: 42, level: 'shifts', turns: [{}, {}, {}] });
  expect(Number(lazy.body['score'])).toBeLessThan(50);
  expect((await press.call('GET', '/api/practice')).body).toMatchObject([{ by: 'Odo Pressnig' }, { score: 100 }]);
});
