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
