import { LINDMOOR } from '../plan/line-1.fixture';
import { CARD_WORDS } from '../words/en';
import { machineFields, machineScene } from './machine-card';

const machine = (id: string) => LINDMOOR.machines[id]!;
const rects = (id: string, ref: string) => machineScene(machine(id)).shapes.filter((s) => s.kind === 'rect' && s.ref === ref);

describe('a machine’s card', () => {
  test.each(Object.keys(LINDMOOR.machines))('names every field of %s in words', (id) => {
    for (const f of machineFields(machine(id))) expect(CARD_WORDS).toHaveProperty([f.key]);
  });
  it('edits a sheet machine’s sizes on the drawing, each once', () => {
    const drawn = machineFields(machine('press3')).filter((f) => f.onDrawing);
    expect(drawn.map((f) => f.at.join('.'))).toEqual(['maxSheetMm.0', 'maxSheetMm.1', 'minSheetMm.0', 'minSheetMm.1']);
    const lines = machineScene(machine('press3')).shapes.flatMap((s) => (s.kind === 'line' && s.ref ? [s.ref] : []));
    expect(lines.sort()).toEqual(drawn.map((f) => f.key).sort());
  });
  it('edits a web press’s width and repeat there, and not a second time below', () => {
    const fields = machineFields(machine('web7')).map((f) => f.at.join('.'));
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
