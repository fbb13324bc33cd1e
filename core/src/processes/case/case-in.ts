import type { Formula, Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { floorTolerant } from '../../quantity/round-tolerant';
import { SUM } from '../../quantity/sum';
import { practiceTerm } from '../../plant/practice';
import { SLOWEST } from '../../finishing/folding';
import { arcPoints } from '../../finishing/sewn-block';
import { LEAVES_KG, LOST_COPIES_KG } from '../../finishing/stitching';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import { piecesOf } from '../../product/pieces';
import { ENDPAPER_PAGES } from '../../product/sewn';
import { bookStep } from '../book-step';
import { type ConsumeContext, type DraftContext, wordSetting } from '../process';
import { choiceRow } from '../rows';
import { paperOf } from '../sections-chosen';
import { blockFigures, sewnText } from '../sewing/block-figures';
import { speedTerm } from '../time-and-cost';
import { caseFigures } from './case-figures';

/** How a cased-in book gets its joints: in a press overnight, or in a machine. */
const WAYS = ['pressed', 'builtIn'] as const;
const wayOf = (cx: DraftContext): string => wordSetting(cx, 'joints', 'pressed');

/** A book with its boards. Source: arithmetic. */
const BOOK_MM: Formula<'blockMm' | 'boardMm'> = {
  id: 'case.bookMm',
  unit: 'mm',
  source: 'arithmetic',
  of: ({ blockMm, boardMm }) => blockMm + 2 * boardMm,
};
const STACKED: Formula<'stackMm' | 'bookMm'> = {
  id: 'case.stacked',
  unit: 'piece',
  source: 'arithmetic',
  of: ({ stackMm, bookMm }) => (bookMm > 0 ? Math.max(floorTolerant(stackMm / bookMm), 1) : 1),
};
const RATE_OF: Formula<'eachS'> = {
  id: 'case.rateOf',
  unit: '1/h',
  source: 'arithmetic',
  of: ({ eachS }) => (eachS > 0 ? 3600 / eachS : 0),
};

/** Block glued into its case, joints formed; books stay under pressure until the paste is dry. */
export const caseIn = bookStep({
  id: 'caseIn',
  losses: { setup: 'caseIn.setupCycles', running: 'caseIn.runningPpm' },
  unit: 'piece',
  cautions: ['glueRollers', 'heatedRails', 'bookPress'],
  figures(cx) {
    const made = caseFigures(cx);
    const block = blockFigures(cx);
    bookMass(cx);
    cx.ledger.figure(idOf(cx.id, 'bookMm'), BOOK_MM, {
      blockMm: block ? fig(block.blockMm) : typed(0, 'mm', 'none'),
      boardMm: typed(made?.cased.boardMm ?? 0, 'mm', 'boardGrade'),
    });
    cx.ledger.figure(idOf(cx.id, 'stacked'), STACKED, {
      stackMm: practiceTerm(cx.plant, 'caseIn.stackMm'),
      bookMm: fig(idOf(cx.id, 'bookMm')),
    });
  },
  rests: { setting: 'pressS', practice: (cx) => (wayOf(cx) === 'builtIn' ? 'caseIn.builtInS' : 'caseIn.pressS'), label: 'inPress' },
  makes: (cx) => {
    const made = caseFigures(cx);
    const text = sewnText(cx)?.text;
    return {
      section: null,
      bundle: {
        footprintMm: [
          made ? made.mm('boardWidth') + made.cased.setBackMm : (text?.widthMm ?? 0),
          made ? made.mm('boardHeight') : (text?.heightMm ?? 0),
        ],
        pieces: 1,
        layerMm: cx.ledger.value(idOf(cx.id, 'bookMm')),
        paperMm2: 0,
        together: 1,
        kg: idOf(cx.id, 'bookKg'),
      },
    };
  },
  uses(cx) {
    cx.ledger.figure(idOf(cx.id, 'lostKg'), LOST_COPIES_KG, {
      run: fig(idOf(cx.id, 'run')),
      good: fig(idOf(cx.id, 'good')),
      eachKg: fig(idOf(cx.id, 'bookKg')),
    });
    return { costs: [], wasteKg: [{ kind: 'lost', figure: idOf(cx.id, 'lostKg') }] };
  },
  time(cx) {
    if (wayOf(cx) !== 'builtIn') return {};
    cx.ledger.figure(idOf(cx.id, 'buildInRate'), RATE_OF, { eachS: practiceTerm(cx.plant, 'caseIn.buildInEachS') });
    cx.ledger.figure(idOf(cx.id, 'lineRate'), SLOWEST, { caser: speedTerm(cx), machine: fig(idOf(cx.id, 'buildInRate')) }, '1/h');
    return { perHour: fig(idOf(cx.id, 'lineRate')) };
  },
  rows: (cx) => [
    choiceRow(cx, 'jointsFormed', 'joints', wayOf(cx), WAYS),
    { label: 'bookThick', figure: idOf(cx.id, 'bookMm') },
    { label: 'bookMass', figure: idOf(cx.id, 'bookKg') },
    { label: 'booksStacked', figure: idOf(cx.id, 'stacked') },
    { label: 'lineRate', figure: idOf(cx.id, 'lineRate') },
  ],
  page: (cx) => {
    const made = caseFigures(cx);
    return made
      ? {
          rows: [
            { label: 'squareAllRound', text: `${made.cased.squareMm} mm at head, foot and fore-edge` },
            { label: 'joint', text: `${made.cased.jointMm} mm` },
          ],
        }
      : {};
  },
  blanks: [
    'first book: squares even, opened at both joints',
    'into the press at',
    'not out of the press before',
    'crooked, loose, wet: counted',
  ],
  scene: casedScene,
});

/** What a finished book weighs: every part of it, jacket and all. */
function bookMass(cx: DraftContext): void {
  const { ledger, id } = cx;
  const all = { ...cx, ...cx.product };
  const text = sewnText(cx)?.text;
  const masses: Record<string, Term> = {};
  for (const part of cx.product.parts) {
    const isLeaf = part.traits?.bound !== undefined || part.traits?.endpaper !== undefined;
    const leaves = part.traits?.endpaper ? ENDPAPER_PAGES : part.traits?.bound ? part.traits.bound.pages / 2 : piecesOf(part);
    const figure: Id<'figure'> = idOf(idOf(id, part.role), 'kg');
    ledger.figure(figure, LEAVES_KG, {
      leaves: typed(leaves, '1', 'leaves'),
      widthMm: typed(isLeaf ? (text?.widthMm ?? 0) : part.widthMm, 'mm', 'width'),
      heightMm: typed(isLeaf ? (text?.heightMm ?? 0) : part.heightMm, 'mm', 'height'),
      gsm: paperOf(all, part).gsm,
    });
    masses[part.role] = fig(figure);
  }
  ledger.figure(idOf(id, 'bookKg'), SUM, masses, 'kg');
}

/** The book end-on in its case, spine left: block, boards, joints, squares. */
function casedScene(cx: ConsumeContext): Scene {
  const made = caseFigures(cx);
  const block = blockFigures(cx);
  const book = sewnText(cx);
  if (!made || !block || !book)
    return { title: 'cased in', says: 'No case.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
  const { boardMm, setBackMm, squareMm } = made.cased;
  const [w, thick] = [book.text.widthMm, cx.ledger.value(block.blockMm)];
  const angle = book.sewn.angleDeg;
  const t = Math.max(w, thick * 3) / 26;
  const board = made.mm('boardWidth');
  const points: [number, number][] =
    angle === null
      ? [
          [0, 0],
          [0, thick],
        ]
      : arcPoints({ chordMm: thick, angleDeg: angle, x: 0, y: 0 });
  const face = points.map(([x, y]): [number, number] => [x + w, y]).reverse();
  const shapes: Shape[] = [
    { kind: 'path', role: 'copy', points: [...points, ...face], closed: true, ref: 'block' },
    { kind: 'rect', role: 'piece', x: setBackMm, y: -boardMm, w: board, h: boardMm, ref: 'front board' },
    { kind: 'rect', role: 'piece', x: setBackMm, y: thick, w: board, h: boardMm, ref: 'back board' },
    { kind: 'line', role: 'dimension', x1: 0, y1: -boardMm - t, x2: setBackMm, y2: -boardMm - t },
    { kind: 'text', role: 'label', x: setBackMm / 2, y: -boardMm - t * 1.4, text: `${setBackMm}`, sizeMm: t * 0.8, anchor: 'middle' },
    { kind: 'line', role: 'dimension', x1: w, y1: -boardMm - t, x2: w + squareMm, y2: -boardMm - t },
    { kind: 'text', role: 'label', x: w + squareMm / 2, y: -boardMm - t * 1.4, text: `${squareMm}`, sizeMm: t * 0.8, anchor: 'middle' },
    { kind: 'line', role: 'arrow', x1: w / 2, y1: -boardMm - t * 2, x2: w / 2, y2: -boardMm - t * 0.3 },
    { kind: 'line', role: 'arrow', x1: w / 2, y1: thick + boardMm + t * 2, x2: w / 2, y2: thick + boardMm + t * 0.3 },
    {
      kind: 'text',
      role: 'strong',
      x: w / 2,
      y: thick + boardMm + t * 3.2,
      text: `${cx.ledger.value(idOf(cx.id, 'stacked'))} books in a stack, under pressure`,
      sizeMm: t,
      anchor: 'middle',
    },
  ];
  return {
    title: 'cased in',
    says: `The book end-on, spine left: boards begin ${setBackMm} millimetres behind the spine and stand out by ${squareMm} at the fore-edge; pressed.`,
    box: boxAround(shapes, t),
    toScale: true,
    shapes,
  };
}
