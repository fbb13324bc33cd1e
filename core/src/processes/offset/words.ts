import { said } from '../../words/format';
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
    'offset.turnUm': 'Thickest sheet turned in the press',
    'offset.samples': 'Samples pulled',
  },
  findings: {
    'press.turnsNot': {
      title: (a) => `${said(a['caliperUm'], 0)} µm will not turn in the press`,
      says: (a) => `${said(a['limit'], 0)} µm is the limit. In two passes the sheet is turned by hand.`,
    },
  },
  remedies: { 'remedy.twoPasses': () => 'Two passes' },
};
