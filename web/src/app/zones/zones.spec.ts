import { TestBed } from '@angular/core/testing';
import { ActivatedRoute, convertToParamMap, provideRouter } from '@angular/router';
import { EMPTY, type Observable, of } from 'rxjs';
import type { ZoneDesk } from '@druckerei/contract';
import { provideSignedIn } from '../session/signed-in.fixture';
import { ApiCaller } from '../shared/api';
import { Changes } from '../shared/changes';
import { ZonesPage } from './zones-page';

/* Ink zones: the profile over the sheet, a separation on its way, openings that printed well. */

const JOB = '11111111-1111-4111-8111-111111111111';
const desk = (percent: number[] | null): ZoneDesk => ({
  job: JOB,
  number: 2413,
  title: 'Tea list',
  step: 'card.card.print.front',
  machine: 'press3',
  machineName: 'Press 3',
  sheetMm: [100, 70],
  zoneMm: 25,
  zones: 4,
  copies: [{ x: 10, y: 10, w: 40, h: 30, turn: 0 }],
  inks: [{ ink: 'K', percent, opening: percent?.map((p) => Math.round(3 + 0.78 * p)) ?? null, file: percent ? 'k.png' : null }],
  totalInk: null,
  differ: false,
  limitPercent: 320,
  curve: { a: 3, b: 78, d: 0, from: 0, off: 10 },
  logged: 0,
});
let calls: { name: string; sent: { body?: Record<string, unknown>; params?: Record<string, string> } }[];
let answers: Record<string, () => unknown>;
async function open(d: ZoneDesk) {
  calls = [];
  answers = {
    'zones.read': () => d,
    'zones.log': () => d,
    'zones.raster': () => ({ across: 2, values: btoa('\x00\xff\x80\x00'), places: d.copies }),
  };
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideSignedIn('press'),
      { provide: Changes, useValue: { changes$: EMPTY } },
      { provide: ActivatedRoute, useValue: { paramMap: of(convertToParamMap({ job: JOB, step: d.step })) } },
      {
        provide: ApiCaller,
        useValue: {
          call: (name: string, sent: never): Observable<unknown> => {
            calls.push({ name, sent });
            return of(answers[name]?.() ?? {});
          },
        },
      },
    ],
  });
  const f = TestBed.createComponent(ZonesPage);
  await f.whenStable();
  return { f, host: f.nativeElement as HTMLElement };
}
/** Drops a file on the place for all inks, or on that of the first. */
const drop = (host: HTMLElement, onto: 'all' | 'first' = 'first', name = 'k.png'): void => {
  const event = new Event('drop', { cancelable: true });
  Object.defineProperty(event, 'dataTransfer', { value: { files: [new File(['x'], name)] } });
  host.querySelectorAll('.drop')[onto === 'all' ? 0 : 1]?.dispatchEvent(event);
};
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

// Nothing is drawn outside a browser: what the picture shows is looked at in one.
beforeEach(() => jest.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(null));

describe('ink zones', () => {
  it('say what to drop where there is nothing, and draw the profile over the sheet where there is', async () => {
    expect((await open(desk(null))).host.textContent).toContain('Drop a separation of this ink on its name.');
    TestBed.resetTestingModule();
    const { host } = await open(desk([0, 20, 40, 0]));
    expect(document.title).toBe('Ink zones of 2413 Tea list – Druckerei');
    const bars = [...host.querySelectorAll('.bar')].map((b) => Number(b.getAttribute('height')));
    expect((bars[2] ?? 0) / (bars[1] ?? 1)).toBeCloseTo(2, 6);
    expect([...host.querySelectorAll('.opening')].map((t) => t.textContent)).toEqual(['3', '19', '34', '3']);
    expect(host.textContent).toContain('First curve of this press');
  });
  it('lay the separation of the chosen ink on every copy, turned as that lies', async () => {
    const copies = [
      { x: 10, y: 10, w: 40, h: 30, turn: 0 },
      { x: 60, y: 10, w: 30, h: 40, turn: 90 },
    ];
    const { host } = await open({ ...desk([0, 20, 40, 0]), copies });
    expect(calls.find((c) => c.name === 'zones.raster')?.sent.params).toMatchObject({ ink: 'K' });
    // By hand, on a sheet 70 high: middles at (30, 45) and (75, 40); both pictures are 40 × 30 upright
    expect(
      [...host.querySelectorAll('image')].map((i) => [i.getAttribute('width'), i.getAttribute('height'), i.getAttribute('transform')]),
    ).toEqual([
      ['40', '30', 'translate(30 45) rotate(0) translate(-20 -15)'],
      ['40', '30', 'translate(75 40) rotate(90) translate(-20 -15)'],
    ]);
    TestBed.resetTestingModule();
    expect((await open(desk(null))).host.querySelectorAll('image')).toHaveLength(0);
    expect(calls.some((c) => c.name === 'zones.raster')).toBe(false);
  });
  it('read a dropped separation as a task that can be cancelled', async () => {
    const { f, host } = await open(desk(null));
    answers['zones.send'] = () => ({ file: 'f'.repeat(64) });
    answers['tasks.read'] = () => ({ state: 'running', done: 3, of: 10 });
    drop(host);
    await wait(60);
    await f.whenStable();
    expect(calls.find((c) => c.name === 'zones.begin')?.sent.body).toMatchObject({ job: JOB, ink: 'K', name: 'k.png', inkIsDark: true });
    expect(host.textContent).toContain('Reading K');
    ([...host.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Cancel') as HTMLButtonElement).click();
    await f.whenStable();
    expect(calls.at(-1)?.name).toBe('tasks.cancel');
    expect(host.textContent).not.toContain('Reading K');
  });
  it('say why a separation was not read', async () => {
    const { f, host } = await open(desk(null));
    answers['zones.send'] = () => ({ file: 'f'.repeat(64) });
    answers['tasks.read'] = () => ({ state: 'failed', done: 0, of: null, says: 'The PNG is in RGB.' });
    drop(host);
    await wait(60);
    await f.whenStable();
    expect(host.querySelector('[role=alert]')?.textContent).toContain('The PNG is in RGB.');
  });
  it('read a PDF for all inks from the page that was typed, and say what it lacked and what was left aside', async () => {
    const { f, host } = await open(desk(null));
    const page = host.querySelector<HTMLInputElement>('.drop input[inputmode=numeric]')!;
    const type = async (text: string): Promise<void> => {
      page.value = text;
      page.dispatchEvent(new Event('input'));
      await f.whenStable();
    };
    await type('two');
    drop(host, 'all', 'card.pdf');
    await f.whenStable();
    expect(host.querySelector('[role=alert]')?.textContent).toContain('two is no page number');
    expect(calls.some((c) => c.name === 'zones.send')).toBe(false);
    answers['zones.send'] = () => ({ file: 'f'.repeat(64) });
    answers['tasks.read'] = () => ({
      state: 'done',
      result: { read: [{ ink: 'K', width: 4, height: 3, mean: 0.5 }], absent: ['moss'], leftAside: ['Die line'], seconds: 1 },
    });
    await type('2');
    drop(host, 'all', 'card.pdf');
    await wait(60);
    await f.whenStable();
    expect(calls.find((c) => c.name === 'zones.begin')?.sent.body).toMatchObject({ ink: null, page: 2, name: 'card.pdf' });
    expect(host.textContent).toContain('The page has no colour called moss.');
    expect(host.textContent).toContain('does not print it: Die line.');
  });
  test.each([
    [
      { totalInk: { percent: 331.4, inks: 1, at: [{ x: 20, y: 30 }] } },
      'Heaviest spot (circled): 331 % of ink. The paper takes 320 %.',
      true,
    ],
    [{ totalInk: { percent: 320.4, inks: 1, at: [] }, limitPercent: 320 }, '320 % of ink. The paper takes 320 %.', false],
    [{ totalInk: { percent: 90, inks: 1, at: [] }, limitPercent: null }, 'Heaviest spot (circled): 90 % of ink.', false],
    [{ differ: true }, 'what they add up to cannot be told', false],
  ])('add up to the heaviest spot, beside what the paper takes: %j', async (more, says, over) => {
    const { host } = await open({ ...desk([0, 20, 40, 0]), ...more });
    expect(host.textContent).toContain(says);
    expect(host.querySelector('.level-decide') !== null).toBe(over);
    expect(host.querySelectorAll('.spot')).toHaveLength('totalInk' in more ? more.totalInk.at.length : 0);
  });
  it('stop at an opening that is no number', async () => {
    const { f, host } = await open(desk([0, 20, 40, 0]));
    const field = host.querySelector<HTMLInputElement>('[aria-label="Opening of zone 2, %"]')!;
    field.value = '2o';
    field.dispatchEvent(new Event('input'));
    await f.whenStable();
    ([...host.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Log them') as HTMLButtonElement).click();
    await f.whenStable();
    expect(calls.some((c) => c.name === 'zones.log')).toBe(false);
    expect(host.querySelector('[role=alert]')?.textContent).toContain('2o');
  });
  it('log openings that printed well, as told where nothing else was typed', async () => {
    const { f, host } = await open(desk([0, 20, 40, 0]));
    const field = host.querySelector<HTMLInputElement>('[aria-label="Opening of zone 2, %"]');
    if (field) field.value = '25';
    field?.dispatchEvent(new Event('input'));
    await f.whenStable();
    ([...host.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Log them') as HTMLButtonElement).click();
    expect(calls.findLast((c) => c.name === 'zones.log')?.sent.body).toMatchObject({ ink: 'K', openings: [3, 25, 34, 3] });
  });
});
