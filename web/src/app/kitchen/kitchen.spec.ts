import { type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MatDialog } from '@angular/material/dialog';
import { provideRouter } from '@angular/router';
import { type Observable, of, throwError } from 'rxjs';
import type { InkDesk as Desk, Match } from '@druckerei/contract';
import { INVENTED_BASES, PlantSchema, usualPaper } from '@druckerei/core';
import plantJson from '../../../../demo/plant.json';
import { provideAsking } from '../session/signed-in.fixture';
import { ApiCaller } from '../shared/api';
import { PlanContext } from '../shared/plan-context';
import { AimList } from './aim-list';
import { BatchPanel } from './batch-panel';
import { InkDesk } from './ink-desk';
import { LotTrace } from './lot-trace';
import { PailList } from './pail-list';
import { RecipeList } from './recipe-list';

/* The ink kitchen in parts: what a person sees and what is asked of the server. */

const JOB = '11111111-1111-4111-8111-111111111111';
const ID = '22222222-2222-4222-8222-222222222222';
const match: Match = {
  parts: [
    { base: 'clear', parts: 80 },
    { base: 'reed', parts: 20 },
  ],
  lab: [60, -30, 20],
  spectrum: [],
  deltaE: 0.8,
  deltaEUnderA: 1.2,
  pricePerKg: 11,
  leftOverShare: 0,
  withinWish: true,
};
const measured = { lab: [60, -30, 20] as [number, number, number], mode: 'M1', backing: 'white', from: 'typed' };
const desk = (more: Partial<Desk> = {}): Desk => ({
  job: JOB,
  number: 2402,
  title: 'Seed catalogue greeting',
  ink: 'moss green',
  stone: 'card.card.print',
  stockName: 'Ivory board',
  paper: { reflectance: usualPaper('matt'), measured: false },
  neededKg: 2,
  filmGsm: 1.15,
  food: false,
  stands: [],
  sample: null,
  batches: [],
  drawDowns: [],
  neighbours: ['K', 'C'],
  before: ['K'],
  ...more,
});
const sample = { measured, tolerance: 2, by: 'Rosalind Farbach', at: 1_772_000_000 };
const batch: Desk['batches'][number] = {
  id: ID,
  number: 3,
  recipe: match.parts,
  filmGsm: 1.15,
  stock: 'x',
  place: '',
  by: 'Rosalind Farbach',
  at: 1_772_000_000,
  weighings: [{ base: 'clear', pail: null, kg: 1.6, lot: 'CL-1', reason: '', by: '', at: 0 }],
  pails: [],
};
const drawDown = (deltaE: number, answer: Desk['drawDowns'][number]['answer'] = null): Desk['drawDowns'][number] => ({
  id: ID,
  batch: ID,
  measured,
  verdict: { deltaE, inside: deltaE <= 2, unlike: false, deltaEUnderA: null },
  by: 'Rosalind Farbach',
  at: 1_772_000_000,
  answer,
});

let calls: { name: string; sent: { body?: Record<string, unknown>; params?: Record<string, string> } }[];
let answers: Record<string, unknown>;
function provide(): void {
  calls = [];
  answers = {};
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: MatDialog, useValue: { open: () => ({ afterClosed: () => of('a reason') }) } },
      { provide: PlanContext, useValue: { current: () => of({ hash: 'h' }), plant: () => of(PlantSchema.parse(plantJson)) } },
      provideAsking(),
      {
        provide: ApiCaller,
        useValue: {
          call: (name: string, sent: never): Observable<unknown> => {
            calls.push({ name, sent });
            const answer = answers[name];
            return answer instanceof Error
              ? throwError(() => ({ status: 422, title: 'No', detail: answer.message }))
              : of(answer ?? desk());
          },
        },
      },
    ],
  });
}
async function open(d: Desk, may = true) {
  provide();
  const f = TestBed.createComponent(InkDesk);
  for (const [name, value] of Object.entries({ desk: d, bases: INVENTED_BASES, pails: [], may })) f.componentRef.setInput(name, value);
  f.componentInstance.asked.subscribe((call) => call.subscribe());
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  const button = (name: string): HTMLButtonElement => {
    const found = [...host.querySelectorAll('button')].find((b) => b.textContent.trim() === name);
    if (!found)
      throw new Error(`no button ${name} among ${[...host.querySelectorAll('button')].map((b) => b.textContent.trim()).join(' | ')}`);
    return found;
  };
  return {
    f,
    host,
    button,
    press: async (name: string): Promise<void> => {
      button(name).click();
      await f.whenStable();
    },
    type: async (at: number, text: string): Promise<void> => {
      const field = host.querySelectorAll<HTMLInputElement>('input.mat-mdc-input-element')[at];
      if (!field) throw new Error(`no field ${at}`);
      field.value = text;
      field.dispatchEvent(new Event('input'));
      await f.whenStable();
    },
  };
}
const last = () => calls.at(-1);

describe('an ink at its desk', () => {
  it('begins with the sample: three numbers are asked for, then it is taken', async () => {
    const { host, type, press, button } = await open(desk());
    expect(host.textContent).toContain('The press waits for it.');
    await type(0, '150');
    expect(host.querySelector('[role=alert]')?.textContent).toContain('Type three numbers');
    await type(1, '-30');
    await type(2, '20');
    expect(host.querySelector('[role=alert]')?.textContent).toContain('L* lies between 0 and 100');
    expect(button('Take it as the sample').disabled).toBe(true);
    await type(0, '60,5');
    await press('Take it as the sample');
    expect(last()).toMatchObject({
      name: 'kitchen.sample',
      sent: { params: { job: JOB, ink: 'moss green' }, body: { measured: { lab: [60.5, -30, 20] }, tolerance: 2 } },
    });
  });
  it('finds recipes, says whether all were looked at, and weighs the one that is taken', async () => {
    const { host, press, button } = await open(desk({ sample }));
    answers['kitchen.match'] = { found: [match], exact: false, tried: 12_000, seconds: 0.2 };
    await press('Find recipes');
    expect(host.textContent).toContain('there may be a better one');
    expect(host.textContent).toContain('80 Clear let-down');
    await press('Take it');
    expect(host.textContent).toContain('Weigh in');
    expect(button('Write the batch down').disabled).toBe(true);
  });
  it('shows what stands against it when nothing may be matched', async () => {
    const { f, press } = await open(desk({ sample }));
    const refused: unknown[] = [];
    f.componentInstance.refused.subscribe((r) => refused.push(r));
    answers['kitchen.match'] = new Error('No base ink may be used here');
    await press('Find recipes');
    expect(refused).toMatchObject([{ detail: 'No base ink may be used here' }]);
  });
  it('shows overprints in printing order, and what the order binds', async () => {
    const { host } = await open(desk({ sample, batches: [batch], food: true, stands: ['light'] }));
    expect(host.textContent).toContain('moss green on K');
    expect(host.textContent).toContain('C on moss green');
    expect(host.textContent).toContain('The order binds: food contact, light');
  });
  it('warns where the stock shows through', async () => {
    const kraft = Array.from({ length: 36 }, (_, i) => 0.12 + 0.011 * i);
    const { host } = await open(desk({ sample, batches: [batch], paper: { reflectance: kraft, measured: true } }));
    expect(host.textContent).toContain('The stock shows through');
  });
  it('takes a simulated reading that says so, and writes it down', async () => {
    const { host, press } = await open(desk({ sample, batches: [batch] }));
    answers['kitchen.simulate'] = { measured: { ...measured, from: 'simulated' }, says: 'simulated' };
    await press('Simulated spectrophotometer');
    await press('Write it down');
    expect(last()).toMatchObject({ name: 'kitchen.drawDown', sent: { body: { measured: { lab: [60, -30, 20], from: 'simulated' } } } });
    expect(host.textContent).toContain('Nothing was drawn down yet.');
  });
  it('accepts only what is inside; outside it says what to add, and asks for the lot', async () => {
    const { press, button, host, type } = await open(desk({ sample, batches: [batch], drawDowns: [drawDown(3.4)] }));
    expect(button('Accept').disabled).toBe(true);
    answers['kitchen.correct'] = { add: [{ base: 'reed', kg: 0.085 }], lab: [60, -30, 20], deltaE: 0.7, modelOff: 1.1 };
    await press('What to add?');
    expect(host.textContent).toContain('Add 85 g of Reed green');
    expect(button('It was added').disabled).toBe(true);
    const lot = host.querySelectorAll('input.mat-mdc-input-element').length - 1;
    await type(lot, 'RE-9');
    await press('It was added');
    expect(last()).toMatchObject({
      name: 'kitchen.add',
      sent: { body: { weighed: [{ base: 'reed', kg: 0.085, lot: 'RE-9' }], reason: 'after draw-down 1' } },
    });
    await press('Decide to print it');
    expect(last()).toMatchObject({ name: 'kitchen.answer', sent: { body: { answer: 'decide', reason: 'a reason' } } });
  });
  it('lets the press begin once a draw-down is accepted', async () => {
    const { host, press } = await open(desk({ sample, batches: [batch], drawDowns: [drawDown(1.1)] }));
    await press('Accept');
    expect(last()).toMatchObject({ name: 'kitchen.answer', sent: { body: { answer: 'accept' } } });
    const done = await (async () => {
      TestBed.resetTestingModule();
      return open(desk({ sample, batches: [batch], drawDowns: [drawDown(1.1, { answer: 'accept', reason: '', by: 'RF', at: 0 })] }));
    })();
    expect(done.host.textContent).toContain('The press may begin.');
    expect(host.isConnected).toBe(false);
  });
  it('is only read by whoever does not mix', async () => {
    const { host } = await open(desk(), false);
    expect(host.querySelector('form')).toBeNull();
    expect(host.textContent).toContain('enters samples');
  });
});

describe('the weigh-out sheet', () => {
  it('grows the batch where too much went in, and is written when every row is right', async () => {
    provide();
    const f = TestBed.createComponent(BatchPanel);
    for (const [name, value] of Object.entries({ desk: desk({ sample }), recipe: match, bases: INVENTED_BASES, pails: [], may: true }))
      f.componentRef.setInput(name, value);
    f.componentInstance.asked.subscribe((call) => call.subscribe());
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    const field = (label: string): HTMLInputElement => host.querySelector(`[aria-label="${label}"]`) as HTMLInputElement;
    const type = async (label: string, text: string): Promise<void> => {
      field(label).value = text;
      field(label).dispatchEvent(new Event('input'));
      await f.whenStable();
    };
    // 2 kg at 80 to 20: 1.6 and 0.4
    await type('Weighed of Clear let-down, g', '1760');
    expect(host.querySelector('[role=status]')?.textContent).toContain('the batch grows to');
    expect(host.textContent).toContain('440');
    await type('Weighed of Clear let-down, g', '1600');
    await type('Weighed of Reed green, g', '300');
    expect(field('Weighed of Reed green, g').getAttribute('aria-invalid')).toBe('true');
    await type('Weighed of Reed green, g', '400');
    await type('Lot of Clear let-down', 'A');
    await type('Lot of Reed green', 'B');
    (host.querySelector('button.mat-mdc-unelevated-button') as HTMLButtonElement).click();
    expect(last()).toMatchObject({
      name: 'kitchen.batch',
      sent: {
        body: {
          weighed: [
            { base: 'clear', kg: 1.6, lot: 'A' },
            { base: 'reed', kg: 0.4, lot: 'B' },
          ],
          pails: 1,
        },
      },
    });
  });
});

describe('the kitchen’s lists', () => {
  const component = async <T>(type: Type<T>, inputs: Record<string, unknown>) => {
    const f = TestBed.createComponent(type);
    for (const [name, value] of Object.entries(inputs)) f.componentRef.setInput(name, value);
    await f.whenStable();
    return { f, host: f.nativeElement as HTMLElement };
  };
  it('find a recipe by name, or by the colour it is nearest to', async () => {
    provide();
    const recipes = [
      { id: 'R-1', name: 'Fen dawn', parts: [{ base: 'reed', parts: 100 }], filmGsm: 1.2, lab: [50, -60, 20] as [number, number, number] },
      {
        id: 'R-2',
        name: 'Kiln brick',
        parts: [{ base: 'ember', parts: 100 }],
        filmGsm: 1.2,
        lab: [40, 60, 40] as [number, number, number],
      },
    ];
    const { f, host } = await component(RecipeList, { recipes, bases: INVENTED_BASES });
    const find = async (text: string): Promise<string[]> => {
      const field = host.querySelector('input') as HTMLInputElement;
      field.value = text;
      field.dispatchEvent(new Event('input'));
      await f.whenStable();
      return [...host.querySelectorAll('.grid:last-of-type b')].map((b) => b.textContent);
    };
    expect(await find('brick')).toEqual(['Kiln brick']);
    expect(await find('48 -55 18')).toEqual(['Fen dawn', 'Kiln brick']);
  });
  it('set a left-over free for other jobs', async () => {
    provide();
    const pail = { id: ID, code: 'B3-1', batch: ID, ink: 'moss green', number: 3, kg: 0.4, place: '', free: false, lab: null };
    const { f, host } = await component(PailList, { pails: [pail], may: true });
    f.componentInstance.asked.subscribe((call) => call.subscribe());
    const box = host.querySelector<HTMLInputElement>('input[type=checkbox]');
    box?.click();
    await new Promise((resolve) => setTimeout(resolve, 700));
    expect(last()).toMatchObject({ name: 'kitchen.pail', sent: { params: { id: ID }, body: { kg: 0.4, free: true } } });
  });
  it('trace a lot to its batches and jobs', async () => {
    provide();
    answers['kitchen.trace'] = [
      {
        batch: ID,
        number: 3,
        ink: 'moss green',
        job: JOB,
        jobNumber: 2402,
        title: 'Greeting',
        kg: 0.4,
        lots: [{ base: 'reed', lot: 'RE-9', kg: 0.4 }],
      },
    ];
    const { f, host } = await component(LotTrace, {});
    (host.querySelector('input') as HTMLInputElement).value = 'RE-9';
    host.querySelector('form')?.dispatchEvent(new Event('submit'));
    await f.whenStable();
    expect(host.textContent).toContain('2402 Greeting');
    expect(host.textContent).toContain('reed RE-9');
  });
  it('reckon dot area and gain out of densities, and put a new aim in force with a reason', async () => {
    provide();
    answers['plants.accept'] = { hash: 'h2' };
    const { f, host } = await component(AimList, { may: true });
    // by hand: (1 − 10^−0.46)/(1 − 10^−1.39) = 0.6809, a gain of 18.1 where 14 ± 4 are wanted
    expect(host.querySelector('[role=status]')?.textContent).toContain(
      '68.1 % covered, a gain of 18.1 points where 14 are wanted: outside',
    );
    const edit = [...host.querySelectorAll('dk-edit-value button')].find((b) =>
      b.getAttribute('aria-label')?.startsWith('K Density'),
    ) as HTMLButtonElement;
    edit.click();
    await new Promise((resolve) => setTimeout(resolve, 20));
    await f.whenStable();
    const field = host.querySelector('dk-edit-value input') as HTMLInputElement;
    field.value = '1.8';
    field.dispatchEvent(new Event('input'));
    await f.whenStable();
    ([...host.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Put it in force') as HTMLButtonElement).click();
    expect(last()).toMatchObject({
      name: 'plants.accept',
      sent: { body: { before: 'h', reason: 'a reason', plant: { aims: { gloss: { K: { density: 1.8 } } } } } },
    });
  });
});
