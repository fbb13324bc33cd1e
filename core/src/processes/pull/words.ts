import type { KindWords } from '../../words/kind-words';

export const PULL_WORDS: KindWords = {
  names: {
    pull: 'Pulling paper',
  },
  labels: {
    sheetsByForm: 'Sheets, form by form',
    sheetUse: 'Sheet used',
    sheetsToPull: 'Sheets to pull',
    reams: 'Reams',
  },
};
