import { said } from '../../words/format';
import type { KindWords } from '../../words/kind-words';

export const ASSORT_WORDS: KindWords = {
  names: { assort: 'Mixing designs in boxes' },
  labels: {
    boxesFilled: 'Boxes',
    inABox: 'In a box',
    limitingDesign: 'Limits the boxes',
    secondsABox: 'Seconds a box',
    designsInBox: 'Designs in a box',
    'figure.boxCost': 'boxes',
    'setting.aBox': 'in a box, of',
  },
  practiceRooms: { assort: 'Mixing designs in boxes' },
  practice: {
    'assort.rollS': 'A roll laid into a box',
    'assort.boxS': 'A box set up, closed, labelled',
    'assort.boxPrice': 'A box',
  },
  findings: {
    'assort.limits': {
      title: (a) => `${a['design']} limits: ${said(a['boxes'], 0)} boxes`,
      says: (a) => `As ordered, ${a['left']} are left over.`,
    },
  },
  remedies: {
    'remedy.evenBoxes': (a) => `Order of each design what ${said(a['boxes'], 0)} boxes take`,
  },
};
