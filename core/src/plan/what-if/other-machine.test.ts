import { PlantSchema } from '../../plant/plant-schema';
import { cardSpec, LINDMOOR, SHELF } from '../line-1.fixture';
import { JobSpecSchema } from '../door';
import { planned } from '../plan';
import { onOtherMachine, otherMachines, stoneOfStep } from './other-machine';

const spec = JobSpecSchema.parse(cardSpec());
const now = planned(spec, LINDMOOR, SHELF);
const [FRONT, PRINT] = ['card.card.print.front', 'card.card.print'];
const on = (machine: string, begun: string[] = []) =>
  onOtherMachine({ spec, plant: LINDMOOR, shelf: SHELF, now }, PRINT, machine, new Set(begun));

it('finds the stone of a step, and the machines of the works that could do it; bought work is not moved', () => {
  expect(stoneOfStep(now, FRONT)).toBe(PRINT);
  expect(stoneOfStep(now, 'no such')).toBeNull();
  // Press 1 has two units, and the card four inks.
  expect(otherMachines(LINDMOOR, now, PRINT).map(([id]) => id)).toEqual(['press5', 'press9', 'press8', 'presswide1']);
  expect(otherMachines(LINDMOOR, now, 'card.card.foil')).toEqual([]);
});

it('plans both sides on the other press at its own speed, and the card stays what it is', () => {
  const { edit, made } = on('press5');
  expect(edit).toEqual({ at: ['choices', 'machine', PRINT], now: 'press5' });
  expect([FRONT, 'card.card.print.back'].map((id) => made.plan.steps[id]?.machine)).toEqual(['press5', 'press5']);
  expect(made.ledger.value('card.card.pack.good')).toBe(now.ledger.value('card.card.pack.good'));
  // 9,000 rated sheets an hour where Press 3 has 8,000.
  expect(made.ledger.value(`${FRONT}.runS`)).not.toBe(now.ledger.value(`${FRONT}.runS`));
});

it('stands still where a step that has begun would be another', () => {
  expect(on('press5', [FRONT]).against).toEqual({ code: 'begun', step: 'Print' });
  expect(on('press3', [FRONT]).against).not.toEqual(expect.objectContaining({ code: 'begun' }));
});

it('names the finding that would hold the release', () => {
  // A press whose largest sheet is smaller than the job's.
  const small = PlantSchema.parse({
    ...LINDMOOR,
    machines: { ...LINDMOOR.machines, press5: { ...LINDMOOR.machines['press5'], minSheetMm: [200, 150], maxSheetMm: [400, 300] } },
  });
  const { against } = onOtherMachine({ spec, plant: small, shelf: SHELF, now }, PRINT, 'press5', new Set());
  expect(against).toMatchObject({ code: 'finding', finding: { level: 'release' } });
});
