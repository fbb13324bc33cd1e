import type { Id } from '../../quantity/figure';
import { type DieLine, type DieMeasures, measureDieLine } from '../../product/die-line/die-line';
import { idOf } from '../../quantity/id-of';
import { type WasteFace, wasteFaces } from '../../form/waste-faces';
import { cutByDie } from '../../layout/layout';
import { outlinesLaid } from '../../layout/outline-faults';
import type { DraftContext } from '../process';

declare module '../../product/part' {
  interface Traits {
    /** The die in the tool store that cuts it. */
    cutBy: Id<'tool'>;
    /** What a blank is called on the die's card: style and inside. */
    dieName: string;
  }
}

/** The die line of the form: all its blanks have the same. Null: nothing on it is die-cut. */
export const dieOf = ({ parts }: Pick<DraftContext, 'parts'>): DieLine | null => parts[0]?.traits?.blank?.die ?? null;

/** What of a blank is cut, creased, enclosed; nothing where it has no die line. */
export const measuresOf = (cx: Pick<DraftContext, 'parts'>): DieMeasures =>
  measureDieLine(
    dieOf(cx) ?? {
      outline: [
        [0, 0],
        [0, 0],
      ],
      slits: [],
      creases: [],
      joints: [],
    },
  );

/** Waste between the blanks that pins strip, where the die lies in the press; none where nothing is die-cut. */
export function wasteFacesOf(cx: Pick<DraftContext, 'parts' | 'layout' | 'form' | 'ledger'>): WasteFace[] {
  const die = dieOf(cx);
  const gap = idOf(cx.form?.id ?? '', 'blankGap');
  if (!die || !cx.layout || !cx.ledger.has(gap)) return [];
  return wasteFaces(
    outlinesLaid(cutByDie(cx.layout), die.outline).map((blank) => blank.outline),
    cx.ledger.value(gap),
  );
}

/** The blank as it stands on the die's card. */
export const outlineSays = ({ parts }: Pick<DraftContext, 'parts'>): string => parts[0]?.traits?.dieName ?? 'blank';
