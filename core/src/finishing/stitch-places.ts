/**
 * Middles of the stitches along the spine, mm from the head: the outer ones so far from head and foot, the others evenly between; one alone in the middle.
 * Source: common practice, no source.
 * @example stitchPlacesMm(210, 2, 52.5) // [52.5, 157.5]
 */
export function stitchPlacesMm(heightMm: number, stitches: number, fromHeadMm: number): number[] {
  if (stitches === 1) return [heightMm / 2];
  const step = (heightMm - 2 * fromHeadMm) / (stitches - 1);
  return Array.from({ length: stitches }, (_, i) => fromHeadMm + i * step);
}
