import { applyPlantEdits } from '../door';
import { cardSpec, LINDMOOR, SHELF } from '../line-1.fixture';
import { movedBetween } from './moved';
import { plan } from '../plan';
import { PRACTICE_DEFAULTS } from '../../plant/practice';
import { PROCESSES } from '../../processes/registry';
import { PRACTICE_ROOMS, PRACTICE_WORDS, PROCESS_WORDS, TAG_WORDS } from '../../words/en';

const now = plan(cardSpec(), LINDMOOR, SHELF);
const withPlant = (at: string[], value: unknown) => {
  const applied = applyPlantEdits(LINDMOOR, [{ at, now: value }]);
  if (!applied.ok) throw new Error(JSON.stringify(applied.issues));
  return movedBetween(now, plan(cardSpec(), applied.made, SHELF));
};

describe('what other settings move', () => {
  it('is nothing where they are the same, or differ in a name', () => {
    expect(movedBetween(now, now)).toEqual({ totals: [], come: [], gone: [] });
    expect(withPlant(['machines', 'knife1', 'name'], 'Knife')).toEqual({ totals: [], come: [], gone: [] });
  });
  it('is money alone where a rate differs', () => {
    const { totals, come, gone } = withPlant(['machines', 'press3', 'setupCostPerHour'], 500);
    expect(totals.map((t) => t.key)).toEqual(['money']);
    expect(totals[0]!.after).toBeGreaterThan(totals[0]!.before);
    expect([come, gone]).toEqual([[], []]);
  });
  it('is sheets, hours and money where a loss differs', () => {
    const practice = { ...PRACTICE_DEFAULTS['offset.runningPpm'], value: 60_000, pm: 0 };
    const keys = withPlant(['practice', 'offset.runningPpm'], practice).totals.map((t) => t.key);
    expect(keys).toEqual(expect.arrayContaining(['sheets', 'machineS', 'money']));
  });
  it('names findings that come, with what they say', () => {
    const { come } = withPlant(['machines', 'folder2', 'maxSheetMm'], [150, 150]);
    expect(come[0]).toMatchObject({ code: expect.stringMatching(/^sheet/) as string, level: 'release' });
  });
  it('names findings that go', () => {
    const blocked = plan(cardSpec(), LINDMOOR, { ...SHELF, lots: {} });
    expect(movedBetween(blocked, now).gone.map((f) => f.code)).toContain('stock.short');
  });
});

describe('words of the settings', () => {
  test.each(Object.entries(PRACTICE_DEFAULTS))('%s has a name, a room and a kind of source', (key, { tag }) => {
    expect(PRACTICE_WORDS).toHaveProperty([key]);
    expect(PRACTICE_ROOMS).toHaveProperty([key.split('.')[0] ?? '']);
    expect(TAG_WORDS).toHaveProperty([tag]);
  });
  it('has no name for a value that is gone, and one for every kind of work', () => {
    expect(Object.keys(PRACTICE_WORDS).filter((k) => !Object.hasOwn(PRACTICE_DEFAULTS, k))).toEqual([]);
    expect(Object.keys(PROCESSES).filter((p) => !Object.hasOwn(PROCESS_WORDS, p))).toEqual([]);
  });
  it('goes by values that exist, where a process names them', () => {
    for (const p of Object.values(PROCESSES))
      for (const key of [p.losses?.setup, p.losses?.running].filter((k) => k !== undefined))
        expect(PRACTICE_DEFAULTS).toHaveProperty([key]);
  });
});
