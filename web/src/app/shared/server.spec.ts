import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Store } from '@ngrx/store';
import { Subject, throwError, of, type Observable } from 'rxjs';
import type { Changed } from '@druckerei/contract';
import { provideAsking } from '../session/signed-in.fixture';
import { SessionActions, sessionFeature } from '../session/session.feature';
import { ApiCaller } from './api';
import { Changes } from './changes';
import { readingOf, Server } from './server';

/* What the pages read of the server, and ask of it. */

@Component({ selector: 'dk-reader', template: '', changeDetection: ChangeDetectionStrategy.OnPush })
class Reader {
  readonly cards = readingOf('tools.cards', ['tools']);
  readonly server = inject(Server);
}

let asked: { name: string; sent: never; answer: Subject<unknown> }[];
let news: Subject<Changed | null>;
function open(call?: (name: string) => Observable<unknown>) {
  asked = [];
  news = new Subject();
  TestBed.configureTestingModule({
    providers: [
      provideAsking(),
      { provide: Changes, useValue: { changes$: news } },
      {
        provide: ApiCaller,
        useValue: {
          call: (name: string, sent: never): Observable<unknown> => {
            if (call) return call(name);
            const answer = new Subject<unknown>();
            asked.push({ name, sent, answer });
            return answer;
          },
        },
      },
    ],
  });
  return TestBed.createComponent(Reader);
}
const changed = (table: Changed['table']): Changed => ({ table, id: 'x', version: 1, by: 'Odo' });

describe('a reading', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  it('holds what came last, never what an older asking brings late', () => {
    const { cards } = open().componentInstance;
    expect(cards.got()).toBeNull();
    cards.ask({ query: { state: 'work' } });
    cards.ask({ query: { state: 'kept' } });
    expect(cards.loading()).toBe(true);
    asked[1]!.answer.next({ cards: ['kept'] });
    asked[0]!.answer.next({ cards: ['work'] });
    expect(cards.got()).toEqual({ cards: ['kept'] });
    expect(cards.loading()).toBe(false);
  });
  it('is asked again when others change what it shows, once for news that follow each other, and not for other news', () => {
    const { cards } = open().componentInstance;
    cards.ask({ query: {} });
    asked[0]!.answer.next({ cards: [] });
    news.next(changed('stock'));
    jest.advanceTimersByTime(1_000);
    expect(asked).toHaveLength(1);
    for (let i = 0; i < 5; i++) news.next(changed('tools'));
    jest.advanceTimersByTime(1_000);
    expect(asked).toHaveLength(2);
    // What was read stays on screen meanwhile.
    expect(cards.got()).toEqual({ cards: [] });
    news.next(null);
    jest.advanceTimersByTime(1_000);
    expect(asked).toHaveLength(3);
  });
  it('says why it failed, is asked again after a sign-in, and forgets when its place is gone', () => {
    const f = open();
    const { cards } = f.componentInstance;
    const store = TestBed.inject(Store);
    const expired = store.selectSignal(sessionFeature.selectExpired);
    cards.ask({ query: {} });
    asked[0]!.answer.error({ status: 401, title: 'Nobody is signed in' });
    expect(cards.failure()?.status).toBe(401);
    expect(expired()).toBe(true);
    store.dispatch(
      SessionActions.signedIn({
        me: {
          name: 'odo',
          fullName: 'Odo',
          initials: 'O',
          roles: ['store'],
          units: 'metric',
          mustChange: false,
          timeZone: 'Europe/Berlin',
        },
      }),
    );
    expect(asked.map((a) => a.name).filter((n) => n === 'tools.cards')).toHaveLength(2);
    f.destroy();
    news.next(changed('tools'));
    jest.advanceTimersByTime(1_000);
    expect(asked.map((a) => a.name).filter((n) => n === 'tools.cards')).toHaveLength(2);
    expect(cards.got()).toBeNull();
  });
});

describe('who is signed out', () => {
  it('is not taken out of what he types by news that cannot be read', () => {
    const { cards, server } = open().componentInstance;
    const expired = TestBed.inject(Store).selectSignal(sessionFeature.selectExpired);
    cards.ask({ query: {} });
    asked[0]!.answer.next({ cards: [] });
    cards.again();
    asked[1]!.answer.error({ status: 401, title: 'Nobody is signed in' });
    server.send('tools.offers', { params: { id: 'x' } }).subscribe({ error: () => undefined });
    asked[2]!.answer.error({ status: 401, title: 'Nobody is signed in' });
    expect([expired(), cards.failure()?.status]).toEqual([false, 401]);
  });
});

describe('a deed', () => {
  it('goes out when somebody listens, and answers him alone', () => {
    const { server } = open().componentInstance;
    const told: unknown[] = [];
    const image = server.send('tools.image', { body: { key: 'k', plates: 1 } });
    expect(asked).toEqual([]);
    image.subscribe((reply) => told.push(['first', reply]));
    server.send('tools.image', { body: { key: 'l', plates: 1 } }).subscribe((reply) => told.push(['second', reply]));
    asked[1]!.answer.next({ imaged: [] });
    expect(told).toEqual([['second', { imaged: [] }]]);
    asked[0]!.answer.next({ imaged: ['P-1'] });
    expect(told).toEqual([
      ['second', { imaged: [] }],
      ['first', { imaged: ['P-1'] }],
    ]);
  });
  it('answered in the same moment is answered; refused it says why, and who was signed out is asked to sign in', () => {
    const quick = open(() => of({ imaged: [] })).componentInstance;
    const told: unknown[] = [];
    quick.server.send('tools.image', { body: { key: 'k', plates: 1 } }).subscribe((r) => told.push(r));
    expect(told).toEqual([{ imaged: [] }]);
    TestBed.resetTestingModule();
    const { server } = open(() => throwError(() => ({ status: 401, title: 'No' }))).componentInstance;
    server.send('tools.image', { body: { key: 'k', plates: 1 } }).subscribe({ error: (f) => told.push(f) });
    expect(told[1]).toMatchObject({ status: 401, title: 'No' });
    expect(TestBed.inject(Store).selectSignal(sessionFeature.selectExpired)()).toBe(true);
  });
});
