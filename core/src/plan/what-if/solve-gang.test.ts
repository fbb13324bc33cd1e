import { JobSpecSchema, applyEdits } from '../door';
import { LINDMOOR, SHELF } from '../line-1.fixture';
import { sleeveSpec, TWO_FORMS } from '../line-5.fixture';
import { planned } from '../plan';
import { solveGang } from './solve-gang';

const oneForm = JobSpecSchema.parse({
  ...sleeveSpec(),
  choices: { ...sleeveSpec().choices, gangs: { plays: { parts: sleeveSpec().choices.gangs!['plays']!.parts } } },
});

describe('the forms of six radio plays, in the money of the works', () => {
  const told: number[] = [];
  const solved = solveGang(oneForm, LINDMOOR, SHELF, 'plays', (done) => told.push(done))!;
  it('are the two that were worked by hand', () => {
    expect(solved.best?.runs).toEqual([1_566, 353]);
    expect(
      solved.best?.runs.map((_, f) =>
        Object.fromEntries(Object.entries(solved.best!.copies).flatMap(([p, c]) => (c[f]! > 0 ? [[p, c[f]]] : []))),
      ),
    ).toEqual(TWO_FORMS.map((f) => f.copies));
    expect(solved.proved).toBe(true);
    expect(told.length).toBeGreaterThan(2);
  });
  it('are compared with the one form there is, which gives five orders too many', () => {
    expect(solved.tooMany.length).toBeGreaterThan(0);
  });
  it('become a choice whose runs follow from the orders', () => {
    const applied = applyEdits(oneForm, solved.edits);
    if (!applied.ok) throw new Error('refused');
    const { plan } = planned(applied.made, LINDMOOR, SHELF);
    expect(['A', 'B'].map((f) => plan.figures[`plays.breakOut.${f}.need`]?.value)).toEqual([1_566, 353]);
  });
  it('cost what the plan then costs, but for what rounds', () => {
    // The reckoning takes money a sheet from the first form; the plan of what was found says what it really costs up to the hammer.
    const applied = applyEdits(oneForm, solved.edits);
    if (!applied.ok) throw new Error('refused');
    const { plan } = planned(applied.made, LINDMOOR, SHELF);
    const cost = ['A', 'B'].reduce((sum, f) => sum + (plan.figures[`plays.${f}.formCost`]?.value ?? 0), 0);
    expect(Math.abs(solved.best!.cost / cost - 1)).toBeLessThan(0.03);
  });
});

it('keeps what is held, offers it though it costs more, and says how far it could be from the cheapest', () => {
  const keep = { apart: [['kiln.blank', 'orchard.blank'] as [string, string]], closed: [8] };
  const spec = sleeveSpec();
  const held = JobSpecSchema.parse({ ...spec, choices: { ...spec.choices, gangs: { plays: { ...spec.choices.gangs!['plays'], keep } } } });
  const found = solveGang(held, LINDMOOR, SHELF, 'plays')!;
  // Three forms are tried in steps: no proof, a bound.
  expect(found.bound).toBeLessThanOrEqual(found.best!.cost);
  expect(found.best!.cost).toBeLessThan(1.5 * found.bound);
  expect(found.best!.runs.every((_, f) => Object.values(found.best!.copies).reduce((sum, own) => sum + own[f]!, 0) <= 7)).toBe(true);
  expect(found.best!.copies['kiln.blank']!.some((n, f) => n > 0 && found.best!.copies['orchard.blank']![f]! > 0)).toBe(false);
  expect(found.edits).toHaveLength(1);
  expect((found.edits[0]!.now as { keep: unknown }).keep).toEqual(keep);
});

it('says what the whole job costs with them, without them, and with a sheet for each order; and offers nothing where nothing is better', () => {
  const { job } = solveGang(oneForm, LINDMOOR, SHELF, 'plays')!;
  expect(job.best).toBeLessThan(job.apart);
  const found = solveGang(sleeveSpec(), LINDMOOR, SHELF, 'plays')!;
  expect(found.job.best).toBe(found.job.now);
  expect(found.job).toMatchObject({ best: job.best, apart: job.apart });
  expect(found.tooMany).toEqual([]);
  expect(found.edits).toEqual([]);
});

it('asks nothing where there is no die, or no such gang', () => {
  expect(solveGang(oneForm, LINDMOOR, SHELF, 'nothing')).toBeNull();
});
