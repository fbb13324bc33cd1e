import type { FormulaWords } from '../kind-words';

/** Formulas of blanks that are die-cut, glued and stood in cases. */
export const BLANK_FORMULAS: Record<string, FormulaWords> = {
  'product.panel': {
    name: 'Panel',
    reads: 'inside + first hinge + second hinge − play',
    terms: { insideMm: 'inside', firstMm: 'first hinge adds', secondMm: 'second hinge adds', playMm: 'play' },
  },
  'layout.blanksUp': {
    name: 'Blanks up',
    reads: 'the better of a lattice and of rows turned in turn, by true outline',
    terms: { places: 'places' },
  },
  'layout.boxesUp': {
    name: 'As rectangles',
    reads: 'blanks that would lie beside one another by their boxes',
    terms: { places: 'places' },
  },
  'layout.blanksBound': {
    name: 'At most',
    reads: 'usable width × usable depth ÷ area of a blank, rounded down: no nest holds more',
    terms: { widthMm: 'usable width', depthMm: 'usable depth', areaMm2: 'area of a blank' },
  },
  'layout.blanksUse': {
    name: 'Sheet used',
    reads: 'blanks × their area ÷ area of the sheet',
    terms: { places: 'blanks', areaMm2: 'area of a blank', sheetWidthMm: 'sheet width', sheetHeightMm: 'sheet length' },
  },
  'layout.pitch': { name: 'From a blank to the next', reads: 'as near as their outlines let them', terms: { pitch: 'found by the nest' } },
  'form.dieMetres': { name: 'Rules of the die', reads: 'places × length a blank', terms: { places: 'places', eachMm: 'a blank' } },
  'form.dieMetresShared': {
    name: 'Rules of the die',
    reads: 'places × length a blank − what neighbours share',
    terms: { places: 'places', eachMm: 'a blank', commonMm: 'shared' },
  },
  'form.dieForce': {
    name: 'Force',
    reads: '(cut × force a mm + crease × force a mm) × bedding × rubber',
    terms: {
      cutMm: 'cut',
      creaseMm: 'crease',
      cutNPerMm: 'N a mm cut',
      creaseNPerMm: 'N a mm creased',
      reserve: 'for uneven bedding',
      rubber: 'for the rubber',
    },
  },
  'form.dieLoad': { name: 'Of the press’s rating', reads: 'force ÷ rating', terms: { forceKn: 'force', ratedKn: 'rating' } },
  'form.dieCost': {
    name: 'Die',
    reads: '(cut + crease) × price a metre + plate, frame and grid',
    terms: { cutM: 'cut', creaseM: 'crease', perMetre: 'a metre', plates: 'plate, frame and grid' },
  },
  'form.nicks': { name: 'Nicks', reads: 'places × ⌈outline ÷ 200 mm⌉', terms: { places: 'places', outlineMm: 'outline' } },
  'form.rubberMetres': { name: 'Rubber', reads: 'cutting rules × so many times', terms: { cutM: 'cutting rules', times: 'times' } },
  'finishing.standingMm': {
    name: 'Thickness, on edge',
    reads: '2 × caliper × how far it springs',
    terms: { caliperUm: 'caliper', springs: 'springs' },
  },
  'product.sleevePanel': {
    name: 'Panel of a sleeve',
    reads: 'tray + 2 × what stands out beside it',
    terms: { trayMm: 'tray', eitherMm: 'on either side' },
  },
  'product.sleeveStack': {
    name: 'Stack of a sleeve',
    reads: 'all that lies between two plies + play + board',
    terms: {
      trays: 'trays',
      linings: 'linings',
      booklets: 'booklets',
      foldedIn: 'panel folded in',
      play: 'play',
      board: 'board',
    },
  },
  'finishing.perCase': {
    name: 'Pieces a case',
    reads: 'a tier × tiers, or what a person may lift; by whole fifties',
    terms: { set: 'as set', aTier: 'a tier', tiers: 'tiers', limitKg: 'heaviest case', emptyKg: 'empty case', pieceKg: 'a piece' },
  },
  'finishing.gluerGross': {
    name: 'Blanks an hour, belts running',
    reads: 'the smaller of most and 60,000 × speed ÷ (blank + gap)',
    terms: { metresAMinute: 'm a minute', extentMm: 'blank along the belts', gapMm: 'gap', mostAnHour: 'most an hour' },
  },
  'finishing.gluerNet': {
    name: 'Blanks an hour',
    reads: 'belts running × share over a shift',
    terms: { gross: 'belts running', share: 'share' },
  },
  'finishing.beadMm': { name: 'Glue a blank, length', reads: 'each joint less 5 mm at either end' },
  'finishing.glueKg': {
    name: 'Glue',
    reads: 'length a blank × g a metre × blanks',
    terms: { beadMm: 'length a blank', gPerM: 'g a metre', blanks: 'blanks' },
  },
};
