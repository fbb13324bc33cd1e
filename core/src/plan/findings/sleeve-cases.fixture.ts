import { JobSpecSchema } from '../door';
import { RADIO_PLAYS, type RadioPlay, sleeveSpec, TWO_FORMS } from '../line-5.fixture';
import type { DiscSleeveWish } from '../../families/disc-sleeve-wish';
import type { GangForm, GangKeep, JobSpec } from '../../product/job-spec';

/* Gangs of sleeves that fire a finding of line 5, and such as do not. */

const plays = (
  forms: GangForm[] | undefined = TWO_FORMS,
  quantities: Partial<Record<RadioPlay, number>> = RADIO_PLAYS,
  of: Partial<Record<RadioPlay, Partial<DiscSleeveWish>>> = {},
  keep?: GangKeep,
): { spec: JobSpec } => {
  const spec = sleeveSpec(forms, quantities);
  const gang = spec.choices.gangs?.['plays'];
  if (gang && keep) gang.keep = keep;
  for (const [id, wish] of Object.entries(of)) Object.assign((spec.products[id] as { wish: DiscSleeveWish }).wish, wish);
  return { spec: JobSpecSchema.parse(spec) };
};
const [a, b] = TWO_FORMS as [GangForm, GangForm];
const good = plays();
const pair = (of: Partial<Record<RadioPlay, Partial<DiscSleeveWish>>>): { spec: JobSpec } =>
  plays([{ copies: { 'mill.blank': 4, 'lantern.blank': 4 } }], { lantern: 3_000, mill: 3_000 }, of);

/** One setting of the print stone that the forms of the gang share. */
const printed = (series: string): { spec: JobSpec } => ({
  spec: { ...good.spec, choices: { ...good.spec.choices, settings: { 'plays.print': { series } } } },
});

export const SLEEVE_CASES = {
  'coat.onWax': { level: 'decide', fires: printed('oilWax'), silent: printed('oil') },
  'gang.runsOn': { level: 'decide', fires: plays([{ ...a, run: 1_500 }, b]), silent: plays([{ ...a, run: 1_600 }, b]) },
  'gang.over': {
    level: 'release',
    fires: plays([
      { copies: { 'fog.blank': 1, 'harbour.blank': 1, 'kiln.blank': 1, 'lantern.blank': 1, 'mill.blank': 1, 'orchard.blank': 3 } },
    ]),
    silent: good,
  },
  'gang.empty': {
    level: 'decide',
    fires: plays([a, { copies: { 'fog.blank': 2, 'harbour.blank': 2, 'lantern.blank': 1 } }]),
    silent: good,
  },
  'gang.kept': {
    level: 'decide',
    // Kiln lies beside lantern on form A, where fog and mill never meet.
    fires: plays(undefined, undefined, undefined, { apart: [['kiln.blank', 'lantern.blank']] }),
    silent: plays(undefined, undefined, undefined, { apart: [['fog.blank', 'mill.blank']], on: { 'kiln.blank': 0 } }),
  },
  'gang.lookAlike': {
    level: 'decide',
    fires: pair({ mill: { lookAlike: 'lantern', code: '1201' } }),
    silent: pair({ mill: { lookAlike: 'lantern', code: '1201' }, lantern: { code: '1202' } }),
  },
  'gang.starves': {
    level: 'decide',
    // Four places of each order: two lanes of one, two of the other, and one lane that they share.
    fires: plays(
      [{ copies: { 'mill.blank': 3, 'lantern.blank': 5 } }],
      { lantern: 5_000, mill: 3_000 },
      {
        mill: { coveragePercent: { K: 60 } },
        lantern: { coveragePercent: { K: 12 } },
      },
    ),
    silent: pair({ mill: { coveragePercent: { K: 60 } }, lantern: { coveragePercent: { K: 12 } } }),
  },
} as const;
