import { TestBed } from '@angular/core/testing';
import { EMPTY_SHELF, type JobSpec, JobSpecSchema, PlantSchema } from '@druckerei/core';
import { plan } from '@druckerei/core/planning';
import ordersJson from '../../../../demo/orders.json';
import plantJson from '../../../../demo/plant.json';
import { keepFile } from '../shared/keep-file';
import { CustomerPages } from './customer-pages';
import type { PdfAnswer, PdfAsk, PdfRead } from './pdf-pages';

/** Stands for the worker: answers when it is told to. */
class Reader {
  onmessage: ((event: { data: PdfAnswer }) => void) | null = null;
  onerror: (() => void) | null = null;
  given: PdfAsk | null = null;
  isStopped = false;
  postMessage(ask: PdfAsk): void {
    this.given = ask;
  }
  terminate(): void {
    this.isStopped = true;
  }
}
const readers: Reader[] = [];
jest.mock('../shared/keep-file', () => ({ keepFile: jest.fn() }));
jest.mock('./pdf-pages.spawn', () => ({
  spawnPdfReader: (): Reader => {
    const reader = new Reader();
    readers.push(reader);
    return reader;
  },
}));

const orders = ordersJson as unknown as { spec: unknown }[];
const spec = JobSpecSchema.parse(orders.find((o) => (o.spec as JobSpec).name === 'Ferry timetable, summer')!.spec);
const [plant, shelf] = [PlantSchema.parse(plantJson), { ...EMPTY_SHELF, asOf: 1_772_000_000 }];
const timetable = plan(spec, plant, shelf);
const pages = (n: number): PdfRead => ({
  kind: 'read',
  trims: Array.from({ length: n }, () => [9, 9, 428, 604]),
  pages: Array.from({ length: n }, () => ({ widthMm: 148, heightMm: 210, bleedMm: 3, isTrimSaid: true, isTurned: false })),
});

async function show() {
  const f = TestBed.createComponent(CustomerPages);
  for (const [name, value] of Object.entries({ plan: timetable, product: 'booklet', plant, shelf })) f.componentRef.setInput(name, value);
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  return {
    host,
    drop: async (file: File): Promise<Reader | undefined> => {
      const event = new Event('drop', { cancelable: true });
      Object.assign(event, { dataTransfer: { files: [file] } });
      host.querySelector('.drop')!.dispatchEvent(event);
      await f.whenStable();
      return readers.at(-1);
    },
    settle: () => f.whenStable(),
  };
}
const pdf = (name = 'timetable.pdf'): File => new File(['%PDF'], name, { type: 'application/pdf' });

describe('a customer’s PDF', () => {
  beforeEach(() => {
    readers.length = 0;
  });
  it('is read, held against the order, and said to fit or not', async () => {
    const { host, drop, settle } = await show();
    const reader = await drop(pdf());
    expect(host.querySelector('mat-progress-bar')).not.toBeNull();
    reader!.onmessage!({ data: pages(44) });
    await settle();
    expect(host.textContent).toContain('Pages, size and bleed are as ordered.');
    (await drop(pdf()))!.onmessage!({ data: pages(42) });
    await settle();
    expect(host.querySelector('[role=alert]')?.textContent).toContain('42 pages; the order asks for 40, or 4, or 44.');
  });
  it('that fits is placed on the sheets: every page on the side and place it has, and the file is kept', async () => {
    const { host, drop, settle } = await show();
    (await drop(pdf()))!.onmessage!({ data: pages(44) });
    await settle();
    [...host.querySelectorAll('button')].find((b) => b.textContent.includes('Sheets with these pages'))!.click();
    const asked = readers.at(-1)!.given!;
    if (asked.kind !== 'place') throw new Error('the pages were not asked to be placed');
    // Two forms of the text and the cover, both sides each; 32, 32 and 32 places.
    expect(asked.sides.map((s) => s.places.length)).toEqual([16, 16, 16, 16, 16, 16]);
    expect(new Set(asked.sides.flatMap((s) => s.places.map((p) => p.pdfPage))).size).toBe(44);
    readers.at(-1)!.onmessage!({ data: { kind: 'placed', bytes: new Uint8Array(3) } });
    await settle();
    expect(jest.mocked(keepFile).mock.calls.map(([, name, kind]) => [name, kind])).toEqual([['sheets with pages', 'pdf']]);
  });
  it('may be given up while it is read, and leaves nothing behind', async () => {
    const { host, drop, settle } = await show();
    const reader = await drop(pdf());
    host.querySelector('button')!.click();
    await settle();
    expect(reader!.isStopped).toBe(true);
    expect(host.querySelector('mat-progress-bar')).toBeNull();
  });
  it('that is locked, broken, no PDF or too large is refused by name', async () => {
    const { host, drop, settle } = await show();
    (await drop(pdf()))!.onmessage!({ data: { kind: 'refused', why: 'locked' } });
    await settle();
    expect(host.textContent).toContain('timetable.pdf is locked with a password');
    (await drop(pdf()))!.onerror!();
    await settle();
    expect(host.textContent).toContain('timetable.pdf cannot be read');
    const before = readers.length;
    await drop(new File(['x'], 'cover.docx'));
    expect(host.textContent).toContain('cover.docx is no PDF');
    const large = pdf('large.pdf');
    Object.defineProperty(large, 'size', { value: 700 * 1024 * 1024 });
    await drop(large);
    expect(host.textContent).toContain('large.pdf is larger than 600 MB');
    expect(readers).toHaveLength(before);
  });
});
