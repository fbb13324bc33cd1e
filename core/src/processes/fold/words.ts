import type { KindWords } from '../../words/kind-words';

export const FOLD_WORDS: KindWords = {
  names: {
    fold: 'Score and fold',
  },
  labels: {
    foldedWidth: 'Folded width',
    foldKind: 'Folds',
    foldOnce: 'once, front outside',
    foldZigzag: 'to and fro (zigzag), panels alike, front outside first',
    rate: 'Rate',
  },
  practiceRooms: {
    fold: 'Score and fold',
  },
  practice: {
    'fold.setupSheets': 'Setup',
    'fold.runningPpm': 'Running loss',
    'fold.scoreAboveGsm': 'Score above',
    'fold.gapMm': 'Gap between sheets',
  },
};
