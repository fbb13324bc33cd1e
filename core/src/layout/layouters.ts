import type { Id } from '../quantity/figure';
import type { Layouter } from './layouter';
import { outlineLayouter } from './outline-layouter';
import { rectangleLayouter } from './rectangle-layouter';
import { rollPiecesLayouter } from './roll-pieces-layouter';
import { rollsOnWebLayouter } from './rolls-on-web-layouter';
import { signatureLayouter } from './signature-layouter';
import { webLayouter } from './web-layouter';
import { webSectionsLayouter } from './web-sections-layouter';

const ALL: readonly Layouter[] = [
  rectangleLayouter,
  outlineLayouter,
  webLayouter,
  rollPiecesLayouter,
  rollsOnWebLayouter,
  signatureLayouter,
  webSectionsLayouter,
];

/** Every way to lay parts on forms, by id. */
export const LAYOUTERS: Readonly<Record<Id<'layouter'>, Layouter>> = Object.fromEntries(ALL.map((l) => [l.id, l]));
