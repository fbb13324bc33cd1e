import { WASTE_REASONS } from '../counts/floor-entry';
import { LABELS } from '../words/en';
import { wasteReasonsOf } from './own-reasons';
import { PROCESSES } from './registry';

it('offers a gluer open seams and codes, a die press cracks, a guillotine neither', () => {
  expect(wasteReasonsOf('glue')).toEqual(expect.arrayContaining(['glue', 'seam', 'code']));
  expect(wasteReasonsOf('dieBlank')).toContain('crack');
  expect(wasteReasonsOf('coat')).toContain('coat');
  expect(wasteReasonsOf('insert')).toEqual(expect.arrayContaining(['tray', 'film', 'code']));
  expect(wasteReasonsOf('gravure')).toEqual(expect.arrayContaining(['streak', 'atBreak', 'splice']));
  expect(wasteReasonsOf('wind')).toEqual(expect.arrayContaining(['cutOut', 'splice', 'telescoped']));
  for (const own of ['streak', 'cutOut', 'seam', 'code', 'crack', 'strip', 'coat', 'tray', 'film'])
    expect(wasteReasonsOf('guillotine')).not.toContain(own);
});

it('offers every reason somewhere, each in words', () => {
  const offered = new Set(Object.keys(PROCESSES).flatMap(wasteReasonsOf));
  expect([...offered].sort()).toEqual([...WASTE_REASONS].sort());
  expect(WASTE_REASONS.filter((r) => LABELS[`waste.${r}`] === undefined)).toEqual([]);
});
