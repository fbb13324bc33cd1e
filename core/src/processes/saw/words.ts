import type { KindWords } from '../../words/kind-words';

export const SAW_WORDS: KindWords = {
  names: {
    saw: 'Sawing metal',
  },
  labels: {
    dieBlank: 'Blank',
    blanksAPlate: 'Blanks a plate',
    blanksToSaw: 'Blanks to saw',
  },
};
