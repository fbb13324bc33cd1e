import type { KindWords } from '../../words/kind-words';

export const WIND_WORDS: KindWords = {
  names: { wind: 'Winding rolls' },
  labels: {
    lengthsWound: 'Lengths wound',
    rollLengthCut: 'Length of a roll',
    cutBy: 'Cut',
    lengthsAnHour: 'Lengths an hour',
    rateHeldBy: 'Held by',
    reels: 'Mother reels',
    lostAReel: 'Lengths lost a mother reel',
    lostAPaperRoll: 'Lengths lost a splice',
    setupLengths: 'Lengths to set up',
    rollDiameter: 'Diameter of a roll',
    tube: 'Tube',
    tubes: 'Tubes',
    printedSide: 'Printed side',
    reelsToWind: 'Reels in the order they are wound off, each from its outside',
    'figure.tubeCost': 'tubes',
    'setting.reelLengths': 'lengths lost a mother reel',
  },
  practiceRooms: { wind: 'Winding rolls' },
  practice: {
    'wind.metresPerMin': 'Web speed',
    'wind.changeS': 'From roll to roll',
    'wind.setupLengths': 'Lengths to set up',
    'wind.runningPpm': 'Running loss',
    'wind.reelLengths': 'Lengths lost a mother reel',
    'wind.reelS': 'Changing a mother reel',
    'wind.tapedM': 'Taped at a splice',
    'wind.mandrelMm': 'Mandrel, where there is no tube',
    'wind.tubePrice': 'Price of a tube',
  },
  formulas: {
    'stock.reelMetres': {
      name: 'Metres on a mother reel',
      reads: 'the least of what is taken, down to whole lengths',
      terms: { lengthM: 'a length', byDiameter: 'by diameter', byMass: 'by mass', set: 'as set' },
    },
    'stock.metresOfMass': { name: 'Metres by mass', reads: 'mass ÷ mass of a metre', terms: { kg: 'mass', metreKg: 'mass of a metre' } },
    'stock.spliceLengths': {
      name: 'Lengths lost at a splice',
      reads: '⌈taped ÷ length⌉ + 1',
      terms: { tapedM: 'taped', lengthM: 'a length' },
    },
    'finishing.woundAnHour': {
      name: 'Lengths an hour',
      reads: 'the least of what the winder is rated for and 3,600 ÷ (length ÷ speed + change)',
      terms: { lengthM: 'a length', metresPerMin: 'metres a minute', changeS: 'from roll to roll', rated: 'rated' },
    },
    'stock.woundDiameter': {
      name: 'Diameter of a roll',
      reads: '√(core² + 4 × length × caliper ÷ π)',
      terms: { lengthM: 'length', coreMm: 'core', caliperUm: 'caliper' },
    },
  },
};
