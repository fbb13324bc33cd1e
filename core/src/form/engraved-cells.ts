import type { Formula } from '../quantity/figure';
import { OutOfRange, requireAboveZero } from '../quantity/errors';
import { portableCos as cos, portableSin as sin } from '../quantity/portable-math';

/* Cells of an engraved cylinder: a lattice of so many lines a centimetre, its diagonals at an angle; each cell as deep as its stylus makes it. */

/** A screen: lines a centimetre, and the angle of its diagonals to the turn. */
export interface Screen {
  linesPerCm: number;
  angleDeg: number;
}
const radians = (degrees: number): number => (degrees * Math.PI) / 180;
const UM_PER_CM = 10_000;
function requireScreen({ linesPerCm, angleDeg }: Screen): void {
  requireAboveZero('linesPerCm', linesPerCm);
  if (!(angleDeg >= 30 && angleDeg <= 60)) throw new OutOfRange('angleDeg', angleDeg, '30 to 60');
}

/**
 * Cells on a square centimetre: each track lies half a cell on from the one before.
 *
 * Formula: L² · sin 2α (pitch along the turn 1/(L cos α), from track to track 1/(2 L sin α)). Source: geometry of the lattice.
 * @throws OutOfRange lines not above 0, an angle not from 30 to 60
 * @example cellsPerCm2({ linesPerCm: 60, angleDeg: 60 }) // 3117.69
 */
export function cellsPerCm2(screen: Screen): number {
  requireScreen(screen);
  return screen.linesPerCm * screen.linesPerCm * sin(2 * radians(screen.angleDeg));
}
/**
 * Cells on one track round the cylinder, a whole number, so that its seam closes.
 *
 * Formula: turn · L · cos α, to the nearest whole. Source: geometry of the lattice.
 * @throws OutOfRange a turn not above 0, a screen that is none
 * @example cellsATurn({ linesPerCm: 54, angleDeg: 45 }, 500) // 1909
 */
export function cellsATurn(screen: Screen, turnMm: number): number {
  requireScreen(screen);
  requireAboveZero('turnMm', turnMm);
  return Math.round((turnMm / 10) * screen.linesPerCm * cos(radians(screen.angleDeg)));
}
/**
 * Cells of a cylinder: its whole band is gone over, image or not.
 *
 * Formula: band · turn · cells a square centimetre. Source: arithmetic.
 * @throws OutOfRange a band or turn not above 0, a screen that is none
 * @example cellsOfBand({ linesPerCm: 70, angleDeg: 45 }, { bandMm: 1_000, turnMm: 600 }) // 29400000
 */
export function cellsOfBand(screen: Screen, { bandMm, turnMm }: { bandMm: number; turnMm: number }): number {
  requireAboveZero('bandMm', bandMm);
  requireAboveZero('turnMm', turnMm);
  return (bandMm / 10) * (turnMm / 10) * cellsPerCm2(screen);
}
/**
 * How deep a stylus cuts a cell of a width. Formula: width / (2 tan(θ/2)). Source: geometry of a pointed stylus.
 * @param angleDeg of the stylus, 110 to 140 as a rule
 * @throws OutOfRange a width not above 0, an angle not between 0 and 180
 * @example cellDepthUm({ widthUm: 180, angleDeg: 130 }) // 41.97
 */
export function cellDepthUm({ widthUm, angleDeg }: { widthUm: number; angleDeg: number }): number {
  requireAboveZero('widthUm', widthUm);
  if (!(angleDeg > 0 && angleDeg < 180)) throw new OutOfRange('angleDeg', angleDeg, 'between 0 and 180');
  const half = radians(angleDeg) / 2;
  return (widthUm * cos(half)) / (2 * sin(half));
}
/**
 * Ink that the cells of a square metre hold, cm³: a film of as many µm before any is left in them.
 *
 * Formula: along · across · depth / 6, cells a square metre times. Source: volume of a cell with four slanting sides (standard).
 * @throws OutOfRange a width not above 0
 * @example cellVolumeCm3PerM2({ alongUm: 180, acrossUm: 180, depthUm: 41.97, cellsPerCm2: 4_900 }) // 11.1
 */
export function cellVolumeCm3PerM2({
  alongUm,
  acrossUm,
  depthUm,
  cellsPerCm2: cells,
}: {
  alongUm: number;
  acrossUm: number;
  depthUm: number;
  cellsPerCm2: number;
}): number {
  requireAboveZero('alongUm', alongUm);
  requireAboveZero('acrossUm', acrossUm);
  // µm³ a cell, 10⁴ cm² a m², 10¹² µm³ a cm³.
  return (((alongUm * acrossUm * depthUm) / 6) * cells) / 1e8;
}
/**
 * Wall that is left between two cells of a track, for the blade to run on; 5 to 8 µm at the least (common practice, no source).
 *
 * Formula: 1/(L cos α) − width. Source: geometry of the lattice.
 * @throws OutOfRange a screen that is none
 * @example wallUm({ linesPerCm: 70, angleDeg: 45 }, 180) // 22.03
 */
export function wallUm(screen: Screen, widthUm: number): number {
  requireScreen(screen);
  return UM_PER_CM / (screen.linesPerCm * cos(radians(screen.angleDeg))) - widthUm;
}

/** Terms of a screen, as figures carry them. */
type OfScreen = 'linesPerCm' | 'angleDeg';
/**
 * The cells of a band as a figure: `cellsOfBand`. Source: arithmetic.
 * @example CELLS.of({ linesPerCm: 54, angleDeg: 45, bandMm: 1_410, turnMm: 500 }) // 20557800
 */
export const CELLS: Formula<OfScreen | 'bandMm' | 'turnMm'> = {
  id: 'form.cells',
  unit: '1',
  source: 'geometry of the lattice',
  of: ({ bandMm, turnMm, ...screen }) => (bandMm > 0 && turnMm > 0 ? cellsOfBand(screen, { bandMm, turnMm }) : 0),
};
/**
 * The whole cells of a turn as a figure: `cellsATurn`. Source: geometry of the lattice.
 * @example CELLS_A_TURN.of({ linesPerCm: 54, angleDeg: 45, turnMm: 500 }) // 1909
 */
export const CELLS_A_TURN: Formula<OfScreen | 'turnMm'> = {
  id: 'form.cellsATurn',
  unit: '1',
  source: 'geometry of the lattice',
  of: ({ turnMm, ...screen }) => (turnMm > 0 ? cellsATurn(screen, turnMm) : 0),
};
/**
 * The depth of a cell as a figure: `cellDepthUm`. Source: geometry of a pointed stylus.
 * @example CELL_DEPTH.of({ widthUm: 180, stylusDeg: 130 }) // 41.97
 */
export const CELL_DEPTH: Formula<'widthUm' | 'stylusDeg'> = {
  id: 'form.cellDepth',
  unit: 'µm',
  source: 'geometry of a pointed stylus',
  of: ({ widthUm, stylusDeg }) => cellDepthUm({ widthUm, angleDeg: stylusDeg }),
};
/**
 * Ink that full cells hold, as the film it would be on a square metre: `cellVolumeCm3PerM2`, cells as wide as long. 1 cm³ a m² is 1 µm. Source: volume of a cell
 * (standard).
 * @example CELL_VOLUME.of({ linesPerCm: 70, angleDeg: 45, widthUm: 180, depthUm: 41.97 }) // 11.1
 */
export const CELL_VOLUME: Formula<OfScreen | 'widthUm' | 'depthUm'> = {
  id: 'form.cellVolume',
  unit: 'µm',
  source: 'volume of a cell with four slanting sides (standard)',
  of: ({ widthUm, depthUm, ...screen }) =>
    widthUm > 0 ? cellVolumeCm3PerM2({ alongUm: widthUm, acrossUm: widthUm, depthUm, cellsPerCm2: cellsPerCm2(screen) }) : 0,
};
/**
 * The wall between two full cells as a figure: `wallUm`. Source: geometry of the lattice.
 * @example CELL_WALL.of({ linesPerCm: 70, angleDeg: 45, widthUm: 180 }) // 22.03
 */
export const CELL_WALL: Formula<OfScreen | 'widthUm'> = {
  id: 'form.cellWall',
  unit: 'µm',
  source: 'geometry of the lattice',
  of: ({ widthUm, ...screen }) => wallUm(screen, widthUm),
};
/**
 * Wet film that full cells leave on the web: what they hold, and the share that leaves them. Source: 0.4 to 0.6 leave them, common practice, no source.
 * @example CELL_FILM.of({ volumeUm: 11.1, transfer: 0.5 }) // 5.55
 */
export const CELL_FILM: Formula<'volumeUm' | 'transfer'> = {
  id: 'form.cellFilm',
  unit: 'µm',
  source: 'common practice, no source',
  of: ({ volumeUm, transfer }) => volumeUm * transfer,
};
