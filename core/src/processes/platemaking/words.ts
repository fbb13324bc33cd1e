import type { KindWords } from '../../words/kind-words';

export const PLATEMAKING_WORDS: KindWords = {
  names: {
    platemaking: 'Plates',
  },
  labels: {
    sectionsOnForm: 'Sections',
    pageSize: 'Page, trimmed',
    creepCure: 'Against creep',
    'cure.shift': 'shifted to the spine, as listed',
    'cure.squeeze': 'squeezed, as listed',
    'cure.none': 'nothing',
    creepList: 'Creep',
    backMarks: 'Marks on the spine folds',
    coatForm: 'Form of the coat',
    formBoth: 'Form, both sides',
    formFront: 'Form, front',
    formBack: 'Form, back',
    imaging: 'Imaging',
    imagingEach: 'Time a plate',
  },
  formulas: {
    'platemaking.platesInAll': { name: 'Plates', reads: 'the plates of all forms together' },
  },
};
