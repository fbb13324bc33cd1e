import type { Plan } from '../plan/plan-types';
import type { Form } from '../layout/form';
import type { PrintedSide } from '../layout/page-scene';
import type { Id } from '../quantity/figure';
import { type TrimmedPage, trimmedPages } from '../layout/trim-boxes';
import { foliosSay } from '../signature/folios';

/* A customer's PDF against what the order says of its pages. */

/** A page of a PDF: its trimmed size as it is seen, how far its bleed reaches beyond it at the least, whether its trim box was said; mm. */
export interface PdfPage {
  widthMm: number;
  heightMm: number;
  bleedMm: number;
  isTrimSaid: boolean;
  /** Stored lying, and shown turned. */
  isTurned: boolean;
}

/** What pages a job would take: so many, of which size, with how much bleed. */
export interface PagesAsked {
  counts: { pages: number; what: 'text' | 'insert' | 'withCover' | 'cover' }[];
  widthMm: number;
  heightMm: number;
  bleedMm: number;
}

export type PdfFinding =
  | { code: 'count'; pages: number; wanted: string }
  | { code: 'size'; pages: string; widthMm: number; heightMm: number }
  | { code: 'noTrim'; pages: string }
  | { code: 'bleed'; pages: string; leastMm: number };

/** Sizes differ by less than this in how programs round them; mm. */
const SAME_SIZE_MM = 0.5;
/** Bleed that is short by less than this is rounded; mm. */
const SAME_BLEED_MM = 0.05;

/** What a product with bound pages asks of a PDF; null: it has none. */
export function pagesAskedOf(plan: Pick<Plan, 'parts'>, product: Id<'product'>): PagesAsked | null {
  const bound = Object.values(plan.parts).flatMap((part) =>
    part.product === product && part.traits?.bound ? [{ part, bound: part.traits.bound }] : [],
  );
  const [first] = bound;
  if (!first) return null;
  const { part } = first;
  const { trims } = part.traits?.adhesive ?? {};
  const counts = bound.map(({ part: { role }, bound: { pages, blanks } }): PagesAsked['counts'][number] => ({
    pages: pages - blanks,
    what: whatOf(role),
  }));
  const nested = bound.filter((b) => b.bound.nested);
  return {
    counts: [
      ...counts,
      ...(nested.length > 1
        ? [{ pages: nested.reduce((sum, { bound: { pages, blanks } }) => sum + pages - blanks, 0), what: 'withCover' as const }]
        : []),
    ],
    widthMm: part.widthMm,
    heightMm: part.heightMm,
    bleedMm: trims ? Math.min(trims.faceMm, trims.headMm, trims.footMm) : part.bleedMm,
  };
}

/** What of a book a part is, by its role. */
const whatOf = (role: string): PagesAsked['counts'][number]['what'] => (role === 'insert' || role === 'cover' ? role : 'text');

/** What the pages asked may be, in numbers: "40, or 44". */
const countsSay = (counts: PagesAsked['counts']): string => [...new Set(counts.map((c) => c.pages))].join(', or ');

/**
 * What of a PDF's pages is not as the order says: how many there are, their trimmed size, trim boxes that are missing, bleed that is short. Empty: they fit.
 * Source: boxes as ISO 32000 and ISO 15930 define them; half a millimetre of rounding is common practice, no source.
 */
export function pdfFindings(pages: readonly PdfPage[], asked: PagesAsked): PdfFinding[] {
  const numbers = (is: (page: PdfPage) => boolean): number[] => pages.flatMap((page, i) => (is(page) ? [i + 1] : []));
  const found: PdfFinding[] = [];
  if (!asked.counts.some((c) => c.pages === pages.length))
    found.push({ code: 'count', pages: pages.length, wanted: countsSay(asked.counts) });
  const sizes = new Map<string, number[]>();
  pages.forEach(({ widthMm, heightMm }, i) => {
    if (Math.abs(widthMm - asked.widthMm) <= SAME_SIZE_MM && Math.abs(heightMm - asked.heightMm) <= SAME_SIZE_MM) return;
    const key = `${Math.round(widthMm * 10) / 10} ${Math.round(heightMm * 10) / 10}`;
    sizes.set(key, [...(sizes.get(key) ?? []), i + 1]);
  });
  for (const [key, on] of sizes) {
    const [widthMm = 0, heightMm = 0] = key.split(' ').map(Number);
    found.push({ code: 'size', pages: foliosSay(on), widthMm, heightMm });
  }
  const untrimmed = numbers((p) => !p.isTrimSaid);
  if (untrimmed.length > 0) found.push({ code: 'noTrim', pages: foliosSay(untrimmed) });
  const short = numbers((p) => p.isTrimSaid && p.bleedMm < asked.bleedMm - SAME_BLEED_MM);
  if (short.length > 0) found.push({ code: 'bleed', pages: foliosSay(short), leastMm: asked.bleedMm });
  return found;
}

/** A printed side with the pages that are to be placed on it: which page of the PDF lies where; millimetres from lay and gripper edge as that side is seen. */
export interface SideToFill {
  form: Id<'form'>;
  side: PrintedSide;
  sheetMm: readonly [number, number];
  places: (Pick<TrimmedPage, 'trim' | 'cell' | 'head'> & { pdfPage: number })[];
}

/** The sides on which a PDF of so many pages is placed: those of the part of the product, or of all its parts, that have so many. Empty: it fits none. */
export function sidesToFill(
  plan: Pick<Plan, 'parts' | 'forms'>,
  product: Id<'product'>,
  pages: number,
  shiftMm: (form: Form, page: number) => number,
): SideToFill[] {
  const what = pagesAskedOf(plan, product)?.counts.find((c) => c.pages === pages)?.what;
  if (!what) return [];
  const forms = Object.values(plan.forms).flatMap((form) => {
    const part = plan.parts[form.parts[0] ?? ''];
    const { imposed, sheetMm } = form.layout ?? {};
    const isAsked = part?.product === product && (whatOf(part.role) === what || what === 'withCover');
    return isAsked && imposed && sheetMm ? [{ form, imposed, sheetMm }] : [];
  });
  // Pages of the book in their order are those of the PDF.
  const inBook = [...new Set(forms.flatMap(({ imposed }) => imposed.sections.flatMap((s) => s.pages.flatMap((p) => p ?? []))))].sort(
    (a, b) => a - b,
  );
  const at = new Map(inBook.map((page, i) => [page, i]));
  return forms.flatMap(({ form, imposed, sheetMm }) =>
    (['front', 'back'] as const).map((side): SideToFill => ({
      form: form.id,
      side,
      sheetMm,
      places: trimmedPages(imposed, side, sheetMm, (page) => shiftMm(form, page)).flatMap(({ page, trim, cell: { x, y, w, h }, head }) => {
        const pdfPage = at.get(page);
        return pdfPage === undefined ? [] : [{ pdfPage, trim, cell: { x, y, w, h }, head }];
      }),
    })),
  );
}
