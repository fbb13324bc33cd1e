import type { Formula, Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { type PracticeKey, practiceTerm, practiceValue } from '../../plant/practice';
import { PRICE_OF } from '../../form/plates';
import { editAt } from '../../product/edit';
import { blockScene } from './block-scene';
import { bookStep } from '../book-step';
import { type ConsumeContext, type Consumed, type OwnRule, wishPath } from '../process';
import { blockFigures, sewnText } from './block-figures';

/** Headband of a book: one at the head, one at the foot, as long as the block is thick. Source: common practice, no source. */
const HEADBANDS_MM: Formula<'blockMm'> = {
  id: 'sewing.headbandMm',
  unit: 'mm',
  source: 'arithmetic',
  of: ({ blockMm }) => 2 * blockMm,
};
const METRES: Formula<'books' | 'eachMm'> = {
  id: 'sewing.metres',
  unit: 'm',
  source: 'arithmetic',
  of: ({ books, eachMm }) => (books * eachMm) / 1000,
};
const RIBBON_MM: Formula<'heightMm' | 'overMm'> = {
  id: 'sewing.ribbonMm',
  unit: 'mm',
  source: 'common practice, no source',
  of: ({ heightMm, overMm }) => heightMm + overMm,
};
/** Mull over the spine and a little of either side, short of head and foot. */
const MULL_WIDTH: Formula<'spineMm' | 'overMm'> = {
  id: 'sewing.mullWidth',
  unit: 'mm',
  source: 'common practice, no source',
  of: ({ spineMm, overMm }) => spineMm + 2 * overMm,
};
const MULL_HEIGHT: Formula<'heightMm' | 'shortMm'> = {
  id: 'sewing.mullHeight',
  unit: 'mm',
  source: 'common practice, no source',
  of: ({ heightMm, shortMm }) => heightMm - 2 * shortMm,
};
const MULL_M2: Formula<'books' | 'widthMm' | 'heightMm'> = {
  id: 'sewing.mullArea',
  unit: 'm²',
  source: 'arithmetic',
  of: ({ books, widthMm, heightMm }) => (books * widthMm * heightMm) / 1e6,
};

/** A block that does not round: too thin, or thicker than the machine takes. */
const thickness: OwnRule = {
  code: 'block.thickness',
  find: (cx, spec) => {
    const block = blockFigures(cx);
    const isRound = sewnText(cx)?.sewn.angleDeg != null;
    if (!block) return [];
    const blockMm = cx.ledger.value(block.blockMm);
    const [least, most] = [practiceValue(cx.plant, 'block.leastMm'), cx.machine.limits.thickMm ?? practiceValue(cx.plant, 'block.mostMm')];
    const isOff = blockMm > most || (isRound && blockMm < least);
    return isOff
      ? [
          {
            level: 'decide',
            figure: block.blockMm,
            args: { blockMm: Math.round(blockMm * 10) / 10, least, most },
            remedies:
              isRound && blockMm < least
                ? [{ do: 'edit', says: 'remedy.flatBack', args: {}, edits: [editAt(spec, wishPath(cx, 'spineForm'), 'flat')] }]
                : [],
          },
        ]
      : [];
  },
};

/** What a book takes of something bought by the metre: its length, the metres of all, what they cost. */
function byTheMetre(cx: ConsumeContext, what: string, eachMm: Id<'figure'>, price: PracticeKey): Consumed['costs'][number] {
  const { ledger, id } = cx;
  ledger.figure(idOf(id, `${what}M`), METRES, { books: fig(idOf(id, 'run')), eachMm: fig(eachMm) });
  ledger.figure(idOf(id, `${what}Cost`), PRICE_OF, { number: fig(idOf(id, `${what}M`)), price: practiceTerm(cx.plant, price) });
  return { figure: idOf(id, `${what}Cost`), kind: 'goods', fixed: false };
}

/** Spine rounded and backed where it is to be round; then mull, headbands, ribbon, lining. */
export const roundBack = bookStep({
  id: 'roundBack',
  abilities: ['thickMm'],
  rules: [thickness],
  losses: { setup: 'block.setupCycles', running: 'block.runningPpm' },
  unit: 'block',
  cautions: ['bookPress', 'glueRollers'],
  figures(cx) {
    const { ledger, id, plant } = cx;
    const block = blockFigures(cx);
    const book = sewnText(cx);
    if (!block || !book) return;
    const heightMm = typed(book.text.heightMm, 'mm', 'heightMm');
    const spineMm: Term = fig(block.arcMm ?? block.blockMm);
    if (book.sewn.headband) ledger.figure(idOf(id, 'headbandMm'), HEADBANDS_MM, { blockMm: fig(block.blockMm) });
    if (book.sewn.ribbon) ledger.figure(idOf(id, 'ribbonMm'), RIBBON_MM, { heightMm, overMm: practiceTerm(plant, 'block.ribbonOverMm') });
    ledger.figure(idOf(id, 'mullWidth'), MULL_WIDTH, { spineMm, overMm: practiceTerm(plant, 'block.mullOverMm') });
    ledger.figure(idOf(id, 'mullHeight'), MULL_HEIGHT, { heightMm, shortMm: practiceTerm(plant, 'block.mullShortMm') });
  },
  rests: { setting: 'liningS', practice: () => 'block.liningS', label: 'liningDries' },
  uses(cx) {
    const { ledger, id } = cx;
    const sewn = sewnText(cx)?.sewn;
    if (!sewn) return { costs: [] };
    ledger.figure(idOf(id, 'mullM2'), MULL_M2, {
      books: fig(idOf(id, 'run')),
      widthMm: fig(idOf(id, 'mullWidth')),
      heightMm: fig(idOf(id, 'mullHeight')),
    });
    ledger.figure(idOf(id, 'mullCost'), PRICE_OF, {
      number: fig(idOf(id, 'mullM2')),
      price: practiceTerm(cx.plant, 'block.mullPricePerM2'),
    });
    return {
      costs: [
        { figure: idOf(id, 'mullCost'), kind: 'goods', fixed: false },
        ...(sewn.headband ? [byTheMetre(cx, 'headband', idOf(id, 'headbandMm'), 'block.headbandPricePerM')] : []),
        ...(sewn.ribbon ? [byTheMetre(cx, 'ribbon', idOf(id, 'ribbonMm'), 'block.ribbonPricePerM')] : []),
      ],
    };
  },
  rows: (cx) => {
    const block = blockFigures(cx);
    const book = sewnText(cx);
    if (!block || !book) return [];
    const isRound = book.sewn.angleDeg !== null;
    return [
      {
        label: 'spineForm',
        text: isRound ? 'spine.round' : 'spine.flat',
        edit: {
          at: wishPath(cx, 'spineForm'),
          kind: 'choice',
          options: (['round', 'flat'] as const).map((value) => ({ value, says: `spine.${value}` })),
        },
      },
      ...(isRound
        ? [
            { label: 'angle', text: `${book.sewn.angleDeg ?? 0} degrees`, edit: { at: wishPath(cx, 'angleDeg'), kind: 'count' as const } },
            { label: 'spineArc', figure: block.arcMm ?? block.blockMm },
            { label: 'foreEdgeHollow', figure: block.hollowMm ?? block.blockMm },
          ]
        : []),
      { label: 'blockNipped', figure: block.blockMm, edit: { at: wishPath(cx, 'dummyMm'), kind: 'length' } },
      { label: 'mullWide', figure: idOf(cx.id, 'mullWidth') },
      { label: 'mullHigh', figure: idOf(cx.id, 'mullHeight') },
      {
        label: 'liningSize',
        text: `${Math.round(cx.ledger.value(block.arcMm ?? block.blockMm) * 10) / 10} × ${cx.ledger.value(idOf(cx.id, 'mullHeight'))} mm, grain along the spine`,
      },
      { label: 'mullArea', figure: idOf(cx.id, 'mullM2') },
      ...(book.sewn.headband
        ? [
            { label: 'headbandABook', figure: idOf(cx.id, 'headbandMm') },
            { label: 'headbandAll', figure: idOf(cx.id, 'headbandM') },
          ]
        : []),
      ...(book.sewn.ribbon
        ? [
            { label: 'ribbonABook', figure: idOf(cx.id, 'ribbonMm') },
            { label: 'ribbonAll', figure: idOf(cx.id, 'ribbonM') },
          ]
        : []),
    ];
  },
  blanks: ['T, first block', 'first block: arc against the strip of the case', 'mull centred, headbands flush, lining down all over'],
  scene: (cx) => blockScene(cx, 'block, rounded', sewnText(cx)?.sewn.angleDeg ?? null),
});
