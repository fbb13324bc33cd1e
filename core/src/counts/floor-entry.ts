import * as z from 'zod';
import { NOT_PLAIN, notPlainAt } from '../quantity/plain-text';
import type { Id } from '../quantity/figure';
import { idText } from '../plant/plant-schema';

/**
 * What can be written into the floor's log. Times: setup and run begin and end, a stop and its end. The line cleared of what stood there before.
 * Counts: a pile taken in, what of it goes back untouched, good pieces onto a pile, waste, samples, pieces destroyed under witness, a recount (what was found more or less), a pile spoilt after it was counted. Piles: laid, moved, split, merged, set
 * to good, hold or make-ready. A reading of what is measured at a step. Words: a note, a handover and its confirmation. A counter-entry takes one back.
 */
export const ENTRY_KINDS = [
  'setupStart',
  'setupEnd',
  'runStart',
  'runEnd',
  'stop',
  'go',
  'clear',
  'take',
  'back',
  'good',
  'waste',
  'samples',
  'destroyed',
  'recount',
  'scrap',
  'pile',
  'move',
  'split',
  'merge',
  'state',
  'measure',
  'note',
  'handover',
  'read',
  'counter',
] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];

/** Why pieces were lost. Setup and running are what the plan allows for; the rest is spoilt, by reason. */
export const WASTE_REASONS = [
  'setup',
  'running',
  'register',
  'colour',
  'setOff',
  'crease',
  'torn',
  'dirt',
  'cut',
  'fold',
  'glue',
  'feeder',
  'transport',
  'other',
  // of certain kinds of work alone
  'coat',
  'crack',
  'strip',
  'seam',
  'tray',
  'film',
  'code',
  'missing',
  'double',
  'wrongSection',
  'wire',
  'thread',
  'askew',
  'loose',
  'blister',
  'streak',
  'atBreak',
  'splice',
  'cutOut',
  'telescoped',
] as const;
export type WasteReason = (typeof WASTE_REASONS)[number];
/** Why a machine stands. */
export const STOP_REASONS = [
  'paper',
  'feeder',
  'webBreak',
  'washUp',
  'blanket',
  'plateRemake',
  'tool',
  'colourCheck',
  'waitPile',
  'waitPerson',
  'fault',
  'pause',
  'other',
] as const;
/** A pile is made ready with, good to go on, or held until somebody decides. */
export const PILE_STATES = ['makeReady', 'good', 'hold'] as const;
export type PileState = (typeof PILE_STATES)[number];

/** Times that belong to a step; the rest counts pieces, tells of piles, or speaks. */
export const TIME_KINDS: readonly EntryKind[] = ['setupStart', 'setupEnd', 'runStart', 'runEnd', 'stop', 'go'];
const WITHOUT_STEP: readonly EntryKind[] = ['handover', 'read', 'note', 'move', 'split', 'merge', 'state', 'scrap', 'recount', 'counter'];
const WITHOUT_JOB: readonly EntryKind[] = ['handover', 'read', 'note'];
const ON_A_PILE: readonly EntryKind[] = ['good', 'pile', 'move', 'split', 'merge', 'state', 'scrap'];
/** Kinds that count pieces, and so are summed. */
export const COUNTED_KINDS: readonly EntryKind[] = [
  'take',
  'back',
  'good',
  'waste',
  'samples',
  'destroyed',
  'recount',
  'scrap',
  'split',
  'merge',
];
const REASONS: Partial<Record<EntryKind, readonly string[]>> = { waste: WASTE_REASONS, stop: STOP_REASONS, state: PILE_STATES };
/** Kinds whose note says why. */
const SAYS_WHY: readonly EntryKind[] = ['recount', 'scrap', 'destroyed', 'counter', 'note', 'handover'];
/** Kinds that need a second pile or entry. */
const NEEDS_OTHER: readonly EntryKind[] = ['split', 'merge', 'counter', 'read'];

/** A reading lies within this: no size, mass or difference of the trade is larger. */
const MOST_READING = 1e6;
/** Pieces of one entry at most: a day of the fastest machine is far below. */
export const MOST_PIECES = 100_000_000;

/** A job is not released this often. */
const MOST_RELEASES = 1_000_000;

/** One line of the floor's log, as the device wrote it. `id` is made on the device: sent twice it is one entry. */
export interface FloorEntry {
  id: string;
  kind: EntryKind;
  machine: Id<'machine'>;
  job: string | null;
  step: Id<'step'> | null;
  pile: string | null;
  /** The pile split off or merged into; the entry taken back; the handover that was read. */
  other: string | null;
  /** Pieces: of the pile for a pile; of the step's finer side for waste, samples, destroyed and recounts (which may be below 0). */
  quantity: number | null;
  /** Code of a reason or state; the lot a take without a pile comes from; the place a pile is moved to. */
  reason: string;
  note: string;
  /** A second person who saw it. */
  witness: string;
  /** The device's clock, epoch seconds. */
  at: number;
  /** The release the terminal worked by; null where it knew none. */
  release: number | null;
  /** Of a reading, whose key is the reason: what was measured, in its own unit; yes is 1, no 0. */
  value?: number | undefined;
  /** Of a pile laid where a sheet is parted into several orders: what lies on it. Absent: what the step gives. */
  flow?: Id<'flow'> | undefined;
}

/** The door for entries; says in words what is missing. */
export const FloorEntrySchema = z
  .strictObject({
    id: z.uuid(),
    kind: z.enum(ENTRY_KINDS),
    machine: idText,
    job: z.uuid().nullable(),
    step: idText.nullable(),
    pile: z.uuid().nullable(),
    other: z.uuid().nullable(),
    quantity: z.number().int('is a whole number of pieces').min(-MOST_PIECES).max(MOST_PIECES, 'is more than any machine makes').nullable(),
    reason: z.string().trim().max(80),
    note: z.string().trim().max(500),
    witness: z.string().trim().max(80),
    at: z.number().min(0).max(1e11),
    release: z.number().int().min(1).max(MOST_RELEASES, 'is no release of ours').nullable(),
    value: z.number().min(-MOST_READING).max(MOST_READING, 'is more than anything measures').optional(),
    flow: idText.optional(),
  })
  .superRefine((e, cx) => {
    const bad = notPlainAt(e);
    if (bad !== null) cx.addIssue({ code: 'custom', path: [bad], message: NOT_PLAIN });
    const refuse = (field: keyof FloorEntry, message: string): void => {
      cx.addIssue({ code: 'custom', path: [field], message });
    };
    if (e.job === null && !WITHOUT_JOB.includes(e.kind)) refuse('job', 'names the job');
    if (e.step === null && !WITHOUT_STEP.includes(e.kind)) refuse('step', 'names the step');
    if (e.kind === 'recount' && (e.step === null) === (e.pile === null)) refuse('pile', 'or the step: one of both was counted again');
    if (e.flow !== undefined && e.kind !== 'pile') refuse('flow', 'is said of a pile that is laid');
    if (e.kind === 'measure' && e.value === undefined) refuse('value', 'says what was measured');
    if (e.kind === 'measure' && e.reason === '') refuse('reason', 'names what was measured');
    if (e.kind !== 'measure' && e.value !== undefined) refuse('value', 'has no place here');
    if (e.pile === null && ON_A_PILE.includes(e.kind)) refuse('pile', 'names the pile');
    if (e.other === null && NEEDS_OTHER.includes(e.kind)) refuse('other', 'names what it is about');
    if (e.other !== null && e.other === e.pile) refuse('other', 'is the same pile');
    if (!COUNTED_KINDS.includes(e.kind)) {
      if (e.quantity !== null) refuse('quantity', 'has no place here');
    } else if (e.quantity === null || e.quantity === 0) refuse('quantity', 'says how many');
    else if (e.quantity < 0 && e.kind !== 'recount') refuse('quantity', 'must not be below 0');
    const known = REASONS[e.kind];
    if (known && !known.includes(e.reason)) refuse('reason', 'is a reason of the list');
    if (e.kind === 'move' && e.reason === '') refuse('reason', 'names the place');
    if (SAYS_WHY.includes(e.kind) && e.note.length < 3) refuse('note', 'says in a few words why');
    if (e.kind === 'destroyed' && e.witness.length < 2) refuse('witness', 'names who saw it');
  }) as unknown as z.ZodType<FloorEntry>;

const ALPHABET = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
/**
 * The short name of a pile on its flag: six signs of Crockford's base 32, the first thirty bits of its id (made on the device, so that a pile has its name
 * before the server knows of it). Source: D. Crockford, Base 32 (2019): no I, L, O or U, which are misread.
 */
export function pileCode(id: string): string {
  let bits = Number.parseInt(id.replaceAll('-', '').slice(0, 8), 16);
  bits = Math.floor(bits / 4);
  let code = '';
  for (let i = 0; i < 6; i++) {
    code = (ALPHABET[bits % 32] ?? '') + code;
    bits = Math.floor(bits / 32);
  }
  return code;
}

/**
 * What the code on a flag says when it is scanned, and what a scanner types.
 * @example pileScan(12, '6f1d5b0a-0000-4000-8000-000000000001').startsWith('12.') // true
 */
export const pileScan = (job: number, id: string): string => `${job}.${pileCode(id)}`;
/**
 * A scan as job number and short name of the pile; null where it is no flag of ours. Misread signs of the alphabet are read as they are meant.
 * @example readScan(pileScan(12, '6f1d5b0a-0000-4000-8000-000000000001'))?.job // 12
 */
export function readScan(text: string): { job: number; code: string } | null {
  const found = /^\s*(\d{1,9})\.([0-9A-Za-z]{6})\s*$/.exec(text);
  if (!found) return null;
  const code = (found[2] ?? '').toUpperCase().replaceAll('O', '0').replace(/[IL]/g, '1').replaceAll('U', 'V');
  return { job: Number(found[1]), code };
}
