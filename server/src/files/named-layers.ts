import type { Point, RawLayer } from '@druckerei/core';

/** Paths by the layer they stood in, in the order in which layers were met. */
export const named = (layers: ReadonlyMap<string, Point[][]>): RawLayer[] => [...layers].map(([name, paths]) => ({ name, paths }));
