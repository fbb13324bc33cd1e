import { readInks } from '../product/ink-names';
import { readNumber, readWhole } from '../quantity/read-number';
import { FAMILIES, familyOf } from '../families/registry';
import type { WishField } from '../families/family';
import { type FamilyId, type JobSpec, NO_CHOICES } from '../product/job-spec';
import { JobSpecSchema } from '../plan/door';

/** Columns of a file of orders that stand for the order; every other column is a field of the product, by its key. */
export const ORDER_COLUMNS = ['customer', 'product', 'line', 'quantity', 'due', 'deliver to', 'over %', 'under %'] as const;
const ORDER = new Set<string>(ORDER_COLUMNS);

export interface RowIssue {
  column: string;
  says: string;
}
/** An order as a row of a file says it. */
export type OrderRead = { ok: true; customer: string; spec: JobSpec } | { ok: false; issues: RowIssue[] };

/**
 * Reads one row of a file of orders: columns by name, whatever their order; an empty cell is what was not said. Lists are set apart by spaces ("K C M Y").
 * Every fault names its column and what it should hold; what the door refuses is named by the column it came from.
 */
export function orderFromRow(row: Readonly<Record<string, string>>): OrderRead {
  const cells = new Map(Object.entries(row).map(([k, v]) => [k.trim().toLowerCase(), v.trim()]));
  const cell = (name: string): string => cells.get(name) ?? '';
  const issues: RowIssue[] = [];
  const said = <T>(column: string, value: T | null, otherwise: string): T | null => {
    if (value === null) issues.push({ column, says: otherwise });
    return value;
  };
  const family = said('line', familyNamed(cell('line')), `is none of: ${LINES.map((f) => f.words.name).join(', ')}`);
  const customer = said('customer', cell('customer') || null, 'is empty');
  const quantity = said('quantity', wholeOf(cell('quantity')), 'is not a whole number');
  const by = said('due', localMoment(cell('due')), 'is no date such as 2026-12-03 or 2026-12-03 14:00');
  const overPpm = said('over %', percentPpm(cell('over %')), 'is no percentage');
  const underPpm = said('under %', percentPpm(cell('under %')), 'is no percentage');
  if (family === null || customer === null || quantity === null || by === null || overPpm === null || underPpm === null)
    return { ok: false, issues };
  const { product, starts, fields, words } = familyOf(family);
  const wish: Record<string, unknown> = { ...starts };
  for (const [name, text] of cells) {
    if (ORDER.has(name) || text === '') continue;
    const field = said(name, fields.find((f) => f.key.toLowerCase() === name) ?? null, `is no field of “${words.name}”`);
    if (field) wish[field.key] = cellValue(text, field.kind);
  }
  if (issues.length > 0) return { ok: false, issues };
  const read = JobSpecSchema.safeParse({
    schema: 1,
    name: cell('product'),
    items: {
      i1: {
        orderLine: null,
        product,
        versions: { only: { name: 'only', quantity, changes: [] } },
        deliveries: [{ by, share: { only: quantity }, to: cell('deliver to') }],
        overs: { underPpm, overPpm, extra: 'customer' },
        pieces: 'alike',
        balanced: false,
      },
    },
    products: { [product]: { kind: 'made', family, wish } },
    choices: NO_CHOICES,
    overrides: {},
    decisions: {},
  });
  if (read.success) return { ok: true, customer, spec: read.data };
  return { ok: false, issues: read.error.issues.map((i) => ({ column: columnOf(i.path.map(String)), says: i.message })) };
}

const LINES = Object.values(FAMILIES);
/** A line by its id or its name, however it is written. */
const familyNamed = (text: string): FamilyId | null =>
  LINES.find((f) => f.id === text.toLowerCase() || f.words.name.toLowerCase() === text.toLowerCase())?.id ?? null;

const wholeOf = (text: string): number | null => {
  const whole = readWhole(text);
  return Number.isNaN(whole) ? null : whole;
};

/** A percentage in parts per million; nothing is 0. */
function percentPpm(text: string): number | null {
  if (text === '') return 0;
  const match = /^(\d{1,3}(?:[.,]\d+)?)\s*%?$/.exec(text);
  return match ? Math.round(readNumber(match[1] ?? '') * 10_000) : null;
}

/** A day, or a day and a time; a day alone is noon, as on the order form. */
function localMoment(text: string): string | null {
  const match = /^(\d{4}-\d{2}-\d{2})(?:[T ](\d{2}:\d{2}))?$/.exec(text);
  return match ? `${match[1] ?? ''}T${match[2] ?? '12:00'}` : null;
}

function cellValue(text: string, kind: WishField['kind']): unknown {
  switch (kind) {
    case 'inks':
      return readInks(text);
    case 'flag':
      return /^(yes|true|1|x)$/i.test(text);
    case 'length':
    case 'count':
    case 'percent': {
      const number = readNumber(text);
      return Number.isFinite(number) ? number : text;
    }
    default:
      return text;
  }
}

/** The column a refused place came from. */
function columnOf(path: readonly string[]): string {
  if (path[0] === 'name') return 'product';
  if (path[0] === 'products') return path[3] ?? 'line';
  if (path.includes('quantity')) return 'quantity';
  return path.includes('to') ? 'deliver to' : 'due';
}
