/* Which sections lie on which press sheet. */

/** What lies on one press sheet: sections by their place in the book (0 the first), and how many books come off it. */
export interface PressForm {
  sections: number[];
  copies: number;
  /** Page places that stay empty, both sides together. */
  empty: number;
  /** All its pages have room on one side: it may be printed twice from one form, turned or tumbled. */
  mayShare: boolean;
}

export interface PressFormsAsk {
  /** Page places on one side of the sheet. */
  placesASide: number;
  /** Rests may be printed twice from one form; on a perfecting press each side has its own. */
  perfected: boolean;
  /** Sections of a size that lie on a sheet where no other lies; absent: as the places allow. */
  alone?: (pages: number) => number;
}

/** Twice the places of a side, and halves of it, lie beside one another on a sheet; any other size fills sheets alone. */
export function sharesSheet(size: number, placesASide: number): boolean {
  for (let of = 2 * placesASide; of >= size; of /= 2) if (of === size) return true;
  return false;
}

/**
 * Sections laid on press sheets: whole sheets first, in the order of the book; a rest as often as it goes; sizes that share no sheet each alone.
 *
 * Formula: a sheet holds 2A pages; a rest of r comes ⌊2A / r⌋ times off its sheet. A rest above A is parted in two where each may be printed from one form.
 * Source: arithmetic; common practice, no source.
 * @example pressForms([16, 16, 8], { placesASide: 16, perfected: true }).map((f) => f.copies) // [1, 4]
 */
export function pressForms(sections: readonly number[], ask: PressFormsAsk): PressForm[] {
  const { placesASide } = ask;
  const whole = 2 * placesASide;
  const pagesOf = (ids: readonly number[]): number => ids.reduce((sum, i) => sum + (sections[i] ?? 0), 0);
  const made = (ids: number[], copies: number): PressForm => ({
    sections: ids,
    copies,
    empty: Math.max(whole - copies * pagesOf(ids), 0),
    mayShare: pagesOf(ids) <= placesASide,
  });
  const bySize = sections.map((_, i) => i).sort((a, b) => (sections[b] ?? 0) - (sections[a] ?? 0) || a - b);
  const forms: PressForm[] = [];
  let open: number[] = [];
  for (const i of bySize.filter((i) => sharesSheet(sections[i] ?? 0, placesASide))) {
    open.push(i);
    if (pagesOf(open) < whole) continue;
    forms.push(made(open, 1));
    open = [];
  }
  for (const rest of restsOf(open, sections, ask)) forms.push(made(rest, Math.floor(whole / pagesOf(rest))));
  for (const i of bySize.filter((i) => !sharesSheet(sections[i] ?? 0, placesASide)))
    forms.push(made([i], Math.max(ask.alone?.(sections[i] ?? 0) ?? Math.floor(whole / (sections[i] ?? whole)), 1)));
  return forms;
}

/** A rest of more than one side: parted into one side full and what is left, where that takes no form more and fewer sheets. */
function restsOf(rest: readonly number[], sections: readonly number[], { placesASide, perfected }: PressFormsAsk): number[][] {
  if (rest.length === 0) return [];
  const side: number[] = [];
  let pages = 0;
  for (const i of rest) {
    if (pages >= placesASide) break;
    side.push(i);
    pages += sections[i] ?? 0;
  }
  const left = rest.slice(side.length);
  return perfected || left.length === 0 || pages !== placesASide ? [[...rest]] : [side, left];
}

/**
 * Forms of one side that sections take.
 *
 * Formula: two a sheet; one where all its pages have room on one side and it is not perfected.
 * Source: arithmetic.
 * @example formsOf([16, 16, 8], { placesASide: 16, perfected: false }) // 3
 */
export const formsOf = (sections: readonly number[], ask: PressFormsAsk): number =>
  pressForms(sections, ask).reduce((sum, f) => sum + (f.mayShare && !ask.perfected ? 1 : 2), 0);
