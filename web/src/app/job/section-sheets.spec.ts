import { TestBed } from '@angular/core/testing';
import type { PDFDocumentProxy } from 'pdfjs-dist';
import { openPdf } from '../customer-pages/open-pdf';
import { By } from '@angular/platform-browser';
import { EMPTY_SHELF, type JobSpec, JobSpecSchema, PlantSchema } from '@druckerei/core';
import { plan } from '@druckerei/core/planning';
import ordersJson from '../../../../demo/orders.json';
import plantJson from '../../../../demo/plant.json';
import { Drawing } from '../drawings/drawing';
import { provideAsking } from '../session/signed-in.fixture';
import { CustomerPages } from '../customer-pages/customer-pages';
import { SectionSheets, sheetsOf } from './section-sheets';

/** Stands for the library that draws pages: every page a picture at once. */
jest.mock('../customer-pages/open-pdf', () => ({ openPdf: jest.fn() }));
const pageOf = {
  view: [0, 0, 437, 612],
  getViewport: () => ({ convertToViewportRectangle: (box: number[]) => box }),
  render: () => ({ promise: Promise.resolve() }),
  cleanup: () => undefined,
};

const plant = PlantSchema.parse(plantJson);
const shelf = { ...EMPTY_SHELF, asOf: 1_772_000_000 };
const orders = ordersJson as unknown as { spec: unknown }[];
const specOf = (name: string): JobSpec => JobSpecSchema.parse(orders.find((o) => (o.spec as JobSpec).name === name)!.spec);
const timetable = plan(specOf('Ferry timetable, summer'), plant, shelf);

async function show() {
  TestBed.configureTestingModule({ providers: [provideAsking()] });
  const f = TestBed.createComponent(SectionSheets);
  for (const [name, value] of Object.entries({ job: '11111111-1111-4111-8111-111111111111', plan: timetable, plant, shelf }))
    f.componentRef.setInput(name, value);
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  const drawings = (): Element[] => [...host.querySelectorAll('dk-drawing')];
  return {
    f,
    host,
    drawings,
    press: async (name: string): Promise<void> => {
      [...host.querySelectorAll('button')].find((b) => b.textContent.trim() === name)!.click();
      await f.whenStable();
    },
    pages: (at: number): string[] => [...drawings()[at]!.querySelectorAll('text.strong')].map((t) => t.textContent.trim()),
    settle: () => f.whenStable(),
  };
}

describe('sections on their sheets', () => {
  it('are shown for a booklet, and for no job without', () => {
    expect(sheetsOf(timetable).map((s) => s.says)).toEqual(['sections 1, 2', 'section 3', 'cover']);
    expect(sheetsOf(plan(specOf('Tea tasting card'), plant, shelf))).toEqual([]);
    expect(sheetsOf(null)).toEqual([]);
  });
  it('stand with both sides, form by form', async () => {
    const { press, pages, host } = await show();
    expect(pages(0)).toHaveLength(16);
    expect([...pages(0), ...pages(1)].map(Number).sort((a, b) => a - b)).toEqual([
      ...Array.from({ length: 16 }, (_, i) => 3 + i),
      ...Array.from({ length: 16 }, (_, i) => 27 + i),
    ]);
    await press('cover');
    expect(new Set(pages(0))).toEqual(new Set(['1', '44']));
    expect(host.querySelector('a[href$="/pages.csv"]')).not.toBeNull();
  });
  it('show the customer’s pages small where they lie, turned as they lie, and let them go with the file', async () => {
    jest.mocked(openPdf).mockResolvedValue({
      getPage: () => Promise.resolve(pageOf),
      loadingTask: { destroy: () => Promise.resolve() },
    } as unknown as PDFDocumentProxy);
    HTMLCanvasElement.prototype.toBlob = (done) => {
      done(new Blob(['picture']));
    };
    URL.createObjectURL = jest.fn(() => 'blob:picture');
    URL.revokeObjectURL = jest.fn();
    const { f, drawings, settle } = await show();
    const { pdf } = f.debugElement.query(By.directive(CustomerPages)).componentInstance as CustomerPages;
    const pictures = (): Element[] =>
      drawings()
        .slice(0, 2)
        .flatMap((d) => [...d.querySelectorAll('image')]);
    pdf.emit({ file: new File(['%PDF'], 'pages.pdf'), trims: Array.from({ length: 44 }, () => [9, 9, 428, 604]) });
    for (let i = 0; i < 40; i++) await settle();
    expect(pictures()).toHaveLength(32);
    const [first] = pictures();
    expect([Number(first?.getAttribute('width')), Number(first?.getAttribute('height'))]).toEqual([148, 210]);
    expect(new Set(pictures().map((p) => p.getAttribute('transform')?.split(' ')[0] ?? 'upright')).size).toBe(2);
    pdf.emit(null);
    await settle();
    expect(pictures()).toEqual([]);
    expect(URL.revokeObjectURL).toHaveBeenCalledTimes(32);
  });
  it('on a web have no gripper and no lay: its two sides, the grain along it', async () => {
    const { f, host, settle } = await show();
    const spec = specOf('Ferry timetable, summer');
    Object.assign((spec.products['booklet'] as { wish: object }).wish, { printedOn: 'web', grade: 'Magazine web 60' });
    f.componentRef.setInput('plan', plan(spec, plant, shelf));
    await settle();
    const says = [...host.querySelectorAll('figcaption')].map((c) => c.textContent.replace(/\s+/g, ' ').trim());
    expect(says.slice(0, 2)).toEqual(['Upper side of the web', 'Lower side, the web turned from side to side']);
    const svg = host.querySelector('dk-drawing svg')!;
    expect(svg.getAttribute('aria-label')).toContain('grain runs along the web');
    expect(svg.textContent).not.toContain('gripper');
    expect(svg.querySelector('.lay')).toBeNull();
  });
  it('light a page in both drawings of the sheet and on the folded section while the pointer is on it', async () => {
    const { f, drawings, settle } = await show();
    const first = f.debugElement.query(By.directive(Drawing)).componentInstance as Drawing;
    first.over.emit('page 7');
    await settle();
    expect(drawings().map((d) => d.querySelectorAll('rect.lit').length)).toEqual([1, 0, 1]);
    first.over.emit(null);
    await settle();
    expect(drawings().flatMap((d) => [...d.querySelectorAll('rect.lit')])).toEqual([]);
  });
  it('are folded step by step to one pile with the first page up, by play too, and begin flat with another section', async () => {
    jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick', 'setTimeout'] });
    const { press, pages, settle, host } = await show();
    expect(pages(2)).toHaveLength(8);
    await press('Fold');
    jest.advanceTimersByTime(1_200);
    await settle();
    expect(pages(2)).toHaveLength(4);
    expect(host.textContent).toContain('fold 1: left part under');
    jest.advanceTimersByTime(2_400);
    await settle();
    expect(pages(2)).toEqual(['3']);
    await press('section 2');
    expect(pages(2)).toHaveLength(8);
    jest.useRealTimers();
  });
  it('have a dummy of each section to fold by hand, front and back', async () => {
    const { host } = await show();
    expect([...host.querySelectorAll('.dummy dk-take-out button')].map((b) => b.getAttribute('aria-label'))).toEqual([
      'folding dummy, section 1, front as SVG, true size',
      'folding dummy, section 1, front as PDF, true size',
      'folding dummy, section 1, back as SVG, true size',
      'folding dummy, section 1, back as PDF, true size',
    ]);
  });
});
