import type { Stock } from '../plant/plant';

/**
 * The press sheet of a stock: long side across the press.
 * @example pressSheet({ …, widthMm: 520, lengthMm: 720 }) → [720, 520]
 */
export const pressSheet = (stock: Pick<Stock, 'widthMm' | 'lengthMm'>): [long: number, short: number] => {
  const [a, b] = [stock.widthMm, stock.lengthMm ?? stock.widthMm];
  return a >= b ? [a, b] : [b, a];
};
