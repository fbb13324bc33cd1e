import { said } from '../../words/format';
import type { KindWords } from '../../words/kind-words';

export const THREE_KNIFE_WORDS: KindWords = {
  names: { threeKnife: 'Trimming on three sides' },
  labels: {
    knivesFirst: 'First',
    knivesThen: 'Then',
    trimmedMost: 'Comes off, at most',
    booksACut: 'Books a cut',
    cures: 'Cures before it is packed',
    'drawing.three knives': 'three knives',
  },
  practiceRooms: { threeKnife: 'Trimming books' },
  practice: {
    'threeKnife.setupCycles': 'Setup',
    'threeKnife.runningPpm': 'Running loss',
    'threeKnife.pileMm': 'Books under the knives, height',
    'threeKnife.leastMm': 'Least that is trimmed off',
    'threeKnife.mostMm': 'Most that is trimmed off',
  },
  formulas: {
    'threeKnife.booksACut': {
      name: 'Books a cut',
      reads: 'height under the knives ÷ a book, rounded down',
      terms: { pileMm: 'height', bookMm: 'a book' },
    },
    'threeKnife.rate': { name: 'Rate', reads: 'cuts an hour × books a cut', terms: { perHour: 'cuts an hour', books: 'books a cut' } },
  },
  findings: {
    'threeKnife.trimCannot': {
      title: (a) => `${String(a['side'])} trim ${said(a['trimMm'], 2)} mm`,
      says: (a) => `The knives take ${said(a['least'], 0)} to ${said(a['most'], 0)} mm off a side.`,
    },
  },
};
