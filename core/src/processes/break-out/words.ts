import type { KindWords } from '../../words/kind-words';

export const BREAK_OUT_WORDS: KindWords = {
  names: { breakOut: 'Breaking out' },
  labels: { breakingTime: 'Breaking out, time', stacks: 'Stacks', 'drawing.stacks by place': 'stacks by place' },
  formulas: {
    'breakOut.time': {
      name: 'Breaking out',
      reads: 'lifts × (each + places × a stack)',
      terms: { lifts: 'lifts', eachS: 'each lift', places: 'places', placeS: 'a stack' },
    },
  },
  practiceRooms: { breakOut: 'Breaking out' },
  practice: {
    'breakOut.runningPpm': 'Running loss',
    'breakOut.liftMm': 'Lift height',
    'breakOut.liftS': 'Handling a lift',
    'breakOut.placeS': 'Breaking out a stack',
    'breakOut.gapMm': 'Gap between blanks',
  },
};
