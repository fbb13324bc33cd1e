import type { Form } from '../layout/form';
import type { LaidSection } from '../signature/sheet-pages';
import type { SectionPlan } from '../signature/section-plans';
import type { Id, Term } from '../quantity/figure';
import type { Part } from '../product/part';
import { type ConsumeContext, type DraftContext, type PanelRow, type ProcessContext, settingPath, wordSetting } from './process';
import { caliperTerm } from './stock-terms';

/* Which sections a binder joins: those that were chosen at it, and those it was given. */

/** A section on its way into a book: whose it is, and the form it was printed on. */
export interface GatheredSection {
  part: Part;
  form: Form;
  section: LaidSection;
}

/** The sections of the parts of a run, part by part, as their forms carry them. */
export const sectionsGathered = ({ parts, forms }: Pick<DraftContext, 'forms'> & { readonly parts: readonly Part[] }): GatheredSection[] =>
  parts.flatMap((part) =>
    forms
      .filter((f) => f.parts.includes(part.id))
      .flatMap((form) => (form.layout?.imposed?.sections ?? []).map((section) => ({ part, form, section }))),
  );

/** The stock that a part lies on. */
export const stockIdOf = ({ forms }: Pick<DraftContext, 'forms'>, part: Part): Id<'stock'> | null =>
  forms.find((f) => f.parts.includes(part.id))?.stock ?? null;

/** Paper of a part: its caliper, as its lot was measured, and its grammage. */
export function paperOf(cx: Pick<DraftContext, 'forms' | 'plant' | 'shelf'>, part: Part): { caliperUm: Term; gsm: Term } {
  const stockId = stockIdOf(cx, part);
  const stock = stockId === null ? null : (cx.plant.stocks[stockId] ?? null);
  return {
    caliperUm: caliperTerm({ shelf: cx.shelf, stockId, stock }),
    gsm: { value: stock?.gsm ?? 0, unit: 'g/m²', from: 'plant', at: `stock:${stockId ?? ''}` },
  };
}

/** Sections as they were set by hand: "16 16 8". */
export const sectionsSet = (cx: ProcessContext): number[] =>
  wordSetting(cx, 'sections', '')
    .split(/[^0-9]+/)
    .flatMap((word) => (word === '' ? [] : Number(word)));

/** "18 × 16 + 8": many alike are counted. */
export function sizesSay(sections: readonly number[]): string {
  const runs: [times: number, pages: number][] = [];
  for (const pages of sections) {
    const last = runs.at(-1);
    if (last?.[1] === pages) last[0] += 1;
    else runs.push([1, pages]);
  }
  return runs
    .map(([times, pages]) => (times > 3 ? `${times} × ${pages}` : Array.from({ length: times }, () => pages).join(' + ')))
    .join(' + ');
}

/** A way to part the pages, and what it buys: "16 + 16 + 8: 4 forms, 16 plates, 1.25 sheets a copy, 3 sections". Plates only where both sides have as many inks: else they go by which side a rest is printed from. */
function planSays({ sections, forms, fours, sheetsACopy }: SectionPlan, [front, back]: Part['colours']): string {
  const plates = front.length === back.length && front.length > 0 ? [`${forms * front.length} plates`] : [];
  const sheets = `${Math.round(sheetsACopy * 100) / 100} sheets a copy`;
  const alone = fours > 0 ? [`${fours} of 4 pages`] : [];
  return `${sizesSay(sections)}: ${[`${forms} forms`, ...plates, sheets, `${sections.length} sections`, ...alone].join(', ')}`;
}

/** Ways to part the pages of the part that leads. */
export const sectionPlansOf = ({ forms, parts }: Pick<DraftContext, 'forms' | 'parts'>): readonly SectionPlan[] =>
  forms.find((f) => f.sectionPlans && f.parts.some((p) => p === parts[0]?.id))?.sectionPlans ?? [];

/** The sections of the text in the order of the book, and the other ways to part its pages. */
export function sectionsRow(cx: ConsumeContext, made: readonly number[]): PanelRow[] {
  const plans = sectionPlansOf(cx);
  if (plans.length === 0) return [];
  return [
    {
      label: 'sections',
      text: sizesSay(made),
      edit: {
        at: settingPath(cx, 'sections'),
        kind: 'choice',
        options: plans.map((p) => ({ value: p.sections.join(' '), says: planSays(p, cx.parts[0]?.colours ?? [[], []]) })),
      },
    },
  ];
}
