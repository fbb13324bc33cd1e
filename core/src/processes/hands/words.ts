import type { KindWords } from '../../words/kind-words';

export const HANDS_WORDS: KindWords = {
  names: {
    apply: 'Pieces by hand',
    envelope: 'Envelopes',
    assemble: 'Putting together',
  },
  labels: {
    handsTime: 'Work of hands',
    suppliedPieces: 'To have there',
    motions: 'What each piece gets',
  },
  practiceRooms: {
    hands: 'Hands',
  },
  practice: {
    'hands.setupPieces': 'Setup',
    'hands.runningPpm': 'Running loss',
    'hands.pieceSpoilPpm': 'Pieces spoilt on the way',
    'hands.restShare': 'Rest, share of the time',
    'hands.insertS': 'Putting into an envelope',
    'hands.sealS': 'Sealing',
  },
};
