import { said } from '../../words/format';
import type { KindWords } from '../../words/kind-words';

export const LAMINATE_WORDS: KindWords = {
  names: { laminate: 'Laminating' },
  labels: {
    lamination: 'Film',
    filmSide: 'Film lies on',
    filmArea: 'Film needed',
    filmWidth: 'Film, width',
    setsBefore: 'Lies before it is cut',
    'figure.filmCost': 'film',
    'figure.filmM2': 'film',
    'drawing.laminated sheet': 'laminated sheet',
  },
  practiceRooms: { laminate: 'Laminating' },
  practice: {
    'laminate.setupSheets': 'Setup',
    'laminate.runningPpm': 'Running loss',
    'laminate.waitS': 'Lies before it is cut',
    'laminate.filmMm': 'Widest film',
    'laminate.filmUm': 'Film and its adhesive, thickness',
    'laminate.pricePerM2': 'Price of a square metre of film',
  },
  formulas: {
    'laminate.film': {
      name: 'Film',
      reads: 'sheets × width × length',
      terms: { sheets: 'sheets', widthMm: 'width', heightMm: 'length' },
    },
  },
  findings: {
    'laminate.tooWide': {
      title: (a) => `Sheet ${said(a['sheetMm'], 0)} mm on film of ${said(a['filmMm'], 0)}`,
      says: () => 'The film does not cover the sheet, whichever way it runs.',
    },
  },
};
