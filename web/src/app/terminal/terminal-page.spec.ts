import 'fake-indexeddb/auto';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState, provideStore, Store } from '@ngrx/store';
import { EMPTY, type Observable, of, Subject, throwError } from 'rxjs';
import type { Terminal } from '@druckerei/contract';
import { ApiCaller } from '../shared/api';
import { Changes } from '../shared/changes';
import { Outbox, type Waiting } from './outbox';
import * as effects from './terminal.effects';
import { TerminalActions, terminalFeature } from './terminal.feature';
import { JOB, PILE, pile, step, terminal } from './terminal.fixture';
import { TerminalPage } from './terminal-page';
import { withWaiting } from './with-waiting';

/** Waits for what a device does by itself; a machine under load takes its time. */
const until = async (there: () => boolean): Promise<void> => {
  for (let i = 0; i < 100 && !there(); i++) await new Promise((resolve) => setTimeout(resolve, 30));
};

/** A step so far down the queue that its setup sheet comes only when it is asked for. */
const FAR = 'far';
const withSheet = (word: Terminal, step: string): Terminal => ({
  ...word,
  sheets: { ...word.sheets, [`${JOB} ${step}`]: { scene: null, rows: [['Sheets', 'of the far step']], lists: [], cautions: ['Nips.'] } },
});

/** The page with its state and effects on a server that is played. */
describe('a terminal at work', () => {
  let server: { down: boolean; word: Terminal; got: Waiting[]; refuse: string };
  let changes: Subject<null>;
  beforeEach(() => {
    localStorage.clear();
    localStorage.setItem('druckerei-terminal-machine', 'press3');
    changes = new Subject();
    server = { down: false, word: terminal(), got: [], refuse: '' };
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        provideStore({}),
        provideState(terminalFeature),
        provideEffects(effects),
        { provide: Changes, useValue: { changes$: changes } },
        {
          provide: ApiCaller,
          useValue: {
            call: (name: string, sent: { body?: { entries: Waiting[] }; query?: { step?: string } }): Observable<unknown> => {
              if (server.down) return throwError(() => ({ status: 0, title: 'No answer' }));
              if (name === 'floor.terminal') return of(sent.query?.step === FAR ? withSheet(server.word, FAR) : server.word);
              if (name === 'floor.people') return of([{ id: 'p1', fullName: 'Odo Pressnig', initials: 'OP' }]);
              if (name !== 'floor.send') return EMPTY;
              const entries = sent.body?.entries ?? [];
              if (server.refuse) return of({ accepted: [], refused: entries.map((e) => ({ id: e.id, says: server.refuse })), skewS: 0 });
              server.got.push(...entries);
              server.word = withWaiting(server.word, entries);
              return of({ accepted: entries.map((e) => e.id), refused: [], skewS: 0 });
            },
          },
        },
      ],
    });
  });
  afterEach(async () => {
    const { keys } = await TestBed.inject(Outbox).oldest(1_000);
    await TestBed.inject(Outbox).answered(keys, [], []);
    for (const t of await TestBed.inject(Outbox).turned()) await TestBed.inject(Outbox).forgetTurned(t.entry.id);
    TestBed.resetTestingModule();
  });
  const open = async () => {
    const f = TestBed.createComponent(TerminalPage);
    const host = f.nativeElement as HTMLElement;
    const settle = async (): Promise<void> => {
      for (let i = 0; i < 12; i++) await new Promise((resolve) => setTimeout(resolve, 30));
      await f.whenStable();
    };
    await settle();
    TestBed.inject(Store).dispatch(
      TerminalActions.signedOn({ person: { id: 'p1', fullName: 'Odo Pressnig', initials: 'OP', token: 'tok' } }),
    );
    await settle();
    const press = async (...names: string[]): Promise<void> => {
      for (const name of names) {
        const named = () => [...host.querySelectorAll('button')].find((b) => b.textContent.trim() === name);
        await until(() => named() !== undefined);
        const found = named();
        if (!found) throw new Error(`no button ${name}`);
        found.click();
        await f.whenStable();
      }
      await settle();
    };
    return { f, host, press, settle };
  };

  it('comes back to the step that runs, and writes what is typed with whose it is', async () => {
    const { host, press } = await open();
    expect(host.textContent).toContain('Good sheets since the last count');
    await press('2', '5', 'Write it down');
    await until(() => server.got.length >= 1);
    expect(server.got.map((e) => [e.kind, e.quantity, e.pile, e.by, e.machine, e.release])).toEqual([
      ['good', 25, PILE, 'tok', 'press3', 1],
    ]);
    expect(host.querySelector('.huge')?.textContent).toBe('525');
  });
  it('asks for the setup sheet of a step far down the queue once it is chosen', async () => {
    server.word = terminal({ steps: [step(), step({ step: FAR, name: 'Far step' })] });
    const { host } = await open();
    TestBed.inject(Store).dispatch(TerminalActions.stepChosen({ job: JOB, step: FAR }));
    await until(() => host.textContent.includes('of the far step'));
    expect(host.textContent).not.toContain('is not kept on this device');
  });
  it('lays a new pile when it is asked to, and goes on with that one', async () => {
    const { press } = await open();
    await press('New pile', '8', 'Write it down', '9', 'Write it down');
    await until(() => server.got.length >= 3);
    expect(server.got.map((e) => [e.kind, e.quantity])).toEqual([
      ['pile', null],
      ['good', 8],
      ['good', 9],
    ]);
    expect(new Set(server.got.map((e) => e.pile)).size).toBe(1);
    expect(server.got[0]?.pile).not.toBe(PILE);
  });
  it('of a sheet parted into several orders counts each onto piles of its own', async () => {
    const orders = [
      { flow: 'cut.a', name: 'tickets', per: 4, wanted: 4_000, good: 400 },
      { flow: 'cut.b', name: 'menus', per: 2, wanted: 2_000, good: 200 },
    ];
    server.word = terminal({ steps: [step({ orders })], piles: [pile({ flow: 'cut.a' })] });
    const { host, press } = await open();
    const tell = (name: string): HTMLElement =>
      [...host.querySelectorAll<HTMLElement>('[role=radio]')].find((b) => b.textContent.includes(name))!;
    expect(host.textContent).toContain('Good sheets of tickets since the last count');
    tell('menus').click();
    await press('9', 'Write it down');
    await until(() => server.got.length >= 2);
    expect(server.got.map((e) => [e.kind, e.flow, e.quantity])).toEqual([
      ['pile', 'cut.b', null],
      ['good', undefined, 9],
    ]);
    expect(tell('menus').textContent).toContain('209 of');
    expect(tell('tickets').textContent).toContain('400 of');
    tell('tickets').click();
    await press('5', 'Write it down');
    await until(() => server.got.length >= 3);
    expect(server.got[2]).toMatchObject({ kind: 'good', pile: PILE, quantity: 5 });
  });
  it('keeps what is written while the line is down, says so, and sends it when it is back', async () => {
    const { host, press, settle } = await open();
    server.down = true;
    await press('7', 'Write it down');
    expect(host.querySelector('.line')?.textContent).toContain('no line: 1 entries kept here');
    expect(host.querySelector('.huge')?.textContent).toBe('507');
    expect(await TestBed.inject(Outbox).all()).toHaveLength(1);
    server.down = false;
    window.dispatchEvent(new Event('online'));
    await until(() => server.got.length >= 1);
    await settle();
    expect(server.got.map((e) => e.quantity)).toEqual([7]);
    expect(await TestBed.inject(Outbox).all()).toEqual([]);
    expect(host.querySelector('.line')?.textContent).toContain('everything sent');
  });
  it('shows what was turned away until it was seen', async () => {
    const { host, press } = await open();
    server.refuse = 'The job is not here.';
    await press('9', 'Write it down');
    expect(host.querySelector('.huge')?.textContent).toBe('500');
    await press('1 not taken');
    expect(host.textContent).toContain('The job is not here.');
    [...host.querySelectorAll('button')].filter((b) => b.textContent.trim() === 'Seen and noted').forEach((b) => b.click());
    expect(
      await TestBed.inject(Outbox)
        .turned()
        .then((t) => t.length <= 2),
    ).toBe(true);
  });
  it('lets nobody begin before the words of the shift before are read', async () => {
    server.word = terminal({
      handovers: [{ id: '3f9a2c11-0000-4000-8000-00000000000a', by: 'Mika Falzer', at: 1_772_434_000, note: 'belt slips' }],
    });
    const { host, press } = await open();
    expect(host.textContent).toContain('belt slips');
    expect(host.querySelector('nav')).toBeNull();
    await press('Read and signed');
    await until(() => server.got.length >= 1);
    expect(server.got).toMatchObject([{ kind: 'read', other: '3f9a2c11-0000-4000-8000-00000000000a', job: null }]);
    expect(host.querySelector('nav')).not.toBeNull();
  });
  it('asks for the pile when a run begins that nothing was counted into', async () => {
    const fresh = step({
      times: { ...step().times, state: 'setup' },
      tally: { ...step().tally, received: 0, good: 0, waste: {}, wasted: 0, samples: 0 },
    });
    server.word = terminal({ steps: [fresh] });
    const { host, press } = await open();
    await press('Set up: run');
    await until(() => server.got.length >= 2);
    expect(server.got.map((e) => e.kind)).toEqual(['setupEnd', 'runStart']);
    expect(host.textContent).toContain('Which pile goes in?');
    await press('Go on without');
    expect(host.textContent).toContain('Good sheets since the last count');
  });
  it('knows the machine and its jobs from the device when it is started without the line', async () => {
    await TestBed.inject(Outbox).keep(terminal(), new Set());
    server.down = true;
    const { host } = await open();
    expect(host.querySelector('.machine')?.textContent).toBe('Press 3');
    expect(host.querySelector('.huge')?.textContent).toBe('500');
    expect(host.querySelector('.line')?.textContent).toContain('no line');
  });
});
