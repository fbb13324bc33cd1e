import { said } from '../../words/format';
import type { KindWords } from '../../words/kind-words';

export const ADHESIVE_BIND_WORDS: KindWords = {
  names: { adhesiveBind: 'Gathering, adhesive binding' },
  labels: {
    boundAs: 'Bound',
    'bound.none': 'one book at a time',
    'bound.comeAndGo': 'two-up, come-and-go',
    'bound.headToFoot': 'two-up, head to foot',
    adhesive: 'Adhesive',
    hotMelt: 'hot-melt',
    pur: 'PUR',
    dispersion: 'dispersion',
    spineFolds: 'Folds at the spine',
    milled: 'milled off',
    notched: 'notched',
    spineWorked: 'Folds at the spine',
    blockThick: 'Block',
    spineWide: 'Spine',
    bindLength: 'Length in the binder',
    cooling: 'Cooling',
    conveyor: 'Conveyor needed',
    glueFilm: 'Glue film',
    glueMass: 'Glue',
    clampOpens: 'Clamp opens',
    scorePlaces: 'Cover scored at',
    coverPiece: 'Cover piece',
    faceBefore: 'Face trimmed',
    glueHeat: 'Heat of the glue',
    hopperOrder: 'Hoppers',
    'figure.glueCost': 'glue',
    'drawing.gatherer and binder': 'gatherer and binder',
    'drawing.cover spread': 'cover spread',
  },
  practiceRooms: { bind: 'Adhesive binding' },
  practice: {
    'bind.setupCycles': 'Setup',
    'bind.runningPpm': 'Running loss',
    'bind.samples': 'Samples',
    'bind.perFeederS': 'Setting a hopper',
    'bind.feeders': 'Hoppers',
    'bind.leastMm': 'Thinnest block',
    'bind.mostMm': 'Thickest block',
    'bind.stitchedToMm': 'Could be stitched up to',
    'bind.sewnFromMm': 'Better sewn from',
    'bind.lengthMm': 'Longest block',
    'bind.faceMm': 'Trim at the face',
    'bind.headMm': 'Trim at the head',
    'bind.footMm': 'Trim at the foot',
    'bind.grindMm': 'Milled off the folds',
    'bind.notchMm': 'Off the folds, notched',
    'bind.sawMm': 'Saw cut between two books',
    'bind.glueMm': 'Glue between block and cover',
    'bind.filmMm': 'Glue film, hot-melt',
    'bind.purFilmMm': 'Glue film, PUR',
    'bind.glueGPerCm3': 'Glue, grams a cubic centimetre',
    'bind.gluePricePerKg': 'Price of a kilogram of hot-melt',
    'bind.purPricePerKg': 'Price of a kilogram of PUR',
    'bind.hotMeltCoolS': 'Cooling, hot-melt',
    'bind.purCoolS': 'Cooling, PUR',
    'bind.purShipS': 'PUR cures before it is shipped',
    'bind.pitchMm': 'From book to book on the conveyor',
    'bind.bulkShare': 'Bulk may be off the catalogue by',
    'bind.dummyOffShare': 'Dummy may be off by',
    'bind.spineOffMm': 'Cover’s spine may be off the block by',
    'bind.scoreBesideMm': 'Score beside the spine',
  },
  formulas: {
    'adhesiveBind.books': { name: 'Books', reads: 'blocks × books in a block', terms: { cycles: 'blocks', books: 'books in a block' } },
  },
  findings: {
    'bind.countNotSaid': {
      title: (a) => `Are ${said(a['pages'], 0)} pages with the insert, or without?`,
      says: (a) => `${said(a['insert'], 0)} pages hang on it. Until it is said they are counted beside.`,
    },
    'bind.insertInside': {
      title: (a) => `After ${said(a['after'], 0)} falls inside section ${said(a['section'], 0)}`,
      says: (a) => `An insert stands between sections: after ${String(a['places'])}. It is planned behind the section.`,
    },
    'bind.pairsUnlike': {
      title: (a) =>
        `${String(a['what'])} in place ${said(a['place'], 0)} of ${said(a['all'], 0)} needs its like in place ${said(a['other'], 0)}`,
      says: () =>
        'Come-and-go, a fold turned end for end is the one as far from the other end of the book: they have the same pages and paper.',
    },
    'bind.notTwoUp': {
      title: (a) => `Two-up cannot be with ${String(a['made'])}`,
      says: () =>
        'The sections as far from either end are unlike, or no sheet holds two copies as one length. It is planned one book at a time.',
    },
    'bind.tooLong': {
      title: (a) => `${said(a['lengthMm'])} mm on ${said(a['mostMm'])}: ${said(a['overMm'])} over`,
      says: () => 'The binder does not take so long a block; what the sheet leaves is counted.',
    },
    'bind.feedersShort': {
      title: (a) => `${said(a['sections'], 0)} sections on ${said(a['feeders'], 0)} hoppers`,
      says: () => 'Larger sections, or gather in two goes.',
    },
    'bind.thickness': {
      title: (a) => `Block ${said(a['blockMm'], 2)} mm`,
      says: (a) =>
        `Adhesive holds ${said(a['least'], 0)} to ${said(a['most'], 0)} mm here. Thinner is stitched, thicker is sewn or parted into volumes.`,
    },
    'bind.otherwise': {
      title: (a) => `Block ${said(a['blockMm'], 2)} mm: may be ${String(a['way'])}`,
      says: (a) =>
        a['way'] === 'stitched'
          ? 'So thin a book is held by wire too, for less.'
          : 'So thick a book lasts and opens better where it is sewn.',
    },
    'bind.spineByCatalogue': {
      title: (a) => `Spine ±${said(a['offMm'], 1)} mm: dummy first`,
      says: (a) =>
        `The cover is drawn for ${said(a['artMm'], 2)}, the plan says ${said(a['spineMm'], 2)}; the bulk is the catalogue’s, no dummy was measured.`,
    },
    'bind.spineMoved': {
      title: (a) => `The paper makes a spine of ${said(a['spineMm'], 2)} mm, the cover one of ${said(a['laidMm'], 2)}`,
      says: () => 'Take the block as it is now, and the cover follows.',
    },
    'bind.dummyOff': {
      title: (a) => `Dummy ${said(a['dummyMm'], 2)} mm, plan ${said(a['reckonedMm'], 2)}: the dummy counts`,
      says: () => 'The caliper of the plan is not that of this paper: measure a lot.',
    },
    'bind.coatedInsert': {
      title: (a) => `${String(a['what'])} is gloss coated: leaves pull out`,
      says: () => 'Hot-melt holds a gloss coating badly. PUR holds it.',
    },
    'bind.loneFour': {
      title: () => 'Four pages alone at an end of the book',
      says: () => 'They tear off. Second last they hold, or 12 + 8 in their place.',
    },
    'bind.conveyorShort': {
      title: (a) => `${said(a['hasM'], 1)} m cool too short for ${said(a['coolingS'], 0)} s: ${said(a['perHour'], 0)} an hour`,
      says: (a) => `${said(a['needsM'], 1)} m would be needed at full rate. The line runs as fast as a book cools.`,
    },
    'bind.flapsTwoUp': {
      title: () => 'Flaps run one book at a time',
      says: () => 'They are folded in after the face and before head and foot are cut.',
    },
    'bind.pagesOdd': {
      title: (a) => `${said(a['pages'], 0)} pages of text: ${said(a['blanks'], 0)} blank, or drop ${said(a['drop'], 0)}`,
      says: () => 'Folded sections have a multiple of four pages. The blanks stand at the end of the text.',
    },
  },
  remedies: {
    'remedy.insertBeside': (a) => `${said(a['pages'], 0)} of text, ${said(a['insert'], 0)} beside`,
    'remedy.insertIn': (a) => `${said(a['insert'], 0)} within ${said(a['pages'], 0)}`,
    'remedy.insertAfter': (a) => `Insert after ${said(a['page'], 0)}`,
    'remedy.headToFoot': () => 'Two-up, head to foot',
    'remedy.oneUp': () => 'One book at a time',
    'remedy.blockMeasured': () => 'Cover for the block as it is now',
    'remedy.pur': () => 'Bind with PUR',
  },
};
