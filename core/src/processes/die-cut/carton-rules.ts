import { editAt } from '../../product/edit';
import { USUAL_CARTON } from '../../product/die-line/carton-ask';
import { cartonDieLine } from '../../product/die-line/carton';
import { tubeSizes } from '../../product/die-line/tube';
import type { CartonAsk } from '../../product/die-line/carton-ask';
import { idOf } from '../../quantity/id-of';
import type { JobSpec } from '../../product/job-spec';
import type { Part } from '../../product/part';
import { blankNest } from '../../layout/blank-nest';
import { copiesUp } from '../../layout/layout';
import { turnedAtOrigin } from '../../product/die-line/points';
import type { Finding } from '../finding';
import type { ConsumeContext, OwnRule } from '../process';

/* What is wrong with a carton as it was asked: it would not close, fold or glue. Source: geometry; the bounds are common practice, no source. */

type Found = Omit<Finding, 'code' | 'at'>;
const cartonsOf = ({ parts }: ConsumeContext): { part: Part; ask: CartonAsk }[] =>
  parts.flatMap((part) => (part.traits?.carton ? [{ part, ask: part.traits.carton }] : []));

const change = (spec: JobSpec, part: Part, key: string, value: number | string, says: string): Found['remedies'] => [
  { do: 'edit', says, args: { value }, edits: [editAt(spec, ['products', part.product, 'wish', key], value)] },
];

/** A tuck nearly as long as the carton is high meets the one from the other end. */
const tuckLong: OwnRule = {
  code: 'carton.tuckLong',
  find: (cx, spec) =>
    cartonsOf(cx).flatMap(({ part, ask }): Found[] => {
      const tuck = ask.tuckMm ?? USUAL_CARTON.tuckMm;
      const most = ask.heightMm - 5;
      if (ask.style === 'sleeve' || ask.style === 'tray' || tuck <= most) return [];
      return [
        {
          level: 'release',
          args: { tuckMm: tuck, mostMm: most },
          remedies: change(spec, part, 'tuckMm', Math.max(most, 5), 'remedy.tuck'),
        },
      ];
    }),
};

/** A glue flap wider than half the side it is glued to reaches past its middle, where the belts press. */
const flapWide: OwnRule = {
  code: 'carton.flapWide',
  find: (cx, spec) =>
    cartonsOf(cx).flatMap(({ part, ask }): Found[] => {
      if (ask.style === 'tray') return [];
      const { flapMm, panelsMm } = tubeSizes(ask);
      const most = Math.floor(panelsMm[3] / 2);
      if (flapMm <= panelsMm[3] / 2) return [];
      return [
        { level: 'release', args: { flapMm, mostMm: most }, remedies: change(spec, part, 'flapMm', Math.max(most, 5), 'remedy.flap') },
      ];
    }),
};

/** A bottom that opens by itself wants a front longer than the side: its flaps would lie over one another. */
const autoBottomShort: OwnRule = {
  code: 'carton.autoBottomShort',
  find: (cx, spec) =>
    cartonsOf(cx).flatMap(({ part, ask }): Found[] =>
      ask.style === 'autoBottom' && ask.lengthMm < ask.widthMm + 2
        ? [
            {
              level: 'release',
              args: { lengthMm: ask.lengthMm, leastMm: ask.widthMm + 2 },
              remedies: change(spec, part, 'style', 'snapLock', 'remedy.snapLock'),
            },
          ]
        : [],
    ),
};

/** The relief beside the tuck is narrower than the gap: rows cannot reach into one another, though a little more would let them. */
const rowsApart: OwnRule = {
  code: 'carton.rowsApart',
  find: (cx, spec) => {
    const [carton] = cartonsOf(cx);
    const gap = idOf(cx.form?.id ?? '', 'blankGap');
    if (!carton || !cx.layout?.cutsBox || !cx.ledger.has(gap) || (carton.ask.style !== 'reverse' && carton.ask.style !== 'straight'))
      return [];
    const { part, ask } = carton;
    const gapMm = cx.ledger.value(gap);
    const relief = ask.reliefMm ?? USUAL_CARTON.reliefMm;
    const least = gapMm - USUAL_CARTON.setInMm;
    if (relief >= least) return [];
    const turn = cx.layout.cells[0]?.turn === 90 || cx.layout.cells[0]?.turn === 270 ? 90 : 0;
    const { w, h } = cx.layout.cutsBox;
    const better = blankNest(turnedAtOrigin(cartonDieLine({ ...ask, reliefMm: least }).outline, turn), gapMm, [w, h]).places.length;
    const now = copiesUp(cx.layout);
    if (better <= now) return [];
    return [
      {
        level: 'decide',
        args: { reliefMm: relief, leastMm: least, better, now },
        remedies: change(spec, part, 'reliefMm', least, 'remedy.relief'),
      },
    ];
  },
};

export const CARTON_RULES: readonly OwnRule[] = [tuckLong, flapWide, autoBottomShort, rowsApart];
