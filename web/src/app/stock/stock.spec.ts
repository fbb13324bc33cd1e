import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { type Observable, of } from 'rxjs';
import type { StockLine, StockPage } from '@druckerei/contract';
import { PlantSchema } from '@druckerei/core';
import plantJson from '../../../../demo/plant.json';
import { provideAsking } from '../session/signed-in.fixture';
import { ApiCaller } from '../shared/api';
import { LotMoves } from './lot-moves';
import { StockDesk } from './stock-desk';

const plant = PlantSchema.parse(plantJson);
const GLOSS = 'gloss150-640x900';
const line = (more: Partial<StockLine> = {}): StockLine => ({
  stock: GLOSS,
  unit: 'sheet',
  free: 900,
  reserved: 100,
  coming: 0,
  customers: 0,
  wanted: 1_500,
  usedAWeek: 150,
  weeks: 6,
  jobs: [{ job: '11111111-1111-4111-8111-111111111111', number: 2403, quantity: 1_500, byS: 1_772_000_000 }],
  shortage: null,
  buy: null,
  trims: [],
  ...more,
});
const page = (more: Partial<StockPage> = {}): StockPage => ({
  plant: 'p',
  lines: [],
  lots: [{ id: 'L-1', stock: GLOSS, quantity: 1_000, reserved: 100, owner: 'works', caliperUm: 121, place: 'rack C1' }],
  reservations: [],
  purchases: [],
  ...more,
});
let calls: { name: string; sent: { body?: Record<string, unknown>; params?: Record<string, string> } }[];

async function open(l = line(), p = page(), may = true) {
  calls = [];
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideAsking(),
      {
        provide: ApiCaller,
        useValue: {
          call: (name: string, sent: never): Observable<unknown> => {
            calls.push({ name, sent });
            return of([]);
          },
        },
      },
    ],
  });
  const f = TestBed.createComponent(StockDesk);
  const inputs = { line: l, page: p, plant, zone: 'UTC', may };
  for (const [name, value] of Object.entries(inputs)) f.componentRef.setInput(name, value);
  f.componentInstance.asked.subscribe((call) => call.subscribe());
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  const settle = async (): Promise<void> => void (await f.whenStable());
  return {
    f,
    host,
    settle,
    says: () => host.textContent.replace(/[\s\u2009]+/g, ' '),
    press: async (text: string) => {
      [...host.querySelectorAll<HTMLButtonElement>('button')].find((b) => b.textContent.trim() === text)?.click();
      await settle();
    },
    pick: async (what: string) => {
      const select = host.querySelector<HTMLSelectElement>('select[aria-label="What to do with L-1"]');
      if (!select) throw new Error('nothing to do');
      select.value = what;
      select.dispatchEvent(new Event('change'));
      await settle();
    },
    fill: async (name: string, value: string) => {
      const control = host.querySelector<HTMLInputElement>(`[formControlName=${name}]`);
      const field = control?.querySelector('input') ?? control;
      if (!field) throw new Error(`no field ${name}`);
      field.value = value;
      field.dispatchEvent(new Event('input'));
      field.dispatchEvent(new Event('change'));
      await settle();
    },
    send: async () => {
      host.querySelector('form')?.dispatchEvent(new Event('submit'));
      await settle();
    },
  };
}

describe('the desk of a stock', () => {
  it('says what is short, by when to order, how much and why more; and what could be cut', async () => {
    const { says } = await open(
      line({
        shortage: { short: 600, firstByS: 1_772_000_000, orderByS: 1_771_000_000 },
        buy: { quantity: 1_000, cost: 80, perThousand: 80, atBreak: true },
        trims: [{ from: 'ivory300-700x1000', fromOne: 2, sheets: 300, wasteShare: 0.1, free: 5_000 }],
      }),
    );
    expect(says()).toContain('600 sheets short');
    expect(says()).toContain('Order 1 000 sheets: 80.00, at 80.00 a thousand.');
    expect(says()).toContain('The price break makes the larger order the cheaper one.');
    expect(says()).toMatch(/Or cut 300 sheets of .*, 2 out of one, 10 % waste; 5 000 are free\./);
  });
  it('says so when everything is covered', async () => {
    expect((await open()).says()).toContain('Enough for every open job.');
  });
  it.each([
    ['reserve', { quantity: '50' }, 'stock.reserve', { lot: 'L-1', quantity: 50, job: line().jobs[0]?.job }],
    [
      'issue',
      { quantity: '70', note: 'to the press' },
      'stock.move',
      { kind: 'issue', quantity: 70, note: 'to the press', job: line().jobs[0]?.job },
    ],
    ['recount', { quantity: '990', note: 'counted' }, 'stock.move', { kind: 'recount', quantity: 990, note: 'counted' }],
    ['measure', { caliper: '118,5' }, 'stock.move', { kind: 'measure', quantity: 0, caliperUm: 118.5 }],
    ['trim', { quantity: '10', lot: 'L-2', place: 'C9' }, 'stock.trim', { stock: 'gloss150-450x640', sheets: 10, lot: 'L-2', place: 'C9' }],
  ])('%s asks for what it needs, and asks it of the store', async (what, fields, name, body) => {
    const { pick, fill, send, host } = await open();
    await pick(what);
    expect(host.querySelectorAll('form [formControlName]').length).toBeGreaterThanOrEqual(Object.keys(fields).length);
    for (const [field, value] of Object.entries(fields)) await fill(field, value);
    await send();
    expect(calls.at(-1)).toMatchObject({ name, sent: { body } });
    expect(host.querySelector('form')).toBeNull();
  });
  it('counts a new lot in, from an order that is here', async () => {
    const purchase = {
      id: '22222222-2222-4222-8222-222222222222',
      stock: GLOSS,
      quantity: 3_000,
      comesOn: '2026-03-09',
      note: '',
      by: 'Ilse',
    };
    const { press, fill, send } = await open(line(), page({ purchases: [purchase] }));
    await press('It is here');
    await fill('lot', 'L-7');
    await send();
    expect(calls.at(-1)).toMatchObject({
      name: 'stock.addLot',
      sent: { body: { id: 'L-7', stock: GLOSS, quantity: 3_000, owner: 'works', purchase: purchase.id } },
    });
    await press('Will not come');
    expect(calls.at(-1)).toMatchObject({ name: 'stock.cancelOrder', sent: { params: { id: purchase.id } } });
  });
  it('notes what was ordered, as it was proposed', async () => {
    const { press, fill, send } = await open(
      line({ shortage: { short: 600, firstByS: 2, orderByS: 1 }, buy: { quantity: 1_000, cost: 80, perThousand: 80, atBreak: false } }),
    );
    await press('Note the order');
    await fill('comesOn', '9.3.2026');
    await send();
    expect(calls.at(-1)).toMatchObject({ name: 'stock.order', sent: { body: { stock: GLOSS, quantity: 1_000, comesOn: '2026-03-09' } } });
  });
  it('keeps a form that is being filled when news of the stock come, and begins anew for another', async () => {
    const { f, pick, settle, host } = await open();
    await pick('issue');
    f.componentRef.setInput('line', line({ free: 800 }));
    await settle();
    expect(host.querySelector('form')).not.toBeNull();
    f.componentRef.setInput('line', line({ stock: 'ivory300-520x720' }));
    await settle();
    expect(host.querySelector('form')).toBeNull();
  });
  it('sends stock back for customers only, and cuts only what has a smaller size', async () => {
    const kinds = (host: HTMLElement): string[] =>
      [...host.querySelectorAll<HTMLOptionElement>('select[aria-label^="What to do"] option')].map((o) => o.value);
    expect(kinds((await open()).host)).not.toContain('back');
    TestBed.resetTestingModule();
    const theirs = page({ lots: [{ ...page().lots[0]!, owner: 'customer' }] });
    expect(kinds((await open(line(), theirs)).host)).toEqual(expect.arrayContaining(['back', 'trim']));
  });
  it('gives a promise free', async () => {
    const reservation = {
      id: '33333333-3333-4333-8333-333333333333',
      job: line().jobs[0]!.job,
      number: 2403,
      lot: 'L-1',
      stock: GLOSS,
      quantity: 100,
      by: 'Ilse',
    };
    const { press, says } = await open(line(), page({ reservations: [reservation] }));
    expect(says()).toContain('100 of L-1 to job 2403, by Ilse');
    await press('Give free');
    expect(calls.at(-1)).toMatchObject({ name: 'stock.free', sent: { params: { id: reservation.id } } });
  });
  it('only shows to who may only look', async () => {
    const { host } = await open(line(), page(), false);
    expect(host.querySelectorAll('select')).toHaveLength(0);
    expect([...host.querySelectorAll('button')].map((b) => b.textContent.trim())).toEqual(['L-1']);
  });
});

describe('the movements of a lot', () => {
  const move = {
    id: 'm',
    kind: 'issue' as const,
    quantity: -70,
    caliperUm: null,
    number: 2403,
    note: 'to the press',
    by: 'Ilse',
    at: 1_772_000_000,
    takenBack: false,
  };
  const show = async (moves: object[]): Promise<{ host: HTMLElement; asked: number[] }> => {
    TestBed.configureTestingModule({ providers: [provideAsking(), { provide: ApiCaller, useValue: { call: () => of(moves) } }] });
    const f = TestBed.createComponent(LotMoves);
    for (const [name, value] of Object.entries({ lot: 'L-1', zone: 'UTC', may: true })) f.componentRef.setInput(name, value);
    const asked: number[] = [];
    f.componentInstance.asked.subscribe(() => asked.push(1));
    await f.whenStable();
    return { host: f.nativeElement as HTMLElement, asked };
  };
  it('are taken back once, and both stay', async () => {
    const { host, asked } = await show([move]);
    expect(host.textContent).toContain('job 2403 to the press');
    [...host.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Take back')?.click();
    expect(asked).toHaveLength(1);
    TestBed.resetTestingModule();
    const taken = await show([{ ...move, takenBack: true }]);
    expect(taken.host.querySelectorAll('tr.back')).toHaveLength(1);
    expect(taken.host.textContent).not.toContain('Take back');
  });
  it('say when there are none', async () => {
    expect((await show([])).host.textContent).toContain('Nothing is entered since it was counted in.');
  });
});
