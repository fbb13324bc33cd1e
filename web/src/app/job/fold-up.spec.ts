import { TestBed } from '@angular/core/testing';
import { type Observable, of, throwError } from 'rxjs';
import { cartonDieLine, type CartonAsk, dieLayers, type Edit, type JobSpec } from '@druckerei/core';
import { ApiCaller, type Failure } from '../shared/api';
import { Server } from '../shared/server';
import type { FoldablePart } from './foldable-parts';
import { FoldUp } from './fold-up';

const ASK: CartonAsk = { style: 'reverse', lengthMm: 72, widthMm: 48, heightMm: 126, caliperMm: 0.44 };
const part = (more: Partial<FoldablePart> = {}): FoldablePart => ({
  id: 'carton.blank',
  product: 'carton',
  name: 'tea carton',
  die: cartonDieLine(ASK),
  caliperMm: 0.44,
  askedMm: [72, 48, 126],
  ...more,
});
const spec = (wish: object = {}): JobSpec =>
  ({ products: { carton: { kind: 'made', family: 'folding-carton', wish } } }) as unknown as JobSpec;

async function show(parts: readonly FoldablePart[] = [part()], answer: Observable<unknown> = of({}), wish: object = {}) {
  const sent: unknown[] = [];
  const server = {
    send: (name: string, ask: unknown) => {
      sent.push([name, ask]);
      return answer;
    },
  };
  const file = (name: string, ask: unknown): Observable<Blob> => {
    sent.push([name, ask]);
    return of(new Blob(['x']));
  };
  TestBed.configureTestingModule({
    providers: [
      { provide: Server, useValue: server },
      { provide: ApiCaller, useValue: { file } },
    ],
  });
  URL.createObjectURL = () => 'blob:x';
  URL.revokeObjectURL = () => undefined;
  const kept: string[] = [];
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    kept.push(this.download);
  });
  // jsdom has no graphics card.
  jest.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(null);
  const f = TestBed.createComponent(FoldUp);
  f.componentRef.setInput('parts', parts);
  f.componentRef.setInput('spec', spec(wish));
  const edits: Edit[][] = [];
  f.componentInstance.edits.subscribe((e) => edits.push(e));
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  const press = async (name: string): Promise<void> => {
    [...host.querySelectorAll('button')].find((b) => b.textContent.trim().startsWith(name))!.click();
    await f.whenStable();
  };
  const choose = async (file: File): Promise<void> => {
    const input = host.querySelector<HTMLInputElement>('input[type=file]')!;
    Object.defineProperty(input, 'files', { value: [file], configurable: true });
    input.dispatchEvent(new Event('change'));
    await f.whenStable();
  };
  return { f, host, press, choose, edits, sent, kept };
}
const says = (host: HTMLElement): string => host.textContent.replace(/\s+/g, ' ');

it('measures the inside as it closes, beside what was asked, and says that every panel meets', async () => {
  const { host } = await show();
  const rows = [...host.querySelectorAll('tr')].map((r) => [...r.children].map((c) => c.textContent.trim()).slice(1));
  expect(rows).toEqual([
    ['48 mm', 'asked 48'],
    ['126 mm', 'asked 126'],
    ['72 mm', 'asked 72'],
  ]);
  expect(says(host)).toContain('13 panels on 12 creases');
  expect(says(host)).toContain('Every panel meets where it should.');
});

it('says where nothing is drawn in space, and keeps the sizes', async () => {
  const { host } = await show();
  expect(says(host)).toContain('This browser draws nothing in space.');
  expect(host.querySelector('canvas')!.hidden).toBe(true);
});

it('names a seam that does not close', async () => {
  const good = cartonDieLine({ ...ASK, style: 'sleeve' });
  const move = ([x, y]: readonly [number, number]): [number, number] => [x > 137 ? x - 6 : x, y];
  const die = {
    ...good,
    outline: good.outline.map(move),
    creases: good.creases.map((c) => ({ ...c, from: move(c.from), to: move(c.to) })),
  };
  const { host } = await show([part({ die })]);
  expect(host.querySelector('[role=alert]')!.textContent).toContain('The seam does not close: its panels lie 6.0 mm apart');
});

it('shows one blank after another where there are several', async () => {
  const tray = part({ id: 'b', name: 'tray', die: cartonDieLine({ ...ASK, style: 'tray', heightMm: 30 }), askedMm: [72, 48, 30] });
  const { host, press } = await show([part(), tray]);
  expect(host.querySelector('h2')!.textContent).toBe('tea carton');
  await press('tray');
  expect(host.querySelector('h2')!.textContent).toBe('tray');
  expect(says(host)).toContain('9 panels on 8 creases');
});

it('gives the die line as DXF, as a list of rules, as SVG and PDF, named after the carton', async () => {
  const { press, kept, sent } = await show();
  await press('DXF');
  await press('Rules as CSV');
  await press('SVG');
  await press('PDF');
  expect(kept).toEqual(['tea-carton.dxf', 'tea-carton.csv', 'tea-carton.svg', 'tea-carton.pdf']);
  expect(sent.map((s) => (s as [string])[0])).toEqual(['dieLines.dxf', 'dieLines.csv', 'out.drawing']);
});

describe('a die line from a file', () => {
  const layers = dieLayers(cartonDieLine({ ...ASK, style: 'sleeve' })).map((l) => ({
    name: l.kind === 'cut' ? 'layer 7' : l.kind,
    paths: l.paths.map((p) => (p.closed ? [...p.points, p.points[0]!] : p.points)),
  }));
  const file = new File(['x'], 'own sleeve.dxf');

  it('asks what a layer means and the unit, and is taken once it is an outline', async () => {
    const { host, press, choose, edits, f } = await show([part()], of({ format: 'dxf', unitMm: null, layers, unread: { SPLINE: 2 } }));
    await press('Die line from a file');
    await choose(file);
    expect(says(host)).toContain('Not read: 2 × SPLINE');
    const select = async (label: string, value: string): Promise<void> => {
      const of = [...host.querySelectorAll('select')].find((s) =>
        (s.getAttribute('aria-label') ?? s.closest('label')!.textContent).includes(label),
      )!;
      of.value = [...of.options].find((o) => o.textContent.trim() === value)!.value;
      of.dispatchEvent(new Event('change'));
      await f.whenStable();
    };
    await select('unit', 'millimetres');
    expect(says(host)).toContain('Nothing is cut: say which layer is the cut.');
    await select('What layer layer 7 means', 'cut');
    expect(says(host)).toContain('A blank of 256.3 × 126.4 mm');
    await press('Take this line');
    const [edit] = edits[0]!;
    expect(edit!.at).toEqual(['products', 'carton', 'wish', 'line']);
    expect(edit!.now).toMatchObject({ name: 'own sleeve', slits: [], glue: [expect.anything()] });
    expect((edit!.now as { creases: unknown[] }).creases).toHaveLength(4);
  });
  it('says why a file is refused', async () => {
    const failure: Failure = { status: 422, title: 'Invalid', fields: [{ path: '', says: 'holds no line' }] };
    const { host, press, choose } = await show(
      [part()],
      throwError(() => failure),
    );
    await press('Die line from a file');
    await choose(file);
    expect(says(host)).toContain('The file holds no line.');
  });
  it('leads back to the style', async () => {
    const { press, edits } = await show([part()], of({}), { line: { name: 'own' } });
    await press('Back to the style');
    expect(edits[0]).toEqual([{ at: ['products', 'carton', 'wish', 'line'], was: { name: 'own' } }]);
  });
});
