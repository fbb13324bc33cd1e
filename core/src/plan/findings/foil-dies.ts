import { idOf } from '../../quantity/id-of';
import { areasOnForm, foilLanes } from '../../processes/foil/foil-areas';
import type { Finding } from '../plan-types';
import type { Rule } from './rule';

/** A run wants a little more of a die than it counts: strikes to set up and to spare. */
const RESERVE = 1.05;

/** A foil area larger than the place of its die: wider than the copy, or longer than the dies stand apart. */
export const foilTooLarge: Rule = {
  code: 'foil.tooLarge',
  find: ({ contexts }) =>
    contexts.flatMap(({ cx, stone }): Omit<Finding, 'code'>[] => {
      if (!stone.process.laysFoil || !cx.layout) return [];
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
            at: cx.id,
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
    }),
};

/** A stored die that will not last the run. */
export const dieStrokesLeft: Rule = {
  code: 'die.strokesLeft',
  nr: 20,
  find: ({ plan, shelf, ledger, contexts }) =>
    Object.entries(plan.tools).flatMap(([id, use]): Omit<Finding, 'code'>[] => {
      if (use.supply.from !== 'store' || !Object.hasOwn(shelf.tools, use.supply.tool)) return [];
      const left = shelf.tools[use.supply.tool]?.lifeLeft ?? 0;
      const need = Math.ceil(ledger.value(use.cycles) * RESERVE);
      if (left >= need) return [];
      const at = contexts.find(({ cx }) => id.startsWith(`${cx.id}.`))?.cx.id ?? 'job';
      return [
        {
          level: 'decide',
          at,
          figure: idOf(at, 'run'),
          args: { tool: use.supply.tool, left, need },
          remedies: [{ do: 'ask', says: 'remedy.newDie', desk: 'tool store' }],
        },
      ];
    }),
};
