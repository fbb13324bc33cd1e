/**
 * A number as a person types it: decimal point or comma, thin spaces or blanks between thousands, a true minus.
 *
 * One place for the whole program: what a comma means must not differ from screen to screen. Text that is no number, or none at all, is NaN.
 * A comma is a decimal mark; "1,000" is one, as "1.000" is.
 *
 * @example readNumber('1 234,5') // 1234.5
 * @example readNumber('−0,2') // -0.2
 */
export function readNumber(text: string): number {
  const plain = text
    .replace(/[\s\u00a0\u2009\u202f'’]/g, '')
    .replace(',', '.')
    .replace('−', '-');
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : NaN;
}
