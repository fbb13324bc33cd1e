import type { Plant, Shelf } from '../../plant/plant';
import { PlantSchema, ShelfSchema } from '../../plant/plant-schema';
import type { JobSpec } from '../../product/job-spec';
import { isMixedInk } from '../../product/ink-names';
import { aimOf, PRINT_AIMS } from '../../colour/print-aims';
import { toleranceOf } from '../../register/register-of-step';
import { formWork, pressWork } from './desk-work';
import { JobSpecSchema } from '../door';
import { floorSteps } from './floor-steps';
import { cardSpec, LINDMOOR, SHELF } from '../line-1.fixture';
import { labelSpec } from '../line-2.fixture';
import { mixedInks } from './needs';
import { plan, planned } from '../plan';
import { approvedVersion } from '../passes/ready';
import { shortageOptions } from '../what-if/shortage';
import { summaryOf } from './summary';

/* What a plan tells the desks before the press, and what they tell the plan. */

const wish = (more: object): JobSpec => {
  const base = cardSpec();
  const card = base.products['card'] as { kind: 'made'; family: 'folded-card'; wish: object };
  return JobSpecSchema.parse({ ...base, products: { card: { ...card, wish: { ...card.wish, ...more } } } });
};
const desks = (more: object): Shelf => ({ ...SHELF, desks: { inks: {}, forms: {}, approved: null, register: [], ...more } });
const limits = (more: Record<string, number>): Plant => ({
  ...LINDMOOR,
  machines: {
    ...LINDMOOR.machines,
    press3: { ...LINDMOOR.machines['press3']!, limits: { ...LINDMOOR.machines['press3']!.limits, ...more } },
  },
});

describe('what a press needs to know', () => {
  it('are its passes, inks with their mass, the stock and every copy where it lies', () => {
    const made = planned(wish({ front: ['K', 'moss green'], back: ['K'] }), LINDMOOR, SHELF);
    const [work] = pressWork(made);
    expect(work?.passes.map((p) => [p.side, p.inks])).toEqual([
      ['front', ['K', 'moss green']],
      ['back', ['K']],
    ]);
    const moss = work?.inks.find((i) => i.ink === 'moss green');
    expect(moss).toMatchObject({ mixed: true, kg: made.plan.figures['card.card.print.front.ink.moss green.kg']?.value });
    // K prints on both sides: its masses add up.
    const k = ['front', 'back'].reduce((n, side) => n + (made.plan.figures[`card.card.print.${side}.ink.K.kg`]?.value ?? 0), 0);
    expect(work?.inks.find((i) => i.ink === 'K')?.kg).toBeCloseTo(k, 12);
    const layout = made.plan.forms['card.card']?.layout;
    expect(work?.copies).toHaveLength((layout?.cells ?? []).reduce((n, c) => n + c.nx * c.ny, 0));
    for (const c of work?.copies ?? []) {
      expect(c.x).toBeGreaterThanOrEqual(0);
      expect(c.x + c.w).toBeLessThanOrEqual((work?.sheetMm[0] ?? 0) + 1e-9);
    }
    expect(work?.paper.measured).toBe(false);
  });
  it('takes zones and the measured stock from their cards where these say so', () => {
    const reflectance = Array.from({ length: 36 }, () => 0.4);
    const used = plan(cardSpec(), LINDMOOR, SHELF).forms['card.card']?.stock ?? '';
    const plant = {
      ...limits({ zoneMm: 40, zones: 17 }),
      stocks: { ...LINDMOOR.stocks, [used]: { ...LINDMOOR.stocks[used]!, reflectance } },
    };
    expect(PlantSchema.safeParse(plant).success).toBe(true);
    const [work] = pressWork(planned(cardSpec(), plant, SHELF));
    expect(work).toMatchObject({ zoneMm: 40, zones: 17, paper: { measured: true, reflectance } });
  });
  it('is known of the web press too: inks in printing order on one side', () => {
    const [work] = pressWork(planned(labelSpec(), LINDMOOR, SHELF));
    expect(work?.passes).toHaveLength(1);
    expect(work?.passes[0]?.inks.slice(0, 4)).toEqual(['K', 'C', 'M', 'Y']);
    expect(formWork(planned(labelSpec(), LINDMOOR, SHELF)).map((f) => f.ink)).toEqual(work?.passes[0]?.inks);
  });
});

describe('forms of a plan', () => {
  const made = planned(cardSpec(), LINDMOOR, SHELF);
  it('are the plates it counts, one by one, each with the steps that print with it', () => {
    const forms = formWork(made);
    expect(forms).toHaveLength(made.plan.figures['card.card.plates.plates']?.value ?? -1);
    expect(forms.filter((f) => f.side === 'front').every((f) => f.steps.join() === 'card.card.print.front')).toBe(true);
    expect(forms.filter((f) => f.side === 'back').every((f) => f.steps.join() === 'card.card.print.back')).toBe(true);
    const wanted = made.plan.figures['card.card.print.front.startAt']?.value;
    expect(new Set(forms.map((f) => f.wantedAt))).toEqual(new Set([wanted]));
    expect(forms[0]?.life).toBe(Math.round(made.plan.figures['card.card.print.front.plateLife']?.value ?? 0));
  });
  it('that are kept are not made again: fewer plates, less imaging, less money, and the working says why', () => {
    const kept = plan(cardSpec(), LINDMOOR, desks({ forms: { 'card.card.plates': { versions: ['v1', 'v1', 'v1'], kept: 3 } } }));
    const fresh = made.plan;
    const value = (p: typeof kept, id: string): number => p.figures[id]?.value ?? NaN;
    expect(value(kept, 'card.card.plates.plates')).toBe(value(fresh, 'card.card.plates.plates') - 3);
    expect(value(kept, 'card.card.plates.imagingS')).toBeLessThan(value(fresh, 'card.card.plates.imagingS'));
    expect(value(kept, 'total.money')).toBeLessThan(value(fresh, 'total.money'));
    expect(kept.figures['card.card.plates.plates']?.terms['kept']).toMatchObject({ value: -3, from: 'shelf' });
  });
  it('that the tool store knows make a re-run no guess', () => {
    const by = '2026-03-20T12:00';
    const counted = { 'card.card.print.front': { run: 500, good: 100, done: true } };
    const ways = (shelf: Shelf) =>
      shortageOptions({ spec: cardSpec(), plant: LINDMOOR, shelf: { ...shelf, counted }, number: 2412, item: 'i1', by })?.options ?? [];
    const rerun = (shelf: Shelf) => ways(shelf).find((o) => o.way === 'rerun')?.keptForms;
    expect(rerun(SHELF)).toBe(true);
    const dies = Object.values(plan(cardSpec(), LINDMOOR, SHELF).tools).some((t) => t.supply.from !== 'store');
    expect(rerun(desks({ forms: { 'card.card.plates': { versions: ['v1'], kept: 0 } } }))).toBe(dies);
  });
});

describe('inks that somebody mixes', () => {
  test.each([
    ['K', false],
    ['Y', false],
    ['moss green', true],
    ['bronze', true],
    ['gloss varnish', false],
    ['taggant', false],
    ['Primer', false],
  ])('%s: %s', (ink, mixed) => {
    expect(isMixedInk(ink)).toBe(mixed);
  });
  it('stand in the summary with their stone and mass, and with the released step', () => {
    const spec = wish({ front: ['K', 'moss green'], back: ['K'] });
    const made = planned(spec, LINDMOOR, SHELF);
    expect(mixedInks(made.plan)).toEqual([
      { ink: 'moss green', stone: 'card.card.print', kg: made.plan.figures['card.card.print.front.ink.moss green.kg']?.value },
    ]);
    expect(summaryOf(made.plan, spec, LINDMOOR, SHELF).mixed).toEqual(mixedInks(made.plan));
    const steps = floorSteps(made, { timeZone: 'UTC', currency: 'EUR' }, false).map((s) => s.step);
    expect(steps.find((s) => s.step === 'card.card.print.front')?.mixed).toEqual(['moss green']);
    expect(steps.find((s) => s.step === 'card.card.print.back')?.mixed).toEqual([]);
  });
});

describe('register of a step', () => {
  const steps = (spec: JobSpec, plant = LINDMOOR) =>
    floorSteps(planned(spec, plant, SHELF), { timeZone: 'UTC', currency: 'EUR' }, false).map((s) => s.step);
  const at = (spec: JobSpec, step: string, plant = LINDMOOR) => steps(spec, plant).find((s) => s.step === step)?.register;
  it('reads colours against the first, the second side against the front, foil against the print', () => {
    expect(at(cardSpec(), 'card.card.print.front')).toMatchObject({ reference: 'K', colours: ['C', 'M', 'Y'], process: 'offset' });
    expect(at(cardSpec(), 'card.card.print.back')?.colours).toEqual(['back to front']);
    expect(at(cardSpec(), 'card.card.foil')).toMatchObject({ reference: 'print', process: 'foil' });
    expect(at(labelSpec(), 'labels.sheet.print') ?? steps(labelSpec()).find((s) => s.register)?.register).toMatchObject({
      process: 'web-offset',
    });
  });
  it('is nothing where nothing is printed on print', () => {
    expect(at(cardSpec(), 'card.card.cut')).toBeNull();
    expect(at(wish({ front: ['K'], back: [] }), 'card.card.print')).toBeNull();
  });
  it('is held to the smaller of what is asked and what the press holds, in its own steps and signs', () => {
    const plant = limits({ registerMm: 0.08, registerLateralMm: 0.02, registerRoundSign: -1 });
    const of = at(wish({ finestOverprintMm: 0.06, screenPerCm: 80 }), 'card.card.print.front', plant);
    expect(of).toMatchObject({ askedMm: 0.06, holdsMm: 0.08, steps: { lateralMm: 0.02, roundSign: -1 } });
    expect(of && toleranceOf(of)).toBe(0.06);
    expect(toleranceOf({ askedMm: null, holdsMm: 0.08 })).toBe(0.08);
  });
});

describe('the version somebody said yes to', () => {
  const gate = (kind: 'fileProof' | 'contractProof' | 'dummy', version: string) => ({
    kind,
    version,
    who: 'x',
    by: '2026-03-10T10:00',
    holds: 'release',
  });
  const gates = { a: gate('fileProof', 'v9'), b: gate('contractProof', 'v3'), c: gate('dummy', 'v9'), d: gate('fileProof', 'v10') };
  test.each([
    ['nobody', {}, null],
    ['of the file proof', { 'gate:a': { state: 'open' as const } }, 'v9'],
    ['of the contract proof before it', { 'gate:a': { state: 'open' as const }, 'gate:b': { state: 'open' as const } }, 'v3'],
    ['counted as numbers: v10 comes after v9', { 'gate:a': { state: 'open' as const }, 'gate:d': { state: 'open' as const } }, 'v10'],
    ['never of a dummy', { 'gate:c': { state: 'open' as const } }, null],
    ['not while it waits', { 'gate:a': { state: 'waiting' as const } }, null],
  ])('%s', (_name, answers, version) => {
    expect(approvedVersion(gates, answers)).toBe(version);
  });
  it('is none where nothing was asked', () => {
    expect(approvedVersion(undefined, {})).toBeNull();
  });
});

describe('total ink', () => {
  const found = (typed: number, read: Record<string, number>): unknown =>
    plan(wish({ totalInkPercent: typed }), LINDMOOR, desks({ totalInk: read })).findings.find((f) => f.code === 'ink.total')?.args;
  it('as read from the separations stands before what was typed, whichever is more', () => {
    expect(found(340, { 'card.card.print.front': 290 })).toBeUndefined();
    expect(found(240, { 'card.card.print.front': 352.4, 'card.card.print.back': 100 })).toEqual({ total: 352, limit: 320, from: 'read' });
    expect(found(340, {})).toEqual({ total: 340, limit: 320, from: 'typed' });
    expect(found(340, { 'other.step': 1 })).toMatchObject({ from: 'typed' });
  });
});

describe('doors', () => {
  it('take what the desks say on a shelf, and refuse what they cannot say', () => {
    expect(
      ShelfSchema.safeParse(desks({ inks: { moss: { accepted: true, fast: ['light'] } }, forms: { s: { versions: ['v1'], kept: 1 } } }))
        .success,
    ).toBe(true);
    expect(ShelfSchema.safeParse(desks({ inks: { moss: { accepted: 'yes' } } })).success).toBe(false);
    expect(ShelfSchema.safeParse(desks({ forms: { s: { versions: [], kept: -1 } } })).success).toBe(false);
  });
  it('keep the works’ own aims apart from those of the standard', () => {
    const own = { lab: [17, 0, 0] as const, density: 1.8, deltaE: 3, tvi50: 15, tviOff: 3 };
    const plant = PlantSchema.parse({ ...LINDMOOR, aims: { gloss: { K: own } } });
    expect(aimOf(plant, 'gloss', 'K')).toEqual(own);
    expect(aimOf(plant, 'gloss', 'C')).toEqual(PRINT_AIMS.gloss.C);
    expect(PlantSchema.safeParse({ ...LINDMOOR, aims: { gloss: { K: { ...own, density: -1 } } } }).success).toBe(false);
    expect(PlantSchema.safeParse({ ...LINDMOOR, aims: { gloss: { moss: own } } }).success).toBe(false);
  });
  test.each([
    ['smallestTypePt', 0, 'must be at least 1 point'],
    ['finestLineMm', 0.001, 'must be at least 0.01 mm'],
    ['screenPerCm', 1, 'must be at least 10 lines'],
    ['stands', ['rain'], 'may name light, lye, fat and heat'],
  ])('say what is wrong with %s', (key, value, says) => {
    const base = cardSpec();
    const card = base.products['card'] as { wish: object };
    const read = JobSpecSchema.safeParse({ ...base, products: { card: { ...card, wish: { ...card.wish, [key]: value } } } });
    expect(read.error?.issues.map((i) => i.message).join()).toContain(says);
  });
});
