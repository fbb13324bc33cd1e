import { said } from '../../words/format';
import type { KindWords } from '../../words/kind-words';

export const GLUE_WORDS: KindWords = {
  names: { glue: 'Folding and gluing' },
  labels: {
    glueKind: 'Glue',
    coldGlue: 'cold glue',
    hotMelt: 'hot-melt',
    runMm: 'Blank along the belts',
    grossRate: 'Belts running',
    bead: 'Glue a blank, length',
    glueMass: 'Glue',
    pressure: 'Under pressure',
    runsHow: 'Runs',
    runsTopFirst: 'top of the blank first, printed side down, glue flap at the guide',
    runsAlong: 'along its length, printed side down',
    gluerCreases: 'Creases',
    beads: 'Glue',
  },
  formulas: {
    'glue.runMm': { name: 'Blank along the belts', reads: 'its extent along the creases the belts fold', terms: { extent: 'extent' } },
    'glue.setupByWork': {
      name: 'Setup',
      reads: 'usual for this kind of blank × new or repeat',
      terms: { usualS: 'usual', factor: 'new or repeat' },
    },
  },
  practiceRooms: { glue: 'Folding and gluing' },
  practice: {
    'glue.setupSheets': 'Setup',
    'glue.runningPpm': 'Running loss',
    'glue.samples': 'Samples',
    'glue.netShare': 'Of the belts’ speed, over a shift',
    'glue.gPerM': 'Glue a metre of bead, g',
    'glue.pressureS': 'Under pressure',
    'glue.pricePerKg': 'Price of a kilogram of glue',
    'glue.leastPanelMm': 'Smallest panel',
    'glue.leastBlankMm': 'Smallest blank',
    'glue.seamSpeed': 'Seam: belts, m a minute',
    'glue.seamGapMm': 'Seam: between blanks',
    'glue.seamMost': 'Seam: most an hour',
    'glue.seamSetupS': 'Seam: setting up',
    'glue.autoBottomSpeed': 'Self-opening bottom: belts, m a minute',
    'glue.autoBottomGapMm': 'Self-opening bottom: between blanks',
    'glue.autoBottomMost': 'Self-opening bottom: most an hour',
    'glue.autoBottomSetupS': 'Self-opening bottom: setting up',
    'glue.fourCornerSpeed': 'Four corners: belts, m a minute',
    'glue.fourCornerGapMm': 'Four corners: between blanks',
    'glue.fourCornerMost': 'Four corners: most an hour',
    'glue.fourCornerSetupS': 'Four corners: setting up',
  },
  findings: {
    'glue.tooSmall': {
      title: (a) => `Too small for the gluer: panel ${said(a['panelMm'])} mm, blank ${said(a['blankMm'])} mm`,
      says: (a) => `Its belts hold panels from ${said(a['leastPanel'])} mm and blanks from ${said(a['leastBlank'])} mm on.`,
    },
    'glue.coldOnCoat': {
      title: () => 'Cold glue on a coat that was not tried',
      says: () => 'The joint opens. Keep the coat off the seam, try it, or take hot-melt.',
    },
  },
  remedies: { 'remedy.hotMelt': () => 'Hot-melt' },
};
