import * as fc from 'fast-check';
import { JobSpecSchema } from './door';
import { LINDMOOR, SHELF } from './line-1.fixture';
import { ferryTimetable } from './line-3.fixture';
import { pageRows } from '../exchange/page-rows';
import { planned, type Planned } from './plan';
import { anyBooklet } from './spec-arbitrary.fixture';
import { riverOf } from './readings/river';
import { comparedWith, propose } from './what-if/propose';
import { floorSteps } from './readings/floor-steps';
import { ticketPages } from './readings/ticket';
import '../product/bound';
import type { BookletWish } from '../families/booklet-wish';
import type { JobSpec } from '../product/job-spec';
import type { PagePlace } from '../signature/sheet-pages';

/* The plan of the ferry timetable, against line-3-by-hand.test.ts. */

const made = (wish: BookletWish = {}, choices: Partial<JobSpec['choices']> = {}): Planned =>
  planned(JobSpecSchema.parse(ferryTimetable(wish, choices)), LINDMOOR, SHELF);
const timetable = made();
const value = ({ ledger }: Planned, id: string): number => ledger.value(id);
const runs = (of: Planned, ids: readonly string[]): number[] => ids.map((id) => value(of, `${id}.run`));
const codes = ({ plan }: Planned): string[] => plan.findings.map((f) => f.code);
const PLACE = { locale: 'en', currency: 'EUR', timeZone: 'UTC' };

/** Pages of a side as they stand with heads up the page: rows along the sheet, v where a head is down. */
function written(places: readonly PagePlace[], section: string): string {
  const mine = places.filter((p) => p.section === section);
  const rows = [...new Set(mine.map((p) => p.x))].sort((a, b) => a - b);
  return rows
    .map((x) =>
      mine
        .filter((p) => p.x === x)
        .sort((a, b) => a.y - b.y)
        .map((p) => `${p.page}${p.head === 'e' ? 'v' : ''}`)
        .join(' '),
    )
    .join(' / ');
}

describe('the ferry timetable', () => {
  const { plan } = timetable;
  it('has two sections on its first form and four of the third on its second, covers eight up, all perfected', () => {
    expect(Object.values(plan.forms).map((f) => [f.id, f.name, f.style, value(timetable, `${f.id}.copiesUp`)])).toEqual([
      ['booklet.text.f1', 'sections 1, 2', 'perfect', 1],
      ['booklet.text.f2', 'section 3', 'perfect', 4],
      ['booklet.cover', '', 'perfect', 8],
    ]);
    expect(plan.forms['booklet.text.f1']?.layout?.imposed?.flats.map((f) => [f.x, f.y, f.w, f.h])).toEqual([
      [68, 38, 432, 624],
      [500, 38, 432, 624],
    ]);
  });
  it('has its pages where they were found by hand', () => {
    const imposed = plan.forms['booklet.text.f1']!.layout!.imposed!;
    expect(written(imposed.front, 's1')).toBe('7v 38v 35v 10v / 6 39 42 3');
    // Perfected with heads across the press: the back is the model's turn, seen as it lies, its tail gripped.
    expect(written(imposed.back, 's1')).toBe('9v 36v 37v 8v / 4 41 40 5');
    expect(imposed.sections.map((s) => [s.pages[0], s.pages[7], s.pages[8], s.pages[15]])).toEqual([
      [3, 10, 35, 42],
      [11, 18, 27, 34],
    ]);
  });
  it('counts back as worked by hand, form by form and section by section', () => {
    const text = 'booklet.text';
    expect(runs(timetable, [`${text}.stitch`, `${text}.fold.s1`, `${text}.fold.s2`, `${text}.fold.s3`])).toEqual([
      12_187, 12_284, 12_284, 12_284,
    ]);
    expect(runs(timetable, [`${text}.cut.f1`, `${text}.cut.f2`, 'booklet.cover.coverCut'])).toEqual([12_314, 3_083, 1_533]);
    expect(runs(timetable, [`${text}.print.f1`, `${text}.print.f2`, 'booklet.cover.coverPrint'])).toEqual([12_951, 3_532, 1_988]);
    expect([`${text}.plates.f1`, `${text}.plates.f2`, 'booklet.cover.coverPlates'].map((id) => value(timetable, `${id}.plates`))).toEqual([
      8, 8, 9,
    ]);
  });
  it('turned, its third section takes four plates, and the back fewer sheets in setup', () => {
    const turned = made({}, { workStyle: { 'booklet.text.f2': 'turn' } });
    expect(turned.plan.forms['booklet.text.f2']?.style).toBe('turn');
    expect(value(turned, 'booklet.text.plates.f2.plates')).toBe(4);
    expect(value(turned, 'booklet.text.f2.copiesUp')).toBe(4);
    // The plant reckons no setup for a second pass from the same form: back 3,157, front 225 more.
    expect(value(turned, 'booklet.text.print.f2.back.run')).toBeLessThan(3_225);
    expect(value(turned, 'booklet.text.print.f1.run')).toBe(12_951);
  });
  it('is 2.26 thick, creeps 1.035, weighs 74.6 g, takes 664.4 m of wire, and folds at 7,058', () => {
    const of = (what: string): number => value(timetable, `booklet.text.stitch.${what}`);
    expect([of('closedMm'), of('creepMm'), of('stitchMm'), of('copyKg')]).toEqual([
      expect.closeTo(2.26, 9),
      expect.closeTo(1.035, 9),
      expect.closeTo(27.26, 9),
      expect.closeTo(0.0746, 4),
    ]);
    expect([of('wireM'), of('wireKg')]).toEqual([expect.closeTo(664.4, 1), expect.closeTo(1.02, 2)]);
    expect(Math.floor(value(timetable, 'booklet.text.fold.s1.rate'))).toBe(7_058);
    expect(value(made({ creep: 'round' }), 'booklet.text.stitch.creepMm')).toBeCloseTo(1.626, 3);
    expect(value(made({ creep: 'dummy', dummyMm: 1.4 }), 'booklet.text.stitch.creepMm')).toBe(1.4);
  });
  it('weighs what is trimmed off and lost: two sections of 624 × 432, one of 312 × 432, a cover of 312 × 216 as gathered', () => {
    const gathered = (2 * 624 * 432 * 100 + 312 * 432 * 100 + 312 * 216 * 200) / 1e9;
    expect(value(timetable, 'booklet.text.stitch.gatheredKg')).toBeCloseTo(gathered, 9);
    expect(value(timetable, 'booklet.text.stitch.trimKg')).toBeCloseTo(12_187 * (gathered - 0.074592), 6);
    expect(value(timetable, 'booklet.text.stitch.lostKg')).toBeCloseTo(187 * 0.074592, 6);
    // A flat lost at the folder is as much paper as it is flat.
    expect(value(timetable, 'booklet.text.fold.s1.waste.setup.kg')).toBeCloseTo((35 * 624 * 432 * 100) / 1e9, 6);
  });
  it('flows together: a copy takes one of each section and a cover, whatever sheet they came from', () => {
    const river = riverOf(plan);
    const at = (id: string) => river.find((s) => s.id === id)!;
    expect(Math.round(at('booklet.text.fold').inCopies)).toBe(12_284);
    expect(at('booklet.text.stitch').from).toEqual(['booklet.text.fold', 'booklet.cover.coverCut']);
    expect(at('booklet.text.cut').outCopies).toBeGreaterThanOrEqual(12_280);
    expect(Math.round(at('booklet.text.stitch').outCopies)).toBe(12_000);
  });
  it('tells each machine its page: stops and turns by section, feeders from the innermost, shifts by leaf, units before and behind the turn', () => {
    const pages = ticketPages(timetable);
    const list = (stone: string, title: string): string[][] =>
      pages.filter((p) => p.stone.id === stone).flatMap((p) => p.lists.filter((l) => l.title === title).flatMap((l) => l.rows));
    expect(list('booklet.text.fold.s1', 'stations').map((r) => r[3])).toEqual(['312 mm', '216 mm', '160 mm']);
    expect(list('booklet.text.fold.s3', 'stations').map((r) => r[3])).toEqual(['216 mm', '160 mm']);
    expect(list('booklet.text.stitch', 'feederOrder').map((r) => r[1])).toEqual([
      'section 3',
      'section 2',
      'section 1',
      'cover, scored here',
    ]);
    expect(list('booklet.text.plates.f2', 'creepList').at(-1)).toEqual(['21–24', '10', '1.035 mm', '1.035 mm to the spine']);
    expect(list('booklet.text.print.f1', 'passes')[1]?.[1]).toBe('6 K  7 C  8 M  9 Y');
    expect(list('booklet.text.cut.f1', 'sectionsOnSheet').map((r) => r.slice(0, 4))).toEqual([
      ['section 1', '3–10, 35–42', '624 × 432 mm', '1'],
      ['section 2', '11–18, 27–34', '624 × 432 mm', '1'],
    ]);
    expect(list('booklet.text.cut.f1', 'program')).toHaveLength(5);
  });
  it('gives the floor a step for each section, and tells apart what a sheet is cut into', () => {
    const steps = floorSteps(timetable, PLACE, false).map((s) => s.step);
    expect(steps.filter((s) => s.process === 'foldSections').map((s) => s.name)).toEqual([
      'Fold sections, section 1',
      'Fold sections, section 2',
      'Fold sections, section 3',
    ]);
    expect(steps.find((s) => s.step === 'booklet.text.cut.f1')?.parted?.map((p) => p.name)).toEqual(['section 1', 'section 2']);
  });
  it('finds nothing of itself that stands in the way', () => {
    expect(codes(timetable).filter((c) => /^(stitch|sections|press|layout|style)\./.test(c))).toEqual([]);
  });
});

describe('other booklets', () => {
  it('of 1, 2, 3, 5 and 46 pages are planned with blanks named, and say so', () => {
    for (const [pages, bookPages] of [
      [1, 8],
      [2, 8],
      [3, 8],
      [5, 8],
      [46, 48],
    ] as const) {
      const of = made({ pages });
      expect([pages, of.plan.parts['booklet.text']?.traits?.bound?.bookPages]).toEqual([pages, bookPages]);
      expect(codes(of)).toContain('stitch.pagesOdd');
    }
    const blank = made({ pages: 46 });
    const pages = Object.values(blank.plan.forms)
      .flatMap((f) => f.layout?.imposed?.sections ?? [])
      .flatMap((s) => s.pages);
    expect(pages.filter((p) => p === null)).toHaveLength(2);
    expect(pages).not.toContain(46);
  });
  it('bound on the right have their pages mirrored; of the text alone the first page stands outside', () => {
    const right = made({ spine: 'right' });
    const imposed = right.plan.forms['booklet.text.f1']!.layout!.imposed!;
    expect(written(imposed.front, 's1')).toBe('10v 35v 38v 7v / 3 42 39 6');
    const self = made({ cover: 'self' });
    expect(Object.keys(self.plan.parts)).toEqual(['booklet.text']);
    expect(self.plan.forms['booklet.text.f1']?.layout?.imposed?.sections[0]?.pages[0]).toBe(1);
    expect(self.plan.stones.map((s) => s.key)).not.toContain('coverPrint');
  });
  it('larger than any sheet, or of paper that does not fold, say so and plan on', () => {
    expect(codes(made({ widthMm: 320, heightMm: 450 }))).not.toContain('layout.nothingFits');
    const small = made({ widthMm: 320, heightMm: 450 }, { stock: { 'booklet.text': 'gloss150-450x640' } });
    expect(codes(small)).toContain('layout.nothingFits');
  });
  it('follow the sections that are set at the stitcher: forms, plates, sheets and folds at once', () => {
    const eights = made({}, { settings: { 'booklet.text.stitch': { sections: '8 8 8 8 8' } } });
    expect(eights.plan.stones.find((s) => s.id === 'booklet.text.fold')?.runs).toHaveLength(5);
    expect(value(eights, 'booklet.text.fold.s1.need')).toBe(12_187);
    expect(
      Object.values(eights.plan.forms)
        .filter((f) => f.slot === 'booklet.text')
        .map((f) => f.name),
    ).toEqual(['sections 1, 2, 3, 4', 'section 5']);
    // Six feeders take five sections and the cover.
    expect(codes(eights)).not.toContain('stitch.feedersShort');
  });
});

describe('any booklet', () => {
  it('has every page of each part once on its forms, or says why nothing fits; its ticket and river are there', () => {
    fc.assert(
      fc.property(anyBooklet, (spec) => {
        const of = planned(spec, LINDMOOR, SHELF);
        const { forms, parts } = of.plan;
        for (const form of Object.values(forms).filter((f) => f.stock !== null && f.layout === null))
          expect([form.id, codes(of).some((c) => c === 'layout.nothingFits' || c === 'sections.tooHeavy')]).toEqual([form.id, true]);
        for (const part of Object.values(parts)) {
          const mine = Object.values(forms).filter((f) => f.parts.includes(part.id));
          if (mine.some((f) => f.layout === null)) continue;
          const pages = mine.flatMap((f) => f.layout?.imposed?.sections.flatMap((s) => s.pages) ?? []);
          const { pages: all, blanks } = part.traits!.bound!;
          expect([pages.length, new Set(pages.filter((p) => p !== null)).size]).toEqual([all, all - blanks]);
        }
        expect(ticketPages(of).length).toBeGreaterThanOrEqual(of.plan.stones.length > 0 ? 1 : 0);
        for (const stone of riverOf(of.plan)) expect(Number.isFinite(stone.inCopies) && Number.isFinite(stone.outCopies)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});

describe('other ways to make it', () => {
  it('are weighed: both sides in one pass or in two, its rest turned from four plates, other sections where none is beaten', () => {
    const spec = JobSpecSchema.parse(ferryTimetable());
    const ways = [...propose(spec, LINDMOOR, SHELF)].map((p) => ({ ...p, of: comparedWith(p, spec, LINDMOOR, SHELF) }));
    const turned = ways.find((w) => w.what === 'section 3, turn' || (w.what.startsWith('section 3,') && w.style === 'turn'));
    expect(turned?.of?.plates).toBe(8 + 4 + 9);
    expect(ways.find((w) => w.what.startsWith('self-cover'))?.of?.plates).toBeGreaterThan(0);
    const twoPasses = ways.find((w) => w.style === 'sheetwise' && w.what === 'Print, text');
    expect(twoPasses?.of?.plates).toBe(8 + 4 + 9);
    expect(twoPasses?.of?.machineS).toBeGreaterThan(ways.find((w) => w.chosen && w.what === 'Print, text')?.of?.machineS ?? Infinity);
  });
  it('say of a longer one which sections there are, by forms and sections', () => {
    const long = made({ pages: 60 });
    const row = long.plan.stones.find((s) => s.id === 'booklet.text.stitch')?.panel.find((r) => r.label === 'sections');
    expect(row?.edit?.options?.length).toBeGreaterThan(1);
    const [, other] = row?.edit?.options ?? [];
    const set = made({ pages: 60 }, { settings: { 'booklet.text.stitch': { sections: other?.value ?? '' } } });
    const says = set.plan.stones.find((s) => s.id === 'booklet.text.stitch')?.panel.find((r) => r.label === 'sections')?.text;
    // Many alike are counted: seven eights read 7 × 8.
    const pages = says
      ?.split(' + ')
      .flatMap((run) => (run.includes('×') ? Array(Number(run.split(' × ')[0])).fill(run.split(' × ')[1]) : run));
    expect(pages?.join(' ')).toBe(other?.value);
    expect(codes(set)).not.toContain('sections.cannot');
  });
});

describe('what a stone says', () => {
  it('of the stitcher is copies that come in, so many of each section, not sections of one', () => {
    const stitch = timetable.plan.stones.find((s) => s.id === 'booklet.text.stitch');
    expect([timetable.plan.figures[stitch?.in ?? '']?.value, timetable.plan.figures[stitch?.in ?? '']?.unit]).toEqual([12_187, 'copy']);
  });
  it('of empty places is which form: by its sections, where it is the only one', () => {
    const empty = made({ cover: 'self', pages: 12 }).plan.findings.find((f) => f.code === 'sections.formEmpty');
    if (empty) expect(empty.args['form']).not.toBe('');
    for (const pages of [12, 20, 28, 32])
      for (const f of made({ cover: 'self', pages }).plan.findings.filter((g) => g.code === 'sections.formEmpty'))
        expect(f.args['form']).toMatch(/section/);
  });
  it('lists pages with the shift of the caliper that was measured, not that of the card', () => {
    const shelf = { ...SHELF, lots: { L1: { stock: 'matt100-700x1000', quantity: 20_000, owner: 'works' as const, caliperUm: 105 } } };
    const { plan } = planned(JobSpecSchema.parse(ferryTimetable()), LINDMOOR, shelf);
    const shift = (page: number): number => Number(pageRows(plan, LINDMOOR, shelf).find((r) => r['page'] === page)?.['shift mm']);
    // The cover, then nine sheets of 105 outside the innermost.
    expect([shift(3), shift(22)]).toEqual([0.18, expect.closeTo(0.18 + 9 * 0.105, 4)]);
  });
});

describe('counted on the floor', () => {
  const counted = (of: Record<string, { run: number; good: number; done: boolean }>): Planned =>
    planned(JobSpecSchema.parse(ferryTimetable()), LINDMOOR, { ...SHELF, counted: of });
  it('comes out as its shortest section lets it: a folder that spoilt 1,284 of section 2 leaves 11,000 of every booklet', () => {
    const short = counted({ 'booklet.text.fold.s2': { run: 12_284, good: 11_000, done: true } });
    expect(value(short, 'booklet.text.stitch.realRun')).toBe(11_000);
    const forecast = value(short, 'booklet.text.stitch.realGood');
    expect(forecast).toBeLessThan(11_000);
    expect(forecast).toBeGreaterThan(10_700);
    expect(short.plan.findings.find((f) => f.code === 'floor.short')?.args).toMatchObject({ part: 'section 2', enough: 11_000 });
  });
  it('loses a booklet for every sheet of two sections that is cut badly, four for one with four of the third', () => {
    const at = (form: string, good: number): number =>
      value(counted({ [`booklet.text.cut.${form}`]: { run: 0, good, done: true } }), 'booklet.text.stitch.realRun');
    // So many good sheets, less what the folder loses.
    expect(at('f1', 6_000)).toBeGreaterThan(5_900);
    expect(at('f1', 6_000)).toBeLessThanOrEqual(6_000);
    expect(at('f2', 1_500)).toBeGreaterThan(5_900);
    expect(at('f2', 1_500)).toBeLessThanOrEqual(6_000);
  });
});
