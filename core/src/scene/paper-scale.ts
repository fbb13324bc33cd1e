import { requireAboveZero } from '../quantity/errors';

/** Scales a drawing office uses: full size, then reductions. Source: ISO 5455 (recommended reductions 1:2, 1:5, 1:10, 1:20 …). */
const REDUCTIONS = [1, 2, 5, 10, 20, 50, 100] as const;

/**
 * The largest ISO 5455 reduction at which a drawing fits a frame on paper: 2 means 1:2.
 *
 * @example paperScale({ widthMm: 1020, heightMm: 720 }, { widthMm: 180, heightMm: 150 }) // 10
 */
export function paperScale(drawing: { widthMm: number; heightMm: number }, frame: { widthMm: number; heightMm: number }): number {
  requireAboveZero('widthMm', drawing.widthMm);
  requireAboveZero('heightMm', drawing.heightMm);
  return (
    REDUCTIONS.find((r) => drawing.widthMm / r <= frame.widthMm && drawing.heightMm / r <= frame.heightMm) ??
    100 * Math.ceil(Math.max(drawing.widthMm / frame.widthMm, drawing.heightMm / frame.heightMm) / 100)
  );
}
