import type { KindWords } from '../../words/kind-words';

export const STACK_WORDS: KindWords = {
  names: {
    stack: 'Stacks',
  },
  labels: {
    secondsAStack: 'Seconds a stack',
  },
  practiceRooms: {
    stack: 'Stacks',
  },
  practice: {
    'stack.wrapS': 'Wrapping a stack',
    'stack.filmPrice': 'Film for a stack',
  },
};
