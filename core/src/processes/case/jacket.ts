import { boxAround, type Scene, type Shape } from '../../scene/scene';
import { bookStep } from '../book-step';
import type { Part } from '../../product/part';
import { openCaseOf } from './case-scene';

const hundredths = (mm: number): number => Math.round(mm * 100) / 100;
const jacketOf = (parts: readonly Part[]): Part | undefined => parts.find((p) => p.traits?.jacket);

/**
 * Where the jacket of a book is folded, from its left edge: behind the flap, before and behind the spine, at the other flap.
 * Source: arithmetic; a side is a board and a joint.
 */
export function jacketFolds(parts: readonly Part[]): number[] {
  const jacket = jacketOf(parts);
  const open = openCaseOf(parts);
  if (!jacket || !open) return [];
  const side = open.boardMm[0] + open.jointMm;
  const flap = (jacket.widthMm - 2 * side - open.stripMm) / 2;
  return [flap, flap + side, flap + side + open.stripMm, jacket.widthMm - flap];
}

/** Jackets folded round the books by hand. */
export const jacketOn = bookStep({
  id: 'jacketOn',
  losses: { setup: 'jacket.setupCycles', running: 'jacket.runningPpm' },
  unit: 'piece',
  cautions: ['repetition'],
  makes: (cx) => {
    const bundle = cx.incoming.find((b) => b.bundle !== null)?.bundle;
    return bundle ? { bundle } : {};
  },
  rows: (cx) => {
    const part = jacketOf(cx.product.parts);
    return [
      { label: 'jacketSize', text: part ? `${hundredths(part.widthMm)} × ${hundredths(part.heightMm)} mm` : '–' },
      {
        label: 'jacketFolds',
        text: `${jacketFolds(cx.product.parts)
          .map((mm) => String(hundredths(mm)))
          .join(' · ')} mm from the left edge, outside up`,
      },
    ];
  },
  blanks: ['first book: spine of the jacket on the spine, head level', 'soiled, torn: counted'],
  scene: (cx) => jacketScene(cx.product.parts),
});

/** The jacket flat, outside up, with its folds. */
export function jacketScene(parts: readonly Part[]): Scene {
  const jacket = jacketOf(parts);
  const [w, h, folds] = [jacket?.widthMm ?? 100, jacket?.heightMm ?? 60, jacketFolds(parts)];
  const t = Math.max(w, h) / 34;
  const edges = [0, ...folds, w];
  const names = openCaseOf(parts)?.isRight ? ['flap', 'front', 'spine', 'back', 'flap'] : ['flap', 'back', 'spine', 'front', 'flap'];
  const shapes: Shape[] = [
    { kind: 'rect', role: 'copy', x: 0, y: 0, w, h, ref: 'jacket' },
    ...folds.map((x): Shape => ({ kind: 'line', role: 'fold', x1: x, y1: 0, x2: x, y2: h })),
    ...folds.map((x, i): Shape => ({
      kind: 'text',
      role: 'label',
      x,
      y: -t * (i === 1 || i === 2 ? 1.5 : 0.4),
      text: String(hundredths(x)),
      sizeMm: t * 0.7,
      anchor: 'middle',
    })),
    ...names.flatMap((text, i): Shape[] => {
      const [from = 0, until = 0] = [edges[i], edges[i + 1]];
      return until - from > 0
        ? [
            {
              kind: 'text',
              role: 'label',
              x: (from + until) / 2,
              y: h / 2,
              text,
              sizeMm: t,
              anchor: 'middle',
              ...(text === 'spine' && { turn: -90 }),
            },
          ]
        : [];
    }),
    { kind: 'line', role: 'dimension', x1: 0, y1: h + t, x2: w, y2: h + t },
    { kind: 'text', role: 'strong', x: w / 2, y: h + t * 2.2, text: `${hundredths(w)} × ${hundredths(h)} mm`, sizeMm: t, anchor: 'middle' },
  ];
  return {
    title: 'jacket',
    says: `Jacket of ${hundredths(w)} by ${hundredths(h)} millimetres, folded at ${folds.map((x) => String(hundredths(x))).join(', ')} from the left.`,
    box: boxAround(shapes, t),
    toScale: true,
    shapes,
  };
}
