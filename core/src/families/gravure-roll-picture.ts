import { boxAround, type Scene, type Shape } from '../scene/scene';
import { rollDiameterMm } from '../stock/roll';
import { wishedRoll } from './gravure-roll-wish';
import type { GravureRollWish } from './gravure-roll-wish';

/** Repeats of the tail that are drawn. */
const TAIL_REPEATS = 2;

/** The finished roll from its end and along it, to scale, with two repeats of its tail unrolled beneath. */
export function gravureRollPicture(wish: GravureRollWish, caliperUm: number): Scene {
  const { widthMm, lengthM, coreMm, turnMm, printedSide, sleeveUm } = wishedRoll(wish);
  const innerMm = coreMm > 0 ? coreMm : MANDREL_MM;
  const diameterMm = rollDiameterMm({ lengthM, coreMm: innerMm, caliperUm });
  const r = diameterMm / 2;
  const text = Math.max(widthMm, turnMm) / 22;
  const left = diameterMm + text * 3;
  const top = diameterMm + text * 3;
  const tailMm = TAIL_REPEATS * turnMm;
  const shapes: Shape[] = [
    { kind: 'circle', role: 'roll', cx: r, cy: r, r, ref: 'end of the roll' },
    { kind: 'circle', role: 'core', cx: r, cy: r, r: innerMm / 2, ref: 'coreMm' },
    { kind: 'rect', role: 'roll', x: left, y: 0, w: widthMm, h: diameterMm, ref: 'roll' },
    ...(sleeveUm > 0
      ? [
          {
            kind: 'rect',
            role: 'band',
            x: left - text / 2,
            y: -text / 4,
            w: widthMm + text,
            h: diameterMm + text / 2,
            ref: 'sleeveUm',
          } as const,
        ]
      : []),
    { kind: 'rect', role: 'web', x: left, y: top, w: widthMm, h: tailMm, ref: 'tail' },
    ...Array.from({ length: TAIL_REPEATS - 1 }, (_, i): Shape => ({
      kind: 'line',
      role: 'fold',
      x1: left,
      y1: top + (i + 1) * turnMm,
      x2: left + widthMm,
      y2: top + (i + 1) * turnMm,
    })),
    { kind: 'line', role: 'dimension', x1: left, y1: top + tailMm + text, x2: left + widthMm, y2: top + tailMm + text, ref: 'widthMm' },
    { kind: 'line', role: 'dimension', x1: left - text, y1: top, x2: left - text, y2: top + turnMm, ref: 'turnMm' },
    { kind: 'line', role: 'dimension', x1: left + widthMm + text, y1: top, x2: left + widthMm + text, y2: top + tailMm, ref: 'lengthM' },
  ];
  return {
    title: 'finished product',
    says: `Roll ${widthMm} millimetres wide, ${lengthM} metres long, ${Math.round(diameterMm * 10) / 10} thick${coreMm > 0 ? ` on a tube of ${coreMm}` : ', without a tube'}, printed side ${printedSide}; the pattern repeats every ${turnMm}${sleeveUm > 0 ? `; sleeved in film of ${sleeveUm} micrometres` : ''}.`,
    box: boxAround(shapes, text * 2),
    toScale: true,
    shapes,
  };
}
/** Where no tube stays in it, it was wound round a mandrel and slid off: middle of 10 to 20 mm. Common practice, no source. */
const MANDREL_MM = 15;
