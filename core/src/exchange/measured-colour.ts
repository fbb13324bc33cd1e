import { readNumber } from '../quantity/read-number';
import { type Lab, labOf } from '../colour/lab';
import { REFLECTANCE, resampled, type Resampled, type Spectrum } from '../colour/spectrum';

/** A colour out of a file of measurements. */
export interface MeasuredRow {
  name: string;
  lab: Lab;
  spectrum?: Spectrum;
  notes: Resampled['notes'] | ['percent', ...Resampled['notes']];
}
export interface MeasuredFile {
  rows: MeasuredRow[];
  /** Lines that cannot be read, and why. */
  bad: { line: number; says: string }[];
}
/** The file has no columns a colour can be read from; says which are missing. */
export class NoColour extends Error {}

const WAVELENGTH = /^(?:SPECTRAL_?(?:NM)?_?|NM_?|R_?)?(\d{3})(?:\.0+)?(?:_?NM)?$/;
const NAMES = ['SAMPLE_NAME', 'SAMPLE_ID', 'SAMPLEID', 'NAME', 'ID'];
const LAB_COLUMNS = [
  ['LAB_L', 'LAB_A', 'LAB_B'],
  ['L*', 'A*', 'B*'],
  ['L', 'A', 'B'],
] as const;
const number = (text: string | undefined): number => (text === undefined ? NaN : readNumber(text));

/**
 * Colours out of a table with a head: spectra (columns named by their wavelength) or L*, a*, b*. Spectra win where both are there. Values up to 1.5 are shares,
 * greater ones percent; other wavelengths are brought to ours, and it is said.
 *
 * Source: column names of ISO 28178 (CGATS.17), and plain heads. @throws NoColour columns missing, by name
 */
export function measuredFromTable(head: readonly string[], lines: readonly (readonly string[])[], firstLine = 2): MeasuredFile {
  const upper = head.map((h) => h.trim().toUpperCase());
  const waves = upper
    .map((h, at) => ({ nm: Number(WAVELENGTH.exec(h)?.[1]), at }))
    .filter((w) => w.nm >= 300 && w.nm <= 850)
    .sort((a, b) => a.nm - b.nm);
  const lab = LAB_COLUMNS.map((names) => names.map((n) => upper.indexOf(n))).find((at) => at.every((i) => i >= 0));
  if (waves.length < 2 && !lab) {
    const some = LAB_COLUMNS[0].filter((n) => !upper.includes(n));
    throw new NoColour(
      some.length < 3
        ? `Column ${some.join(', ')} is missing: a colour needs LAB_L, LAB_A and LAB_B, or a column for each wavelength.`
        : 'No colour is in this file: it needs columns LAB_L, LAB_A, LAB_B, or a column for each wavelength (such as SPECTRAL_NM400).',
    );
  }
  const named = NAMES.map((n) => upper.indexOf(n)).find((i) => i >= 0);
  const file: MeasuredFile = { rows: [], bad: [] };
  lines.forEach((cells, i) => {
    const line = firstLine + i;
    const name = named === undefined ? `line ${line}` : (cells[named] ?? '').trim() || `line ${line}`;
    try {
      if (waves.length >= 2) {
        const values = waves.map((w) => number(cells[w.at]));
        const gap = values.findIndex((v) => Number.isNaN(v));
        if (gap >= 0) throw new Error(`has no number at ${waves[gap]?.nm ?? ''} nm`);
        const percent = values.some((v) => v > REFLECTANCE.max);
        const { spectrum, notes } = resampled(
          waves.map((w) => w.nm),
          percent ? values.map((v) => v / 100) : values,
        );
        file.rows.push({ name, spectrum, lab: labOf(spectrum), notes: percent ? ['percent', ...notes] : notes });
      } else {
        const [l, a, b] = (lab ?? []).map((at) => number(cells[at])) as [number, number, number];
        if ([l, a, b].some((v) => Number.isNaN(v))) throw new Error('lacks L*, a* or b*');
        if (!(l >= 0 && l <= 100.5)) throw new Error(`has an L* of ${l}: it lies between 0 and 100`);
        file.rows.push({ name, lab: [Math.min(l, 100), a, b], notes: [] });
      }
    } catch (error) {
      file.bad.push({ line, says: error instanceof Error ? error.message : String(error) });
    }
  });
  return file;
}

const tokens = (line: string): string[] => [...line.matchAll(/"([^"]*)"|(\S+)/g)].map((m) => m[1] ?? m[2] ?? '');

/** A file of the exchange format of ISO 28178 (CGATS.17): its head and its lines. Null: it is none. */
export function cgatsTable(text: string): { head: string[]; lines: string[][]; firstLine: number } | null {
  const all = text.split(/\r\n|\r|\n/).map((l) => l.trim());
  const at = (word: string): number => all.findIndex((l) => l.toUpperCase() === word);
  const [headFrom, headTo, from] = [at('BEGIN_DATA_FORMAT'), at('END_DATA_FORMAT'), at('BEGIN_DATA')];
  if (headFrom < 0 || from < 0) return null;
  const to = all.findIndex((l, i) => i > from && l.toUpperCase() === 'END_DATA');
  if (headTo < headFrom || to < 0) throw new NoColour('The file breaks off: END_DATA_FORMAT or END_DATA is missing.');
  const head = all.slice(headFrom + 1, headTo).flatMap(tokens);
  return {
    head,
    lines: all
      .slice(from + 1, to)
      .filter((l) => l !== '' && !l.startsWith('#'))
      .map(tokens),
    firstLine: from + 2,
  };
}
