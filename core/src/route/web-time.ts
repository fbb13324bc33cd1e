import type { Formula } from '../quantity/figure';

/** Metres a run takes: cycles × repeat. Source: arithmetic. */
export const METRES_RUN: Formula<'cycles' | 'repeatMm'> = {
  id: 'route.metresRun',
  unit: 'metre',
  source: 'arithmetic',
  of: ({ cycles, repeatMm }) => (cycles * repeatMm) / 1000,
};
/** Running time of a web: metres at the net metres of an hour. */
export const WEB_RUN_TIME: Formula<'metres' | 'metresPerHour'> = {
  id: 'route.webRunTime',
  unit: 's',
  source: 'common practice, no source',
  of: ({ metres, metresPerHour }) => (metresPerHour > 0 ? (metres * 3600) / metresPerHour : 0),
};
/** Metres a minute, as web people say it. */
export const METRES_A_MINUTE: Formula<'metresPerHour'> = {
  id: 'route.metresAMinute',
  unit: 'm',
  source: 'arithmetic',
  of: ({ metresPerHour }) => metresPerHour / 60,
};
/** Time that breaks of the web cost. Formula: metres / apart · each. Source: arithmetic; a break every 20 to 60 km, common practice, no source. */
export const BREAK_TIME: Formula<'metres' | 'apartM' | 'each'> = {
  id: 'route.breakTime',
  unit: 's',
  source: 'arithmetic; breaks: common practice, no source',
  of: ({ metres, apartM, each }) => (apartM > 0 ? (metres / apartM) * each : 0),
};
/** Breaks to expect in a run. */
export const BREAKS_EXPECTED: Formula<'metres' | 'apartM'> = {
  id: 'route.breaksExpected',
  unit: '1',
  source: 'arithmetic; breaks: common practice, no source',
  of: ({ metres, apartM }) => (apartM > 0 ? metres / apartM : 0),
};
/** Speed with an ink that dries slower. Formula: an hour · share. Source: arithmetic; 0.6 to 0.8 with water-based ink, common practice, no source. */
export const SLOWED: Formula<'perHour' | 'share'> = {
  id: 'route.slowed',
  unit: '1/h',
  source: 'arithmetic; share: common practice, no source',
  of: ({ perHour, share }) => perHour * share,
};
