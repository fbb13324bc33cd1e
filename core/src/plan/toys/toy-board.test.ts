import type { Layouter } from '../../layout/layouter';
import { idOf } from '../../quantity/id-of';
import { suppliedBatch, suppliedFlow } from '../../processes/pull/stock-flow';
import { singleStep } from '../../processes/single-step';
import { SHELF } from '../line-1.fixture';
import { planned } from '../plan';
import { riverOf } from '../readings/river';
import { toyPart, toyPlant, toyProcess, toySpec, withToys } from './toys.fixture';

/* Two liners and a fluted middle that takes 1.4 metres a metre of board; the board is cut in three lanes into blanks of 800 mm. Loses 50 m to set up. */
const TAKE_UP = 1.4;
const LANES = 3;
const BLANK_M = 0.8;
const web: Layouter = {
  id: 'toyWeb',
  stock: 'roll',
  layOut: ({ id, parts, stock, stockId }) => {
    const cells = parts.map((p) => ({
      part: p.id,
      item: p.item,
      trimMm: [150, 800] as const,
      x: 0,
      y: 0,
      nx: LANES,
      ny: 1,
      dx: 150,
      dy: 800,
      turn: 0 as const,
    }));
    const layout = { sheetMm: [stock.widthMm, 800] as [number, number], gripperMm: 0, cells };
    return {
      forms: [
        {
          id,
          kind: 'web',
          parts: parts.map((p) => p.id),
          name: '',
          layout,
          style: 'simplex',
          stock: stockId,
          prints: [[], []],
          alike: 1,
          slot: id,
          question: '',
        },
      ],
    };
  },
};
const plain = { whole: true, losses: {}, cautions: [] };
const unwind = toyProcess('toyUnwind', (cx) => {
  const flow = suppliedFlow(cx, 'metre', BLANK_M * (cx.parts[0]?.role === 'flute' ? TAKE_UP : 1));
  return singleStep(
    { ...cx, incoming: [suppliedBatch(cx, idOf(cx.id, 'in'), flow)] },
    { ...plain, takesPer: 1, givesPer: 1, unit: 'metre', perGood: flow.perGood, supplied: { [idOf(cx.id, 'in')]: flow } },
  );
});
const join = toyProcess('toyJoin', (cx) => {
  const incoming = cx.incoming.map((b) => ({ ...b, times: b.parts.some((p) => p.endsWith('flute')) ? TAKE_UP : 1 }));
  const losses = { setup: { value: 50, unit: 'cycle' as const, from: 'plant' as const, at: 'toy' } };
  return singleStep({ ...cx, incoming }, { ...plain, losses, takesPer: 1, givesPer: 1, unit: 'metre', perGood: BLANK_M / LANES });
});
const cut = toyProcess('toyCut', (cx) => singleStep(cx, { ...plain, takesPer: BLANK_M, givesPer: LANES, unit: 'board', perGood: 1 }));
const roles = ['liner', 'flute', 'back'];
const BOARD = withToys(
  {
    'toy-board': {
      parts: (ids) =>
        Object.fromEntries(
          roles.map((role) => [
            `${ids.product}.${role}`,
            toyPart(`${ids.product}.${role}`, ids, { layouter: 'toyWeb', grade: 'Label paper, permanent' }),
          ]),
        ),
      route: (_wish, parts) => [
        ...Object.keys(parts).map((part) => ({ key: 'unwind', process: 'toyUnwind', of: [part], settings: {} })),
        { key: 'join', process: 'toyJoin', of: Object.keys(parts), settings: {} },
        { key: 'cut', process: 'toyCut', of: Object.keys(parts), settings: {} },
      ],
    },
  },
  [unwind, join, cut],
  [web],
);
const made = planned(
  toySpec({ box: { family: 'toy-board', quantity: 10_000 } }),
  toyPlant(['toyUnwind', 'toyJoin', 'toyCut']),
  SHELF,
  BOARD,
);
const value = (id: string): number => made.plan.figures[id]?.value ?? NaN;

describe('three webs joined to a board', () => {
  it('are joined in one step that takes of each what it needs', () => {
    expect(made.plan.steps['box.liner.join']?.takes).toEqual([
      { flow: 'box.liner.unwind.out', per: 1 },
      { flow: 'box.flute.unwind.out', per: 1.4 },
      { flow: 'box.back.unwind.out', per: 1 },
    ]);
  });
  it('are cut in lanes: 10,000 blanks are 3,334 cuts of three, 2,667.2 m of board and 50 to set up', () => {
    expect(value('box.liner.cut.run')).toBe(3_334);
    expect(value('box.liner.join.need')).toBe(2_668);
    expect(value('box.liner.join.run')).toBe(2_718);
    expect(value('box.liner.unwind.in.demand')).toBe(2_718);
    expect(value('box.flute.unwind.in.demand')).toBe(Math.ceil(1.4 * 2_718));
    expect(value('box.back.unwind.in.demand')).toBe(2_718);
  });
  it('leave one board flow, and what is left over of the last cut', () => {
    expect(made.plan.items['box']?.goods).toBe('box.liner.cut.out');
    expect(value('box.liner.cut.over.box.liner.cut.out')).toBe(2);
    expect(riverOf(made.plan).at(-1)?.outCopies).toBeGreaterThanOrEqual(10_000);
    expect(made.ledger.missing).toEqual([]);
  });
});
