import type { KindWords } from '../../words/kind-words';

export const WEB_PRESS_WORDS: KindWords = {
  names: {
    webPress: 'Web press',
  },
  labels: {
    lostARoll: 'Repeats lost a roll',
  },
  practiceRooms: {
    web: 'Web press',
  },
  practice: {
    'web.setupMetres': 'Setup',
    'web.spliceMetres': 'Lost at a splice',
    'web.coreWasteMetres': 'Left on the core',
    'web.runningPpm': 'Running loss',
  },
};
