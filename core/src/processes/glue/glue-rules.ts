import { practiceValue } from '../../plant/practice';
import { isFromTheDrum } from '../../product/ink-names';
import { editAt } from '../../product/edit';
import { type OwnRule, settingPath } from '../process';
import { glueUsed } from './glue-page';

/** A panel or a blank smaller than the belts hold. */
const tooSmall: OwnRule = {
  code: 'glue.tooSmall',
  find: (cx) =>
    cx.parts.flatMap((part) => {
      const gluing = part.traits?.glued;
      if (!gluing) return [];
      const [leastPanel, leastBlank] = [practiceValue(cx.plant, 'glue.leastPanelMm'), practiceValue(cx.plant, 'glue.leastBlankMm')];
      const blank = Math.min(part.widthMm, part.heightMm);
      if (gluing.leastPanelMm >= leastPanel && blank >= leastBlank) return [];
      return [
        {
          level: 'release' as const,
          args: { panelMm: Math.round(gluing.leastPanelMm * 10) / 10, blankMm: Math.round(blank * 10) / 10, leastPanel, leastBlank },
          remedies: [],
        },
      ];
    }),
};

/** Cold glue needs board that drinks: on a coat that was not tried it opens. The coat is kept off the seam; a coat all over is not. */
const coldOnCoat: OwnRule = {
  code: 'glue.coldOnCoat',
  nr: 33,
  find: (cx, spec) => {
    const coatOnGlue = cx.parts.some((p) => p.artwork?.coatOnGlue === true && p.colours.flat().some(isFromTheDrum));
    if (!coatOnGlue || glueUsed(cx) !== 'coldGlue') return [];
    return [
      {
        level: 'decide',
        args: {},
        remedies: [{ do: 'edit', says: 'remedy.hotMelt', args: {}, edits: [editAt(spec, settingPath(cx, 'glue'), 'hotMelt')] }],
      },
    ];
  },
};

export const GLUE_RULES: readonly OwnRule[] = [tooSmall, coldOnCoat];
