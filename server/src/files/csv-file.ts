import { stringify } from 'csv-stringify/sync';
import type { FileReply } from '../replies';

/**
 * Rows as CSV with a head and a byte order mark, so that a spreadsheet reads it as UTF-8. Text that a spreadsheet would run as a formula (= + - @ and
 * control characters in front) is made plain by a leading apostrophe; numbers stay numbers.
 */
export const csvFile = (name: string, rows: readonly Record<string, string | number>[]): FileReply => ({
  mime: 'text/csv; charset=utf-8',
  name,
  attached: true,
  bytes: Buffer.from(stringify([...rows], { header: true, bom: true, escape_formulas: true, record_delimiter: 'windows' })),
});

export const jsonFile = (name: string, document: unknown): FileReply => ({
  mime: 'application/json; charset=utf-8',
  name,
  attached: true,
  bytes: Buffer.from(`${JSON.stringify(document, null, 1)}\n`),
});
