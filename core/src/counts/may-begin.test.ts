import { holdsRun, RUN_HOLDS } from './may-begin';

const free = { locked: [], dryAt: null, toClear: false, outside: [] };

it.each([
  ['nothing known against it', free, []],
  ['an ink without a draw-down', { ...free, locked: ['Lindmoor Green'] }, ['noDrawDown']],
  ['ink that dries for ten more minutes', { ...free, dryAt: 1_600 }, ['stillWet']],
  ['ink dry at this very moment', { ...free, dryAt: 1_000 }, []],
  ['a line to clear', { ...free, toClear: true }, ['uncleared']],
  ['a taper outside', { ...free, outside: ['Grind: taper 14 µm'] }, ['outside']],
  ['all of it', { locked: ['Lindmoor Green'], dryAt: 1_001, toClear: true, outside: ['x'] }, [...RUN_HOLDS]],
])('holds a run for %s', (_what, known, holds) => {
  expect(holdsRun(known, 1_000)).toEqual(holds);
});
