import * as fc from 'fast-check';
import { JobSpecSchema } from './door';
import { cardSpec, LINDMOOR, SHELF } from './line-1.fixture';
import { pocketHerbal } from './line-7.fixture';
import { planned, type Planned } from './plan';
import { label } from '../words/en';
import { floorSteps } from './readings/floor-steps';
import { riverOf } from './readings/river';
import { ticketPages } from './readings/ticket';
import { anyHardcover } from './spec-arbitrary.fixture';
import { casePieceRows } from '../exchange/case-pieces';
import { cutRows } from '../exchange/cut-rows';
import { hopperRows } from '../exchange/hopper-rows';
import { bookTemplates } from '../processes/book-templates';
import { comparedWith, propose } from './what-if/propose';
import type { HardcoverWish } from '../families/hardcover-wish';
import type { JobSpec } from '../product/job-spec';

/* The plan of the pocket herbal, against line-7-by-hand.test.ts. */

const made = (wish: HardcoverWish = {}, choices: Partial<JobSpec['choices']> = {}): Planned =>
  planned(JobSpecSchema.parse(pocketHerbal(wish, choices)), LINDMOOR, SHELF);
const herbal = made();
const value = ({ ledger }: Planned, id: string): number => ledger.value(id);
const runs = (of: Planned, ids: readonly string[]): number[] => ids.map((id) => value(of, `${id}.run`));
const codes = ({ plan }: Planned): string[] => plan.findings.map((f) => f.code);
const TEXT = 'hardback.text';
const CASE = 'hardback.covering';
const pagesOf = (of: Planned, stone: string) => ticketPages(of).filter((p) => p.stone.id === stone);
const list = (of: Planned, stone: string, title: string): string[][] =>
  pagesOf(of, stone).flatMap((p) => p.lists.filter((l) => l.title === title).flatMap((l) => l.rows));
const row = (of: Planned, stone: string, name: string): string | undefined =>
  pagesOf(of, stone)
    .flatMap((p) => p.rows)
    .find((r) => r.label === name)?.text;

describe('the pocket herbal', () => {
  it('has 128 pages a sheet, slit into four sections of 32, sections 1 to 4 and 5 to 8', () => {
    const forms = Object.values(herbal.plan.forms).filter((f) => f.slot === TEXT);
    expect(forms.map((f) => [f.name, f.style, f.layout?.imposed?.sections.map((s) => s.pages.length)])).toEqual([
      ['sections 1, 2, 3, 4', 'perfect', [32, 32, 32, 32]],
      ['sections 5, 6, 7, 8', 'perfect', [32, 32, 32, 32]],
    ]);
    const pages = forms.flatMap((f) => f.layout?.imposed?.sections.flatMap((s) => s.pages) ?? []);
    expect(pages).toEqual(Array.from({ length: 256 }, (_, i) => i + 1));
  });
  it('is slit by the program worked by hand: 896, 460, 436, then both halves side by side 1,282, 650, 632, in 1,710 s', () => {
    expect(list(herbal, `${TEXT}.slit.f1`, 'program').map((r) => [r[2], r[3], r[4]])).toEqual([
      ['', 'gripper edge', '896.0 mm'],
      ['', 'gripper edge', '460.0 mm'],
      ['end for end', 'tail edge', '436.0 mm'],
      ['quarter turn', 'side lay edge', '1282.0 mm'],
      ['', 'side lay edge', '650.0 mm'],
      ['end for end', 'far edge', '632.0 mm'],
    ]);
    const at = (what: string): number => value(herbal, `${TEXT}.slit.f1.${what}`);
    expect([at('perLift'), at('lifts'), at('cuttingS')]).toEqual([961, 3, 1_710]);
  });
  it('counts back as worked by hand: book, case, block, sections, sheets', () => {
    expect(runs(herbal, [`${TEXT}.caseIn`, `${CASE}.title`, `${CASE}.case`])).toEqual([2_031, 2_092, 2_164]);
    expect(
      runs(
        herbal,
        ['line', 'trim', 'nip', 'sew', 'gather'].map((key) => `${TEXT}.${key}`),
      ),
    ).toEqual([2_052, 2_064, 2_074, 2_110, 2_141]);
    expect(runs(herbal, [`${TEXT}.endpapers.s1`, `${TEXT}.endpapers.s8`])).toEqual([2_162, 2_162]);
    expect(Object.keys(herbal.plan.steps).filter((id) => id.startsWith(`${TEXT}.endpapers`))).toHaveLength(2);
    expect(
      runs(
        herbal,
        Array.from({ length: 8 }, (_, i) => `${TEXT}.fold.s${i + 1}`),
      ),
    ).toEqual([2_208, ...Array<number>(6).fill(2_187), 2_208]);
    expect(runs(herbal, [`${TEXT}.slit.f1`, `${TEXT}.print.f1`, `${TEXT}.print.f2`])).toEqual([2_218, 2_424, 2_424]);
    expect(value(herbal, `${TEXT}.stock.f1.mass`) * 2).toBeCloseTo(463.9, 1);
    expect(value(herbal, 'hardback.endpaper.endCut.out.demand')).toBe(4_324);
    expect(value(herbal, 'hardback.board.boardCut.out.demand')).toBe(4_328);
  });
  it('takes 121 sheets of board and 722 lengths of cloth, and what is lost in cutting them: 5 and half of a hundred', () => {
    // By hand ⌈5 + 121 / 0.995⌉ and ⌈5 + 722 / 0.995⌉.
    expect(runs(herbal, ['hardback.board.boardCut', `${CASE}.coverCut`])).toEqual([127, 731]);
    expect(herbal.plan.forms['hardback.board']?.layout?.cells[0]).toMatchObject({ nx: 6, ny: 6, turn: 90 });
    expect(value(herbal, `${CASE}.lanes`)).toBe(3);
    expect(value(herbal, `${CASE}.coverStock.in.demand`)).toBe(Math.ceil(731 * 0.186));
  });
  it('has block, arc, hollow, boards, cloth as worked by hand, and its parts are laid so', () => {
    const mm = (id: string): number => value(herbal, id);
    expect([mm(`${TEXT}.blockMm`), mm(`${TEXT}.arcMm`), mm(`${TEXT}.hollowMm`)]).toEqual([
      expect.closeTo(14.192, 9),
      expect.closeTo(15.763, 3),
      expect.closeTo(2.939, 3),
    ]);
    expect([mm(`${CASE}.boardWidth`), mm(`${CASE}.boardHeight`), mm(`${CASE}.clothWidth`), mm(`${CASE}.clothHeight`)]).toEqual([
      102,
      156,
      expect.closeTo(265.763, 3),
      186,
    ]);
    const { parts } = herbal.plan;
    expect(parts[CASE]?.widthMm).toBeCloseTo(mm(`${CASE}.clothWidth`), 9);
    expect(parts['hardback.strip']?.widthMm).toBeCloseTo(15.763, 3);
    expect([parts['hardback.endpaper']?.widthMm, parts['hardback.endpaper']?.heightMm]).toEqual([218, 158]);
  });
  it('is sewn in 18,990 cycles, 3.52 h, in four groups', () => {
    expect([value(herbal, `${TEXT}.sew.sewingCycles`), value(herbal, `${TEXT}.sew.groups`)]).toEqual([18_990, 4]);
    expect(value(herbal, `${TEXT}.sew.runS`) / 3_600).toBeCloseTo(3.52, 2);
  });
  it('waits for glue, lining, case and press on the clock, each where the next hand would open it', () => {
    const waits = (step: string): [string, number][] =>
      (herbal.plan.steps[step]?.waits ?? []).map((w) => [w.after, value(herbal, w.figure) / 3_600]);
    expect(waits(`${TEXT}.trim`)).toEqual([[`${TEXT}.nip`, 0.75]]);
    expect(waits(`${TEXT}.caseIn`)).toEqual([[`${TEXT}.line`, 1.5]]);
    expect(waits(`${CASE}.title`)).toEqual([[`${CASE}.case`, 8]]);
    expect(waits(`${TEXT}.pack.carton`)).toEqual([[`${TEXT}.caseIn`, 18]]);
    // Without a title the cases lie flat before they are cased in.
    expect(made({ titles: {} }).plan.steps[`${TEXT}.caseIn`]?.waits.map((w) => w.after)).toEqual([`${TEXT}.line`, `${CASE}.case`]);
  });
  it('flows together: sections to blocks, boards two by two to cases, both to books', () => {
    const at = (id: string) => riverOf(herbal.plan).find((s) => s.id === id)!;
    expect([Math.round(at(`${TEXT}.caseIn`).inCopies), Math.round(at(`${TEXT}.caseIn`).outCopies)]).toEqual([2_031, 2_000]);
    expect(at(`${TEXT}.caseIn`).from).toEqual([`${TEXT}.line`, `${CASE}.title`]);
    expect(Math.round(at('hardback.board.boardCut').outCopies)).toBe(2_178);
    expect(Math.round(at(`${TEXT}.endpapers`).inCopies)).toBe(2_162);
    expect(at(`${TEXT}.gather`).from).toEqual([`${TEXT}.fold`, `${TEXT}.endpapers`]);
  });
  it('tells each machine what it needs: which end gets an endpaper, hoppers with marks, where the knives stand, where the title stands', () => {
    expect([row(herbal, `${TEXT}.endpapers.s1`, 'endpaperGoes'), row(herbal, `${TEXT}.endpapers.s8`, 'endpaperGoes')]).toEqual([
      'before its first page, on the spine side',
      'behind its last page, on the spine side',
    ]);
    expect(list(herbal, `${TEXT}.gather`, 'hopperOrder').map((r) => [r[2], r[5]])[7]).toEqual(['225–256', '71 mm']);
    expect(row(herbal, 'hardback.board.boardCut', 'knivesAlong')).toBe('trim 5, then 102 · 204 · 306 · 408 · 510 · 612 mm');
    expect(row(herbal, 'hardback.strip.stripCut', 'knivesAlong')).toBe('trim 5, then 32 times 15.76 mm');
    expect(list(herbal, `${CASE}.title`, 'titlePlaces')).toEqual([['Herbal', 'spine', '9 × 80 mm', '3.38 mm', '38 mm']]);
    expect(row(herbal, `${TEXT}.trim`, 'trimmedMost')).toBe('face 4 mm, head 4 mm, foot 4 mm');
  });
  it('says nothing twice on a page, and has words for everything there', () => {
    for (const page of ticketPages(herbal).filter((p) => p.department === 'binding')) {
      expect(page.rows.filter((r) => label(r.label) === r.label).map((r) => r.label)).toEqual([]);
      const labels = page.rows.filter((r) => r.label !== 'titleOn').map((r) => label(r.label));
      expect([page.stone.id, labels.filter((l, i) => labels.indexOf(l) !== i)]).toEqual([page.stone.id, []]);
    }
  });
  it('weighs what its papers, boards and cloth weigh', () => {
    // By hand: text 128 · 0.105 · 0.15 · 80, ends 4 · 120, boards 2 · 0.102 · 0.156 · 1,550, strip 300, cloth 210.
    const kg = (128 * 80 + 4 * 120) * 0.105 * 0.15 + 2 * 0.102 * 0.156 * 1_550 + 0.015763 * 0.156 * 300 + 0.265763 * 0.186 * 210;
    expect(value(herbal, `${TEXT}.caseIn.bookKg`)).toBeCloseTo(kg / 1_000, 5);
  });
  it('finds nothing wrong with itself', () => {
    expect(codes(herbal).filter((c) => c !== 'stock.short')).toEqual([]);
  });
});

describe('the same book otherwise', () => {
  it('flat: a strip of board, 19.192 wide, and cloth of 269.192; no arc on any page', () => {
    const flat = made({ spineForm: 'flat' });
    expect(flat.plan.parts['hardback.strip']).toMatchObject({ widthMm: expect.closeTo(19.192, 9), grade: 'Binder’s board 2.5' });
    expect(flat.plan.parts[CASE]?.widthMm).toBeCloseTo(269.192, 9);
    expect(pagesOf(flat, `${TEXT}.line`).flatMap((p) => p.rows.map((r) => r.label))).not.toContain('spineArc');
  });
  it('may be parted otherwise, and each way says what it buys: forms, plates, sheets a copy, sections', () => {
    const says = herbal.plan.stones.find((s) => s.key === 'gather')?.panel.find((r) => r.label === 'sections')?.edit?.options ?? [];
    expect(says.map((o) => o.says)).toEqual(
      expect.arrayContaining([
        '8 × 32: 4 forms, 4 plates, 2 sheets a copy, 8 sections',
        '16 × 16: 4 forms, 4 plates, 2 sheets a copy, 16 sections',
      ]),
    );
  });
  it('in sections of 16: 17 cycles a book against 9, the same four plates', () => {
    const sixteens = made({}, { settings: { [`${TEXT}.gather`]: { sections: Array(16).fill(16).join(' ') } } });
    expect(value(sixteens, `${TEXT}.sew.sewingCycles`)).toBe(17 * value(sixteens, `${TEXT}.sew.run`));
    expect(Object.values(sixteens.plan.forms).filter((f) => f.slot === TEXT)).toHaveLength(2);
    // The thread of eight sections more: 0.24 mm of block, within what a strip may be off.
    expect(value(sixteens, `${TEXT}.blockMm`)).toBeCloseTo(14.432, 9);
    expect(codes(sixteens)).not.toContain('case.stripMoved');
  });
  it('covered with printed paper: printed, cut by gauges, laminated where it is asked', () => {
    const paper = made({ covering: 'paper', lamination: 'matt' });
    const keys = paper.plan.stones.map((s) => s.key);
    expect(keys).toEqual(expect.arrayContaining(['coverPlates', 'coverPrint', 'coverLaminate', 'coverCut']));
    expect(paper.plan.stones.find((s) => s.key === 'coverCut')?.process).toBe('guillotine');
    expect(codes(paper).filter((c) => /^(layout|case|laminate)\./.test(c))).toEqual([]);
  });
  it('in a jacket: as wide as flaps, boards, joints and arc, folded where they end; put on when the press is opened', () => {
    const jacketed = made({ flapMm: 90 });
    const jacket = jacketed.plan.parts['hardback.jacket']!;
    expect([jacket.widthMm, jacket.heightMm]).toEqual([expect.closeTo(2 * 110 + 15.763 + 186, 3), 156]);
    expect(row(jacketed, `${TEXT}.jacket`, 'jacketFolds')).toBe('93 · 203 · 218.76 · 328.76 mm from the left edge, outside up');
    expect(jacketed.plan.steps[`${TEXT}.jacket`]?.waits.map((w) => w.after)).toEqual([`${TEXT}.caseIn`]);
    expect(value(jacketed, `${TEXT}.caseIn.bookKg`)).toBeGreaterThan(value(herbal, `${TEXT}.caseIn.bookKg`));
  });
  it('with coloured edges has a step more between trimming and rounding, which waits for the colour', () => {
    const coloured = made({ colouredEdges: true });
    expect(coloured.plan.steps[`${TEXT}.edges`]?.takes.map((t) => t.flow)).toEqual([`${TEXT}.trim.out`]);
    expect(coloured.plan.steps[`${TEXT}.line`]?.waits.map((w) => w.after)).toEqual([`${TEXT}.edges`]);
    expect(value(coloured, `${TEXT}.trim.run`)).toBeGreaterThan(2_064);
  });
  it('built in by machine: 80 an hour, and 4 h in place of a night', () => {
    const built = made({}, { settings: { [`${TEXT}.caseIn`]: { joints: 'builtIn' } } });
    expect(value(built, `${TEXT}.caseIn.lineRate`)).toBe(80);
    expect(value(built, `${TEXT}.caseIn.pressS`)).toBe(14_400);
  });
  it('of 252 pages has a section of twelve, none of four; of twelve pages one section with both endpapers', () => {
    const forms = (of: Planned): number[] =>
      Object.values(of.plan.forms).flatMap((f) => f.layout?.imposed?.sections.map((s) => s.pages.length) ?? []);
    expect(Math.min(...forms(made({ pages: 252 })))).toBeGreaterThanOrEqual(8);
    const thin = made({ pages: 12, spineForm: 'flat' });
    expect(forms(thin)).toEqual([12]);
    expect(thin.plan.steps[`${TEXT}.endpapers.s1`]?.takes.map((t) => t.per)).toEqual([1, 2]);
  });
  it('is weighed beside it: flat back, paper case, a building-in machine, each said in words', () => {
    const spec = JobSpecSchema.parse(pocketHerbal());
    const ways = [...propose(spec, LINDMOOR, SHELF)].map((p) => ({ ...p, of: comparedWith(p, spec, LINDMOOR, SHELF) }));
    expect(ways.filter((w) => w.what.includes('way.'))).toEqual([]);
    // What is planned already is no other way.
    expect(ways.filter((w) => w.what.startsWith('8 × 32'))).toEqual([]);
    for (const what of ['a flat back', 'boards covered with printed paper', 'joints formed in a building-in machine'])
      expect(ways.find((w) => w.what.includes(what))?.of?.plates).toBeGreaterThanOrEqual(4);
  });
});

describe('what of the book is taken out', () => {
  it('is a list of the pieces of its case, each with size, stock and numbers; none of a card', () => {
    const rows = casePieceRows(made({ flapMm: 90 }).plan, LINDMOOR);
    expect(
      rows.map((r) => [r['part'], r['across mm'], r['along the spine mm'], r['pieces a book'], r['pieces a sheet or length']]),
    ).toEqual([
      ['endpaper', 218, 158, 2, 10],
      ['covering', 265.76, 186, 1, 3],
      ['board', 102, 156, 2, 36],
      ['strip', 15.76, 156, 1, 128],
      ['jacket', 421.76, 156, 1, expect.any(Number)],
    ]);
    expect(rows[2]).toMatchObject({
      'pieces wanted': expect.any(Number),
      'sheets or metres': expect.any(Number),
      stock: 'Binder’s board 2.5 mm, 70 × 100 cm',
    });
    expect(Number(rows[2]!['pieces wanted'])).toBeGreaterThanOrEqual(2 * 2_164);
    expect(Number(rows[2]!['sheets or metres']) * 36).toBeGreaterThanOrEqual(Number(rows[2]!['pieces wanted']));
    expect(casePieceRows(planned(cardSpec(1_000), LINDMOOR, SHELF).plan, LINDMOOR)).toEqual([]);
  });
  it('are the programs of every guillotine, cut by cut, in gauges; boards and cloth have none', () => {
    const rows = cutRows(herbal.plan, LINDMOOR);
    expect([...new Set(rows.map((r) => r['form']))]).toEqual(['sections 1, 2, 3, 4', 'sections 5, 6, 7, 8', 'hardback.endpaper']);
    expect(rows.slice(0, 6).map((r) => r['gauge mm'])).toEqual([896, 460, 436, 1_282, 650, 632]);
  });
  it('has front and back on the sides they are seen on from outside, bound left or right', () => {
    const titles: HardcoverWish['titles'] = { t1: { name: 'fern', place: 'front', widthMm: 40, heightMm: 55 } };
    const foilAt = (spine: 'left' | 'right'): number => {
      const [scene] = bookTemplates(Object.values(made({ spine, titles }).plan.parts), LINDMOOR);
      const foil = scene!.shapes.find((s) => s.role === 'foil');
      return foil?.kind === 'rect' ? foil.x + foil.w / 2 : NaN;
    };
    expect([foilAt('left'), foilAt('right')]).toEqual([expect.closeTo(265.763 - 15 - 51, 2), 15 + 51]);
    const names = (spine: 'left' | 'right') =>
      bookTemplates(Object.values(made({ spine, flapMm: 90 }).plan.parts), LINDMOOR)[1]!.shapes.flatMap((s) =>
        s.kind === 'text' && /^(front|back)$/.test(s.text) ? [s.text] : [],
      );
    expect([names('left'), names('right')]).toEqual([
      ['back', 'front'],
      ['front', 'back'],
    ]);
  });
  it('are the hoppers, and templates of case and jacket at true size', () => {
    expect(hopperRows(herbal.plan, LINDMOOR).map((r) => r['pages'])).toHaveLength(8);
    const scenes = bookTemplates(Object.values(made({ flapMm: 90 }).plan.parts), LINDMOOR);
    expect(scenes.map((s) => [s.title, s.toScale])).toEqual([
      ['case', true],
      ['jacket', true],
    ]);
    expect(bookTemplates(Object.values(planned(cardSpec(1_000), LINDMOOR, SHELF).plan.parts), LINDMOOR)).toEqual([]);
  });
});

describe('a sewn book on the floor', () => {
  const counted = (of: Record<string, { run: number; good: number; done: boolean }>): Planned =>
    planned(JobSpecSchema.parse(pocketHerbal()), LINDMOOR, { ...SHELF, counted: of });
  it('comes out as its scarcest part lets it: boards for 1,500 cases', () => {
    const short = counted({ 'hardback.board.boardCut': { run: 127, good: 84, done: true } });
    expect(value(short, `${CASE}.case.realRun`)).toBe(1_512);
    expect(short.plan.findings.find((f) => f.code === 'floor.short')?.args).toMatchObject({ part: 'board' });
  });
  it('has a step for each section that gets an endpaper, and for every machine of the line', () => {
    const names = floorSteps(herbal, { currency: 'EUR', timeZone: 'UTC' }, false).map((s) => s.step.name);
    expect(names.filter((n) => n.startsWith('Endpapers on'))).toEqual(['Endpapers on, section 1', 'Endpapers on, section 8']);
    expect(names).toEqual(expect.arrayContaining(['Gather', 'Sew', 'Nip, glue spine', 'Round, back, line', 'Make cases', 'Case in']));
  });
});

describe('any sewn book', () => {
  it('has every page once, or says why nothing fits; its ticket and river are there', () => {
    fc.assert(
      fc.property(anyHardcover, (spec) => {
        const of = planned(spec, LINDMOOR, SHELF);
        const text = of.plan.parts[TEXT]!;
        const mine = Object.values(of.plan.forms).filter((f) => f.parts.includes(TEXT));
        if (mine.some((f) => f.layout === null))
          expect(codes(of).some((c) => /^(layout\.nothingFits|sections\.tooHeavy|stock\.none)$/.test(c))).toBe(true);
        else {
          const pages = mine.flatMap((f) => f.layout?.imposed?.sections.flatMap((s) => s.pages) ?? []);
          const { pages: all, blanks } = text.traits!.bound!;
          expect([pages.length, new Set(pages.filter((p) => p !== null)).size]).toEqual([all, all - blanks]);
        }
        expect(ticketPages(of).length).toBeGreaterThanOrEqual(of.plan.stones.length > 0 ? 1 : 0);
        for (const stone of riverOf(of.plan)) expect(Number.isFinite(stone.inCopies) && Number.isFinite(stone.outCopies)).toBe(true);
      }),
      { numRuns: 30 },
    );
  });
});
