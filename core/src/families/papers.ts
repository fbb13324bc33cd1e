import type { Plant, Stock } from '../plant/plant';

/** Paper ends about here: thicker, and it is board. Common practice, no source. */
const MOST_PAPER_UM = 250;
/** Covers may be of light board too. */
const MOST_COVER_UM = 450;

const gradesOf = ({ stocks }: Plant, suits: (stock: Stock) => boolean): string[] => [
  ...new Set(
    Object.values(stocks)
      .filter((s) => s.form === 'sheet' && s.lengthMm !== undefined && suits(s))
      .sort((a, b) => a.gsm - b.gsm)
      .map((s) => s.grade),
  ),
];

/** Grades that text may be printed on, the lightest first. */
export const textGrades = (plant: Plant): string[] => gradesOf(plant, (s) => s.caliperUm <= MOST_PAPER_UM);
/** Grades of paper that come from the roll, the lightest first: no laminates. */
export const webGrades = ({ stocks }: Plant): string[] => [
  ...new Set(
    Object.values(stocks)
      .filter((s) => s.form === 'roll' && s.laminate === undefined && s.caliperUm <= MOST_PAPER_UM)
      .sort((a, b) => a.gsm - b.gsm)
      .map((s) => s.grade),
  ),
];
/** Grades that a cover may be made of, the lightest first. */
export const coverGrades = (plant: Plant): string[] => gradesOf(plant, (s) => s.caliperUm <= MOST_COVER_UM);
