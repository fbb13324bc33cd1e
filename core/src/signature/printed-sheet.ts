import type { PageCell, PageGrid, Signature } from './imposition';

/* Sheets as they come from the press: what lies behind what follows from how the sheet was turned between its sides, never from the name of the work style. */

/**
 * How the sheet is turned for its other side: about the axis of travel (the gripper edge stays), or about the gripper edge (the tail is gripped). With heads
 * across the press, turning about the axis of travel is a tumble here: up and down on the sheet are then what the pages call left and right.
 */
export type SheetTurn = 'turn' | 'tumble';

/** A grid turned by half a turn in its plane: last row first, last column first, heads the other way. */
export const halfTurned = (grid: PageGrid): PageGrid =>
  [...grid].reverse().map((row) => [...row].reverse().map((c): PageCell => ({ ...c, head: c.head === 'up' ? 'down' : 'up' })));

/** A sheet printed on both sides; the back as it is seen after turning the sheet from left to right. */
export const printedSheet = (front: PageGrid, back: PageGrid, turn: SheetTurn): Signature => ({
  front,
  // About the gripper edge the tail comes first and heads turn over: seen from left to right that is half a turn.
  back: turn === 'turn' ? back : halfTurned(back),
});
/** The plate that prints the wanted back of a sheet. */
export const backPlate = ({ back }: Signature, turn: SheetTurn): PageGrid => (turn === 'turn' ? back : halfTurned(back));

/** A sheet lying on its face: its back is the front now. */
export const turnedSheet = ({ front, back }: Signature): Signature => ({ front: back, back: front });
export const halfTurnedSheet = ({ front, back }: Signature): Signature => ({ front: halfTurned(front), back: halfTurned(back) });

/** One plate for both sides of twice the sheet: the outer form on one half, the inner one on the other. Source: geometry, proved by printing, cutting and folding it. */
export const oneFormPlate = (section: Signature, turn: SheetTurn): PageGrid =>
  turn === 'turn' ? section.front.map((row, r) => [...row, ...(section.back[r] ?? [])]) : [...section.front, ...halfTurned(section.back)];

/** Both halves of a sheet printed twice from one plate, each laid as the folder wants it. */
export function halvesOf(plate: PageGrid, turn: SheetTurn): [Signature, Signature] {
  const { front, back } = printedSheet(plate, plate, turn);
  const [rows, cols] = [plate.length, plate[0]?.length ?? 0];
  if (turn === 'turn') {
    const left = (grid: PageGrid): PageGrid => grid.map((row) => row.slice(0, cols / 2));
    const right = (grid: PageGrid): PageGrid => grid.map((row) => row.slice(cols / 2));
    // What lies behind the left half is seen on the right after turning.
    return [{ front: left(front), back: right(back) }, turnedSheet({ front: right(front), back: left(back) })];
  }
  const [top, foot] = [(grid: PageGrid): PageGrid => grid.slice(0, rows / 2), (grid: PageGrid): PageGrid => grid.slice(rows / 2)];
  return [{ front: top(front), back: top(back) }, halfTurnedSheet(turnedSheet({ front: foot(front), back: foot(back) }))];
}

/** A grid with the pages of a book on the places of a section. */
export const numbered = ({ front, back }: Signature, pageOf: (k: number) => number | null): Signature => {
  const of = (grid: PageGrid): PageGrid => grid.map((row) => row.map((c) => ({ ...c, page: c.page === null ? null : pageOf(c.page) })));
  return { front: of(front), back: of(back) };
};
