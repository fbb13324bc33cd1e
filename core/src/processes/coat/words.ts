import type { KindWords } from '../../words/kind-words';

export const COAT_WORDS: KindWords = {
  names: { coat: 'Coating under lamps' },
  labels: {
    coatKind: 'Coat',
    coatMass: 'Coat needed',
    coatForm: 'Form of the coat',
    coatFormWindow: 'one for all forms of the die, with windows',
    coatFormFull: 'full, no windows',
    dryBefore: 'Ink beneath',
    dryOxidised: 'dries by the air, free of wax: coat not before it is through',
    dryByLamp: 'dry by lamps already',
    coatWindows: 'Free of coat, on every blank',
    'drawing.coat': 'sheet under the coat',
    'figure.coatKg': 'coat',
    'figure.coatCost': 'coat',
    'figure.formCost': 'form',
  },
  formulas: {
    'coat.kg': {
      name: 'Coat',
      reads: 'sheets × area of the blanks less their windows × film',
      terms: { sheets: 'sheets', areaMm2: 'coated area', gPerM2: 'film, g a m²' },
    },
  },
  practiceRooms: { coat: 'Coating under lamps' },
  practice: {
    'coat.setupSheets': 'Setup',
    'coat.againSheets': 'Setup for another form with the same coat',
    'coat.againS': 'Setting up for another form with the same coat',
    'coat.runningPpm': 'Running loss',
    'coat.samples': 'Samples',
    'coat.gPerM2': 'Film of the coat, wet, g a m²',
    'coat.waitS': 'Ink dries before it is coated',
    'coat.pricePerKg': 'Price of a kilogram of coat',
    'coat.formPrice': 'Price of the coat’s form',
  },
};
