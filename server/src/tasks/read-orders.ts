import { parse } from 'csv-parse/sync';
import type { BadRow } from '@druckerei/contract';
import { FAMILIES, familyOf, orderFromRow, ORDER_COLUMNS, orderedQuantity } from '@druckerei/core';
import type { FileRead, RowRead } from './thread-messages';

/** Rows an import takes at most, and how many of the good and bad ones a preview shows. */
export const MOST_ROWS = 50_000;
const SHOWN = 50;
/** Bad rows a preview and an import name. */
export const BAD_SHOWN = 500;
const MOST_BYTES_A_ROW = 20_000;

/** A file that cannot be read as a table at all; says where and why. */
export class NotATable extends Error {}

/** A row of a file by the names of its columns, with its line. */
export interface FileRow {
  record: Record<string, string>;
  info: { lines: number };
}

/** Rows as orders; those that cannot become one are named with their line and their faults. */
export function ordersOf(records: readonly FileRow[]): { rows: RowRead[]; bad: BadRow[] } {
  const rows: RowRead[] = [];
  const bad: BadRow[] = [];
  for (const { record, info } of records) {
    const read = orderFromRow(record);
    if (read.ok) rows.push({ line: info.lines, customer: read.customer, spec: read.spec });
    else bad.push({ line: info.lines, issues: read.issues.slice(0, 10) });
  }
  return { rows, bad };
}

/** What a CSV of orders would make: separator and byte order mark are found out, nothing is made. */
export function readOrders(bytes: Buffer): FileRead {
  const records = tableOf(bytes);
  const { rows, bad } = ordersOf(records);
  const known = new Set<string>([
    ...ORDER_COLUMNS,
    ...Object.values(FAMILIES).flatMap((f) => f.fields.map((field) => field.key.toLowerCase())),
  ]);
  return {
    customers: [...new Set(rows.map((r) => r.customer))],
    preview: {
      rows: records.length,
      good: rows.length,
      customersNew: [],
      first: rows.slice(0, SHOWN).map(({ line, customer, spec }) => {
        const [item, product] = [Object.values(spec.items)[0], Object.values(spec.products)[0]];
        return {
          line,
          customer,
          title: spec.name,
          pieces: product?.kind === 'made' ? familyOf(product.family).words.pieces : '',
          quantity: item ? orderedQuantity(item) : 0,
          due: item?.deliveries[0]?.by ?? '',
        };
      }),
      bad: bad.slice(0, BAD_SHOWN),
      badRows: bad.length,
      columnsIgnored: Object.keys(records[0]?.record ?? {}).filter((c) => c.trim() !== '' && !known.has(c.trim().toLowerCase())),
    },
  };
}

/** @throws NotATable what is no table, or too long */
export function tableOf(bytes: Buffer): FileRow[] {
  if (bytes.includes(0)) throw new NotATable('This is no text: send a CSV file, as a spreadsheet saves it.');
  const head = bytes.subarray(0, 4_096).toString('utf8').split('\n')[0] ?? '';
  const delimiter = [';', '\t', ','].find((d) => head.includes(d)) ?? ',';
  try {
    const records = parse(bytes, {
      bom: true,
      columns: true,
      delimiter,
      info: true,
      skip_empty_lines: true,
      relax_column_count: true,
      max_record_size: MOST_BYTES_A_ROW,
      to: MOST_ROWS + 1,
    }) as unknown as FileRow[];
    if (records.length === 0) throw new NotATable('There is no row below the first line with the names of the columns.');
    if (records.length > MOST_ROWS) throw new NotATable(`More than ${MOST_ROWS} rows: send them in several files.`);
    return records;
  } catch (error) {
    if (error instanceof NotATable) throw error;
    const { code, lines } = error as { code?: string; lines?: number };
    const why = code === 'CSV_QUOTE_NOT_CLOSED' ? 'a quotation mark is opened and never closed' : 'it does not read as a table';
    throw new NotATable(`Line ${lines ?? '?'}: ${why}.`);
  }
}
