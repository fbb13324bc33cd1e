import { readNumber } from '../quantity/read-number';
import { ReadingSchema, type Reading } from '../register/reading';

export interface ReadingsFile {
  inks: { ink: string; readings: Reading[] }[];
  bad: { line: number; says: string }[];
}
/** What heads may be called, and what their numbers are in, to millimetres. */
const TO_MM: Record<string, number> = { DX: 1, DY: 1, DX_MM: 1, DY_MM: 1, DX_UM: 0.001, DY_UM: 0.001, DX_µM: 0.001, DY_µM: 0.001 };

/** Readings out of a table with the columns ink, mark, dx, dy (in mm, or dx_um, dy_um). @throws Error a column missing, by name */
export function readingsFromTable(head: readonly string[], lines: readonly (readonly string[])[]): ReadingsFile {
  const upper = head.map((h) => h.trim().toUpperCase());
  const [ink, mark] = ['INK', 'MARK'].map((n) => upper.indexOf(n)) as [number, number];
  const [dx, dy] = ['DX', 'DY'].map((n) => upper.findIndex((h) => h.startsWith(n) && h in TO_MM)) as [number, number];
  const missing = Object.entries({ ink, mark, dx, dy }).filter(([, at]) => at < 0);
  if (missing.length > 0) throw new Error(`Column ${missing.map(([n]) => n).join(', ')} is missing: readings need ink, mark, dx and dy.`);
  const file: ReadingsFile = { inks: [], bad: [] };
  lines.forEach((cells, i) => {
    const value = (at: number): number => readNumber(cells[at] ?? '') * (TO_MM[upper[at] ?? ''] ?? 1);
    const read = ReadingSchema.safeParse({ mark: (cells[mark] ?? '').trim(), dxMm: value(dx), dyMm: value(dy) });
    const name = (cells[ink] ?? '').trim();
    if (!read.success || name === '') {
      const says = read.success ? 'names no ink' : read.error.issues.map((x) => `${x.path.join('.')} ${x.message}`).join('; ');
      file.bad.push({ line: i + 2, says });
      return;
    }
    const of = file.inks.find((k) => k.ink === name);
    if (of) of.readings.push(read.data);
    else file.inks.push({ ink: name, readings: [read.data] });
  });
  return file;
}
