import { type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MatDialog } from '@angular/material/dialog';
import { provideRouter, Router } from '@angular/router';
import { type Observable, of } from 'rxjs';
import type { JobFloor, LearnedPage, Shortage } from '@druckerei/contract';
import { type Edit, EMPTY_SHELF, PlantSchema } from '@druckerei/core';
import { plan, riskCurve } from '@druckerei/core/planning';
import plantJson from '../../../../demo/plant.json';
import { LogbookPage } from '../logbook/logbook-page';
import { provideAsking } from '../session/signed-in.fixture';
import { ApiCaller } from '../shared/api';
import { PlanContext } from '../shared/plan-context';
import { JOB, pile, step } from '../terminal/terminal.fixture';
import { cardSpec } from './card-spec.fixture';
import { FloorPanel } from './floor-panel';
import { RiskPanel } from './risk-panel';

const plant = PlantSchema.parse(plantJson);
const place = { timeZone: 'UTC', currency: 'EUR', units: 'metric' as const };
const spec = cardSpec();
const first = plan(spec, plant, EMPTY_SHELF);
const print = Object.keys(first.steps).find((id) => id.includes('.print'))!;
const run = first.figures[`${print}.run`]!.value;
const shelf = { ...EMPTY_SHELF, counted: { [print]: { run, good: run - 900, done: true } } };
const made = plan(spec, plant, shelf);

const floor = (more: Partial<JobFloor> = {}): JobFloor => ({
  steps: [{ ...step(), inHand: 1_290, off: 0 }],
  piles: [pile()],
  differences: [],
  waste: [{ reason: 'setup', pieces: 200, kg: 11.25 }],
  children: [],
  log: [
    {
      id: '00000000-0000-4000-8000-000000000009',
      seq: 9,
      kind: 'good',
      step: 'front',
      machine: 'press3',
      pile: '7YD2R4',
      quantity: 500,
      value: null,
      reason: '',
      note: 'simulated counter',
      witness: '',
      marks: ['late'],
      by: 'Odo Pressnig',
      device: 'terminal-1',
      at: 1_772_434_800,
      receivedAt: 1_772_438_400,
      skewS: 0,
      takenBack: false,
    },
  ],
  more: false,
  ...more,
});
const shortage: Shortage = {
  short: 120,
  options: [
    { way: 'runOn', not: 'printed', money: 1, pulled: 30, machineS: 60, readyAt: null, keptForms: false },
    { way: 'short', not: null, money: 40, pulled: 0, machineS: 0, readyAt: null, keptForms: false },
    { way: 'rerun', not: null, money: 300, pulled: 200, machineS: 7_200, readyAt: 1_772_500_000, keptForms: true },
    { way: 'digital', not: null, money: 150, pulled: 40, machineS: 3_600, readyAt: 1_772_480_000, keptForms: false },
  ],
};

async function show<T extends object>(
  component: Type<T>,
  inputs: Record<string, unknown>,
  answers: Record<string, unknown> = {},
  words = '',
) {
  const asked: { name: string; sent: { body?: { entries?: object[] }; params?: object } }[] = [];
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: PlanContext, useValue: { current: () => of({ hash: 'h' }), plant: () => of(plant) } },
      provideAsking(),
      {
        provide: ApiCaller,
        useValue: {
          call: (name: string, sent: never): Observable<unknown> => {
            asked.push({ name, sent });
            return of(answers[name] ?? {});
          },
        },
      },
    ],
  });
  jest.spyOn(MatDialog.prototype, 'open').mockImplementation(() => ({ afterClosed: () => of(words) }) as never);
  jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
  const f = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) f.componentRef.setInput(name, value);
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  const press = async (name: string): Promise<void> => {
    [...host.querySelectorAll('button')].find((b) => b.textContent.trim() === name)?.click();
    await f.whenStable();
  };
  return { f, host, press, asked, of: f.componentInstance };
}

describe('a job on the floor', () => {
  const open = async (of_: JobFloor = floor(), may = true, words = '') =>
    show(
      FloorPanel,
      { job: { id: JOB, number: 2417, version: 3 }, plan: made, place, may },
      { 'floor.job': of_, 'floor.shortage': shortage, 'floor.send': { refused: [] }, 'floor.child': { job: JOB, number: 2418 } },
      words,
    );
  it('says what is expected with its range, and prices each way out', async () => {
    const { host } = await open();
    expect(host.textContent).toContain('Expected at the end');
    expect(host.textContent).toContain('120 pieces will be short: what can be done');
    expect(host.textContent).toContain('The press has finished this job.');
    expect(host.textContent).toContain('a guess, ask before you promise it');
    expect([...host.querySelectorAll('.option')].filter((o) => o.querySelector('button'))).toHaveLength(2);
  });
  it('shows no ways out to those who do not plan, and none once a child job makes what is missing', async () => {
    expect((await open(floor(), false)).host.textContent).not.toContain('what can be done');
    TestBed.resetTestingModule();
    const { host } = await open(floor({ children: [{ job: JOB, number: 2418, title: 'Card, topped up', state: 'draft', pieces: 120 }] }));
    expect(host.textContent).toContain('makes 120 of what is missing');
    expect(host.textContent).not.toContain('what can be done');
  });
  it('enters a child job', async () => {
    const { press, asked } = await open();
    await press('Enter the child job');
    expect(asked.find((a) => a.name === 'floor.child')?.sent).toMatchObject({ params: { id: JOB }, body: { item: 'i1', way: 'rerun' } });
  });
  it('takes an entry back by a counter-entry, and closes a difference by a recount, each with its reason', async () => {
    const off = floor({ differences: [{ step: 'front', pile: '7YD2R4', off: 3 }] });
    const { press, asked, host } = await open(off, true, 'found behind the press');
    expect(host.textContent).toContain('3 missing at Print, front');
    await press('Take back');
    await press('Counted again …');
    const sent = asked.filter((a) => a.name === 'floor.send').map((a) => a.sent.body?.entries?.[0]);
    expect(sent).toMatchObject([
      { kind: 'counter', other: '00000000-0000-4000-8000-000000000009', note: 'found behind the press' },
      { kind: 'recount', step: 'front', pile: null, quantity: -3, note: 'found behind the press' },
    ]);
  });
  it('lists balance, piles, waste in kg and the log with its marks', async () => {
    const { host } = await open();
    for (const text of ['2\u2009000', '1\u2009290', '2417-1', '11.3 kg', 'simulated counter', 'came late'])
      expect(host.textContent.replace(/\s+kg/, ' kg')).toContain(text);
  });
});

describe('the risk of a job', () => {
  const curve = riskCurve(spec, plant, EMPTY_SHELF, 'i1')!;
  const open = async (more: Record<string, unknown> = {}) => {
    const shown = await show(RiskPanel, { curve, spec, item: 'i1', usual: 0.85, ...more });
    const edits: Edit[][] = [];
    shown.of.edits.subscribe((e) => edits.push(e));
    return { ...shown, edits };
  };
  it('is drawn as a curve with how sure it is, and says where it comes from', async () => {
    const { host } = await open();
    expect(host.textContent).toContain('From handbook allowances');
    expect(JSON.parse(host.querySelector('apx-chart')!.textContent)).toHaveLength(3);
    TestBed.resetTestingModule();
    expect((await open({ curve: { ...curve, jobs: 140 } })).host.textContent).toContain('From 140 closed jobs');
  });
  it('says that net and allowances reach what the works wishes', async () => {
    expect((await open()).host.textContent).toContain('Net and allowances reach it');
  });
  it('shows what a wish takes before it is taken, lays it with one click, and takes it back', async () => {
    const { press, edits, host } = await open();
    await press('99 %');
    const wish = curve.points.find((p) => p.wish === 0.99)!;
    expect(host.textContent.replace(/\u2009/g, '')).toContain(`${wish.reserve} sheets of reserve`);
    expect(edits).toEqual([]);
    await press('Lay this reserve');
    expect(edits).toMatchObject([[{ at: ['choices', 'certainty'], now: 0.99 }]]);
    TestBed.resetTestingModule();
    const laid = await open({ spec: { ...spec, choices: { ...spec.choices, certainty: 0.99 } } });
    await laid.press('Without reserve');
    expect(laid.edits).toMatchObject([[{ at: ['choices', 'certainty'] }]]);
    expect(laid.edits[0]?.[0]?.now).toBeUndefined();
  });
  it('refuses a wish nobody can keep', async () => {
    const { host, edits, f } = await open({ spec: { ...spec, choices: { ...spec.choices, certainty: 0.999 } } });
    const other = host.querySelector('input')!;
    other.value = '100';
    other.dispatchEvent(new Event('change'));
    await f.whenStable();
    expect([edits, host.textContent.includes('between 50 and 99.9 %')]).toEqual([[], true]);
  });
});

describe('the logbook', () => {
  const learned: LearnedPage = {
    losses: [
      { process: 'offset', machine: 'press3', jobs: 32, meanPpm: 17_000, sdPpm: 8_000, setupFactor: 1.24, setupSpread: 0.4, enough: true },
      { process: 'fold', machine: 'folder2', jobs: 3, meanPpm: 9_000, sdPpm: 1_000, setupFactor: null, setupSpread: null, enough: false },
      { process: 'fold', machine: null, jobs: 3, meanPpm: 9_000, sdPpm: 1_000, setupFactor: null, setupSpread: null, enough: false },
    ],
    together: { spread: 0.31, jobs: 32 },
    leftAside: [{ number: 2399, process: 'offset', machine: 'press3', what: 'running', times: 9.7 }],
    times: [
      {
        machine: 'press3',
        jobs: 32,
        planPerHour: 8_000,
        netPerHour: 7_650,
        netQuarters: [7_200, 8_050],
        setupS: 1_700,
        setupRepeatS: null,
        stoppedShare: 0.08,
        stops: [{ reason: 'blanket', seconds: 5_400, times: 9 }],
      },
    ],
  };
  it('holds what was learned beside the handbook and the card, and says when it is too little', async () => {
    const { host } = await show(LogbookPage, {}, { 'floor.learned': learned });
    for (const text of [
      '× 1.24',
      'our log',
      'handbook; 17 more jobs until ours',
      '7\u2009650',
      '8 %',
      'spread of 0.31, from 32 jobs',
      'Job 2399: 9.7 times the usual',
    ])
      expect(host.textContent).toContain(text);
    expect(JSON.parse(host.querySelector('apx-chart')!.textContent)).toMatchObject([{ data: [90] }]);
  });
  it('says so while no closed job was counted', async () => {
    const { host } = await show(LogbookPage, {}, { 'floor.learned': { losses: [], together: null, leftAside: [], times: [] } });
    expect(host.textContent).toContain('No closed job was counted yet.');
  });
});
