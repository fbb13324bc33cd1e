import type { KindWords } from '../../words/kind-words';

export const SHEETER_WORDS: KindWords = {
  names: {
    sheeter: 'Sheeter',
  },
  labels: {
    perforations: 'Perforations',
    backSlits: 'Slits in the liner',
  },
  formulas: {
    'sheeter.perforations': {
      name: 'Lines of perforation',
      reads: 'between columns and between rows',
      terms: { across: 'across', along: 'along', asked: 'asked for' },
    },
    'sheeter.backSlits': {
      name: 'Slits in the liner',
      reads: 'sheet width ÷ distance',
      terms: { widthMm: 'sheet width', everyMm: 'distance' },
    },
  },
  practiceRooms: {
    sheeter: 'Sheeter',
  },
  practice: {
    'sheeter.setupMetres': 'Setup',
    'sheeter.runningPpm': 'Running loss',
  },
};
