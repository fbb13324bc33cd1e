import type { Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import plantJson from '../../../../demo/plant.json';
import { applyPlantEdits, type Edit, type Plant, PlantSchema } from '@druckerei/core';
import type { RowContext } from './card-rows';
import { LossesCard } from './losses-card';
import { InkCard } from './ink-card';
import { MachineCard } from './machine-card';
import { PackCard } from './pack-card';
import { PeopleList } from './people-list';
import { PracticeList } from './practice-list';
import { StockCard } from './stock-card';

const inForce: Plant = PlantSchema.parse(plantJson);
const context = (edits: Edit[] = [], refused: Record<string, string> = {}): RowContext => {
  const applied = applyPlantEdits(inForce, edits);
  if (!applied.ok) throw new Error(JSON.stringify(applied.issues));
  return { plant: applied.made, inForce, refused };
};
async function show<T extends object>(component: Type<T>, inputs: Record<string, unknown>) {
  const f = TestBed.createComponent(component);
  for (const [k, v] of Object.entries(inputs)) f.componentRef.setInput(k, v);
  const set: { at: string[]; value: unknown }[] = [];
  if ('set' in f.componentInstance) (f.componentInstance.set as { subscribe(f: (v: never) => void): void }).subscribe((v) => set.push(v));
  await f.whenStable();
  const host = f.nativeElement as HTMLElement;
  const type = async (label: string, text: string): Promise<void> => {
    host.querySelector<HTMLButtonElement>(`button[aria-label^="${label}, "]`)?.click();
    await f.whenStable();
    const input = host.querySelector<HTMLInputElement>(`input[aria-label="${label}"]`);
    if (!input) throw new Error(`no field ${label}`);
    input.value = text;
    input.dispatchEvent(new Event('input'));
    await f.whenStable();
  };
  return { host, set, type, f };
}

describe('a machine’s card', () => {
  it.each([
    ['Setup, new work', '30', ['machines', 'press3', 'setupS'], 1800],
    ['Largest, width', '750', ['machines', 'press3', 'maxSheetMm', '0'], 750],
    ['Hanging a plate', '150', ['machines', 'press3', 'limits', 'perPlateS'], 150],
    ['People', '3', ['machines', 'press3', 'crew'], 3],
  ])('%s is typed as a person says it and stored as core reckons it', async (label, text, at, value) => {
    const { set, type } = await show(MachineCard, { id: 'press3', context: context() });
    await type(label, text);
    expect(set).toEqual([{ at, value }]);
  });
  it('marks what differs from what is in force, and says why something was refused', async () => {
    const changed = context([{ at: ['machines', 'press3', 'crew'], now: 3 }], { 'machines.press3.netPerHour': 'is above the rated speed' });
    const { host } = await show(MachineCard, { id: 'press3', context: changed });
    expect([...host.querySelectorAll('.changed dt')].map((d) => d.textContent)).toEqual(['People']);
  });
  it('shows nothing for a machine that is gone', async () => {
    expect((await show(MachineCard, { id: 'gone', context: context() })).host.textContent.trim()).toBe('');
  });
});

describe('a stock’s card', () => {
  it.each([
    ['a sheet with its grain', 'ivory300-520x720', 9, 0],
    ['a roll from its end', 'label162-330', 0, 2],
  ])('draws %s', async (_name, id, grain, rounds) => {
    const { host } = await show(StockCard, { id, context: context() });
    expect(host.querySelectorAll('svg .grain')).toHaveLength(grain);
    expect(host.querySelectorAll('svg ellipse')).toHaveLength(rounds);
    expect(host.querySelector('svg')?.getAttribute('aria-label')).toContain(inForce.stocks[id]?.name ?? 'x');
  });
  it('asks of a roll what a roll has, of a sheet what a sheet has', async () => {
    const roll = (await show(StockCard, { id: 'label162-330', context: context() })).host.textContent;
    const sheet = (await show(StockCard, { id: 'ivory300-520x720', context: context() })).host.textContent;
    expect([roll.includes('Mass of a roll'), roll.includes('Length')]).toEqual([true, false]);
    expect([sheet.includes('Mass of a roll'), sheet.includes('Length')]).toEqual([false, true]);
    expect([sheet.includes('Added to a carton’s panel'), roll.includes('Added to a carton’s panel')]).toEqual([true, false]);
  });
  it('chooses the grain, and takes it back where it is not said', async () => {
    const { host, set } = await show(StockCard, { id: 'ivory300-520x720', context: context() });
    const grain = host.querySelector<HTMLSelectElement>('select[aria-label="Grain"]');
    for (const value of ['short', '']) {
      grain!.value = value;
      grain!.dispatchEvent(new Event('change'));
    }
    expect(set.map((s) => s.value)).toEqual(['short', undefined]);
  });
});

describe('losses and practice', () => {
  it('says of work whose setup is in metres that the curve leaves it out', async () => {
    expect((await show(LossesCard, { id: 'webPress', context: context() })).host.textContent).toContain(
      'Setup in metres depends on the repeat',
    );
    expect((await show(LossesCard, { id: 'offset', context: context() })).host.textContent).not.toContain('Setup in metres');
  });
  it.each([
    ['Ink dries before foil', '40', 'wait.foilS', 144_000, 'hours'],
    ['Pieces spoilt on the way', '0.7', 'hands.pieceSpoilPpm', 7_000, 'percent'],
    ['Lift height', '90', 'guillotine.liftMm', 90, 'millimetres'],
  ])('%s is typed in its own unit', async (label, text, key, value) => {
    const { set, type } = await show(PracticeList, { context: context() });
    await type(label, text);
    expect(set[0]).toMatchObject({ at: ['practice', key], value: { value, tag: 'own', source: 'set by the works' } });
  });
  it('finds nothing of a name no value has', async () => {
    const { host, f } = await show(PracticeList, { context: context() });
    const find = host.querySelector<HTMLInputElement>('input[type=search]');
    find!.value = 'weather';
    find!.dispatchEvent(new Event('input'));
    await f.whenStable();
    expect(host.textContent).toContain('No value is called that.');
  });
});

describe('a carton’s card', () => {
  it('has its sides on the drawing, and is gone when it is gone', async () => {
    const { host, set, type } = await show(PackCard, { path: ['cartons', 'box400'], context: context() });
    expect(host.querySelector('svg')?.getAttribute('aria-label')).toContain('400 by 300 millimetres, 200 high');
    await type('Height', '180');
    await type('Empty, kg', '0.5');
    expect(set).toEqual([
      { at: ['cartons', 'box400', 'heightMm'], value: 180 },
      { at: ['cartons', 'box400', 'emptyKg'], value: 0.5 },
    ]);
    expect((await show(PackCard, { path: ['cartons', 'gone'], context: context() })).host.textContent.trim()).toBe('');
  });
});

describe('an ink series’ card', () => {
  it('says yes or no of what every series must say, and keeps what it stands as a list', async () => {
    const { host, set, f } = await show(InkCard, { path: ['inks', 'lamp'], context: context() });
    const box = (label: string): HTMLInputElement => host.querySelector<HTMLInputElement>(`input[aria-label="${label}"]`)!;
    box('Dries under lamps').click();
    box('light').click();
    await f.whenStable();
    expect(set).toEqual([
      { at: ['inks', 'lamp', 'lampDried'], value: false },
      { at: ['inks', 'lamp', 'fast'], value: inForce.inks['lamp']?.fast?.includes('light') ? undefined : ['light'] },
    ]);
  });
});

describe('people', () => {
  it('enters somebody new with what the form says, and sets a new password', async () => {
    const people = [{ id: 'p1', name: 'ilse', fullName: 'Ilse L', initials: 'IL', roles: ['store' as const], active: true }];
    const { host, f } = await show(PeopleList, { people });
    const entered: unknown[] = [];
    const changed: unknown[] = [];
    f.componentInstance.entered.subscribe((v) => entered.push(v));
    f.componentInstance.changed.subscribe((v) => changed.push(v));
    const [name, full, initials, password] = [...host.querySelectorAll<HTMLInputElement>('form input')];
    for (const [input, text] of [
      [name, ' tilda '],
      [full, 'Tilda Kreuz'],
      [initials, 'TK'],
      [password, 'a-long-password'],
    ] as const) {
      input!.value = text;
      input!.dispatchEvent(new Event('input'));
    }
    const role = host.querySelector<HTMLSelectElement>('form select')!;
    role.value = [...role.options].find((o) => o.textContent.trim() === 'ink')!.value;
    role.dispatchEvent(new Event('change'));
    host.querySelector('form')?.dispatchEvent(new Event('submit'));
    expect(entered).toEqual([{ name: 'tilda', fullName: 'Tilda Kreuz', initials: 'TK', roles: ['ink'], password: 'a-long-password' }]);
    [...host.querySelectorAll('button')].find((b) => b.textContent.includes('New password'))?.click();
    await f.whenStable();
    host.querySelector<HTMLInputElement>('td input[type=password]')!.value = 'another-long-one';
    host.querySelector('td form')?.dispatchEvent(new Event('submit'));
    expect(changed).toEqual([
      { id: 'p1', change: { fullName: 'Ilse L', initials: 'IL', roles: ['store'], active: true, password: 'another-long-one' } },
    ]);
  });
});
