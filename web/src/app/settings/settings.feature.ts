import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import type { MovedJob, AccountEvent, Keeping, Person, PlantChange } from '@druckerei/contract';
import { canonicalJson, applyPlantEdits, editAt, type Edit, type Plant } from '@druckerei/core';
import type { Failure } from '../shared/api';

export const SettingsActions = createActionGroup({
  source: 'Settings Page',
  events: {
    Opened: emptyProps(),
    Edited: props<{ edits: Edit[] }>(),
    'Undo asked': emptyProps(),
    'All taken back': emptyProps(),
    'Try asked': emptyProps(),
    'Try stopped': emptyProps(),
    'Accept asked': props<{ reason: string }>(),
    'Move asked': emptyProps(),
    'Person entered': props<{ person: { name: string; fullName: string; initials: string; roles: Person['roles']; password: string } }>(),
    'Person changed': props<{ id: string; change: Pick<Person, 'fullName' | 'initials' | 'roles' | 'active'> & { password?: string } }>(),
  },
});
export const SettingsApiActions = createActionGroup({
  source: 'Settings API',
  events: {
    Loaded: props<{ hash: string; plant: Plant; history: PlantChange[]; kept: Edit[] }>(),
    'People loaded': props<{ people: Person[] }>(),
    'Record loaded': props<{ record: AccountEvent[]; keeping: Keeping }>(),
    Failed: props<{ failure: Failure }>(),
    Tried: props<{ jobs: MovedJob[]; planned: number; of: number; done: boolean }>(),
    Accepted: props<{ hash: string }>(),
    'Accept failed': props<{ failure: Failure }>(),
    Moved: props<{ job: string; went: boolean }>(),
    'Person refused': props<{ failure: Failure }>(),
  },
});

/** What the settings tried would move: the open jobs planned so far, and those that differ. */
export interface Trial {
  jobs: MovedJob[];
  planned: number;
  of: number;
  running: boolean;
}
export interface SettingsState {
  call: 'loading' | 'idle' | { failure: Failure };
  /** The plant in force, by its name, and as it would be with the edits. */
  hash: string;
  inForce: Plant | null;
  plant: Plant | null;
  edits: Edit[];
  refused: Record<string, string>;
  trial: Trial | null;
  accept: 'idle' | 'loading' | { failure: Failure };
  /** Drafts that the newest settings move and that still stand on the ones before. */
  toMove: MovedJob[];
  moving: boolean;
  left: number;
  history: PlantChange[];
  people: Person[];
  /** What happened to accounts. */
  record: AccountEvent[];
  /** Null until it is read. */
  keeping: Keeping | null;
  personRefused: Failure | null;
}
const initial: SettingsState = {
  call: 'loading',
  hash: '',
  inForce: null,
  plant: null,
  edits: [],
  refused: {},
  trial: null,
  accept: 'idle',
  toMove: [],
  moving: false,
  left: 0,
  history: [],
  people: [],
  record: [],
  keeping: null,
  personRefused: null,
};

/** The edits on the plant in force, from the first on; what does not go through says why and stays out. A trial of other settings is void. */
function edited(s: SettingsState, edits: Edit[]): SettingsState {
  if (!s.inForce) return s;
  const applied = applyPlantEdits(s.inForce, edits);
  return applied.ok
    ? { ...s, plant: applied.made, edits, refused: {}, trial: null, accept: 'idle' }
    : { ...s, refused: Object.fromEntries(applied.issues.map((i) => [i.path, i.says])) };
}

const lies = (below: readonly string[], above: readonly string[]): boolean => above.every((key, i) => below[i] === key);

/** One edit a place, the last wins: it takes what was edited below it along, and one that leads back to what is in force is none. */
function together(inForce: Plant, before: readonly Edit[], more: readonly Edit[]): Edit[] {
  return more.reduce<Edit[]>(
    (list, { at, now }) => {
      const rest = list.filter((e) => !lies(e.at, at));
      const next = editAt(inForce, at, now);
      const within = rest.some((e) => lies(at, e.at));
      return !within && JSON.stringify(next.was) === JSON.stringify(next.now) ? rest : [...rest, next];
    },
    [...before],
  );
}

export const settingsFeature = createFeature({
  name: 'settings',
  reducer: createReducer(
    initial,
    on(SettingsActions.opened, (s): SettingsState => ({ ...s, call: s.plant ? s.call : 'loading' })),
    on(SettingsApiActions.loaded, (s, { hash, plant, history, kept }): SettingsState => {
      // What was put in force here comes back from the server: what was done since, a trial that runs too, goes on.
      if (s.inForce && s.edits.length > 0 && canonicalJson(s.inForce) === canonicalJson(plant))
        return { ...s, call: 'idle', hash, history };
      const fresh: SettingsState = {
        ...s,
        call: 'idle',
        hash,
        inForce: plant,
        plant,
        edits: [],
        refused: {},
        trial: null,
        accept: 'idle',
        history,
      };
      // What was changed while the new settings were on their way counts on top of them.
      const since = kept.length > 0 ? kept : s.edits;
      return since.length > 0 ? edited(fresh, since) : fresh;
    }),
    on(SettingsApiActions.failed, (s, { failure }): SettingsState => ({ ...s, call: { failure } })),
    on(SettingsActions.edited, (s, { edits }): SettingsState => (s.inForce ? edited(s, together(s.inForce, s.edits, edits)) : s)),
    on(SettingsActions.undoAsked, (s): SettingsState => edited(s, s.edits.slice(0, -1))),
    on(SettingsActions.allTakenBack, (s): SettingsState => edited(s, [])),
    on(SettingsActions.tryAsked, (s): SettingsState => ({ ...s, trial: { jobs: [], planned: 0, of: 0, running: true } })),
    on(SettingsActions.tryStopped, (s): SettingsState => ({ ...s, trial: null })),
    on(SettingsApiActions.tried, (s, { jobs, planned, of, done }): SettingsState =>
      s.trial ? { ...s, trial: { jobs: [...s.trial.jobs, ...jobs], planned: s.trial.planned + planned, of, running: !done } } : s,
    ),
    on(SettingsActions.acceptAsked, (s): SettingsState => ({ ...s, accept: 'loading' })),
    on(SettingsApiActions.accepted, (s, { hash }): SettingsState => ({
      ...s,
      hash,
      accept: 'idle',
      inForce: s.plant,
      edits: [],
      trial: null,
      toMove: s.trial?.jobs ?? [],
      left: 0,
    })),
    on(SettingsApiActions.acceptFailed, (s, { failure }): SettingsState => ({ ...s, accept: { failure } })),
    on(SettingsActions.moveAsked, (s): SettingsState => ({ ...s, moving: true })),
    on(SettingsApiActions.moved, (s, { job, went }): SettingsState => {
      const toMove = s.toMove.filter((m) => m.job !== job);
      return { ...s, toMove, moving: toMove.length > 0, left: s.left + (went ? 0 : 1) };
    }),
    on(SettingsApiActions.recordLoaded, (s, { record, keeping }): SettingsState => ({ ...s, record, keeping })),
    on(SettingsApiActions.peopleLoaded, (s, { people }): SettingsState => ({ ...s, people, personRefused: null })),
    on(SettingsApiActions.personRefused, (s, { failure }): SettingsState => ({ ...s, personRefused: failure })),
  ),
});
