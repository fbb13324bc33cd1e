import type { Id, Term } from '../quantity/figure';
import { type Scene, type Shape, boxAround } from '../scene/scene';
import type { Stock } from '../plant/plant';
import { foldsOf } from '../product/folds';
import type { Part } from '../product/part';
import { dieTurned, middleOfPanel } from '../product/blank';
import type { DieLine } from '../product/die-line/die-line';
import type { Point } from '../product/die-line/points';
import { copiesUp, type CopyPlace, copyPlaces, type Layout } from './layout';
import { imposedShapes, pagesSay, type PrintedSide } from './page-scene';
import { WORK_STYLES, type WorkStyleId } from './work-style';

const MOST_DRAWN = 400;
const MOST_NUMBERED = 60;
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';
/**
 * Orders of a gang are lettered on drawing and paper, as they stand in the gang; a gang holds at most 26.
 * @example letterOf('b', { orders: ['a', 'b'] }) // 'B'
 */
export const letterOf = (part: Id<'part'>, { orders = [] }: Pick<Layout, 'orders'>): string => LETTERS.charAt(orders.indexOf(part));
const copiesSay = (layout: Layout, parts: readonly Part[]): string =>
  parts.map((p) => `${copiesUp(layout, p.id)} copies of ${p.widthMm} by ${p.heightMm}`).join(', ');

/** The press sheet to scale: gripper edge below, lay corner, grain, copies with bleed and folds, colour bar, size; of sections the pages of one side. */
export function sheetScene(
  layout: Layout | null,
  parts: readonly Part[],
  stock: Stock | null,
  style: WorkStyleId,
  colourBar: Term,
  side: PrintedSide = 'front',
): Scene {
  if (!layout || parts.length === 0)
    return {
      title: 'sheet',
      says: 'Nothing fits the sheet yet.',
      box: { x: 0, y: 0, w: 400, h: 280 },
      toScale: false,
      shapes: [{ kind: 'text', role: 'label', x: 200, y: 140, text: 'nothing fits the sheet yet', sizeMm: 16, anchor: 'middle' }],
    };
  const [w, h] = layout.sheetMm;
  // Layout runs from the gripper edge; the drawing has the gripper below, as the sheet lies before the operator.
  const up = (y: number, height = 0): number => h - y - height;
  const text = Math.max(w, h) / 42;
  const barMm = 'value' in colourBar ? colourBar.value : 0;
  const shapes: Shape[] = [{ kind: 'rect', role: 'sheet', x: 0, y: 0, w, h, ref: 'sheet' }];
  if (isGripped(layout, stock))
    shapes.push({ kind: 'rect', role: 'gripper', x: 0, y: up(0, layout.gripperMm), w, h: layout.gripperMm, ref: 'gripper' });
  if (isGripped(layout, stock) && WORK_STYLES[style].secondGripper)
    shapes.push({ kind: 'rect', role: 'gripper', x: 0, y: 0, w, h: layout.gripperMm, ref: 'gripper2' });
  const usable = layout.cutsBox;
  if (usable) {
    shapes.push({ kind: 'rect', role: 'usable', x: usable.x, y: up(usable.y, usable.h), w: usable.w, h: usable.h });
    if (barMm > 0)
      shapes.push({
        kind: 'rect',
        role: 'colourBar',
        x: usable.x,
        y: up(usable.y + usable.h, barMm),
        w: usable.w,
        h: barMm,
        ref: 'colourBar',
      });
  }
  const { imposed } = layout;
  const places = imposed ? [] : copyPlaces(layout);
  if (imposed) shapes.push(...imposedShapes(imposed, side, layout.sheetMm, text));
  // Very many small copies are drawn as their blocks: nobody reads three thousand outlines.
  if (places.length > MOST_DRAWN)
    for (const c of layout.cells)
      shapes.push({
        kind: 'rect',
        role: 'copy',
        x: c.x,
        y: up(c.y, c.ny * c.dy),
        w: c.nx * c.dx,
        h: c.ny * c.dy,
        ref: `${c.nx} × ${c.ny} copies`,
      });
  else
    places.forEach((p, i) => {
      const part = parts.find((own) => own.id === p.part);
      if (!part) return;
      const y = up(p.y, p.h);
      if (part.traits?.blank) shapes.push(...blankShapes(part.traits.blank.die, p, up, `copy ${i + 1}`));
      else if (part.bleedMm > 0)
        shapes.push({
          kind: 'rect',
          role: 'bleed',
          x: p.x - part.bleedMm,
          y: y - part.bleedMm,
          w: p.w + 2 * part.bleedMm,
          h: p.h + 2 * part.bleedMm,
        });
      if (!part.traits?.blank) shapes.push({ kind: 'rect', role: 'copy', x: p.x, y, w: p.w, h: p.h, ref: `copy ${i + 1}` });
      for (let f = 1; f <= foldsOf(part); f++) {
        const at = (part.widthMm * f) / (foldsOf(part) + 1);
        shapes.push(
          p.turned
            ? { kind: 'line', role: 'fold', x1: p.x, y1: y + at, x2: p.x + p.w, y2: y + at }
            : { kind: 'line', role: 'fold', x1: p.x + at, y1: y, x2: p.x + at, y2: y + p.h },
        );
      }
      if (places.length <= MOST_NUMBERED) shapes.push(nameOfCopy(layout, part, { ...p, y }, i, text));
    });
  shapes.push(...edgeShapes(layout, stock, text));
  shapes.push(...grainArrow(w, text, stock), ...ordersLegend(layout, parts, h + text * 3, text));
  return {
    title: imposed ? `pages, ${side}` : 'copies on the sheet',
    says: `${isWeb(stock) ? 'Web' : 'Sheet'} ${w} by ${h} millimetres with ${imposed ? `pages ${pagesSay(imposed, side)} on its ${side}` : copiesSay(layout, parts)}; ${edgesSay(layout, stock)}.`,
    box: boxAround(shapes, text * 1.6),
    toScale: true,
    shapes,
  };
}

/** So many orders stand in a line under the sheet. */
const ORDERS_A_LINE = 5;
/** Which letter is which order of a gang: under every drawing, for whoever looks for one of them. */
function ordersLegend(layout: Layout, parts: readonly Part[], top: number, text: number): Shape[] {
  if (!layout.orders) return [];
  const orders = [...parts].map((p) => `${letterOf(p.id, layout)} ${p.product}`).sort((a, b) => a.localeCompare(b));
  return Array.from({ length: Math.ceil(orders.length / ORDERS_A_LINE) }, (_, i): Shape => {
    const line = orders.slice(i * ORDERS_A_LINE, (i + 1) * ORDERS_A_LINE).join('  ·  ');
    return { kind: 'text', role: 'label', x: 0, y: top + i * text * 1.3, text: line, sizeMm: text };
  });
}

/** What tells a copy from the others: its number; on a gang the letter of its order, large enough to be read across the drawing. Beside the fold it would lie on, in the largest panel of a blank. */
function nameOfCopy(layout: Layout, part: Part, { x, y, w, h, turn }: CopyPlace, index: number, text: number): Shape {
  const sizeMm = layout.orders ? Math.max(Math.min(w, h) / 5, text) : text;
  const die = part.traits?.blank?.die;
  const aside = foldsOf(part) % 2 === 1 ? sizeMm : 0;
  const isTurned = turn === 90 || turn === 270;
  const [dx, dy] = die ? middleOfPanel(die, turn) : [w / 2 - (isTurned ? 0 : aside), h / 2 + (isTurned ? aside : 0)];
  return {
    kind: 'text',
    role: layout.orders ? 'strong' : 'label',
    x: x + dx,
    y: y + h - dy + sizeMm / 3,
    text: layout.orders ? letterOf(part.id, layout) : String(index + 1),
    sizeMm,
    anchor: 'middle',
  };
}

/** A blank by its outline and creases, where it lies on the sheet and as it is turned there. */
function blankShapes(die: DieLine, { x, y, turn }: CopyPlace, up: (y: number) => number, ref: string): Shape[] {
  const { outline, creases } = dieTurned(die, turn);
  const at = (points: readonly Point[]): [number, number][] => points.map(([px, py]) => [x + px, up(y + py)]);
  return [
    { kind: 'path', role: 'copy', points: at(outline), closed: true, ref },
    ...creases.map((c): Shape => ({ kind: 'path', role: 'fold', points: at(c), closed: false })),
  ];
}

const isWeb = (stock: Stock | null): boolean => stock?.form === 'roll';
/** A web is held by its tension, a board by hand: nothing grips them. */
const isGripped = ({ gripperMm }: Layout, stock: Stock | null): boolean => !isWeb(stock) && gripperMm > 0;
/** Grain up the drawing: across the press, or along a web. */
const grainIsUp = (stock: Stock | null): boolean => isWeb(stock) || stock?.grain === 'short';
const edgesSay = ({ gripperMm }: Layout, stock: Stock | null): string =>
  isWeb(stock)
    ? 'grain runs along the web'
    : `${gripperMm > 0 ? `gripper edge below, ${gripperMm} millimetres` : 'nothing grips it'}; grain runs ${grainIsUp(stock) ? 'up the sheet' : 'along its longer side'}`;

/** Sizes of the sheet, its gripper and lay corner; of what nothing grips its sizes alone. */
function edgeShapes(layout: Layout, stock: Stock | null, text: number): Shape[] {
  const { sheetMm, gripperMm } = layout;
  const [w, h] = sheetMm;
  const isHeld = isGripped(layout, stock);
  const below = isHeld ? `gripper ${gripperMm} · ${w} mm` : `${isWeb(stock) ? 'web' : 'sheet'} ${w} mm`;
  const sizes: Shape[] = [
    { kind: 'text', role: 'label', x: w / 2, y: h + text * 1.5, text: below, sizeMm: text, anchor: 'middle' },
    { kind: 'text', role: 'label', x: -text * 0.7, y: h / 2, text: `${h} mm`, sizeMm: text, anchor: 'middle', turn: -90 },
  ];
  if (!isHeld) return sizes;
  return [
    {
      kind: 'path',
      role: 'lay',
      points: [
        [0, h],
        [w / 36, h],
        [0, h - w / 36],
      ],
      closed: true,
      ref: 'lay',
    },
    ...sizes,
    { kind: 'text', role: 'label', x: 0, y: h + text * 1.5, text: 'lay', sizeMm: text },
  ];
}

function grainArrow(w: number, text: number, stock: Stock | null): Shape[] {
  const up = grainIsUp(stock);
  const [x, y, size] = [w - text * 6, -text * 0.9, text];
  const line: Shape = up
    ? { kind: 'line', role: 'grain', x1: w - size * 0.6, y1: y + size * 0.3, x2: w - size * 0.6, y2: y - size * 0.7 }
    : { kind: 'line', role: 'grain', x1: w - size * 2.4, y1: y - size * 0.2, x2: w, y2: y - size * 0.2 };
  return [
    { kind: 'text', role: 'label', x: up ? w - size * 1.4 : x + size * 3, y: y + size * 0.15, text: 'grain', sizeMm: text, anchor: 'end' },
    line,
  ];
}

/** An area on a blank: its upper left corner from that of the blank as it is seen, and its size, mm. */
interface OnBlank {
  name: string;
  xMm: number;
  yMm: number;
  widthMm: number;
  heightMm: number;
}

/** Areas of blanks where they lie on the sheet, turned with every copy. */
export function onEveryCopy(layout: Layout, areasOf: (part: Id<'part'>) => readonly OnBlank[]): Shape[] {
  const depth = layout.sheetMm[1];
  return copyPlaces(layout).flatMap((p) =>
    areasOf(p.part).map(({ xMm, yMm, widthMm, heightMm, name }): Shape => {
      const [w, h] = p.turned ? [heightMm, widthMm] : [widthMm, heightMm];
      const [fromLeft, fromTop] = {
        0: [xMm, yMm],
        90: [yMm, p.h - xMm - h],
        180: [p.w - xMm - w, p.h - yMm - h],
        270: [p.w - yMm - w, xMm],
      }[p.turn] as [number, number];
      return { kind: 'rect', role: 'strike', x: p.x + fromLeft, y: depth - p.y - p.h + fromTop, w, h, ref: name };
    }),
  );
}
