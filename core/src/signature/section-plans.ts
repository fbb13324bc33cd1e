import { OutOfRange, requireAboveZero } from '../quantity/errors';
import { ceilTolerant } from '../quantity/round-tolerant';
import { formsOf, pressForms, type PressFormsAsk } from './press-forms';

/* How the pages of a book are parted into sections: every way worth a look, and what each buys. */

/** How forms of one side each are printed: a rest that fits one side may be turned, both sides from one plate; a perfecting press needs two. */
export interface SectionAsk extends PressFormsAsk {
  pages: number;
  /** Sizes the folder folds in this paper, and the binder holds. */
  sizes: readonly number[];
}
export interface SectionPlan {
  /** Pages of the sections, in the order they are bound. */
  sections: number[];
  /** Pages that nobody printed: they fill the last section. */
  blanks: number;
  forms: number;
  /** Press sheets a copy takes, before anything is lost. */
  sheetsACopy: number;
  /** Sections of four pages: two leaves, which tear off most easily. */
  fours: number;
}

const PAGES_A_LEAF_FOLDED = 4;
/** Plans shown at most: a planner compares no more. */
const MOST_PLANS = 8;
const MOST_REST_SECTIONS = 3;

/**
 * Ways to part pages into sections, at most eight, none beaten by another in forms, sections, sheets, blanks, four-page sections and the largest section; fewest forms first.
 *
 * For each size as many of it as go, and one fewer; the rest in up to three more. A four-page section never stands first or last.
 * Source: common practice, no source; the reckoning of forms is arithmetic.
 * @throws OutOfRange pages, sizes or places not above 0; no size
 * @example sectionPlans({ pages: 40, sizes: [16, 8, 4], placesASide: 16, perfected: false })[0]?.forms // 3
 */
export function sectionPlans(ask: SectionAsk): SectionPlan[] {
  requireAboveZero('pages', ask.pages);
  requireAboveZero('placesASide', ask.placesASide);
  const sizes = [...new Set(ask.sizes)].filter((s) => s <= 2 * ask.placesASide).sort((a, b) => b - a);
  if (sizes.length === 0) throw new OutOfRange('sizes', ask.sizes.length, 'one that the sheet holds, or more');
  for (const size of sizes) requireAboveZero('sizes', size);
  const pages = PAGES_A_LEAF_FOLDED * ceilTolerant(ask.pages / PAGES_A_LEAF_FOLDED);
  const found = new Map<string, SectionPlan>();
  for (const main of sizes)
    for (const count of [Math.floor(pages / main), Math.floor(pages / main) - 1]) {
      if (count < 0) continue;
      for (const rest of restsOf(pages - count * main, sizes, MOST_REST_SECTIONS)) {
        const parted = [...Array.from({ length: count }, () => main), ...rest].sort((a, b) => b - a);
        if (parted.length === 0) continue;
        const key = parted.join();
        if (!found.has(key)) found.set(key, planOf(parted, ask, pages));
      }
    }
  const plans = [...found.values()];
  return plans
    .filter((p) => !plans.some((other) => beats(other, p)))
    .sort((a, b) => a.forms - b.forms || a.blanks - b.blanks || a.sections.length - b.sections.length || a.sheetsACopy - b.sheetsACopy)
    .slice(0, MOST_PLANS);
}

/** Ways to hold a rest in so many sections at most; where none comes out even, the smallest that holds it, with blanks. */
function restsOf(rest: number, sizes: readonly number[], most: number): number[][] {
  if (rest === 0) return [[]];
  const exact = evenly(rest, sizes, most);
  if (exact.length > 0) return exact;
  const least = [...sizes].reverse().find((s) => s >= rest);
  return least === undefined ? [] : [[least]];
}
function evenly(rest: number, sizes: readonly number[], most: number): number[][] {
  if (rest === 0) return [[]];
  if (most === 0) return [];
  return sizes.flatMap((size, i) => (size <= rest ? evenly(rest - size, sizes.slice(i), most - 1).map((more) => [size, ...more]) : []));
}

function planOf(parted: readonly number[], ask: SectionAsk, pages: number): SectionPlan {
  const sum = parted.reduce((a, b) => a + b, 0);
  const sections = bound(parted);
  return {
    sections,
    blanks: sum - pages,
    forms: formsOf(sections, ask),
    sheetsACopy: pressForms(sections, ask).reduce((sheets, f) => sheets + 1 / f.copies, 0),
    fours: parted.filter((p) => p === PAGES_A_LEAF_FOLDED).length,
  };
}

/** In the order they are bound: smaller ones second last, so that a whole section stands at either end, and four pages at neither. */
function bound(parted: readonly number[]): number[] {
  const [most = 0] = parted;
  const whole = parted.filter((p) => p === most);
  if (whole.length > 1) return [...whole.slice(0, -1), ...parted.filter((p) => p !== most), most];
  const large = parted.filter((p) => p > PAGES_A_LEAF_FOLDED);
  const last = large.at(-1);
  return large.length > 1 && last !== undefined
    ? [...large.slice(0, -1), ...parted.filter((p) => p === PAGES_A_LEAF_FOLDED), last]
    : [...parted];
}

/** As good in everything, and better in something. */
function beats(a: SectionPlan, b: SectionPlan): boolean {
  // Smaller sections fold more easily and creep less.
  const keys = (p: SectionPlan): number[] => [
    p.forms,
    p.sections.length,
    Math.round(p.sheetsACopy * 1e6),
    p.blanks,
    p.fours,
    Math.max(...p.sections),
  ];
  const [ka, kb] = [keys(a), keys(b)];
  return ka.every((v, i) => v <= (kb[i] ?? 0)) && ka.some((v, i) => v < (kb[i] ?? 0));
}
