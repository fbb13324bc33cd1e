import type { Plant, Stock } from '../plant/plant';

/** Paper ends about here: thicker, and it is board. Common practice, no source. */
const MOST_PAPER_UM = 250;
/** Covers may be of light board too. */
const MOST_COVER_UM = 450;

type Stocks = Pick<Plant, 'stocks'>;
const gradesOf = ({ stocks }: Stocks, suits: (stock: Stock) => boolean): string[] => [
  ...new Set(
    Object.values(stocks)
      .filter((s) => s.form === 'sheet' && s.lengthMm !== undefined && suits(s))
      .sort((a, b) => a.gsm - b.gsm)
      .map((s) => s.grade),
  ),
];

/** Grades that text may be printed on, the lightest first. */
export const textGrades = (plant: Stocks): string[] => gradesOf(plant, (s) => s.caliperUm <= MOST_PAPER_UM);
/** Grades of paper that come from the roll, the lightest first: no laminates. */
export const webGrades = ({ stocks }: Stocks): string[] => [
  ...new Set(
    Object.values(stocks)
      .filter((s) => s.form === 'roll' && s.laminate === undefined && s.caliperUm <= MOST_PAPER_UM)
      .sort((a, b) => a.gsm - b.gsm)
      .map((s) => s.grade),
  ),
];
/** Grades that a cover may be made of, the lightest first. */
export const coverGrades = (plant: Stocks): string[] => gradesOf(plant, (s) => s.caliperUm <= MOST_COVER_UM);

/** Boards of cases begin about here, and end where a hinge no longer holds them. Common practice, no source. */
const BINDERS_BOARD_UM = { least: 1_500, most: 3_000 } as const;
/** Boards that cases are made of, the lightest first. */
export const boardGrades = (plant: Stocks): string[] =>
  gradesOf(plant, (s) => s.caliperUm >= BINDERS_BOARD_UM.least && s.caliperUm <= BINDERS_BOARD_UM.most);
/** Cloth for cases: what comes from the roll, is no laminate, and is thicker than paper; the lightest first. */
export const clothGrades = ({ stocks }: Stocks): string[] => [
  ...new Set(
    Object.values(stocks)
      .filter((s) => s.form === 'roll' && s.laminate === undefined && s.caliperUm > MOST_PAPER_UM)
      .sort((a, b) => a.gsm - b.gsm)
      .map((s) => s.grade),
  ),
];

/** The grade whose mass comes nearest to what is usual, of several; null: there is none. */
export function gradeNear(grades: readonly string[], gsm: number, { stocks }: Stocks): string | null {
  const off = (grade: string): number =>
    Math.min(...Object.values(stocks).flatMap((s) => (s.grade === grade ? Math.abs(s.gsm - gsm) : [])));
  return grades.reduce<string | null>((best, grade) => (best === null || off(grade) < off(best) ? grade : best), null);
}
