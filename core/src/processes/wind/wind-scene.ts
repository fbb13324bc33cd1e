import { boxAround, type Scene, type Shape } from '../../scene/scene';
import { idOf } from '../../quantity/id-of';
import { motherReels } from '../../stock/mother-reel';
import type { ConsumeContext } from '../process';
import { ofForm } from '../web-time';

/** Reels drawn at most; the list beside has all of them. */
const MOST_REELS = 8;

/** Mother reels unrolled to scale, each from its outside: where a paper roll ended, a splice; and the finished roll beside its tube. */
export function windScene(cx: ConsumeContext): Scene {
  const { ledger } = cx;
  const lengthM = ledger.value(ofForm(cx, 'rollLengthM'));
  const mostM = ledger.value(ofForm(cx, 'reelM'));
  const paperM = ledger.value(ofForm(cx, 'usableRoll'));
  const reels = motherReels(ledger.value(idOf(cx.id, 'metres')), mostM, lengthM);
  const [wide, high, gap, text] = [420, 20, 34, 11];
  const k = wide / mostM;
  const shapes: Shape[] = reels.slice(0, MOST_REELS).flatMap(({ fromM, toM }, i): Shape[] => {
    const y = i * (high + gap);
    const splices = Array.from({ length: Math.floor(toM / paperM) }, (_, n) => (n + 1) * paperM).filter((m) => m > fromM && m < toM);
    return [
      { kind: 'rect', role: 'web', x: 0, y, w: (toM - fromM) * k, h: high, ref: `reel ${i + 1}` },
      { kind: 'text', role: 'label', x: 0, y: y - 4, text: `reel ${i + 1}: ${Math.round(toM - fromM)} m, from its outside`, sizeMm: text },
      ...splices.flatMap((m): Shape[] => [
        { kind: 'line', role: 'splice', x1: (toM - m) * k, y1: y - 3, x2: (toM - m) * k, y2: y + high + 3, ref: 'splice' },
        {
          kind: 'text',
          role: 'label',
          x: (toM - m) * k,
          y: y + high + text + 1,
          text: `splice at ${Math.round(toM - m)} m`,
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
    says: `${reels.length} mother reels of at most ${mostM} metres, wound off backwards; a finished roll of ${lengthM} metres is ${Math.round(d * 100) / 100} millimetres thick, print ${side}side.`,
    box: boxAround(shapes, 12),
    toScale: false,
    shapes,
  };
}
