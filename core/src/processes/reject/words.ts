import type { KindWords } from '../../words/kind-words';

export const REJECT_WORDS: KindWords = {
  names: {
    reject: 'Taking out',
  },
  labels: {
    rejectShare: 'Faulty share',
    samplesPulled: 'Samples pulled',
    balance: 'Left over in the books',
    destroyUnderWitness: 'destroyed, two people sign',
    books: 'Books',
  },
  formulas: {
    'reject.faults': {
      name: 'Faulty, taken out',
      reads: '1 − (1 − found here) × (1 − run through from the press)',
      terms: { here: 'found here', carried: 'run through from the press' },
    },
    'reject.destroyed': { name: 'Taken out', reads: 'faulty ones and samples', terms: { running: 'faulty', samples: 'samples' } },
    'reject.balance': {
      name: 'Left over in the books',
      reads: 'in − good − taken out',
      terms: { taken: 'in', good: 'good', destroyed: 'taken out' },
    },
  },
  practiceRooms: {
    reject: 'Taking out',
  },
  practice: {
    'reject.runningPpm': 'Faulty share',
    'reject.samples': 'Samples pulled',
    'reject.secondsEach': 'Taking out one',
  },
};
