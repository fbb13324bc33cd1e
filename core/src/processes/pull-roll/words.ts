import type { KindWords } from '../../words/kind-words';

export const PULL_ROLL_WORDS: KindWords = {
  names: {
    pullRoll: 'Pulling rolls',
  },
  labels: {
    metresToPull: 'Metres to pull',
    metreMass: 'Mass of a metre',
    webUse: 'Web used',
    laminate: 'Face / adhesive / liner',
    rollList: 'Rolls',
  },
};
