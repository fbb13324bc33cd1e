import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import type { Job } from '@druckerei/contract';
import {
  applyEdits,
  canonicalJson,
  type Edit,
  editAt,
  editsBetween,
  inverse,
  type JobSpec,
  mergeEdits,
  type Plant,
  type Shelf,
} from '@druckerei/core';
import type { Failure } from '../shared/api';

/** Released and delivered jobs change only by a revision. */
export const isLocked = (state: Job['state']): boolean => state === 'released' || state === 'delivered';

/** What a person says with a release: reasons for what is undecided, which things alone, why again. */
export interface ReleaseAsk {
  decisions: Record<string, string>;
  scope?: string[];
  reason?: string;
}

export const JobActions = createActionGroup({
  source: 'Job Page',
  events: {
    Opened: props<{ id: string }>(),
    Closed: emptyProps(),
    /** `field`: the field that is being typed into, if one is. */
    Edited: props<{ edits: Edit[]; at: number; field?: number | null }>(),
    'Undo asked': emptyProps(),
    'Redo asked': emptyProps(),
    'Stone chosen': props<{ stone: string }>(),
    'Figure asked': props<{ figure: string | null }>(),
    'Release asked': props<{ ask: ReleaseAsk }>(),
    'Mine kept': emptyProps(),
    'Theirs taken': emptyProps(),
    'Save tried again': emptyProps(),
    'New settings taken': emptyProps(),
    /** Something was done to the job beside its specification: an answer, a release, a choice. */
    'Read again asked': emptyProps(),
    'News read': emptyProps(),
  },
});
export const JobApiActions = createActionGroup({
  source: 'Jobs API',
  events: {
    'Job loaded': props<{ job: Job; plant: Plant; kept: Kept }>(),
    'Job read again': props<{ job: Job; plant: Plant }>(),
    'Load failed': props<{ failure: Failure }>(),
    'Save begun': props<{ count: number }>(),
    Saved: props<{ version: number; count: number; shelf: Shelf; others: News[] }>(),
    'Save failed': props<{ failure: Failure }>(),
    'Save stale': props<{ failure: Failure }>(),
    'Others changed': props<{ version: number; spec: JobSpec; shelf: Shelf; state: Job['state']; by: string }>(),
    Released: emptyProps(),
    'Release failed': props<{ failure: Failure }>(),
    /** The settings in force, where the job is planned for others. */
    'Newer settings found': props<{ newer: Plant | null }>(),
    'Settings failed': props<{ failure: Failure }>(),
  },
});

/** An undo step: what was done together, and when and in which field, so that letters of one word are one step. */
export interface Done {
  edits: Edit[];
  at: number;
  field?: number | null;
}
/** What is kept in this browser of a job: what is not saved yet, and the way back. */
export interface Kept {
  pending: Edit[];
  undo: Done[];
  redo: Done[];
}
/** What somebody else changed meanwhile, taken in by itself. */
export interface News {
  by: string;
  edits: Edit[];
}
const TOGETHER_MS = 1_200;

export interface JobState {
  job: Omit<Job, 'spec'> | null;
  spec: JobSpec | null;
  plant: Plant | null;
  call: 'idle' | 'loading' | { failure: Failure };
  /** Edits the server has not acknowledged, in order. */
  pending: Edit[];
  saving: number;
  save: 'saved' | 'saving' | 'kept' | { failure: Failure };
  stale: Failure | null;
  undo: Done[];
  redo: Done[];
  /** What core refused of the last edit, by path; the text stays in its field, the last good plan stays greyed. */
  refused: Record<string, string>;
  stone: string;
  figure: string | null;
  release: 'idle' | 'loading' | { failure: Failure };
  /** Settings in force that are newer than those the job is planned for. */
  newer: Plant | null;
  taking: boolean;
  /** What others changed since it was opened. */
  news: News[];
}
const initial: JobState = {
  job: null,
  spec: null,
  plant: null,
  call: 'loading',
  pending: [],
  saving: 0,
  save: 'saved',
  stale: null,
  undo: [],
  redo: [],
  refused: {},
  stone: 'product',
  figure: null,
  release: 'idle',
  newer: null,
  taking: false,
  news: [],
};

const refusals = (issues: { path: string; says: string }[]): Record<string, string> =>
  Object.fromEntries(issues.map((i) => [i.path, i.says]));

/** Applies edits to the draft, or keeps the draft and says why not. */
function edited(s: JobState, edits: Edit[]): JobState | null {
  const applied = s.spec ? applyEdits(s.spec, edits) : null;
  if (!applied || !s.spec) return null;
  if (!applied.ok) return { ...s, refused: refusals(applied.issues) };
  return { ...s, spec: applied.made, refused: {}, pending: [...s.pending, ...edits], save: s.save === 'saving' ? 'saving' : 'kept' };
}
/** Whether a step can be gone back (or forth): its places stand as it left them. */
const stands = (spec: JobSpec | null, edits: readonly Edit[]): boolean =>
  spec !== null && edits.every((e) => canonicalJson(editAt(spec, e.at, null).was ?? null) === canonicalJson(e.now ?? null));
/** Steps that lead through the specification as it is, the last first; those before one that no longer fits are lost with it. */
function leading(spec: JobSpec, steps: readonly Done[], turn: (e: Edit) => Edit): Done[] {
  const good: Done[] = [];
  let at = spec;
  for (const step of [...steps].reverse()) {
    const back = [...step.edits].reverse().map(turn);
    if (!stands(at, back.map(inverse))) break;
    const applied = applyEdits(at, back);
    if (!applied.ok) break;
    at = applied.made;
    good.unshift(step);
  }
  return good;
}
/** A released job has no way back: its next change is a revision. */
const unlessReleased = (s: JobState): JobState => (s.job && isLocked(s.job.state) ? { ...s, undo: [], redo: [] } : s);
/** Steps that others' changes do not touch. */
const untouched = (steps: Done[], by: readonly Edit[]): Done[] =>
  steps.filter((step) => mergeEdits(step.edits, by).merged.length === step.edits.length);
const samePlaces = (a: Edit[], b: Edit[]): boolean => a.length === b.length && a.every((e, i) => e.at.join('.') === b[i]?.at.join('.'));

/** An edit that begins where another began. */
const from = ({ was: _, ...e }: Edit, earlier: Edit | undefined): Edit => ({
  ...e,
  ...(earlier?.was !== undefined && { was: earlier.was }),
});
/** Typed and taken back is no change. */
const changesSomething = (e: Edit): boolean => canonicalJson(e.was ?? null) !== canonicalJson(e.now ?? null);
/** What is not saved with further typing in the same places made one edit with what was typed before; null where that is on its way already. */
function oneOf({ pending, saving }: JobState, edits: Edit[]): Edit[] | null {
  const before = pending.slice(saving).slice(-edits.length);
  return samePlaces(before, edits)
    ? [...pending.slice(0, pending.length - edits.length), ...edits.map((e, i) => from(e, before[i])).filter(changesSomething)]
    : null;
}

export const jobFeature = createFeature({
  name: 'job',
  reducer: createReducer(
    initial,
    on(JobActions.opened, (): JobState => initial),
    on(JobActions.closed, (): JobState => initial),
    on(JobApiActions.jobLoaded, (s, { job: { spec, ...job }, plant, kept }): JobState => {
      const fresh: JobState = { ...initial, job, spec, plant, call: 'idle', stone: s.stone };
      const open = kept.pending.length > 0 ? (edited(fresh, kept.pending) ?? fresh) : fresh;
      const now = open.spec ?? spec;
      // Nothing leads back over a release: what was released is what the shop has in hand.
      const since = (steps: Done[]): Done[] => steps.filter((step) => step.at > (job.releases.at(-1)?.at ?? -Infinity) * 1000);
      return unlessReleased({ ...open, undo: leading(now, since(kept.undo), inverse), redo: leading(now, since(kept.redo), (e) => e) });
    }),
    on(JobApiActions.jobReadAgain, (s, { job: { spec, ...job }, plant }): JobState => {
      const held = s.job?.version ?? 0;
      // Asked before a save and answered after it: that is the job of before, and must not become the job of now.
      if (job.version < held) return s;
      // What is not saved yet was made on the version held; said to the server, it merges with what others did since.
      return s.pending.length > 0
        ? { ...s, job: { ...job, version: held }, plant }
        : unlessReleased({ ...s, job, plant, spec, newer: null, taking: false });
    }),
    on(JobApiActions.loadFailed, (s, { failure }): JobState => ({ ...s, call: { failure } })),
    on(JobActions.edited, (s, { edits, at, field = null }): JobState => {
      const next = edited(s, edits);
      if (!next || next.spec === s.spec) return next ?? s;
      const last = s.undo.at(-1);
      const sameTyping = field === null ? at - (last?.at ?? 0) < TOGETHER_MS : last?.field === field;
      if (!last || !sameTyping || !samePlaces(last.edits, edits)) {
        return { ...next, undo: [...s.undo, { at, edits, field }].slice(-200), redo: [] };
      }
      const step: Done = { at, edits: edits.map((e, i) => from(e, last.edits[i])).filter(changesSomething), field };
      const pending = oneOf(s, edits) ?? next.pending;
      return {
        ...next,
        pending,
        save: pending.length === 0 && s.saving === 0 ? 'saved' : next.save,
        undo: [...s.undo.slice(0, -1), ...(step.edits.length > 0 ? [step] : [])],
        redo: [],
      };
    }),
    on(JobActions.undoAsked, (s): JobState => {
      const last = s.undo.at(-1);
      const next = last && edited(s, [...last.edits].reverse().map(inverse));
      return next ? { ...next, undo: s.undo.slice(0, -1), redo: [...s.redo, last] } : s;
    }),
    on(JobActions.redoAsked, (s): JobState => {
      const last = s.redo.at(-1);
      const next = last && edited(s, last.edits);
      return next ? { ...next, redo: s.redo.slice(0, -1), undo: [...s.undo, last] } : s;
    }),
    on(JobActions.stoneChosen, (s, { stone }): JobState => ({ ...s, stone, figure: null })),
    on(JobActions.figureAsked, (s, { figure }): JobState => ({ ...s, figure })),
    on(JobApiActions.saveBegun, (s, { count }): JobState => ({ ...s, saving: count, save: 'saving' })),
    on(JobApiActions.saved, (s, { version, count, shelf, others }): JobState => {
      const pending = s.pending.slice(count);
      return {
        ...s,
        job: s.job && { ...s.job, version, shelf },
        news: [...s.news, ...others],
        pending,
        saving: 0,
        stale: null,
        save: pending.length > 0 ? 'kept' : 'saved',
      };
    }),
    on(JobApiActions.saveFailed, (s, { failure }): JobState => ({ ...s, saving: 0, save: { failure } })),
    on(JobApiActions.saveStale, (s, { failure }): JobState => ({ ...s, saving: 0, save: 'kept', stale: failure })),
    // Both sides are shown; whichever is taken, the other stays in the job's history.
    on(JobActions.mineKept, (s): JobState => ({
      ...s,
      stale: null,
      job: s.job && { ...s.job, version: s.stale?.stale?.version ?? s.job.version },
    })),
    on(JobActions.theirsTaken, (s): JobState => ({ ...s, stale: null, pending: [], save: 'saved' })),
    on(JobApiActions.othersChanged, (s, { version, spec, shelf, state, by }): JobState => {
      const edits = s.spec ? editsBetween(s.spec, spec) : [];
      return unlessReleased({
        ...s,
        spec,
        job: s.job && { ...s.job, version, shelf, state },
        undo: untouched(s.undo, edits),
        redo: untouched(s.redo, edits),
        news: by !== '' && edits.length > 0 ? [...s.news, { by, edits }] : s.news,
      });
    }),
    on(JobActions.newsRead, (s): JobState => ({ ...s, news: [] })),
    on(JobActions.releaseAsked, (s): JobState => ({ ...s, release: 'loading' })),
    on(JobApiActions.released, (s): JobState => ({ ...s, release: 'idle' })),
    on(JobApiActions.newerSettingsFound, (s, { newer }): JobState => ({ ...s, newer })),
    on(JobActions.newSettingsTaken, (s): JobState => ({ ...s, taking: true })),
    on(JobApiActions.settingsFailed, (s, { failure }): JobState => ({ ...s, taking: false, save: { failure } })),
    on(JobApiActions.releaseFailed, (s, { failure }): JobState => ({ ...s, release: { failure } })),
  ),
});
