import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState, provideStore, Store } from '@ngrx/store';
import { Observable, of, Subject, throwError } from 'rxjs';
import plantJson from '../../../../demo/plant.json';
import type { MovedJob, Person } from '@druckerei/contract';
import { editAt, type Plant, PlantSchema } from '@druckerei/core';
import { SessionActions, sessionFeature } from '../session/session.feature';
import { ApiCaller } from '../shared/api';
import { Changes } from '../shared/changes';
import { KeptSettings } from './kept-settings';
import { SettingsPage } from './settings-page';
import * as effects from './settings.effects';
import { SettingsActions, SettingsApiActions, settingsFeature, type SettingsState } from './settings.feature';

const plant: Plant = PlantSchema.parse(plantJson);
const HASH = 'a'.repeat(64);
const moved = (n: number): MovedJob => ({
  job: `j${n}`,
  number: n,
  title: `Card ${n}`,
  version: 3,
  totals: [{ key: 'money', unit: 'money', before: 100, after: 120.5 }],
  come: [{ code: 'bleed.small', at: 'card', level: 'decide', args: { bleedMm: 2, least: 3 } }],
  gone: [],
});
const crew = (n: unknown) => SettingsActions.edited({ edits: [editAt(plant, ['machines', 'bench', 'crew'], n)] });

describe('settings as edits on the plant in force', () => {
  const from = (...actions: Parameters<typeof settingsFeature.reducer>[1][]): SettingsState =>
    [SettingsApiActions.loaded({ hash: HASH, plant, history: [], kept: [] }), ...actions].reduce<SettingsState>(
      (s, a) => settingsFeature.reducer(s, a),
      settingsFeature.reducer(undefined, { type: 'start' }),
    );
  it('holds one edit a place, none where it leads back, and the plant as it would be', () => {
    const s = from(crew(7), crew(8));
    expect(s.edits).toEqual([{ at: ['machines', 'bench', 'crew'], was: 6, now: 8 }]);
    expect(s.plant?.machines['bench']?.crew).toBe(8);
    expect(from(crew(7), crew(6)).edits).toEqual([]);
  });
  it('keeps what does not go through out of the plant, and says why at its place', () => {
    const s = from(crew(7), crew(0));
    expect(s.plant?.machines['bench']?.crew).toBe(7);
    expect(Object.keys(s.refused)).toEqual(['machines.bench.crew']);
    expect(from(crew(0), crew(9)).refused).toEqual({});
  });
  it('undoes the last change, takes all back, and drops a trial of other settings', () => {
    const name = SettingsActions.edited({ edits: [editAt(plant, ['machines', 'bench', 'name'], 'Benches')] });
    const s = from(crew(7), name, SettingsActions.tryAsked(), SettingsActions.undoAsked());
    expect(s.edits.map((e) => e.at.at(-1))).toEqual(['crew']);
    expect(s.trial).toBeNull();
    expect(from(crew(7), name, SettingsActions.allTakenBack()).plant).toEqual(plant);
  });
  it('takes changes kept in this browser up again', () => {
    const kept = [{ at: ['machines', 'bench', 'crew'], was: 6, now: 9 }];
    const s = settingsFeature.reducer(undefined, SettingsApiActions.loaded({ hash: HASH, plant, history: [], kept }));
    expect(s.plant?.machines['bench']?.crew).toBe(9);
  });
  it('remembers which drafts are to be moved, and counts those that stayed', () => {
    const tried = SettingsApiActions.tried({ jobs: [moved(1), moved(2)], planned: 2, of: 2, done: true });
    const s = from(crew(7), SettingsActions.tryAsked(), tried, SettingsApiActions.accepted({ hash: 'b' }), SettingsActions.moveAsked());
    expect(s).toMatchObject({ edits: [], moving: true, trial: null });
    const after = [
      SettingsApiActions.moved({ job: 'j1', went: true }),
      SettingsApiActions.moved({ job: 'j2', went: false }),
    ].reduce<SettingsState>((x, a) => settingsFeature.reducer(x, a), s);
    expect(after).toMatchObject({ toMove: [], moving: false, left: 1 });
  });
});

describe('changes kept in this browser', () => {
  it('belong to the plant they were made on, and survive nonsense', () => {
    const kept = new KeptSettings();
    kept.keep(HASH, [{ at: ['name'], now: 'Works' }]);
    expect(kept.of(HASH)).toEqual([{ at: ['name'], now: 'Works' }]);
    expect(kept.of('b'.repeat(64))).toEqual([]);
    localStorage.setItem('druckerei.kept.settings', '{nonsense');
    expect(kept.of(HASH)).toEqual([]);
    kept.keep(HASH, []);
    expect(localStorage.getItem('druckerei.kept.settings')).toBeNull();
  });
});

describe('SettingsPage', () => {
  let answers: Record<string, (asked: never) => Observable<unknown>>;
  let calls: { name: string; asked: Record<string, unknown> }[];
  const person: Person = { id: 'p1', name: 'ilse', fullName: 'Ilse L', initials: 'IL', roles: ['store'], active: true, pin: false };
  beforeEach(() => {
    localStorage.clear();
    calls = [];
    answers = {
      'plants.current': () => of({ hash: HASH, shelf: {} }),
      'plants.history': () => of([{ plant: HASH, before: 'c'.repeat(64), reason: 'rates of the year', by: 'Runa T', at: 1_790_000_000 }]),
      'plants.read': () => of(plant),
      'people.list': () => of([person]),
      'keeping.read': () => of({ backups: [], beganAt: 0, clockBackS: 0 }),
      'people.record': () =>
        of([{ id: 'a1', what: 'refused', name: 'Ilse L', by: '', address: '192.0.2.1', roles: [], at: 1_790_000_000 }]),
    };
  });
  const show = async (section: string, roles: Person['roles'] = ['admin']) => {
    TestBed.configureTestingModule({
      imports: [SettingsPage],
      providers: [
        provideRouter([]),
        provideStore({ [sessionFeature.name]: sessionFeature.reducer }),
        provideState(settingsFeature),
        provideEffects(effects),
        { provide: Changes, useValue: { changes$: new Subject() } },
        {
          provide: ApiCaller,
          useValue: {
            call: (name: string, asked: Record<string, unknown>) => {
              calls.push({ name, asked });
              return answers[name]?.(asked as never) ?? throwError(() => ({ status: 500, title: name }));
            },
          },
        },
      ],
    });
    const store = TestBed.inject(Store);
    store.dispatch(
      SessionActions.signedIn({
        me: { name: 'runa', fullName: 'Runa', initials: 'R', roles, units: 'metric', mustChange: false, timeZone: 'Europe/Berlin' },
      }),
    );
    const f = TestBed.createComponent(SettingsPage);
    f.componentRef.setInput('section', section);
    await f.whenStable();
    const host = f.nativeElement as HTMLElement;
    const press = async (text: string | RegExp): Promise<void> => {
      const found = [...host.querySelectorAll('button')].find((b) =>
        typeof text === 'string' ? b.textContent.trim() === text : text.test(b.textContent),
      );
      if (!found)
        throw new Error(
          `no button ${String(text)} among ${[...host.querySelectorAll('button')].map((b) => b.textContent.trim()).join('|')}`,
        );
      found.click();
      await f.whenStable();
    };
    return {
      host,
      store,
      press,
      settle: () => f.whenStable(),
      go: async (s: string) => (f.componentRef.setInput('section', s), f.whenStable()),
    };
  };

  it('is closed to everybody else, who asks the server for nothing', async () => {
    const { host } = await show('machines', ['planner']);
    expect(host.textContent).toContain('Settings are for the people who keep them');
    expect(calls).toEqual([]);
  });
  it('lists machines in the order of the work, and shows the chosen one on its drawing', async () => {
    const { host, press } = await show('machines');
    const names = [...host.querySelectorAll('.item b')].map((b) => b.textContent);
    expect(names.indexOf('Paper store')).toBeLessThan(names.indexOf('Press 3'));
    expect(names.indexOf('Press 3')).toBeLessThan(names.indexOf('Guillotine 1'));
    await press(/Press 3/);
    expect(host.querySelector('dk-picture-fields')?.textContent).toContain('740 mm');
    expect(host.querySelector('dk-card-fields')?.textContent).toContain('Net speed over a shift');
  });
  it('plans the open jobs in pieces, shows what moves, and puts in force only with a reason', async () => {
    const { host, store, press, settle } = await show('machines');
    store.dispatch(crew(7));
    await settle();
    expect(host.textContent).toContain('One change, not in force');
    answers['plants.try'] = ({ body }: { body: { after: number } }) =>
      of(body.after === 0 ? { jobs: [moved(1)], planned: 20, of: 21, next: 20 } : { jobs: [moved(2)], planned: 1, of: 21, next: null });
    await press('See what it moves');
    expect(host.textContent).toContain('2 of 21 open jobs move.');
    expect(host.textContent).toContain('100.00 EUR → 120.50 EUR');
    expect(host.textContent).toContain('new finding: Bleed 2 mm');
    const force = [...host.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Put in force');
    expect(force?.disabled).toBe(true);
    const why = host.querySelector<HTMLInputElement>('form.accept input');
    why!.value = 'one more at the bench';
    why!.dispatchEvent(new Event('input'));
    await settle();
    answers['plants.accept'] = () => of({ hash: 'b'.repeat(64) });
    answers['jobs.replant'] = ({ params }: { params: { id: string } }) =>
      params.id === 'j1' ? of({ version: 4 }) : throwError(() => ({ status: 409 }));
    await press('Put in force');
    expect(calls.find((c) => c.name === 'plants.accept')?.asked['body']).toMatchObject({ before: HASH, reason: 'one more at the bench' });
    expect(host.textContent).toContain('2 open jobs stand on the settings before');
    await press(/Plan them for the new ones/);
    expect(host.textContent).toContain('1 changed meanwhile and stayed');
  });
  it('can be stopped while it plans, and a change of the settings stops it too', async () => {
    const { host, store, press, settle } = await show('machines');
    store.dispatch(crew(7));
    const later = new Subject<unknown>();
    answers['plants.try'] = () => later;
    await settle();
    await press('See what it moves');
    expect(host.querySelector('mat-progress-bar')).not.toBeNull();
    await press('Stop');
    expect(later.observed).toBe(false);
    await press('See what it moves');
    store.dispatch(crew(8));
    await settle();
    expect(later.observed).toBe(false);
    expect(host.querySelector('mat-progress-bar')).toBeNull();
  });
  it('says that somebody else changed the settings meanwhile, and keeps what was typed', async () => {
    const { host, store, settle } = await show('machines');
    store.dispatch(crew(7));
    store.dispatch(
      SettingsApiActions.acceptFailed({
        failure: { status: 409, title: 'Changed meanwhile', detail: 'Somebody changed the settings meanwhile.' },
      }),
    );
    await settle();
    expect(host.textContent).toContain('Somebody changed the settings meanwhile.');
    expect(host.textContent).toContain('One change, not in force');
  });
  it('begins a table of losses with what setup and running loss say', async () => {
    const { host, store, press, settle } = await show('losses');
    await press(/^Offset/);
    const school = host.querySelector<HTMLSelectElement>('select[aria-label="School in force"]');
    school!.value = 'table';
    school!.dispatchEvent(new Event('change'));
    await settle();
    const spoilage = store.selectSignal(settingsFeature.selectPlant)()?.spoilage?.['offset'];
    expect(spoilage?.school).toBe('table');
    expect(spoilage?.tables[0]?.lines.length).toBeGreaterThan(4);
    expect(host.textContent).toContain('Lost for 500 good');
    await press('Keep no table');
    expect(store.selectSignal(settingsFeature.selectEdits)()).toEqual([]);
  });
  it('makes a changed practice value the works’ own, and leads it back', async () => {
    const { host, store, press, settle } = await show('practice');
    const find = host.querySelector<HTMLInputElement>('input[type=search]');
    find!.value = 'gripper';
    find!.dispatchEvent(new Event('input'));
    await settle();
    expect(host.querySelectorAll('tbody tr')).toHaveLength(1);
    await press('11');
    const field = host.querySelector<HTMLInputElement>('td input.mat-mdc-input-element');
    field!.value = '13';
    field!.dispatchEvent(new Event('input'));
    await settle();
    expect(store.selectSignal(settingsFeature.selectPlant)()?.practice['layout.gripperMm']).toMatchObject({ value: 13, pm: 1, tag: 'own' });
    await press(/^\s*back to 11 mm/);
    expect(store.selectSignal(settingsFeature.selectEdits)()).toEqual([]);
  });
  it('copies a stock, adds a price break, and takes a stock away', async () => {
    const { store, press } = await show('stocks');
    const count = Object.keys(plant.stocks).length;
    await press('Another like this');
    const made = store.selectSignal(settingsFeature.selectPlant);
    expect(Object.keys(made()?.stocks ?? {})).toHaveLength(count + 1);
    await press('Add a price break');
    await press('Take it away');
    expect(Object.keys(made()?.stocks ?? {})).toHaveLength(count);
  });
  it('enters a machine from its kinds of work, another like it, and retires one and takes it back', async () => {
    const { store, press, host, settle } = await show('machines');
    const made = store.selectSignal(settingsFeature.selectPlant);
    await press('New machine');
    const form = host.querySelector('dk-new-machine')!;
    const name = form.querySelector<HTMLInputElement>('input:not([type])')!;
    name.value = 'Press 99';
    name.dispatchEvent(new Event('input'));
    [...form.querySelectorAll('mat-checkbox')]
      .find((l) => l.textContent.trim() === 'Offset')!
      .querySelector('input')!
      .click();
    await settle();
    await press('Enter its card');
    const id = Object.keys(made()?.machines ?? {}).find((m) => made()?.machines[m]?.name === 'Press 99')!;
    expect(made()?.machines[id]).toMatchObject({ processes: ['offset'], limits: { units: 4 } });
    await press('Another like this');
    expect(Object.values(made()?.machines ?? {}).map((m) => m.name)).toContain('Press 99, copy');
    await press('Retire it');
    expect(Object.values(made()?.machines ?? {}).filter((m) => m.retired)).toHaveLength(1);
    expect(host.querySelector('.item.here')?.textContent).toContain('retired');
    await press('Back into work');
    expect(Object.values(made()?.machines ?? {}).filter((m) => m.retired)).toHaveLength(0);
  });
  it('keeps carton styles of the house: a new one, its flaps, what it is built on, and away again', async () => {
    const { store, press, host, settle } = await show('styles');
    const made = store.selectSignal(settingsFeature.selectPlant);
    const before = Object.keys(plant.cartonStyles ?? {}).length;
    await press('New style');
    expect(Object.keys(made()?.cartonStyles ?? {})).toHaveLength(before + 1);
    const [id] = Object.entries(made()?.cartonStyles ?? {}).find(([, s]) => s.name === 'New style')!;
    const base = host.querySelector<HTMLSelectElement>('select[aria-label="Built on"]')!;
    base.value = 'snapLock';
    base.dispatchEvent(new Event('change'));
    await settle();
    expect(made()?.cartonStyles?.[id]).toEqual({ name: 'New style', base: 'snapLock' });
    await press('Take it away');
    expect(Object.keys(made()?.cartonStyles ?? {})).toHaveLength(before);
  });
  it('copies and changes cartons, pallets and ink series', async () => {
    const { store, press, host, settle } = await show('packs');
    const made = store.selectSignal(settingsFeature.selectPlant);
    const cartons = Object.keys(plant.cartons ?? {}).length;
    await press('Another like this');
    expect(Object.keys(made()?.cartons ?? {})).toHaveLength(cartons + 1);
    expect(host.querySelector('dk-pack-card svg')).not.toBeNull();
    await press('Take it away');
    expect(Object.keys(made()?.cartons ?? {})).toHaveLength(cartons);
    TestBed.resetTestingModule();
    const inks = await show('inks');
    const now = inks.store.selectSignal(settingsFeature.selectPlant);
    await inks.press('Another like this');
    expect(Object.keys(now()?.inks ?? {}).length + Object.keys(now()?.coats ?? {}).length).toBe(
      Object.keys(plant.inks).length + Object.keys(plant.coats ?? {}).length + 1,
    );
    await settle();
  });
  it('enters and changes people, and shows why one was refused', async () => {
    const { host, store, settle } = await show('people');
    answers['people.change'] = () =>
      throwError(() => ({ status: 422, title: 'No', detail: 'Somebody must be able to change the settings.' }));
    const box = host.querySelector<HTMLInputElement>('input[aria-label="ilse, admin"]');
    box!.click();
    await settle();
    expect(calls.at(-1)).toMatchObject({ name: 'people.change', asked: { params: { id: 'p1' }, body: { roles: ['store', 'admin'] } } });
    expect(host.textContent).toContain('Somebody must be able to change the settings.');
    expect(box!.checked).toBe(false);
    answers['people.create'] = () => of(person);
    store.dispatch(
      SettingsActions.personEntered({ person: { name: 'x', fullName: 'X', initials: 'X', roles: ['ink'], password: 'long-enough-1' } }),
    );
    await settle();
    expect(calls.map((c) => c.name).slice(-4)).toEqual(['people.create', 'people.list', 'people.record', 'keeping.read']);
  });
  it('shows what happened to accounts', async () => {
    const { host } = await show('people');
    expect(host.querySelector('dk-account-record')?.textContent).toMatch(/Ilse L\s*wrong name or password\s*192\.0\.2\.1/);
  });
  it('tells who changed what when, and why', async () => {
    const { host } = await show('history');
    expect(host.textContent).toContain('rates of the year');
    expect(host.textContent).toContain('Runa T');
  });
});

describe('settings put in force', () => {
  it('keep what was changed while they were on their way', () => {
    const { reducer } = settingsFeature;
    const first = reducer(undefined, SettingsApiActions.loaded({ hash: 'a', plant, history: [], kept: [] }));
    const crew = [editAt(plant, ['machines', 'press3', 'crew'], 3)];
    const accepted = reducer(reducer(first, SettingsActions.edited({ edits: crew })), SettingsApiActions.accepted({ hash: 'b' }));
    expect(accepted.edits).toEqual([]);
    const now = accepted.plant!;
    const retired = reducer(accepted, SettingsActions.edited({ edits: [editAt(now, ['machines', 'platen1', 'retired'], true)] }));
    // A trial that somebody asked for meanwhile goes on.
    const trying = reducer(retired, SettingsActions.tryAsked());
    expect(reducer(trying, SettingsApiActions.loaded({ hash: 'b', plant: now, history: [], kept: [] })).trial?.running).toBe(true);
    expect(retired.hash).toBe('b');
    const loaded = reducer(retired, SettingsApiActions.loaded({ hash: 'b', plant: now, history: [], kept: [] }));
    expect(loaded.edits.map((e) => e.at)).toEqual([['machines', 'platen1', 'retired']]);
    expect(loaded.plant?.machines['platen1']?.retired).toBe(true);
    expect(loaded.inForce?.machines['press3']?.crew).toBe(3);
  });
});
