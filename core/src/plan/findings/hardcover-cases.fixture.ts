import { JobSpecSchema } from '../door';
import { LINDMOOR } from '../line-1.fixture';
import { pocketHerbal } from '../line-7.fixture';
import type { HardcoverWish } from '../../families/hardcover-wish';
import type { Plant } from '../../plant/plant';
import type { JobSpec } from '../../product/job-spec';

/* Sewn books that fire a finding of line 7, and such as do not. */

type Case = { spec: JobSpec; plant?: Plant };
const book = (wish: HardcoverWish = {}, choices: Partial<JobSpec['choices']> = {}): Case => ({
  spec: JobSpecSchema.parse(pocketHerbal(wish, choices)),
});
const herbal = book();
const sections = (set: string, wish: HardcoverWish = {}): Case => book(wish, { settings: { 'hardback.text.gather': { sections: set } } });
const title = (widthMm: number): HardcoverWish => ({ titles: { t1: { name: 'Herbal', place: 'spine', widthMm, heightMm: 80 } } });
/** The works with one of its machines changed. */
const machine = (id: string, limits: Record<string, number>): Plant => {
  const card = LINDMOOR.machines[id];
  if (!card) throw new Error(`the demo has ${id}`);
  return { ...LINDMOOR, machines: { ...LINDMOOR.machines, [id]: { ...card, limits: { ...card.limits, ...limits } } } };
};

export const HARDCOVER_CASES = {
  'gather.feedersShort': {
    level: 'release',
    fires: { ...herbal, plant: machine('gatherer1', { feeders: 7 }) },
    silent: { ...herbal, plant: machine('gatherer1', { feeders: 8 }) },
  },
  'gather.pagesOdd': { level: 'release', fires: book({ pages: 254 }), silent: herbal },
  'sew.loneFour': {
    level: 'decide',
    fires: sections(`4 ${Array(8).fill(32).join(' ')}`, { pages: 260 }),
    silent: book({ pages: 260 }),
  },
  // 32 leaves of 0.104 by a section of 64 do not fold: a thin section of two leaves is what is not sewn.
  'sew.sectionThick': { level: 'release', fires: sections(`4 ${Array(8).fill(32).join(' ')}`, { pages: 260 }), silent: herbal },
  'sew.tooLong': {
    level: 'release',
    fires: { ...herbal, plant: machine('sewer1', { bindLengthMm: 157 }) },
    silent: { ...herbal, plant: machine('sewer1', { bindLengthMm: 158 }) },
  },
  'block.thickness': {
    level: 'decide',
    fires: book({ pages: 128, titles: {} }),
    silent: book({ pages: 128, spineForm: 'flat', titles: {} }),
  },
  'case.stripMoved': {
    level: 'decide',
    fires: { ...book({}, { stock: { 'hardback.text': 'thinner80-920x1300' } }), plant: thinner() },
    silent: herbal,
  },
  'case.measuredOff': { level: 'start', fires: book({ measuredMm: 13.2 }), silent: book({ measuredMm: 14.6 }) },
  'rest.short': {
    level: 'start',
    fires: book({}, { settings: { 'hardback.text.caseIn': { pressS: 3_600 } } }),
    silent: book({}, { settings: { 'hardback.text.caseIn': { pressS: 43_200 } } }),
  },
  'case.clothShort': { level: 'release', fires: book({ clothMm: 262.763 }), silent: book({ clothMm: 265.7 }) },
  'titleFoil.tooWide': { level: 'decide', fires: book(title(14)), silent: book(title(11.7)) },
};

/** The same paper on another card, thinner than the first of its grade, by which the case is drawn. */
function thinner(): Plant {
  const stock = LINDMOOR.stocks['textwove80-920x1300'];
  if (!stock) throw new Error('the demo has a text paper');
  return { ...LINDMOOR, stocks: { ...LINDMOOR.stocks, 'thinner80-920x1300': { ...stock, caliperUm: 98, price: [[0, 1]] } } };
}
