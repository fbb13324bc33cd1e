import { JobSpecSchema } from '../door';
import { SHELF } from '../line-1.fixture';
import { drawerPaper, ROPE_AND_COMPASS } from '../line-12.fixture';
import type { GravureRollWish } from '../../families/gravure-roll-wish';
import type { Shelf } from '../../plant/plant';
import type { JobSpec } from '../../product/job-spec';

/* Rolls that fire a finding of line 12, and such as do not. */

type Case = { spec: JobSpec; shelf?: Shelf };
type Versions = Parameters<typeof drawerPaper>[2];
const rolls = (
  wish: GravureRollWish = {},
  choices: Partial<JobSpec['choices']> = {},
  shelf?: Partial<Shelf>,
  versions?: Versions,
): Case => ({
  spec: JobSpecSchema.parse(drawerPaper(wish, choices, versions)),
  ...(shelf && { shelf: { ...SHELF, ...shelf } }),
});
const drawer = rolls();
const PRINT = 'rolls.web.print';
const ordered = (rope: number, compass: number, choices: Partial<JobSpec['choices']> = {}): Case =>
  rolls({}, choices, undefined, {
    v1: { ...ROPE_AND_COMPASS['v1']!, quantity: rope },
    v2: { ...ROPE_AND_COMPASS['v2']!, quantity: compass },
  });
/** Cylinders of a job, made for such a web. */
const madeFor = (cylinders: { turnMm: number; bandMm: number; inks: string[] }): Case =>
  rolls(
    {},
    { supply: { [`${PRINT}.cylinders`]: { from: 'job', job: 'c1', item: 'i1' } } },
    { jobs: { c1: { number: 2428, name: 'Cylinders', readyAt: SHELF.asOf + 86_400, delivered: false, money: 3_000, cylinders } } },
  );
const INKS = ['gold', 'yellow', 'red', 'blue', 'black'];
const measured = (key: string, cup?: string): Case =>
  rolls({}, cup === undefined ? {} : { settings: { [PRINT]: { cup } } }, { measured: { [PRINT]: { [key]: { value: 19, by: 'Odo' } } } });
const counted = { [PRINT]: { run: 26_000, good: 24_600, done: true } };

export const GRAVURE_CASES = {
  'gravure.patternWalks': {
    level: 'decide',
    fires: rolls({ alike: true, turnMm: 480 }),
    // A millimetre a roll is nobody's.
    silent: rolls({ alike: true }),
  },
  'gravure.markMisses': { level: 'decide', fires: rolls({ cut: 'mark' }), silent: rolls({ cut: 'mark', turnMm: 500.25 }) },
  'gravure.doesNotFit': { level: 'release', fires: rolls({ turnMm: 1_000 }), silent: rolls({ turnMm: 800 }) },
  'gravure.groundCovers': {
    level: 'decide',
    fires: rolls({ inks: ['yellow', 'gold', 'red'] }),
    silent: rolls({ inks: ['yellow', 'red', 'white'], printed: 'reverse' }),
  },
  'gravure.trapNarrow': { level: 'decide', fires: rolls({ trapMm: 0.2 }), silent: rolls({ trapMm: 0.23 }) },
  'gravure.cylindersElse': {
    level: 'start',
    fires: madeFor({ turnMm: 500.25, bandMm: 1_410, inks: INKS }),
    silent: madeFor({ turnMm: 500, bandMm: 1_410, inks: INKS }),
  },
  'gravure.besideOver': { level: 'decide', fires: ordered(6_000, 5_000), silent: ordered(6_000, 5_600) },
  'gravure.lanesOver': {
    level: 'decide',
    fires: rolls({}, { settings: { [PRINT]: { 'lanes.v1': 2 } } }),
    silent: rolls({ widthMm: 350 }, { settings: { [PRINT]: { 'lanes.v1': 3 } } }),
  },
  'gravure.noCup': { level: 'start', fires: measured('viscosity.s1'), silent: measured('viscosity.s1', 'cup 4 mm') },
  'gravure.noSolvent': {
    level: 'start',
    fires: rolls({ child: true }, {}, { counted }),
    silent: rolls({ child: true }, {}, { counted, measured: { [PRINT]: { solventLeft: { value: 4, by: 'Odo' } } } }),
  },
  'assort.limits': {
    level: 'know',
    fires: ordered(6_000, 4_690, { settings: { 'rolls.web.assort': { 'aBox.v1': 6, 'aBox.v2': 6 } } }),
    silent: drawer,
  },
} as const satisfies Record<string, { level: string; fires: Case; silent: Case }>;
