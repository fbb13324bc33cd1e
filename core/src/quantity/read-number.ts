/** What sets thousands apart and says nothing: blanks, thin spaces, apostrophes. */
const APART = /[\s\u00a0\u2009\u202f'’]/g;
const plainly = (text: string): string => text.replace(APART, '').replace('−', '-');

/** Thousands set apart by one mark and decimals by the other ("1.234,5"), or thousands by a mark that comes again ("1,234,567"). */
const GROUPED = /^([+-]?\d{1,3}(?:([.,])\d{3})(?:\2\d{3})*)(?!\2)[.,](\d+)$|^([+-]?\d{1,3}([.,])\d{3}(?:\5\d{3})+)$/;

/**
 * A number as a person types it: decimal point or comma, thin spaces or blanks between thousands, a true minus.
 *
 * One place for the whole program: what a comma means must not differ from screen to screen. Text that is no number, or none at all, is NaN.
 * A single comma or point is a decimal mark; where a person types, `unclearNumber` asks about "1,200" before.
 *
 * @example readNumber('1 234,5') // 1234.5
 * @example readNumber('1,234,567') // 1234567
 * @example readNumber('−0,2') // -0.2
 */
export function readNumber(text: string): number {
  const plain = plainly(text);
  const [, whole, , decimals, onlyWhole] = GROUPED.exec(plain) ?? [];
  if (whole !== undefined) return Number(`${whole.replace(/[.,]/g, '')}.${decimals ?? '0'}`);
  if (onlyWhole !== undefined) return Number(onlyWhole.replace(/[.,]/g, ''));
  const single = plain.replace(',', '.');
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(single) ? Number(single) : NaN;
}

/**
 * A count of things as a person types it: "10 000", "10,000" and "10.000" are ten thousand, as there are no parts of a piece. Anything else is NaN.
 * @example readWhole('7,500') // 7500
 */
export function readWhole(text: string): number {
  const plain = plainly(text);
  return /^[+-]?(\d{1,15}|\d{1,3}(?:([.,])\d{3})(?:\2\d{3})*)$/.test(plain) ? Number(plain.replace(/[.,]/g, '')) : NaN;
}

/**
 * Both readings of a number that can be read in two ways, with a decimal comma and with thousands set apart by it; null: it is clear.
 * @example unclearNumber('1,200') // [1.2, 1200]
 * @example unclearNumber('0,200') // null
 */
export function unclearNumber(text: string): [decimal: number, thousands: number] | null {
  const plain = plainly(text);
  return /^[+-]?[1-9]\d{0,2},\d{3}$/.test(plain) ? [Number(plain.replace(',', '.')), Number(plain.replace(',', ''))] : null;
}
