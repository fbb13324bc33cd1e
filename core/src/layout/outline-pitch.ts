import { ascending } from '../quantity/ascending';
import { requireNotNegative } from '../quantity/errors';
import type { Point } from '../product/die-line/points';

/* How near equal blanks may lie to one another, by their true outlines. Only profiles are looked at (how high an outline reaches over each x), so that no
   blank is laid into the pocket of another; a gap is kept in x and y alike, which is a little more than round corners would want. */

/** A stretch of a profile: how high it is where it begins and where it ends, straight in between. */
interface Piece {
  from: number;
  to: number;
  atFrom: number;
  atTo: number;
}
/** What an outline reaches up to, stretch by stretch from left to right; so that it may be looked at often. */
export type Profile = readonly Piece[];

/** So far inside a stretch its ends are looked at: at the corner itself two stretches meet. */
const JUST_INSIDE_MM = 1e-7;
const EPS = 1e-9;

/** The highest point of an outline over the stretch from x − reach to x + reach; −∞ where nothing stands there. */
function topAt(outline: readonly Point[], x: number, reach: number): number {
  const [from, to] = [x - reach, x + reach];
  let top = -Infinity;
  for (let i = 0; i < outline.length; i++) {
    const [x0, y0] = outline[i] as Point;
    const [x1, y1] = outline[(i + 1) % outline.length] as Point;
    const [left, right] = [Math.max(Math.min(x0, x1), from), Math.min(Math.max(x0, x1), to)];
    if (left > right) continue;
    if (x0 === x1) top = Math.max(top, y0, y1);
    else {
      const at = (edge: number): number => y0 + ((y1 - y0) * (edge - x0)) / (x1 - x0);
      top = Math.max(top, at(left), at(right));
    }
  }
  return top;
}

/**
 * The upper profile of an outline, as if it were wider by `reach` on either side. Between its corners it is straight or, where two edges of a window meet,
 * lower than the straight line: never higher.
 * @throws OutOfRange reach below 0
 * @example a square of 10 with reach 3 is one stretch from −3 to 13, 10 high
 */
export function topProfile(outline: readonly Point[], reach: number): Profile {
  requireNotNegative('reach', reach);
  const corners = ascending([...new Set(outline.flatMap(([x]) => (reach === 0 ? [x] : [x - reach, x + reach])))]);
  return corners.slice(1).flatMap((to, i): Piece[] => {
    const from = corners[i] as number;
    if (to - from < 2 * JUST_INSIDE_MM) return [];
    const [atFrom, atTo] = [topAt(outline, from + JUST_INSIDE_MM, reach), topAt(outline, to - JUST_INSIDE_MM, reach)];
    return atFrom === -Infinity || atTo === -Infinity ? [] : [{ from, to, atFrom, atTo }];
  });
}
/** How far down an outline reaches, as a profile of its underside turned up. */
export const underProfile = (outline: readonly Point[]): Profile =>
  topProfile(
    outline.map(([x, y]): Point => [x, -y]),
    0,
  );

const heightAt = ({ from, to, atFrom, atTo }: Piece, x: number): number => atFrom + ((atTo - atFrom) * (x - from)) / (to - from);

/**
 * How far above another an outline must lie, moved by `shift` to the right, so that both keep a gap; −∞ where they do not meet however near.
 *
 * Formula: max over x of top(below) + under(above) + gap, the profile below wider by the gap. Both are made of straight stretches, so the greatest lies at
 * an end of one.
 * Source: geometry.
 * @example pitchOfProfiles([{ from: -3, to: 13, atFrom: 10, atTo: 10 }], [{ from: 0, to: 10, atFrom: 0, atTo: 0 }], 0, 3) // 13
 */
export function pitchOfProfiles(below: Profile, above: Profile, shift: number, gap: number): number {
  let pitch = -Infinity;
  for (let i = 0, j = 0; i < below.length && j < above.length;) {
    const [a, b] = [below[i] as Piece, above[j] as Piece];
    const [from, to] = [Math.max(a.from, b.from + shift), Math.min(a.to, b.to + shift)];
    if (to - from > EPS)
      pitch = Math.max(pitch, heightAt(a, from) + heightAt(b, from - shift) + gap, heightAt(a, to) + heightAt(b, to - shift) + gap);
    if (a.to < b.to + shift) i++;
    else j++;
  }
  return pitch;
}

/**
 * The same of outlines.
 * @throws OutOfRange gap below 0
 * @example pitchAlong([[0, 0], [9, 0], [9, 9], [0, 9]], [[0, 0], [9, 0], [9, 9], [0, 9]], 0, 3) // 12
 */
export const pitchAlong = (below: readonly Point[], above: readonly Point[], shift: number, gap: number): number =>
  pitchOfProfiles(topProfile(below, gap), underProfile(above), shift, gap);

/**
 * From left to right: how far to the right an outline must lie, moved up by `shift`.
 * @throws OutOfRange gap below 0
 * @example pitchAcross([[0, 0], [9, 0], [9, 5], [0, 5]], [[0, 0], [9, 0], [9, 5], [0, 5]], 0, 3) // 12
 */
export const pitchAcross = (left: readonly Point[], right: readonly Point[], shift: number, gap: number): number => {
  const lying = (outline: readonly Point[]): Point[] => outline.map(([x, y]): Point => [y, x]);
  return pitchAlong(lying(left), lying(right), shift, gap);
};
