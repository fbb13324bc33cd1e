import type { DieLine, Plan } from '@druckerei/core';

/** A blank that folds up: its die line, its board, and the inside that was asked, where it was. */
export interface FoldablePart {
  id: string;
  product: string;
  name: string;
  die: DieLine;
  caliperMm: number;
  askedMm: readonly number[];
}

/** The blanks of a plan, each by the name of its die. */
export const foldableParts = (plan: Plan | null): FoldablePart[] =>
  Object.values(plan?.parts ?? {}).flatMap(({ id, product, traits }): FoldablePart[] => {
    const die = traits?.blank?.die;
    const { carton, sleeve } = traits ?? {};
    return die
      ? [
          {
            id,
            product,
            name: traits.dieName ?? id,
            die,
            caliperMm: (carton ?? sleeve)?.caliperMm ?? 0,
            askedMm: carton ? [carton.lengthMm, carton.widthMm, carton.heightMm] : [],
          },
        ]
      : [];
  });
