import type { KindWords } from '../../words/kind-words';

export const ROLL_DIE_WORDS: KindWords = {
  names: {
    rollDie: 'Rotary die',
  },
  labels: {
    dieSize: 'Die, labels',
    dieTurn: 'One turn',
    bridge: 'Matrix between labels',
    matrixShare: 'Matrix, share of the face',
    matrixMass: 'Matrix to dispose of',
  },
  formulas: {
    'rollDie.matrixShare': {
      name: 'Matrix, share of the face',
      reads: '1 − labels × width × height ÷ (web × repeat)',
      terms: { labels: 'labels a repeat', widthMm: 'width', heightMm: 'height', webMm: 'web', repeatMm: 'repeat' },
    },
    'rollDie.matrixKg': {
      name: 'Matrix drawn off',
      reads: 'metres × web × grammage × share of face × share of matrix',
      terms: { metres: 'metres', webMm: 'web', gsm: 'grammage', face: 'share of face', share: 'share of matrix' },
    },
  },
  practiceRooms: {
    rollDie: 'Rotary die',
  },
  practice: {
    'rollDie.setupMetres': 'Setup',
    'rollDie.runningPpm': 'Running loss',
    'rollDie.faceShare': 'Face and adhesive, share of the laminate',
    'rollDie.diePrice': 'Price of a die',
  },
};
