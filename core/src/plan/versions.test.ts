import { LINDMOOR, SHELF, cardSpec } from './line-1.fixture';
import { itemOfRow, type JobSpec } from '../product/job-spec';
import { plan, planned, sceneOf } from './plan';
import { formWork } from './readings/desk-work';
import { floorSteps } from './readings/floor-steps';
import { riverOf } from './readings/river';
import { ticketPages } from './readings/ticket';
import { shortageOptions } from './what-if/shortage';

/* A flat card in three languages, the black of the front a plate of its own in each: worked by hand from the trade's rules (common practice, no source). */
const QUANTITIES = { en: 6_000, de: 3_000, fr: 1_000 } as const;
function inLanguages(changes: Record<string, string[]> = { en: ['K'], de: ['K'], fr: ['K'] }, order?: string[]): JobSpec {
  const spec = cardSpec();
  return {
    ...spec,
    items: {
      i1: {
        ...spec.items['i1']!,
        versions: Object.fromEntries(
          Object.entries(QUANTITIES).map(([id, quantity]) => [id, { name: id.toUpperCase(), quantity, changes: changes[id] ?? [] }]),
        ),
      },
    },
    products: {
      card: {
        kind: 'made',
        family: 'folded-card',
        wish: { openWidthMm: 210, openHeightMm: 210, folds: 1, front: ['K', 'C', 'M', 'Y'], back: ['K'], perBand: 6 },
      },
    },
    choices: { ...spec.choices, ...(order && { versions: { card: order } }) },
  };
}
const made = plan(inLanguages(undefined, ['en', 'de', 'fr']), LINDMOOR, SHELF);
const PLACE = { timeZone: 'UTC', currency: 'EUR', units: 'metric' } as const;
const value = (id: string, p = made): number => p.figures[id]?.value ?? NaN;

describe('versions', () => {
  it('run one after another on each pass that differs, each from the setting of the one before', () => {
    // The back's black differs too: an ink is changed on every side that prints it.
    expect(Object.keys(made.steps).filter((s) => s.startsWith('card.card.print'))).toEqual([
      'card.card.print.front.en',
      'card.card.print.front.de',
      'card.card.print.front.fr',
      'card.card.print.back.en',
      'card.card.print.back.de',
      'card.card.print.back.fr',
    ]);
    expect(made.steps['card.card.print.front.de']?.keepsFrom).toBe('card.card.print.front.en');
    expect(made.steps['card.card.print.front.fr']?.keepsFrom).toBe('card.card.print.front.de');
  });
  it('have plates: colours unchanged + versions × colours that change, a side each', () => {
    // Front C M Y + 3 K, back 3 K.
    expect(value('card.card.plates.plates')).toBe(3 + 3 + 3);
  });
  it('show their ink once, the sum of their runs, and how many plates of an ink are made', () => {
    const black = value('card.card.print.front.ink.K.kg');
    const runs = ['en', 'de', 'fr'].map((v) => value(`card.card.print.front.${v}.ink.K.kg`));
    expect(black).toBeCloseTo(runs[0]! + runs[1]! + runs[2]!, 9);
    const panel = made.stones.find((s) => s.key === 'print')!.panel.filter((r) => r.label === 'inkOf');
    expect(panel.map((r) => r.text)).toEqual(['K, front', 'C', 'M', 'Y', 'K, back']);
    const names = made.stones.find((s) => s.key === 'plates')!.id;
    const scene = sceneOf(planned(inLanguages(undefined, ['en', 'de', 'fr']), LINDMOOR, SHELF), names);
    expect(scene?.shapes.flatMap((s) => (s.kind === 'text' && s.role === 'inkName' ? [s.text] : []))).toEqual([
      'K × 3',
      'C',
      'M',
      'Y',
      'K × 3',
    ]);
  });
  it('are counted each to the end, and each is a row of the order', () => {
    expect(Object.keys(made.items)).toEqual(['i1.de', 'i1.en', 'i1.fr']);
    for (const [v, quantity] of Object.entries(QUANTITIES)) {
      expect(value(`i1.${v}.wanted`)).toBe(quantity);
      const row = made.items[`i1.${v}`]!;
      expect(value(`${row.goods}.demand`)).toBe(quantity);
      expect(made.flows[row.goods]?.version).toBe(v);
      expect(value(`card.card.fold.${v}.run`)).toBeGreaterThanOrEqual(quantity);
    }
    expect(value('total.good')).toBe(10_000);
  });
  it('set up once: the next version takes a sheet’s worth of each plate changed, and the line is cleared', () => {
    // Handbook: 25 to 50 sheets a unit, the middle, in whole sheets.
    const perUnit = 38;
    expect(value('card.card.print.front.en.setupCycles')).toBe(
      value('card.card.print.front.setupCycles', plan(cardSpec(), LINDMOOR, SHELF)),
    );
    expect(value('card.card.print.front.de.setupCycles')).toBe(perUnit);
    expect(value('card.card.fold.en.setupCycles')).toBeGreaterThan(0);
    expect(value('card.card.fold.de.setupCycles')).toBe(0);
    expect(value('card.card.fold.de.setupS')).toBe(600);
    // One plate of 180 s and ten minutes to clear the line.
    expect(value('card.card.print.front.de.setupS')).toBe(600 + 180);
  });
  it('share the sheets that are pulled for them, and the river adds their copies up', () => {
    const pulled = ['en', 'de', 'fr'].reduce((sum, v) => sum + value(`card.card.print.front.${v}.run`), 0);
    expect(value('card.card.stock.out.demand')).toBe(pulled);
    const river = riverOf(made);
    expect(river.map((s) => s.key)).toEqual(['stock', 'plates', 'print', 'cut', 'fold', 'band', 'pack']);
    for (const stone of river.filter((s) => s.counted)) {
      expect(stone.outCopies).toBeGreaterThanOrEqual(10_000 - 1e-6);
      expect(stone.inCopies).toBeLessThan(15_000);
    }
  });
  it('that change nothing printed stay one run', () => {
    const same = plan(inLanguages({}), LINDMOOR, SHELF);
    expect(Object.keys(same.items)).toEqual(['i1']);
    expect(same.steps['card.card.print.front']).toBeDefined();
  });
  it('split where they begin to differ: a front for all, a back of each', () => {
    const spec = inLanguages({ en: ['gold'], de: ['gold'], fr: ['gold'] }, ['en', 'de', 'fr']);
    spec.products['card'] = {
      kind: 'made',
      family: 'folded-card',
      wish: { openWidthMm: 210, openHeightMm: 210, folds: 0, front: ['K'], back: ['gold'] },
    };
    const p = plan(spec, LINDMOOR, SHELF);
    expect(Object.keys(p.steps).filter((s) => s.includes('print'))).toEqual([
      'card.card.print.front',
      'card.card.print.back.en',
      'card.card.print.back.de',
      'card.card.print.back.fr',
    ]);
    expect(value('card.card.plates.plates', p)).toBe(1 + 3);
  });
  it('run in the order chosen; a dearer order is said, with the cheaper one as its remedy', () => {
    const changes = { en: ['K'], de: [], fr: ['K'] };
    const dear = plan(inLanguages(changes, ['en', 'de', 'fr']), LINDMOOR, SHELF);
    const cheap = plan(inLanguages({ en: [], de: ['K'], fr: [] }, ['en', 'fr', 'de']), LINDMOOR, SHELF);
    const said = dear.findings.find((f) => f.code === 'versions.follow');
    expect(said).toMatchObject({ level: 'know', args: { versions: 3, changes: 4 } });
    const wrong = plan(inLanguages({ en: [], de: ['K'], fr: [] }, ['en', 'de', 'fr']), LINDMOOR, SHELF).findings.find(
      (f) => f.code === 'versions.follow',
    );
    expect(wrong?.level).toBe('decide');
    expect(wrong?.args['changes']).toBe(4);
    expect(cheap.findings.find((f) => f.code === 'versions.follow')?.args['changes']).toBe(2);
    expect(wrong?.remedies[0]).toMatchObject({ do: 'edit', edits: [{ at: ['choices', 'versions', 'card'], now: ['en', 'fr', 'de'] }] });
  });
  it('tell the press which plates to hang before each, and everybody to clear the line', () => {
    const pages = ticketPages(planned(inLanguages(undefined, ['en', 'de', 'fr']), LINDMOOR, SHELF));
    const passes = pages.find((p) => p.department === 'press')?.lists.find((l) => l.title === 'passes');
    expect(passes?.head).toContain('plates to hang');
    expect(passes?.rows.slice(0, 3).map((r) => [r[0], r[2]])).toEqual([
      ['front, EN', 'all'],
      ['front, DE', 'K'],
      ['front, FR', 'K'],
    ]);
    const cleared = pages.filter((p) => p.blanks.some((b) => b.startsWith('line cleared of the version before'))).map((p) => p.stone.id);
    expect(cleared).toContain('card.card.fold.de');
    expect(cleared).not.toContain('card.card.fold.en');
  });
  it('hold a run at the terminal until the line is cleared of the one before, on every machine', () => {
    const steps = floorSteps(planned(inLanguages(undefined, ['en', 'de', 'fr']), LINDMOOR, SHELF), PLACE, false).map((f) => f.step);
    const clearOf = (id: string): string | undefined => steps.find((s) => s.step === id)?.clearOf;
    expect([clearOf('card.card.print.front.en'), clearOf('card.card.print.front.de'), clearOf('card.card.print.front.fr')]).toEqual([
      undefined,
      'EN',
      'DE',
    ]);
    expect([clearOf('card.card.fold.de'), clearOf('card.card.pack.fr.carton'), clearOf('card.card.stock')]).toEqual([
      'EN',
      'DE',
      undefined,
    ]);
  });
  it('wear only the plates they run with', () => {
    const plates = formWork(planned(inLanguages({ en: [], de: ['K'], fr: [] }, ['en', 'fr', 'de']), LINDMOOR, SHELF));
    const steps = (ink: string): string[] | undefined => plates.find((p) => p.side === 'front' && p.ink === ink)?.steps;
    expect(steps('K, DE')).toEqual(['card.card.print.front.de']);
    expect(steps('K, EN')).toEqual(['card.card.print.front.en', 'card.card.print.front.fr']);
    expect(steps('C')).toHaveLength(3);
  });
  it('are rows of their item', () => {
    const spec = inLanguages();
    expect(itemOfRow(spec, 'i1.de')).toBe(spec.items['i1']);
    expect(itemOfRow(spec, 'i1')).toBe(spec.items['i1']);
    expect(itemOfRow(spec, 'i1.nl')).toBeUndefined();
  });
  it('that fall short are made again alone: the child makes one version', () => {
    const spec = inLanguages(undefined, ['en', 'de', 'fr']);
    const counted = { 'card.card.fold.de': { run: 2_000, good: 1_900, done: true }, 'card.card.band.de': { run: 0, good: 0, done: false } };
    const found = shortageOptions({
      spec,
      plant: LINDMOOR,
      shelf: { ...SHELF, counted },
      number: 7,
      item: 'i1.de',
      by: '2026-03-20T14:00',
    });
    expect(found?.short).toBe(1_100);
    const child = found?.options.find((o) => o.way === 'rerun')?.child;
    expect(Object.keys(child?.items['i1']?.versions ?? {})).toEqual(['de']);
    expect(child?.items['i1']?.versions['de']?.quantity).toBe(1_100);
  });
  it('say what concerns all of them once, at their stone', () => {
    const spec = inLanguages();
    spec.choices = { ...spec.choices, settings: { 'card.card.fold': { score: 'none' } } };
    const said = plan(spec, LINDMOOR, SHELF).findings.filter((f) => f.code === 'fold.noScore');
    expect(said.map((f) => f.at)).toEqual(['card.card.fold']);
  });
  it('leave no figure that refers to nothing', () => {
    expect(planned(inLanguages(), LINDMOOR, SHELF).ledger.missing).toEqual([]);
  });
});
