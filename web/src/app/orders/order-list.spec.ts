import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { provideState, provideStore, Store } from '@ngrx/store';
import type { OrderRow } from '@druckerei/contract';
import { OrderList } from './order-list';
import { OrdersActions, ordersFeature } from './orders.feature';

const row = (job: string, more: Partial<OrderRow> = {}): OrderRow => ({
  job,
  number: 1,
  title: `Card ${job}`,
  customer: 'Choir',
  quantity: 900,
  state: 'draft',
  dueAt: 2000,
  version: 1,
  summary: {
    good: 900,
    pulled: 300,
    pulledUnit: 'sheet',
    plates: 5,
    machineS: 3600,
    readyAt: 1000,
    money: 1,
    chance: 0.6,
    river: [1, 0.8],
    worst: null,
    blocking: 0,
    undecided: 1,
    pieces: 'pieces',
  },
  ...more,
});

describe('OrderList', () => {
  const show = async (): Promise<{ host: HTMLElement; store: Store; settle: () => Promise<void> }> => {
    TestBed.configureTestingModule({ imports: [OrderList], providers: [provideRouter([]), provideStore(), provideState(ordersFeature)] });
    const f = TestBed.createComponent(OrderList);
    await f.whenStable();
    return {
      host: f.nativeElement as HTMLElement,
      store: TestBed.inject(Store),
      settle: async () => {
        await f.whenStable();
      },
    };
  };
  it('says that it reads, then that there is nothing, then lists', async () => {
    const { host, store, settle } = await show();
    expect(host.textContent).toContain('Reading the orders');
    store.dispatch(OrdersActions.loaded({ rows: [] }));
    await settle();
    expect(host.textContent).toContain('No orders yet');
    store.dispatch(OrdersActions.loaded({ rows: [row('a'), row('b', { dueAt: -10_000 })] }));
    await settle();
    expect(host.querySelectorAll('.row:not(.heads)')).toHaveLength(2);
    expect(host.textContent).toContain('late');
  });
  it('says what went wrong in words and offers to try again', async () => {
    const { host, store, settle } = await show();
    store.dispatch(
      OrdersActions.failed({ failure: { status: 503, title: 'Database not reachable', detail: 'The database does not answer.' } }),
    );
    await settle();
    expect(host.textContent).toContain('The database does not answer.');
    expect(host.textContent).toContain('Try again');
  });
  describe('by keyboard', () => {
    const key = (k: string): void => void window.dispatchEvent(new KeyboardEvent('keydown', { key: k, code: k, bubbles: true }));
    it('walks the rows, stops at the ends, and opens the chosen one', async () => {
      const { host, store, settle } = await show();
      const went = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
      Element.prototype.scrollTo = () => undefined;
      store.dispatch(OrdersActions.loaded({ rows: [row('a'), row('b'), row('c')] }));
      await settle();
      const chosen = (): string | undefined => host.querySelector('.row.chosen')?.id;
      expect(chosen()).toBe('a');
      for (const [pressed, then] of [
        ['ArrowUp', 'a'],
        ['ArrowDown', 'b'],
        ['ArrowDown', 'c'],
        ['ArrowDown', 'c'],
        ['ArrowUp', 'b'],
      ] as const) {
        key(pressed);
        await settle();
        expect(chosen()).toBe(then);
      }
      key('Enter');
      expect(went).toHaveBeenCalledWith(['/jobs', 'b']);
    });
    it('starts a new order and finds one', async () => {
      const { host, store, settle } = await show();
      const went = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
      store.dispatch(OrdersActions.loaded({ rows: [row('a')] }));
      await settle();
      document.body.appendChild(host);
      key('n');
      expect(went).toHaveBeenCalledWith(['/orders/new']);
      key('/');
      expect(document.activeElement).toBe(host.querySelector('input'));
      host.remove();
    });
  });
  it('keeps the chosen order when the list is read again, and takes the first when it is gone', async () => {
    const { store, settle } = await show();
    const chosen = TestBed.inject(Store).selectSignal(ordersFeature.selectChosen);
    store.dispatch(OrdersActions.loaded({ rows: [row('a'), row('b')] }));
    store.dispatch(OrdersActions.chosen({ job: 'b' }));
    store.dispatch(OrdersActions.loaded({ rows: [row('c'), row('b')] }));
    await settle();
    expect(chosen()).toBe('b');
    store.dispatch(OrdersActions.loaded({ rows: [row('c')] }));
    expect(chosen()).toBe('c');
  });
  it.each([
    ['on time', { dueAt: 200_000 }, 'before'],
    ['late', { dueAt: -200_000 }, 'late'],
    ['without a date', { dueAt: null }, 'no date'],
    ['released', { state: 'released' as const }, 'Released'],
    ['blocked', { summary: { ...row('x').summary, blocking: 1 } }, 'Draft, blocked'],
  ])('says that an order is %s', async (_name, more, says) => {
    const { host, store, settle } = await show();
    store.dispatch(OrdersActions.loaded({ rows: [row('a', more)] }));
    await settle();
    expect(host.querySelector('.row:not(.heads)')?.textContent).toContain(says);
  });
});
