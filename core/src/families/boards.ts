import type { Plant, Stock } from '../plant/plant';

/** Board starts about here: thinner, a carton does not stand. Common practice, no source. */
const LEAST_BOARD_UM = 250;
/** Thicker, and it is laminated, or no board at all: the metal of dies. */
const MOST_BOARD_UM = 1_200;

/** Whether cartons and sleeves may be made of a stock. */
export const isBoard = ({ form, caliperUm }: Pick<Stock, 'form' | 'caliperUm'>): boolean =>
  form === 'sheet' && caliperUm >= LEAST_BOARD_UM && caliperUm <= MOST_BOARD_UM;

/** Grades of board a blank may be made of; the usual one of the works first, where it is board. */
export function boardsOf({ stocks, usualGrade }: Plant): string[] {
  const boards = Object.values(stocks)
    .filter(isBoard)
    .map((s) => s.grade);
  return [...new Set([...(boards.includes(usualGrade) ? [usualGrade] : []), ...boards.sort()])];
}

/** What the works adds to a panel of a board by its table; nothing where it has none. */
export const panelAddOf = (grade: string, plant: Plant): number | undefined => boardOf(grade, plant)?.panelAddMm;
const boardOf = (grade: string, { stocks }: Pick<Plant, 'stocks'>): Stock | undefined =>
  Object.values(stocks).find((s) => s.form === 'sheet' && s.grade === grade);

/** Thickness of a board: that of the first stock of its grade. A die is made for a board, not for a lot. */
export const caliperMmOf = (grade: string, plant: Pick<Plant, 'stocks'>): number => (boardOf(grade, plant)?.caliperUm ?? 400) / 1000;
