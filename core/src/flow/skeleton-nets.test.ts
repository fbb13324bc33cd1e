import fc from 'fast-check';
import type { CountUnit, Id, Term } from '../quantity/figure';
import { Ledger } from '../quantity/ledger';
import { type Flow, makersFirst, type Loss, type Net, type Port, type Step } from './net';
import { solveBackward } from './solve-backward';
import { solveForward } from './solve-forward';

/* One reduced net a production line: the proof that one solver holds sheets, metres, copies, bands, halves, gangs and child jobs. Losses are round
   numbers so that every count can be worked by hand; the sums stand beside each net. */

interface Skeleton {
  line: number;
  name: string;
  net: Net;
  /** Run of each step, worked by hand. */ runs: Record<Id<'step'>, number>;
  /** What each supplied flow must bring. */ buys: Record<Id<'flow'>, number>;
}

/** So many pieces delivered. */
const wants = (quantity: number): Record<string, Term> => ({ delivered: { value: quantity, unit: 'piece', from: 'typed', at: 'order' } });
const wantedOf = (net: Net, flow: string): number =>
  Object.values(net.wanted[flow] ?? {}).reduce((sum, t) => sum + ('value' in t ? t.value : 0), 0);
const f = (unit: CountUnit, perGood: number, part = 'p', item = 'i'): Flow => ({ unit, perGood, part, item });
const p = (flow: string, per = 1, more: Partial<Port> = {}): Port => ({ flow, per, ...more });
const s = (takes: Port[], gives: Port[], loss: Partial<Loss> = {}, whole = true): Step => ({
  process: 'any',
  stone: 'any',
  takes,
  gives,
  loss: { setupCycles: 0, runningPpm: 0, samples: 0, ...loss },
  whole,
  machine: 'm',
  needs: [],
  waits: [],
  cautions: [],
});

const SKELETONS: Skeleton[] = [
  {
    line: 1,
    name: 'folded card with foil: sheets, six copies, bands whose last is short',
    net: {
      flows: {
        board: f('sheet', 1 / 6),
        printed: f('sheet', 1 / 6),
        foiled: f('sheet', 1 / 6),
        cut: f('copy', 1),
        folded: f('copy', 1),
        ribbons: f('piece', 1),
        done: f('piece', 1),
        banded: f('piece', 1),
      },
      steps: {
        print: s([p('board')], [p('printed')], { setupCycles: 200, runningPpm: 20_000, samples: 10 }),
        foil: s([p('printed')], [p('foiled')], { setupCycles: 60, runningPpm: 10_000 }),
        cut: s([p('foiled')], [p('cut', 6)]),
        fold: s([p('cut')], [p('folded')], { setupCycles: 40, runningPpm: 5_000 }),
        hands: s([p('folded'), p('ribbons', 1, { spoilPpm: 10_000 })], [p('done')]),
        band: s([p('done', 6)], [p('banded', 6)], {}, false),
      },
      wanted: { banded: wants(10_000) },
    },
    // band ⌈10000/6⌉ = 1667 but takes 10000. hands 10000; ribbons ⌈10000/0.99⌉ = 10102. fold (n−40)(0.995) ≥ 10000: 10051+40 = 10091 (51 lost: 10051−51 = 10000).
    // cut ⌈10091/6⌉ = 1682. foil 1699+60 = 1759 (1 % of 1699 → 17; 1682 good). print: 1759+10 = 1769; 1769/0.98 = 1805.1 → 1806 (37 lost: 1769) + 200 = 2006.
    runs: { band: 1667, hands: 10_000, fold: 10_091, cut: 1682, foil: 1759, print: 2006 },
    buys: { board: 2006, ribbons: 10_102 },
  },
  {
    line: 2,
    name: 'label sheets from the roll: repeats, a loss per roll, rejects, stacks',
    net: {
      flows: {
        web: f('repeat', 1 / 180),
        printed: f('repeat', 1 / 180),
        sheets: f('sheet', 1 / 180),
        good: f('sheet', 1 / 180),
        stacked: f('sheet', 1 / 180),
      },
      steps: {
        print: s([p('web')], [p('printed')], { setupCycles: 200, perBatch: [{ cycles: 6300, lost: 30 }] }),
        sheet: s([p('printed')], [p('sheets')]),
        inspect: s([p('sheets')], [p('good')], { runningPpm: 20_000 }),
        stack: s([p('good', 400)], [p('stacked', 400)], {}, false),
      },
      wanted: { stacked: wants(12_000) },
    },
    // stack 30. inspect 12000/0.98 = 12244.9 → 12245 (245 lost: 12000). sheet 12245. print: 12245 + 200 + 2 rolls · 30 = 12505 ≤ 12600, so 2 rolls.
    runs: { stack: 30, inspect: 12_245, sheet: 12_245, print: 12_505 },
    buys: { web: 12_505 },
  },
  {
    line: 3,
    name: 'stitched booklet: two sections and a cover join',
    net: {
      flows: {
        paperA: f('sheet', 0.5),
        paperB: f('sheet', 0.5),
        paperC: f('sheet', 0.25),
        a: f('section', 1),
        b: f('section', 1),
        c: f('section', 1),
        stitched: f('copy', 1),
        trimmed: f('copy', 1),
      },
      steps: {
        printA: s([p('paperA')], [p('a', 2)], { setupCycles: 100 }),
        printB: s([p('paperB')], [p('b', 2)], { setupCycles: 100 }),
        printC: s([p('paperC')], [p('c', 4)], { setupCycles: 100 }),
        stitch: s([p('a'), p('b'), p('c')], [p('stitched')], { setupCycles: 50, runningPpm: 10_000 }),
        trim: s([p('stitched')], [p('trimmed')]),
      },
      wanted: { trimmed: wants(9900) },
    },
    // trim 9900; stitch 9900/0.99 = 10000 + 50 = 10050. printA, B: 5025 + 100; printC: ⌈2512.5⌉ = 2513 + 100.
    runs: { trim: 9900, stitch: 10_050, printA: 5125, printB: 5125, printC: 2613 },
    buys: { paperA: 5125, paperB: 5125, paperC: 2613 },
  },
  {
    line: 4,
    name: 'folding carton: nine blanks a sheet, strip loses blanks',
    net: {
      flows: { board: f('sheet', 1 / 9), printed: f('sheet', 1 / 9), cut: f('sheet', 1 / 9), blanks: f('piece', 1), glued: f('piece', 1) },
      steps: {
        print: s([p('board')], [p('printed')], { setupCycles: 250, runningPpm: 20_000 }),
        die: s([p('printed')], [p('cut')], { setupCycles: 100 }),
        strip: s([p('cut')], [p('blanks', 9)]),
        glue: s([p('blanks')], [p('glued')], { setupCycles: 150, runningPpm: 10_000 }),
      },
      wanted: { glued: wants(24_750) },
    },
    // glue 24750/0.99 = 25000 + 150 = 25150. strip ⌈25150/9⌉ = 2795. die 2895. print 2895/0.98 = 2954.08 → 2955 (60 lost: 2895) + 250 = 3205.
    runs: { glue: 25_150, strip: 2795, die: 2895, print: 3205 },
    buys: { board: 3205 },
  },
  {
    line: 5,
    name: 'disc sleeves ganged: two orders on one form, the hungrier leads',
    net: {
      flows: {
        board: f('sheet', 1 / 3, 'gang', 'i1'),
        printed: f('sheet', 1 / 3, 'gang', 'i1'),
        blanksA: f('piece', 1, 'a', 'i1'),
        blanksB: f('piece', 1, 'b', 'i2'),
        traysA: f('piece', 1, 't', 'i1'),
        sleevesA: f('piece', 1, 'a', 'i1'),
        sleevesB: f('piece', 1, 'b', 'i2'),
      },
      steps: {
        print: s([p('board')], [p('printed')], { setupCycles: 200 }),
        die: s([p('printed')], [p('blanksA', 3), p('blanksB', 1)]),
        glueA: s([p('blanksA'), p('traysA')], [p('sleevesA')], { setupCycles: 30 }),
        glueB: s([p('blanksB')], [p('sleevesB')], { setupCycles: 30 }),
      },
      wanted: { sleevesA: wants(1500), sleevesB: wants(800) },
    },
    // glueA 1530, glueB 830. die: the greatest of ⌈1530/3⌉ = 510 and 830: B leads, 960 A left over. print 830 + 200.
    runs: { glueA: 1530, glueB: 830, die: 830, print: 1030 },
    buys: { board: 1030, traysA: 1530 },
  },
  {
    line: 6,
    name: 'softcover two-up: binder cycles halve',
    net: {
      flows: { sections: f('section', 0.5), covers: f('sheet', 0.5), pairs: f('block', 0.5), books: f('copy', 1), trimmed: f('copy', 1) },
      steps: {
        bind: s([p('sections'), p('covers')], [p('pairs')], { setupCycles: 60, runningPpm: 20_000 }),
        saw: s([p('pairs')], [p('books', 2)]),
        trim: s([p('books')], [p('trimmed')], { setupCycles: 20 }),
      },
      wanted: { trimmed: wants(3900) },
    },
    // trim 3920; saw 1960; bind 1960/0.98 = 2000 + 60.
    runs: { trim: 3920, saw: 1960, bind: 2060 },
    buys: { sections: 2060, covers: 2060 },
  },
  {
    line: 7,
    name: 'sewn hardcover: 8 sections of one sheet gathered, case joins',
    net: {
      flows: {
        paper: f('sheet', 1),
        folded: f('section', 8),
        sewn: f('block', 1),
        board: f('board', 0.25),
        cases: f('piece', 1),
        cased: f('copy', 1),
      },
      steps: {
        fold: s([p('paper')], [p('folded', 8)], { setupCycles: 40 }),
        sew: s([p('folded', 8)], [p('sewn')], { setupCycles: 10, runningPpm: 10_000 }),
        caseMake: s([p('board')], [p('cases', 4)], { setupCycles: 5 }),
        caseIn: s([p('sewn'), p('cases')], [p('cased')], { setupCycles: 15 }),
      },
      wanted: { cased: wants(1975) },
    },
    // caseIn 1990; sew 1990/0.99 = 2010.1 → 2011 (21 lost: 1990) + 10 = 2021; fold 2021 · 8 / 8 + 40 = 2061; caseMake ⌈1990/4⌉ = 498 + 5.
    runs: { caseIn: 1990, sew: 2021, fold: 2061, caseMake: 503 },
    buys: { paper: 2061, board: 503 },
  },
  {
    line: 8,
    name: 'books on demand: the day’s batch, block and cover matched',
    net: {
      flows: {
        web: f('metre', 12),
        blocks: f('block', 1),
        coverSheets: f('sheet', 0.5),
        covers: f('piece', 1),
        bound: f('copy', 1),
        trimmed: f('copy', 1),
      },
      steps: {
        print: s([p('web', 12)], [p('blocks')], { setupCycles: 2 }),
        cover: s([p('coverSheets')], [p('covers', 2)], { setupCycles: 4, samples: 2 }),
        bind: s([p('blocks'), p('covers')], [p('bound')], { runningPpm: 20_000 }),
        trim: s([p('bound')], [p('trimmed')]),
      },
      wanted: { trimmed: wants(490) },
    },
    // trim 490; bind 490/0.98 = 500; print 502, 12 m each = 6024 m; cover 250 + 4 + 2 = 256.
    runs: { trim: 490, bind: 500, print: 502, cover: 256 },
    buys: { web: 6024, coverSheets: 256 },
  },
  {
    line: 9,
    name: 'laminated corrugated box: sheet and board join cycle by cycle',
    net: {
      flows: { sheets: f('sheet', 0.5), board: f('board', 0.5), printed: f('sheet', 0.5), laminate: f('board', 0.5), boxes: f('piece', 1) },
      steps: {
        print: s([p('sheets')], [p('printed')], { setupCycles: 180, runningPpm: 20_000 }),
        laminate: s([p('printed'), p('board')], [p('laminate')], { setupCycles: 20, runningPpm: 20_000 }),
        die: s([p('laminate')], [p('boxes', 2)], { setupCycles: 40 }),
      },
      wanted: { boxes: wants(7760) },
    },
    // die 3880 + 40 = 3920; laminate 3920/0.98 = 4000 + 20 = 4020; print 4020/0.98 = 4102.04 → 4103 (83 lost: 4020) + 180 = 4283.
    runs: { die: 3920, laminate: 4020, print: 4283 },
    buys: { sheets: 4283, board: 4020 },
  },
  {
    line: 10,
    name: 'corrugated shipping box: metres of web, two across, bundles of 25',
    net: {
      flows: { liner: f('metre', 0.74), board: f('board', 0.5), boxes: f('case', 1), bundled: f('case', 1) },
      steps: {
        corrugate: s([p('liner', 1.48)], [p('board')], { setupCycles: 30 }),
        flexo: s([p('board')], [p('boxes', 2)], { setupCycles: 25, runningPpm: 10_000 }),
        bundle: s([p('boxes', 25)], [p('bundled', 25)], {}, false),
      },
      wanted: { bundled: wants(9900) },
    },
    // bundle 396; flexo ⌈9900/2⌉ = 4950/0.99 = 5000 + 25; corrugate 5025 + 30 = 5055 · 1.48 m = 7481.4 → 7482 m.
    runs: { bundle: 396, flexo: 5025, corrugate: 5055 },
    buys: { liner: 7482 },
  },
  {
    line: 11,
    name: 'envelope: two printed sheets to ten blanks a die stroke of a pile, split over two folders',
    net: {
      flows: { paper: f('sheet', 0.2), blanks: f('piece', 1), folded: f('piece', 1), packed: f('piece', 1) },
      steps: {
        die: s([p('paper')], [p('blanks', 5)], { setupCycles: 20 }),
        foldA: s([p('blanks')], [p('folded', 1, { share: 0.6 })], { setupCycles: 50 }),
        foldB: s([p('blanks')], [p('folded', 1, { share: 0.4 })], { setupCycles: 30 }),
        pack: s([p('folded', 500)], [p('packed', 500)], {}, false),
      },
      wanted: { packed: wants(10_000) },
    },
    // pack 20; foldA 6000 + 50, foldB 4000 + 30; die (6050 + 4030)/5 = 2016 + 20.
    runs: { pack: 20, foldA: 6050, foldB: 4030, die: 2036 },
    buys: { paper: 2036 },
  },
  {
    line: 12,
    name: 'gravure rolls: metres with a splice loss, wound to two-metre rolls, four lanes',
    net: {
      flows: { web: f('metre', 0.5), printed: f('metre', 0.5), rolls: f('roll', 1), boxed: f('roll', 1) },
      steps: {
        print: s([p('web')], [p('printed')], { setupCycles: 500, perBatch: [{ cycles: 9500, lost: 40 }] }),
        wind: s([p('printed', 2)], [p('rolls', 4)], { runningPpm: 10_000 }),
        box: s([p('rolls', 12)], [p('boxed', 12)], {}, false),
      },
      wanted: { boxed: wants(19_000) },
    },
    // box ⌈19000/12⌉ = 1584; wind 19000/4 = 4750/0.99 = 4797.98 → 4798 (48 lost: 4750), takes 9596 m; print 9596 + 500 + 2 · 40 = 10176.
    runs: { box: 1584, wind: 4798, print: 10_176 },
    buys: { web: 10_176 },
  },
  {
    line: 13,
    name: 'numbered secure sheet: both sides, screen, intaglio, samples at every stage',
    net: {
      flows: {
        paper: f('sheet', 1 / 45),
        offset: f('sheet', 1 / 45),
        screen: f('sheet', 1 / 45),
        back: f('sheet', 1 / 45),
        front: f('sheet', 1 / 45),
        numbered: f('sheet', 1 / 45),
        notes: f('piece', 1),
      },
      steps: {
        offset: s([p('paper')], [p('offset')], { setupCycles: 100, samples: 5 }),
        screen: s([p('offset')], [p('screen')], { samples: 5 }),
        back: s([p('screen')], [p('back')], { setupCycles: 50, samples: 5 }),
        front: s([p('back')], [p('front')], { setupCycles: 50, samples: 5 }),
        number: s([p('front')], [p('numbered')], { samples: 5 }),
        cut: s([p('numbered', 100)], [p('notes', 4500)]),
      },
      wanted: { notes: wants(450_000) },
    },
    // cut 100 piles of 100 = 10000; number 10005; front 10060; back 10115; screen 10120; offset 10225.
    runs: { cut: 100, number: 10_005, front: 10_060, back: 10_115, screen: 10_120, offset: 10_225 },
    buys: { paper: 10_225 },
  },
  {
    line: 14,
    name: 'engraved stationery: hand-fed, extras to the customer',
    net: {
      flows: { cards: f('copy', 1), engraved: f('copy', 1), inspected: f('copy', 1) },
      steps: {
        engrave: s([p('cards')], [p('engraved')], { setupCycles: 12, runningPpm: 50_000 }),
        inspect: s([p('engraved')], [p('inspected')], { samples: 2 }),
      },
      wanted: { inspected: wants(400) },
    },
    // inspect 402; engrave 402/0.95 = 423.2 → 424 (22 lost: 402) + 12.
    runs: { inspect: 402, engrave: 436 },
    buys: { cards: 436 },
  },
  {
    line: 15,
    name: 'cylinders as a child job: five for a parent, one in twenty engraved again',
    net: {
      flows: { bases: f('piece', 1), coppered: f('piece', 1), engraved: f('piece', 1), chromed: f('piece', 1) },
      steps: {
        copper: s([p('bases')], [p('coppered')]),
        engrave: s([p('coppered')], [p('engraved')], { runningPpm: 50_000 }),
        chrome: s([p('engraved')], [p('chromed')]),
      },
      wanted: { chromed: wants(5) },
    },
    // chrome 5; engrave 5/0.95 = 5.26 → 6 (1 lost: 5); copper 6: rework is expected cycles, never an edge.
    runs: { chrome: 5, engrave: 6, copper: 6 },
    buys: { bases: 6 },
  },
];

const solved = (net: Net): { ledger: Ledger; counts: ReturnType<typeof solveBackward> } => {
  const ledger = new Ledger();
  return { ledger, counts: solveBackward(net, ledger) };
};
const suppliedFlows = (net: Net): string[] =>
  Object.keys(net.flows).filter((id) => !Object.values(net.steps).some((s) => s.gives.some((g) => g.flow === id)));

/** What must hold of any solved net: every cycle and every piece is somewhere. */
function unbalanced(net: Net): string[] {
  const { ledger, counts } = solved(net);
  const wrong: string[] = [];
  for (const [id, step] of Object.entries(net.steps)) {
    const v = (what: string): number => ledger.value(`${id}.${what}`);
    if (v('run') !== v('good') + v('lost.setup') + v('lost.running') + v('lost.samples') + v('lost.batch')) wrong.push(`${id}: cycles`);
    for (const { flow, per, share = 1 } of step.gives)
      if (share === 1 && step.whole && v('good') * per !== ledger.value(counts.demand[flow] ?? '') + ledger.value(`${id}.over.${flow}`))
        wrong.push(`${id}: ${flow}`);
  }
  for (const flow of Object.keys(net.flows)) {
    const taken = Object.entries(net.steps).reduce(
      (sum, [id, s]) => sum + (s.takes.some((t) => t.flow === flow) ? ledger.value(`${id}.taken.${flow}`) : 0),
      0,
    );
    if (ledger.value(`${flow}.demand`) !== taken + wantedOf(net, flow)) wrong.push(`${flow}: demand`);
  }
  return wrong;
}

test.each(SKELETONS.map((s) => [s.line, s.name, s] as const))(
  'line %d, %s: counts as worked by hand',
  (_line, _name, { net, runs, buys }) => {
    const { ledger } = solved(net);
    expect(Object.fromEntries(Object.keys(runs).map((id) => [id, ledger.value(`${id}.run`)]))).toEqual(runs);
    expect(Object.fromEntries(Object.keys(buys).map((id) => [id, ledger.value(`${id}.demand`)]))).toEqual(buys);
    expect(suppliedFlows(net).sort()).toEqual(Object.keys(buys).sort());
  },
);

test.each(SKELETONS.map((s) => [s.line, s.net] as const))('line %d: counts balance at every step', (_line, net) => {
  expect(unbalanced(net)).toEqual([]);
});

test.each(SKELETONS.map((s) => [s.line, s] as const))('line %d: what was bought is enough going forward', (_line, { net, buys }) => {
  const { ledger, counts } = solved(net);
  solveForward(net, counts, {}, ledger, buys);
  for (const flow of Object.keys(net.wanted)) {
    const taken = Object.keys(net.steps).reduce((sum, id) => sum + ledger.value(`${id}.taken.${flow}`), 0);
    expect(ledger.value(`${flow}.real`) - taken).toBeGreaterThanOrEqual(wantedOf(net, flow));
  }
});

test.each(SKELETONS.map((s) => [s.line, s.net] as const))('line %d: more copies never need fewer sheets', (_line, net) => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 20_000 }), fc.integer({ min: 0, max: 5_000 }), (quantity, more) => {
      const need = (q: number): number[] => {
        const { ledger } = solved({ ...net, wanted: Object.fromEntries(Object.keys(net.wanted).map((f) => [f, wants(q)])) });
        return suppliedFlows(net).map((f) => ledger.value(`${f}.demand`));
      };
      const [few, many] = [need(quantity), need(quantity + more)];
      return few.every((n, i) => n <= (many[i] ?? 0));
    }),
    { numRuns: 25 },
  );
});

it('runs on what the scarcest part allows going forward', () => {
  const sleeve = SKELETONS.find((s) => s.line === 5);
  const { ledger, counts } = solved(sleeve?.net as Net);
  solveForward(sleeve?.net as Net, counts, {}, ledger, { board: 1030, traysA: 700 });
  expect([ledger.value('glueA.realRun'), ledger.value('glueA.realGood')]).toEqual([700, 670]);
});
it('lets what was logged replace what was computed', () => {
  const card = SKELETONS[0];
  const { ledger, counts } = solved(card?.net as Net);
  solveForward(card?.net as Net, counts, { print: { run: 2006, good: 1500, done: true } }, ledger, card?.buys ?? {});
  expect([ledger.value('foil.realRun'), ledger.value('foil.realGood')]).toEqual([1500, 1425]); // 1500 − 60 − ⌈1440 · 1 %⌉
});
it('leaves steps in a circle out and names them', () => {
  const net = SKELETONS[14]?.net as Net;
  const circular = { ...net.steps, copper: { ...(net.steps['copper'] as Net['steps'][string]), takes: [{ flow: 'chromed', per: 1 }] } };
  expect(makersFirst(circular).circular.sort()).toEqual(['chrome', 'copper', 'engrave']);
});
