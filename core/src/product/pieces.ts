import type { Part } from './part';

declare module './part' {
  interface Traits {
    /** Pieces of it that a copy takes, where it is not one: two boards, two endpapers. */
    pieces: number;
  }
}

/**
 * Pieces of a part that a copy takes.
 * @example piecesOf({ traits: { pieces: 2 } }) // 2
 */
export const piecesOf = (part: Pick<Part, 'traits'> | undefined): number => part?.traits?.pieces ?? 1;
