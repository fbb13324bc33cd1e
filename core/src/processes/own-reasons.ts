import { WASTE_REASONS, type WasteReason } from '../counts/floor-entry';
import type { Id } from '../quantity/figure';

/**
 * Why pieces are lost in certain kinds of work alone: a coat that failed, a crease that cracked, a blank torn in stripping, an open seam, a code that cannot be
 * read, a tray that comes off, film that tears, a section that is missing, double or another's, a stitch that does not hold, thread that broke, a case askew,
 * a covering that blisters, a block that hangs loose in its case, a streak of the blade, metres of a web lost at a break, a splice or cut out, a roll that is telescoped.
 */
const OWN_REASONS: Readonly<Record<Id<'process'>, readonly WasteReason[]>> = {
  offset: ['coat'],
  dieCut: ['crack', 'strip'],
  dieBlank: ['crack', 'strip'],
  breakOut: ['strip'],
  coat: ['coat'],
  glue: ['crack', 'seam', 'code'],
  stitch: ['missing', 'double', 'wrongSection', 'wire'],
  adhesiveBind: ['missing', 'double', 'wrongSection'],
  gather: ['missing', 'double', 'wrongSection'],
  sew: ['thread', 'wrongSection'],
  caseMake: ['askew', 'blister'],
  caseIn: ['askew', 'loose', 'blister'],
  gravure: ['streak', 'atBreak', 'splice'],
  wind: ['cutOut', 'splice', 'telescoped'],
  sleeve: ['film', 'code'],
  insert: ['tray', 'film', 'code'],
  insertByHand: ['tray', 'film', 'code'],
};
const OF_SOME: ReadonlySet<WasteReason> = new Set(Object.values(OWN_REASONS).flat());

/**
 * The reasons a machine offers for pieces that are lost: what is planned first, then its own, then those of every work.
 * @example wasteReasonsOf('glue').includes('seam') // true
 */
export function wasteReasonsOf(process: Id<'process'>): WasteReason[] {
  const [setup, running, ...others] = WASTE_REASONS.filter((r) => !OF_SOME.has(r));
  const own = Object.hasOwn(OWN_REASONS, process) ? (OWN_REASONS[process] ?? []) : [];
  return [...(setup && running ? [setup, running] : []), ...own, ...others];
}
