import type { Remedy } from '../finding';
import { editAt } from '../../product/edit';
import { foilPlace, foldUnder, isPlaced, liesOnPiece } from '../../product/foil-area';
import type { JobSpec } from '../../product/job-spec';
import type { OwnRule } from '../process';
import { type AreaOnForm, areasOnForm, closestAsked, foilLanes, inTenths } from './foil-areas';

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

/** An edit of where an area lies, as far as the order says it itself. */
function placeAt(spec: JobSpec, area: AreaOnForm, place: Partial<Record<'xMm' | 'yMm' | 'side', number | string>>, says: string): Remedy[] {
  const product = spec.products[area.part.product];
  if (product?.kind !== 'made') return [];
  const edits = Object.entries(place).map(([key, value]) =>
    editAt(spec, ['products', area.part.product, 'wish', 'foils', area.id, key], value),
  );
  return [{ do: 'edit', says, args: { area: area.name }, edits }];
}

/** An area that was placed reaches beyond the edge of the piece: it would be struck into the trim. */
const foilOffPiece: OwnRule = {
  code: 'foil.offPiece',
  find: (cx, spec) =>
    areasOnForm(cx)
      .filter((area) => isPlaced(area) && !liesOnPiece(area, area.part))
      .map((area) => {
        const { part } = area;
        const { xMm, yMm } = foilPlace(area, part);
        const fits = area.widthMm <= part.widthMm && area.heightMm <= part.heightMm;
        const place = { xMm: Math.min(xMm, part.widthMm - area.widthMm), yMm: Math.min(yMm, part.heightMm - area.heightMm) };
        return {
          level: 'release' as const,
          args: { area: area.name, widthMm: part.widthMm, heightMm: part.heightMm },
          remedies: fits
            ? placeAt(spec, area, place, 'remedy.foilOntoPiece')
            : [{ do: 'ask' as const, says: 'remedy.smallerFoil', desk: 'prepress' as const }],
        };
      }),
};

/** An area that was placed across a fold: foil cracks where it is folded. Source: common practice, no source. */
const foilAcrossFold: OwnRule = {
  code: 'foil.acrossFold',
  find: (cx, spec) =>
    areasOnForm(cx).flatMap((area) => {
      const lineMm = isPlaced(area) ? foldUnder(area, area.part) : null;
      if (lineMm === null) return [];
      const beside = lineMm - area.widthMm;
      return [
        {
          level: 'decide' as const,
          args: { area: area.name, lineMm: inTenths(lineMm) },
          remedies: beside >= 0 ? placeAt(spec, area, { xMm: beside }, 'remedy.foilBesideFold') : [],
        },
      ];
    }),
};

/** Areas on both sides of a piece are two runs of the sheet, and one is planned. */
const foilBothSides: OwnRule = {
  code: 'foil.bothSides',
  find: (cx, spec) => {
    const areas = areasOnForm(cx);
    const [first] = areas;
    const other = areas.filter((a) => a.side !== first?.side);
    if (!first || other.length === 0) return [];
    return [
      {
        level: 'release' as const,
        args: { area: first.name, side: first.side, other: other.map((a) => a.name).join(', ') },
        remedies: other.flatMap((a) => placeAt(spec, a, { side: first.side }, 'remedy.foilOneSide')),
      },
    ];
  },
};

export const FOIL_RULES: readonly OwnRule[] = [foilTooLarge, foilOffPiece, foilAcrossFold, foilBothSides, foilToPrint];
