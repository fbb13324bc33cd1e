import { type ComponentRef, type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MatDialog } from '@angular/material/dialog';
import { provideRouter, Router } from '@angular/router';
import { type Observable, of, throwError } from 'rxjs';
import type { Alternative, Differences, Happened, Job } from '@druckerei/contract';
import { type Edit, EMPTY_SHELF, type Gate, type JobSpec, type Plan, PlantSchema } from '@druckerei/core';
import { plan } from '@druckerei/core/planning';
import plantJson from '../../../../demo/plant.json';
import { provideAsking } from '../session/signed-in.fixture';
import { ApiCaller } from '../shared/api';
import { cardSpec } from './card-spec.fixture';
import { DeliveriesPanel } from './deliveries-panel';
import { GatesPanel } from './gates-panel';
import { HistoryPanel } from './history-panel';
import { PlansPanel } from './plans-panel';
import { ToolsPanel } from './tools-panel';

const plant = PlantSchema.parse(plantJson);
const shelf = { ...EMPTY_SHELF, asOf: 1_772_000_000 };
const place = { timeZone: 'UTC', currency: 'EUR', units: 'metric' as const };
const ID = '11111111-1111-4111-8111-111111111111';
const OTHER = '22222222-2222-4222-8222-222222222222';
const item = { by: '2026-03-20T14:00', share: { only: 5_000 }, to: 'Quay 1' };
const base = cardSpec();
const spec: JobSpec = { ...base, items: { i1: { ...base.items['i1']!, deliveries: [item] } } };
const made: Plan = plan(spec, plant, shelf);
const job = (more: Partial<Job> = {}): Job => ({
  id: ID,
  number: 2401,
  customer: 'Choir',
  alternativeOf: null,
  altName: '',
  orders: [{ id: OTHER, number: 2401, customer: 'Choir', item: 'i1' }],
  answers: [],
  state: 'draft',
  version: 3,
  spec,
  plant: 'p',
  shelf,
  releases: [],
  ...more,
});

interface Shown {
  host: HTMLElement;
  edits: Edit[][];
  changed: number[];
  asked: { name: string; sent: Record<string, never> }[];
  settle(): Promise<void>;
  press(text: string): Promise<void>;
}
let answer: (name: string) => Observable<unknown>;
let words: string | undefined;

async function show<T extends object>(component: Type<T>, inputs: Record<string, unknown>): Promise<Shown> {
  const asked: Shown['asked'] = [];
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideAsking(),
      {
        provide: ApiCaller,
        useValue: {
          call: (name: string, sent: never) => {
            asked.push({ name, sent });
            return answer(name);
          },
        },
      },
    ],
  });
  const f = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) f.componentRef.setInput(name, value);
  const edits: Edit[][] = [];
  const changed: number[] = [];
  const out = (
    f.componentRef as ComponentRef<{ edits?: { subscribe(h: (e: Edit[]) => void): void }; changed?: { subscribe(h: () => void): void } }>
  ).instance;
  out.edits?.subscribe((e) => edits.push(e));
  out.changed?.subscribe(() => changed.push(1));
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  const settle = async (): Promise<void> => {
    await f.whenStable();
  };
  const press = async (text: string): Promise<void> => {
    const found = [...host.querySelectorAll<HTMLElement>('button')].find((b) => b.textContent.trim() === text);
    if (!found) throw new Error(`no button “${text}” in ${host.textContent}`);
    found.click();
    await settle();
  };
  return { host, edits, changed, asked, settle, press };
}
beforeEach(() => {
  jest.spyOn(MatDialog.prototype, 'open').mockImplementation(() => ({ afterClosed: () => of(words) }) as never);
  answer = () => of([]);
  words = 'because';
});
const says = (host: HTMLElement): string => host.textContent.replace(/[\s\u2009]+/g, ' ');

describe('tools', () => {
  const [card, tool] = [spec.products['card'], 'card.card.foil.die.f1'];
  if (card?.kind !== 'made' || card.family !== 'folded-card') throw new Error('the card is made here');
  const foiled: JobSpec = {
    ...spec,
    products: { card: { ...card, wish: { ...card.wish, foils: { f1: { name: 'crest', widthMm: 40, heightMm: 30 } } } } },
  };
  const child = { number: 2500, name: 'Dies', readyAt: shelf.asOf + 86_400, delivered: false, money: 600 };
  const supplied: JobSpec = { ...foiled, choices: { ...foiled.choices, supply: { [tool]: { from: 'job', job: OTHER, item: 'i1' } } } };
  const open = (of: JobSpec, jobs: Job['shelf']['jobs'], inputs: object = {}): Promise<Shown> => {
    const at = { ...shelf, ...(jobs && { jobs }) };
    return show(ToolsPanel, { job: job({ shelf: at }), spec: of, plan: plan(of, plant, at), place, ...inputs });
  };

  it('are made here when asked, for the version seen; the job is opened again', async () => {
    const { host, press, asked, changed } = await open(foiled, undefined);
    expect(says(host)).toMatch(/foil die, crest .* bought, 4 days/);
    await press('Have them made here');
    expect(asked).toEqual([{ name: 'jobs.makeTool', sent: { params: { id: ID }, body: expect.objectContaining({ version: 3, tool }) } }]);
    expect(changed).toHaveLength(1);
  });
  it('are not asked for while something typed is not saved, nor of a released job', async () => {
    const { host } = await open(foiled, undefined, { unsaved: true });
    expect(host.querySelector('button')?.disabled).toBe(true);
    TestBed.resetTestingModule();
    expect((await open(foiled, undefined, { locked: true })).host.querySelector('button')).toBeNull();
  });
  it('say which job makes them and when, lead there, and may be bought instead', async () => {
    const { host, press, edits } = await open(supplied, { [OTHER]: child });
    const link = host.querySelector('a');
    expect(link?.getAttribute('href')).toBe(`/jobs/${OTHER}`);
    expect(link?.textContent).toMatch(/job 2500 makes them, ready/);
    await press('Buy them instead');
    expect(edits[0]?.[0]).toMatchObject({ at: ['choices', 'supply', tool] });
    expect(edits[0]?.[0]).not.toHaveProperty('now');
  });
  it('say when they lie in the store, and when the job is not there', async () => {
    expect(says((await open(supplied, { [OTHER]: { ...child, delivered: true } })).host)).toContain('in the store');
    TestBed.resetTestingModule();
    expect(says((await open(supplied, undefined)).host)).toContain('from a job that is not there');
  });
  it('say why they are not made', async () => {
    answer = () => throwError(() => ({ status: 409, title: 'Stale', detail: 'The job changed meanwhile: look at it again.' }));
    const { press, host, changed } = await open(foiled, undefined);
    await press('Have them made here');
    expect(host.querySelector('[role=alert]')?.textContent).toContain('changed meanwhile');
    expect(changed).toEqual([]);
  });
});

describe('gates', () => {
  const gate: Gate = { kind: 'fileProof', version: 'v2', who: 'the choir', by: '2026-03-10T10:00', holds: 'release' };
  const gated = { ...spec, gates: { g1: gate } };
  const open = (more: Partial<Job> = {}, inputs: object = {}): Promise<Shown> =>
    show(GatesPanel, { job: job(more), spec: gated, plan: made, place, ...inputs });
  const known = (state: 'open' | 'waiting' | 'refused', by: number): Partial<Job> => ({
    shelf: { ...shelf, gates: { 'gate:g1': { state, by } } },
  });

  it('say what waits, and when it is late', async () => {
    expect(says((await open(known('waiting', shelf.asOf + 1))).host)).toContain('waiting');
    TestBed.resetTestingModule();
    expect(says((await open(known('waiting', shelf.asOf - 1))).host)).toContain('late');
  });
  it('are answered for the version that is asked for, with a note', async () => {
    const { press, asked, changed } = await open();
    await press('Yes');
    expect(asked).toEqual([
      { name: 'jobs.answerGate', sent: { params: { id: ID }, body: { gate: 'g1', version: 'v2', answer: 'yes', note: 'because' } } },
    ]);
    expect(changed).toHaveLength(1);
  });
  it('are not answered when the dialog is left', async () => {
    words = undefined;
    const { press, asked } = await open();
    await press('No');
    expect(asked).toEqual([]);
  });
  it('say why an answer was not taken', async () => {
    answer = () => throwError(() => ({ status: 409, title: 'Changed', detail: 'It is v3 that waits for an answer, not v2: look again.' }));
    const { press, host, changed } = await open();
    await press('Yes');
    expect(host.querySelector('[role=alert]')?.textContent).toContain('It is v3 that waits');
    expect(changed).toEqual([]);
  });
  it('show who answered, strike out what was taken back, and take back by a counter-entry', async () => {
    const given = {
      id: 7,
      gate: 'g1',
      version: 'v2',
      answer: 'yes' as const,
      takesBack: null,
      note: 'by phone',
      by: 'Anselm Hardt',
      at: 1_772_000_000,
    };
    const { host, press, asked } = await open({ answers: [given], ...known('open', 1) });
    expect(says(host)).toContain('Anselm Hardt said yes: file proof v2');
    await press('Take back');
    expect(asked.at(-1)?.sent).toMatchObject({ body: { answer: 'back', takesBack: 7 } });
    TestBed.resetTestingModule();
    const back = { ...given, id: 8, answer: 'back' as const, takesBack: 7 };
    expect((await open({ answers: [given, back] })).host.querySelectorAll('li.back')).toHaveLength(1);
  });
  it('are entered and taken away as edits, under a free name', async () => {
    const { press, edits } = await open();
    await press('Another gate');
    expect(edits.at(-1)?.[0]).toMatchObject({ at: ['gates', 'g2'], now: { kind: 'fileProof', by: '2026-03-20T14:00', holds: 'release' } });
    await press('Take away');
    expect(edits.at(-1)?.[0]?.at).toEqual(['gates', 'g1']);
    expect(edits.at(-1)?.[0]?.now).toBeUndefined();
  });
  it('may hold every stone of the route', async () => {
    const { host } = await open();
    const held = [...host.querySelectorAll<HTMLOptionElement>('select[aria-label=holds] option')].map((o) => o.value);
    expect(held).toEqual(['release', ...made.stones.map((s) => s.id)]);
  });
  it('are only read on a released job, by somebody who may not answer', async () => {
    const { host } = await open({}, { locked: true, may: false });
    expect(host.querySelectorAll('button:not([disabled])')).toHaveLength(0);
  });
});

describe('deliveries', () => {
  const open = (s: JobSpec = spec, more: Partial<Job> = {}, inputs: object = {}): Promise<Shown> =>
    show(DeliveriesPanel, { job: job({ spec: s, ...more }), spec: s, ...inputs });
  const with2 = (quantity: number): JobSpec => ({
    ...spec,
    items: { i1: { ...spec.items['i1']!, deliveries: [item, { ...item, share: { only: quantity }, to: 'Pier 3' }] } },
  });

  it.each([
    [spec, 'Adds up to what was ordered.'],
    [with2(500), '500 more than was ordered.'],
    [{ ...spec, items: { i1: { ...spec.items['i1']!, deliveries: [{ ...item, share: { only: 4_000 } }] } } }, '1 000 still to place.'],
  ])('say whether they add up', async (s, sentence) => {
    expect(says((await open(s)).host)).toContain(sentence);
  });
  it('give a new one what is still to place', async () => {
    const short = { ...spec, items: { i1: { ...spec.items['i1']!, deliveries: [{ ...item, share: { only: 4_200 } }] } } };
    const { press, edits } = await open(short);
    await press('Another delivery');
    expect(edits.at(-1)?.[0]?.now).toMatchObject([{ share: { only: 4_200 } }, { share: { only: 800 }, to: 'Quay 1' }]);
  });
  it('take pieces, date and address each for itself, and each field has a name of its own', async () => {
    const { host, edits, settle } = await open(with2(500));
    const fields = [...host.querySelectorAll<HTMLElement>('tbody dk-edit-value button')].map((b) => b.getAttribute('aria-label') ?? '');
    expect(new Set(fields).size).toBe(fields.length);
    host.querySelectorAll<HTMLElement>('tbody tr')[1]?.querySelector<HTMLElement>('td.number button')?.click();
    await settle();
    const input = host.querySelector('dk-edit-value input') as HTMLInputElement;
    input.value = '800';
    input.dispatchEvent(new Event('input'));
    expect(edits.at(-1)?.[0]?.now).toMatchObject([{ share: { only: 5_000 } }, { share: { only: 800 }, to: 'Pier 3' }]);
  });
  it('are taken away, but for the last', async () => {
    const { press, edits } = await open(with2(0));
    await press('Take away');
    expect((edits.at(-1)?.[0]?.now as object[]).length).toBe(1);
    TestBed.resetTestingModule();
    expect((await open()).host.textContent).not.toContain('Take away');
  });
  it('get a column a version, each with a name of its own', async () => {
    const { press, edits } = await open();
    await press('Another version');
    expect(edits.at(-1)?.[0]).toMatchObject({ at: ['items', 'i1', 'versions', 'v2'], now: { name: 'v2' } });
    const two = {
      ...spec,
      items: {
        i1: {
          ...spec.items['i1']!,
          versions: { only: spec.items['i1']!.versions['only']!, v2: { name: 'Dutch', quantity: 900, changes: [] } },
        },
      },
    };
    TestBed.resetTestingModule();
    const shown = await open(two);
    expect(shown.host.querySelectorAll('thead th.number')).toHaveLength(2);
    expect(says(shown.host)).toContain('900 still to place.');
  });
  it('name the order each item is for', async () => {
    expect(says((await open()).host)).toContain('Order 2401, Choir');
    TestBed.resetTestingModule();
    expect(says((await open(spec, { orders: [] })).host)).toContain('For the works itself');
  });
  const typeNumber = async ({ host, settle }: Shown, number: string): Promise<void> => {
    const field = host.querySelector<HTMLInputElement>('.join input');
    if (!field) throw new Error('no field');
    field.value = number;
    host.querySelector<HTMLFormElement>('form.join')?.dispatchEvent(new Event('submit'));
    await settle();
  };
  it('take another order in by the number of its job', async () => {
    answer = (name) =>
      name === 'orders.list'
        ? of({
            rows: [
              { job: 'x', number: 24_100 },
              { job: OTHER, number: 2410 },
            ],
            next: null,
          })
        : of({ version: 4 });
    const shown = await open();
    await typeNumber(shown, ' 2410 ');
    expect(shown.asked.at(-1)).toEqual({ name: 'jobs.join', sent: { params: { id: ID }, body: { version: 3, other: OTHER } } });
    expect(shown.changed).toHaveLength(1);
  });
  it('say when no order has that number, or it is none', async () => {
    answer = () => of({ rows: [], next: null });
    const shown = await open();
    await typeNumber(shown, 'many');
    expect(says(shown.host)).toContain('Type the number of the other job.');
    await typeNumber(shown, '9');
    expect(says(shown.host)).toContain('No order in hand has the number 9.');
    expect(shown.asked.map((a) => a.name)).toEqual(['orders.list']);
  });
  it.each([[{ state: 'part' as const }], [{ alternativeOf: OTHER }]])('take nothing in where the job is no plain draft', async (more) => {
    expect((await open(spec, more)).host.querySelector('form.join')).toBeNull();
  });
});

const none: Differences = { totals: [], come: [], gone: [], assumes: { before: [], after: [] }, edits: [] };

describe('plans', () => {
  const plans: Alternative[] = [
    { job: ID, alt: 0, name: '', state: 'draft', version: 3, summary: {} as never },
    { job: OTHER, alt: 1, name: 'on the large press', state: 'draft', version: 5, summary: {} as never },
  ];
  const differences: Differences = {
    ...none,
    totals: [{ key: 'money', unit: 'money', before: 900, after: 800 }],
    assumes: { before: [], after: [{ code: 'assume.stock', args: { stock: 'Ivory board' } }] },
    edits: [{ place: 'machine, print', was: 'nothing', now: 'Press 5' }],
  };
  let gone: unknown[][] = [];
  const open = (more: Partial<Job> = {}, inputs: object = {}, list = plans): Promise<Shown> => {
    gone = [];
    jest.spyOn(Router.prototype, 'navigate').mockImplementation((to) => {
      gone.push([...to]);
      return Promise.resolve(true);
    });
    answer = (name) =>
      name === 'jobs.alternatives' ? of(list) : name === 'jobs.differences' ? of(differences) : of({ job: OTHER, version: 6 });
    return show(PlansPanel, { job: job(more), plan: made, place, may: true, ...inputs });
  };

  it('stand side by side with only the totals that differ', async () => {
    const { host } = await open();
    const rows = [...host.querySelectorAll('tbody tr')].map((r) => r.textContent.replace(/[\s\u2009]+/g, ' ').trim());
    expect(rows[0]).toMatch(/^planning cost.*EUR800.00 EUR$/);
    expect(rows.filter((r) => r.includes('EUR'))).toHaveLength(1);
    expect(says(host)).toContain('machine, print: nothing → Press 5');
    expect(says(host)).toContain('paper (Ivory board)');
  });
  it('say when there is only one', async () => {
    expect(says((await open({}, {}, plans.slice(0, 1))).host)).toContain('There is only this one.');
  });
  it('are chosen with a reason; seen from the alternative, the page goes to the job', async () => {
    const { press, asked, changed } = await open();
    await press('Choose this plan');
    expect(asked.find((a) => a.name === 'jobs.choose')?.sent).toEqual({ params: { id: OTHER }, body: { version: 5, reason: 'because' } });
    expect(changed).toEqual([]);
    expect(gone).toEqual([['/jobs', OTHER]]);
  });
  it('are made under a name', async () => {
    const { press, asked } = await open();
    words = 'with a wider trim';
    await press('Another plan …');
    expect(asked.at(-1)?.sent).toMatchObject({ params: { id: ID }, body: { name: 'with a wider trim', edits: [] } });
  });
  it('are only read where the job is released, or by somebody who does not plan', async () => {
    const released = [{ ...plans[0]!, state: 'released' as const }, plans[1]!];
    expect((await open({}, {}, released)).host.textContent).not.toContain('Choose this plan');
    TestBed.resetTestingModule();
    expect((await open({}, { may: false })).host.querySelectorAll('button')).toHaveLength(0);
  });
});

describe('history', () => {
  const happened: Happened[] = [
    { at: 1_772_000_000, by: 'Runa Tormeel', what: 'job.edited', version: 2, edits: [{ place: 'quantity', was: '1', now: '2' }], note: '' },
    { at: 1_771_000_000, by: 'Anselm Hardt', what: 'job.revising', version: 1, edits: [], note: 'more wanted' },
  ];
  const releases = [
    { nr: 1, at: 1_771_000_000, by: 'Anselm Hardt', scope: ['paper'], reason: '' },
    { nr: 2, at: 1_771_500_000, by: 'Anselm Hardt', scope: null, reason: 'all agreed' },
  ];
  const open = (more: Partial<Job> = {}, differences: Differences = none): Promise<Shown> => {
    answer = (name) => (name === 'jobs.history' ? of(happened) : of(differences));
    return show(HistoryPanel, { job: job({ releases, ...more }), place });
  };
  it('tells who did what, with places and reasons', async () => {
    const text = says((await open()).host);
    expect(text).toContain('Runa Tormeel changed quantity: 1 → 2');
    expect(text).toContain('opened for revision “more wanted”');
    expect(text).toContain('Release 1 of 1 things');
    expect(text).toContain('Release 2 of the whole');
  });
  it('shows how two releases differ, or that they do not', async () => {
    const { press, host, asked } = await open({}, { ...none, totals: [{ key: 'sheets', unit: 'sheet', before: 10, after: 12 }] });
    await press('against the one before');
    expect(asked.at(-1)?.sent).toMatchObject({ query: { since: '1', release: '2' } });
    expect(says(host)).toContain('Release 1 → release 2to pull: 10 sheets → 12 sheets');
    TestBed.resetTestingModule();
    const same = await open();
    await same.press('against now');
    expect(says(same.host)).toContain('They are the same.');
  });
  it('says so when nothing is released, and when it cannot be read', async () => {
    expect(says((await open({ releases: [] })).host)).toContain('Nothing is released yet.');
    TestBed.resetTestingModule();
    answer = () => throwError(() => ({ status: 0, title: 'No answer' }));
    expect((await show(HistoryPanel, { job: job(), place })).host.querySelector('[role=alert]')?.textContent).toContain('No answer');
  });
});
