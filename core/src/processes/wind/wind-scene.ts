import { boxAround, type Scene, type Shape } from '../../scene/scene';
import type { ConsumeContext } from '../process';
import { ofForm } from '../web-time';
import { reelsToWind } from './reels';

/** Reels drawn at most; the list beside has all of them. */
const MOST_REELS = 8;

/** Mother reels unrolled to scale, each from its outside: where a paper roll ended, a splice; and the finished roll beside its tube. */
export function windScene(cx: ConsumeContext): Scene {
  const { ledger } = cx;
  const lengthM = ledger.value(ofForm(cx, 'rollLengthM'));
  const mostM = ledger.value(ofForm(cx, 'reelM'));
  const { reels, more } = reelsToWind(cx);
  const [wide, high, gap, text] = [420, 20, 34, 11];
  const k = wide / mostM;
  const shapes: Shape[] = reels.slice(0, MOST_REELS).flatMap(({ fromM, toM, spliceM }, i): Shape[] => {
    const y = i * (high + gap);
    return [
      { kind: 'rect', role: 'web', x: 0, y, w: (toM - fromM) * k, h: high, ref: `reel ${i + 1}` },
      { kind: 'text', role: 'label', x: 0, y: y - 4, text: `reel ${i + 1}: ${Math.round(toM - fromM)} m, from its outside`, sizeMm: text },
      ...spliceM.flatMap((m): Shape[] => [
        { kind: 'line', role: 'splice', x1: m * k, y1: y - 3, x2: m * k, y2: y + high + 3, ref: 'splice' },
        {
          kind: 'text',
          role: 'label',
          x: m * k,
          y: y + high + text + 1,
          text: `splice at ${Math.round(m)} m`,
          sizeMm: text - 2,
          anchor: 'middle',
        },
      ]),
    ];
  });
  const below = Math.min(reels.length, MOST_REELS) * (high + gap) + 10;
  const [d, core] = [ledger.value(ofForm(cx, 'rollDiameterMm')), cx.parts[0]?.traits?.wound?.coreMm ?? 0];
  const r = 34;
  const side = cx.parts[0]?.traits?.wound?.printedSide ?? 'out';
  shapes.push(
    { kind: 'circle', role: 'roll', cx: r, cy: below + r, r, ref: 'finished roll' },
    ...(core > 0 ? [{ kind: 'circle', role: 'core', cx: r, cy: below + r, r: (r * core) / d, ref: 'tube' } as const] : []),
    {
      kind: 'text',
      role: 'label',
      x: 2 * r + 12,
      y: below + r,
      text: `${Math.round(d * 100) / 100} mm thick${core > 0 ? `, tube ${core}` : ', no tube'}, print ${side}side, ${Math.round(lengthM * 1000) / 1000} m`,
      sizeMm: text,
      anchor: 'start',
    },
  );
  return {
    title: 'reels as they are wound off',
    says: `${reels.length + more} mother reels of at most ${mostM} metres, wound off backwards; a finished roll of ${lengthM} metres is ${Math.round(d * 100) / 100} millimetres thick, print ${side}side.`,
    box: boxAround(shapes, 12),
    toScale: false,
    shapes,
  };
}
