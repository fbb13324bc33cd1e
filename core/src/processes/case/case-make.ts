import { practiceValue } from '../../plant/practice';
import { FLAT_STRIP } from '../../finishing/case';
import { roundedSpine } from '../../finishing/sewn-block';
import { editAt } from '../../product/edit';
import { COVERINGS } from '../../product/sewn';
import type { Scene } from '../../scene/scene';
import { bookStep } from '../book-step';
import type { FindingArgs, Remedy } from '../finding';
import { type ConsumeContext, type OwnRule, wishPath } from '../process';
import { blockFigures, sewnText } from '../sewing/block-figures';
import { caseFigures } from './case-figures';
import { openCaseOf, openCaseScene } from './case-scene';

const hundredths = (mm: number): number => Math.round(mm * 100) / 100;
const tenths = (mm: number): number => Math.round(mm * 10) / 10;
const isStrip = ({ role }: { role: string }): boolean => role === 'strip';

export const caseScene = (cx: ConsumeContext): Scene => {
  const open = openCaseOf(cx.product.parts);
  return open ? openCaseScene(open) : { title: 'case', says: 'No case.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
};

const blockIs = (cx: ConsumeContext, mm: number, spec: Parameters<OwnRule['find']>[1], args: FindingArgs = {}): Remedy => ({
  do: 'edit',
  says: 'remedy.recutStrip',
  args,
  edits: [editAt(spec, wishPath(cx, 'dummyMm'), hundredths(mm))],
});

/** Strip and covering are laid for another block than its papers make now. */
const stripMoved: OwnRule = {
  code: 'case.stripMoved',
  find: (cx, spec) => {
    const made = caseFigures(cx);
    const block = blockFigures(cx);
    const laid = cx.product.parts.find(isStrip)?.widthMm ?? 0;
    if (!made || !block || Math.abs(made.mm('stripWidth') - laid) <= practiceValue(cx.plant, 'case.stripOffMm')) return [];
    return [
      {
        level: 'decide',
        figure: made.at('stripWidth'),
        args: { stripMm: tenths(made.mm('stripWidth')), laidMm: tenths(laid) },
        remedies: [blockIs(cx, cx.ledger.value(block.blockMm), spec)],
      },
    ];
  },
};

/** The block was measured after nipping, and is not what the case was planned for: strip and covering are cut again, boards stay. */
const measuredOff: OwnRule = {
  code: 'case.measuredOff',
  find: (cx, spec) => {
    const made = caseFigures(cx);
    const block = blockFigures(cx);
    const measuredMm = sewnText(cx)?.sewn.measuredMm ?? 0;
    if (!made || !block || measuredMm === 0) return [];
    const planned = cx.ledger.value(block.blockMm);
    if (Math.abs(measuredMm - planned) <= practiceValue(cx.plant, 'case.stripOffMm')) return [];
    const stripMm = made.mm('stripWidth');
    const angleDeg = sewnText(cx)?.sewn.angleDeg ?? null;
    const asked =
      angleDeg === null ? FLAT_STRIP.of({ blockMm: measuredMm, boardMm: made.cased.boardMm }) : roundedSpine(measuredMm, angleDeg).arcMm;
    return [
      {
        level: 'start',
        figure: made.at('stripWidth'),
        args: { measuredMm, plannedMm: hundredths(planned), stripMm: tenths(stripMm), askedMm: tenths(asked) },
        remedies: [blockIs(cx, measuredMm, spec)],
      },
    ];
  },
};

/** The width of the covering was typed, and is not the sum of what it covers. */
const clothShort: OwnRule = {
  code: 'case.clothShort',
  find: (cx, spec) => {
    const made = caseFigures(cx);
    if (!made || made.cased.typedMm === 0) return [];
    const offMm = made.mm('clothWidth') - made.cased.typedMm;
    return Math.abs(offMm) > practiceValue(cx.plant, 'case.clothOffMm')
      ? [
          {
            level: 'release',
            figure: made.at('clothWidth'),
            args: { offMm: hundredths(Math.abs(offMm)), way: offMm > 0 ? 'short' : 'long', sumMm: hundredths(made.mm('clothWidth')) },
            remedies: [{ do: 'edit', says: 'remedy.clothSum', args: {}, edits: [editAt(spec, wishPath(cx, 'clothMm'), undefined)] }],
          },
        ]
      : [];
  },
};

/** Two boards and a strip laid on the glued covering, its edges turned in; cases dry flat. */
export const caseMake = bookStep({
  id: 'caseMake',
  rules: [stripMoved, measuredOff, clothShort],
  losses: { setup: 'case.setupCycles', running: 'case.runningPpm' },
  unit: 'piece',
  cautions: ['glueRollers', 'nips'],
  figures: caseFigures,
  rests: { setting: 'flatS', practice: () => 'case.flatS', label: 'casesFlat' },
  rows: (cx) => {
    const made = caseFigures(cx);
    if (!made) return [];
    const { cased } = made;
    const length = (
      label: string,
      key: string,
      value: number,
    ): { label: string; text: string; edit: { at: string[]; kind: 'length' } } => ({
      label,
      text: `${value} mm`,
      edit: { at: wishPath(cx, key), kind: 'length' },
    });
    return [
      {
        label: 'covering',
        text: `covering.${cased.covering}`,
        edit: {
          at: wishPath(cx, 'covering'),
          kind: 'choice',
          options: COVERINGS.map((value) => ({ value, says: `covering.${value}` })),
        },
      },
      { label: 'boardWide', figure: made.at('boardWidth') },
      { label: 'boardHigh', figure: made.at('boardHeight') },
      { label: 'stripWide', figure: made.at('stripWidth') },
      { label: 'clothWide', figure: made.at('clothWidth') },
      { label: 'clothHigh', figure: made.at('clothHeight') },
      length('square', 'squareMm', cased.squareMm),
      length('setBack', 'setBackMm', cased.setBackMm),
      length('joint', 'jointMm', cased.jointMm),
      length('turnIn', 'turnInMm', cased.turnInMm),
    ];
  },
  page: (cx) => ({
    rows: [
      { label: 'glueSide', text: caseFigures(cx)?.cased.covering === 'cloth' ? 'wrong side of the cloth' : 'unprinted side of the paper' },
      { label: 'grainLies', text: 'boards, strip and covering along the spine' },
    ],
  }),
  blanks: ['first case tried on a block, signed by', 'corners, joints, turn-ins even', 'crooked, blistered, stained: waste by reason'],
  scene: caseScene,
});
