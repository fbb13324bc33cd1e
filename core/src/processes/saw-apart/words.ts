import type { KindWords } from '../../words/kind-words';

export const SAW_APART_WORDS: KindWords = {
  names: { sawApart: 'Sawing apart' },
  labels: {
    sawAt: 'Saw at',
    'drawing.sawing apart': 'sawing apart',
  },
  practiceRooms: { sawApart: 'Sawing books apart' },
  practice: { 'sawApart.setupCycles': 'Setup', 'sawApart.runningPpm': 'Running loss' },
};
