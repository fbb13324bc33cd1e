import type { PressWork } from '@druckerei/core/planning';

/** A separation's sides may be off those of what it lies on by so much: bleed, and pixels that do not divide. */
const ASPECT_OFF = 0.03;

/** Where a separation of so many pixels lies: one of a copy on every copy, one of the whole sheet once. Told apart by its sides; null: it fits neither. */
export function placesFor({ copies, sheetMm: [sheetW, sheetH] }: PressWork, width: number, height: number): PressWork['copies'] | null {
  const off = ([w, h]: readonly [number, number]): number => Math.abs(width / height / (w / h) - 1);
  const copy = uprightCopy(copies);
  const [ofCopy, ofSheet] = [copy ? off(copy) : Infinity, off([sheetW, sheetH])];
  if (Math.min(ofCopy, ofSheet) > ASPECT_OFF) return null;
  return ofCopy <= ofSheet ? copies : [{ x: 0, y: 0, w: sheetW, h: sheetH, turn: 0 }];
}

/** Width and height of a copy before it was turned. */
export function uprightCopy([first]: PressWork['copies']): readonly [number, number] | null {
  if (!first) return null;
  return first.turn === 90 || first.turn === 270 ? [first.h, first.w] : [first.w, first.h];
}
