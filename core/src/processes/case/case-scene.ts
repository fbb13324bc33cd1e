import { boxAround, type Scene, type Shape } from '../../scene/scene';
import type { Part } from '../../product/part';
import type { CaseTitle } from '../../product/sewn';

/** What a case that lies open is drawn from; mm. */
export interface OpenCase {
  boardMm: readonly [width: number, height: number];
  stripMm: number;
  clothMm: readonly [width: number, height: number];
  jointMm: number;
  turnInMm: number;
  /** Bound on the right: seen from outside its front lies left of the spine. */
  isRight: boolean;
}
/** The case as its parts are cut; null: there is none. */
export function openCaseOf(parts: readonly Part[]): OpenCase | null {
  const covering = coveringOf(parts);
  const cased = covering?.traits?.cased;
  const [board, strip] = ['board', 'strip'].map((role) => parts.find((p) => p.product === covering?.product && p.role === role));
  if (!covering || !cased || !board || !strip) return null;
  return {
    boardMm: [board.widthMm, board.heightMm],
    stripMm: strip.widthMm,
    clothMm: [covering.widthMm, covering.heightMm],
    jointMm: cased.jointMm,
    turnInMm: cased.turnInMm,
    isRight: parts.some((p) => p.product === covering.product && p.traits?.bound?.spine === 'right'),
  };
}
/** The covering of a case among the parts of its product. */
export const coveringOf = (parts: readonly Part[]): Part | undefined => parts.find((p) => p.traits?.cased);

const round = (mm: number): string => String(Math.round(mm * 100) / 100);

/** Where the boards and the strip begin on the covering, from its left edge. */
export function placesOn({ boardMm: [w], stripMm, jointMm, turnInMm }: OpenCase): { left: number; strip: number; right: number } {
  const strip = turnInMm + w + jointMm;
  return { left: turnInMm, strip, right: strip + stripMm + jointMm };
}

/** Where a title stands on the open case, seen from outside: in the middle of its place. */
export function titleBox(of: OpenCase, { place, widthMm, heightMm }: CaseTitle): { x: number; y: number; w: number; h: number } {
  const at = placesOn(of);
  const middle = place === 'spine' ? at.strip + of.stripMm / 2 : (of.isRight ? at.left : at.right) + of.boardMm[0] / 2;
  return { x: middle - widthMm / 2, y: (of.clothMm[1] - heightMm) / 2, w: widthMm, h: heightMm };
}

/** The case open, as it is seen from outside, its boards through the covering: covering, boards, strip, joints, turn-ins, every dimension; titles where they are struck. */
export function openCaseScene(of: OpenCase, titles: readonly CaseTitle[] = []): Scene {
  const [w, h] = of.clothMm;
  const { boardMm, stripMm, jointMm, turnInMm } = of;
  const at = placesOn(of);
  const t = Math.max(w, h) / 30;
  const board = (x: number, ref: string): Shape => ({ kind: 'rect', role: 'copy', x, y: turnInMm, w: boardMm[0], h: boardMm[1], ref });
  const across: [from: number, mm: number, says: string][] = [
    [0, turnInMm, round(turnInMm)],
    [at.left, boardMm[0], `board ${round(boardMm[0])}`],
    [at.strip - jointMm, jointMm, round(jointMm)],
    [at.strip, stripMm, round(stripMm)],
    [at.strip + stripMm, jointMm, round(jointMm)],
    [at.right, boardMm[0], `board ${round(boardMm[0])}`],
    [at.right + boardMm[0], turnInMm, round(turnInMm)],
  ];
  const shapes: Shape[] = [
    { kind: 'rect', role: 'sheet', x: 0, y: 0, w, h, ref: 'covering' },
    board(at.left, of.isRight ? 'front board' : 'back board'),
    { kind: 'rect', role: 'piece', x: at.strip, y: turnInMm, w: stripMm, h: boardMm[1], ref: 'strip' },
    board(at.right, of.isRight ? 'back board' : 'front board'),
    { kind: 'line', role: 'grain', x1: at.left + boardMm[0] / 2, y1: h * 0.3, x2: at.left + boardMm[0] / 2, y2: h * 0.7 },
    { kind: 'line', role: 'grain', x1: at.right + boardMm[0] / 2, y1: h * 0.3, x2: at.right + boardMm[0] / 2, y2: h * 0.7 },
    ...across.flatMap(([from, mm, says], i): Shape[] => [
      { kind: 'line', role: 'dimension', x1: from, y1: h + t, x2: from + mm, y2: h + t },
      {
        kind: 'text',
        role: 'label',
        x: from + mm / 2,
        y: h + t * (mm < t * 3 && i % 2 === 0 ? 3.2 : 2.1),
        text: says,
        sizeMm: t * 0.8,
        anchor: 'middle',
      },
    ]),
    { kind: 'line', role: 'dimension', x1: w + t, y1: turnInMm, x2: w + t, y2: turnInMm + boardMm[1] },
    { kind: 'text', role: 'label', x: w + t * 1.5, y: h / 2, text: round(boardMm[1]), sizeMm: t * 0.8 },
    { kind: 'text', role: 'strong', x: w / 2, y: -t * 0.6, text: `covering ${round(w)} × ${round(h)} mm`, sizeMm: t, anchor: 'middle' },
    ...titles.flatMap((title): Shape[] => {
      const box = titleBox(of, title);
      return [
        { kind: 'rect', role: 'foil', ...box, ref: title.id },
        { kind: 'text', role: 'label', x: box.x + box.w / 2, y: box.y - t * 0.3, text: title.name, sizeMm: t * 0.7, anchor: 'middle' },
      ];
    }),
  ];
  return {
    title: 'case',
    says: `Case open: two boards of ${round(boardMm[0])} by ${round(boardMm[1])}, a strip of ${round(stripMm)}, joints of ${round(jointMm)}, turn-ins of ${round(turnInMm)}; covering ${round(w)} by ${round(h)} millimetres.${titles.map((x) => ` ${x.name} on the ${x.place}.`).join('')}`,
    box: boxAround(shapes, t),
    toScale: true,
    shapes,
  };
}
