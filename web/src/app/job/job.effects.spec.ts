import { TestBed } from '@angular/core/testing';
import { MatSnackBar } from '@angular/material/snack-bar';
import { provideMockActions } from '@ngrx/effects/testing';
import { provideState, provideStore, Store } from '@ngrx/store';
import { type Observable, of, ReplaySubject, Subject, throwError } from 'rxjs';
import type { Job } from '@druckerei/contract';
import { type Plant } from '@druckerei/core';
import { SessionActions, sessionFeature } from '../session/session.feature';
import { ApiCaller } from '../shared/api';
import { Changes } from '../shared/changes';
import { Typing } from '../shared/typing';
import * as effects from './job.effects';
import { JobActions, JobApiActions, jobFeature } from './job.feature';
import { cardSpec } from './card-spec.fixture';

const spec = cardSpec();
const job = { id: 'j', number: 1, customer: 'c', state: 'draft', version: 3, plant: 'p', shelf: {}, releases: [], spec } as unknown as Job;

describe('saving', () => {
  let actions: ReplaySubject<unknown>;
  let store: Store;
  let answer: () => Observable<unknown>;
  const asked: { name: string; body: { version: number; edits: unknown[] } }[] = [];
  const heard: { type: string }[] = [];

  beforeEach(() => {
    jest.useFakeTimers();
    asked.length = 0;
    heard.length = 0;
    actions = new ReplaySubject(1);
    answer = () => of({ version: 4, summary: {}, shelf: {}, othersEdits: [] });
    TestBed.configureTestingModule({
      providers: [
        provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
        provideState(jobFeature),
        provideMockActions(() => actions),
        { provide: Changes, useValue: { changes$: new Subject() } },
        {
          provide: ApiCaller,
          useValue: {
            call: (name: string, sent: { body: never }) => {
              asked.push({ name, body: sent.body });
              return answer();
            },
          },
        },
      ],
    });
    store = TestBed.inject(Store);
    store.dispatch(JobApiActions.jobLoaded({ job, plant: {} as Plant, kept: { pending: [], undo: [], redo: [] } }));
    TestBed.runInInjectionContext(() => effects.save()).subscribe((a) => {
      heard.push(a);
      store.dispatch(a);
    });
  });
  afterEach(() => {
    jest.useRealTimers();
  });

  const edit = (now: string): void => {
    const action = JobActions.edited({ edits: [{ at: ['name'], was: spec.name, now }], at: Date.now() });
    store.dispatch(action);
    actions.next(action);
  };

  it('waits until the typing pauses, then sends all of it once', () => {
    edit('A');
    edit('Ab');
    jest.advanceTimersByTime(500);
    expect(asked).toHaveLength(0);
    jest.advanceTimersByTime(200);
    expect(asked).toHaveLength(1);
    expect(asked[0]?.body).toMatchObject({ version: 3, edits: [{ was: spec.name, now: 'Ab' }] });
    expect(heard.map((a) => a.type)).toEqual([JobApiActions.saved.type]);
  });

  it('sends nothing of a value that is still being typed', () => {
    const typing = TestBed.inject(Typing);
    const field = typing.begin();
    edit('A');
    jest.advanceTimersByTime(5_000);
    expect(asked).toHaveLength(0);
    edit('Ab');
    typing.end(field);
    jest.advanceTimersByTime(700);
    expect(asked).toHaveLength(1);
  });

  test.each([
    ['no answer', { status: 0, title: 'No answer' }, JobApiActions.saveFailed.type],
    ['a session that ended', { status: 401, title: 'Not signed in' }, SessionActions.sessionExpired.type],
    [
      'both changed the same place',
      { status: 409, title: 'Changed', stale: { version: 9, by: 'Runa', edits: [] } },
      JobApiActions.saveStale.type,
    ],
    ['a released job', { status: 409, title: 'Released' }, JobApiActions.saveFailed.type],
  ])('keeps the edits on %s', (_name, failure, type) => {
    answer = () => throwError(() => failure);
    edit('A');
    jest.advanceTimersByTime(700);
    expect(heard.map((a) => a.type)).toEqual([type]);
    let pending = 0;
    store
      .select(jobFeature.selectPending)
      .subscribe((p) => (pending = p.length))
      .unsubscribe();
    expect(pending).toBe(1);
  });

  it('asks nothing of the server for a released job', () => {
    store.dispatch(JobApiActions.jobReadAgain({ job: { ...job, state: 'released' }, plant: {} as Plant }));
    edit('A');
    jest.advanceTimersByTime(700);
    expect(asked).toHaveLength(0);
  });
});

describe('something taken away', () => {
  it('is offered back until the next change', () => {
    const actions = new Subject<unknown>();
    const pressed = new Subject<void>();
    const bar = { open: jest.fn(() => ({ onAction: () => pressed })), dismiss: jest.fn() };
    TestBed.configureTestingModule({ providers: [provideMockActions(() => actions), { provide: MatSnackBar, useValue: bar }] });
    const heard: unknown[] = [];
    TestBed.runInInjectionContext(() => effects.offerUndo()).subscribe((a) => heard.push(a));
    const taken = { at: ['products', 'card', 'wish', 'foils', 'f1'], was: { name: 'crest' } };
    actions.next(JobActions.edited({ edits: [taken], at: 1 }));
    expect(bar.open).toHaveBeenCalledWith('“crest” is taken away.', 'Undo', expect.anything());
    pressed.next();
    expect(heard).toEqual([JobActions.undoAsked()]);
    actions.next(JobActions.edited({ edits: [{ at: ['name'], was: 'a', now: 'b' }], at: 2 }));
    expect(bar.dismiss).toHaveBeenCalledTimes(1);
    pressed.next();
    expect(heard).toHaveLength(1);
  });
});
