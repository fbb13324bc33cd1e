import { randomUUID } from 'node:crypto';
import { deflateSync } from 'node:zlib';
import type { Task, ZoneDesk, ZonesDone } from '@druckerei/contract';
import { cmyk, PDFDocument } from 'pdf-lib';
import { type Client, TestServer } from '../test-server.fixture';
import { png } from './png.fixture';
import { readSeparation } from './separation';

/** A grey TIFF in strips of two rows. */
function tiff(
  width: number,
  height: number,
  value: (x: number, y: number) => number,
  more: Record<number, number> = {},
  pack = (b: Buffer): Buffer => b,
): Buffer {
  const strips = Array.from({ length: Math.ceil(height / 2) }, (_, s) =>
    pack(
      Buffer.from(Array.from({ length: Math.min(2, height - 2 * s) * width }, (_v, i) => value(i % width, 2 * s + Math.floor(i / width)))),
    ),
  );
  const tags: [number, number[]][] = Object.entries({ 256: width, 257: height, 258: 8, 259: 1, 262: 1, 277: 1, 278: 2, ...more }).map(
    ([t, v]) => [Number(t), [v]],
  );
  const head = 8;
  const size = strips.reduce((n, s) => n + s.length, 0);
  let at = head;
  const offsets = strips.map((s) => (at += s.length) - s.length);
  const lists = head + size;
  tags.push([273, offsets], [279, strips.map((s) => s.length)]);
  tags.sort((a, b) => a[0] - b[0]);
  const long = (values: number[]): Buffer => {
    const b = Buffer.alloc(4 * values.length);
    values.forEach((v, i) => b.writeUInt32LE(v, 4 * i));
    return b;
  };
  const outside: Buffer[] = [];
  let where = lists;
  const entries = tags.map(([tag, values]) => {
    const e = Buffer.alloc(12);
    e.writeUInt16LE(tag, 0);
    e.writeUInt16LE(4, 2);
    e.writeUInt32LE(values.length, 4);
    if (values.length === 1) e.writeUInt32LE(values[0]!, 8);
    else {
      e.writeUInt32LE(where, 8);
      outside.push(long(values));
      where += 4 * values.length;
    }
    return e;
  });
  const start = Buffer.alloc(8);
  start.write('II', 0, 'latin1');
  start.writeUInt16LE(42, 2);
  start.writeUInt32LE(where, 4);
  const count = Buffer.alloc(2);
  count.writeUInt16LE(entries.length, 0);
  return Buffer.concat([start, ...strips, ...outside, count, ...entries, Buffer.alloc(4)]);
}

/** Ink on the left half only: there black. */
const leftHalf =
  (width: number) =>
  (x: number): number =>
    x < width / 2 ? 0 : 255;
const slope = (x: number, y: number): number => (7 * x + 13 * y) % 256;

describe('a separation', () => {
  it.each([0, 1, 2, 3, 4])('is read from a PNG with row filter %s', async (filter) => {
    const { profile, width, height } = await readSeparation(png(9, 5, slope, { filter }), false);
    expect([width, height]).toEqual([9, 5]);
    const column = (x: number): number => Array.from({ length: 5 }, (_, y) => slope(x, y)).reduce((a, b) => a + b, 0) / 5 / 255;
    profile.columns.forEach((c, x) => expect(c).toBeCloseTo(column(x), 9));
  });
  it('of 16 bits counts by its high byte', async () => {
    const { profile } = await readSeparation(png(4, 2, leftHalf(4), { bits: 16, filter: 2 }), true);
    expect(profile.columns).toEqual([1, 1, 0, 0]);
    expect(profile.mean).toBeCloseTo(0.5, 9);
  });
  it.each([
    ['plain strips', {}, (b: Buffer) => b],
    ['deflated strips', { 259: 8 }, (b: Buffer) => deflateSync(b)],
  ])('is read from a TIFF in %s', async (_name, more, pack) => {
    const { profile } = await readSeparation(tiff(6, 5, leftHalf(6), more, pack), true);
    expect(profile.columns).toEqual([1, 1, 1, 0, 0, 0]);
    expect(profile.rows.every((r) => Math.abs(r - 0.5) < 1e-9)).toBe(true);
  });
  it('in which white is zero holds ink as it is', async () => {
    expect((await readSeparation(tiff(4, 2, leftHalf(4), { 262: 0 }), true)).profile.columns).toEqual([0, 0, 1, 1]);
  });
  it.each([
    ['a PNG with transparency', png(2, 2, () => 0, { kind: 4 }), 'grey with transparency'],
    ['a PNG in RGB', png(2, 2, () => 0, { kind: 2 }), 'in RGB'],
    ['a PNG of a palette', png(2, 2, () => 0, { kind: 3 }), 'a palette'],
    ['an interlaced PNG', png(2, 2, () => 0, { interlaced: 1 }), 'interlaced'],
    ['a PNG that breaks off', png(40, 40, slope).subarray(0, 90), 'breaks off'],
    ['a TIFF in tiles', tiff(2, 2, () => 0, { 322: 16 }), 'in tiles'],
    ['a TIFF packed with LZW', tiff(2, 2, () => 0, { 259: 5 }), 'LZW'],
    ['a TIFF of several channels', tiff(2, 2, () => 0, { 277: 4 }), '4 channels'],
    ['a TIFF that breaks off', tiff(40, 40, slope).subarray(0, 900), 'breaks off'],
    ['something else', Buffer.from('GIF89a and so on and on'), 'neither PNG, TIFF nor PDF'],
    ['a picture of no size', png(0, 0, () => 0), 'no size'],
  ])('refuses %s by name', async (_name, bytes, says) => {
    await expect(readSeparation(bytes, true)).rejects.toThrow(says);
  });
});

describe('ink zones of a job', () => {
  const server = new TestServer();
  let planner: Client;
  beforeAll(async () => {
    await server.start();
    planner = await server.signedIn('planner');
    await server.work();
  });
  afterAll(() => server.stop());
  const STEP = 'card.card.print.front';
  const desk = async (job: string): Promise<ZoneDesk> =>
    (await planner.call('GET', `/api/jobs/${job}/zones/${STEP}`)).body as unknown as ZoneDesk;
  /** Sides of the piece as its separation shows it. */
  const sidesOf = (copy: ZoneDesk['copies'][number] | undefined): [number, number] =>
    copy === undefined ? [1, 1] : copy.turn === 90 || copy.turn === 270 ? [copy.h, copy.w] : [copy.w, copy.h];
  async function lay(job: string, bytes: Buffer, ink: string | null = 'K', page = 1): Promise<Task> {
    const { file } = (await planner.send('/api/separations', bytes)).body as { file: string };
    const id = randomUUID();
    await planner.call('POST', '/api/tasks/zones', { id, job, step: STEP, ink, file, name: 'k.png', page, inkIsDark: true });
    for (let i = 0; i < 100; i++) {
      const task = (await planner.call('GET', `/api/tasks/${id}`)).body as unknown as Task;
      if (task.state === 'done' || task.state === 'failed') return task;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error('the task did not end');
  }

  it('come from a separation laid on every copy, and no ink is lost', async () => {
    const job = await planner.order();
    const before = await desk(job);
    expect(before.inks.map((i) => i.percent)).toEqual([null, null, null, null]);
    const [w, h] = sidesOf(before.copies[0]);
    const task = await lay(
      job,
      png(Math.round(w), Math.round(h), () => 0),
    );
    expect(task).toMatchObject({ state: 'done', result: { read: [{ ink: 'K', mean: 1 }], absent: [], leftAside: [] } });
    const { inks, zoneMm, sheetMm, copies, curve } = await desk(job);
    const area = (inks[0]?.percent ?? []).reduce((n, p) => n + (p / 100) * zoneMm * sheetMm[1], 0);
    expect(area).toBeCloseTo(
      copies.reduce((n, c) => n + c.w * c.h, 0),
      0,
    );
    expect(inks[0]?.opening?.length).toBe(inks[0]?.percent?.length);
    expect(curve.from).toBe(0);
    const csv = new TextDecoder().decode((await planner.call('GET', `/api/jobs/${job}/zones/${STEP}/zones.csv`)).bytes);
    expect(csv).toContain('ink,zone,coverage %,opening %');
  });
  it('come from one PDF for every ink of the pass, and add up to the total ink that the plan goes by', async () => {
    const job = await planner.order();
    const { copies, inks } = await desk(job);
    const [w, h] = sidesOf(copies[0]);
    const doc = await PDFDocument.create();
    const page = doc.addPage([w, h]);
    page.drawRectangle({ x: 0, y: 0, width: w / 2, height: h, color: cmyk(1, 1, 1, 0.5) });
    page.drawRectangle({ x: w / 2, y: 0, width: w / 2, height: h, color: cmyk(0.2, 0, 0, 0) });
    const task = await lay(job, Buffer.from(await doc.save()), null);
    expect(task).toMatchObject({ state: 'done', result: { absent: [], leftAside: [] } });
    expect((task.result as ZonesDone).read.map((r) => [r.ink, Math.round(100 * r.mean)])).toEqual(
      inks.map(({ ink }) => [ink, { C: 60, M: 50, Y: 50, K: 25 }[ink]]),
    );
    const after = await desk(job);
    expect(after.totalInk).toMatchObject({ inks: 4 });
    expect(after.totalInk?.at).toHaveLength(copies.length);
    expect(Math.round(after.totalInk?.percent ?? 0)).toBe(350);
    expect(after.limitPercent).toBe(320);
    // The left half of yellow is full, the right half empty; it lies on every copy.
    const raster = (await planner.call('GET', `/api/jobs/${job}/zones/${STEP}/rasters/Y`)).body as {
      across: number;
      values: string;
      places: object[];
    };
    const row = [...Buffer.from(raster.values, 'base64').subarray(0, raster.across)];
    expect([row[0], row.at(-1), raster.places.length]).toEqual([255, 0, copies.length]);
    expect((await planner.call('GET', `/api/jobs/${job}/zones/${STEP}/rasters/gold`)).status).toBe(404);
    const total = async (): Promise<unknown> =>
      ((await planner.call('GET', `/api/jobs/${job}`)).body as { shelf: { desks?: { totalInk?: object } } }).shelf.desks?.totalInk;
    expect(Object.values((await total()) as object).map(Math.round)).toEqual([350]);
    // One ink of another size: it cannot be laid over the others, and nothing is said of the sum.
    await lay(
      job,
      png(2 * Math.round(w), 2 * Math.round(h), () => 0),
    );
    expect(await desk(job)).toMatchObject({ totalInk: null, differ: true });
    expect(await total()).toBeUndefined();
  });
  it('read the same file again for another ink, from another page, or the other way round', async () => {
    const job = await planner.order();
    const [w, h] = sidesOf((await desk(job)).copies[0]);
    const doc = await PDFDocument.create();
    for (const black of [1, 0.4]) doc.addPage([w, h]).drawRectangle({ x: 0, y: 0, width: w, height: h, color: cmyk(0, 0, 0, black) });
    const bytes = Buffer.from(await doc.save());
    const read = async (page: number, ink: string): Promise<number> =>
      ((await lay(job, bytes, ink, page)).result as ZonesDone).read[0]?.mean ?? -1;
    expect(await read(1, 'K')).toBeCloseTo(1, 3);
    expect(await read(2, 'K')).toBeCloseTo(0.4, 2);
    expect(await read(2, 'C')).toBe(0);
    expect((await lay(job, bytes, 'K', 3)).says).toContain('there is no page 3');
  });
  it('refuse a picture for all inks, a file that was not sent, and an ink of another pass', async () => {
    const job = await planner.order();
    expect(
      (
        await lay(
          job,
          png(4, 4, () => 0),
          null,
        )
      ).says,
    ).toContain('Drop it on the name of its ink');
    const ask = { job, step: STEP, name: 'k.png', page: 1, inkIsDark: true };
    const begin = (more: object) => planner.call('POST', '/api/tasks/zones', { id: randomUUID(), ...ask, ...more });
    expect((await begin({ ink: 'K', file: 'f'.repeat(64) })).status).toBe(404);
    expect((await begin({ ink: 'gold', file: 'f'.repeat(64) })).body['fields']).toEqual([{ path: 'ink', says: 'is none of this pass' }]);
  });
  it('refuse a separation of other sides than copy or sheet, by its size', async () => {
    const task = await lay(
      await planner.order(),
      png(900, 20, () => 0),
    );
    expect(task.state).toBe('failed');
    expect(task.says).toContain('900 × 20 pixels');
  });
  it('learn the press’s own curve from openings that printed well', async () => {
    const job = await planner.order();
    const { copies } = await desk(job);
    const [w, h] = sidesOf(copies[0]);
    await lay(
      job,
      png(Math.round(w), Math.round(h), (x, y) => (x * y) % 256),
    );
    const { inks } = await desk(job);
    const percent = inks[0]?.percent ?? [];
    const log = (openings: number[]) =>
      planner.call('POST', `/api/jobs/${job}/zones/${STEP}/settings`, { id: randomUUID(), ink: 'K', openings });
    expect(JSON.stringify((await log([1])).body['fields'])).toContain(`this press has ${percent.length} zones`);
    const after = (await log(percent.map((p) => Math.min(10 + 0.5 * p, 100)))).body as unknown as ZoneDesk;
    expect(after.logged).toBe(percent.length);
    expect(after.curve.from).toBe(percent.length);
    expect(after.curve.a).toBeCloseTo(10, 0);
  });
});
