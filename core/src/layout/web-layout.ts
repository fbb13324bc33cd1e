import type { Formula, Id } from '../quantity/figure';
import { ceilTolerant, floorTolerant } from '../quantity/round-tolerant';
import type { Layout } from './layout';
import type { WebSheet } from '../product/web-sheet';
import type { WebForm } from './web-form';

export interface WebLayoutAsk {
  part: Id<'part'>;
  item: Id<'item'>;
  pieceMm: [across: number, along: number];
  sheet: WebSheet;
  webMm: number;
  edgeTrimMm: number;
  /** The cylinder grows in teeth; its smallest and largest circumference. */
  gearPitchMm: number;
  minRepeatMm: number;
  maxRepeatMm: number;
  /** A repeat typed by the planner. */
  repeatMm: number | null;
}
/**
 * A sheet's size as asked: pieces, gaps between them and the edge all round.
 * @example askedSheetMm([50, 30], { across: 3, along: 4, gapMm: 3, edgeMm: 5 }) // [166, 139]
 */
export const askedSheetMm = ([w, h]: readonly [number, number], { across, along, gapMm, edgeMm }: WebSheet): [number, number] => [
  across * w + (across - 1) * gapMm + 2 * edgeMm,
  along * h + (along - 1) * gapMm + 2 * edgeMm,
];

/** Lanes of sheets side by side on the web, the edges trimmed. Source: geometry. */
export const LANES: Formula<'webMm' | 'edgeTrimMm' | 'sheetWidthMm'> = {
  id: 'layout.lanes',
  unit: '1',
  source: 'geometry',
  of: ({ webMm, edgeTrimMm, sheetWidthMm }) => (sheetWidthMm > 0 ? Math.max(floorTolerant((webMm - 2 * edgeTrimMm) / sheetWidthMm), 0) : 0),
};
/** Circumference of the cylinder: whole teeth of the gear. Source: geometry of gears. */
export const REPEAT: Formula<'teeth' | 'gearPitchMm'> = {
  id: 'layout.repeat',
  unit: 'mm',
  source: 'whole teeth × circular pitch',
  of: ({ teeth, gearPitchMm }) => teeth * gearPitchMm,
};
/** Sheets a repeat: lanes × sheets around. */
export const SHEETS_A_REPEAT: Formula<'lanes' | 'around'> = {
  id: 'layout.sheetsARepeat',
  unit: 'sheet',
  source: 'arithmetic',
  of: ({ lanes, around }) => lanes * around,
};
/** Pieces a sheet: across × along. */
export const PIECES_A_SHEET: Formula<'across' | 'along'> = {
  id: 'layout.piecesASheet',
  unit: 'piece',
  source: 'arithmetic',
  of: ({ across, along }) => across * along,
};
/** Metres of web for a thousand pieces. */
export const METRES_A_THOUSAND: Formula<'repeatMm' | 'pieces'> = {
  id: 'layout.metresAThousand',
  unit: 'm',
  source: 'arithmetic',
  of: ({ repeatMm, pieces }) => (pieces > 0 ? repeatMm / pieces : 0),
};
/** Share of the web that becomes product. */
export const WEB_USE: Formula<'pieces' | 'widthMm' | 'heightMm' | 'webMm' | 'repeatMm'> = {
  id: 'layout.webUse',
  unit: '%',
  source: 'geometry',
  of: (t) => (t.webMm > 0 && t.repeatMm > 0 ? (100 * t.pieces * t.widthMm * t.heightMm) / (t.webMm * t.repeatMm) : 0),
};

/**
 * The cylinder that takes the fewest millimetres of web a sheet: for every number of sheets around, the fewest teeth that hold them, within what the
 * press takes. Exact, because a repeat longer than those teeth only wastes. Equal ones: the smaller cylinder. A typed repeat is taken as it is, with
 * as many sheets around as it holds. Null: not one sheet fits.
 */
export function webForm(ask: WebLayoutAsk): WebForm | null {
  const [sheetWidth, sheetLength] = askedSheetMm(ask.pieceMm, ask.sheet);
  const lanes = LANES.of({ webMm: ask.webMm, edgeTrimMm: ask.edgeTrimMm, sheetWidthMm: sheetWidth });
  if (lanes < 1 || !(sheetLength > 0) || !(ask.gearPitchMm > 0)) return null;
  const formOf = (around: number, teeth: number): WebForm => ({
    lanes,
    around,
    teeth,
    sheetMm: [sheetWidth, (teeth * ask.gearPitchMm) / around],
  });
  if (ask.repeatMm !== null) {
    const around = floorTolerant(ask.repeatMm / sheetLength);
    return around < 1 ? null : formOf(around, ask.repeatMm / ask.gearPitchMm);
  }
  let best: WebForm | null = null;
  const most = floorTolerant(ask.maxRepeatMm / sheetLength);
  for (let around = 1; around <= most; around++) {
    const teeth = Math.max(ceilTolerant((around * sheetLength) / ask.gearPitchMm), ceilTolerant(ask.minRepeatMm / ask.gearPitchMm));
    if (teeth * ask.gearPitchMm > ask.maxRepeatMm + 1e-9) continue;
    const form = formOf(around, teeth);
    if (!best || form.sheetMm[1] < best.sheetMm[1] - 1e-9) best = form;
  }
  return best;
}

/** The form as a layout: one lattice of pieces a sheet, lanes across the web, sheets around the cylinder. */
export function webLayout(ask: WebLayoutAsk): Layout | null {
  const form = webForm(ask);
  if (!form) return null;
  const [w, h] = ask.pieceMm;
  const { across, along, gapMm, edgeMm } = ask.sheet;
  const [sheetWidth, sheetLength] = form.sheetMm;
  const left = (ask.webMm - form.lanes * sheetWidth) / 2;
  // What the cylinder is longer than the sheets asked for is shared by the rows.
  const rowMm = (sheetLength - 2 * edgeMm + gapMm) / along;
  const cells = Array.from({ length: form.lanes * form.around }, (_, i) => ({
    part: ask.part,
    item: ask.item,
    trimMm: ask.pieceMm,
    x: left + (i % form.lanes) * sheetWidth + edgeMm,
    y: Math.floor(i / form.lanes) * sheetLength + edgeMm,
    nx: across,
    ny: along,
    dx: w + gapMm,
    dy: Math.max(rowMm, h + gapMm),
    turn: 0 as const,
  }));
  return { sheetMm: [ask.webMm, form.teeth * ask.gearPitchMm], cells, gripperMm: 0, proved: true, web: form };
}
