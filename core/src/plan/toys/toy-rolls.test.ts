import type { Layouter } from '../../layout/layouter';
import { idOf } from '../../quantity/id-of';
import { typed } from '../../quantity/ledger';
import { suppliedBatch, suppliedFlow } from '../../processes/pull/stock-flow';
import { singleStep } from '../../processes/single-step';
import { SUM } from '../../quantity/sum';
import { MONDAY_S, SHELF } from '../line-1.fixture';
import { planned } from '../plan';
import { toyPart, toyPlant, toyProcess, toySpec, withToys } from './toys.fixture';

/* A web of 500 mm printed by two cylinders that a child job makes, slit into four lanes of rolls with 250 m each. */
const LANES = 4;
const ROLL_M = 250;
const lanes: Layouter = {
  id: 'toyLanes',
  stock: 'roll',
  layOut: ({ id, parts, stock, stockId }) => {
    const [p] = parts;
    const cells = p
      ? [{ part: p.id, item: p.item, trimMm: [120, 1000] as const, x: 10, y: 0, nx: LANES, ny: 1, dx: 120, dy: 1000, turn: 0 as const }]
      : [];
    const layout = { sheetMm: [stock.widthMm, 1_000] as [number, number], gripperMm: 0, cells };
    return {
      forms: [
        {
          id,
          kind: 'web',
          parts: parts.map((x) => x.id),
          name: '',
          layout,
          slot: id,
          style: 'simplex',
          stock: stockId,
          prints: [['K', 'C'], []],
          alike: 1,
          question: '',
        },
      ],
    };
  },
};
const plain = { whole: true, losses: {}, cautions: [] };
const unwind = toyProcess('toyUnwind', (cx) => {
  const web = { ...suppliedFlow(cx, 'metre', 1), perGood: ROLL_M / LANES };
  return singleStep(
    { ...cx, incoming: [suppliedBatch(cx, idOf(cx.id, 'in'), web)] },
    { ...plain, takesPer: 1, givesPer: 1, unit: 'metre', perGood: web.perGood, supplied: { [idOf(cx.id, 'in')]: web } },
  );
});
const gravure = toyProcess('toyGravure', (cx) => {
  const tool = `${cx.id}.cylinders`;
  cx.ledger.figure(
    idOf(tool, 'count'),
    { ...SUM, id: 'form.toyCylinders', unit: '1' },
    { inks: typed(cx.prints[0].length, '1', 'colours') },
  );
  const draft = singleStep(cx, {
    ...plain,
    takesPer: 1,
    givesPer: 1,
    unit: 'metre',
    perGood: ROLL_M / LANES,
    losses: { setup: { value: 300, unit: 'cycle', from: 'plant', at: 'toy' } },
    needs: [{ gate: `tool:${tool}`, tool }],
  });
  return {
    ...draft,
    tools: {
      [tool]: {
        kind: 'cylinder',
        spec: 'two cylinders',
        count: idOf(tool, 'count'),
        cycles: idOf(cx.id, 'run'),
        remakes: idOf(tool, 'count'),
        supply: { from: 'job', job: 'child', item: 'set' },
      },
    },
  };
});
/** A cycle is one set of finished rolls: a roll from every lane. */
const slit = toyProcess('toySlit', (cx) => singleStep(cx, { ...plain, takesPer: ROLL_M, givesPer: LANES, unit: 'piece', perGood: 1 }));
const ROLLS = withToys(
  {
    'toy-roll': {
      parts: (ids) => ({
        [`${ids.product}.web`]: toyPart(`${ids.product}.web`, ids, {
          layouter: 'toyLanes',
          grade: 'Label paper, permanent',
          colours: [['K', 'C'], []],
        }),
      }),
      route: (_wish, parts) =>
        [
          ['unwind', 'toyUnwind'],
          ['print', 'toyGravure'],
          ['slit', 'toySlit'],
        ].map(([key = '', process = '']) => ({ key, process, of: Object.keys(parts), settings: {} })),
    },
  },
  [unwind, gravure, slit],
  [lanes],
);
const plant = toyPlant(['toyUnwind', 'toyGravure', 'toySlit']);
const child = { number: 4711, name: 'Cylinders', readyAt: MONDAY_S + 5 * 86_400, delivered: false, money: 480 };
const made = planned(toySpec({ rolls: { family: 'toy-roll', quantity: 42 } }), plant, { ...SHELF, jobs: { child } }, ROLLS);
const value = (id: string, { plan } = made): number => plan.figures[id]?.value ?? NaN;

describe('rolls printed by cylinders of a child job', () => {
  it('take as many metres as whole sets of lanes: 42 rolls are 11 sets, 2,750 m, and 300 to set up', () => {
    expect(value('rolls.web.slit.run')).toBe(11);
    expect(value('rolls.web.print.need')).toBe(2_750);
    expect(value('rolls.web.print.run')).toBe(3_050);
    expect(value('rolls.web.unwind.in.demand')).toBe(3_050);
  });
  it('leave two rolls over', () => {
    expect(value('rolls.web.slit.over.rolls.web.slit.out')).toBe(2);
  });
  it('are printed when the child is ready, not before, and the date names it', () => {
    expect(value('rolls.web.print.startAt')).toBeGreaterThanOrEqual(child.readyAt);
    expect(made.plan.assumptions).toContainEqual({ code: 'assume.job', args: { job: 4711, name: 'Cylinders', by: child.readyAt } });
    const delivered = planned(
      toySpec({ rolls: { family: 'toy-roll', quantity: 42 } }),
      plant,
      { ...SHELF, jobs: { child: { ...child, delivered: true } } },
      ROLLS,
    );
    expect(value('rolls.web.print.startAt', delivered)).toBeLessThan(child.readyAt);
  });
  it('say that a late child is in the way, and that a lost one is not there', () => {
    const due = { rolls: MONDAY_S + 3 * 86_400 };
    const late = planned(toySpec({ rolls: { family: 'toy-roll', quantity: 42 } }), plant, { ...SHELF, jobs: { child }, due }, ROLLS);
    expect(late.plan.findings.find((f) => f.code === 'child.late')).toMatchObject({ at: 'rolls.web.print', args: { job: 4711 } });
    const lost = planned(toySpec({ rolls: { family: 'toy-roll', quantity: 42 } }), plant, SHELF, ROLLS);
    expect(lost.plan.findings.find((f) => f.code === 'child.gone')?.level).toBe('release');
    expect(made.plan.findings.filter((f) => f.code.startsWith('child.')).map((f) => f.code)).toEqual(['child.open']);
  });
  it('refer to no figure that is not there', () => {
    expect(made.ledger.missing).toEqual([]);
  });
});
