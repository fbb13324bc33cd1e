import { TestBed } from '@angular/core/testing';
import type { FoundLayout, JobSpec, Plant, Shelf } from '@druckerei/core';
import { LayoutSearch } from '../job/layout-search';
import type { SearchAnswer, SearchAsk } from './search-messages';
import { Searcher, type SearchState } from './searcher';

interface MockWorker {
  onmessage: ((e: { data: SearchAnswer }) => void) | null;
  asked: SearchAsk[];
  ended: boolean;
}
const mockWorkers: MockWorker[] = [];
jest.mock('./search.spawn', () => ({
  spawnSearch: () => {
    const worker: MockWorker & { postMessage: (a: SearchAsk) => void; terminate: () => void } = {
      onmessage: null,
      asked: [],
      ended: false,
      postMessage: (a) => void worker.asked.push(a),
      terminate: () => void (worker.ended = true),
    };
    mockWorkers.push(worker);
    return worker;
  },
}));

const found: FoundLayout = {
  part: 'card.card',
  now: 6,
  found: 7,
  bound: 7,
  cuttable: false,
  iterations: 900,
  edits: [{ at: ['choices', 'layout', 'card.card'], now: {} }],
};
const progress = { iterations: 12_000, count: 0, bound: 8 };

describe('Searcher', () => {
  let searcher: Searcher;
  beforeEach(() => {
    mockWorkers.length = 0;
    TestBed.configureTestingModule({ providers: [Searcher] });
    searcher = TestBed.inject(Searcher);
  });
  const ask = (part: string): MockWorker => {
    searcher.layout({} as JobSpec, {} as Plant, {} as Shelf, part);
    return mockWorkers.at(-1) as MockWorker;
  };
  const say = (worker: MockWorker, data: SearchAnswer): void => worker.onmessage?.({ data });

  it('asks a worker of its own, with a number of iterations and never a time', () => {
    const worker = ask('card.card');
    expect(worker.asked).toEqual([expect.objectContaining({ part: 'card.card', iterations: 60_000 })]);
    expect(searcher.state()).toMatchObject({ kind: 'searching', progress: null, of: 60_000 });
  });
  it('tells progress, then what was found, and ends the worker', () => {
    const worker = ask('card.card');
    say(worker, { kind: 'progress', progress });
    expect(searcher.state()).toMatchObject({ kind: 'searching', progress });
    say(worker, { kind: 'found', found });
    expect(searcher.state()).toEqual({ kind: 'found', part: 'card.card', found });
    expect(worker.ended).toBe(true);
  });
  it('is cancelled by ending the worker; a late answer changes nothing', () => {
    const worker = ask('card.card');
    searcher.cancel();
    expect(worker.ended).toBe(true);
    say(worker, { kind: 'found', found });
    expect(searcher.state()).toEqual({ kind: 'idle' });
  });
  it('lets a new question take the place of one that runs', () => {
    const first = ask('a');
    const second = ask('b');
    expect([first.ended, second.ended]).toEqual([true, false]);
    say(first, { kind: 'found', found });
    expect(searcher.state()).toMatchObject({ kind: 'searching', part: 'b' });
  });
  it('says what went wrong', () => {
    say(ask('a'), { kind: 'failed', says: 'out of memory' });
    expect(searcher.state()).toEqual({ kind: 'failed', part: 'a', says: 'out of memory' });
    say(ask('a'), { kind: 'found', found: null });
    expect(searcher.state()).toMatchObject({ kind: 'failed', says: 'This part has no sheet to search on.' });
  });
  it('ends what runs when the screen goes', () => {
    const worker = ask('a');
    TestBed.resetTestingModule();
    expect(worker.ended).toBe(true);
  });
});

describe('LayoutSearch', () => {
  const show = (state: SearchState, locked = false): { host: HTMLElement; taken: unknown[]; searched: number[]; cancelled: number[] } => {
    const f = TestBed.createComponent(LayoutSearch);
    f.componentRef.setInput('part', 'card.card');
    f.componentRef.setInput('state', state);
    f.componentRef.setInput('locked', locked);
    const heard = { taken: [] as unknown[], searched: [] as number[], cancelled: [] as number[] };
    f.componentInstance.take.subscribe((e) => heard.taken.push(e));
    f.componentInstance.searchAsked.subscribe(() => heard.searched.push(1));
    f.componentInstance.cancelled.subscribe(() => heard.cancelled.push(1));
    f.detectChanges();
    return { host: f.nativeElement as HTMLElement, ...heard };
  };
  const press = (host: HTMLElement, text: string): void => {
    [...host.querySelectorAll('button')].find((b) => b.textContent.includes(text))?.click();
  };
  const foundState = (more: Partial<FoundLayout> = {}): SearchState => ({ kind: 'found', part: 'card.card', found: { ...found, ...more } });

  it('offers a search, not on a released job', () => {
    const { host, searched } = show({ kind: 'idle' });
    press(host, 'Search any layout');
    expect(searched).toHaveLength(1);
    expect(show({ kind: 'idle' }, true).host.textContent.trim()).toBe('');
  });
  it('tells how far it is, and can be cancelled', () => {
    const { host, cancelled } = show({ kind: 'searching', part: 'card.card', progress, of: 60_000 });
    expect(host.textContent.replace(/\s/gu, ' ')).toContain('12 000 of 60 000, 8 at most');
    expect(host.querySelector('progress')?.value).toBeCloseTo(0.2, 9);
    press(host, 'Cancel');
    expect(cancelled).toHaveLength(1);
  });
  it('says what was found, how sure that is, and that it is for a die; taking it is an edit', () => {
    const { host, taken } = show(foundState());
    expect(host.textContent).toContain('7 up instead of 6; proved: none holds more; for a die');
    press(host, 'Take it');
    expect(taken).toEqual([found.edits]);
  });
  it('says the gap where nothing is proved', () => {
    expect(show(foundState({ bound: 9 })).host.textContent).toContain('not proved, gap 2');
    expect(show(foundState({ cuttable: true })).host.textContent).toContain('straight cuts take it apart');
  });
  it('offers nothing to take where nothing better was found', () => {
    const { host } = show(foundState({ found: 6, bound: 6 }));
    expect(host.textContent).toContain('No layout with more than 6 found; proved');
    expect(host.textContent).not.toContain('Take it');
  });
  it('shows nothing of a search for another part', () => {
    const { host } = show({ kind: 'searching', part: 'other', progress, of: 60_000 });
    expect(host.textContent).not.toContain('60');
  });
});
