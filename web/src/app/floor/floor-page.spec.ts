import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideStore, Store } from '@ngrx/store';
import type { MachineNow } from '@druckerei/contract';
import { NOW, step } from '../terminal/terminal.fixture';
import { FloorPage } from './floor-page';
import { FloorActions, floorFeature } from './floor.feature';

const machine = (id: string, more: Partial<MachineNow> = {}): MachineNow => ({
  machine: id,
  name: id,
  step: null,
  next: null,
  waiting: 0,
  last: null,
  unread: 0,
  ...more,
});

describe('the floor', () => {
  const open = async (machines: MachineNow[]): Promise<HTMLElement> => {
    const board = { asOf: NOW + 600, timeZone: 'UTC', machines };
    TestBed.configureTestingModule({
      providers: [provideRouter([]), provideStore({ floor: floorFeature.reducer })],
    });
    const f = TestBed.createComponent(FloorPage);
    TestBed.inject(Store).dispatch(FloorActions.loaded({ board }));
    await f.whenStable();
    return f.nativeElement as HTMLElement;
  };
  it('shows what stands before what runs, and idle machines last', async () => {
    const stopped = step({ times: { ...step().times, state: 'stopped', stopReason: 'blanket', since: NOW } });
    const host = await open([machine('idle'), machine('runs', { step: step() }), machine('stands', { step: stopped })]);
    expect([...host.querySelectorAll('h2')].map((h) => h.textContent)).toEqual(['stands', 'runs', 'idle']);
    expect(host.textContent).toContain('stands: blanket, 10 min');
    expect(host.textContent).toContain('1 running · 0 setting up · 1 standing');
  });
  it('holds the rate against the plan, and says how long it will take at that rate', async () => {
    // By hand: it runs since 10 min, 710 cycles in 600 s are 4,260 an hour, planned 8,000; 1,290 to go take 18 min.
    const host = await open([machine('runs', { step: step({ times: { ...step().times, runS: 0 } }) })]);
    expect(host.textContent).toContain('4\u2009260 an hour, planned 8\u2009000');
    expect(host.textContent).toContain('18 min to go');
    expect(host.querySelector('.slow')).not.toBeNull();
  });
  it('says what the next step waits for, who spoke last, and which handover nobody has read', async () => {
    const next = step({ waits: ['Print, front: dry'], times: { ...step().times, state: 'waiting' } });
    const host = await open([machine('folder', { next, waiting: 3, unread: 2, last: { kind: 'runEnd', at: NOW, by: 'Mika' } })]);
    expect(host.textContent).toContain('waits for Print, front: dry');
    expect(host.textContent).toContain('finished, Mika');
    expect(host.textContent).toContain('3 more wait');
    expect(host.textContent).toContain('handover unread (2)');
  });
  it('says how long washing up takes to what comes then, and nothing where nothing is washed', async () => {
    const next = (minutes: number) => step({ number: 2420, washUp: { minutes, units: [] }, times: { ...step().times, state: 'waiting' } });
    const host = await open([machine('press', { step: step(), next: next(36) }), machine('other', { step: step(), next: next(0) })]);
    expect(host.textContent.match(/then 2420, wash-up 36 min/g)).toHaveLength(1);
    expect(host.textContent).not.toContain('wash-up 0');
  });
  it('keeps the last that was known when the server does not answer', () => {
    const board = { asOf: NOW, timeZone: 'UTC', machines: [] };
    const known = floorFeature.reducer(undefined, FloorActions.loaded({ board }));
    const failed = floorFeature.reducer(known, FloorActions.failed({ failure: { status: 0, title: 'No answer' } }));
    expect(failed).toEqual({ board, call: { failure: { status: 0, title: 'No answer' } } });
  });
});
