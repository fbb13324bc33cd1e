import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import * as ical from 'node-ical';
import { PDFArray, PDFDict, PDFDocument, PDFName, PDFString } from 'pdf-lib';
import type { JobXmlRead } from '@druckerei/contract';
import { type JobSpec, jobElements, readJobElements, type Scene } from '@druckerei/core';
import { cardSpec } from '../../../core/src/plan/line-1.fixture';
import { type Client, TestServer } from '../test-server.fixture';
import { calendarOf } from './calendar';
import { drawingPdf, MOST_PAGE_MM } from './drawing-pdf';
import { readXml, writeXml } from './job-xml';

/* What goes out is read by other programs: here by programs that are not ours. */

const UPLOAD = { 'sec-fetch-site': 'same-origin', 'content-type': 'application/octet-stream' };

const tool = (command: string, args: string[], input: Uint8Array): string => {
  const done = spawnSync(command, args, { input });
  if (done.error) throw done.error;
  return done.stdout.toString();
};
const words = (pdf: Uint8Array): string => tool('pdftotext', ['-layout', '-', '-'], pdf).replace(/\s+/gu, ' ');
const scene = (w: number, h: number, toScale = true): Scene => ({
  ...{ title: 'sheet', says: 'A sheet.', box: { x: 0, y: 0, w, h }, toScale },
  shapes: [{ kind: 'rect', role: 'sheet', x: 0, y: 0, w, h }],
});

describe('a drawing as PDF', () => {
  it('has a page as large as what is drawn, and the bar to check the printer by', async () => {
    const pdf = await drawingPdf(scene(720, 520), 1_772_000_000);
    // 740 × 556 mm in points of 1/72 inch.
    expect(tool('pdfinfo', ['-'], pdf)).toMatch(/Page size: +2097\.6\d* x 1576\.0\d* pts/);
    expect(words(pdf)).toContain('1:1 · this bar is 100 mm');
    expect(Buffer.compare(pdf, await drawingPdf(scene(720, 520), 1_772_000_000))).toBe(0);
  });
  it('of a chart says that it is not to scale', async () => {
    expect(words(await drawingPdf(scene(100, 60, false), 0))).toContain('not to scale');
  });
  it('longer than a page may be is refused, with the way out', async () => {
    await expect(drawingPdf(scene(MOST_PAGE_MM, 100), 0)).rejects.toThrow('Take it as SVG');
  });
});

describe('layers of a drawing', () => {
  const shapes: Scene['shapes'] = [
    { kind: 'rect', role: 'sheet', x: 0, y: 0, w: 100, h: 60 },
    { kind: 'rect', role: 'cut', x: 10, y: 10, w: 40, h: 30 },
    { kind: 'line', role: 'score', x1: 10, y1: 20, x2: 50, y2: 20 },
    { kind: 'text', role: 'label', x: 20, y: 30, text: 'place 1', sizeMm: 5 },
  ];
  it('say which processing step each is, as another program reads them, and hold what is drawn', async () => {
    const pdf = await PDFDocument.load(await drawingPdf({ ...scene(100, 60), shapes }, 0));
    const groups = pdf.catalog.lookup(PDFName.of('OCProperties'), PDFDict).lookup(PDFName.of('OCGs'), PDFArray);
    const said = groups.asArray().map((ref) => {
      const group = pdf.context.lookup(ref, PDFDict);
      const data = group.lookup(PDFName.of('GTS_Metadata'), PDFDict);
      return [
        group.lookup(PDFName.of('Name'), PDFString).asString(),
        String(data.get(PDFName.of('GTS_ProcStepsGroup'))),
        String(data.get(PDFName.of('GTS_ProcStepsType')) ?? ''),
      ];
    });
    // Names of ISO 19593-1, from memory.
    expect(said).toEqual([
      ['Cutting', '/Structural', '/Cutting'],
      ['Creasing', '/Structural', '/Creasing'],
      ['Legend', '/Legend', ''],
    ]);
    const properties = pdf.getPage(0).node.Resources()?.lookup(PDFName.of('Properties'), PDFDict);
    expect(properties?.values()).toEqual(groups.asArray());
  });
  it('are none where nothing of the drawing is a processing step, and take no word from it', async () => {
    expect((await PDFDocument.load(await drawingPdf(scene(100, 60), 0))).catalog.has(PDFName.of('OCProperties'))).toBe(false);
    expect(words(await drawingPdf({ ...scene(100, 60), shapes }, 0))).toContain('place 1');
  });
});

describe('dates as iCalendar', () => {
  it('are read by another program: moments in UTC, whole days, the same thing by the same name', () => {
    const text = calendarOf(
      'Lindmoor works',
      [
        { uid: 'a@x', title: 'Deliver 10,000; fern', says: 'Choir', place: 'Pier 3, Kestrel Bay', at: Date.UTC(2026, 2, 16, 11) / 1000 },
        { uid: 'b@x', title: 'Board comes', says: '', at: Date.UTC(2026, 2, 9) / 1000, allDay: true },
      ],
      1_772_000_000,
    );
    const read = ical.sync.parseICS(text);
    expect(read['a@x']).toMatchObject({ type: 'VEVENT', summary: 'Deliver 10,000; fern', location: 'Pier 3, Kestrel Bay' });
    expect((read['a@x'] as ical.VEvent).start.toISOString()).toBe('2026-03-16T11:00:00.000Z');
    expect((read['b@x'] as ical.VEvent).datetype).toBe('date');
    expect(text).not.toContain('TZID');
  });
});

describe('a job as XML', () => {
  it('comes back as it went out, also what XML would not hold as it stands', () => {
    const base = cardSpec(10_000);
    const [item] = Object.values(base.items);
    const spec: JobSpec = {
      ...base,
      name: 'Fern & “moss” <1>',
      items: { i1: { ...item!, deliveries: [{ by: '2026-03-16T12:00', share: { only: 10_000 }, to: "O'Hara & Söhne,\nPier 3" }] } },
    };
    const text = writeXml(jobElements(spec, { number: 2401, customer: 'A & B' }));
    expect(text).toContain('<XJDF xmlns="http://www.CIP4.org/JDFSchema_2_0"');
    expect(readJobElements(readXml(Buffer.from(text)))).toMatchObject({ ok: true, own: true, spec, differences: [] });
  });
  it.each([
    ['no XML', 'quantity;10000', 'is no XML'],
    ['a tag that does not end', '<XJDF><ProductList></XJDF>', 'is no XML: line 1'],
    ['nothing', '', 'is no XML'],
    ['nested deeper than a job', `<XJDF>${'<a>'.repeat(60)}${'</a>'.repeat(60)}</XJDF>`, 'nested deeper'],
  ])('refuses %s in words', (_what, text, says) => {
    let said = '';
    try {
      readXml(Buffer.from(text));
    } catch (error) {
      said = JSON.stringify(error);
    }
    expect(said).toContain(says);
  });
  it('follows no entity: neither a bomb nor a file', () => {
    const bomb = `<!DOCTYPE x [<!ENTITY a "${'ha'.repeat(50)}"><!ENTITY b "${'&a;'.repeat(50)}"><!ENTITY c "${'&b;'.repeat(50)}">]><XJDF DescriptiveName="&c;"/>`;
    const file = '<!DOCTYPE x [<!ENTITY f SYSTEM "file:///etc/passwd">]><XJDF DescriptiveName="&f;"/>';
    for (const text of [bomb, file]) {
      let read = '';
      try {
        read = JSON.stringify(readXml(Buffer.from(text)));
      } catch (error) {
        read = JSON.stringify(error);
      }
      expect(read).not.toContain('root:');
      expect(read.length).toBeLessThan(100_000);
    }
  });
});

describe('from the server', () => {
  const server = new TestServer();
  let planner: Client;
  let press: Client;
  beforeAll(async () => {
    await server.start();
    [planner, press] = [await server.signedIn('planner'), await server.signedIn('press')];
  });
  afterAll(() => server.stop());
  const file = async (who: Client, path: string): Promise<Uint8Array> => (await who.call('GET', path)).bytes;

  it('the calendar holds what is promised and when it is ready', async () => {
    const job = await planner.order(10_000);
    const read = ical.sync.parseICS(Buffer.from(await file(press, '/api/calendar.ics')).toString());
    const mine = Object.values(read).filter((e) => e?.type === 'VEVENT' && e.uid.includes(job)) as ical.VEvent[];
    expect(mine.map((e) => e.uid.split('-')[0]).sort()).toEqual(['delivery', 'ready']);
  });
  it('a delivery note says what goes where in how many cartons; one that is not there is not found', async () => {
    const job = await planner.order(10_000);
    const says = words(await file(press, `/api/jobs/${job}/delivery-note.pdf?item=i1&nr=1`));
    expect(says).toContain('10 000');
    expect(says).toMatch(/\d+ of [\d ]+ pieces; the last holds/);
    expect(says).toContain('Received in good order');
    expect((await press.call('GET', `/api/jobs/${job}/delivery-note.pdf?item=i1&nr=2`)).status).toBe(404);
  });
  it('a declaration of lots names what the store issued and what was taken in, and says where nothing is on record', async () => {
    const job = await planner.order(10_000);
    expect(words(await file(press, `/api/jobs/${job}/lots.pdf`))).toContain('No lot is on record');
    const store = await server.signedIn('store');
    const lot = (await server.db.query<{ id: string }>(`select id from lots where owner = 'works' and quantity > 100 limit 1`)).rows[0]!.id;
    await store.call('POST', `/api/lots/${lot}/moves`, { key: randomUUID(), kind: 'issue', quantity: 60, job, note: 'to the press' });
    const says = words(await file(press, `/api/jobs/${job}/lots.pdf`));
    expect(says).toContain(lot);
    expect(says).toContain('60');
    expect(says).toContain('No ink was mixed');
  });
  it('a job goes out as XML and is read back and compared', async () => {
    const job = await planner.order(10_000);
    const bytes = await file(press, `/api/jobs/${job}/job.xml`);
    const read = (await planner.call('POST', '/api/job-xml', Buffer.from(bytes).toString(), UPLOAD)).body as unknown as JobXmlRead;
    expect(read).toMatchObject({ own: true, differences: [] });
    const changed = Buffer.from(bytes).toString().replace('Amount="10000"', 'Amount="9000"');
    const other = (await planner.call('POST', '/api/job-xml', changed, UPLOAD)).body as unknown as JobXmlRead;
    expect(other.differences).toEqual([{ place: 'XJDF/ProductList/Product/@Amount', file: '9000', ours: '10000' }]);
    expect((await press.call('POST', '/api/job-xml', Buffer.from(bytes).toString(), UPLOAD)).status).toBe(403);
    expect((await planner.call('POST', '/api/job-xml', '{}', UPLOAD)).status).toBe(400);
  });
});
