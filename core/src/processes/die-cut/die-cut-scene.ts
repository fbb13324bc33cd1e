import { nickPlaces } from '../../form/nicks';
import { cutByDie } from '../../layout/layout';
import { outlinesLaid } from '../../layout/outline-faults';
import { dieTurned, middleOfPanel } from '../../product/blank';
import { turnedAtOrigin } from '../../product/die-line/points';
import { type Scene, type Shape, boxAround } from '../../scene/scene';
import type { ConsumeContext } from '../process';
import { dieOf, wasteFacesOf } from './die-of';

/** From so many places on, nicks are not drawn: nobody could tell them apart. */
const NICKS_DRAWN = 40;

/** The die as it lies in the press, seen from the printed side, gripper edge below: cutting rules, creasing rules, nicks. */
export function dieScene(cx: ConsumeContext): Scene {
  const die = dieOf(cx);
  const layout = cx.layout && cutByDie(cx.layout);
  if (!die || !layout)
    return { title: 'die', says: 'Nothing to cut yet.', box: { x: 0, y: 0, w: 400, h: 280 }, toScale: false, shapes: [] };
  const [w, h] = layout.sheetMm;
  const text = w / 42;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'sheet', x: 0, y: 0, w, h, ref: 'sheet' },
    { kind: 'rect', role: 'gripper', x: 0, y: h - layout.gripperMm, w, h: layout.gripperMm, ref: 'gripper' },
  ];
  const nicks = nickPlaces(die);
  let nr = 0;
  const places = outlinesLaid(layout, die.outline).length;
  for (const cell of layout.cells) {
    const drawn = dieTurned(die, cell.turn);
    const nicked = turnedAtOrigin(
      nicks.map((n) => n.at),
      cell.turn,
      die.outline,
    );
    for (let i = 0; i < cell.nx * cell.ny; i++) {
      const [x, y] = [cell.x + (i % cell.nx) * cell.dx, cell.y + Math.floor(i / cell.nx) * cell.dy];
      const at = (points: readonly (readonly [number, number])[]): [number, number][] => points.map(([px, py]) => [x + px, h - y - py]);
      nr++;
      shapes.push({ kind: 'path', role: 'cut', points: at(drawn.outline), closed: true, ref: `place ${nr}` });
      for (const slit of drawn.slits) shapes.push({ kind: 'path', role: 'cut', points: at(slit), closed: false });
      for (const crease of drawn.creases) shapes.push({ kind: 'path', role: 'score', points: at(crease), closed: false });
      if (places <= NICKS_DRAWN)
        for (const [cx0, cy0] of at(nicked)) shapes.push({ kind: 'circle', role: 'mark', cx: cx0, cy: cy0, r: text / 6 });
      const [middleX, middleY] = at([middleOfPanel(die, cell.turn)])[0] as [number, number];
      shapes.push({
        kind: 'text',
        role: 'label',
        x: middleX,
        y: middleY + text / 3,
        text: String(nr),
        sizeMm: text,
        anchor: 'middle',
      });
    }
  }
  const pins = wasteFacesOf(cx).flatMap((face) => face.pins);
  for (const [x, y] of pins) shapes.push({ kind: 'circle', role: 'unit', cx: x, cy: h - y, r: text / 3, ref: 'pin' });
  shapes.push({
    kind: 'text',
    role: 'label',
    x: w / 2,
    y: h + text * 1.5,
    text: `gripper edge · first knife ${firstKnifeMm(cx)} mm from it${pins.length > 0 ? ` · ${pins.length} strip pins (circles)` : ''}`,
    sizeMm: text,
    anchor: 'middle',
  });
  return {
    title: 'die',
    says: `Die with ${places} places on a sheet ${w} by ${h} millimetres, gripper edge below; the first knife stands ${firstKnifeMm(cx)} millimetres from it.`,
    box: boxAround(shapes, text * 1.6),
    toScale: true,
    shapes,
  };
}

/** From the gripper edge to the first knife, and from the left and right edge to the box of the die, mm. */
export const firstKnifeMm = ({ layout }: Pick<ConsumeContext, 'layout'>): number =>
  layout && layout.cells.length > 0 ? inTenths(Math.min(...cutByDie(layout).cells.map((c) => c.y))) : 0;
export function boxFromSides(cx: ConsumeContext): [leftMm: number, rightMm: number] {
  const die = dieOf(cx);
  if (!die || !cx.layout || cx.layout.cells.length === 0) return [0, 0];
  const laid = outlinesLaid(cutByDie(cx.layout), die.outline);
  return [inTenths(Math.min(...laid.map((b) => b.x))), inTenths(cx.layout.sheetMm[0] - Math.max(...laid.map((b) => b.x + b.w)))];
}
export const inTenths = (mm: number): number => Math.round(mm * 10) / 10;
