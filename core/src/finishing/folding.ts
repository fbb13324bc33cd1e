import type { Formula } from '../quantity/figure';
import { ceilTolerant } from '../quantity/round-tolerant';

/** Cycles an hour of a belt-driven machine: belt speed / (length in running direction + gap). Source: geometry of a belt. */
export const BELT_RATE: Formula<'beltMmPerS' | 'lengthMm' | 'gapMm'> = {
  id: 'finishing.beltRate',
  unit: '1/h',
  source: 'geometry of a belt',
  of: ({ beltMmPerS, lengthMm, gapMm }) => (3600 * beltMmPerS) / (lengthMm + gapMm),
};
/** The slower of what the machine runs and what the belt allows. */
export const SLOWEST: Formula = {
  id: 'finishing.slowest',
  unit: '1/h',
  source: 'the line runs the smallest rate; common practice, no source',
  of: (t) => Math.min(...Object.values(t)),
};
/** Panels of an open sheet after parallel folds. */
export const PANELS: Formula<'folds'> = { id: 'finishing.panels', unit: '1', source: 'geometry', of: ({ folds }) => folds + 1 };
/** Folded width when nothing else was typed: open width in equal panels. */
export const FOLDED_WIDTH: Formula<'openMm' | 'panels'> = {
  id: 'finishing.foldedWidth',
  unit: 'mm',
  source: 'geometry',
  of: ({ openMm, panels }) => openMm / panels,
};
/** Thickness of a folded piece: panels × caliper. Source: geometry, pressed flat. */
export const FOLDED_THICKNESS: Formula<'panels' | 'caliperUm' | 'extraUm'> = {
  id: 'finishing.foldedThickness',
  unit: 'µm',
  source: 'geometry, pressed flat',
  of: ({ panels, caliperUm, extraUm }) => panels * caliperUm + extraUm,
};
/** Mass of one finished piece. */
export const PIECE_MASS: Formula<'widthMm' | 'heightMm' | 'gsm' | 'extraKg'> = {
  id: 'finishing.pieceMass',
  unit: 'kg',
  source: 'definition of grammage (ISO 536)',
  of: (t) => (t.widthMm * t.heightMm * t.gsm) / 1e9 + t.extraKg,
};
/** People-seconds of handwork. Formula: pieces × seconds × (1 + rest). Source: common practice, no source. */
export const HANDS_TIME: Formula<'pieces' | 'secondsEach' | 'rest'> = {
  id: 'finishing.handsTime',
  unit: 's',
  source: 'seconds a piece × (1 + rest); common practice, no source',
  of: ({ pieces, secondsEach, rest }) => pieces * secondsEach * (1 + rest),
};
/** Time on the clock with several people at the bench. */
export const CLOCK_TIME: Formula<'handsS' | 'people'> = {
  id: 'finishing.clockTime',
  unit: 's',
  source: 'arithmetic',
  of: ({ handsS, people }) => handsS / Math.max(people, 1),
};
/** Seconds of work on one piece: the sum of what is put on. */
export const SECONDS_EACH: Formula = {
  id: 'finishing.secondsEach',
  unit: 's',
  source: 'arithmetic',
  of: (t) => Object.values(t).reduce((a, b) => a + b, 0),
};
/** Bands, cartons, pallets: full ones and a last one that may be short. */
export const PACKS: Formula<'pieces' | 'perPack'> = {
  id: 'finishing.packs',
  unit: '1',
  source: 'arithmetic; the last one may be short',
  of: ({ pieces, perPack }) => ceilTolerant(pieces / Math.max(perPack, 1)),
};
