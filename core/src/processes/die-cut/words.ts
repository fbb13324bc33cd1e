import { said } from '../../words/format';
import type { KindWords } from '../../words/kind-words';

export const DIE_CUT_WORDS: KindWords = {
  names: { dieCut: 'Die-cutting', dieBlank: 'Die-cutting and blanking' },
  labels: {
    separate: 'Blanks come out',
    blanking: 'in the press',
    hammer: 'by hand, with a hammer',
    cutMetres: 'Cutting rules',
    creaseMetres: 'Creasing rules',
    dieForce: 'Force',
    dieLoad: 'Of the press’s rating',
    creaseRule: 'Creasing rule',
    nicks: 'Nicks',
    rubber: 'Rubber',
    skeleton: 'Skeleton',
    'figure.skeletonKg': 'skeleton of the sheets',
    'figure.die.cost': 'die',
    dieNumber: 'Die',
    sameEdge: 'Gripper edge and lay',
    sameEdgeAsPrinted: 'the same as in print, foil and embossing',
    firstKnife: 'First knife',
    dieBox: 'Box of the die',
    printToDie: 'Print to die',
    channels: 'Channels of the counter plate',
    frontPanel: 'Front',
    firstSide: 'First side',
    backPanel: 'Back',
    lastSide: 'Last side',
    bodyHeight: 'Body, crease to crease',
    lidPanel: 'Lid',
    basePanel: 'Base, length',
    endWall: 'Walls',
    longWall: 'Base between flaps',
  },
  formulas: {
    'dieCut.dies': { name: 'Dies', reads: 'one a form', terms: { each: 'a form' } },
    'dieCut.blanksCut': { name: 'Blanks cut', reads: 'sheets × places', terms: { sheets: 'sheets', places: 'places' } },
    'dieCut.skeleton': {
      name: 'Skeleton',
      reads: 'mass of the sheets − mass of the blanks',
      terms: { sheets: 'sheets', blanks: 'blanks' },
    },
  },
  practiceRooms: { dieCut: 'Die-cutting' },
  practice: {
    'dieCut.setupSheets': 'Setup',
    'dieCut.runningPpm': 'Running loss',
    'dieCut.samples': 'Samples',
    'dieCut.blankingS': 'Setting the blanking grid',
    'dieCut.cutNPerMm': 'Force a mm of cutting rule, N',
    'dieCut.creaseNPerMm': 'Force a mm of creasing rule, N',
    'dieCut.reserve': 'Force for uneven bedding, times',
    'dieCut.rubberFactor': 'Force for the rubber, times',
    'dieCut.rubberTimes': 'Rubber, times the cutting rules',
    'dieCut.lifeCycles': 'Life of a die',
    'dieCut.leadDays': 'Days until a die is there',
    'dieCut.printToDieMm': 'Print to die, held',
    'dieCut.pricePerMetre': 'Price of a metre of rule',
    'dieCut.platesPrice': 'Price of plate, frame and grid',
  },
  findings: {
    'die.force': {
      title: (a) => `${said(a['kn'], 0)} kN on ${said(a['rated'], 0)}`,
      says: () => 'Less lies on the press with fewer places, or on a larger press.',
    },
    'die.offCentre': {
      title: (a) => `The die’s load lies ${said(a['percent'], 0)} % of the bed off its middle`,
      says: (a) =>
        `${said(a['acrossMm'], 0)} mm across and ${said(a['alongMm'], 0)} mm along: the plate tilts. Turn the layout or balance with dead rules.`,
    },
    'blank.gapNarrow': {
      title: (a) => `${said(a['gapMm'])} mm between blanks`,
      says: (a) => `Waste narrower than ${said(a['least'])} mm breaks in the stripper.`,
    },
    'blank.bleed': {
      title: (a) => `Bleed of ${said(a['has'])} mm between blanks`,
      says: (a) => `The die wanders: ${said(a['asked'])} mm are asked on either side.`,
    },
    'gripper.costsBlanks': {
      title: (a) => `${a['machine']} grips ${said(a['gripperMm'])} mm: ${said(a['now'], 0)} up`,
      says: (a) => `The press grips ${said(a['pressMm'])} mm; with that there would be ${said(a['better'], 0)}.`,
    },
    'carton.tuckLong': {
      title: (a) => `The tuck of ${said(a['tuckMm'])} mm is too long`,
      says: (a) => `Inside the carton there is room for ${said(a['mostMm'])} mm.`,
    },
    'carton.flapWide': {
      title: (a) => `The glue flap of ${said(a['flapMm'])} mm is too wide`,
      says: (a) => `More than half the side it is glued to: ${said(a['mostMm'])} mm at most.`,
    },
    'carton.autoBottomShort': {
      title: (a) => `The bottom cannot open by itself: the front is ${said(a['lengthMm'])} mm`,
      says: (a) => `It wants ${said(a['leastMm'])} mm or more, as its flaps would lie over one another.`,
    },
    'carton.rowsApart': {
      title: (a) => `Rows cannot reach into one another: ${said(a['now'], 0)} up`,
      says: (a) =>
        `${said(a['reliefMm'])} mm stand beside the tuck; with ${said(a['leastMm'])} mm there are ${said(a['better'], 0)} on the sheet.`,
    },
  },
  remedies: {
    'remedy.fewerUp': () => 'Ask planning for fewer places or a larger press',
    'remedy.tuck': (a) => `A tuck of ${said(a['value'])} mm`,
    'remedy.flap': (a) => `A glue flap of ${said(a['value'])} mm`,
    'remedy.snapLock': () => 'A snap-lock bottom',
    'remedy.relief': (a) => `${said(a['value'])} mm beside the tuck`,
  },
};
