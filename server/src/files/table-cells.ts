import { parse } from 'csv-parse/sync';
import { Refused } from '../errors';

/** A table as its cells: head, lines, the number of the first line below the head. Separator and byte order mark are found out. */
export function cellsOf(bytes: Buffer): { head: string[]; lines: string[][]; firstLine: number } {
  if (bytes.includes(0)) throw new Refused(422, 'no-text', 'This is no text: send a CSV or text file.');
  const first = bytes.subarray(0, 4_096).toString('utf8').split('\n')[0] ?? '';
  const delimiter = [';', '\t', ','].find((d) => first.includes(d)) ?? ',';
  try {
    const [head, ...lines]: string[][] = parse(bytes, {
      bom: true,
      delimiter,
      skip_empty_lines: true,
      relax_column_count: true,
      trim: true,
      max_record_size: 100_000,
      to: 5_001,
    });
    if (!head) throw new Refused(422, 'empty', 'The file is empty.');
    return { head, lines, firstLine: 2 };
  } catch (error) {
    if (error instanceof Refused) throw error;
    throw new Refused(422, 'no-table', `The file does not read as a table: line ${(error as { lines?: number }).lines ?? '?'}.`);
  }
}
