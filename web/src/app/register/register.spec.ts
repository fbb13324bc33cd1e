import { TestBed } from '@angular/core/testing';
import { ActivatedRoute, convertToParamMap, provideRouter } from '@angular/router';
import { EMPTY, type Observable, of } from 'rxjs';
import type { RegisterDesk } from '@druckerei/contract';
import { adviseRegister, fitRegister, type Reading, usualMarks } from '@druckerei/core';
import { provideSignedIn } from '../session/signed-in.fixture';
import { ApiCaller } from '../shared/api';
import { Changes } from '../shared/changes';
import { PracticePage } from './practice-page';
import { ReadingGrid } from './reading-grid';
import { RegisterPage } from './register-page';

/* The register desk and the practice press: what is shown, what is told to set, what is sent. */

const JOB = '11111111-1111-4111-8111-111111111111';
const STEP = 'card.card.print.front';
const SHEET: [number, number] = [720, 520];
const MARKS = usualMarks(SHEET);
const turn = (
  ink: string,
  of: (m: (typeof MARKS)[number]) => [number, number],
  what: 'read' | 'set' = 'read',
): RegisterDesk['turns'][number] => {
  const readings: Reading[] = MARKS.map((m, i) => ({ mark: m.id, dxMm: of(m)[0] + 0.001 * (i % 3), dyMm: of(m)[1] - 0.001 * (i % 2) }));
  const fit = fitRegister(MARKS, readings, SHEET);
  return {
    id: crypto.randomUUID(),
    what,
    reference: 'K',
    colours:
      what === 'set'
        ? []
        : [
            {
              ink,
              unit: 2,
              readings,
              terms: fit.terms,
              left: fit.left,
              sdMm: fit.sdMm,
              aside: fit.aside,
              advice: adviseRegister(fit, MARKS, SHEET, 0.05),
            },
          ],
    set: {},
    waste: 20,
    sheet: null,
    from: 'simulated',
    by: 'Odo Pressnig',
    at: 0,
  };
};
const desk = (turns: RegisterDesk['turns'], more: Partial<RegisterDesk> = {}): RegisterDesk => ({
  job: JOB,
  number: 2413,
  title: 'Tea list',
  step: STEP,
  stepName: 'Print, front',
  machine: 'press3',
  machineName: 'Press 3',
  inks: ['K', 'C'],
  sheetMm: SHEET,
  marks: MARKS,
  toleranceMm: 0.05,
  askedMm: null,
  holdsMm: 0.05,
  turns,
  waste: 20,
  setupSheets: 225,
  drift: [],
  walking: [],
  traps: [{ spreads: 'C', into: 'K', widthMm: 0.09 }],
  ...more,
});
let calls: { name: string; sent: { body?: Record<string, unknown> } }[];
let answers: Record<string, unknown>;
function provide(d: RegisterDesk | null): void {
  calls = [];
  answers = {
    'register.list': [
      {
        job: JOB,
        number: 2413,
        title: 'Tea list',
        step: STEP,
        stepName: 'Print, front',
        machineName: 'Press 3',
        state: 'released',
        turns: 1,
        inside: false,
      },
    ],
    'register.read': d,
    'register.set': d,
    'register.send': d,
    'register.scores': [],
  };
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideSignedIn('press'),
      { provide: Changes, useValue: { changes$: EMPTY } },
      { provide: ActivatedRoute, useValue: { paramMap: of(convertToParamMap({ job: JOB, step: STEP })) } },
      {
        provide: ApiCaller,
        useValue: {
          call: (name: string, sent: never): Observable<unknown> => {
            calls.push({ name, sent });
            return of(answers[name]);
          },
        },
      },
    ],
  });
}
async function open(d: RegisterDesk) {
  provide(d);
  const f = TestBed.createComponent(RegisterPage);
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  return {
    host,
    press: async (name: string): Promise<void> => {
      const found = [...host.querySelectorAll('button')].find((b) => b.textContent.trim().startsWith(name));
      if (!found) throw new Error(`no button ${name}`);
      found.click();
      await f.whenStable();
    },
  };
}
const last = () => calls.at(-1);

describe('the register desk', () => {
  it('asks for a reading where there is none', async () => {
    const { host } = await open(desk([]));
    expect(host.querySelector('h1')?.textContent).toBe('No reading yet');
    expect(host.textContent).toContain('Pull a few sheets and read the marks');
  });
  it('says what is out, what to set in millimetres and steps, and sets it as told', async () => {
    const { host, press } = await open(desk([turn('C', () => [0.2, -0.1])]));
    expect(host.querySelector('footer')?.textContent).toContain('C out');
    const boxes = [...host.querySelectorAll('.box')].map((b) => [...b.children].map((c) => c.textContent).join(' '));
    expect(boxes[0]).toBe('C, unit 2 · lateral −0.2 20 steps to the left');
    expect(boxes[1]).toBe('C, unit 2 · around +0.1 10 steps to the tail');
    await press('Set as told');
    expect(last()).toMatchObject({
      name: 'register.set',
      sent: {
        body: {
          settings: {
            C: [
              { by: 'lateral', steps: -20 },
              { by: 'round', steps: 10 },
            ],
          },
        },
      },
    });
  });
  it('says so when all is in, and tells to pull again after setting', async () => {
    const { host } = await open(desk([turn('C', () => [0.2, 0]), turn('C', () => [0, 0], 'set')]));
    expect(host.textContent).toContain('Set as told. Pull, and read again.');
    TestBed.resetTestingModule();
    const inside = await open(desk([turn('C', () => [0.01, 0])]));
    expect(inside.host.querySelector('footer')?.textContent).toContain('All colours in');
  });
  it('names what no setting removes, a mark that was set aside, units that walk and colours that drift', async () => {
    const { host } = await open(
      desk([turn('C', (m) => [0, (0.5 * (m.yMm - 260)) / 1000 + (m.id === 'M3' ? 0.4 : 0)])], {
        walking: [{ unit: 2, way: 'lateral', jobs: 5, of: 7, meanMm: 0.12 }],
        drift: [{ ink: 'C', way: 'round', values: [], mean: 0, low: -0.1, high: 0.1, drifts: true }],
      }),
    );
    expect(host.textContent).toContain('C: no adjustment will do');
    expect(host.textContent).toContain('packing, ink order');
    expect(host.textContent).toContain('reading at M3 set aside');
    expect(host.textContent).toContain('Unit 2 stood off sideways in 5 of its last 7 jobs');
    expect(host.textContent).toContain('C drifts around');
    expect(host.textContent).toContain('C spreads 0.09 mm into K');
  });
});

describe('the next reading', () => {
  const grid = async () => {
    provide(desk([]));
    const f = TestBed.createComponent(ReadingGrid);
    f.componentRef.setInput('desk', desk([]));
    f.componentInstance.asked.subscribe((call) => call.subscribe());
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    const type = async (label: string, text: string): Promise<void> => {
      const field = host.querySelector<HTMLInputElement>(`[aria-label="${label}"]`);
      if (!field) throw new Error(`no field ${label}`);
      field.value = text;
      field.dispatchEvent(new Event('input'));
      await f.whenStable();
    };
    return { f, host, type, send: () => (host.querySelector('button.mat-mdc-unelevated-button') as HTMLButtonElement).click() };
  };
  it('takes what was read and leaves out what was not', async () => {
    const { type, send } = await grid();
    await type('C at G1, lateral', '0,12');
    await type('C at G1, around', '-0.04');
    await type('C at G2, lateral', '0.1');
    send();
    expect(last()).toMatchObject({
      name: 'register.send',
      sent: {
        body: { reference: 'K', sheets: 20, from: 'typed', colours: [{ ink: 'C', readings: [{ mark: 'G1', dxMm: 0.12, dyMm: -0.04 }] }] },
      },
    });
  });
  it('questions a reading in another unit, and does not take it', async () => {
    const { host, type } = await grid();
    await type('C at G1, lateral', '120');
    await type('C at G1, around', '0');
    expect(host.querySelector('[role=alert]')?.textContent).toContain('another unit');
    expect((host.querySelector('button.mat-mdc-unelevated-button') as HTMLButtonElement).disabled).toBe(true);
  });
  it('does not take a reading while a cell is no number, and says so', async () => {
    const { host, type, send } = await grid();
    await type('C at G1, lateral', '0.1');
    await type('C at G1, around', '0');
    await type('C at G2, lateral', '0.l2');
    expect(host.querySelector('[role=alert]')?.textContent).toContain('no number of millimetres');
    expect(host.querySelector('[aria-label="C at G2, lateral"]')?.getAttribute('aria-invalid')).toBe('true');
    send();
    expect(calls).toHaveLength(0);
    await type('C at G2, lateral', '0,12');
    expect(host.querySelector('[role=alert]')).toBeNull();
  });
  it('is filled by the simulated camera, which says so', async () => {
    const { f, host, send } = await grid();
    answers['register.simulate'] = { colours: [{ ink: 'C', readings: [{ mark: 'T3', dxMm: 0.3, dyMm: 0.1 }] }], says: 'simulated camera' };
    ([...host.querySelectorAll('button')].find((b) => b.textContent.includes('Simulated camera')) as HTMLButtonElement).click();
    await f.whenStable();
    expect(host.textContent).toContain('a stand-in, no press is behind it');
    send();
    expect(last()).toMatchObject({ sent: { body: { from: 'simulated', colours: [{ readings: [{ mark: 'T3', dxMm: 0.3 }] }] } } });
  });
});

describe('the practice press', () => {
  it('lets the learner read, set and pull; then shows what an ideal sequence needs', async () => {
    provide(null);
    const f = TestBed.createComponent(PracticePage);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    const press = async (name: string): Promise<void> => {
      const found = [...host.querySelectorAll('button')].find((b) => b.textContent.trim().startsWith(name));
      if (!found) throw new Error(`no button ${name}`);
      found.click();
      await f.whenStable();
    };
    expect(host.textContent).toContain('Nobody has practised yet.');
    await press('Shifts only');
    expect(host.textContent).toContain('Pull 1: 20 sheets gone');
    const field = host.querySelector<HTMLInputElement>('[aria-label="C, lateral"]');
    const type = async (text: string): Promise<void> => {
      if (field) field.value = text;
      field?.dispatchEvent(new Event('input'));
      await f.whenStable();
    };
    await type('a tenth');
    expect(host.querySelector('[role=alert]')?.textContent).toContain('no number of millimetres');
    await press('Set and pull 20 sheets');
    expect(host.textContent).toContain('Pull 1: 20 sheets gone');
    await type('-0.1');
    await press('Set and pull 20 sheets');
    expect(host.textContent).toContain('Pull 2: 40 sheets gone');
    answers['register.score'] = {
      own: { turns: [{}, {}], waste: 40, inside: false },
      ideal: { turns: [{ worstMm: 0.4, settings: {} }], waste: 20, inside: true },
      score: 25,
    };
    await press('Leave it as it is');
    expect(calls.find((c) => c.name === 'register.score')?.sent.body).toMatchObject({
      level: 'shifts',
      turns: [{ C: [{ by: 'lateral', steps: -10 }] }, {}],
    });
    expect(host.textContent).toContain('25 of 100 points');
    expect(host.textContent).toContain('An ideal sequence: 1 pulls, 20 sheets.');
  });
});
