import type { KindWords } from '../../words/kind-words';

export const REWIND_WORDS: KindWords = {
  names: {
    rewind: 'Rewinding',
  },
  labels: {
    secondsARoll: 'Seconds a roll',
    finishedRolls: 'Finished rolls',
    cores: 'Cores',
  },
  practiceRooms: {
    rewind: 'Rewinding',
  },
  practice: {
    'rewind.secondsEach': 'Winding off a roll',
    'rewind.corePrice': 'Price of a core',
  },
};
