import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { JobSpecSchema } from './door';
import { apply, editAt } from '../product/edit';
import { cardSpec, LINDMOOR, SHELF } from './line-1.fixture';
import { planned } from './plan';

/* What somebody sets by hand is what the panels and the ticket say: a page that still tells the plant's own value sends people to the wrong setting. */

const ORDERS = JSON.parse(readFileSync(join(__dirname, '../../../demo/orders.json'), 'utf8')) as { spec: unknown }[];
const SET = 37;

it.each(ORDERS.map((o) => JobSpecSchema.parse(o.spec)).map((spec) => [spec.name, spec] as const))('is said as set: %s', (_name, spec) => {
  const rowsOf = (s: typeof spec) =>
    planned(s, LINDMOOR, SHELF).plan.stones.flatMap((stone) => stone.panel.map((row) => ({ stone: stone.id, ...row })));
  const typedRows = rowsOf(spec).filter(
    (r) => r.text !== undefined && r.figure === undefined && ['count', 'length', 'seconds'].includes(r.edit?.kind ?? ''),
  );
  expect(typedRows.length).toBeGreaterThan(0);
  const told = typedRows.flatMap(({ stone, label, text, edit }) => {
    const set = apply(spec, [editAt(spec, edit!.at, SET)], JobSpecSchema);
    if (!set.ok) throw new Error(set.issues[0]?.says);
    // Of a stone that runs several forms, each has a row of its own.
    const after = rowsOf(set.made).find((r) => r.stone === stone && r.edit?.at.join() === edit!.at.join())?.text;
    return /^37( |$)/.test(after ?? '') ? [] : [`${stone} ${label}: ${text} → ${after}`];
  });
  expect(told).toEqual([]);
});

it('holds for the pass it is set on, and leaves the other as it was', () => {
  const spec = cardSpec(10_000);
  const rowsOf = (s: typeof spec) =>
    planned(s, LINDMOOR, SHELF)
      .plan.stones.find((stone) => stone.id === 'card.card.print')!
      .panel.filter((r) => r.label === 'runningLoss');
  const ppm = (s: typeof spec) => {
    const { figures } = planned(s, LINDMOOR, SHELF).plan;
    return rowsOf(s).map((r) => figures[r.figure!]!.value);
  };
  expect(rowsOf(spec).map((r) => r.text)).toEqual(['front', 'back']);
  const [front, back] = ppm(spec);
  const set = apply(spec, [editAt(spec, rowsOf(spec)[1]!.edit!.at, 50_000)], JobSpecSchema);
  expect(set.ok && ppm(set.made)).toEqual([front, 50_000]);
  expect(back).not.toBe(50_000);
  // Set on the stone, as jobs of before have it, both passes go by it.
  const both = apply(spec, [editAt(spec, ['choices', 'settings', 'card.card.print', 'runningPpm'], 40_000)], JobSpecSchema);
  expect(both.ok && ppm(both.made)).toEqual([40_000, 40_000]);
});
