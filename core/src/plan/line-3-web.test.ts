import { JobSpecSchema } from './door';
import { LINDMOOR, SHELF } from './line-1.fixture';
import { ferryTimetable } from './line-3.fixture';
import { planned, type Planned } from './plan';
import { riverOf } from './readings/river';
import { ticketPages } from './readings/ticket';
import { propose } from './what-if/propose';
import type { BookletWish } from '../families/booklet-wish';

/* A magazine on the web, against line-3-by-hand.test.ts: 210 × 275, 32 pages of text, 64,000 of them, on 880 mm of 60 g, cut-off 578. */
const magazine = (wish: BookletWish = {}): Planned =>
  planned(
    JobSpecSchema.parse(
      ferryTimetable(
        { widthMm: 210, heightMm: 275, pages: 36, printedOn: 'web', grade: 'Magazine web 60', ...wish },
        { settings: { 'booklet.text.stitch': { setupSheets: 200, samples: 20 } } },
        64_000,
      ),
    ),
    LINDMOOR,
    SHELF,
  );
const made = magazine();
const value = (id: string, of = made): number => of.ledger.value(id);

describe('a magazine on the web', () => {
  it('has a section of sixteen pages on each repeat: 872 wide, 14 for head and foot, proved by folding', () => {
    const forms = Object.values(made.plan.forms).filter((f) => f.slot === 'booklet.text');
    expect(forms.map((f) => [f.name, f.kind, f.style, f.layout?.sheetMm])).toEqual([
      ['section 1', 'web', 'perfect', [880, 578]],
      ['section 2', 'web', 'perfect', [880, 578]],
    ]);
    const imposed = forms[0]!.layout!.imposed!;
    expect(imposed.flats).toEqual([{ section: 's1', faceDown: false, x: 4, y: 0, w: 872, h: 578 }]);
    expect(imposed.sections[0]?.rowsMm).toEqual([289, 289]);
    expect(imposed.mirror).toBe('x');
  });
  it('takes 69,533 repeats a section from three rolls of 17,992 m, 40,190 m of web, at 240.8 m a minute', () => {
    expect(value('booklet.text.stitch.run')).toBe(64_867);
    expect([value('booklet.text.print.f1.run'), value('booklet.text.print.f2.run')]).toEqual([69_533, 69_533]);
    expect([value('booklet.text.f1.rollLength'), value('booklet.text.print.f1.rolls')]).toEqual([expect.closeTo(17_992, -1), 3]);
    expect(value('booklet.text.print.f1.metres')).toBeCloseTo(40_190, 0);
    expect(value('booklet.text.print.f1.metresAMinute')).toBeCloseTo(240.8, 1);
    expect(value('booklet.text.stock.f1.mass')).toBeCloseTo(2_122, 0);
  });
  it('goes from the press to the stitcher: nothing is cut or folded besides, and nothing waits for ink', () => {
    expect(made.plan.stones.map((s) => s.key)).toEqual([
      'stock',
      'plates',
      'print',
      'coverStock',
      'coverPlates',
      'coverPrint',
      'coverCut',
      'stitch',
      'pack',
    ]);
    expect(made.plan.steps['booklet.text.print.f1']?.waits).toEqual([]);
    const river = riverOf(made.plan);
    expect(Math.round(river.find((s) => s.id === 'booklet.text.print')!.outCopies)).toBeGreaterThanOrEqual(64_867);
    expect(Math.round(river.find((s) => s.id === 'booklet.text.stitch')!.outCopies)).toBe(64_000);
  });
  it('tells the press its former, jaw and chopper, and which section comes out', () => {
    const page = ticketPages(made).find((p) => p.stone.id === 'booklet.text.print.f2' && p.department === 'press')!;
    const says = (label: string): string | undefined => page.rows.find((r) => r.label === label)?.text;
    expect(['former', 'jaw', 'chopper', 'webEdge'].map(says)).toEqual(['440 mm', '289 mm', '222 mm', '4 mm']);
    expect(page.lists.find((l) => l.title === 'sectionsFolded')?.rows).toEqual([['section 2', '11–26', '18 / 19', '1']]);
    expect(page.drawings.length).toBe(3);
  });
  it('a rest of eight pages lies twice on its repeat, slit side by side', () => {
    const of = magazine({ pages: 48 });
    const forms = Object.values(of.plan.forms).filter((f) => f.slot === 'booklet.text');
    // 44 pages: 16 + 16 + 8 + 4; what is left of the last repeat is named.
    expect(
      forms.map((f) => [f.layout?.imposed?.sections.map((s) => s.pages.length), f.layout?.imposed?.flats.length, f.layout?.imposed?.empty]),
    ).toEqual([
      [[16], 1, 0],
      [[16], 1, 0],
      [[8, 4], 2, 4],
    ]);
    const pages = forms.flatMap((f) => f.layout?.imposed?.sections.flatMap((s) => s.pages) ?? []);
    expect(new Set(pages).size).toBe(44);
    const twice = magazine({ pages: 44 });
    const rest = Object.values(twice.plan.forms)
      .filter((f) => f.slot === 'booklet.text')
      .at(-1);
    expect([rest?.layout?.imposed?.sections[0]?.pages.length, rest?.layout?.imposed?.flats.length]).toEqual([8, 2]);
    expect(value('booklet.text.print.f3.run', twice)).toBeLessThan(40_000);
    const rows = ticketPages(twice).find((p) => p.stone.id === 'booklet.text.print.f3' && p.department === 'press')!.rows;
    expect(['webSlit', 'former', 'jaw', 'chopper'].map((l) => rows.find((r) => r.label === l)?.text)).toEqual([
      '440 mm',
      'none',
      '289 mm',
      '222 mm',
    ]);
  });
  it('is printed on both sides in one run whatever work style was chosen, and no other is offered', () => {
    const choices = { workStyle: { 'booklet.text': 'turn' } };
    const spec = JobSpecSchema.parse(
      ferryTimetable({ widthMm: 210, heightMm: 275, pages: 36, printedOn: 'web', grade: 'Magazine web 60' }, choices),
    );
    const of = planned(spec, LINDMOOR, SHELF);
    const forms = Object.values(of.plan.forms).filter((f) => f.slot === 'booklet.text');
    expect(forms.map((f) => [f.style, f.layout?.imposed?.flats.some((flat) => flat.faceDown)])).toEqual([
      ['perfect', false],
      ['perfect', false],
    ]);
    expect(of.plan.findings.map((f) => f.code)).toContain('style.cannot');
    expect(made.plan.findings.map((f) => f.code).filter((c) => /^(stitch|sections|style|layout|press)\./.test(c))).toEqual([]);
    expect([...propose(spec, LINDMOOR, SHELF)].filter((p) => p.what === 'Print, text').every((p) => p.style === 'perfect')).toBe(true);
  });
  it('wider than its web, or taller than half the cut-off, says by how much; sheets in place of rolls too', () => {
    const codes = (wish: BookletWish): string[] => magazine(wish).plan.findings.map((f) => f.code);
    expect(codes({ widthMm: 230 })).not.toContain('layout.nothingFits');
    expect(codes({ heightMm: 285 })).toContain('layout.nothingFits');
    expect(codes({ widthMm: 320, heightMm: 200 })).not.toEqual([]);
    expect(codes({ grade: 'Matt coated 100' })).toContain('stock.none');
  });
});
