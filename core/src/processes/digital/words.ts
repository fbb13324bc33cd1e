import type { KindWords } from '../../words/kind-words';

export const DIGITAL_WORDS: KindWords = {
  names: {
    digital: 'Digital print',
  },
  labels: {
    clicks: 'Toner and wear',
  },
  formulas: {
    'digital.clicks': {
      name: 'Toner and wear',
      reads: 'sheets × sides × price a side',
      terms: { sheets: 'sheets', sides: 'sides', perSide: 'price a side' },
    },
  },
  practiceRooms: {
    digital: 'Digital print',
  },
  practice: {
    'digital.setupSheets': 'Setup',
    'digital.runningPpm': 'Running loss',
    'digital.perSide': 'Toner and wear, a side',
  },
};
