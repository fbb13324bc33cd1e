import { type LaidSection, mirroredBox, type PagePlace, type SheetBox } from '../signature/sheet-pages';
import type { Imposed } from './layout';
import type { PrintedSide } from './page-scene';

/* Where the trimmed pages lie on a printed side: what a customer's pages are placed by. */

/** A page as it is trimmed, on its side of the sheet; as far as its bleed may reach it is its own. */
export interface TrimmedPage {
  page: number;
  section: string;
  head: PagePlace['head'];
  trim: SheetBox;
  cell: SheetBox;
}

const same = (a: number, b: number): boolean => Math.abs(a - b) < 1e-6;

/** Along which way a page's height lies on the sheet, and where its head and foot edges are. */
function edgesOf({ x, y, w, h, head }: PagePlace): { headAt: number; footAt: number; tallMm: number } {
  if (head === 'n' || head === 's') return { headAt: head === 'n' ? y + h : y, footAt: head === 'n' ? y : y + h, tallMm: h };
  return { headAt: head === 'e' ? x + w : x, footAt: head === 'e' ? x : x + w, tallMm: w };
}

/** Lines across the pages' height in a flat, as it lies on the side that is looked at: its ends, and where two copies are sawn apart. */
function linesOf(
  { rowsMm, double }: LaidSection,
  box: SheetBox,
  heads: Imposed['heads'],
  isReversed: boolean,
): { ends: number[]; joints: number[] } {
  const [from, until] = heads === 'along' ? [box.y, box.y + box.h] : [box.x, box.x + box.w];
  // The first row lies at the tail where heads run along the press, at the lay side where they lie across.
  const fromLow = (heads === 'across') !== isReversed;
  let at = fromLow ? from : until;
  const lines = rowsMm.slice(0, -1).map((mm) => (at += fromLow ? mm : -mm));
  return { ends: [from, until], joints: double ? lines.filter((_, i) => i % 2 === 0) : [] };
}

/**
 * The trimmed pages of a printed side, from lay and gripper edge as that side is seen.
 *
 * Formula: from the spine fold the grind (less what the page is shifted against creep), from the head fold the head trim, at the saw half its cut more; what a
 * sheet leaves that is folded whole lies outside. Source: geometry.
 * @param shiftMm how far a page of the book is shifted to the spine
 */
export function trimmedPages(
  imposed: Imposed,
  side: PrintedSide,
  sheetMm: readonly [number, number],
  shiftMm: (page: number) => number = () => 0,
): TrimmedPage[] {
  const { margins, trimMm, heads, mirror, isRight } = imposed;
  return imposed[side].flatMap((place): TrimmedPage[] => {
    if (place.page === null) return [];
    const found = flatOf(imposed, place, side, sheetMm);
    if (!found) return [];
    const { section, box, faceDown } = found;
    // A flat that lies on its face is seen from its back on the front of the sheet.
    const isReversed = (side === 'back') !== faceDown && (mirror === 'y') === (heads === 'along');
    const { ends, joints } = linesOf(section, box, heads, isReversed);
    const { headAt, footAt, tallMm } = edgesOf(place);
    const atSaw = (line: number): number => (joints.some((j) => same(j, line)) ? margins.sawMm / 2 : 0);
    const isHeadOut = ends.some((e) => same(e, headAt)) && !ends.some((e) => same(e, footAt));
    const fromHead = isHeadOut ? tallMm - trimMm[1] - margins.footMm - atSaw(footAt) : margins.headMm + atSaw(headAt);
    const fromSpine = margins.grindMm - shiftMm(place.page);
    // The right page of an open book has its spine at the left, as it is read; bound on the right it is the other way.
    const isSpineLeft = (place.page % 2 === 1) !== isRight;
    return [
      {
        page: place.page,
        section: place.section,
        head: place.head,
        trim: trimBox(place, trimMm, fromHead, fromSpine, isSpineLeft),
        cell: place,
      },
    ];
  });
}

/** The box of a page of this size, so far from the head edge and the spine edge of its place. */
function trimBox(
  { x, y, w, h, head }: PagePlace,
  [wide, tall]: readonly [number, number],
  fromHead: number,
  fromSpine: number,
  isSpineLeft: boolean,
): SheetBox {
  // As it is read the left side lies at: n low x, s high x, w low y, e high y.
  const isLow = (head === 'n' || head === 'w') === isSpineLeft;
  if (head === 'n' || head === 's')
    return {
      x: isLow ? x + fromSpine : x + w - fromSpine - wide,
      y: head === 'n' ? y + h - fromHead - tall : y + fromHead,
      w: wide,
      h: tall,
    };
  return {
    x: head === 'e' ? x + w - fromHead - tall : x + fromHead,
    y: isLow ? y + fromSpine : y + h - fromSpine - wide,
    w: tall,
    h: wide,
  };
}

/** The flat that a place lies in, as it lies on that side. */
function flatOf(
  { flats, sections, mirror }: Imposed,
  place: PagePlace,
  side: PrintedSide,
  sheetMm: readonly [number, number],
): { section: LaidSection; box: SheetBox; faceDown: boolean } | null {
  const inside = (b: SheetBox): boolean =>
    place.x >= b.x - 1e-6 && place.y >= b.y - 1e-6 && place.x + place.w <= b.x + b.w + 1e-6 && place.y + place.h <= b.y + b.h + 1e-6;
  for (const flat of flats) {
    const box = side === 'back' ? mirroredBox(flat, mirror, sheetMm) : flat;
    const section = sections.find((s) => s.key === flat.section);
    if (section && flat.section === place.section && inside(box)) return { section, box, faceDown: flat.faceDown };
  }
  return null;
}
