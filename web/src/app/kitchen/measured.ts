import { formatNumber, type Lab, type Measurement } from '@druckerei/core';

/** A measurement as it crosses the wire. */
export const sent = ({ lab, spectrum, ...rest }: Measurement) => ({
  ...rest,
  lab: [...lab] as [number, number, number],
  ...(spectrum && { spectrum: [...spectrum] }),
});
export const labSays = ([l, a, b]: Lab): string => `${formatNumber(l, 1)} / ${formatNumber(a, 1)} / ${formatNumber(b, 1)}`;
