import {
  type BeforeRun,
  type CountSum,
  entrySums,
  type EntryKind,
  type FloorEntry,
  FloorEntrySchema,
  holdsRun,
  pileCode,
} from '@druckerei/core';
import { type Ctx, signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { many, maybeOne } from '../db/rows';
import { together } from '../db/together';
import { notifyChanged } from '../events/event-hub';
import { findJob, planOf } from '../jobs/find-job';
import { SET_SUMMARY } from '../jobs/jobs.queries';
import {
  ACTIVE_PEOPLE,
  ADD_ENTRIES,
  ADD_PILE,
  ADD_SUMS,
  ENTRIES_NAMED,
  ENTRIES_THERE,
  JOBS_NAMED,
  LOCK_FLOOR,
  PILE_LIKE,
  PILES_NAMED,
  SET_PILE_PLACE,
  SET_PILE_STATE,
  STEPS_KNOWN,
  type EntryNamed,
} from './floor.queries';
import { writeAsMeasured } from './as-measured';
import { personOf } from './sign-on';
import { beforeRun, floorOfJob, stepKey } from './steps-now';

/** An entry that came in this long after it happened was kept on its device meanwhile. */
const LATE_S = 900;
/** A clock farther off than this is shown. */
const SKEWED_S = 60;
/** No two clocks agree to the second, and the way takes a moment: so little is no skew, or entries of one device would change places. */
const SAME_CLOCK_S = 2;

interface Sent {
  device: string;
  sentAt: number;
  entries: readonly ({ id: string; by?: string | undefined } & Record<string, unknown>)[];
  /** At a machine people sign on by PIN; what was written there without stands on record as such. A desk knows who sits at it. */
  desk?: boolean | undefined;
}
interface Written {
  accepted: string[];
  refused: { id: string; says: string }[];
  skewS: number;
}
type Entry = FloorEntry & { who: string; marks: string[] };

/**
 * Writes a batch into the floor's log in one transaction. What happened is never turned away because a plan was changed meanwhile: it is marked. What cannot be
 * true (an unknown job, a count below nothing) is refused by name, and the rest is kept. The same id twice is one entry.
 */
export async function writeEntries(ctx: Ctx, sent: Sent): Promise<Written> {
  const now = ctx.now();
  const off = sent.sentAt - now;
  const skewS = Math.abs(off) <= SAME_CLOCK_S ? 0 : off;
  const refused: Written['refused'] = [];
  const read = await readEntries(ctx, sent, refused);
  const accepted: string[] = [];
  const batch = { device: sent.device, skewS, now };
  try {
    accepted.push(...(await writeTogether(ctx, read, batch, refused)));
  } catch (error) {
    if (!isDataFault(error)) throw error;
    // Something in it the database does not take: one by one, so that it holds nothing else up.
    for (const entry of read)
      try {
        accepted.push(...(await writeTogether(ctx, [entry], batch, refused)));
      } catch (own) {
        if (!isDataFault(own)) throw own;
        ctx.log.error({ err: own, entry: entry.id }, 'a floor entry the database refused');
        refused.push({ id: entry.id, says: 'It cannot be kept as it is written: write it anew.' });
      }
  }
  return { accepted, refused, skewS };
}

/** Faults of PostgreSQL that lie in what was written: values out of range or shape, rules broken. */
const isDataFault = (error: unknown): boolean => /^2[23]/.test((error as { code?: string }).code ?? '');

interface Batch {
  device: string;
  skewS: number;
  now: number;
}
/** Entries in one transaction; the ids that are in the log now. */
async function writeTogether(
  ctx: Ctx,
  entries: readonly Entry[],
  { device, skewS, now }: Batch,
  refused: Written['refused'],
): Promise<string[]> {
  if (entries.length === 0) return [];
  const found: Written['refused'] = [];
  const accepted = await inTransaction(ctx.db, async (db) => {
    found.length = 0;
    // Every job that is named, always in the same order: two batches never wait for each other.
    for (const job of distinct(entries.map((e) => e.job)).sort()) await db.query(LOCK_FLOOR, [job]);
    const good = await checked(db, entries, { now, skewS }, found);
    const rows = JSON.stringify(good.map((e, nr) => ({ ...e, nr })));
    const fresh = new Set((await many(db, ADD_ENTRIES, [rows, device, skewS, now])).map((r) => r.id));
    const written = good.filter((e) => fresh.has(e.id));
    const back = await takenBack(db, written);
    await addUp(db, written, back);
    for (const job of jobsMeasured(written, back)) await writeAsMeasured(db, job);
    for (const e of written) await applyToPile(db, e, Math.min(e.at - skewS, now));
    for (const [job, by] of new Map(written.map((e) => [e.job ?? e.machine, e.who])))
      await notifyChanged(db, { table: 'floor', id: job, version: 0, by });
    for (const job of new Set(written.filter((e) => e.kind === 'runEnd').map((e) => e.job ?? ''))) await showInLists(db, job, now);
    return good.map((e) => e.id);
  });
  refused.push(...found);
  return accepted;
}

/** Kinds that make a pile. */
const LAYS: readonly EntryKind[] = ['pile', 'split'];

/** Entries as the door reads them, each with whose it is; what cannot be read is refused, what stands twice is read once. */
async function readEntries(ctx: Ctx, sent: Sent, refused: Written['refused']): Promise<Entry[]> {
  const me = signedIn(ctx).id;
  const signed = new Map(distinct(sent.entries.map((e) => e.by ?? null)).map((by) => [by, personOf(ctx.seal, by, sent.device, ctx.now())]));
  const pins = new Map(
    (await many(ctx.db, ACTIVE_PEOPLE, [distinct([...signed.values()].map((s) => s?.person ?? null))])).map((p) => [p.id, p.pinHash]),
  );
  const whose = (by: string | undefined): string | null => {
    const who = by === undefined ? null : signed.get(by);
    if (by === undefined) return me;
    return who?.holds(pins.get(who.person) ?? '') ? who.person : null;
  };
  const seen = new Set<string>();
  return sent.entries.flatMap(({ by, ...asSent }) => {
    if (seen.has(asSent.id)) return [];
    seen.add(asSent.id);
    const entry = FloorEntrySchema.safeParse(asSent);
    const who = whose(by);
    if (who === null) refused.push({ id: asSent.id, says: 'Whoever wrote this must sign on again at this terminal.' });
    else if (!entry.success)
      refused.push({ id: asSent.id, says: entry.error.issues.map((i) => `${i.path.join('.')} ${i.message}`).join('; ') });
    else return [{ ...entry.data, who, marks: by === undefined && sent.desk !== true ? ['noPin'] : [] }];
    return [];
  });
}

const distinct = (ids: readonly (string | null)[]): string[] => [...new Set(ids.filter((id) => id !== null))];

/** Entries whose job, step, pile and what they are about exist; marked with how they came. */
async function checked(
  db: Db,
  entries: readonly Entry[],
  { now, skewS }: { now: number; skewS: number },
  refused: Written['refused'],
): Promise<Entry[]> {
  const jobIds = distinct(entries.map((e) => e.job));
  const othersNamed = distinct(entries.map((e) => (e.kind === 'counter' || e.kind === 'read' ? e.other : null)));
  const reads = together(db);
  const [jobRows, stepRows, pileRows, namedRows, people, thereRows] = await Promise.all([
    many(reads, JOBS_NAMED, [jobIds]),
    many(reads, STEPS_KNOWN, [jobIds]),
    many(reads, PILES_NAMED, [distinct(entries.flatMap((e) => [e.pile, e.other]))]),
    many(reads, ENTRIES_NAMED, [othersNamed]),
    many(reads, ACTIVE_PEOPLE, [distinct(entries.map((e) => e.who))]),
    many(reads, ENTRIES_THERE, [entries.map((e) => e.id)]),
  ]);
  const jobs = new Map(jobRows.map((j) => [j.id, j]));
  const steps = new Set(stepRows.map((s) => `${s.job} ${s.step}`));
  const piles = new Map(pileRows.map((p) => [p.id, p.job]));
  const about = new Map(namedRows.map((n) => [n.id, n]));
  const active = new Set(people.map((p) => p.id));
  const there = new Set(thereRows.map((r) => r.id));
  const marksOf = await marksOfStarts(db, entries);
  const good: Entry[] = [];
  for (const e of entries) {
    // Sent again: it was checked when it was written, and may look wrong now (a counter-entry finds its entry taken back, by itself).
    if (there.has(e.id)) {
      good.push(e);
      continue;
    }
    const job = e.job === null ? null : jobs.get(e.job);
    const says = await wrong(db, e, { job, steps, piles, about, active });
    if (says !== null) {
      refused.push({ id: e.id, says });
      continue;
    }
    const at = Math.min(e.at - skewS, now);
    if (LAYS.includes(e.kind) && e.job !== null) piles.set((e.kind === 'split' ? e.other : e.pile) ?? '', e.job);
    about.set(e.id, { ...e, takenBack: false });
    const back = e.kind === 'counter' ? about.get(e.other ?? '') : undefined;
    if (back) back.takenBack = true;
    good.push({
      ...e,
      marks: [
        ...(now - at > LATE_S ? ['late'] : []),
        ...(Math.abs(skewS) > SKEWED_S ? ['skewed'] : []),
        ...(job && (job.state === 'revising' || (e.release !== null && e.release < job.release)) ? ['revised'] : []),
        ...(job && e.step !== null && !steps.has(`${e.job ?? ''} ${e.step}`) ? ['unreleased'] : []),
        ...(job?.state === 'delivered' ? ['afterClose'] : []),
        ...marksOf(e, at),
        ...e.marks,
      ],
    });
  }
  return good;
}

/** What should have been waited for by the steps that begin, as marks of their entries. A line cleared in the same batch is cleared. */
async function marksOfStarts(db: Db, entries: readonly Entry[]): Promise<(e: Entry, at: number) => string[]> {
  const before = new Map<string, BeforeRun>();
  for (const job of distinct(entries.map((e) => (e.kind === 'runStart' ? e.job : null)))) {
    const floor = await floorOfJob(db, job);
    for (const { facts } of floor.steps) {
      const known = beforeRun(floor, job, facts);
      const cleared = entries.some((e) => e.kind === 'clear' && e.job === job && e.step === facts.step);
      before.set(stepKey(job, facts.step), { ...known, toClear: known.toClear && !cleared });
    }
  }
  return (e, at) => {
    const known = e.kind === 'runStart' ? before.get(stepKey(e.job ?? '', e.step ?? '')) : undefined;
    return known ? holdsRun(known, at) : [];
  };
}

interface Known {
  job: { state: string; release: number } | null | undefined;
  steps: ReadonlySet<string>;
  piles: ReadonlyMap<string, string>;
  about: ReadonlyMap<string, EntryNamed>;
  active: ReadonlySet<string>;
}
/** Why an entry cannot be true; null where it can. */
async function wrong(db: Db, e: Entry, { job, steps, piles, about, active }: Known): Promise<string | null> {
  if (!active.has(e.who)) return 'Whoever wrote this may no longer sign in.';
  if (job === undefined) return 'The job is not here.';
  if (e.job !== null && e.step !== null && !steps.has(`${e.job} ${e.step}`) && !(await isPlanned(db, e.job, e.step)))
    return `This job has no step ${e.step}.`;
  const named = about.get(e.other ?? '');
  if (e.kind === 'counter') {
    if (!named) return 'What it takes back is not in the log.';
    if (named.job !== e.job) return 'What it takes back belongs to another job.';
    if (named.kind === 'counter' || named.kind === 'pile' || named.kind === 'split' || named.kind === 'read')
      return 'This kind of entry is not taken back.';
    return named.takenBack ? 'It was taken back already.' : null;
  }
  if (e.kind === 'read') return named?.kind === 'handover' ? null : 'The handover is not in the log.';
  if (e.kind === 'pile') return piles.has(e.pile ?? '') && piles.get(e.pile ?? '') !== e.job ? 'The pile belongs to another job.' : null;
  if (e.pile !== null && piles.get(e.pile) !== e.job) return 'The pile is not here, or belongs to another job.';
  if (e.kind === 'merge' && piles.get(e.other ?? '') !== e.job) return 'The pile it is merged into is not here.';
  return null;
}
/** A step of the plan as it stands, though nobody has released it: what happened there is written down all the same. */
async function isPlanned(db: Db, job: string, step: string): Promise<boolean> {
  const found = await findJob(db, job);
  return Object.hasOwn((await planOf(db, found, 0)).plan.steps, step);
}

/** The entries that counter-entries take back. */
async function takenBack(db: Db, written: readonly Entry[]): Promise<EntryNamed[]> {
  const taken = distinct(written.map((e) => (e.kind === 'counter' ? e.other : null)));
  return taken.length === 0 ? [] : many(db, ENTRIES_NAMED, [taken]);
}
/** Jobs of which something was measured, or a reading taken back. */
const jobsMeasured = (written: readonly Entry[], back: readonly EntryNamed[]): string[] =>
  distinct([...written, ...back].map((e) => (e.kind === 'measure' ? e.job : null)));

/** Adds new entries to the sums that pages read; counter-entries take theirs off. */
async function addUp(db: Db, written: readonly Entry[], taken: readonly EntryNamed[]): Promise<void> {
  const named = new Map(taken.map((n) => [n.id, n]));
  const sums = new Map<string, CountSum & { job: string }>();
  for (const e of written) {
    const back = e.kind === 'counter' ? named.get(e.other ?? '') : undefined;
    const { job } = back ?? e;
    if (job === null) continue;
    for (const row of back ? entrySums(back, -1) : entrySums(e)) {
      const key = `${job} ${row.step ?? ''} ${row.pile ?? ''} ${row.kind} ${row.reason}`;
      const known = sums.get(key);
      if (known) known.quantity += row.quantity;
      else sums.set(key, { ...row, job });
    }
  }
  // A key of the table holds no null: '' stands for no step and no pile.
  const keyed = [...sums.values()].map((row) => ({ ...row, step: row.step ?? '', pile: row.pile ?? '' }));
  if (keyed.length > 0) await db.query(ADD_SUMS, [JSON.stringify(keyed)]);
}

/** Piles by what entries tell of them. */
async function applyToPile(db: Db, e: Entry, at: number): Promise<void> {
  if (e.kind === 'pile') {
    const known = await many(db, STEPS_KNOWN, [[e.job]]);
    const laidOn = known.filter((s) => s.step === e.step);
    const flow = laidOn.some((s) => s.orders.includes(e.flow ?? '')) ? e.flow : (laidOn[0]?.gives ?? `${e.step ?? ''}.out`);
    await db.query(ADD_PILE, [e.pile, e.job, pileCode(e.pile ?? ''), e.step, flow, e.reason === '' ? 'good' : e.reason, e.machine, at]);
  } else if (e.kind === 'split') {
    const like = await maybeOne(db, PILE_LIKE, [e.other, e.pile]);
    if (like) await db.query(ADD_PILE, [e.other, like.job, pileCode(e.other ?? ''), like.step, like.flow, like.state, like.place, at]);
  } else if (e.kind === 'state') await db.query(SET_PILE_STATE, [e.pile, e.reason, at]);
  else if (e.kind === 'move') await db.query(SET_PILE_PLACE, [e.pile, e.reason, at]);
  else if (e.kind === 'take' && e.pile !== null) await db.query(SET_PILE_PLACE, [e.pile, e.machine, at]);
}

/** A step is done: the lists show what is now expected. */
async function showInLists(db: Db, job: string, now: number): Promise<void> {
  const { summary } = await planOf(db, await findJob(db, job), now);
  await db.query(SET_SUMMARY, [job, JSON.stringify(summary)]);
}
