import { practiceTerm } from '../../plant/practice';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import type { Form } from '../../layout/form';
import type { LaidSection } from '../../signature/sheet-pages';
import { foliosSay } from '../../signature/folios';
import { bookStep } from '../book-step';
import { type ConsumeContext, type DraftContext } from '../process';
import { settingRow } from '../rows';

/** How many endpapers a section gets: one before the first, one behind the last; both where it is the only one. */
export function endsOf({ nr }: Pick<LaidSection, 'nr'>, forms: readonly Form[]): number {
  const last = Math.max(0, ...forms.flatMap((f) => (f.layout?.imposed?.sections ?? []).map((s) => s.nr)));
  return Number(nr === 1) + Number(nr === last);
}

/** Flat size, and what it is folded to. */
function foldSays({ product }: DraftContext): string {
  const endpaper = product.parts.find((p) => p.traits?.endpaper);
  const mm = (value: number): number => Math.round(value * 100) / 100;
  return endpaper
    ? `once, ${mm(endpaper.widthMm)} × ${mm(endpaper.heightMm)} to ${mm(endpaper.widthMm / 2)} × ${mm(endpaper.heightMm)} mm`
    : '–';
}

const sideSays = ({ section, forms }: DraftContext): string => {
  if (!section) return '–';
  const isFirst = section.nr === 1;
  if (endsOf(section, forms) === 2) return 'before its first page and behind its last';
  return isFirst ? 'before its first page, on the spine side' : 'behind its last page, on the spine side';
};

/** Endpapers joined to the first and to the last section by a strip of glue. */
export const tipEnds = bookStep({
  id: 'tipEnds',
  losses: { setup: 'tipEnds.setupCycles', running: 'tipEnds.runningPpm' },
  unit: 'section',
  cautions: ['glueRollers'],
  needless: (_form, section, forms = []) => section !== undefined && endsOf(section, forms) === 0,
  takes: ({ section, forms, product }, { parts: [only] }) =>
    section && product.parts.some((p) => p.traits?.endpaper && p.id === only) ? endsOf(section, forms) : 1,
  makes: ({ section }) => ({ section: section?.key ?? null }),
  rows: (cx) => [
    ...(cx.section ? [{ label: 'sectionPages', text: `${cx.section.pages.length}: ${foliosSay(cx.section.pages)}` }] : []),
    { label: 'endpaperFold', text: foldSays(cx) },
    { label: 'endpaperGoes', text: sideSays(cx) },
    settingRow(cx, 'glueStrip', 'glueMm', practiceTerm(cx.plant, 'tipEnds.glueMm'), { kind: 'length', unit: 'mm' }),
  ],
  blanks: ['endpapers folded once, grain along the fold', 'first ten opened: strip even, nothing stuck beyond it'],
  scene: tippingScene,
  says: ({ section }) => section?.name ?? '',
});

/** The section, spine left, with the endpaper beside it and the strip of glue along the fold. */
function tippingScene(cx: ConsumeContext): Scene {
  const text = cx.product.parts.find((p) => p.traits?.sewn);
  const [w, h] = [text?.widthMm ?? 100, text?.heightMm ?? 150];
  const t = Math.max(w, h) / 18;
  const x = w + t * 3;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'copy', x: 0, y: 0, w, h, ref: cx.section?.name ?? 'section' },
    { kind: 'text', role: 'strong', x: w / 2, y: h / 2, text: cx.section?.name ?? '', sizeMm: t, anchor: 'middle' },
    { kind: 'text', role: 'label', x: t * 0.8, y: h / 2, text: 'spine', sizeMm: t * 0.8, anchor: 'middle', turn: -90 },
    { kind: 'rect', role: 'sheet', x, y: 0, w, h, ref: 'endpaper' },
    { kind: 'rect', role: 'strike', x, y: 0, w: Math.max(w / 25, 3), h, ref: 'glue' },
    { kind: 'line', role: 'fold', x1: x, y1: -t, x2: x, y2: h + t },
    { kind: 'line', role: 'grain', x1: x + w * 0.8, y1: h * 0.25, x2: x + w * 0.8, y2: h * 0.75 },
    { kind: 'text', role: 'label', x: x + w / 2, y: h / 2, text: 'endpaper, folded', sizeMm: t, anchor: 'middle' },
    { kind: 'text', role: 'label', x: x + w / 2, y: h + t * 1.4, text: 'glue along the fold', sizeMm: t * 0.8, anchor: 'middle' },
    { kind: 'line', role: 'arrow', x1: x - t * 0.4, y1: h / 2, x2: w + t * 0.4, y2: h / 2 },
  ];
  return {
    title: 'endpaper',
    says: `An endpaper folded once is joined to ${cx.section?.name ?? 'the section'} by a strip of glue along its fold, ${sideSays(cx)}.`,
    box: boxAround(shapes, t),
    toScale: true,
    shapes,
  };
}
