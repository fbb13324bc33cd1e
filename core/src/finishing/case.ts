import { requireAboveZero, requireNotNegative } from '../quantity/errors';
import type { Formula } from '../quantity/figure';

/** Board of a case, across: it stands out at the fore-edge, and begins behind the spine. Source: arithmetic; 105 + 3 − 6 = 102. */
export const BOARD_WIDTH: Formula<'widthMm' | 'squareMm' | 'setBackMm'> = {
  id: 'finishing.boardWidth',
  unit: 'mm',
  source: 'arithmetic; square and set-back common practice, no source',
  of: ({ widthMm, squareMm, setBackMm }) => widthMm + squareMm - setBackMm,
};
/** Board of a case, along the spine: it stands out at head and foot. Source: arithmetic; 150 + 2 · 3 = 156. */
export const BOARD_HEIGHT: Formula<'heightMm' | 'squareMm'> = {
  id: 'finishing.boardHeight',
  unit: 'mm',
  source: 'arithmetic; square common practice, no source',
  of: ({ heightMm, squareMm }) => heightMm + 2 * squareMm,
};
/** Strip of a flat back: as thick as block and boards. Source: arithmetic; 14.192 + 2 · 2.5 = 19.192. */
export const FLAT_STRIP: Formula<'blockMm' | 'boardMm'> = {
  id: 'finishing.flatStrip',
  unit: 'mm',
  source: 'arithmetic',
  of: ({ blockMm, boardMm }) => blockMm + 2 * boardMm,
};
/** Strip of a round back: the arc itself. Source: geometry. */
export const ROUND_STRIP: Formula<'arcMm'> = { id: 'finishing.roundStrip', unit: 'mm', source: 'geometry', of: ({ arcMm }) => arcMm };
/** Cloth of a case, across. Source: arithmetic; 204 + 16 + 15.763 + 30 = 265.763. */
export const CLOTH_WIDTH: Formula<'boardWidthMm' | 'jointMm' | 'stripMm' | 'turnInMm'> = {
  id: 'finishing.clothWidth',
  unit: 'mm',
  source: 'arithmetic; joint and turn-in common practice, no source',
  of: ({ boardWidthMm, jointMm, stripMm, turnInMm }) => 2 * boardWidthMm + 2 * jointMm + stripMm + 2 * turnInMm,
};
/** Cloth of a case, along the spine. Source: arithmetic; 156 + 30 = 186. */
export const CLOTH_HEIGHT: Formula<'boardHeightMm' | 'turnInMm'> = {
  id: 'finishing.clothHeight',
  unit: 'mm',
  source: 'arithmetic; turn-in common practice, no source',
  of: ({ boardHeightMm, turnInMm }) => boardHeightMm + 2 * turnInMm,
};

/** A case round a block; lengths in mm. */
export interface CaseAsk {
  /** Of the trimmed block. */
  widthMm: number;
  heightMm: number;
  blockMm: number;
  /** Of a rounded spine its arc; null: the back is flat. */
  arcMm: number | null;
  boardMm: number;
  /** The case stands out by so much at head, foot and fore-edge. */
  squareMm: number;
  /** A board begins so far from the spine. */
  setBackMm: number;
  /** From board to strip, in which the case opens. */
  jointMm: number;
  turnInMm: number;
}
/** Common practice, no source: board 2.5, square 3, set-back 6 to 7, joint 7 to 10, turn-in 15 to 18. */
export const USUAL_CASE = { boardMm: 2.5, squareMm: 3, setBackMm: 6, jointMm: 8, turnInMm: 15 } as const;

export interface CaseSizes {
  board: [widthMm: number, heightMm: number];
  strip: [widthMm: number, heightMm: number];
  cloth: [widthMm: number, heightMm: number];
}

/**
 * Boards, strip and cloth of a case.
 *
 * Formulas: board (W + square − set-back) × (H + 2·square); strip arc, or block + 2·board where the back is flat; cloth 2·board + 2·joint + strip + 2·turn-in by
 * board height + 2·turn-in. Source: arithmetic; the allowances are common practice, no source.
 * @throws OutOfRange a size not above 0, an allowance below 0
 * @example caseSizes({ widthMm: 105, heightMm: 150, blockMm: 14.192, arcMm: 15.763, ...USUAL_CASE }).board // [102, 156]
 */
export function caseSizes(ask: CaseAsk): CaseSizes {
  const { widthMm, heightMm, blockMm, arcMm, boardMm, squareMm, setBackMm, jointMm, turnInMm } = ask;
  for (const [field, value] of Object.entries({ widthMm, heightMm, blockMm })) requireAboveZero(field, value);
  for (const [field, value] of Object.entries({ boardMm, squareMm, setBackMm, jointMm, turnInMm })) requireNotNegative(field, value);
  const [boardWidth, tall] = [BOARD_WIDTH.of({ widthMm, squareMm, setBackMm }), BOARD_HEIGHT.of({ heightMm, squareMm })];
  const strip = arcMm === null ? FLAT_STRIP.of({ blockMm, boardMm }) : ROUND_STRIP.of({ arcMm });
  return {
    board: [boardWidth, tall],
    strip: [strip, tall],
    cloth: [
      CLOTH_WIDTH.of({ boardWidthMm: boardWidth, jointMm, stripMm: strip, turnInMm }),
      CLOTH_HEIGHT.of({ boardHeightMm: tall, turnInMm }),
    ],
  };
}

/** A jacket reaches so far round its flap's fold. Common practice, no source. */
const ROUND_FLAP_MM = 3;
/**
 * Jacket round a case: from flap to flap, as high as its boards.
 * Formula: 2·(board + joint) + strip + 2·(flap + 3). Source: arithmetic; common practice, no source.
 * @example jacketMm({ board: [102, 156], strip: [16, 156] }, { jointMm: 8, flapMm: 90 }) // [422, 156]
 */
export const jacketMm = (
  { board, strip }: Pick<CaseSizes, 'board' | 'strip'>,
  { jointMm, flapMm }: { jointMm: number; flapMm: number },
): [widthMm: number, heightMm: number] => [2 * (board[0] + jointMm) + strip[0] + 2 * (flapMm + ROUND_FLAP_MM), board[1]];
