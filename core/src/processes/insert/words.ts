import type { KindWords } from '../../words/kind-words';

export const INSERT_WORDS: KindWords = {
  names: { insert: 'Tray line', insertByHand: 'Trays and discs by hand' },
  labels: {
    traysIn: 'Trays',
    discsIn: 'Discs',
    discCode: 'Code on the disc',
    shrinkFilm: 'Film',
    trayMm: 'Tray',
    closedMm: 'Sleeve, closed',
    piecesIn: 'Sleeves in',
    trayPlaces: 'Where trays are glued',
    'drawing.trays and discs': 'trays and discs',
    'figure.filmCost': 'film',
    'figure.trays': 'trays',
    'figure.discs': 'discs',
  },
  formulas: {
    'insert.film': {
      name: 'Film',
      reads: 'pieces × (closed width + thickness + what its seam takes)',
      terms: { pieces: 'pieces', widthMm: 'closed width', thickMm: 'closed thickness', extraMm: 'for the seam' },
    },
  },
  practiceRooms: { insert: 'Trays and discs' },
  practice: {
    'insert.setupPieces': 'Setup',
    'insert.againS': 'Setting up for the next order of one outline',
    'insert.runningPpm': 'Running loss',
    'insert.samples': 'Samples',
    'insert.traySpoilPpm': 'Trays spoilt',
    'insert.discSpoilPpm': 'Discs spoilt',
    'insert.filmExtraMm': 'Film beyond the closed piece',
    'insert.handsS': 'By hand, a piece',
    'insert.trayPrice': 'Price of a tray',
    'insert.discPrice': 'Price of a disc',
    'insert.filmPrice': 'Price of a metre of film',
  },
};
