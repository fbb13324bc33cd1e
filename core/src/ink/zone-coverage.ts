import { OutOfRange, requireAboveZero } from '../quantity/errors';

/** A separation read to sums: mean coverage, 0 to 1, of each column and each row of its pixels. All that zones need, however large the picture was. */
export interface CoverageProfile {
  columns: readonly number[];
  rows: readonly number[];
  /** Of the whole. */
  mean: number;
}
/** A copy where it lies on the sheet, and how it is turned there: a quarter turn lays its rows across the zones. */
export interface PlacedCopy {
  x: number;
  y: number;
  w: number;
  h: number;
  turn: 0 | 90 | 180 | 270;
}
export interface ZonesOf {
  /** Width of an ink zone, and how many the press has; they stand in the middle of the sheet. */
  zoneMm: number;
  zones: number;
  sheetMm: readonly [width: number, height: number];
}

/** Shares of a copy's ink along the sheet's width, left to right. */
function along(profile: CoverageProfile, turn: PlacedCopy['turn']): readonly number[] {
  switch (turn) {
    case 0:
      return profile.columns;
    case 180:
      return [...profile.columns].reverse();
    // Turned to the right by a quarter: what was the lowest row lies on the left.
    case 90:
      return [...profile.rows].reverse();
    case 270:
      return profile.rows;
  }
}

/**
 * Coverage of each ink zone in percent of the zone's area on the sheet: each copy where it lies, turned as it lies; never averaged over the sheet.
 *
 * Formula: Σ over copies of ∫ coverage dx · height, over zone width · sheet height. What lies outside all zones is counted apart. Law: the zones' areas times their
 * coverage and what lies outside add up to the copies' areas times their coverage.
 * Source: arithmetic. @throws OutOfRange a sheet or zone of no size, a copy of no size
 */
export function zoneCoverage(
  copies: readonly { at: PlacedCopy; profile: CoverageProfile }[],
  { zoneMm, zones, sheetMm: [widthMm, heightMm] }: ZonesOf,
): { percent: number[]; outsideMm2: number } {
  requireAboveZero('zoneMm', zoneMm);
  requireAboveZero('zones', zones);
  requireAboveZero('sheetMm', widthMm);
  requireAboveZero('sheetMm', heightMm);
  const left = (widthMm - zones * zoneMm) / 2;
  const areas = new Array<number>(zones).fill(0);
  let outsideMm2 = 0;
  for (const { at, profile } of copies) {
    requireAboveZero('copy', at.w * at.h);
    const slices = along(profile, at.turn);
    if (slices.length === 0) throw new OutOfRange('separation', 0, 'one pixel at least');
    const wide = at.w / slices.length;
    slices.forEach((coverage, i) => {
      const from = at.x + i * wide - left;
      const to = from + wide;
      let placed = 0;
      for (let z = Math.max(Math.floor(from / zoneMm), 0); z <= Math.min(Math.floor(to / zoneMm), zones - 1); z++) {
        const overlap = Math.min(to, (z + 1) * zoneMm) - Math.max(from, z * zoneMm);
        if (overlap <= 0) continue;
        areas[z] = (areas[z] as number) + overlap * at.h * coverage;
        placed += overlap;
      }
      outsideMm2 += Math.max(wide - placed, 0) * at.h * coverage;
    });
  }
  return { percent: areas.map((mm2) => (100 * mm2) / (zoneMm * heightMm)), outsideMm2 };
}
