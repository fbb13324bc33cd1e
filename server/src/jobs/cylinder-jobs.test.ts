import { randomUUID } from 'node:crypto';
import type { FloorEntry, Shelf } from '@druckerei/core';
import type { JobFloor, Terminal } from '@druckerei/contract';
import { drawerCylinders } from '../../../core/src/plan/line-15.fixture';
import { Client, TestServer } from '../test-server.fixture';

/* A set of cylinders from release to the store: readings at the steps, who may release it, its cards. */

const server = new TestServer();
let planner: Client;
let press: Client;
let job = '';
beforeAll(async () => {
  await server.start();
  [planner, press] = [await server.signedIn('planner'), await server.signedIn('press')];
});
afterAll(() => server.stop());

const GRIND = 'cylinders.r1.grind.r1';
const NEXT = 'cylinders.r1.stylus.r1';
const entry = (kind: FloorEntry['kind'], step: string, more: Partial<FloorEntry> = {}): FloorEntry => ({
  ...{ id: randomUUID(), kind, machine: 'cylgrinder1', job, step, pile: null, other: null, quantity: null },
  ...{ reason: '', note: '', witness: '', at: server.now, release: 1 },
  ...more,
});
const send = async (who: Client, ...entries: FloorEntry[]) =>
  (await who.call('POST', '/api/floor/entries', { device: 'terminal-1', sentAt: server.now, entries })).body as {
    accepted: string[];
    refused: { id: string; says: string }[];
  };
const measured = (key: string, value: number, more: Partial<FloorEntry> = {}): FloorEntry =>
  entry('measure', GRIND, { reason: key, value, ...more });
const stepOf = async (step: string): Promise<JobFloor['steps'][number]> =>
  ((await press.call('GET', `/api/jobs/${job}/floor`)).body as unknown as JobFloor).steps.find((s) => s.step === step)!;
const read = async () => (await planner.call('GET', `/api/jobs/${job}`)).body as unknown as { version: number; shelf: Shelf };
const deliver = async (back = false) =>
  planner.call('POST', `/api/jobs/${job}/deliver`, { version: (await read()).version, back, note: back ? 'to try again' : '' });
const cards = async () =>
  (await planner.call('GET', `/api/tool-cards?state=kept&job=${job}`)).body['cards'] as {
    id: string;
    kind: string;
    ink: string;
    owner: string;
  }[];

describe('a set of cylinders', () => {
  beforeAll(async () => {
    job = await planner.orderOf(drawerCylinders({ owner: 'Lindmoor Botanic Garden' }), 1);
    const released = await planner.release(job);
    expect(released.body['fields'] ?? []).toEqual([]);
  });
  it('asks for readings with what is allowed, and keeps the newest of each with who took it', async () => {
    expect((await stepOf(GRIND)).measures.map((m) => [m.key, m.allowed, m.value])).toEqual([
      ['diameter', 'aim 159.139 mm; 159.129 to 159.149 mm', null],
      ['taper', '10 µm or less', null],
      ['rz', '', null],
    ]);
    expect((await send(press, measured('diameter', 159.16), measured('taper', 6))).refused).toEqual([]);
    const { measures } = await stepOf(GRIND);
    expect(measures[0]).toMatchObject({ value: 159.16, within: false, says: '159.160 mm' });
    expect(measures[1]).toMatchObject({ value: 6, within: true });
  });
  it('holds what comes next while a reading lies outside, marks a run begun all the same, and goes on once it is measured right', async () => {
    expect((await stepOf(NEXT)).outside).toEqual(['Grind, polish, gold: diameter 159.160 mm']);
    await send(press, entry('runStart', NEXT));
    const { log } = (await press.call('GET', `/api/jobs/${job}/floor`)).body as unknown as JobFloor;
    expect(log[0]).toMatchObject({ kind: 'runStart', marks: expect.arrayContaining(['outside']) as unknown });
    expect((await read()).shelf.measured?.[GRIND]?.['diameter']).toMatchObject({ value: 159.16 });
    const again = measured('diameter', 159.14, { at: server.now + 1 });
    await send(press, again);
    expect((await stepOf(NEXT)).outside).toEqual([]);
    // Taken back, the one before counts again.
    await send(press, entry('counter', GRIND, { other: again.id, note: 'read wrongly' }));
    expect((await stepOf(NEXT)).outside).toHaveLength(1);
    await send(press, measured('diameter', 159.139, { at: server.now + 1 }));
  });
  it('tells the copper bath what the measured base wants: what is allowed, and on its setup sheet', async () => {
    const copper = async () => {
      const { steps, sheets } = (await press.call('GET', '/api/floor/machines/copperbath1')).body as unknown as Terminal;
      const mine = steps.find((s) => s.step === 'cylinders.r2.copper.r2') ?? steps.find((s) => s.step.endsWith('copper.r2'))!;
      return [mine.measures[0]?.allowed, JSON.stringify(sheets[`${job} ${mine.step}`])];
    };
    expect((await copper())[0]).toBe('259.5 µm or more');
    const base = (value: number): FloorEntry => entry('measure', 'cylinders.r1.base.r2', { reason: 'diameter', value });
    const wrong = base(158.6);
    await send(press, wrong);
    const [allowed, sheet] = await copper();
    expect(allowed).toBe('279.5 µm or more');
    expect(sheet).toContain('158.600 mm');
    expect(sheet).toContain('319.5 µm');
    // Taken back, the order's base counts again.
    await send(press, entry('counter', 'cylinders.r1.base.r2', { other: wrong.id, note: 'read wrongly' }));
    expect((await copper())[0]).toBe('259.5 µm or more');
  });
  it('refuses a reading without a number or a name, and a number elsewhere', async () => {
    const said = await send(press, entry('measure', GRIND, { reason: 'taper' }), measured('', 3), entry('runStart', GRIND, { value: 3 }));
    expect(said.refused.map((r) => r.says.split(' ')[0])).toEqual(['value', 'reason', 'value']);
  });
  it('is not closed while who engraved it released it too', async () => {
    await send(press, entry('runEnd', NEXT), entry('runEnd', 'cylinders.r1.release'));
    const refused = await deliver();
    expect(refused.status).toBe(422);
    expect((refused.body['fields'] as { path: string; says: string }[])[0]).toMatchObject({ path: 'cylinders.r1.release' });
  });
  it('lies in the store once it is closed, a card a cylinder; taken back and closed again it is the same cards', async () => {
    const { log } = (await press.call('GET', `/api/jobs/${job}/floor`)).body as unknown as JobFloor;
    const own = log.find((l) => l.kind === 'runEnd' && l.step === 'cylinders.r1.release')!;
    await send(press, entry('counter', 'cylinders.r1.release', { other: own.id, note: 'by mistake' }));
    await send(planner, entry('runEnd', 'cylinders.r1.release'));
    const closed = await deliver();
    expect([closed.status, closed.body['fields']]).toEqual([200, undefined]);
    const stored = await cards();
    expect(stored.map((c) => [c.kind, c.ink, c.owner])).toEqual(
      ['gold', 'yellow', 'red', 'blue', 'black'].map((ink) => ['cylinder', ink, 'Lindmoor Botanic Garden']),
    );
    expect((await deliver(true)).status).toBe(200);
    expect((await deliver()).status).toBe(200);
    expect((await cards()).map((c) => c.id)).toEqual(stored.map((c) => c.id));
  });
});
