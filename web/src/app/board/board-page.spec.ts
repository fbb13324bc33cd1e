import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { EMPTY, type Observable, of, throwError } from 'rxjs';
import type { BoardBar, BoardJob, BoardPage as Page, Task } from '@druckerei/contract';
import { provideSignedIn } from '../session/signed-in.fixture';
import { ApiCaller, type Failure } from '../shared/api';
import { Changes } from '../shared/changes';
import { BoardPage } from './board-page';
import { because } from './board-says';

const NOW = 1_790_000_000;
const HOUR = 3600;
const JOB = '00000000-0000-4000-8000-000000000001';
const OTHER = '00000000-0000-4000-8000-000000000002';
const bar = (work: string, job: string, start: number, more: Partial<BoardBar> = {}): BoardBar => ({
  ...{ work, job, step: work, name: 'Print, front', machine: 'press', start, makeReadyAt: start, runAt: start + 600, end: start + HOUR },
  ...{ changes: [], runs: false, fresh: false, quoted: false, off: null, pin: null },
  ...more,
});
const job = (id: string, number: number, more: Partial<BoardJob> = {}): BoardJob => ({
  ...{
    job: id,
    number,
    title: 'Menu',
    customer: 'Garden',
    dueAt: NOW + 20 * HOUR,
    readyAt: NOW + HOUR,
    endAt: NOW + HOUR,
    lateMoney: 0,
    because: [],
  },
  ...more,
});
const late = job(OTHER, 2413, {
  ...{ dueAt: NOW, readyAt: NOW + 2 * HOUR, endAt: NOW + 2 * HOUR, lateMoney: 60 },
  because: [
    { kind: 'own', what: 'Press', number: null, s: HOUR },
    { kind: 'behind', what: 'Press', number: 2412, s: HOUR },
  ],
});
const page = (more: Partial<Page> = {}): Page => ({
  ...{ nr: 3, asOf: NOW, timeZone: 'UTC', currency: 'EUR', by: 'Anselm', at: NOW - 60, why: 'search' },
  lanes: [{ machine: 'press', name: 'Press 3', open: [[NOW - HOUR, NOW + 9 * HOUR]] }],
  bars: [bar('a', JOB, NOW), bar('b', OTHER, NOW + HOUR, { changes: [{ key: 'unit 1', from: 'K', to: 'Y', s: 1_200 }] })],
  jobs: [job(JOB, 2412), late],
  money: { late: 60, change: 0, ways: 0, held: 0, moved: 0 },
  ...{ least: 0, grown: 0, growthMoney: 100, breaches: [], hours: [], reserveS: 4 * HOUR },
  ...more,
});

describe('the board', () => {
  let answers: Record<string, (sent: unknown) => Observable<unknown>>;
  const asked: [string, unknown][] = [];
  const open = async (role: 'planner' | 'press' = 'planner', quoted?: string) => {
    asked.length = 0;
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        provideSignedIn(role),
        { provide: Changes, useValue: { changes$: EMPTY } },
        {
          provide: ApiCaller,
          useValue: {
            call: (name: string, sent: unknown) => {
              asked.push([name, sent]);
              return answers[name]?.(sent) ?? EMPTY;
            },
          },
        },
      ],
    });
    const f = TestBed.createComponent(BoardPage);
    if (quoted !== undefined) f.componentRef.setInput('quoted', quoted);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    const press = async (name: string): Promise<void> => {
      [...host.querySelectorAll('button')].find((b) => b.textContent.includes(name))!.click();
      await f.whenStable();
    };
    const key = async (k: string): Promise<void> => {
      host.querySelector('.scroll')!.dispatchEvent(new KeyboardEvent('keydown', { key: k, bubbles: true, cancelable: true }));
      await f.whenStable();
    };
    return { host, press, key, settle: () => f.whenStable(), fixture: f };
  };
  beforeEach(() => {
    answers = { 'board.read': () => of(page()) };
  });

  it('names what is late first, by how much and why, and what the whole comes to', async () => {
    const { host } = await open();
    expect(host.querySelector('aside li')?.textContent).toContain('2413');
    expect(host.querySelector('aside li')?.textContent).toContain('2 h late');
    expect(host.querySelector('aside li')?.textContent).toContain('own work 1 h, behind 2412 on Press 1 h');
    expect(host.querySelector('.money')?.textContent).toContain('60');
    expect(host.textContent).toContain('Version 3, found by a search, taken by Anselm');
  });
  it('tells of a job that is delivered in parts the delivery with the least to spare, and when all of it ends', async () => {
    const parts = job(JOB, 2412, { dueAt: NOW + 2 * HOUR, readyAt: NOW + 3 * HOUR, endAt: NOW + 90 * HOUR });
    answers['board.read'] = () => of(page({ jobs: [parts, late] }));
    const { host } = await open();
    expect(host.querySelectorAll('aside li')[1]?.textContent).toContain('1 h late');
    host.querySelectorAll<HTMLButtonElement>('aside li button')[1]!.click();
    await new Promise((done) => setTimeout(done));
    expect(host.querySelector('.chosen')?.textContent).toContain('least to spare');
  });
  it('lists the next day of every machine for paper, and leads to the board as CSV and calendar', async () => {
    answers['board.read'] = () => of(page({ bars: [...page().bars, bar('far', JOB, NOW + 30 * HOUR)] }));
    const { host } = await open();
    const rows = [...host.querySelectorAll('dk-day-list tbody tr')].map((r) => r.textContent);
    expect(rows).toHaveLength(2);
    expect(rows[1]).toContain('2413 Garden, Menu');
    expect(rows[1]).toContain('unit 1 from K to Y, 20 min');
    expect([...host.querySelectorAll('.version a[download]')].map((a) => a.getAttribute('href'))).toEqual([
      '/api/board.csv',
      '/api/board.ics',
    ]);
  });
  it('shows the load of the machine with the most to do, for who cannot see it too', async () => {
    const { host, press } = await open();
    await press('Load by day');
    expect(host.querySelector('dk-board-load h2')?.textContent).toContain('Press 3');
    expect(host.querySelector('dk-board-load .said')?.textContent).toMatch(/2 of \d+ h/);
    await press('Load by day');
    expect(host.querySelector('dk-board-load')).toBeNull();
  });
  it('walks the bars by arrow keys and tells each', async () => {
    const { host, key } = await open();
    await key('ArrowRight');
    await key('ArrowRight');
    expect(host.querySelector('#board-chosen')?.textContent).toContain('2413 Menu, Print, front, Press 3');
    expect(host.querySelector('#board-chosen')?.textContent).toContain('its job is 2 h late');
    expect(host.textContent).toContain('Changed over before it: unit 1 from K to Y, 20 min');
  });
  it('says what a place would come to before it is taken, and moves by what was tried', async () => {
    answers['board.try'] = () => of({ money: -60, changeS: -1_200, jobs: [{ job: OTHER, number: 2413, byS: -HOUR, lateS: HOUR }] });
    answers['board.move'] = () => of({ nr: 4 });
    const { host, press, key } = await open();
    await key('ArrowRight');
    await key('ArrowRight');
    await press('Before the one before it');
    expect(host.textContent).toContain('2413 1 h sooner, 1 h late; change-overs −20 min');
    await key('Enter');
    expect(asked.find(([name]) => name === 'board.move')?.[1]).toEqual({ body: { base: 3, work: 'b', beside: 'a', side: 'before' } });
    expect(asked.filter(([name]) => name === 'board.read')).toHaveLength(2);
  });
  it('offers the place beside the next bar of another job: a job keeps its own order', async () => {
    answers['board.read'] = () => of(page({ bars: [bar('a', JOB, NOW), bar('own', JOB, NOW + HOUR), bar('b', OTHER, NOW + 2 * HOUR)] }));
    answers['board.try'] = () => of({ money: 0, changeS: 0, jobs: [] });
    const { press, key } = await open();
    await key('ArrowRight');
    await press('Behind the one behind it');
    expect(asked.find(([name]) => name === 'board.try')?.[1]).toEqual({ body: { base: 3, work: 'a', beside: 'b', side: 'behind' } });
  });
  it('goes along the steps of a job by T, after the last to the first', async () => {
    answers['board.read'] = () => of(page({ bars: [...page().bars, bar('c', JOB, NOW + 5 * HOUR)] }));
    const { host, key, settle } = await open();
    await key('ArrowRight');
    const told = async (): Promise<string> => {
      window.dispatchEvent(new KeyboardEvent('keydown', { key: 't', code: 'KeyT' }));
      await settle();
      return host.querySelector('#board-chosen')?.textContent ?? '';
    };
    const first = host.querySelector('#board-chosen')?.textContent ?? '';
    const second = await told();
    expect(second).not.toBe(first);
    expect(second).toContain('2412');
    expect(await told()).toBe(first);
  });
  const searchOf = (after: number): Task =>
    ({
      ...{ id: 'b0a2d000-0000-4000-8000-000000000003', kind: 'board', state: 'done', done: 1, of: 1, says: '', progress: null },
      ...({ result: { base: 3, moves: 9, before: 260, after, least: 0, moved: 1, jobs: [], bars: [] } } as Partial<Task>),
    }) as Task;
  it('looks for another order by itself, once a version, when lateness has grown since it was accepted', async () => {
    answers['board.read'] = () => of(page({ grown: 200 }));
    answers['board.search'] = answers['tasks.read'] = () => of(searchOf(60));
    const { host, settle } = await open();
    await settle();
    expect(host.textContent).toContain('Lateness has grown by 200');
    expect(asked.filter(([name]) => name === 'board.search').map(([, sent]) => sent)).toEqual([
      { body: { id: 'b0a2d000-0000-4000-8000-000000000003', base: 3 } },
    ]);
    expect(host.querySelector('.search')?.textContent).toContain('200');
  });
  it('says nothing of a search by itself that found nothing, and does not search for who may not plan, nor for less', async () => {
    answers['board.read'] = () => of(page({ grown: 200 }));
    answers['board.search'] = answers['tasks.read'] = () => of(searchOf(260));
    const { host, settle } = await open();
    await settle();
    expect(host.querySelector('.search')).toBeNull();
    for (const [role, grown] of [
      ['press', 200],
      ['planner', 99],
    ] as const) {
      TestBed.resetTestingModule();
      answers['board.read'] = () => of(page({ grown }));
      await open(role);
      expect(asked.some(([name]) => name === 'board.search')).toBe(false);
    }
  });
  const TWO = {
    lanes: [...page().lanes, { machine: 'other', name: 'Press 5', open: [[NOW - HOUR, NOW + 9 * HOUR] as [number, number]] }],
  };
  const machines = [
    { machine: 'other', name: 'Press 5', against: null },
    { machine: 'wide', name: 'Wide press', against: 'P-7 is made, and would not fit.' },
  ];
  it('says on which machines a step could be done and what stands against the others, and that its job is released again', async () => {
    answers['board.read'] = () => of(page(TWO));
    answers['board.machines'] = () => of(machines);
    answers['board.try'] = () => of({ money: -10, changeS: 0, jobs: [{ job: OTHER, number: 2413, byS: -HOUR, lateS: 0 }] });
    answers['board.move'] = () => of({ nr: 4 });
    const { host, press, key } = await open();
    await key('ArrowRight');
    await key('ArrowRight');
    await press('On another machine');
    expect(host.textContent).toContain('not on Wide press: P-7 is made, and would not fit.');
    await press('On Press 5');
    expect(host.textContent).toContain('2413 1 h sooner');
    expect(host.textContent).toContain('released again for that machine');
    await press('Move it');
    expect(asked.find(([name]) => name === 'board.move')?.[1]).toEqual({ body: { base: 3, work: 'b', on: 'other' } });
  });
  it('tries the next machine by arrow down, a place there by arrow left, and its own again by arrow up', async () => {
    answers['board.read'] = () => of(page({ ...TWO, bars: [...page().bars, bar('c', JOB, NOW, { machine: 'other' })] }));
    answers['board.machines'] = () => of(machines);
    answers['board.try'] = () => of({ money: 0, changeS: 0, jobs: [] });
    const { host, press, key } = await open();
    await key('ArrowRight');
    await key('ArrowRight');
    await press('Before the one before it');
    await key('ArrowDown');
    await key('ArrowLeft');
    expect(asked.filter(([name]) => name === 'board.try').map(([, sent]) => sent)).toEqual([
      { body: { base: 3, work: 'b', beside: 'a', side: 'before' } },
      { body: { base: 3, work: 'b', on: 'other' } },
      { body: { base: 3, work: 'b', beside: 'c', side: 'before' } },
    ]);
    await key('ArrowUp');
    expect(host.textContent).not.toContain('Move it');
    expect(asked.filter(([name]) => name === 'board.machines')).toHaveLength(1);
  });
  it('takes a bar that is dragged over the row of a machine that can do it, and no other', async () => {
    answers['board.read'] = () =>
      of(page({ ...TWO, lanes: [...TWO.lanes, { machine: 'wide', name: 'Wide press', open: [[NOW - HOUR, NOW + 9 * HOUR]] }] }));
    answers['board.machines'] = () => of(machines);
    answers['board.try'] = () => of({ money: 0, changeS: 0, jobs: [] });
    const { host, settle } = await open();
    const pointer = (type: string, y: number): void => {
      host.querySelector('.scroll')!.dispatchEvent(new MouseEvent(type, { clientX: 58, clientY: y, bubbles: true }));
    };
    pointer('pointerdown', 40);
    pointer('pointermove', 60);
    await settle();
    for (const y of [40 + 46, 40 + 2 * 46]) pointer('pointermove', y);
    pointer('pointerup', 40 + 2 * 46);
    await settle();
    expect(asked.filter(([name]) => name === 'board.try').map(([, sent]) => sent)).toEqual([{ body: { base: 3, work: 'a', on: 'other' } }]);
  });
  it('tries the place a bar is dragged to while it moves, and moves it only when that is said', async () => {
    answers['board.try'] = () => of({ money: 0, changeS: 0, jobs: [] });
    const { host, settle } = await open();
    const scroll = host.querySelector('.scroll')!;
    const pointer = (type: string, x: number, y = 40): void => {
      scroll.dispatchEvent(new MouseEvent(type, { clientX: x, clientY: y, bubbles: true }));
    };
    // The board begins an hour before now; an hour is 38 px: from the first bar over the second.
    pointer('pointerdown', 38 + 20);
    pointer('pointermove', 38 + 22);
    pointer('pointermove', 3 * 38 + 10);
    pointer('pointerup', 3 * 38 + 10);
    pointer('click', 3 * 38 + 10);
    await settle();
    expect(asked.filter(([name]) => name === 'board.try').map(([, sent]) => sent)).toEqual([
      { body: { base: 3, work: 'a', beside: 'b', side: 'behind' } },
    ]);
    expect(host.querySelector('.chosen h2')?.textContent).toContain('2412');
    expect(host.textContent).toContain('No job ends at another time');
    expect(asked.some(([name]) => name === 'board.move')).toBe(false);
  });
  it('asks what would help the chosen job, and tries what is chosen of it', async () => {
    answers['board.help'] = () =>
      of([
        { kind: 'before', work: 'b', beside: 'a', soonerS: HOUR, money: -30 },
        { kind: 'first', soonerS: 2 * HOUR, money: 5 },
        { kind: 'overtime', machine: 'press', byS: 2 * HOUR, soonerS: HOUR, money: -10 },
        { kind: 'sooner', work: 'b', byS: 24 * HOUR, soonerS: 3 * HOUR, money: -20 },
        { kind: 'split', work: 'a', beside: 'b', pieces: 3_000, at: NOW + HOUR, soonerS: 2 * HOUR, money: -5 },
      ]);
    answers['board.try'] = () => of({ money: -30, changeS: 0, jobs: [{ job: JOB, number: 2412, byS: HOUR, lateS: 0 }] });
    const { host, press, key } = await open();
    await key('ArrowRight');
    await key('ArrowRight');
    await press('What would help');
    expect(asked.find(([name]) => name === 'board.help')?.[1]).toEqual({ params: { id: OTHER } });
    await press('2413 Print, front before 2412 Print, front: 1 h sooner, −30');
    expect(asked.find(([name]) => name === 'board.try')?.[1]).toEqual({ body: { base: 3, work: 'b', beside: 'a', side: 'before' } });
    expect(host.textContent).toContain('2412 1 h later');
    expect(host.textContent).toContain('2 h longer a day on Press 3: 1 h sooner, −10');
    expect(host.textContent).toContain('What has to come for Print, front 24 h sooner: 3 h sooner, −20');
    expect(host.textContent).toMatch(
      /Break off 2412 Print, front after 3.000 cycles, Mon 21 Sept 15:13; 2413 Print, front; then the rest of it: 2 h sooner, −5/,
    );
    await press('The whole job before everything that does not run: 2 h sooner, +5');
    expect(asked.filter(([name]) => name === 'board.try').at(-1)?.[1]).toEqual({ body: { base: 3, first: OTHER } });
    await press('Move it');
    expect(asked.find(([name]) => name === 'board.move')?.[1]).toEqual({ body: { base: 3, first: OTHER } });
    // Another job is asked anew.
    await key('Escape');
    await key('ArrowLeft');
    expect(host.textContent).toContain('What would help');
  });
  it('pins a step where it lies, or not before a moment, says who pinned it, and lets it go', async () => {
    answers['board.pin'] = () => of({ nr: 4 });
    const { host, press, key } = await open();
    await key('ArrowRight');
    await press('Pin it here');
    await press('Not before …');
    expect(host.querySelector<HTMLInputElement>('dk-moment-fields .time')?.value).not.toBe('');
    await press('Pin it');
    const body = { base: 3, work: 'a' };
    expect(asked.filter(([name]) => name === 'board.pin').map(([, sent]) => sent)).toEqual([
      { body: { ...body, pin: { kind: 'here' } } },
      { body: { ...body, pin: { kind: 'notBefore', by: new Date(NOW * 1000).toISOString().slice(0, 16) } } },
    ]);
    TestBed.resetTestingModule();
    answers['board.read'] = () => of(page({ bars: [bar('a', JOB, NOW, { pin: { notBefore: NOW, by: 'Runa' } })] }));
    const pinned = await open();
    await pinned.key('ArrowRight');
    expect(pinned.host.textContent).toMatch(/Not before .*, pinned by Runa/);
    expect(pinned.host.querySelector('#board-chosen')?.textContent).toContain('pinned');
    await pinned.press('Take the pin out');
    expect(asked.find(([name]) => name === 'board.pin')?.[1]).toEqual({ body: { ...body, pin: null } });
  });
  it('tells what a copy would come to before it is taken, change by change, and takes hours back', async () => {
    const hours = { id: OTHER, machine: 'press', from: NOW, until: NOW + HOUR, opens: false, why: 'a roller', by: 'Runa' };
    answers['board.read'] = () => of(page({ hours: [hours] }));
    answers['board.tryCopy'] = () => of({ money: 40, changeS: 0, jobs: [{ job: JOB, number: 2412, byS: HOUR, lateS: 0 }] });
    answers['board.takeCopy'] = () => of({ nr: 3 });
    answers['board.endHours'] = () => of({ id: OTHER });
    const { host, press } = await open();
    const panel = (): string => host.querySelector('dk-board-hours')?.textContent ?? '';
    expect(host.querySelector('dk-board-hours li')?.textContent).toMatch(/Press 3 stands .*: a roller by Runa/);
    await press('What if a machine stands');
    expect(panel()).not.toContain('Take it for the board');
    await press('Into the copy');
    expect(panel()).toContain('2412 1 h later');
    await press('Works');
    await press('Into the copy');
    await press('Out of the copy');
    type Asked = { body: { hours: { opens: boolean }[]; first: string | null } };
    const tried = asked.filter(([name]) => name === 'board.tryCopy').map(([, sent]) => (sent as Asked).body.hours.map((h) => h.opens));
    expect(tried).toEqual([[false], [false, true], [true]]);
    await press('Take it for the board');
    const [, taken] = asked.find(([name]) => name === 'board.takeCopy') ?? [];
    expect(taken).toMatchObject({ body: { base: 3, hours: [{ machine: 'press', opens: true }], first: null } });
    expect((taken as { body: { hours: { id: string }[] } }).body.hours[0]?.id).toMatch(/^[0-9a-f-]{36}$/);
    expect(panel()).not.toContain('Throw the copy away');
    await press('Take it back');
    expect(asked.find(([name]) => name === 'board.endHours')?.[1]).toEqual({ params: { id: OTHER } });
  });
  it('puts hours out of a calendar file and a rush order into the copy, and says what of the file was none', async () => {
    const read = { machine: 'press', from: '2026-12-03T06:00', until: '2026-12-03T14:00', opens: false, why: 'rollers' };
    answers['board.readHours'] = () => of({ hours: [read], left: [{ what: 'party', why: 'is over' }] });
    answers['board.tryCopy'] = () => of({ money: 0, changeS: 0, jobs: [] });
    const { host, press, fixture } = await open();
    await press('What if a machine stands');
    const input = host.querySelector<HTMLInputElement>('dk-board-hours input[type=file]')!;
    Object.defineProperty(input, 'files', { value: [new File(['BEGIN:VCALENDAR'], 'press.ics')] });
    input.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(asked.find(([name]) => name === 'board.readHours')?.[1]).toMatchObject({ query: { machine: 'press', opens: 'false' } });
    expect(host.querySelector('dk-board-hours .copy')?.textContent).toMatch(/Press 3 stands .*: rollers/);
    expect(host.querySelector('dk-board-hours')?.textContent).toContain('party is over');
    const panel = fixture.debugElement.query((d) => d.name === 'dk-board-hours').componentInstance as {
      goFirst(job: string | null): void;
    };
    panel.goFirst(JOB);
    await fixture.whenStable();
    const last = asked.filter(([name]) => name === 'board.tryCopy').at(-1)?.[1];
    expect(last).toMatchObject({ body: { base: 3, hours: [read], first: JOB } });
    expect(host.querySelector('dk-board-hours .copy')?.textContent).toContain('before everything');
  });
  it('says why a job cannot be drawn as it would lie, and shows the board without it', async () => {
    const unknown = '00000000-0000-4000-8000-000000000009';
    const gone: Failure = { status: 404, title: 'This order is not known.' };
    answers['board.read'] = (sent) => ('quoted' in (sent as { query: object }).query ? throwError(() => gone) : of(page()));
    const { host } = await open('planner', unknown);
    expect(asked.filter(([name]) => name === 'board.read').map(([, sent]) => sent)).toEqual([
      { query: { quoted: unknown } },
      { query: {} },
    ]);
    expect(host.querySelector('[role=alert]')?.textContent).toContain('This order is not known.');
    expect(host.querySelectorAll('aside li').length).toBeGreaterThan(0);
  });
  it('shows a job that is not released as it would lie, and lets nobody move it', async () => {
    answers['board.read'] = () => of(page({ bars: [bar('a', JOB, NOW), bar('q', OTHER, NOW + HOUR, { quoted: true })] }));
    const { host, key, fixture } = await open();
    fixture.componentRef.setInput('quoted', OTHER);
    await fixture.whenStable();
    expect(asked.filter(([name]) => name === 'board.read').map(([, sent]) => sent)).toEqual([{ query: {} }, { query: { quoted: OTHER } }]);
    expect(host.querySelector('.version')?.textContent).toMatch(/With 2413 .* as if it were released/);
    answers['board.read'] = () => of(page({ bars: [bar('a', JOB, NOW, { quoted: true }), bar('q', OTHER, NOW + HOUR, { quoted: true })] }));
    fixture.componentRef.setInput('quoted', 'all');
    await fixture.whenStable();
    expect(host.querySelector('.version')?.textContent).toContain('With 2 jobs as if they were released');
    answers['board.read'] = () => of(page({ bars: [bar('a', JOB, NOW), bar('q', OTHER, NOW + HOUR, { quoted: true })] }));
    fixture.componentRef.setInput('quoted', OTHER);
    await fixture.whenStable();
    await key('ArrowRight');
    await key('ArrowRight');
    expect(host.querySelector('.chosen')?.textContent).toContain('not released: as it would lie');
    expect([...host.querySelectorAll('.chosen button')]).toEqual([]);
    // It is on no list for the machines, and nothing is laid beside it.
    expect(host.querySelectorAll('dk-day-list tbody tr')).toHaveLength(1);
    await key('ArrowLeft');
    expect(host.querySelector('.chosen')?.textContent).not.toContain('Behind the one behind it');
  });
  it('folds closed hours and back, and says so', async () => {
    const { host, press } = await open();
    const fold = () =>
      [...host.querySelectorAll('button')].find((b) => b.textContent.includes('Fold closed hours'))?.getAttribute('aria-pressed');
    const width = () => host.querySelector<HTMLElement>('.scroll > div')?.style.width;
    expect(fold()).toBe('false');
    const wide = parseFloat(width() ?? '');
    await press('Fold closed hours');
    expect(fold()).toBe('true');
    expect(parseFloat(width() ?? '')).toBeLessThan(wide);
    await press('Fold closed hours');
    expect(parseFloat(width() ?? '')).toBe(wide);
  });
  it('offers to accept what drifted from the plan, and nothing that did not', async () => {
    answers['board.accept'] = () => of({ nr: 4 });
    const { host } = await open();
    expect(host.textContent).not.toContain('Accept it as it lies');
    TestBed.resetTestingModule();
    answers['board.read'] = () => of(page({ bars: [bar('a', JOB, NOW, { off: { machine: 'press', start: NOW - HOUR } })] }));
    const drifted = await open();
    await drifted.press('Accept it as it lies');
    expect(asked.find(([name]) => name === 'board.accept')?.[1]).toEqual({ body: { base: 3 } });
  });
  it('leaves a place that is tried by Escape, and says when the board moved on meanwhile', async () => {
    const failure: Failure = { status: 409, title: 'moved-on', detail: 'Somebody changed the board meanwhile.' };
    answers['board.try'] = () => of({ money: 0, changeS: 0, jobs: [] });
    answers['board.move'] = () => throwError(() => failure);
    const { host, press, key } = await open();
    await key('ArrowRight');
    await press('Behind the one behind it');
    expect(host.textContent).toContain('No job ends at another time');
    await key('Escape');
    expect(host.textContent).not.toContain('No job ends at another time');
    await press('Behind the one behind it');
    await press('Move it');
    expect(host.querySelector('[role=alert]')?.textContent).toContain('Somebody changed the board meanwhile.');
  });
  it('follows a search, shows what was found as a difference, and takes it or leaves it', async () => {
    const task = (more: Partial<Task>): Task => ({
      ...{ id: JOB, kind: 'board', state: 'waiting', done: 0, of: null, progress: null, result: null, says: '', attempt: 0 },
      ...more,
    });
    const result = { base: 3, moves: 300_000, before: 90, after: 30, least: 10, moved: 2, jobs: [{ job: OTHER, byS: -HOUR }], bars: [] };
    answers['board.search'] = () => of(task({}));
    answers['tasks.read'] = () => of(task({ state: 'done', result }));
    answers['board.take'] = () => of({ nr: 4 });
    const { host, press } = await open();
    await press('Look for a better order');
    const found = host.querySelector('.search')?.textContent ?? '';
    expect(found).toContain('Sooner: 2413 1 h. Later: none.');
    expect(found).toContain('2 steps begin at another time');
    await press('Take it');
    expect(asked.find(([name]) => name === 'board.take')?.[1]).toEqual({ body: { task: JOB, base: 3 } });
    expect(host.querySelector('.search')).toBeNull();
  });
  it('lets a proposal expire with the board it was found beside', async () => {
    const result = { base: 2, moves: 1, before: 90, after: 30, least: 10, moved: 2, jobs: [], bars: [] };
    answers['board.search'] = answers['tasks.read'] = () =>
      of({ id: JOB, kind: 'board', state: 'done', done: 1, of: 1, progress: null, result, says: '', attempt: 1 });
    const { host, press } = await open();
    await press('Look for a better order');
    expect(host.querySelector('.search')?.textContent).toContain('The board moved on while this was found');
    expect([...host.querySelectorAll('button')].some((b) => b.textContent.includes('Take it'))).toBe(false);
  });
  it('lets nobody but a planner move or search, and says what cannot all hold', async () => {
    answers['board.read'] = () => of(page({ breaches: [{ code: 'hours', work: 'a', byS: HOUR }] }));
    const { host, key } = await open('press');
    await key('ArrowRight');
    expect([...host.querySelectorAll('button')].some((b) => /better order|Behind the one/.test(b.textContent))).toBe(false);
    expect(host.textContent).toContain('2412 Print, front ends after the last hours that are known');
  });
  it('says so when nothing is released, when it reads, and when nobody answers', async () => {
    answers['board.read'] = () => of(page({ bars: [], jobs: [] }));
    expect((await open()).host.textContent).toContain('Nothing is released');
    TestBed.resetTestingModule();
    answers['board.read'] = () => EMPTY;
    expect((await open()).host.textContent).toContain('Reading the board');
    TestBed.resetTestingModule();
    answers['board.read'] = () => throwError(() => ({ status: 0, title: 'The server does not answer.' }) as Failure);
    expect((await open()).host.querySelector('[role=alert]')?.textContent).toContain('does not answer');
  });
});

it('joins likes in why a job ends when it does, the longest first', () => {
  const parts: BoardJob['because'] = [
    { kind: 'own', what: 'Cutter', number: null, s: HOUR },
    { kind: 'wait', what: 'cut', number: null, s: 12 * HOUR },
    { kind: 'own', what: 'Press', number: null, s: 6 * HOUR },
    { kind: 'wait', what: '', number: null, s: 2 * HOUR },
    { kind: 'closed', what: 'Press', number: null, s: 8 * HOUR },
  ];
  expect(because(job(JOB, 1, { because: parts }))).toBe(
    'ink dries before cutting: 12 h, closed hours 8 h, own work 7 h, drying or resting 2 h',
  );
  const many = Array.from({ length: 9 }, (_, i) => ({ kind: 'behind' as const, what: 'Press', number: 2400 + i, s: (10 - i) * HOUR }));
  expect(because(job(JOB, 1, { because: many }))).toMatch(/behind 2405 on Press 5 h, 3 more 9 h$/);
});
