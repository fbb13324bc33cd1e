import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { EMPTY, type Observable, of, throwError } from 'rxjs';
import type { Today, TodayLine } from '@druckerei/contract';
import { ApiCaller } from '../shared/api';
import { Changes } from '../shared/changes';
import { provideSignedIn } from '../session/signed-in.fixture';
import { lineSays } from './line-says';
import { TodayPage } from './today-page';

const NOW = 1_790_000_000;
const ID = '00000000-0000-4000-8000-000000000001';
const job = { job: ID, number: 2412, title: 'Menu' };
const finding = { code: 'nothing.of.the.kind', level: 'decide', args: {} } as const;
/** One line of every kind. */
const LINES: TodayLine[] = [
  {
    kind: 'late',
    ...job,
    drawn: 3,
    customer: 'Garden',
    lateS: 7_200,
    dueAt: NOW,
    passed: false,
    why: { kind: 'paper', name: 'Ivory board' },
  },
  { kind: 'gate', ...job, gate: 'fileProof', version: 'v2', who: 'Garden', byAt: NOW - 60, late: true, refused: false },
  { kind: 'blocked', ...job, finding, blocking: 3 },
  { kind: 'child', ...job, child: ID, childNumber: 2414, childTitle: 'Menu, topped up' },
  { kind: 'ready', ...job, customer: 'Garden', dueAt: null },
  { kind: 'short', ...job, finding },
  { kind: 'goes', ...job, quantity: 5_000, pieces: 'pieces', dueAt: NOW, ready: false },
  { kind: 'order', stock: 'ivory', name: 'Ivory board', unit: 'sheet', short: 1_004, orderByAt: NOW, late: true },
  { kind: 'stopped', ...job, machine: 'press3', name: 'Press 3', reason: 'feeder', sinceAt: NOW - 600 },
  {
    kind: 'next',
    ...job,
    machine: 'press3',
    name: 'Press 3',
    step: 'Print',
    runs: false,
    startAt: NOW,
    waits: ['plates'],
    locked: ['bronze'],
    dryAt: null,
  },
  { kind: 'ink', ...job, ink: 'bronze', kg: 0.83, stands: 'sample' },
  { kind: 'comes', stock: 'ivory', name: 'Ivory board', unit: 'sheet', quantity: 2_000, day: '2026-09-01', late: true },
  { kind: 'pull', ...job, stock: 'ivory', name: 'Ivory board', unit: 'sheet', lot: 'L-1', place: 'B3', quantity: 622 },
  { kind: 'backup', at: NOW - 7_200, failed: '', late: false },
  { kind: 'disk', freeBytes: 53e9, low: false },
  { kind: 'clock', backS: 3_600 },
  { kind: 'refused', times: 4, names: ['anselm'] },
];

describe('a line of today', () => {
  it.each(LINES.map((l) => [l.kind, l] as const))('%s says what it is about, and leads to where it is mended', (_, line) => {
    const said = lineSays(line, NOW, 'Europe/Berlin');
    expect(said.subject.length).toBeGreaterThan(2);
    expect(said.subject + said.says + said.right).not.toMatch(/undefined|NaN|\{\d\}/);
    expect(said.link[0]).toMatch(/^\/(jobs|stock|floor|kitchen|settings)$/);
  });
  it('says by how much and why', () => {
    expect(lineSays(LINES[0]!, NOW, 'UTC')).toMatchObject({
      subject: '2412 Menu',
      right: '2 h late',
      says: 'Ivory board is short',
      grave: 'fail',
      picture: `/api/jobs/${ID}/picture.svg?version=3`,
    });
  });
  it('says what is missing for what comes next, and that nothing is where nothing is', () => {
    const next = LINES.find((l) => l.kind === 'next')!;
    expect(lineSays(next, NOW, 'UTC').says).toBe('Print · waits for plates · no accepted draw-down of bronze');
    expect(lineSays({ ...next, waits: [], locked: [] }, NOW, 'UTC').says).toBe('Print · everything is there');
  });
});

describe('the page of today', () => {
  let answer: Observable<Today>;
  const open = async (): Promise<HTMLElement> => {
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        provideSignedIn('planner'),
        { provide: Changes, useValue: { changes$: EMPTY } },
        { provide: ApiCaller, useValue: { call: () => answer } },
      ],
    });
    const f = TestBed.createComponent(TodayPage);
    await f.whenStable();
    return f.nativeElement as HTMLElement;
  };
  it('stands under the heads of one’s own kinds, counts them in links, and says where there is nothing', async () => {
    answer = of({ asOf: NOW, timeZone: 'UTC', lines: LINES.slice(0, 3), kinds: ['late', 'gate', 'blocked', 'ready'], more: [] });
    const host = await open();
    expect([...host.querySelectorAll('h2')].map((h) => h.textContent)).toEqual([
      'Late, or will be',
      'Waits for somebody',
      'Can be released',
    ]);
    expect(host.textContent).toContain('No draft is ready to go.');
    expect([...host.querySelectorAll('nav a')].map((a) => a.textContent.trim())).toEqual(['Late, or will be 1', 'Waits for somebody 2']);
    expect(host.querySelector('section a')?.getAttribute('href')).toBe(`/jobs/${ID}`);
  });
  it('says how many there are where not all are shown', async () => {
    answer = of({ asOf: NOW, timeZone: 'UTC', lines: [LINES[4]!], kinds: ['ready'], more: [{ kind: 'ready', all: 120 }] });
    expect((await open()).textContent).toContain('1 of 120 are shown');
  });
  it('says so when the server does not answer', async () => {
    answer = throwError(() => ({ status: 0, title: 'No answer', detail: 'The server does not answer.' }));
    expect((await open()).querySelector('[role=alert]')?.textContent).toContain('The server does not answer.');
  });
});
