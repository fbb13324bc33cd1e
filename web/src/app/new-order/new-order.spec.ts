import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { provideAsking } from '../session/signed-in.fixture';
import { provideRouter, Router } from '@angular/router';
import { EMPTY_SHELF, type JobSpec } from '@druckerei/core';
import plantJson from '../../../../demo/plant.json';
import type { Ask } from '../planner/plan-messages';
import { freshSpec, NewOrder } from './new-order';

const mockAsks: Ask[] = [];
jest.mock('../planner/plan.spawn', () => ({
  spawnPlanner: () => ({ onmessage: null, postMessage: (a: Ask) => void mockAsks.push(a), terminate: () => undefined }),
}));

const CHOIR = { id: '6f0c2f8e-7e3a-4d7b-9a52-3c1f6f9f5a01', name: 'Lindmoor Choir', address: 'Hall 2, Lindmoor' };
const KEPT = 'druckerei.new-order';

interface Page {
  host: HTMLElement;
  http: HttpTestingController;
  settle: () => Promise<void>;
  type: (label: string, text: string) => Promise<void>;
  button: (text: string) => HTMLButtonElement;
  spec: () => JobSpec;
}

async function open(customers = [CHOIR]): Promise<Page> {
  TestBed.configureTestingModule({
    imports: [NewOrder],
    providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([]), provideAsking()],
  });
  const f = TestBed.createComponent(NewOrder);
  const http = TestBed.inject(HttpTestingController);
  const host = f.nativeElement as HTMLElement;
  const settle = async (): Promise<void> => void (await f.whenStable());
  f.detectChanges();
  http.expectOne('/api/customers').flush(customers);
  http.expectOne('/api/plants/current').flush({ hash: 'abc', shelf: { ...EMPTY_SHELF, asOf: 1_772_000_000 } });
  http.expectOne('/api/plants/abc').flush(plantJson);
  await settle();
  const button = (text: string): HTMLButtonElement => {
    const found = [...host.querySelectorAll('button')].find(
      (b) => b.textContent.includes(text) || (b.getAttribute('aria-label') ?? '').startsWith(text),
    );
    if (!found) throw new Error(`no button ${text}`);
    return found;
  };
  const type = async (label: string, text: string): Promise<void> => {
    button(`${label},`).click();
    await settle();
    const input = host.querySelector<HTMLInputElement>(`input[aria-label="${label}"]`) as HTMLInputElement;
    input.value = text;
    input.dispatchEvent(new Event('input'));
    await settle();
  };
  // A card is to be made, unless an order was left half typed.
  host.querySelector<HTMLButtonElement>('.made button')?.click();
  await settle();
  return { host, http, settle, type, button, spec: () => JSON.parse(localStorage.getItem(KEPT) ?? 'null') as JobSpec };
}
/** Types a customer's name and leaves the field. */
const choose = (host: HTMLElement, name: string): void => {
  const field = host.querySelector<HTMLInputElement>('input[aria-label="Customer"]') as HTMLInputElement;
  field.value = name;
  field.dispatchEvent(new Event('input'));
  field.dispatchEvent(new Event('blur'));
};

describe('a new order', () => {
  beforeEach(() => {
    localStorage.clear();
    mockAsks.length = 0;
  });

  it('begins with a picture of everything that is made, and says what is not', async () => {
    localStorage.clear();
    const { host, button, settle, spec } = await open();
    button('Something else than: Card or leaflet').click();
    await settle();
    const made = [...host.querySelectorAll<HTMLButtonElement>('.made button')];
    expect(made.map((b) => b.querySelector('b')?.textContent)).toEqual([
      'Card or leaflet',
      'Labels from the roll',
      'Folding carton',
      'Disc sleeve',
      'Stitched booklet',
      'Softcover book',
      'Sewn hardcover',
      'Hot-foil dies',
      'Cutting dies',
      'Printing cylinders',
      'Embossing rollers',
      'Printed rolls by gravure',
    ]);
    expect(made.every((b) => b.querySelector('svg') !== null)).toBe(true);
    expect(host.textContent).toContain('numbered secure sheets');
    made[1]!.click();
    await settle();
    expect(Object.values(spec().products)).toMatchObject([{ kind: 'made', family: 'label-sheet' }]);
  });
  it('starts from what the family usually is, due in two weeks, and plans it at once', async () => {
    const spec = freshSpec('folded-card', new Date('2026-03-02T08:00:00Z'));
    expect(spec.items['i1']?.deliveries[0]?.by).toBe('2026-03-16T12:00');
    await open();
    expect(mockAsks.filter((a) => a.kind === 'plan')).toHaveLength(1);
  });
  it('says what is missing, and cannot be entered until nothing is', async () => {
    const { host, type, button, settle } = await open();
    expect(host.querySelector('[role=status]')?.textContent).toContain('Name the product');
    expect(button('Enter order').getAttribute('aria-disabled') === 'true').toBe(true);
    await type('Product name', 'Spring card');
    expect(host.querySelector('[role=status]')?.textContent).toContain('Choose the customer');
    choose(host, 'lindmoor choir');
    await settle();
    expect(button('Enter order').getAttribute('aria-disabled') === 'true').toBe(false);
  });
  it('keeps quantity and the one delivery’s share together', async () => {
    const { type, spec } = await open();
    await type('Quantity', '12 500');
    expect(spec().items['i1']?.versions['only']?.quantity).toBe(12_500);
    expect(spec().items['i1']?.deliveries[0]?.share).toEqual({ only: 12_500 });
  });
  it('takes the customer’s address where none was typed, and keeps one that was', async () => {
    const { host, spec, settle } = await open();
    choose(host, 'lindmoor choir');
    await settle();
    expect(spec().items['i1']?.deliveries[0]?.to).toBe('Hall 2, Lindmoor');
    const to = host.querySelector<HTMLInputElement>('input[aria-label="Deliver to"]') as HTMLInputElement;
    to.value = 'Side door';
    to.dispatchEvent(new Event('input'));
    to.dispatchEvent(new Event('blur'));
    await settle();
    choose(host, 'lindmoor choir');
    await settle();
    expect(spec().items['i1']?.deliveries[0]?.to).toBe('Side door');
  });
  it('keeps a refused value in its field with a sentence, and the last good plan', async () => {
    const { host, type, button, spec } = await open();
    await type('Quantity', '-5');
    expect(host.querySelector<HTMLInputElement>('input[aria-label="Quantity"]')?.value).toBe('-5');
    expect(host.querySelector('.says')?.textContent.length).toBeGreaterThan(5);
    expect(spec().items['i1']?.versions['only']?.quantity).toBe(5_000);
    expect(button('Enter order').getAttribute('aria-disabled') === 'true').toBe(true);
  });
  it('comes back as it was left, and starts over when asked', async () => {
    const first = await open();
    await first.type('Product name', 'Spring card');
    TestBed.resetTestingModule();
    const second = await open();
    expect(second.button('Product name,').textContent).toContain('Spring card');
    second.button('Start over').click();
    await second.settle();
    expect(second.host.querySelector('h1')?.textContent).toBe('What is to be made?');
    second.host.querySelector<HTMLButtonElement>('.made button')?.click();
    await second.settle();
    expect(second.button('Product name,').textContent).toContain('New order');
  });
  it('ignores a kept order that this version cannot read', async () => {
    localStorage.setItem(KEPT, '{"schema":1,"name":7}');
    const { button } = await open();
    expect(button('Product name,').textContent).toContain('New order');
  });
  it('enters once however often it is clicked, and opens the job', async () => {
    const { host, http, type, button, settle } = await open();
    const went = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await type('Product name', 'Spring card');
    choose(host, 'lindmoor choir');
    await settle();
    button('Enter order').click();
    button('Enter').click();
    const sent = http.expectOne('/api/orders');
    expect(sent.request.body).toMatchObject({ customer: CHOIR.id, spec: { name: 'Spring card' } });
    sent.flush({ job: 'j1' });
    expect(went).toHaveBeenCalledWith(['/jobs', 'j1']);
    expect(localStorage.getItem(KEPT)).toBeNull();
  });
  it('makes a new customer first', async () => {
    const { host, http, type, button, settle } = await open([]);
    await type('Product name', 'Spring card');
    choose(host, 'Heron Bakery');
    await settle();
    expect(host.textContent).toContain('a new customer');
    button('Enter order').click();
    const made = http.expectOne('/api/customers');
    expect(made.request.body).toMatchObject({ name: 'Heron Bakery' });
    http.expectNone('/api/orders');
    made.flush({ ...CHOIR, name: 'Heron Bakery' });
    expect((http.expectOne('/api/orders').request.body as { customer: string }).customer).toBe(CHOIR.id);
  });
  it('keeps everything when the server refuses, says why, and can be tried again', async () => {
    const { host, http, type, button, settle, spec } = await open();
    await type('Product name', 'Spring card');
    choose(host, 'lindmoor choir');
    await settle();
    button('Enter order').click();
    const fields = [{ path: 'spec.name', says: 'is too long' }];
    http
      .expectOne('/api/orders')
      .flush({ title: 'Not understood', status: 400, detail: 'Some fields need another look.', fields }, { status: 400, statusText: '' });
    await settle();
    expect(host.querySelector('[role=alert]')?.textContent).toContain('is too long');
    expect(spec().name).toBe('Spring card');
    expect(button('Enter order').getAttribute('aria-disabled') === 'true').toBe(false);
  });
  it('says so when the server does not answer', async () => {
    const { host, http, type, button, settle } = await open();
    await type('Product name', 'Spring card');
    choose(host, 'lindmoor choir');
    await settle();
    button('Enter order').click();
    http.expectOne('/api/orders').error(new ProgressEvent('error'), { status: 0 });
    await settle();
    expect(host.querySelector('[role=alert]')?.textContent).toContain('What you typed is kept here');
  });
});
