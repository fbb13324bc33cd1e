import type { KindWords } from '../../words/kind-words';

export const ENGRAVE_WORDS: KindWords = {
  names: {
    engrave: 'Engraving',
  },
  labels: {
    dieDepth: 'Depth around the image',
    dieFace: 'Strikes',
    dieImage: 'Image',
    engravePerCm2: 'Engraving a cm²',
    dieLook: 'Looking at a die',
    dieChecks: 'Dies, looked at',
  },
};
