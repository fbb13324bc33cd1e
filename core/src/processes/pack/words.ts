import { said } from '../../words/format';
import type { KindWords } from '../../words/kind-words';

export const PACK_WORDS: KindWords = {
  names: {
    band: 'Bands',
    pack: 'Packing',
  },
  labels: {
    onEdge: 'On edge, rows of',
    secondsABand: 'Seconds a band',
    pieceMass: 'Mass of a piece',
    cartonMass: 'Mass of a carton',
    layersLaid: 'Layers of the fullest',
    palletMass: 'A full pallet weighs',
    cartonsMass: 'All cartons, if full',
    lastCarton: 'In the last one',
  },
  formulas: {
    'pack.weighed': { name: 'Mass of a piece', reads: 'as reckoned where its papers were joined', terms: { each: 'one piece' } },
    'pack.pieceThickness': {
      name: 'Thickness in the carton',
      reads: '(panels × caliper + envelope) × air',
      terms: { panels: 'panels', caliperUm: 'caliper', envelopeUm: 'envelope', air: 'air between' },
    },
    'pack.stands': { name: 'Thickness in the case', reads: 'closed, with what lies in it and its film', terms: { closed: 'closed' } },
    'pack.shareOfLayer': {
      name: 'Share of its layer',
      reads: 'thickness of a layer ÷ pieces in it',
      terms: { layerMm: 'layer', pieces: 'pieces' },
    },
  },
  practiceRooms: {
    pack: 'Packing',
  },
  practice: {
    'pack.runningPpm': 'Running loss',
    'pack.springs': 'A glued piece springs open, times',
    'pack.bandS': 'Banding',
    'pack.cartonS': 'Filling a carton',
    'pack.palletS': 'Building a pallet',
    'pack.cartonKg': 'Heaviest carton',
    'pack.cartonPrice': 'Price of a carton',
    'pack.palletPrice': 'Price of a pallet',
    'pack.palletKg': 'Heaviest pallet',
    'pack.palletHeightMm': 'Highest pallet',
  },
  findings: {
    'pack.doesNotFit': {
      title: (a) => `The piece does not go into ${a['carton']}`,
      says: (a) =>
        `It measures ${said(a['widthMm'], 0)} × ${said(a['depthMm'], 0)} mm flat; the carton takes ${said(a['cartonWidthMm'], 0)} × ${said(a['cartonDepthMm'], 0)}.`,
    },
    'pallet.over': {
      title: (a) => `${said(a['kg'], 0)} kg and ${said(a['heightMm'], 0)} mm a pallet`,
      says: (a) => `The limit is ${said(a['limitKg'], 0)} kg and ${said(a['limitMm'], 0)} mm.`,
    },
  },
  remedies: {
    'remedy.otherCarton': (a) => `Pack into ${a['carton']}`,
    'remedy.largerCarton': () => 'Ask the store for a larger carton',
    'remedy.layer': () => 'One layer less',
  },
};
