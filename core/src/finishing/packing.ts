import type { Formula } from '../quantity/figure';
import { floorTolerant } from '../quantity/round-tolerant';

/** Pieces in a carton one person can lift, the empty carton with them: as set, else by mass and by room (stacks side by side × height), in whole bands. */
export const PER_CARTON: Formula<'set' | 'limitKg' | 'emptyKg' | 'pieceKg' | 'perBand' | 'stacks' | 'heightMm' | 'thicknessMm'> = {
  id: 'finishing.perCarton',
  unit: 'piece',
  source: 'by mass and by room, whole bands; common practice, no source',
  of: ({ set, limitKg, emptyKg, pieceKg, perBand, stacks, heightMm, thicknessMm }) => {
    if (set >= 1) return Math.floor(set);
    const byMass = pieceKg > 0 ? floorTolerant(Math.max(limitKg - emptyKg, 0) / (pieceKg * perBand)) : Infinity;
    // A band is not parted between two stacks: whole ones in each.
    const byRoom = thicknessMm > 0 && stacks > 0 ? stacks * floorTolerant(heightMm / (thicknessMm * perBand)) : Infinity;
    const bands = Math.min(byMass, byRoom);
    return (Number.isFinite(bands) ? Math.max(bands, 1) : 1) * perBand;
  },
};
export const CARTON_KG: Formula<'pieces' | 'pieceKg' | 'emptyKg'> = {
  id: 'finishing.cartonKg',
  unit: 'kg',
  source: 'arithmetic',
  of: ({ pieces, pieceKg, emptyKg }) => pieces * pieceKg + emptyKg,
};
/** Cartons a layer: as many as fit the pallet flat. */
export const PER_LAYER: Formula<'places'> = {
  id: 'finishing.perLayer',
  unit: 'case',
  source: 'exact guillotine-cuttable layout of the carton on the pallet',
  of: ({ places }) => Math.max(places, 1),
};
/** Layers: by height and by mass, at least one. */
export const LAYERS: Formula<'set' | 'heightMm' | 'palletMm' | 'cartonMm' | 'limitKg' | 'perLayer' | 'cartonKg'> = {
  id: 'finishing.layers',
  unit: '1',
  source: 'as set, else by height and by mass, the smaller; common practice, no source',
  of: (t) => {
    if (t.set >= 1) return Math.floor(t.set);
    const layerKg = t.perLayer * t.cartonKg;
    // At the lower end of a guess a carton may weigh nothing: then its height alone counts.
    const byMass = layerKg > 0 ? floorTolerant(t.limitKg / layerKg) : Infinity;
    return Math.max(Math.min(floorTolerant((t.heightMm - t.palletMm) / t.cartonMm), byMass), 1);
  },
};
export const PALLET_KG: Formula<'cartons' | 'cartonKg' | 'emptyKg'> = {
  id: 'finishing.palletKg',
  unit: 'kg',
  source: 'arithmetic',
  of: ({ cartons, cartonKg, emptyKg }) => cartons * cartonKg + emptyKg,
};
export const PALLET_HEIGHT: Formula<'layers' | 'cartonMm' | 'palletMm'> = {
  id: 'finishing.palletHeight',
  unit: 'mm',
  source: 'geometry',
  of: ({ layers, cartonMm, palletMm }) => layers * cartonMm + palletMm,
};
export const PER_PALLET: Formula<'perLayer' | 'layers'> = {
  id: 'finishing.perPallet',
  unit: 'case',
  source: 'arithmetic',
  of: ({ perLayer, layers }) => perLayer * layers,
};

/** What the last carton holds: what the full ones leave. Source: arithmetic. */
export const LAST_CARTON: Formula<'pieces' | 'cartons' | 'perCarton'> = {
  id: 'finishing.lastCarton',
  unit: 'piece',
  source: 'arithmetic',
  of: ({ pieces, cartons, perCarton }) => Math.max(pieces - Math.max(cartons - 1, 0) * perCarton, 0),
};
/** Layers that the highest pallet really has: of few cartons not all are filled. Source: arithmetic. */
export const LAYERS_LAID: Formula<'layers' | 'cartons' | 'perLayer'> = {
  id: 'finishing.layersLaid',
  unit: '1',
  source: 'arithmetic',
  of: ({ layers, cartons, perLayer }) => Math.min(layers, Math.ceil(cartons / Math.max(perLayer, 1) - 1e-9)),
};

/** Outer size of a carton and of a flat pallet (ISO 6780 lists 1200 × 800 mm), and their own mass, where the plant keeps no cards: typical, from memory. */
export const USUAL_CARTON = { name: 'carton 400 × 300 × 200', widthMm: 400, depthMm: 300, heightMm: 200, emptyKg: 0.4 } as const;
export const USUAL_PALLET = { name: 'flat pallet 1200 × 800', widthMm: 1200, depthMm: 800, heightMm: 144, emptyKg: 22 } as const;
