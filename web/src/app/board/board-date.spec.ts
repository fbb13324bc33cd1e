import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { type Observable, of, Subject, throwError } from 'rxjs';
import type { BoardPromise, Changed } from '@druckerei/contract';
import { provideSignedIn } from '../session/signed-in.fixture';
import { ApiCaller, type Failure } from '../shared/api';
import { Changes } from '../shared/changes';
import { freshSpec } from '../new-order/new-order';
import { BoardDate } from './board-date';

const NOW = 1_790_000_000;
const JOB = '00000000-0000-4000-8000-000000000001';
const told = (more: Partial<BoardPromise> = {}): BoardPromise => ({
  ...{ onBoard: false, at: NOW, timeZone: 'UTC', because: [{ kind: 'own', what: 'Press', number: null, s: 3600 }], overtime: null },
  ...more,
});

describe('the date of a job', () => {
  const asked: unknown[] = [];
  const news = new Subject<Changed | null>();
  let answer: () => Observable<unknown>;
  const open = async (job: string | null) => {
    asked.length = 0;
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        provideSignedIn('planner'),
        { provide: Changes, useValue: { changes$: news } },
        { provide: ApiCaller, useValue: { call: (_: string, sent: unknown) => (asked.push(sent), answer()) } },
      ],
    });
    const f = TestBed.createComponent(BoardDate);
    f.componentRef.setInput('spec', freshSpec('folded-card', new Date(NOW * 1000)));
    f.componentRef.setInput('job', job);
    const wait = async (): Promise<void> => {
      await new Promise((resolve) => setTimeout(resolve, 600));
      await f.whenStable();
    };
    await f.whenStable();
    const first = (f.nativeElement as HTMLElement).textContent;
    await wait();
    return { f, host: f.nativeElement as HTMLElement, wait, first };
  };

  it('says that it asks, then when it would be ready, and with overtime where that brings something', async () => {
    answer = () => of(told({ overtime: { machine: 'Folder 2', byS: 7200, at: NOW - 3600 } }));
    const { host, first } = await open(null);
    expect(first).toContain('Asking the board');
    expect(host.textContent).toMatch(/Released now, ready \w+ \d+/);
    expect(host.textContent).toContain('with 2 h of overtime a day on Folder 2');
    expect(asked).toHaveLength(1);
  });
  it('asks once for what is typed in one go, and again when the board moves', async () => {
    answer = () => of(told({ onBoard: true }));
    const { f, host, wait } = await open(JOB);
    expect(host.textContent).toContain('On the board: ready');
    expect(host.querySelector('a')?.getAttribute('href')).toBe(`/board?show=${JOB}`);
    for (const day of [1, 2, 3]) f.componentRef.setInput('spec', freshSpec('folded-card', new Date((NOW + day) * 1000)));
    await wait();
    expect(asked).toHaveLength(2);
    news.next({ table: 'customers', id: JOB.replace('1', '2'), version: 1, by: '' });
    news.next({ table: 'board', id: '4', version: 4, by: '' });
    await wait();
    expect(asked).toHaveLength(3);
  });
  it('says what went wrong, and asks again later', async () => {
    answer = () => throwError(() => ({ status: 0, title: 'The server does not answer.' }) as Failure);
    const { host, wait } = await open(null);
    expect(host.textContent).toContain('does not answer');
    answer = () => of(told());
    news.next(null);
    await wait();
    expect(host.textContent).toContain('Released now');
  });
});
