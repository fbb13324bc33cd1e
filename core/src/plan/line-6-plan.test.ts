import * as fc from 'fast-check';
import { JobSpecSchema } from './door';
import { LINDMOOR, SHELF } from './line-1.fixture';
import { shortNovel } from './line-6.fixture';
import { planned, type Planned } from './plan';
import { label } from '../words/en';
import { floorSteps } from './readings/floor-steps';
import { riverOf } from './readings/river';
import { ticketPages } from './readings/ticket';
import { anyPaperback } from './spec-arbitrary.fixture';
import { comparedWith, propose } from './what-if/propose';
import type { PaperbackWish } from '../families/paperback-wish';
import type { JobSpec } from '../product/job-spec';
import type { PagePlace } from '../signature/sheet-pages';

/* The plan of the short novel, against line-6-by-hand.test.ts. */

const made = (wish: PaperbackWish = {}, choices: Partial<JobSpec['choices']> = {}): Planned =>
  planned(JobSpecSchema.parse(shortNovel(wish, choices)), LINDMOOR, SHELF);
const novel = made();
const value = ({ ledger }: Planned, id: string): number => ledger.value(id);
const runs = (of: Planned, ids: readonly string[]): number[] => ids.map((id) => value(of, `${id}.run`));
const codes = ({ plan }: Planned): string[] => plan.findings.map((f) => f.code);
const textForms = ({ plan }: Planned) => Object.values(plan.forms).filter((f) => f.slot === 'book.text');
const plates = (of: Planned): number =>
  Object.keys(of.plan.figures)
    .filter((id) => /[pP]lates(\.f\d+)?\.plates$/.test(id))
    .reduce((sum, id) => sum + value(of, id), 0);
const list = (of: Planned, stone: string, title: string): string[][] =>
  ticketPages(of)
    .filter((p) => p.stone.id === stone)
    .flatMap((p) => p.lists.filter((l) => l.title === title).flatMap((l) => l.rows));
/** Pages of a side, heads up the page: rows along the sheet, v where a head is down. */
function written(places: readonly PagePlace[]): string {
  const rows = [...new Set(places.map((p) => Math.round(p.x)))].sort((a, b) => a - b);
  return rows
    .map((x) =>
      places
        .filter((p) => Math.round(p.x) === x)
        .sort((a, b) => a.y - b.y)
        .map((p) => `${p.page}${p.head === 'e' ? 'v' : ''}`)
        .join(' '),
    )
    .join(' / ');
}

describe('the short novel, two-up come-and-go', () => {
  it('lays the first section beside the last, nine pairs on nine sheets that are folded whole, with the pages found by hand', () => {
    expect(textForms(novel).map((f) => f.name)).toEqual(Array.from({ length: 9 }, (_, i) => `sections ${i + 1} and ${18 - i}`));
    const imposed = novel.plan.forms['book.text.f1']!.layout!.imposed!;
    expect(imposed.foldedWhole).toBe(true);
    expect(written(imposed.front)).toBe('5v 12v 13v 4v / 284 277 276 285 / 281v 280v 273v 288v / 8 9 16 1');
    expect(novel.plan.stones.map((s) => s.key)).not.toContain('cut');
    expect(novel.plan.stones.map((s) => s.key)).toContain('insertCut');
  });
  it('counts back as worked by hand: knives, saw, binder, folds, sheets, insert and covers', () => {
    const text = 'book.text';
    expect(runs(novel, [`${text}.trim`, `${text}.saw`, `${text}.bind`])).toEqual([6_024, 3_018, 3_135]);
    expect(runs(novel, [`${text}.fold.s1`, `${text}.fold.s9`, `${text}.print.f1`, `${text}.print.f9`])).toEqual([
      6_337, 6_337, 6_627, 6_627,
    ]);
    expect(runs(novel, ['book.insert.insertFold.s1', 'book.insert.insertCut', 'book.insert.insertPrint'])).toEqual([3_186, 1_602, 2_020]);
    expect(runs(novel, ['book.cover.coverCut', 'book.cover.coverPrint'])).toEqual([791, 1_043]);
    expect(plates(novel)).toBe(30);
    expect(value(novel, 'book.text.stock.f1.mass') * 9).toBeCloseTo(1_826, 0);
  });
  it('is 16.496 thick with a spine of 17.356, weighs 252 g, and takes 405 mm and 24.5 m of the binder', () => {
    const of = (what: string): number => value(novel, `book.text.bind.${what}`);
    expect([of('blockMm'), of('spineMm'), of('copyKg'), of('lengthMm'), of('conveyorM'), of('cycleGlueKg')]).toEqual([
      expect.closeTo(16.496, 9),
      expect.closeTo(17.356, 9),
      expect.closeTo(0.252, 3),
      405,
      expect.closeTo(24.5, 9),
      expect.closeTo(0.00311, 5),
    ]);
    expect(value(novel, 'book.text.bind.runS') / 3_600).toBeCloseTo(0.9, 2);
    const cover = novel.plan.parts['book.cover']!;
    expect([cover.widthMm, cover.heightMm]).toEqual([expect.closeTo(263.356, 9), 397]);
    expect(novel.plan.forms['book.cover']?.layout?.cells[0]).toMatchObject({ trimMm: [cover.widthMm, 397] });
  });
  it('runs saw and knives with the binder: their time is its own, and the slowest of the line sets the rate', () => {
    expect([value(novel, 'book.text.saw.runS'), value(novel, 'book.text.trim.runS')]).toEqual([0, 0]);
    const { binder1 } = LINDMOOR.machines;
    const slow = {
      ...LINDMOOR,
      machines: { ...LINDMOOR.machines, binder1: { ...binder1!, limits: { ...binder1!.limits, trimPerHour: 5_000 } } },
    };
    const of = planned(JobSpecSchema.parse(shortNovel()), slow, SHELF);
    expect(value(of, 'book.text.bind.rate')).toBe(2_500);
  });
  it('tells the binder hopper by hopper what lies how, with marks stepping down; the cover its scores', () => {
    const hoppers = list(novel, 'book.text.bind', 'hopperOrder');
    expect(hoppers).toHaveLength(19);
    expect([0, 9, 18].map((i) => [hoppers[i]?.[1], hoppers[i]?.[2], hoppers[i]?.[4], hoppers[i]?.[5]])).toEqual([
      ['sections 1 and 18', '1–16', 'as folded', '15 mm'],
      ['insert', '1–8', 'as folded', '87 mm'],
      ['sections 1 and 18', '273–288', 'turned end for end', '159 mm'],
    ]);
    const row = ticketPages(novel)
      .filter((p) => p.stone.id === 'book.text.bind')
      .flatMap((p) => p.rows)
      .find((r) => r.label === 'scorePlaces');
    expect(row?.text).toBe('116 mm, 123 mm, 140.36 mm, 147.36 mm from the left edge, outside up');
    // A fold's stops are those of the whole sheet: half of 810, half of 540, a quarter.
    expect(list(novel, 'book.text.fold.s1', 'stations').map((r) => r[3])).toEqual(['405 mm', '270 mm', '126 mm']);
  });
  it('has one page of the store for the nine forms of the text, which it pulls in one go', () => {
    const pages = ticketPages(novel).filter((p) => p.department === 'store');
    expect(pages.map((p) => p.stone.id)).toEqual(['book.text.stock', 'book.insert.insertStock', 'book.cover.coverStock']);
    const rows = list(novel, 'book.text.stock', 'sheetsByForm');
    expect(rows.map((r) => r[0])).toEqual(textForms(novel).map((f) => f.name));
    expect(new Set(rows.map((r) => r[2]?.replace(/\D/g, '')))).toEqual(new Set(['6627']));
  });
  it('tells plates and folder where the marks of both copies stand, and the folder what is read of each', () => {
    expect(list(novel, 'book.text.plates.f1', 'backMarks')).toEqual([
      ['book 1', '1 and 16', '15 mm', '1'],
      ['book 19', '273 and 288', '159 mm', '1'],
    ]);
    expect(list(novel, 'book.insert.insertPlates', 'backMarks')).toEqual([['book 10', '1 and 8', '87 mm', '1']]);
    const rows = ticketPages(novel)
      .filter((p) => p.stone.id === 'book.text.fold.s1')
      .flatMap((p) => p.rows.map((r) => [r.label, r.text]));
    expect(rows).toEqual(
      expect.arrayContaining([
        ['centreSpread', '8 / 9'],
        ['centreSpread', '280 / 281'],
        ['meetsAtSaw', 'joint.headToHead'],
        ['backMark', '159 mm from the head of 273–288'],
      ]),
    );
  });
  it('tells saw and knives what the sheet left: 8 at the open end, 18 at the face of the outer pages', () => {
    const rowOf = (stone: string, label: string, of = novel): string | undefined =>
      ticketPages(of)
        .filter((p) => p.stone.id === stone)
        .flatMap((p) => p.rows)
        .find((r) => r.label === label)?.text;
    expect(rowOf('book.text.saw', 'sawAt')).toBe('198.5 mm from the folded end, 206.5 mm from the open one; 5 mm wide');
    expect(rowOf('book.text.trim', 'trimmedMost')).toBe('face 21 mm, head 3 mm, foot 11 mm');
    // Head to foot the copy at the open end has its feet there too: its head meets the other's feet at the saw.
    expect(rowOf('book.text.trim', 'trimmedMost', made({ twoUp: 'headToFoot' }))).toBe('face 21 mm, head 3 mm, foot 11 mm');
  });
  it('cuts its covers by the program worked by hand: 6 cuts, lifts of 357', () => {
    const program = list(novel, 'book.cover.coverCut', 'program');
    expect(program).toHaveLength(6);
    expect(Math.floor(value(novel, 'book.cover.coverCut.perLift'))).toBe(357);
  });
  it('says nothing twice on the page of the binder', () => {
    const labels = ticketPages(novel)
      .filter((p) => p.stone.id === 'book.text.bind')
      .flatMap((p) => p.rows.map((r) => label(r.label)));
    expect(labels.filter((l, i) => labels.indexOf(l) !== i)).toEqual([]);
  });
  it('flows together: a book takes half a fold of each hopper, and what comes out is books', () => {
    const at = (id: string) => riverOf(novel.plan).find((s) => s.id === id)!;
    expect(Math.round(at('book.text.trim').outCopies)).toBe(6_000);
    expect(Math.round(at('book.text.fold').inCopies)).toBe(6_337);
    // Two books of every block.
    expect([Math.round(at('book.text.bind').inCopies), Math.round(at('book.text.bind').outCopies)]).toEqual([6_270, 6_036]);
    expect(Math.round(riverOf(made({ twoUp: 'none' }).plan).find((s) => s.id === 'book.text.bind')!.inCopies)).toBe(6_186);
    expect(Math.round(at('book.cover.coverCut').outCopies)).toBeGreaterThanOrEqual(6_270);
    expect(at('book.text.bind').from).toEqual(['book.text.fold', 'book.insert.insertFold.s1', 'book.cover.coverCut']);
  });
  it('finds of itself only that hot-melt lets the gloss insert go', () => {
    expect(codes(novel).filter((c) => /^(bind|sections|layout|bleed|style|threeKnife)\./.test(c))).toEqual(['bind.coatedInsert']);
  });
});

describe('the same book otherwise', () => {
  it('head to foot takes 48 plates, twice the forms and about as many sheets', () => {
    const other = made({ twoUp: 'headToFoot' });
    expect(textForms(other)).toHaveLength(18);
    expect(plates(other)).toBe(48);
    expect(runs(other, ['book.text.bind', 'book.text.fold.s1'])).toEqual([3_135, 3_186]);
    expect(list(other, 'book.text.bind', 'hopperOrder').every((r) => r[4] === 'as folded')).toBe(true);
  });
  it('one by one takes 6,186 cycles, and as many plates as come-and-go', () => {
    const sixteens = { settings: { 'book.text.bind': { sections: Array(18).fill(16).join(' ') } } };
    const one = made({ twoUp: 'none' }, sixteens);
    expect(runs(one, ['book.text.bind'])).toEqual([6_186]);
    expect(
      textForms(one)
        .map((f) => f.name)
        .slice(0, 2),
    ).toEqual(['sections 1, 2', 'sections 3, 4']);
    expect(plates(one)).toBe(30);
    expect(one.plan.stones.map((s) => s.key)).not.toContain('saw');
    // 59,040 by the specification, which rounds each form's run up to tens; counted through fold and cut it is nine times this.
    expect(value(one, 'book.text.print.f1.run')).toBeLessThanOrEqual(6_560);
    expect(value(one, 'book.text.print.f1.run')).toBeGreaterThanOrEqual(6_544);
  });
  it('of 276 pages neither way of parting runs come-and-go: it says so, and plans one by one', () => {
    const first = made({ pages: 276, insertPages: undefined });
    expect(codes(first)).toContain('bind.notTwoUp');
    const parted = textForms(first)[0]?.sectionPlans?.map((p) => `${p.sections.length}: ${p.forms}`) ?? [];
    expect(parted).toContain('18: 18');
  });
  it('is weighed beside it: one by one, head to foot, with PUR, each said in words', () => {
    const spec = JobSpecSchema.parse(shortNovel());
    const ways = [...propose(spec, LINDMOOR, SHELF)].map((p) => ({ ...p, of: comparedWith(p, spec, LINDMOOR, SHELF) }));
    const plates = (what: string): number | undefined => ways.find((w) => w.what.includes(what))?.of?.plates;
    expect([plates('bound one book at a time'), plates('two-up, head to foot'), plates('bound with PUR')]).toEqual([30, 48, 30]);
    expect(ways.filter((w) => w.what.includes('way.'))).toEqual([]);
  });
  it('whose insert nobody gave a place has it between the middle sections, and asks nothing', () => {
    const unsaid = made({ pages: 196, insertAfter: undefined, twoUp: 'none' });
    expect(codes(unsaid)).not.toContain('bind.insertInside');
    const order = list(unsaid, 'book.text.bind', 'hopperOrder').map((r) => r[1]);
    expect(order.indexOf('insert')).toBe(Math.ceil((order.length - 1) / 2));
  });
  it('counts an insert in: the text is 8 pages shorter, and its numbers go on behind it', () => {
    const counted = made({ pages: 296, insertCounted: 'in' });
    const pages = list(counted, 'book.text.bind', 'hopperOrder').map((r) => r[2]);
    expect([pages[8], pages[9], pages[10], pages[18]]).toEqual(['129–144', '145–152', '153–168', '281–296']);
  });
  it('bound on the right has its sheets mirrored, and passes the proof all the same', () => {
    const right = made({ spine: 'right' });
    expect(written(right.plan.forms['book.text.f1']!.layout!.imposed!.front)).toBe(
      '4v 13v 12v 5v / 285 276 277 284 / 288v 273v 280v 281v / 1 16 9 8',
    );
  });
  it('measured as a dummy, the cover follows the dummy', () => {
    const dummy = made({ dummyMm: 17.2 });
    expect(value(dummy, 'book.text.bind.spineMm')).toBeCloseTo(17.2 + 0.56 + 0.3, 9);
    expect(dummy.plan.parts['book.cover']?.widthMm).toBeCloseTo(240 + 18.06 + 6, 9);
  });
  it('laminated, its covers lie before they are cut, as many more are printed, and the spine grows by the film', () => {
    const film = made({ lamination: 'matt' });
    const laminate = 'book.cover.coverLaminate';
    expect(film.plan.steps['book.cover.coverCut']?.waits.map((w) => w.why)).toContain('rest');
    // 791 sheets to the knife: 35 and 1.5 % are lost before, by hand ⌈35 + 791 / 0.985⌉.
    expect(runs(film, [laminate])).toEqual([839]);
    expect(value(film, `${laminate}.filmM2`)).toBeCloseTo((839 * 0.56 * 0.82 * 1_000) / 1_000, 6);
    expect(value(film, 'book.text.bind.spineMm') - value(novel, 'book.text.bind.spineMm')).toBeCloseTo(0.048, 9);
    expect(codes(film)).not.toContain('bind.spineMoved');
  });
  it('with flaps has its face trimmed before it is covered, and only head and foot behind the binder', () => {
    const flapped = made({ flapMm: 80, twoUp: 'none' });
    const rowOf = (stone: string, label: string): string | undefined =>
      ticketPages(flapped)
        .filter((p) => p.stone.id === stone)
        .flatMap((p) => p.rows)
        .find((r) => r.label === label)?.text;
    expect(rowOf('book.text.bind', 'faceBefore')).toBe('to 120 mm from the spine, before the cover with its flaps is put on');
    expect(rowOf('book.text.trim', 'knivesFirst')).toBe('not the face: it was trimmed before the flaps were folded round it');
    expect(rowOf('book.text.trim', 'trimmedMost')).not.toContain('face');
  });
  it('with PUR waits a day before it is packed', () => {
    const pur = made({ adhesive: 'pur' });
    expect(pur.plan.steps['book.text.pack.carton']?.waits.map((w) => w.why)).toContain('rest');
  });
});

describe('a softcover book on the floor', () => {
  const counted = (of: Record<string, { run: number; good: number; done: boolean }>): Planned =>
    planned(JobSpecSchema.parse(shortNovel()), LINDMOOR, { ...SHELF, counted: of });
  it('comes out as its scarcest part lets it: inserts enough for 3,058 blocks', () => {
    const short = counted({ 'book.insert.insertFold.s1': { run: 3_186, good: 3_058, done: true } });
    expect(value(short, 'book.text.bind.realRun')).toBe(3_058);
    expect(short.plan.findings.find((f) => f.code === 'floor.short')?.args).toMatchObject({ part: 'insert', enough: 3_058 });
  });
  it('makes two books of every block, from two folds of each pair', () => {
    const of = counted({ 'book.text.fold.s1': { run: 6_337, good: 4_000, done: true } });
    expect(value(of, 'book.text.bind.realRun')).toBe(2_000);
    expect(value(of, 'book.text.trim.realGood')).toBeGreaterThan(3_800);
    expect(value(of, 'book.text.trim.realGood')).toBeLessThan(4_000);
  });
  it('has a step for every pair that is folded, and for binder, saw and knives', () => {
    const names = floorSteps(novel, { currency: 'EUR', timeZone: 'UTC' }, false).map((s) => s.step.name);
    expect(names).toContain('Fold, text, sections 1 and 18');
    expect(names.filter((n) => /^(Gather and bind|Saw apart|Trim)$/.test(n))).toEqual(['Gather and bind', 'Saw apart', 'Trim']);
  });
});

describe('any softcover book', () => {
  it('has every page once in each copy, or says why nothing fits; its ticket and river are there', () => {
    fc.assert(
      fc.property(anyPaperback, (spec) => {
        const of = planned(spec, LINDMOOR, SHELF);
        const { forms, parts } = of.plan;
        for (const part of Object.values(parts).filter((p) => p.traits?.bound)) {
          const mine = Object.values(forms).filter((f) => f.parts.includes(part.id));
          if (mine.some((f) => f.layout === null)) {
            expect(codes(of).some((c) => /^(layout\.nothingFits|sections\.tooHeavy|stock\.none)$/.test(c))).toBe(true);
            continue;
          }
          const sections = mine.flatMap((f) => f.layout?.imposed?.sections ?? []);
          const pages = sections.flatMap(({ pages, double }) => (double?.hoppers === 1 ? pages.slice(0, pages.length / 2) : pages));
          const { pages: all, blanks } = part.traits!.bound!;
          expect([pages.length, new Set(pages.filter((p) => p !== null)).size]).toEqual([all, all - blanks]);
        }
        expect(ticketPages(of).length).toBeGreaterThanOrEqual(of.plan.stones.length > 0 ? 1 : 0);
        for (const stone of riverOf(of.plan)) expect(Number.isFinite(stone.inCopies) && Number.isFinite(stone.outCopies)).toBe(true);
      }),
      { numRuns: 30 },
    );
  });
});
