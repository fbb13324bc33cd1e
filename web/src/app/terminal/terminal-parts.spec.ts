import { type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { type Observable, of, throwError } from 'rxjs';
import { formatNumber, label, pileCode, say } from '@druckerei/core';
import { provideAsking } from '../session/signed-in.fixture';
import { ApiCaller } from '../shared/api';
import { WriteHandover } from './handover';
import { Outbox } from './outbox';
import { PileDesk, type PileWish } from './pile-desk';
import { QueueList } from './queue-list';
import { RunDesk, type Wish } from './run-desk';
import { listenForScans } from './scanner';
import { SetupSheet } from './setup-sheet';
import { SignOn } from './sign-on';
import { SimulatedDevices } from './simulated-devices';
import { TakePile, type Taken } from './take-pile';
import { NOW, pile, PILE, step, terminal } from './terminal.fixture';

async function show<T extends object>(component: Type<T>, inputs: Record<string, unknown>, providers: object[] = []) {
  TestBed.configureTestingModule({ providers });
  const f = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) f.componentRef.setInput(name, value);
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  const press = async (...names: string[]): Promise<void> => {
    for (const name of names) {
      const button = [...host.querySelectorAll('button')].find(
        (b) =>
          b.textContent.trim() === name ||
          (name.length > 2 && b.textContent.trim().startsWith(name)) ||
          b.getAttribute('aria-label') === name,
      );
      if (!button)
        throw new Error(`no button ${name} among ${[...host.querySelectorAll('button')].map((b) => b.textContent.trim()).join(' | ')}`);
      button.click();
      await f.whenStable();
    }
  };
  return { f, host, press, of: f.componentInstance };
}

it('says at the terminal what the board has before a step that has begun', async () => {
  const { host } = await show(QueueList, { steps: [step({ overrules: ['2408 Print, front'] })], timeZone: 'UTC' });
  expect(host.textContent).toContain('The board has before it: 2408 Print, front');
});

describe('the desk of a step that runs', () => {
  const open = async (more: Record<string, unknown> = {}) => {
    const shown = await show(RunDesk, { step: step(), pile: pile(), now: NOW + 60, caution: 'Nips.', ...more });
    const wishes: Wish[] = [];
    shown.of.wish.subscribe((w) => wishes.push(w));
    return { ...shown, wishes };
  };
  it('writes good pieces from the keypad', async () => {
    const { press, wishes, host } = await open();
    await press('1', '2', '0', 'Write it down');
    expect(wishes).toEqual([{ kind: 'good', quantity: 120 }]);
    expect(host.textContent).toContain('1\u2009290 sheets at the machine');
  });
  it('asks for the reason of waste before the number', async () => {
    const { press, wishes } = await open();
    await press('Waste…', 'set-off', '5', 'Write it down');
    expect(wishes).toEqual([{ kind: 'waste', quantity: 5, reason: 'setOff' }]);
  });
  it('asks once when more comes out than went in, and writes the difference with the reason', async () => {
    const { press, wishes, host } = await open();
    await press('1', '3', '0', '0', 'Write it down');
    expect(host.textContent).toContain('That is 10 sheets more than came in. Why?');
    expect(wishes).toEqual([]);
    await press('The pile held more than its flag said');
    expect(wishes).toEqual([
      { kind: 'recount', quantity: 10, note: 'The pile held more than its flag said' },
      { kind: 'good', quantity: 1_300 },
    ]);
  });
  it('lets a slip of the fingers be typed again', async () => {
    const { press, wishes } = await open();
    await press('9', '9', '9', '9', 'Write it down', 'Typed wrong: again', '9', 'Take back the last digit', '8', 'Write it down');
    expect(wishes).toEqual([{ kind: 'good', quantity: 8 }]);
  });
  it('warns of what is still at the machine before the step is finished', async () => {
    const { press, wishes, host } = await open();
    await press('Finished…');
    expect(host.textContent).toContain('1\u2009290 sheets are still at the machine');
    await press('The step is finished');
    expect(wishes).toEqual([{ kind: 'runEnd' }]);
  });
  it('shows why it stands, and goes on by one key', async () => {
    const { press, wishes, host } = await open({ step: step({ times: { ...step().times, state: 'stopped', stopReason: 'blanket' } }) });
    expect(host.textContent).toContain('Stands: blanket');
    await press('Go on');
    expect(wishes).toEqual([{ kind: 'go' }]);
  });
  it('asks for no counts where forms are made', async () => {
    const forms = step({
      units: {
        ...step().units,
        takes: null,
        gives: null,
        unit: null,
        givesUnit: null,
        takesUnit: null,
        takesPer: 0,
        givesPer: 0,
        perCycle: 0,
      },
    });
    const { host, press, wishes } = await open({ step: forms });
    expect(host.textContent).toContain('Nothing is counted at this step');
    expect(host.querySelector('dk-keypad')).toBeNull();
    await press('Finished…', 'The step is finished');
    expect(wishes).toEqual([{ kind: 'runEnd' }]);
  });
  it('does not begin the run before what came in is dry, unless somebody tried it and says so', async () => {
    const setup = { ...step().times, state: 'setup' as const };
    const { host, press, wishes } = await open({ step: step({ times: setup, dryAt: NOW + 1_800 }), timeZone: 'UTC' });
    const begin = (): boolean =>
      [...host.querySelectorAll('button')].find((b) => b.textContent.trim() === say('terminal.setupDone'))!.disabled;
    expect(host.textContent).toContain('It dries until');
    expect(begin()).toBe(true);
    await press(say('terminal.dryTried'));
    expect(wishes).toEqual([{ kind: 'note', note: 'Tried by hand before its time: dry.' }]);
    expect(begin()).toBe(false);
    TestBed.resetTestingModule();
    const dry = await open({ step: step({ times: setup, dryAt: NOW + 30 }), timeZone: 'UTC' });
    expect(dry.host.textContent).not.toContain('It dries until');
  });
  it('does not begin the run of a job that touches food before somebody says that the line is cleared', async () => {
    const setup = { ...step().times, state: 'setup' as const };
    const { host, press, wishes } = await open({ step: step({ times: setup, toClear: true }) });
    const begin = [...host.querySelectorAll('button')].find((b) => b.textContent.trim() === say('terminal.setupDone'))!;
    expect(begin.disabled).toBe(true);
    expect(host.textContent).toContain('local law');
    await press('Line cleared');
    expect(wishes).toEqual([{ kind: 'clear' }]);
  });
  it('asks for readings, shows what is allowed and what was measured, writes numbers with a comma too, and answers of yes and no', async () => {
    const reading = {
      key: 'taper',
      name: 'taper',
      allowed: '10 µm or less',
      unit: 'µm',
      asked: false,
      value: null,
      says: '',
      within: true,
      by: '',
    };
    const cracks = {
      ...reading,
      key: 'cracks',
      name: 'cracks',
      allowed: 'no',
      unit: '',
      asked: true,
      value: 1,
      says: 'yes',
      within: false,
      by: 'Ida',
    };
    const { f, host, press, wishes } = await open({ step: step({ measures: [reading, cracks] }) });
    await press(say('terminal.readings'));
    expect(host.textContent).toContain('10 µm or less');
    expect(host.textContent).toContain('yes, outside what is allowed; Ida');
    const field = host.querySelector<HTMLInputElement>('dk-readings input')!;
    const write = [...host.querySelectorAll<HTMLButtonElement>('dk-readings form button')][0]!;
    expect(write.disabled).toBe(true);
    field.value = '6,5';
    field.dispatchEvent(new Event('input'));
    await f.whenStable();
    await press(say('terminal.writeItDown'), say('terminal.no'));
    expect(wishes).toEqual([
      { kind: 'measure', key: 'taper', value: 6.5 },
      { kind: 'measure', key: 'cracks', value: 0 },
    ]);
    await press(say('terminal.finish'));
    expect(host.textContent).toContain(say('terminal.notMeasured', 'taper'));
  });
  it('reckons what a break of the web lost: 114 m are 228 turns, written with counter and last good metre', async () => {
    const breaks = { turnMm: 500, pathM: 62, registerM: 44 };
    const { f, host, press, wishes } = await open({ step: step({ process: 'gravure', breaks }) });
    await press(say('terminal.waste'), label('waste.atBreak'));
    const fill = async (name: string, text: string): Promise<void> => {
      const field = host.querySelector<HTMLInputElement>(`dk-web-break input[aria-label="${name}"]`)!;
      field.value = text;
      field.dispatchEvent(new Event('input'));
      await f.whenStable();
    };
    const write = host.querySelector<HTMLButtonElement>('dk-web-break button')!;
    expect(write.disabled).toBe(true);
    await fill(say('terminal.breakAt'), '4236');
    await fill(say('terminal.breakLastGood'), '4300');
    expect(host.textContent).toContain(say('terminal.breakBackwards'));
    expect(write.disabled).toBe(true);
    await fill(say('terminal.breakLastGood'), '4228');
    expect(host.textContent).toContain(say('terminal.breakLost', '114', '228'));
    write.click();
    await f.whenStable();
    expect(wishes).toEqual([
      { kind: 'note', note: say('terminal.breakNote', formatNumber(4_236), formatNumber(4_228), '62', '44') },
      { kind: 'waste', quantity: 228, reason: 'atBreak' },
    ]);
  });
  it('says where a fault lies from the outside of its reel, and counts the lengths it costs', async () => {
    const units = { ...step().units, perCycle: 4, takesPer: 4, givesPer: 2 };
    const { f, host, press, wishes } = await open({ step: step({ process: 'wind', units, cutsOut: { lengthM: 2 } }) });
    await press(say('terminal.waste'), label('waste.cutOut'));
    const fields = [...host.querySelectorAll<HTMLInputElement>('dk-cut-out input')];
    const fill = async (...texts: string[]): Promise<void> => {
      texts.forEach((text, i) => {
        fields[i]!.value = text;
        fields[i]!.dispatchEvent(new Event('input'));
      });
      await f.whenStable();
    };
    await fill('6400', '12276', '7231', '7215');
    expect(host.textContent).toContain(say('terminal.cutOutBackwards'));
    await fill('6400', '12276', '5000', '5010');
    expect(host.textContent).toContain(say('terminal.cutOutNone'));
    // Worked example of line 12: 5,045 to 5,061 from outside, stop after 2,522 lengths, 17 m lost.
    await fill('6400', '12276', '7215', '7231');
    const n = formatNumber;
    expect(host.textContent).toContain(say('terminal.cutOutLies', n(5_045), n(5_061), n(2_522), '17'));
    host.querySelector<HTMLButtonElement>('dk-cut-out button')!.click();
    await f.whenStable();
    const where = [6_400, 12_276, 7_215, 7_231, 5_045, 5_061].map((m) => n(m));
    expect(wishes).toEqual([
      { kind: 'note', note: say('terminal.cutOutNote', ...where) },
      { kind: 'waste', quantity: 34, reason: 'cutOut' },
    ]);
  });
  it('counts waste of any other reason as it is typed, and asks for no metres where no web breaks', async () => {
    const { host, press } = await open({ step: step({ process: 'gravure' }) });
    await press(say('terminal.waste'), label('waste.atBreak'));
    expect(host.querySelector('dk-web-break')).toBeNull();
    expect(host.querySelector('dk-keypad')).not.toBeNull();
  });
  it('does not begin the run while a reading before it lies outside', async () => {
    const setup = { ...step().times, state: 'setup' as const };
    const { host } = await open({ step: step({ times: setup, outside: ['Grind, gold: taper 14 µm'] }) });
    const begin = [...host.querySelectorAll('button')].find((b) => b.textContent.trim() === say('terminal.setupDone'))!;
    expect(begin.disabled).toBe(true);
    expect(host.textContent).toContain('Grind, gold: taper 14 µm');
  });
  it('does not begin a version before the line is cleared of the one before, which it names', async () => {
    const setup = { ...step().times, state: 'setup' as const };
    const { host } = await open({ step: step({ times: setup, toClear: true, clearOf: 'Deutsch' }) });
    expect(host.textContent).toContain(say('terminal.clearVersion', 'Deutsch'));
    expect(host.textContent).not.toContain('local law');
    expect([...host.querySelectorAll('button')].find((b) => b.textContent.trim() === say('terminal.setupDone'))!.disabled).toBe(true);
  });
  it('destroys under a witness only', async () => {
    const { press, wishes, host, f } = await open();
    await press('Waste…', 'destroyed under witness');
    const witness = host.querySelector('input')!;
    witness.value = 'MF';
    witness.dispatchEvent(new Event('input'));
    await f.whenStable();
    await press('3', 'Write it down');
    expect(wishes).toEqual([{ kind: 'destroyed', quantity: 3, note: 'destroyed at the machine', witness: 'MF' }]);
  });
});

describe('a pile that goes in', () => {
  const open = async (more: Record<string, unknown> = {}) => {
    const takes = step({ units: { ...step().units, takes: 'front.out' } });
    const shown = await show(TakePile, { step: takes, piles: [pile()], timeZone: 'UTC', now: NOW, ...more });
    const taken: (Taken | null)[] = [];
    shown.of.taken.subscribe((t) => taken.push(t));
    return { ...shown, taken };
  };
  it('goes in whole by one key', async () => {
    const { press, taken } = await open({ scanned: PILE });
    await press('All of it');
    expect(taken).toEqual([{ pile: PILE, quantity: 400, lot: '' }]);
  });
  it('goes in in part, and not more of it than there is', async () => {
    const { press, taken, host } = await open();
    await press('2417.7YD2R4', '9', '9', '9', 'Take so many');
    expect(host.textContent).toContain('Only 400 are there.');
    await press('5', '0', 'Take so many');
    expect(taken).toEqual([{ pile: PILE, quantity: 50, lot: '' }]);
  });
  it('says that it is held, or still wet', async () => {
    const { host } = await open({ piles: [pile({ state: 'hold', waitUntil: NOW + 3_600 })], scanned: PILE });
    expect(host.textContent).toContain('This pile is set to hold.');
    expect(host.textContent).toContain('the ink must dry');
  });
  it('is counted in where it has no flag', async () => {
    const { press, taken } = await open();
    await press('Count it in without a flag', '7', '0', 'Take so many');
    expect(taken).toEqual([{ pile: null, quantity: 70, lot: '' }]);
  });
});

describe('piles at a machine', () => {
  const other = pile({ id: '3f9a2c11-0000-4000-8000-000000000002', code: 'OTHER1', inHand: 30 });
  const open = async () => {
    const shown = await show(PileDesk, { piles: [pile(), other], timeZone: 'UTC', scanned: PILE });
    const wishes: PileWish[] = [];
    shown.of.wish.subscribe((w) => wishes.push(w));
    return { ...shown, wishes };
  };
  it.each([
    ['held', ['hold'], { kind: 'state', reason: 'hold' }],
    ['split', ['Split', '1', '5', '0', 'Write it down'], { kind: 'split', quantity: 150 }],
    ['counted again', ['Count again', '3', '9', '8', 'Write it down'], { kind: 'recount', quantity: -2 }],
    ['spoilt in part', ['Spoilt', '2', '0', 'Write it down'], { kind: 'scrap', quantity: 20 }],
  ])('are %s', async (_what, keys, wish) => {
    const { press, wishes } = await open();
    await press(...keys);
    expect(wishes).toMatchObject([{ pile: PILE, ...wish }]);
  });
  it('are put together: all of one onto another of the same pieces', async () => {
    const { press, wishes, host, f } = await open();
    await press('Put together');
    [...host.querySelectorAll<HTMLElement>('.one .mat-mdc-outlined-button')].find((b) => b.textContent.includes('OTHER1'))?.click();
    await f.whenStable();
    expect(wishes).toMatchObject([{ kind: 'merge', pile: PILE, other: other.id, quantity: 400 }]);
  });
  it('are not split into more than there is', async () => {
    const { press, wishes, host } = await open();
    await press('Split', '9', '9', '9', 'Write it down');
    expect(host.textContent).toContain('Only 400 are there.');
    expect(wishes).toEqual([]);
  });
});

describe('what comes, and what is left for the next shift', () => {
  it('says what runs, what is wanted and what it waits for', async () => {
    const waiting = step({ step: 'back', name: 'Print, back', waits: ['Print, front: dry'], times: { ...step().times, state: 'waiting' } });
    const { host } = await show(QueueList, { steps: [step(), waiting], timeZone: 'UTC' });
    expect(host.textContent).toContain('500 of 1\u2009750 sheets');
    expect(host.textContent).toContain('Waits for Print, front: dry');
  });
  it('says how long the wash-up to it takes, and on its setup sheet which units', async () => {
    const units = [
      { unit: 1, from: 'K', to: 'K', wash: 'none' as const },
      { unit: 2, from: 'C', to: 'Y', wash: 'deep' as const },
    ];
    const next = step({ washUp: { minutes: 20, units }, times: { ...step().times, state: 'waiting' } });
    const queue = await show(QueueList, { steps: [next], timeZone: 'UTC' });
    expect(queue.host.textContent).toContain('wash-up 20 min');
    TestBed.resetTestingModule();
    const { host } = await show(SetupSheet, { step: next, sheet: null, button: 'Begin' });
    expect(host.textContent).toContain('unit 2: C to Y, with care');
    expect(host.textContent).not.toContain('unit 1');
  });
  it('is set up before its time only with a reason: another one runs here, or what it needs is missing', async () => {
    const idle = { ...step().times, state: 'waiting' as const };
    const next = step({ step: 'back', waits: ['Print, front: dry'], times: idle });
    const { host, press, of, f } = await show(SetupSheet, { step: next, sheet: null, button: 'Begin', running: step() });
    const went: string[] = [];
    of.go.subscribe((reason) => went.push(reason));
    expect(host.textContent).toContain('On this machine still: 2417 Print, front, running');
    expect(host.textContent).toContain('Waits for Print, front: dry');
    await press('Begin');
    expect(went).toEqual([]);
    await press('the planner asked for it');
    // The server says the same once more: what was chosen stays.
    f.componentRef.setInput('step', { ...next });
    await f.whenStable();
    await press('Begin');
    expect(went).toEqual(['the planner asked for it']);
    // A step in its time asks nothing.
    f.componentRef.setInput('running', null);
    f.componentRef.setInput('step', step({ step: 'next', times: idle }));
    await f.whenStable();
    await press('Begin');
    expect(went).toEqual(['the planner asked for it', '']);
  });
  it('puts together what stands, what is next and what is held', async () => {
    const stopped = step({ times: { ...step().times, state: 'stopped', stopReason: 'fault' } });
    const next = step({ step: 'other', number: 2420, times: { ...step().times, state: 'waiting' } });
    const { host, press, of } = await show(WriteHandover, {
      terminal: terminal({ steps: [stopped, next], piles: [pile({ state: 'hold' })] }),
    });
    const left: (string | null)[] = [];
    of.left.subscribe((l) => left.push(l));
    expect(host.textContent).toContain('2417 Print, front stands (machine fault): 500 of 1\u2009750 good');
    await press('Leave it for the next shift');
    expect(left[0]?.split('\n')).toHaveLength(3);
  });
});

describe('signing on', () => {
  const people = [{ id: 'p1', fullName: 'Odo Pressnig', initials: 'OP' }];
  const open = async (answer: () => Observable<unknown>, known = false) => {
    const remembered: string[] = [];
    const shown = await show(SignOn, { people }, [
      provideAsking(),
      { provide: ApiCaller, useValue: { call: answer } },
      {
        provide: Outbox,
        useValue: {
          remember: (_p: unknown, pin: string) => Promise.resolve(void remembered.push(pin)),
          recognise: () => Promise.resolve(known ? { ...people[0], token: 'kept' } : null),
        },
      },
    ]);
    const on: unknown[] = [];
    shown.of.signedOn.subscribe((p) => on.push(p));
    await shown.press('Odo Pressnig', '3', '1', '4', '1', 'Sign on');
    await new Promise((resolve) => setTimeout(resolve));
    await shown.f.whenStable();
    return { ...shown, on, remembered };
  };
  it('takes the PIN to the server, and lets the device know the person', async () => {
    const { on, remembered } = await open(() => of({ token: 't' }));
    expect([on, remembered]).toEqual([[{ ...people[0], token: 't' }], ['3141']]);
  });
  it('says when the PIN is wrong', async () => {
    const { on, host } = await open(() =>
      throwError(() => ({ status: 400, title: 'x', fields: [{ path: 'pin', says: 'is not the PIN of this person' }] })),
    );
    expect(on).toEqual([]);
    expect(host.textContent).toContain('is not the PIN of this person');
  });
  it('knows without the line who signed on here before, and nobody else', async () => {
    const down = () => throwError(() => ({ status: 0, title: 'No answer' }));
    expect((await open(down, true)).on).toEqual([{ ...people[0], token: 'kept' }]);
    TestBed.resetTestingModule();
    const { on, host } = await open(down, false);
    expect(on).toEqual([]);
    expect(host.textContent).toContain('does not know');
  });
});

describe('stand-ins', () => {
  it('count what is at the machine to the last sheet, and say that they are simulated', async () => {
    const { of, host, f } = await show(SimulatedDevices, { open: true, step: step(), piles: [pile()] });
    jest.useFakeTimers();
    let out = 0;
    of.counted.subscribe((counts) => counts.forEach((c) => (out += c.quantity)));
    expect(host.textContent).toContain('simulated');
    [...host.querySelectorAll('button')].find((b) => b.textContent.includes('600 times'))?.click();
    [...host.querySelectorAll('button')].find((b) => b.textContent.includes('Take counts'))?.click();
    jest.advanceTimersByTime(60_000);
    expect(out).toBe(1_290);
    f.destroy();
    jest.useRealTimers();
  });
  it('scan by typing, as a scanner does; a slow hand is no scanner', () => {
    const found: string[] = [];
    const stop = listenForScans((s) => found.push(`${s.job}.${s.code}`));
    const type = (text: string, gapMs: number): void => {
      [...text, 'Enter'].forEach((key, i) => {
        const e = new KeyboardEvent('keydown', { key });
        Object.defineProperty(e, 'timeStamp', { value: 10_000 + i * gapMs });
        document.dispatchEvent(e);
      });
    };
    type(`2417.${pileCode(PILE)}`, 15);
    type(`2417.${pileCode(PILE)}`, 500);
    stop();
    type(`2417.${pileCode(PILE)}`, 15);
    expect(found).toEqual([`2417.${pileCode(PILE)}`]);
  });
});
