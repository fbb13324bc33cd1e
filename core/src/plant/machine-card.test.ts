import { LINDMOOR } from '../plan/line-1.fixture';
import { abilitiesFor, newMachine } from '../processes/new-machine';
import { PROCESS_IDS } from '../processes/registry';
import { CARD_WORDS } from '../words/en';
import { ABILITY_KEYS } from './abilities';
import { type Machine, machinesFor } from './plant';
import { PlantSchema } from './plant-schema';
import { machineFields, machineScene } from './machine-card';

const machine = (id: string) => LINDMOOR.machines[id]!;
const fieldsOf = (m: Machine) => machineFields(m, abilitiesFor(m.processes));
const rects = (id: string, ref: string) => machineScene(machine(id)).shapes.filter((s) => s.kind === 'rect' && s.ref === ref);

describe('a machine’s card', () => {
  test.each(Object.keys(LINDMOOR.machines))('names every field of %s in words', (id) => {
    for (const f of fieldsOf(machine(id))) expect(CARD_WORDS).toHaveProperty([f.key]);
  });
  it('edits a sheet machine’s sizes on the drawing, each once', () => {
    const drawn = fieldsOf(machine('press3')).filter((f) => f.onDrawing);
    expect(drawn.map((f) => f.at.join('.'))).toEqual(['maxSheetMm.0', 'maxSheetMm.1', 'minSheetMm.0', 'minSheetMm.1']);
    const lines = machineScene(machine('press3')).shapes.flatMap((s) => (s.kind === 'line' && s.ref ? [s.ref] : []));
    expect(lines.sort()).toEqual(drawn.map((f) => f.key).sort());
  });
  it('edits a web press’s width and repeat there, and not a second time below', () => {
    const fields = fieldsOf(machine('web7')).map((f) => f.at.join('.'));
    expect(fields.filter((f) => f.startsWith('limits.maxWebMm'))).toHaveLength(1);
    expect(fields.slice(0, 4)).toEqual(['limits.maxWebMm', 'limits.maxRepeatMm', 'limits.minWebMm', 'limits.minRepeatMm']);
  });
  it('puts the smallest sheet inside the largest, at the gripper edge', () => {
    const [largest] = rects('press3', 'largest');
    const [smallest] = rects('press3', 'smallest');
    if (largest?.kind !== 'rect' || smallest?.kind !== 'rect') throw new Error('not drawn');
    expect([largest.w, largest.h]).toEqual([740, 530]);
    expect([smallest.w, smallest.h]).toEqual([480, 340]);
    expect(smallest.y + smallest.h).toBeCloseTo(largest.h, 6);
    expect(smallest.x).toBeGreaterThanOrEqual(0);
  });
  it('draws a unit for each, and speeds in proportion', () => {
    const { shapes, toScale } = machineScene(machine('press3'));
    expect(shapes.filter((s) => s.role === 'unit')).toHaveLength(5);
    const bar = (role: string): number => {
      const s = shapes.find((x) => x.role === role);
      return s?.kind === 'rect' ? s.w : 0;
    };
    expect(bar('bar') / bar('colourBar')).toBeCloseTo(8_000 / 13_000, 9);
    expect(toScale).toBe(true);
  });
  it('draws speeds alone where nothing is said of sizes', () => {
    const scene = machineScene(machine('bench'));
    expect(scene.toScale).toBe(false);
    expect(scene.shapes.some((s) => s.role === 'sheet')).toBe(false);
    expect(scene.says).toContain('net 500 an hour');
  });
});

describe('abilities', () => {
  it('are each read by some kind of work or the clock, and named in words', () => {
    const read = abilitiesFor(PROCESS_IDS);
    expect(ABILITY_KEYS.filter((key) => !read.includes(key))).toEqual(['places']);
    for (const key of ABILITY_KEYS) expect(CARD_WORDS).toHaveProperty([key]);
  });
  it('are all that the demo’s machines say', () => {
    for (const [id, m] of Object.entries(LINDMOOR.machines))
      expect([id, Object.keys(m.limits).filter((key) => !abilitiesFor(m.processes).some((a) => a === key))]).toEqual([id, []]);
  });
  it.each(PROCESS_IDS)('a new machine for %s is one the plant takes, with the abilities it begins with', (process) => {
    const made = newMachine('Machine 99', [process]);
    const plant = PlantSchema.parse({ ...LINDMOOR, machines: { ...LINDMOOR.machines, m99: made } });
    expect(plant.machines['m99']).toEqual(made);
    expect(machinesFor(plant, process).map(([id]) => id)).toContain('m99');
  });
  it('that a card cannot have are refused by name', () => {
    const press = { ...machine('press3'), limits: { grippers: 10 } };
    const read = PlantSchema.safeParse({ ...LINDMOOR, machines: { press } });
    expect(JSON.stringify(read.error?.issues)).toContain('grippers');
  });
  it('a retired machine is planned on no more', () => {
    const plant = { ...LINDMOOR, machines: { ...LINDMOOR.machines, press3: { ...machine('press3'), retired: true as const } } };
    expect(machinesFor(plant, 'offset').map(([id]) => id)).not.toContain('press3');
  });
});
