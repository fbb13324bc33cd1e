import type { KindWords } from '../../words/kind-words';

export const SLEEVE_WORDS: KindWords = {
  names: { sleeve: 'Sleeving rolls' },
  labels: {
    rollsSleeved: 'Rolls sleeved',
    filmThick: 'Shrink film',
    layflat: 'Film laid flat',
    filmCut: 'Film cut to',
    filmMetres: 'Film',
    rollLabels: 'Labels',
    setupRolls: 'Rolls to set up',
    'figure.filmCost': 'film',
    'figure.labelsCost': 'labels',
  },
  practiceRooms: { sleeve: 'Sleeving rolls' },
  practice: {
    'sleeve.setupRolls': 'Rolls to set up',
    'sleeve.runningPpm': 'Running loss',
    'sleeve.easePercent': 'Film wider than the roll',
    'sleeve.endMm': 'Film beyond each end',
    'sleeve.filmPerM': 'A metre of film',
    'sleeve.labelPrice': 'A label',
  },
  formulas: {
    'finishing.layflat': {
      name: 'Film laid flat',
      reads: 'π × diameter ÷ 2 × (1 + ease)',
      terms: { diameterMm: 'diameter', easePercent: 'ease' },
    },
    'finishing.filmCut': { name: 'Film cut to', reads: 'roll width + 2 × end', terms: { widthMm: 'roll width', endMm: 'end' } },
  },
};
