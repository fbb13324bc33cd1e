import { said } from '../../words/format';
import type { KindWords } from '../../words/kind-words';

export const GUILLOTINE_WORDS: KindWords = {
  names: {
    guillotine: 'Guillotine',
  },
  labels: {
    sheetsPerLift: 'Sheets a lift',
    liftHeight: 'Lift height',
    cuttingTime: 'Cutting time',
    secondsPerCut: 'Handling a cut',
    program: 'Cutting program',
  },
  formulas: {
    'guillotine.trimWaste': {
      name: 'Trim',
      reads: 'mass of the sheets − mass of the copies',
      terms: { sheets: 'sheets', copies: 'copies' },
    },
    'guillotine.copiesCut': { name: 'Copies cut', reads: 'sheets × copies up', terms: { sheets: 'sheets', copiesUp: 'copies up' } },
  },
  practiceRooms: {
    guillotine: 'Guillotine',
  },
  practice: {
    'guillotine.setupSheets': 'Setup',
    'guillotine.runningPpm': 'Running loss',
    'guillotine.liftMm': 'Lift height',
    'guillotine.softLiftMm': 'Lift height, soft or laminated',
    'guillotine.cutS': 'Handling a cut',
    'guillotine.loadS': 'Loading a lift',
  },
  findings: {
    'lift.high': {
      title: (a) => `Lift of ${said(a['liftMm'], 0)} mm in soft stock`,
      says: (a) => `The knife draws, about 0.5 mm across the pile. ${said(a['limit'], 0)} mm is the limit.`,
    },
  },
  remedies: {
    'remedy.lift': (a) => `Lifts of ${said(a['limit'], 0)} mm`,
  },
};
