import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { EMPTY_SHELF, type JobSpec, JobSpecSchema, PlantSchema } from '@druckerei/core';
import { plan } from '@druckerei/core/planning';
import ordersJson from '../../../../demo/orders.json';
import plantJson from '../../../../demo/plant.json';
import { Drawing } from '../drawings/drawing';
import { provideAsking } from '../session/signed-in.fixture';
import { SectionSheets, sheetsOf } from './section-sheets';

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
