/** Sizes in millimetres, short side first, by name: "A4", "SRA3". */
export interface SheetSize {
  widthMm: number;
  heightMm: number;
}

/**
 * The largest of each series and how far it is halved.
 * Source: ISO 216 (A, B), ISO 269 (C), ISO 217 (RA, SRA). Each next size halves the long side, whole millimetres, rounded down.
 */
const SERIES: Record<string, { first: [number, number]; steps: number }> = {
  A: { first: [841, 1189], steps: 10 },
  B: { first: [1000, 1414], steps: 10 },
  C: { first: [917, 1297], steps: 10 },
  RA: { first: [860, 1220], steps: 4 },
  SRA: { first: [900, 1280], steps: 4 },
};

/**
 * The size of a standard format, or null when the name is none of ISO 216, 269 or 217.
 *
 * @example isoSize('A4') // { widthMm: 210, heightMm: 297 }
 */
export function isoSize(name: string): SheetSize | null {
  const found = /^(A|B|C|RA|SRA)(\d{1,2})$/.exec(name.trim().toUpperCase());
  const series = found?.[1] === undefined ? undefined : SERIES[found[1]];
  const halvings = Number(found?.[2]);
  if (!series || halvings > series.steps) return null;
  let [short, long] = series.first;
  for (let i = 0; i < halvings; i++) [short, long] = [Math.floor(long / 2), short];
  return { widthMm: short, heightMm: long };
}
