import type { KindWords } from '../../words/kind-words';

export const FOLD_SECTIONS_WORDS: KindWords = {
  names: { foldSections: 'Folding sections' },
  labels: {
    sectionPages: 'Pages',
    flatSize: 'Flat size',
    foldStops: 'Stops, in order',
    lap: 'Lap',
    lapNone: 'none: suckers open it',
    flatsIn: 'Flats in',
    laidUp: 'Laid on the feeder',
    firstFolio: 'First page',
    lastFolio: 'Last page',
    centreSpread: 'Open in the middle',
    lapCode: 'Code in the lap',
    controlEvery: 'One held against the first every',
    stations: 'Stations',
    'drawing.folds': 'folds',
  },
  practiceRooms: { sections: 'Sections' },
  practice: {
    'sections.oneFoldGsm': 'Heaviest paper for one fold',
    'sections.twoFoldsGsm': 'Heaviest paper for two folds',
    'sections.threeFoldsGsm': 'Heaviest paper for three folds',
    'sections.fourFoldsGsm': 'Heaviest paper for four folds',
    'sections.perStationS': 'Setting a station',
    'sections.controlEvery': 'A section held against the first every',
  },
};
