import { practiceValue } from '../../plant/practice';
import type { Rule } from './rule';

/** A film whose surface tension is too low for lamp-dried or water-based ink: it may peel. */
export const filmSurface: Rule = {
  code: 'film.surface',
  nr: 32,
  find: ({ plant, contexts }) =>
    contexts.flatMap(({ cx }) => {
      const [has, asks] = [cx.stock?.surfaceMnPerM, practiceValue(plant, 'film.surfaceMnPerM')];
      if (has === undefined || has >= asks || !('units' in cx.machine.limits) || cx.inkSeries?.lampDried !== true) return [];
      return [{ level: 'decide', at: cx.id, args: { has, asks }, remedies: [{ do: 'ask', says: 'remedy.treatFilm', desk: 'store' }] }];
    }),
};
