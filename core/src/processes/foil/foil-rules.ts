import type { OwnRule } from '../process';
import { areasOnForm, closestAsked, foilLanes } from './foil-areas';

/** A foil area larger than the place of its die: wider than the copy, or longer than the dies stand apart. */
const foilTooLarge: OwnRule = {
  code: 'foil.tooLarge',
  find: (cx) => {
    if (!cx.layout) return [];
    return areasOnForm(cx).flatMap((area) => {
      const cell = cx.layout?.cells.find((c) => c.part === area.part.id);
      const turned = cell?.turn === 90 || cell?.turn === 270;
      const { widthMm, heightMm } = area.part;
      const [along, across] = turned ? [widthMm, heightMm] : [heightMm, widthMm];
      const lane = foilLanes(cx, area);
      const placeMm = lane.dies > 1 ? Math.min(lane.pitchMm, along) : along;
      if (lane.imageMm <= placeMm && lane.laneWidthMm <= across) return [];
      return [
        {
          level: 'release' as const,
          args: {
            area: area.name,
            widthMm: area.widthMm,
            heightMm: area.heightMm,
            placeWidthMm: Math.round(across),
            placeHeightMm: Math.round(placeMm),
          },
          remedies: [{ do: 'ask' as const, says: 'remedy.smallerFoil', desk: 'prepress' }],
        },
      ];
    });
  },
};

/** Foil asked closer to print than the machine's card says it holds. */
const foilToPrint: OwnRule = {
  code: 'foil.toPrint',
  nr: 40,
  find: (cx) => {
    const asked = closestAsked(cx.parts);
    const holds = cx.machine.limits.foilToPrintMm;
    if (asked === null || holds === undefined || asked >= holds) return [];
    return [{ level: 'decide', args: { asked, holds }, remedies: [{ do: 'ask', says: 'remedy.widenArt', desk: 'prepress' }] }];
  },
};

export const FOIL_RULES: readonly OwnRule[] = [foilTooLarge, foilToPrint];
