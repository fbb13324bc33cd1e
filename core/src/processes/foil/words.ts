import { said } from '../../words/format';
import type { KindWords } from '../../words/kind-words';

export const FOIL_WORDS: KindWords = {
  names: {
    foil: 'Hot foil',
  },
  labels: {
    foilPerStroke: 'Foil a stroke',
    foilMetres: 'Foil',
    foilWidth: 'Foil width',
    dwell: 'Heat and dwell',
    makersSheet: 'as the foil maker’s sheet says',
  },
  formulas: {
    'foil.diesOfGang': { name: 'Dies set up', reads: 'the dies of all orders on the sheet' },
    'foil.setup': {
      name: 'Setup',
      reads: 'setup of one foil area × areas × factor, rounded up',
      terms: { fresh: 'one area, new work', areas: 'foil areas', factor: 'new or repeat' },
    },
    'foil.diesSetUp': { name: 'Dies set up', reads: 'copies up × foil areas', terms: { copiesUp: 'copies up', areas: 'foil areas' } },
    'foil.diesOfJob': { name: 'Dies made here', reads: 'what the job that makes them costs', terms: { job: 'the job' } },
    'foil.width': {
      name: 'Foil width',
      reads: 'image + a margin on both sides',
      terms: { image: 'image', left: 'margin', right: 'margin' },
    },
  },
  practiceRooms: {
    foil: 'Hot foil',
  },
  practice: {
    'foil.gapMm': 'Gap between strikes',
    'foil.marginMm': 'Margin of a strip',
    'foil.pricePerM2': 'Price of foil, a square metre',
    'foil.toPrintMm': 'Foil to print, held',
    'foil.setupSheets': 'Setup',
    'foil.runningPpm': 'Running loss',
  },
  findings: {
    'foil.toPrint': {
      title: (a) => `Foil asked to ±${said(a['asked'], 2)} mm`,
      says: (a) => `The machine holds ±${said(a['holds'], 2)} mm. Widen the artwork under the foil.`,
    },
    'foil.offPiece': {
      title: (a) => `Foil “${a['area']}” reaches beyond the edge`,
      says: (a) => `The open piece measures ${said(a['widthMm'])} × ${said(a['heightMm'])} mm; what lies beyond is trimmed off.`,
    },
    'foil.acrossFold': {
      title: (a) => `Foil “${a['area']}” lies across a fold`,
      says: (a) => `Folded at ${said(a['lineMm'])} mm from the left; foil cracks there.`,
    },
    'foil.bothSides': {
      title: () => 'Foil on both sides',
      says: (a) =>
        `“${a['area']}” is struck on the ${a['side']}, ${a['other']} on the other side: that is a second run, and one is planned.`,
    },
    'foil.tooLarge': {
      title: (a) => `Foil “${a['area']}” is larger than its place`,
      says: (a) =>
        `${said(a['widthMm'])} × ${said(a['heightMm'])} mm asked; ${said(a['placeWidthMm'])} × ${said(a['placeHeightMm'])} mm of the copy lie under the die.`,
    },
  },
  remedies: {
    'remedy.foilOntoPiece': (a) => `Move “${a['area']}” onto the piece`,
    'remedy.foilBesideFold': (a) => `Move “${a['area']}” to the left of the fold`,
    'remedy.foilOneSide': (a) => `Strike “${a['area']}” on the same side`,
    'remedy.widenArt': () => 'Ask prepress to widen',
    'remedy.smallerFoil': () => 'Ask for a smaller foil area',
  },
};
