import { TestBed } from '@angular/core/testing';
import { MatSelect } from '@angular/material/select';
import { By } from '@angular/platform-browser';
import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { applyEdits, type Edit, EMPTY_SHELF, type Gang, type JobSpec, JobSpecSchema, PlantSchema } from '@druckerei/core';
import { type GangSolved, plan } from '@druckerei/core/planning';
import ordersJson from '../../../../demo/orders.json';
import plantJson from '../../../../demo/plant.json';
import { type GangAnswer, GangSolver } from '../planner/gang-solver';
import { provideAsking } from '../session/signed-in.fixture';
import { GangComposer } from './gang-composer';
import { GangKeeps } from './gang-keeps';

const plant = PlantSchema.parse(plantJson);
const shelf = { ...EMPTY_SHELF, asOf: 1_772_000_000 };
const place = { timeZone: 'UTC', currency: 'EUR', units: 'metric' as const };
const orders = ordersJson as unknown as { spec: unknown }[];
const plays = JobSpecSchema.parse(orders.find((o) => (o.spec as JobSpec).name === 'Radio plays, autumn')!.spec);
const gangOf = (spec: JobSpec): Gang | undefined => spec.choices.gangs?.['plays'];
const withGangs = (gangs: JobSpec['choices']['gangs'] | undefined): JobSpec => ({
  ...plays,
  choices: { ...plays.choices, ...(gangs && { gangs }), ...(!gangs && { gangs: {} }) },
});

async function show(spec = plays, locked = false) {
  TestBed.configureTestingModule({ providers: [provideAsking()] });
  const f = TestBed.createComponent(GangComposer);
  let now = spec;
  const set = (made: JobSpec): void => {
    now = made;
    f.componentRef.setInput('spec', made);
    f.componentRef.setInput('plan', plan(made, plant, shelf));
  };
  set(spec);
  for (const [name, value] of Object.entries({
    job: '11111111-1111-4111-8111-111111111111',
    plant,
    shelf,
    place,
    locked,
    orders: [{ number: 2424, item: 'lantern' }],
  }))
    f.componentRef.setInput(name, value);
  const sent: Edit[][] = [];
  // What is edited is planned at once, as on the page.
  f.componentInstance.edits.subscribe((edits) => {
    sent.push(edits);
    const applied = applyEdits(now, edits);
    if (!applied.ok) throw new Error(JSON.stringify(applied.issues));
    set(applied.made);
  });
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  const button = (name: string): HTMLButtonElement =>
    [...host.querySelectorAll('button')].find((b) => (b.getAttribute('aria-label') ?? b.textContent.trim()).startsWith(name))!;
  return {
    f,
    host,
    sent,
    button,
    spec: () => now,
    solver: f.debugElement.injector.get(GangSolver),
    settle: () => f.whenStable(),
    press: async (name: string): Promise<void> => {
      button(name).click();
      await f.whenStable();
    },
    forms: () => [...host.querySelectorAll('.form')],
    row: (product: string) =>
      [...host.querySelectorAll('table tbody tr')].find((tr) => tr.textContent.includes(product))!.querySelectorAll('td'),
  };
}
const text = (el: Element): string => el.textContent.replace(/\s+/g, ' ').trim();

describe('orders on common forms', () => {
  it('hold what a planner wants held: a closed place, an order on one form, two that never meet', async () => {
    const { f, spec, forms, settle } = await show();
    const keeps = f.debugElement.query(By.directive(GangKeeps));
    const selects = keeps.queryAll(By.directive(MatSelect)).map((d) => d.componentInstance as MatSelect);
    const choose = async (label: string, value: unknown): Promise<void> => {
      const at = [...(keeps.nativeElement as HTMLElement).querySelectorAll('mat-label')].findIndex((l) => text(l) === label);
      selects[at]!.valueChange.emit(value);
      await settle();
    };
    await choose('Closed places of the die', [3]);
    expect(text(forms()[0]!)).toContain('7 of 7 places taken');
    await choose('kiln lies on', 0);
    await choose('kiln never beside', ['fog.blank']);
    expect(gangOf(spec())?.keep).toEqual({ closed: [3], on: { 'kiln.blank': 0 }, apart: [['kiln.blank', 'fog.blank']] });
    await choose('kiln lies on', -1);
    await choose('fog never beside', []);
    expect(gangOf(spec())?.keep).toEqual({ closed: [3] });
  });
  it('stand with their forms to scale, places, sheets and cost, and what each has over', async () => {
    const { forms, row } = await show();
    expect(forms().map((form) => form.getAttribute('aria-label'))).toEqual(['Form A', 'Form B']);
    expect(text(forms()[1]!)).toContain('7 of 8 places taken');
    expect(forms()[0]!.querySelectorAll('svg .copy')).toHaveLength(8);
    expect([...row('lantern')].map(text)).toEqual(
      expect.arrayContaining(['D lantern 2424', '2 000', '2 075', '1 566', '706', '197 · 9.9 %', '200']),
    );
  });

  it('take a copy more or less by key, and say what that did to the cost and whom it gives too many', async () => {
    const { press, host, spec, button, row } = await show();
    expect(button('A copy of fog onto Form A').disabled).toBe(true);
    expect(button('A copy of fog off Form A').disabled).toBe(true);
    await press('A copy of fog onto Form B');
    expect(gangOf(spec())!.forms![1]!.copies['fog.blank']).toBe(3);
    await press('A copy of harbour off Form B');
    expect(gangOf(spec())!.forms![1]!.copies['harbour.blank']).toBe(2);
    expect(host.querySelector('[role=status]')!.textContent).toMatch(/[+−].*EUR by the last change/);
    expect(row('fog')[6]!.classList).toContain('fail');
    expect(text(row('fog')[6]!)).toContain('more than was agreed');
  });

  it('are dragged from form to form, off all forms, and onto one from their row', async () => {
    const { f, spec, settle } = await show();
    const drop = async (
      from: number | null,
      onto: { gang: string; form: number } | null,
      part = 'mill.blank',
      gang: string | null = 'plays',
    ) => {
      const component = f.componentInstance as unknown as { dropped(e: CdkDragDrop<unknown>): void };
      component.dropped({
        item: { data: { part, from, gang } },
        container: { data: onto },
        previousContainer: { data: 'elsewhere' },
      } as unknown as CdkDragDrop<unknown>);
      await settle();
      return gangOf(spec())!.forms!.map((form) => form.copies[part] ?? 0);
    };
    expect(await drop(0, { gang: 'plays', form: 1 })).toEqual([1, 1]);
    expect(await drop(1, null)).toEqual([1, 0]);
    expect(await drop(null, { gang: 'plays', form: 1 })).toEqual([1, 1]);
    // Onto a full form nothing falls.
    expect(await drop(null, { gang: 'plays', form: 1 })).toEqual([1, 1]);
  });

  it('run what is typed, get another form, and lose it again', async () => {
    const { press, forms, spec, f, settle } = await show();
    const component = f.componentInstance as unknown as {
      run(g: unknown, form: number, typed: unknown): void;
      gangs(): { row: unknown }[];
    };
    component.run(component.gangs()[0]!.row, 1, 400);
    await settle();
    expect(gangOf(spec())!.forms![1]!.run).toBe(400);
    expect(text(forms()[1]!)).toContain('good sheets, as set');
    await press('Another form');
    expect(forms()).toHaveLength(3);
    await press('Drop Form C');
    expect(forms()).toHaveLength(2);
  });

  it('leave and join again, are taken apart and brought together anew', async () => {
    const { press, host, spec, settle } = await show();
    await press('fog on a sheet of its own');
    expect(gangOf(spec())!.parts).not.toContain('fog.blank');
    await press('Add fog to the common sheets');
    expect(gangOf(spec())!.parts).toContain('fog.blank');
    await press('Take them apart');
    expect(gangOf(spec())).toBeUndefined();
    const boxes = [...host.querySelectorAll<HTMLInputElement>('input[type=checkbox]')];
    expect(boxes).toHaveLength(6);
    for (const box of boxes.slice(0, 2)) box.click();
    await settle();
    await press('Lay on one sheet');
    expect(Object.values(spec().choices.gangs!)).toEqual([{ parts: ['fog.blank', 'harbour.blank'] }]);
  });

  it('say why others cannot lie with them, and that a gang was refused', async () => {
    const fog = plays.products['fog']!;
    const matt = { ...fog, ...(fog.kind === 'made' && { wish: { ...fog.wish, coat: 'matt' } }) } as never;
    const free = await show({ ...withGangs(undefined), products: { ...plays.products, fog: matt } });
    expect(text(free.host)).toContain('Cannot lie with those: it has another coating');
    TestBed.resetTestingModule();
    const refused = await show({ ...plays, products: { ...plays.products, fog: matt } });
    expect(refused.host.querySelector('[role=alert]')!.textContent).toContain('They cannot share a sheet');
    expect(refused.forms()).toHaveLength(0);
  });

  it('are looked at only, where the job is released', async () => {
    const { host } = await show(plays, true);
    expect([...host.querySelectorAll('button')].map(text).filter((t) => /apart|Another|own|Solve/.test(t))).toEqual([]);
  });
});

describe('the proposal of the solver', () => {
  const solved = (more: Partial<GangSolved> = {}): GangSolved => ({
    gang: 'plays',
    best: { runs: [1_566, 353], copies: { 'fog.blank': [0, 2], 'mill.blank': [2, 0] }, cost: 2_822 },
    byForms: [],
    bound: 2_822,
    proved: true,
    job: { now: 6_000, best: 5_861, apart: 7_100 },
    tooMany: ['fog.blank'],
    edits: [{ at: ['choices', 'gangs', 'plays'], now: { parts: plays.choices.gangs!['plays']!.parts } }],
    ...more,
  });

  it('is looked for with progress, and given up', async () => {
    const { press, host, solver, settle } = await show();
    await press('Solve');
    expect(solver.state()).toMatchObject({ kind: 'solving', gang: 'plays' });
    solver.state.set({ kind: 'solving', gang: 'plays', done: 1, of: 4 });
    await settle();
    expect(host.querySelector('dk-gang-proposal [role=status]')!.textContent).toContain('1 of 4');
    await press('Cancel');
    expect(solver.state()).toEqual({ kind: 'idle' });
  });

  it('stands beside the plan with its proof and its money, and is taken', async () => {
    const { press, host, solver, settle, spec } = await show();
    solver.state.set({ kind: 'solved', gang: 'plays', spec: spec(), solved: solved() });
    await settle();
    const said = text(host.querySelector('dk-gang-proposal')!);
    expect(said).toContain('Number of forms found: 2. Proved: none is cheaper. What there is leaves more over than agreed of: fog.');
    expect(said).toMatch(/The job costs 5.861\.00 EUR with them, 6.000\.00 EUR as it is, 7.100\.00 EUR with a sheet for each order/);
    expect(said).toContain('A · 1 566 sheets');
    await press('Take these forms');
    expect(gangOf(spec())!.forms).toBeUndefined();
    expect(solver.state().kind).toBe('idle');
  });

  it('says the gap where nothing is proved, that nothing keeps the limits, or that there is no die', async () => {
    const { host, solver, settle, spec } = await show();
    const says = async (found: GangSolved | null): Promise<string> => {
      solver.state.set({ kind: 'solved', gang: 'plays', spec: spec(), solved: found });
      await settle();
      return text(host.querySelector('dk-gang-proposal [role=status]')!);
    };
    expect(await says(solved({ proved: false, bound: 2_800 }))).toContain('Not proved: the cheapest could cost up to 22.00 EUR less.');
    expect(await says(solved({ best: null, edits: [] }))).toContain('No forms keep what was agreed');
    expect(await says(null)).toContain('nothing to solve');
    expect(await says(solved({ edits: [], tooMany: [] }))).toContain('nothing better');
    expect(await says(solved())).not.toContain('A sheet for each order would be cheaper');
    expect(await says(solved({ job: { now: 6_000, best: 5_861, apart: 5_800 } }))).toContain('A sheet for each order would be cheaper');
  });

  it('is asked again where the job was changed since, or where it failed', async () => {
    const { press, host, solver, settle } = await show();
    solver.state.set({ kind: 'solved', gang: 'plays', spec: { ...plays }, solved: solved() });
    await settle();
    expect(text(host)).toContain('The job was changed since; solve again.');
    solver.state.set({ kind: 'failed', gang: 'plays', says: 'out of memory' });
    await settle();
    expect(host.querySelector('dk-gang-proposal [role=alert]')!.textContent).toContain('It could not be solved: out of memory');
    await press('Solve again');
    expect(solver.state().kind).toBe('solving');
  });

  it('comes from the worker: told, solved, failed; and another question ends the one before', () => {
    const solver = new GangSolver();
    const ask = { spec: plays, plant, shelf, gang: 'plays' };
    solver.solve(ask);
    const worker = (solver as unknown as { worker: { onmessage(e: { data: GangAnswer }): void; onerror(e: { message: string }): void } })
      .worker;
    worker.onmessage({ data: { kind: 'told', done: 2, of: 4 } });
    expect(solver.state()).toEqual({ kind: 'solving', gang: 'plays', done: 2, of: 4 });
    worker.onmessage({ data: { kind: 'solved', solved: null } });
    expect(solver.state()).toEqual({ kind: 'solved', gang: 'plays', spec: plays, solved: null });
    worker.onmessage({ data: { kind: 'failed', says: 'no' } });
    expect(solver.state()).toEqual({ kind: 'failed', gang: 'plays', says: 'no' });
    solver.solve(ask);
    worker.onerror({ message: 'gone' });
    expect(solver.state()).toMatchObject({ kind: 'failed', says: 'gone' });
  });
});
