import { portableExp } from '../quantity/portable-math';
import { WAVELENGTHS_NM } from '../colour/spectrum';
import { seeded } from '../quantity/seeded';
import { FASTNESS } from '../plant/fastness';
import type { BaseInk, Recipe } from './base-ink';

/*
 * Inks that nobody sells: absorption as one to three bands, scattering as a level that falls towards the red. For the demo, the tests and the bench.
 * A recipe planted with this model and found again is a regression test, not evidence.
 */

/** Where a band of absorption stands, how wide it is (nm), how high (1 per g/m²). */
type Band = readonly [nm: number, wide: number, high: number];
/** Bands with soft shoulders; a pigment of long waves absorbs everything below its edge. */
const absorption = (bands: readonly Band[], floor: number): number[] =>
  WAVELENGTHS_NM.map((nm) =>
    bands.reduce((k, [at, wide, high]) => k + high * portableExp(-((nm - at) * (nm - at)) / (2 * wide * wide)), floor),
  );
const scattering = (level: number): number[] => WAVELENGTHS_NM.map((nm) => (level * 550) / nm);

type Made = Pick<BaseInk, 'id' | 'name' | 'pricePerKg' | 'tack'> & {
  bands: Band[];
  floor?: number;
  scatter: number;
  fast?: BaseInk['fast'];
  bare?: boolean;
};
const MADE: readonly Made[] = [
  { id: 'clear', name: 'Clear let-down', pricePerKg: 7, tack: 160, bands: [], floor: 0.002, scatter: 0.004 },
  { id: 'white', name: 'Chalk white', pricePerKg: 9, tack: 150, bands: [], floor: 0.002, scatter: 0.62 },
  {
    id: 'lemon',
    name: 'Lemon',
    pricePerKg: 14,
    tack: 185,
    bands: [[410, 45, 1.9]],
    scatter: 0.03,
    fast: ['lye', 'fat', 'heat'],
  },
  {
    id: 'marigold',
    name: 'Marigold',
    pricePerKg: 16,
    tack: 185,
    bands: [
      [420, 58, 2.1],
      [490, 26, 0.9],
    ],
    scatter: 0.03,
  },
  {
    id: 'ember',
    name: 'Ember red',
    pricePerKg: 19,
    tack: 190,
    bands: [
      [430, 60, 1.4],
      [530, 38, 2.2],
    ],
    scatter: 0.035,
  },
  {
    id: 'rosehip',
    name: 'Rosehip',
    pricePerKg: 24,
    tack: 190,
    bands: [
      [545, 34, 2.4],
      [400, 40, 0.5],
    ],
    scatter: 0.02,
    fast: ['fat', 'heat'],
  },
  {
    id: 'violet',
    name: 'Dusk violet',
    pricePerKg: 29,
    tack: 195,
    bands: [
      [570, 44, 2.5],
      [420, 30, 0.25],
    ],
    scatter: 0.02,
    fast: ['heat'],
  },
  { id: 'harbour', name: 'Harbour blue', pricePerKg: 21, tack: 195, bands: [[640, 62, 2.6]], scatter: 0.02 },
  {
    id: 'reed',
    name: 'Reed green',
    pricePerKg: 22,
    tack: 190,
    bands: [
      [660, 55, 2.4],
      [420, 38, 1.2],
    ],
    scatter: 0.02,
  },
  { id: 'soot', name: 'Soot black', pricePerKg: 8, tack: 205, bands: [], floor: 2.6, scatter: 0.02 },
  {
    id: 'earth',
    name: 'Field earth',
    pricePerKg: 11,
    tack: 175,
    bands: [
      [420, 90, 1.6],
      [560, 60, 0.5],
    ],
    scatter: 0.25,
    fast: [...FASTNESS],
  },
  { id: 'tin', name: 'Tin grey', pricePerKg: 12, tack: 170, bands: [], floor: 0.28, scatter: 0.35, fast: [...FASTNESS], bare: true },
];

/** From this scattering on an ink hides what it lies on. */
const HIDES = 0.2;
/** The base inks of the demo works. */
export const INVENTED_BASES: readonly BaseInk[] = MADE.map(({ bands, floor = 0.004, scatter, fast = [...FASTNESS], bare, ...base }) => ({
  ...base,
  k: absorption(bands, floor),
  s: scattering(scatter),
  transparent: scatter < HIDES,
  drying: 'oxidative',
  lowMigration: bare !== true,
  fast,
}));

/** So many base inks of random bands, for the bench and for tests. */
export function randomBases(many: number, seed: number): BaseInk[] {
  const next = seeded(seed);
  return Array.from({ length: many }, (_, i) => ({
    id: `b${i}`,
    name: `Trial ink ${String(i).padStart(3, '0')}`,
    k: absorption(
      Array.from({ length: 1 + Math.floor(3 * next()) }, (): Band => [390 + 320 * next(), 25 + 50 * next(), 0.4 + 2 * next()]),
      0.004,
    ),
    s: scattering(next() < 0.2 ? 0.4 : 0.02),
    pricePerKg: Math.round(7 + 25 * next()),
    transparent: true,
    tack: Math.round(150 + 60 * next()),
    drying: 'oxidative' as const,
    lowMigration: true,
    fast: [...FASTNESS],
  }));
}

const FIRST = [
  'Fen',
  'Heath',
  'Kiln',
  'Mole',
  'Plum',
  'Quay',
  'Rye',
  'Sloe',
  'Thorn',
  'Tide',
  'Wold',
  'Barley',
  'Birch',
  'Cobble',
  'Dune',
  'Gorse',
  'Hazel',
  'Lantern',
  'Moss',
  'Oak',
];
const SECOND = ['dawn', 'shade', 'bloom', 'smoke', 'glow', 'frost', 'leaf', 'brick', 'water', 'dust', 'night', 'field'];

/** House recipes of the demo works: two or three colours let down with clear, at one film weight. No two bear the same name. */
export function inventedRecipes(many: number, seed: number): Recipe[] {
  const next = seeded(seed);
  const colours = INVENTED_BASES.filter((b) => b.id !== 'clear').map((b) => b.id);
  return Array.from({ length: many }, (_, i) => {
    const pool = [...colours];
    const used = Array.from({ length: 2 + Math.floor(2 * next()) }, () => pool.splice(Math.floor(next() * pool.length), 1)[0] as string);
    const weights = used.map(() => 1 + Math.floor(30 * next()));
    const clear = Math.max(PARTS_OF_RECIPE - weights.reduce((a, b) => a + b, 0), 0);
    const parts = [
      ...used.map((base, j) => ({ base, parts: weights[j] as number })),
      ...(clear > 0 ? [{ base: 'clear', parts: clear }] : []),
    ];
    const name = `${FIRST[i % FIRST.length] ?? ''} ${SECOND[Math.floor(i / FIRST.length) % SECOND.length] ?? ''}`;
    return { id: `R-${String(i + 1).padStart(4, '0')}`, name, parts, filmGsm: 1.2 };
  });
}
const PARTS_OF_RECIPE = 100;

/** The process inks of the works as films, at the film weight of a solid, for what is printed on or under a mixed ink. Invented like the rest. */
export const PROCESS_FILMS: Readonly<Record<string, { k: number[]; s: number[]; gsm: number }>> = {
  K: { k: absorption([], 2.4), s: scattering(0.02), gsm: 1 },
  C: { k: absorption([[640, 58, 1.7]], 0.02), s: scattering(0.015), gsm: 1 },
  M: { k: absorption([[545, 36, 2]], 0.02), s: scattering(0.015), gsm: 1 },
  Y: { k: absorption([[425, 42, 1.9]], 0.004), s: scattering(0.02), gsm: 1 },
};
