import { foldStates, type FoldProgram, type Leaf, NotFoldable } from './fold-model';
import { emptySignature, type PageCell, placeOf, type Signature } from './imposition';

/*
 * Two copies folded and bound as one double-length piece, sawn apart at last. Come-and-go: one of them stands on its head, so that the folded piece turned end for end
 * is the other copy's section; head to foot: both lie alike.
 */

/** What meets at the saw: the heads of both copies, their feet, or the head of one and the foot of the other. */
export const SAW_JOINTS = ['headToHead', 'feetToFeet', 'headToFoot'] as const;
export type SawJoint = (typeof SAW_JOINTS)[number];

/** A copy of the two: the one that lies as it is read, or the one that is turned end for end to be read (of head to foot: the lower one, that lies too). */
export type TwoUpCopy = 'lying' | 'other';

interface CopyPile {
  copy: TwoUpCopy;
  /** It is read from the other side: turned over about its short axis, its last leaf lies up. */
  isTurned: boolean;
  leaves: readonly Leaf[];
}

/**
 * The two piles a program leaves, one above the other, and which copy each is.
 * @throws NotFoldable where it leaves anything but two piles, one above the other
 */
function copyPiles(program: FoldProgram, joint: SawJoint): [CopyPile, CopyPile] {
  const [sheet, ...others] = foldStates(program).at(-1) ?? [];
  const [upper, lower] = [sheet?.[0], sheet?.[1]];
  if (!upper || !lower || others.length > 0 || sheet?.length !== 2 || upper.length !== 1 || lower.length !== 1)
    throw new NotFoldable(program.steps.length - 1, 'notOnePile');
  const [above, below] = [upper[0] ?? [], lower[0] ?? []];
  // Heads meet where the lower copy lies as it is read; feet where the upper one does.
  if (joint === 'feetToFeet')
    return [
      { copy: 'lying', isTurned: false, leaves: above },
      { copy: 'other', isTurned: true, leaves: below },
    ];
  return [
    { copy: 'lying', isTurned: false, leaves: below },
    { copy: 'other', isTurned: joint === 'headToHead', leaves: above },
  ];
}

/** Faces of a pile in the order they are read, with which way their heads stand on the flat sheet. */
function facesOf({ leaves, isTurned }: CopyPile): { leaf: Leaf; onFront: boolean; head: PageCell['head'] }[] {
  const inOrder = isTurned ? [...leaves].reverse() : leaves;
  return inOrder.flatMap((leaf) =>
    [0, 1].map((face) => ({
      leaf,
      // Turned over, the lower face is read first.
      onFront: (face === 0) === (leaf.frontUp !== isTurned),
      head: leaf.reversed === isTurned ? ('up' as const) : ('down' as const),
    })),
  );
}

/**
 * Pages of both copies on one sheet; the back as it is seen after turning the sheet from left to right.
 * Source: geometry, by folding the sheet.
 * @param pageOf the page on the k-th place of a copy's section, 1 the first
 * @throws NotFoldable as the fold model, or where the program does not leave two piles
 */
export function twoUpSignature(program: FoldProgram, joint: SawJoint, pageOf: (copy: TwoUpCopy, k: number) => number): Signature {
  const made = emptySignature(program);
  for (const pile of copyPiles(program, joint))
    for (const [i, { leaf, onFront, head }] of facesOf(pile).entries()) {
      const { line, at } = placeOf(made, leaf, onFront);
      line[at] = { page: pageOf(pile.copy, i + 1), head };
    }
  return made;
}

/**
 * What is read of each copy once the sheet is folded, sawn apart and laid as it is read: the proof of a two-up layout.
 * @throws NotFoldable as above
 */
export const readTwoUp = (
  printed: Signature,
  program: FoldProgram,
  joint: SawJoint,
): Record<TwoUpCopy, { pages: (number | null)[]; headsUp: boolean }> => {
  const read = (copy: TwoUpCopy): { pages: (number | null)[]; headsUp: boolean } => {
    const seen = copyPiles(program, joint)
      .filter((pile) => pile.copy === copy)
      .flatMap(facesOf)
      .map(({ leaf, onFront, head }) => {
        const { line, at } = placeOf(printed, leaf, onFront);
        return { cell: line[at], head };
      });
    return { pages: seen.map(({ cell }) => cell?.page ?? null), headsUp: seen.every(({ cell, head }) => cell?.head === head) };
  };
  return { lying: read('lying'), other: read('other') };
};

/**
 * The section that lies beside one in a gathered book run come-and-go: the folded piece turned end for end is the hopper of that one.
 * Formula: n + 1 − i. Source: geometry.
 * @example partnerOf(1, 19) // 19
 */
export const partnerOf = (position: number, positions: number): number => positions + 1 - position;
