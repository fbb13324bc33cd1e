import { TestBed } from '@angular/core/testing';
import { type Observable, of, Subject, throwError } from 'rxjs';
import type { Changed, Task } from '@druckerei/contract';
import type { FoundLayout } from '@druckerei/core/planning';
import { LayoutSearch } from '../job/layout-search';
import { ApiCaller } from '../shared/api';
import { Changes } from '../shared/changes';
import { Searcher, type SearchState } from './searcher';

const found: FoundLayout = {
  part: 'card.card',
  now: 6,
  found: 7,
  bound: 7,
  cuttable: false,
  iterations: 900,
  edits: [{ at: ['choices', 'layout', 'card.card'], now: {} }],
};
const task = (more: Partial<Task>): Task => ({
  id: 'x',
  kind: 'layout',
  state: 'running',
  done: 0,
  of: 60_000,
  progress: null,
  result: null,
  says: '',
  attempt: 1,
  ...more,
});

describe('Searcher', () => {
  let searcher: Searcher;
  let news: Subject<Changed | null>;
  let read: () => Observable<unknown>;
  const asked: { name: string; sent: { body?: object; params?: { id: string } } }[] = [];
  beforeEach(() => {
    jest.useFakeTimers();
    asked.length = 0;
    news = new Subject();
    read = () => of(task({}));
    TestBed.configureTestingModule({
      providers: [
        Searcher,
        { provide: Changes, useValue: { changes$: news } },
        {
          provide: ApiCaller,
          useValue: {
            call: (name: string, sent: never) => {
              asked.push({ name, sent });
              return name === 'tasks.read' ? read() : of(task({}));
            },
          },
        },
      ],
    });
    searcher = TestBed.inject(Searcher);
  });
  afterEach(() => {
    jest.useRealTimers();
  });
  const told = (more: Partial<Task>): void => {
    read = () => of(task(more));
    news.next(null);
  };
  const ids = (name: string): unknown[] => asked.filter((a) => a.name === name).map((a) => a.sent.params?.id);

  it('asks the server for the version that is saved, once', () => {
    searcher.layout('j', 3, 'card.card');
    expect(asked).toEqual([
      { name: 'tasks.layout', sent: { body: expect.objectContaining({ job: 'j', version: 3, part: 'card.card' }) as object } },
    ]);
    expect(searcher.state()).toEqual({ kind: 'searching', part: 'card.card', done: 0, of: 60_000, bound: null });
  });
  it('tells progress, then what was found, and asks no more', () => {
    searcher.layout('j', 3, 'card.card');
    told({ done: 12_000, progress: { best: 6, bound: 8 } });
    expect(searcher.state()).toEqual({ kind: 'searching', part: 'card.card', done: 12_000, of: 60_000, bound: 8 });
    told({ state: 'done', result: found });
    expect(searcher.state()).toEqual({ kind: 'found', part: 'card.card', found });
    const before = asked.length;
    jest.advanceTimersByTime(10_000);
    expect(asked).toHaveLength(before);
  });
  it('looks by itself where no news come', () => {
    searcher.layout('j', 3, 'card.card');
    read = () => of(task({ done: 5 }));
    jest.advanceTimersByTime(2_100);
    expect(searcher.state()).toMatchObject({ done: 5 });
  });
  it('is stopped on the server when it is cancelled here', () => {
    searcher.layout('j', 3, 'card.card');
    searcher.cancel();
    expect(ids('tasks.cancel')).toHaveLength(1);
    told({ state: 'done', result: found });
    expect(searcher.state()).toEqual({ kind: 'idle' });
  });
  it('goes on when the page is left, and is not stopped', () => {
    searcher.layout('j', 3, 'card.card');
    TestBed.resetTestingModule();
    expect(ids('tasks.cancel')).toEqual([]);
  });
  it.each([
    ['in the words of the worker', { state: 'failed' as const, says: 'out of memory' }, { kind: 'failed', says: 'out of memory' }],
    ['that it was stopped elsewhere', { state: 'cancelled' as const }, { kind: 'idle' }],
  ])('says %s', (_name, more, state) => {
    searcher.layout('j', 3, 'a');
    told(more);
    expect(searcher.state()).toMatchObject(state);
  });
  it('says that the server does not answer', () => {
    searcher.layout('j', 3, 'a');
    read = () => throwError(() => ({ status: 0, title: 'No answer' }));
    news.next(null);
    expect(searcher.state()).toMatchObject({ kind: 'failed', says: 'No answer' });
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
    const { host, cancelled } = show({ kind: 'searching', part: 'card.card', done: 12_000, of: 60_000, bound: 8 });
    expect(host.textContent.replace(/\s/gu, ' ')).toContain('12 000 of 60 000, 8 at most');
    expect(host.querySelector('mat-progress-bar')?.getAttribute('aria-valuenow')).toBe('20');
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
    const { host } = show({ kind: 'searching', part: 'other', done: 12_000, of: 60_000, bound: 8 });
    expect(host.textContent).not.toContain('60');
  });
});
