import type { KindWords } from '../../words/kind-words';

export const OFFSET_WORDS: KindWords = {
  names: {
    offset: 'Offset',
  },
  labels: {
    sheetSize: 'Sheet',
    sideLay: 'Side lay',
    drying: 'Drying',
    powder: 'on the clock; powder, no more than it needs',
    registerAim: 'Register held',
    pileSheets: 'Sheets a pile',
    waitBeforePass: 'Wait before',
    passes: 'Passes',
  },
  practiceRooms: {
    offset: 'Offset',
  },
  practice: {
    'offset.setupFourSheets': 'Setup of a four-colour form',
    'offset.setupUnitSheets': 'Setup of each further unit',
    'offset.setupSamePlates': 'Setup of a second pass, share',
    'offset.runningPpm': 'Running loss',
    'offset.samples': 'Samples pulled',
  },
};
