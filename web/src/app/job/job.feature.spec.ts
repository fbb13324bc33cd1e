import type { Job } from '@druckerei/contract';
import { applyEdits, EMPTY_SHELF, editAt, type JobSpec, type Plant } from '@druckerei/core';
import { JobActions, JobApiActions, jobFeature, type JobState } from './job.feature';
import { cardSpec } from './card-spec.fixture';

const spec = cardSpec();
const job = { id: 'j', number: 1, customer: 'c', state: 'draft', version: 3, plant: 'p', shelf: {}, releases: [] } as unknown as Job;
const loaded = jobFeature.reducer(
  undefined,
  JobApiActions.jobLoaded({ job: { ...job, spec }, plant: {} as Plant, kept: { pending: [], undo: [], redo: [] } }),
);
const QUANTITY = ['items', 'i1', 'versions', 'only', 'quantity'];
const quantity = (s: JobState): number | undefined => s.spec?.items['i1']?.versions['only']?.quantity;
const typed = (s: JobState, now: unknown, at = 0): JobState =>
  jobFeature.reducer(s, JobActions.edited({ edits: [editAt(s.spec as JobSpec, QUANTITY, now)], at }));

describe('a job’s draft', () => {
  it('takes an edit at once and waits to save it', () => {
    const s = typed(loaded, 700);
    expect(quantity(s)).toBe(700);
    expect(s.pending).toHaveLength(1);
    expect(s.save).toBe('kept');
  });
  it('keeps the last good draft when core refuses an edit, and says why by path', () => {
    const s = typed(loaded, 0);
    expect(quantity(s)).toBe(5000);
    expect(s.refused[QUANTITY.join('.')]).toBe('must be at least 1');
    expect(s.pending).toHaveLength(0);
    expect(typed(s, 9).refused).toEqual({});
  });
  it('undoes letters typed together as one step, and pauses as steps of their own', () => {
    const s = typed(typed(typed(loaded, 1, 0), 12, 400), 123, 5000);
    expect(s.undo).toHaveLength(2);
    const once = jobFeature.reducer(s, JobActions.undoAsked());
    expect(quantity(once)).toBe(12);
    const twice = jobFeature.reducer(once, JobActions.undoAsked());
    expect(quantity(twice)).toBe(5000);
    expect(quantity(jobFeature.reducer(jobFeature.reducer(twice, JobActions.redoAsked()), JobActions.redoAsked()))).toBe(123);
  });
  it('does nothing when there is nothing to undo or redo', () => {
    expect(jobFeature.reducer(loaded, JobActions.undoAsked())).toBe(loaded);
    expect(jobFeature.reducer(loaded, JobActions.redoAsked())).toBe(loaded);
  });
  it('keeps what was typed while a save was under way', () => {
    const first = jobFeature.reducer(typed(loaded, 1), JobApiActions.saveBegun({ count: 1 }));
    const second = jobFeature.reducer(typed(first, 2, 9999), JobApiActions.saved({ version: 4, count: 1, shelf: EMPTY_SHELF, others: [] }));
    expect(second.pending.map((e) => e.now)).toEqual([2]);
    expect(second.job?.version).toBe(4);
    expect(second.save).toBe('kept');
  });
  it('keeps everything when a save fails', () => {
    const s = jobFeature.reducer(typed(loaded, 1), JobApiActions.saveFailed({ failure: { status: 0, title: 'No answer' } }));
    expect(s.pending).toHaveLength(1);
    expect(quantity(s)).toBe(1);
  });
  it('shows both sides when stale: mine goes on from their version, theirs drops mine', () => {
    const stale = jobFeature.reducer(
      typed(loaded, 1),
      JobApiActions.saveStale({ failure: { status: 409, title: 'Changed', stale: { version: 7, by: 'Runa', edits: [] } } }),
    );
    expect(jobFeature.reducer(stale, JobActions.mineKept()).job?.version).toBe(7);
    expect(jobFeature.reducer(stale, JobActions.theirsTaken()).pending).toEqual([]);
  });
  it('applies edits kept from before a crash when it is loaded', () => {
    const s = jobFeature.reducer(
      undefined,
      JobApiActions.jobLoaded({
        job: { ...job, spec },
        plant: {} as Plant,
        kept: { pending: [{ at: QUANTITY, now: 42 }], undo: [], redo: [] },
      }),
    );
    expect(quantity(s)).toBe(42);
    expect(s.pending).toHaveLength(1);
  });

  const changed = (s: JobState, at: string[], now: unknown, version = 4): JobState => {
    const theirs = applyEdits(s.spec as JobSpec, [{ at, now }]);
    if (!theirs.ok) throw new Error('refused');
    return jobFeature.reducer(
      s,
      JobApiActions.othersChanged({ version, spec: theirs.made, shelf: EMPTY_SHELF, state: 'draft', by: 'runa' }),
    );
  };
  it('tells what others changed, and keeps the way back where they touched nothing of it', () => {
    const mine = typed(loaded, 700);
    const s = changed(mine, ['name'], 'Theirs');
    expect(s.news).toMatchObject([{ by: 'runa', edits: [{ at: ['name'], now: 'Theirs' }] }]);
    expect(s.undo).toHaveLength(1);
    expect(quantity(jobFeature.reducer(s, JobActions.undoAsked()))).toBe(5000);
    expect(jobFeature.reducer(s, JobActions.newsRead()).news).toEqual([]);
  });
  const inField = (s: JobState, now: unknown, at: number, field: number | null): JobState =>
    jobFeature.reducer(s, JobActions.edited({ edits: [editAt(s.spec as JobSpec, QUANTITY, now)], at, field }));
  it('holds one change for each value somebody gives, however slowly it is typed', () => {
    const first = inField(inField(inField(loaded, 1, 0, 1), 12, 4_000, 1), 123, 9_000, 1);
    expect(first.pending).toEqual([{ at: QUANTITY, was: 5_000, now: 123 }]);
    expect(first.undo).toHaveLength(1);
    // The next field is another change, however soon it comes.
    const next = inField(first, 7, 9_100, 2);
    expect(next.pending).toHaveLength(2);
    expect(next.undo.map((d) => d.edits[0]?.was)).toEqual([5_000, 123]);
  });
  it('leaves what is on its way to the server as it was sent', () => {
    const sent = jobFeature.reducer(inField(loaded, 1, 0, 1), JobApiActions.saveBegun({ count: 1 }));
    expect(inField(sent, 12, 100, 1).pending).toEqual([
      { at: QUANTITY, was: 5_000, now: 1 },
      { at: QUANTITY, was: 1, now: 12 },
    ]);
  });
  it('forgets what was typed and taken back', () => {
    const s = inField(inField(loaded, 1, 0, 1), 5_000, 300, 1);
    expect(s).toMatchObject({ pending: [], undo: [], save: 'saved' });
  });
  it('has no way back over a release, here or after a reload in the revision', () => {
    const released = JobApiActions.jobReadAgain({ job: { ...job, state: 'released', version: 9, spec }, plant: {} as Plant });
    const saved = jobFeature.reducer(typed(loaded, 700), JobApiActions.saved({ version: 4, count: 1, shelf: EMPTY_SHELF, others: [] }));
    expect(saved.undo).toHaveLength(1);
    expect(jobFeature.reducer(saved, released).undo).toEqual([]);
    const before = typed(typed(loaded, 700, 1_000), 800, 9_000);
    const again = jobFeature.reducer(
      undefined,
      JobApiActions.jobLoaded({
        job: { ...job, state: 'revising', releases: [{ nr: 1, at: 5, by: 'odo', scope: null, reason: '' }], spec: before.spec as JobSpec },
        plant: {} as Plant,
        kept: { pending: [], undo: before.undo, redo: [] },
      }),
    );
    expect(again.undo.map((step) => step.edits[0]?.was)).toEqual([700]);
  });
  it('gives up going back over what somebody else changed since', () => {
    expect(changed(typed(loaded, 700), QUANTITY, 900).undo).toEqual([]);
  });
  it('takes the shelf that came with a save, and the news', () => {
    const shelf = { ...EMPTY_SHELF, asOf: 9 };
    const others = [{ by: 'Runa', edits: [{ at: ['name'], now: 'x' }] }];
    const s = jobFeature.reducer(typed(loaded, 1), JobApiActions.saved({ version: 4, count: 1, shelf, others }));
    expect(s.job?.shelf).toEqual(shelf);
    expect(s.news).toEqual(others);
  });
  it('goes back after a reload as before it, as far as the steps still fit', () => {
    const before = typed(typed(loaded, 700, 0), 800, 9_000);
    const at800 = { job: { ...job, spec: before.spec as JobSpec }, plant: {} as Plant };
    const kept = { pending: [], undo: before.undo, redo: before.redo };
    const s = jobFeature.reducer(undefined, JobApiActions.jobLoaded({ ...at800, kept }));
    expect(s.undo).toHaveLength(2);
    const once = jobFeature.reducer(s, JobActions.undoAsked());
    expect(quantity(once)).toBe(700);
    expect(quantity(jobFeature.reducer(once, JobActions.undoAsked()))).toBe(5000);
    // Somebody changed the place while the page was away: nothing leads back over it.
    const other = jobFeature.reducer(undefined, JobApiActions.jobLoaded({ job: { ...job, spec: cardSpec() }, plant: {} as Plant, kept }));
    expect(other.undo).toEqual([]);
  });
  it('reads the job again without losing what is not saved', () => {
    const again = JobApiActions.jobReadAgain({ job: { ...job, version: 9, spec }, plant: {} as Plant });
    expect(quantity(jobFeature.reducer(typed(loaded, 700), again))).toBe(700);
    expect(jobFeature.reducer(loaded, again).job?.version).toBe(9);
  });
  it('says to the server on which version the unsaved was made, whatever was read meanwhile', () => {
    const again = JobApiActions.jobReadAgain({ job: { ...job, state: 'released', version: 9, spec }, plant: {} as Plant });
    const s = jobFeature.reducer(typed(loaded, 700), again);
    expect(s.job).toMatchObject({ state: 'released', version: 3 });
  });
  it('drops a reading that was asked before a save and answered after it, and keeps the way back', () => {
    const late = JobApiActions.jobReadAgain({ job: { ...job, version: 3, spec }, plant: {} as Plant });
    const after = jobFeature.reducer(typed(loaded, 700), JobApiActions.saved({ version: 4, count: 1, shelf: EMPTY_SHELF, others: [] }));
    const s = jobFeature.reducer(after, late);
    expect(s.job?.version).toBe(4);
    expect(quantity(jobFeature.reducer(s, JobActions.undoAsked()))).toBe(5000);
    expect(quantity(s)).toBe(700);
  });
});
