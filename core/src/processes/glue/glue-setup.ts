import type { Formula } from '../../quantity/figure';

/** Setting up: by how hard the blank is to fold, and whether its work was done before. */
export const SETUP_BY_WORK: Formula<'usualS' | 'factor'> = {
  id: 'glue.setupByWork',
  unit: 's',
  source: 'common practice, no source',
  of: ({ usualS, factor }) => usualS * factor,
};
