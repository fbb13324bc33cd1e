import { practiceValue } from '../../plant/practice';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import type { ConsumeContext } from '../process';

/** A cover as it lies flat: where it is scored, glued and trimmed; mm from the left edge of its untrimmed piece. */
export interface SpreadSizes {
  widthMm: number;
  heightMm: number;
  spineMm: number;
  /** From the left edge: back trimmed, score beside, spine, spine, score beside, front trimmed. */
  trimMm: readonly [number, number];
  scoresMm: readonly [number, number, number, number];
  headMm: number;
  footMm: number;
}

/** Sizes of the cover of one book; null where there is none. Scores: at both edges of the spine and a little beside. Common practice, no source. */
export function spreadSizes({ parts, plant }: Pick<ConsumeContext, 'parts' | 'plant'>): SpreadSizes | null {
  const cover = parts.find((p) => p.traits?.spread);
  const text = parts.find((p) => p.traits?.adhesive);
  const { spread } = cover?.traits ?? {};
  const { adhesive } = text?.traits ?? {};
  if (!cover || !text || !spread || !adhesive) return null;
  const beside = practiceValue(plant, 'bind.scoreBesideMm');
  const { faceMm, headMm, footMm } = adhesive.trims;
  // A flap folds in behind the front: its edge is no trimmed face.
  const spineAt = (cover.widthMm - spread.spineMm) / 2;
  const other = spineAt + spread.spineMm;
  const out = adhesive.flapMm > 0 ? 0 : faceMm;
  return {
    widthMm: cover.widthMm,
    heightMm: text.heightMm + headMm + footMm,
    spineMm: spread.spineMm,
    trimMm: [out, cover.widthMm - out],
    scoresMm: [spineAt - beside, spineAt, other, other + beside],
    headMm,
    footMm,
  };
}

const tenths = (mm: number): string => String(Math.round(mm * 10) / 10);

/** The cover spread, outside up: back, spine, front; scores, glue areas, what is trimmed off. */
export function coverScene(cx: Pick<ConsumeContext, 'parts' | 'plant'>): Scene {
  const sizes = spreadSizes(cx);
  if (!sizes) return { title: 'cover spread', says: 'No cover.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
  const { widthMm: w, heightMm: h, scoresMm, trimMm, spineMm, headMm, footMm } = sizes;
  const text = Math.max(w, h) / 32;
  // Seen from outside, a book bound on the right has its front left of the spine.
  const isRight = cx.parts.some((p) => p.traits?.bound?.spine === 'right');
  const [a, b, c, d] = scoresMm;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'sheet', x: 0, y: 0, w, h, ref: 'cover, untrimmed' },
    { kind: 'rect', role: 'copy', x: trimMm[0], y: headMm, w: trimMm[1] - trimMm[0], h: h - headMm - footMm, ref: 'cover, trimmed' },
    { kind: 'rect', role: 'usable', x: a, y: 0, w: d - a, h, ref: 'glue' },
    ...[a, b, c, d].map((x): Shape => ({ kind: 'line', role: 'fold', x1: x, y1: 0, x2: x, y2: h })),
    { kind: 'text', role: 'label', x: a / 2, y: h / 2, text: isRight ? 'front' : 'back', sizeMm: text, anchor: 'middle' },
    { kind: 'text', role: 'label', x: (w + d) / 2, y: h / 2, text: isRight ? 'back' : 'front', sizeMm: text, anchor: 'middle' },
    {
      kind: 'text',
      role: 'strong',
      x: (b + c) / 2 + text / 3,
      y: h / 2,
      text: `spine ${tenths(spineMm)}`,
      sizeMm: text * 0.8,
      anchor: 'middle',
      turn: -90,
    },
    { kind: 'line', role: 'dimension', x1: 0, y1: h + text * 1.4, x2: w, y2: h + text * 1.4 },
    {
      kind: 'text',
      role: 'label',
      x: w / 2,
      y: h + text * 2.6,
      text: `${tenths(w)} × ${tenths(h)} mm`,
      sizeMm: text * 0.8,
      anchor: 'middle',
    },
    ...[a, b, c, d].map((x, i): Shape => ({
      kind: 'text',
      role: 'label',
      x: x + (i < 2 ? -text * 0.2 : text * 0.2),
      y: -text * (i === 1 || i === 2 ? 1.5 : 0.4),
      text: tenths(x),
      sizeMm: text * 0.6,
      anchor: 'middle',
    })),
  ];
  return {
    title: 'cover spread',
    says: `Cover of ${tenths(w)} by ${tenths(h)} millimetres, spine ${tenths(spineMm)}; scored at ${scoresMm.map(tenths).join(', ')} from the left.`,
    box: boxAround(shapes, text),
    toScale: true,
    shapes,
  };
}
