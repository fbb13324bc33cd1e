import { dryBeforeCutting } from './drying';

test.each([
  ['gloss, light', { surface: 'gloss' as const, inkPercent: 100, waterCoat: false }, 'wait.cutS'],
  ['matt', { surface: 'matt' as const, inkPercent: 100, waterCoat: false }, 'wait.cutHeavyS'],
  ['uncoated', { surface: 'uncoated' as const, inkPercent: 20, waterCoat: false }, 'wait.cutHeavyS'],
  ['gloss, heavy solids', { surface: 'gloss' as const, inkPercent: 240, waterCoat: false }, 'wait.cutHeavyS'],
  ['water-based coat over heavy solids', { surface: 'matt' as const, inkPercent: 300, waterCoat: true }, 'wait.cutCoatedS'],
  ['nothing known of the surface', { surface: undefined, inkPercent: 50, waterCoat: false }, 'wait.cutS'],
])('drying before cutting: %s', (_name, load, key) => {
  expect(dryBeforeCutting(load)).toBe(key);
});
