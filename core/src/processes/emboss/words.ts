import { said } from '../../words/format';
import type { KindWords } from '../../words/kind-words';

export const EMBOSS_WORDS: KindWords = {
  names: { emboss: 'Embossing' },
  labels: {
    pairs: 'Pairs of dies',
    reliefDepth: 'Depth of the relief',
    reliefs: 'Reliefs',
    'figure.pairCost': 'pairs of dies',
    'drawing.embossing': 'embossing',
  },
  practiceRooms: { emboss: 'Embossing' },
  practice: {
    'emboss.setupSheets': 'Setup',
    'emboss.runningPpm': 'Running loss',
    'emboss.samples': 'Samples',
    'emboss.lifeCycles': 'Life of a pair',
    'emboss.depthMm': 'Depth of a relief',
    'emboss.clearMm': 'From a relief to a crease or cut',
    'emboss.pairPrice': 'Price of a pair',
  },
  findings: {
    'emboss.nearLine': {
      title: (a) => `Relief “${a['area']}” is ${said(a['mm'])} mm from a crease or cut`,
      says: (a) => `Board stretches there and breaks: ${said(a['least'])} mm are wanted.`,
    },
  },
  remedies: { 'remedy.moveRelief': () => 'Ask prepress to move the relief' },
};
