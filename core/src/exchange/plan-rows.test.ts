import { LINDMOOR, SHELF } from '../plan/line-1.fixture';
import { sleeveSpec } from '../plan/line-5.fixture';
import { plan } from '../plan/plan';
import { gangCopyRows } from './plan-rows';

it('lists orders that share sheets by form: places from the gripper and the lay corner, copies, good sheets, what is over of the order', () => {
  const spec = sleeveSpec();
  const rows = gangCopyRows(plan(spec, LINDMOOR, SHELF), spec);
  expect(rows).toHaveLength(7);
  expect(rows.filter((r) => r['order'] === 'lantern')).toEqual([
    expect.objectContaining({ gang: 'plays', form: 'A', places: '2', copies: 1 }),
    expect.objectContaining({ gang: 'plays', form: 'B', places: '6 7', copies: 2 }),
  ]);
  expect(new Set(rows.filter((r) => r['order'] === 'lantern').map((r) => r['over'])).size).toBe(1);
});
