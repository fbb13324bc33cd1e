import { parse } from 'csv-parse/sync';
import type { BadRow } from '@druckerei/contract';
import { FAMILIES, familyOf, orderFromRow, ORDER_COLUMNS, orderedQuantity } from '@druckerei/core';
import type { FileRead, RowRead } from './thread-messages';

/** Rows an import takes at most, and how many of the good and bad ones a preview shows. */
export const MOST_ROWS = 50_000;
const SHOWN = 50;
const BAD_SHOWN = 500;
const MOST_BYTES_A_ROW = 20_000;

/** A file that cannot be read as a table at all; says where and why. */
export class NotATable extends Error {}

/** Reads a CSV of orders: separator and byte order mark are found out, every row becomes an order or is named with its line and its faults. */
export function readOrders(bytes: Buffer, keepRows: boolean): FileRead {
  const records = tableOf(bytes);
  const rows: RowRead[] = [];
  const bad: BadRow[] = [];
  for (const { record, info } of records) {
    const read = orderFromRow(record);
    if (read.ok) rows.push({ line: info.lines, customer: read.customer, spec: read.spec });
    else bad.push({ line: info.lines, issues: read.issues.slice(0, 10) });
  }
  const columns = Object.keys(records[0]?.record ?? {});
  const known = new Set<string>([
    ...ORDER_COLUMNS,
    ...Object.values(FAMILIES).flatMap((f) => f.fields.map((field) => field.key.toLowerCase())),
  ]);
  return {
    rows: keepRows ? rows : [],
    bad: bad.slice(0, BAD_SHOWN),
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
      columnsIgnored: columns.filter((c) => c.trim() !== '' && !known.has(c.trim().toLowerCase())),
    },
  };
}

function tableOf(bytes: Buffer): { record: Record<string, string>; info: { lines: number } }[] {
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
    }) as unknown as { record: Record<string, string>; info: { lines: number } }[];
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
