import type { KindWords } from '../../words/kind-words';

export const FOLD_WEB_WORDS: KindWords = {
  names: { foldWeb: 'Web press with folder' },
  labels: {
    cutOff: 'Cut-off',
    webSlit: 'Slit, from the edge of the web',
    former: 'Former, from the edge of the web',
    jaw: 'Jaw, from the cut',
    chopper: 'Chopper, from the folded edge',
    webEdge: 'Edge left on either side',
    chosenRate: 'Repeats an hour',
    metresRun: 'Metres run',
    webRolls: 'Rolls',
    lostASplice: 'Repeats lost a roll',
    unitsBySide: 'Units',
    'drawing.web path': 'web path',
  },
  formulas: {
    'foldWeb.dryerRate': {
      name: 'What the dryer allows',
      reads: 'metres a minute × 60 ÷ cut-off',
      terms: { metresAMinute: 'dryer, m a minute', cutOffMm: 'cut-off' },
    },
    'foldWeb.metresAMinute': {
      name: 'Speed of the web',
      reads: 'repeats an hour × cut-off ÷ 60',
      terms: { perHour: 'repeats an hour', cutOffMm: 'cut-off' },
    },
  },
  practiceRooms: { foldWeb: 'Web press with folder' },
  practice: {
    'foldWeb.setupRepeats': 'Setup',
    'foldWeb.runningPpm': 'Running loss',
    'foldWeb.samples': 'Samples',
    'foldWeb.spliceMetres': 'Lost at a splice',
    'foldWeb.coreWasteMetres': 'Left on the core',
    'foldWeb.perHour': 'Repeats an hour',
  },
};
