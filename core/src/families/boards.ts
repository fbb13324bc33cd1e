import type { Plant } from '../plant/plant';

/** Board starts about here: thinner, a carton does not stand. Common practice, no source. */
const LEAST_BOARD_UM = 250;
/** Thicker, and it is laminated, or no board at all: the metal of dies. */
const MOST_BOARD_UM = 1_200;

/** Grades of board a blank may be made of; the usual one of the works first, where it is board. */
export function boardsOf({ stocks, usualGrade }: Plant): string[] {
  const boards = Object.values(stocks)
    .filter((s) => s.form === 'sheet' && s.caliperUm >= LEAST_BOARD_UM && s.caliperUm <= MOST_BOARD_UM)
    .map((s) => s.grade);
  return [...new Set([...(boards.includes(usualGrade) ? [usualGrade] : []), ...boards.sort()])];
}

/** Thickness of a board: that of the first stock of its grade. A die is made for a board, not for a lot. */
export const caliperMmOf = (grade: string, plant: Plant): number =>
  (Object.values(plant.stocks).find((s) => s.form === 'sheet' && s.grade === grade)?.caliperUm ?? 400) / 1000;
