import { schemesFor } from '../signature/fold-limits';
import { type Flat, type Heads, mirroredBox, type SheetBox, type SheetMirror } from '../signature/sheet-pages';
import type { UsableSheet } from './sheet-layout';

/* How flat sections lie on a press sheet: in a block of equal places, each as large as the largest section, halved for smaller ones. */

/** Room for a section: u along its pages' width from the left, v along their height from the head; mm. */
interface Room {
  u: number;
  v: number;
  uMm: number;
  vMm: number;
  pages: number;
}

/** The block: places of the largest section, side by side. */
export interface SectionBlock {
  heads: Heads;
  /** Pages of the section that fills a place, and the place's size: along the pages' width, along their height. */
  pages: number;
  placeMm: readonly [uMm: number, vMm: number];
  across: number;
  down: number;
  /** Its sections are two copies as one length. */
  isDouble: boolean;
}

/** The block of a section that holds most on a sheet; null where not one fits. */
export function sectionBlock(
  pages: number,
  placeMm: readonly [number, number],
  heads: Heads,
  { usable }: Pick<UsableSheet, 'usable'>,
  isDouble = false,
): SectionBlock | null {
  const [u, v] = heads === 'along' ? [usable.widthMm, usable.heightMm] : [usable.heightMm, usable.widthMm];
  const [across, down] = [Math.floor(u / placeMm[0] + 1e-9), Math.floor(v / placeMm[1] + 1e-9)];
  return across > 0 && down > 0 ? { heads, pages, placeMm, across, down, isDouble } : null;
}

/**
 * Page places on one side of a sheet.
 * Formula: places × pages of the section that fills one ÷ 2. Source: arithmetic.
 * @example placesASide({ across: 2, down: 1, pages: 16 }) // 16
 */
export const placesASide = ({ across, down, pages }: Pick<SectionBlock, 'across' | 'down' | 'pages'>): number =>
  (across * down * pages) / 2;

/** The block's box on the sheet: in the middle, where machines leave it there. */
export function blockBox({ heads, placeMm, across, down }: SectionBlock, { sheetMm, usable }: UsableSheet): SheetBox {
  const [u, v] = [across * placeMm[0], down * placeMm[1]];
  const [w, h] = heads === 'along' ? [u, v] : [v, u];
  const within = (middle: number, from: number, room: number, size: number): number => Math.min(Math.max(middle, from), from + room - size);
  return {
    x: within((sheetMm[0] - w) / 2, usable.x, usable.widthMm, w),
    y: within((sheetMm[1] - h) / 2, usable.y, usable.heightMm, h),
    w,
    h,
  };
}

/** Two rooms for sections of half the pages; null: no section of that size is half of it. */
function halved(room: Room, schemes: ReturnType<typeof schemesFor>): [Room, Room] | null {
  const [whole, half] = [schemes[room.pages], schemes[room.pages / 2]];
  if (!whole || !half) return null;
  const pages = room.pages / 2;
  if (half.rows * 2 === whole.rows && half.cols === whole.cols) {
    const vMm = room.vMm / 2;
    return [
      { ...room, vMm, pages },
      { ...room, v: room.v + vMm, vMm, pages },
    ];
  }
  if (half.cols * 2 !== whole.cols || half.rows !== whole.rows) return null;
  const uMm = room.uMm / 2;
  return [
    { ...room, uMm, pages },
    { ...room, u: room.u + uMm, uMm, pages },
  ];
}

const roomsOf = ({ across, down, placeMm, pages }: SectionBlock): Room[] =>
  Array.from({ length: across * down }, (_, i) => ({
    u: (i % across) * placeMm[0],
    v: Math.floor(i / across) * placeMm[1],
    uMm: placeMm[0],
    vMm: placeMm[1],
    pages,
  }));

/** The rooms of one half of a block, in whose other half lie the same sections turned over; null where it has no halves that mirror each other. */
function roomsOfHalf(block: SectionBlock, mirror: SheetMirror): Room[] | null {
  const byU = (mirror === 'x') === (block.heads === 'along');
  const [number, middle] = byU ? [block.across, (block.across * block.placeMm[0]) / 2] : [block.down, (block.down * block.placeMm[1]) / 2];
  const ends = (r: Room): number => (byU ? r.u + r.uMm : r.v + r.vMm);
  const rooms = roomsOf(block);
  if (number % 2 === 0) return rooms.filter((r) => ends(r) <= middle + 1e-6);
  const halves = rooms.map((room) => halved(room, schemesFor(block.isDouble)));
  const found = halves.flatMap((pair, i) => {
    const room = rooms[i];
    const [first] = pair ?? [];
    if (!room || !first) return [];
    const isSplitHere = byU ? first.uMm < room.uMm : first.vMm < room.vMm;
    return isSplitHere ? [first] : [];
  });
  return found.length === rooms.length ? found : null;
}

/** Puts sections into rooms, the largest first, halving rooms where they are larger; null where one finds none. */
function filled(
  rooms: readonly Room[],
  sections: readonly { key: string; pages: number }[],
  schemes: ReturnType<typeof schemesFor>,
): { key: string; room: Room }[] | null {
  const free = [...rooms];
  const placed: { key: string; room: Room }[] = [];
  for (const { key, pages } of sections) {
    const at = free.reduce((best, r, i) => (r.pages >= pages && (best < 0 || r.pages < (free[best]?.pages ?? 0)) ? i : best), -1);
    let [room] = at < 0 ? [] : free.splice(at, 1);
    while (room && room.pages > pages) {
      const parts: [Room, Room] | null = halved(room, schemes);
      if (!parts) return null;
      room = parts[0];
      free.splice(at, 0, parts[1]);
    }
    if (!room) return null;
    placed.push({ key, room });
  }
  return placed;
}

/**
 * Flats of sections on a sheet, as often as asked; printed from one form: half as many, and their twins turned over on the other half.
 * Null where they find no room.
 * Source: geometry.
 */
export function flatsOf(
  block: SectionBlock,
  sheet: UsableSheet,
  sections: readonly { key: string; pages: number }[],
  copies: number,
  oneForm: SheetMirror | null,
): Flat[] | null {
  const box = blockBox(block, sheet);
  const rooms = oneForm === null ? roomsOf(block) : roomsOfHalf(block, oneForm);
  const times = oneForm === null ? copies : copies / 2;
  if (!rooms || !Number.isInteger(times)) return null;
  const placed = filled(
    rooms,
    sections.flatMap((s) => Array.from({ length: times }, () => s)),
    schemesFor(block.isDouble),
  );
  const flats = placed?.map(({ key, room }): Flat => ({ ...onSheet(room, block.heads, box), section: key, faceDown: false })) ?? null;
  if (!flats || oneForm === null) return flats;
  const twins = flats.map((f): Flat => ({ ...mirroredBox(f, oneForm, sheet.sheetMm), section: f.section, faceDown: true }));
  // Only in the middle of the sheet does a block lie on itself when the sheet is turned.
  const isInBlock = twins.every(
    (t) => t.x >= box.x - 1e-6 && t.y >= box.y - 1e-6 && t.x + t.w <= box.x + box.w + 1e-6 && t.y + t.h <= box.y + box.h + 1e-6,
  );
  return isInBlock ? [...flats, ...twins] : null;
}

function onSheet({ u, v, uMm, vMm }: Room, heads: Heads, box: SheetBox): SheetBox {
  return heads === 'along' ? { x: box.x + u, y: box.y + box.h - v - vMm, w: uMm, h: vMm } : { x: box.x + v, y: box.y + u, w: vMm, h: uMm };
}
