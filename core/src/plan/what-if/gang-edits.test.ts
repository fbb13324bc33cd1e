import type { Edit } from '../../product/edit';
import type { Gang, JobSpec } from '../../product/job-spec';
import { applyEdits } from '../door';
import { placesOf } from '../../layout/layout';
import { LINDMOOR, SHELF } from '../line-1.fixture';
import { sleeveSpec } from '../line-5.fixture';
import { plan } from '../plan';
import { gangPool } from '../readings/gang-pool';
import { type GangRow, gangRowsOf } from '../readings/gang-rows';
import { addForm, dropForm, joinGang, keepGang, leaveGang, moveCopy, newGang, setCopies, setRun, takeApart } from './gang-edits';

const spec = sleeveSpec();
const rowOf = (of: JobSpec): GangRow => gangRowsOf(plan(of, LINDMOOR, SHELF), of)[0]!;
const row = rowOf(spec);
const done = (edit: Edit | null): JobSpec => {
  const applied = edit && applyEdits(spec, [edit]);
  if (!applied?.ok) throw new Error('refused');
  return applied.made;
};
const gangOf = (of: JobSpec): Gang | undefined => of.choices.gangs?.['plays'];
const copies = (of: JobSpec): Record<string, number>[] => gangOf(of)!.forms!.map((f) => f.copies);

describe('copies of the radio plays moved by hand (fixture: form A full with kiln 1, lantern 1, mill 2, orchard 4; form B one place free of eight)', () => {
  it('goes from one form to another where there is place, and the forms stay as they were else', () => {
    expect(copies(done(moveCopy(spec, row, 'mill.blank', 0, 1)))).toEqual([
      { 'kiln.blank': 1, 'lantern.blank': 1, 'mill.blank': 1, 'orchard.blank': 4 },
      { 'fog.blank': 2, 'harbour.blank': 3, 'lantern.blank': 2, 'mill.blank': 1 },
    ]);
  });
  it('lays nothing on a full form, takes none where there is none, and never the last', () => {
    expect(moveCopy(spec, row, 'fog.blank', 1, 0)).toBeNull();
    expect(moveCopy(spec, row, 'fog.blank', 0, 1)).toBeNull();
    expect(moveCopy(spec, row, 'kiln.blank', 0, null)).toBeNull();
    expect(moveCopy(spec, row, 'fog.blank', null, 7)).toBeNull();
  });
  it('adds and takes away copies, and holds a typed number to the places there are', () => {
    expect(copies(done(moveCopy(spec, row, 'harbour.blank', 1, null)))[1]).toEqual({
      'fog.blank': 2,
      'harbour.blank': 2,
      'lantern.blank': 2,
    });
    expect(copies(done(setCopies(spec, row, 'fog.blank', 1, 9)))[1]).toEqual({ 'fog.blank': 3, 'harbour.blank': 3, 'lantern.blank': 2 });
    expect(setCopies(spec, row, 'fog.blank', 1, 0)).toBeNull();
    expect(setCopies(spec, row, 'fog.blank', 5, 1)).toBeNull();
  });
});

describe('what is held of a gang', () => {
  const closed = done(keepGang(spec, row, { closed: [3] }));
  it('closes a place: a full form gives up a copy of the order with most, and nothing is laid there', () => {
    expect(copies(closed)[0]).toEqual({ 'kiln.blank': 1, 'lantern.blank': 1, 'mill.blank': 2, 'orchard.blank': 3 });
    const made = plan(closed, LINDMOOR, SHELF);
    const layout = made.forms['plays.A']!.layout!;
    expect(['kiln', 'lantern', 'mill', 'orchard'].flatMap((p) => placesOf(layout, `${p}.blank`)).sort()).toEqual([1, 2, 4, 5, 6, 7, 8]);
    expect(rowOf(closed)).toMatchObject({ places: 8, open: 7 });
    expect(moveCopy(closed, rowOf(closed), 'mill.blank', null, 0)).toBeNull();
    // The die is as it was: its rules stay at the closed place.
    expect(made.figures['plays.die.A.cutM']!.value).toBe(plan(spec, LINDMOOR, SHELF).figures['plays.die.A.cutM']!.value);
  });
  it('opens it again, and leaves the copies where they are', () => {
    const opened = keepGang(closed, rowOf(closed), { closed: [] });
    expect(opened?.now).toEqual({ parts: gangOf(spec)!.parts, forms: gangOf(closed)!.forms });
  });
  it('is refused where an order would be left without a copy', () => {
    expect(keepGang(spec, row, { closed: [1, 2, 3, 4, 5, 6, 7, 8] })).toBeNull();
  });
  it('goes with an order that leaves, and with a form that is dropped', () => {
    const held = done(keepGang(spec, row, { on: { 'fog.blank': 1, 'mill.blank': 0 }, apart: [['fog.blank', 'mill.blank']] }));
    expect((leaveGang(held, rowOf(held), 'fog.blank').now as Gang).keep).toEqual({ on: { 'mill.blank': 0 } });
    expect(gangOf(held)!.keep!.apart).toHaveLength(1);
  });
});

describe('forms of a gang', () => {
  it('run what is typed until that is taken back', () => {
    const set = done(setRun(spec, row, 1, 400));
    expect(gangOf(set)!.forms!.map((f) => f.run)).toEqual([undefined, 400]);
    expect(rowOf(set).forms.map((f) => f.sheets)).toEqual([1_566, 400]);
    expect(setRun(set, rowOf(set), 1, null).now).toEqual(gangOf(spec));
  });
  it('grow to four, each new one with a copy of every order that fits', () => {
    const three = done(addForm(spec, row));
    expect(Object.values(copies(three)[2]!)).toEqual([1, 1, 1, 1, 1, 1]);
    const four = done(addForm(three, rowOf(three)));
    expect(addForm(four, rowOf(four))).toBeNull();
  });
  it('are dropped only while every order lies on another', () => {
    const three = done(addForm(spec, row));
    expect(copies(done(dropForm(three, rowOf(three), 2)))).toEqual(copies(spec));
    expect(dropForm(spec, row, 0)).toBeNull();
  });
});

describe('orders of a gang', () => {
  it('leave and come back with one copy where a place is free; the first form was full', () => {
    const without = done(leaveGang(spec, row, 'fog.blank'));
    expect(gangOf(without)!.parts).not.toContain('fog.blank');
    const [kind] = gangPool(plan(without, LINDMOOR, SHELF), without);
    expect(kind).toEqual({ orders: [{ part: 'fog.blank', product: 'fog', wanted: 600, due: null }], unlike: null });
    const back = done(joinGang(without, rowOf(without), 'fog.blank'));
    expect(copies(back)[1]).toEqual({ 'harbour.blank': 3, 'lantern.blank': 2, 'fog.blank': 1 });
    expect(joinGang(without, rowOf(without), 'fog.blank', 0)).toBeNull();
  });
  it('are taken apart where one would be left alone', () => {
    const two = sleeveSpec(undefined, { fog: 600, mill: 3_000 });
    const asked: JobSpec = { ...two, choices: { ...two.choices, gangs: { plays: { parts: ['fog.blank', 'mill.blank'] } } } };
    expect(leaveGang(asked, rowOf(asked), 'fog.blank').now).toBeUndefined();
    expect(takeApart(spec, 'plays').now).toBeUndefined();
  });
  it('are brought together under a name that is free', () => {
    const apart = done(takeApart(spec, 'plays'));
    expect(newGang(apart, ['fog.blank', 'mill.blank'])).toEqual({
      at: ['choices', 'gangs', 'gang1'],
      now: { parts: ['fog.blank', 'mill.blank'] },
    });
  });
});

it('keeps apart in the pool what cannot share a sheet, says why, and has the first due first', () => {
  const free = done(takeApart(spec, 'plays'));
  const matt = free.products['fog']!;
  const made: JobSpec = {
    ...free,
    products: { ...free.products, ...(matt.kind === 'made' && { fog: { ...matt, wish: { ...matt.wish, coat: 'matt' } as never } }) },
    items: {
      ...free.items,
      mill: { ...free.items['mill']!, deliveries: [{ by: '2026-04-01T10:00', share: { only: 3_000 }, to: 'Quay 1' }] },
    },
  };
  const pool = gangPool(plan(made, LINDMOOR, SHELF), made);
  expect(pool.map((k) => [k.orders.length, k.unlike])).toEqual([
    [5, null],
    [1, 'gang.unlikeCoating'],
  ]);
  expect(pool[0]!.orders[0]).toMatchObject({ part: 'mill.blank', due: '2026-04-01T10:00' });
});
