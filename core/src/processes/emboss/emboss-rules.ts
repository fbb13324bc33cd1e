import { practiceValue } from '../../plant/practice';
import { foilPlace, isPlaced } from '../../product/foil-area';
import { distanceToBox } from '../../product/die-line/points';
import { linesOf } from '../../product/die-line/die-line';
import { type OwnRule } from '../process';
import { reliefsOf } from './emboss-page';

/** A relief that was placed nearer a crease or a cut than board stretches: it breaks there. Source: common practice, no source. */
const nearCrease: OwnRule = {
  code: 'emboss.nearLine',
  find: (cx) =>
    reliefsOf(cx).flatMap((area) => {
      const die = area.part.traits?.blank?.die;
      if (!die || !isPlaced(area)) return [];
      const least = practiceValue(cx.plant, 'emboss.clearMm');
      const { xMm, yMm } = foilPlace(area, area.part);
      const [left, low] = [Math.min(...die.outline.map((p) => p[0])), Math.min(...die.outline.map((p) => p[1]))];
      // Areas are placed from the top edge, die lines run upwards.
      const box = { x: left + xMm, y: low + area.part.heightMm - yMm - area.heightMm, w: area.widthMm, h: area.heightMm };
      const nearest = Math.min(...linesOf(die).map(([a, b]) => distanceToBox(a, b, box)));
      if (nearest >= least - 1e-6) return [];
      return [
        {
          level: 'decide' as const,
          args: { area: area.name, mm: Math.round(nearest * 10) / 10, least },
          remedies: [{ do: 'ask' as const, says: 'remedy.moveRelief', desk: 'prepress' }],
        },
      ];
    }),
};

export const EMBOSS_RULES: readonly OwnRule[] = [nearCrease];
