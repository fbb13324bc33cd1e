import { JobSpecSchema } from '../door';
import { shortNovel } from '../line-6.fixture';
import { LINDMOOR } from '../line-1.fixture';
import type { PaperbackWish } from '../../families/paperback-wish';
import type { Plant } from '../../plant/plant';
import type { JobSpec, Settings } from '../../product/job-spec';

/* Softcover books that fire a finding of line 6, and such as do not. */

type Case = { spec: JobSpec; plant?: Plant };
const book = (wish: PaperbackWish = {}, choices: Partial<JobSpec['choices']> = {}): Case => ({
  spec: JobSpecSchema.parse(shortNovel(wish, choices)),
});
const set = (settings: Settings, wish: PaperbackWish = {}): Case => book(wish, { settings: { 'book.text.bind': settings } });
const novel = book();
/** The works with its binder changed, or what it goes by. */
const binder = (limits: Record<string, number>, practice: Plant['practice'] = {}): Plant => {
  const machine = LINDMOOR.machines['binder1'];
  if (!machine) throw new Error('the demo has a binder');
  return {
    ...LINDMOOR,
    practice: { ...LINDMOOR.practice, ...practice },
    machines: { ...LINDMOOR.machines, binder1: { ...machine, limits: { ...machine.limits, ...limits } } },
  };
};
const laminator = (filmMm: number): Plant => {
  const machine = LINDMOOR.machines['laminator1'];
  if (!machine) throw new Error('the demo has a laminator');
  return { ...LINDMOOR, machines: { ...LINDMOOR.machines, laminator1: { ...machine, limits: { filmMm } } } };
};
const mm = (value: number): Plant['practice'][string] => ({ value, pm: 0, unit: 'mm', tag: 'practice', source: 'this works' });

export const PAPERBACK_CASES = {
  'bind.countNotSaid': { level: 'release', fires: book({ insertCounted: undefined }), silent: novel },
  'bind.insertInside': {
    level: 'decide',
    fires: book({ insertAfter: 130, twoUp: 'none' }),
    silent: book({ insertAfter: 128, twoUp: 'none' }),
  },
  'bind.pairsUnlike': { level: 'release', fires: book({ insertAfter: 128 }), silent: book({ insertAfter: 128, twoUp: 'headToFoot' }) },
  'bind.notTwoUp': { level: 'release', fires: book({ pages: 276, insertPages: undefined }), silent: novel },
  'bind.tooLong': {
    level: 'release',
    fires: { ...novel, plant: binder({ bindLengthMm: 404 }) },
    silent: { ...novel, plant: binder({ bindLengthMm: 405 }) },
  },
  'bind.feedersShort': {
    level: 'release',
    fires: { ...novel, plant: binder({ feeders: 18 }) },
    silent: { ...novel, plant: binder({ feeders: 19 }) },
  },
  'bind.thickness': { level: 'release', fires: book({ pages: 32, insertPages: undefined }), silent: novel },
  'bind.otherwise': { level: 'know', fires: book({ dummyMm: 41 }), silent: novel },
  'bind.spineByCatalogue': { level: 'decide', fires: book({ artSpineMm: 17 }), silent: book({ artSpineMm: 17, dummyMm: 16.4 }) },
  'bind.spineMoved': {
    level: 'decide',
    fires: {
      ...book({}, { stock: { 'book.text': 'thinner70-540x810' } }),
      plant: { ...LINDMOOR, stocks: { ...LINDMOOR.stocks, 'thinner70-540x810': thinner() } },
    },
    silent: novel,
  },
  'bind.dummyOff': { level: 'decide', fires: book({ dummyMm: 13.3 }), silent: book({ dummyMm: 16.9 }) },
  'bind.coatedInsert': { level: 'decide', fires: novel, silent: book({ adhesive: 'pur' }) },
  'bind.loneFour': {
    level: 'decide',
    fires: set({ sections: `4 ${Array(16).fill(16).join(' ')}` }, { pages: 260, twoUp: 'none' }),
    silent: book({ pages: 260, twoUp: 'none' }),
  },
  'bind.conveyorShort': {
    level: 'decide',
    fires: { ...novel, plant: binder({ conveyorM: 20 }) },
    silent: { ...novel, plant: binder({ conveyorM: 24.6 }) },
  },
  'bind.flapsTwoUp': { level: 'release', fires: book({ flapMm: 80 }), silent: book({ flapMm: 80, twoUp: 'none' }) },
  'bind.pagesOdd': { level: 'release', fires: book({ pages: 286 }), silent: novel },
  'laminate.tooWide': {
    level: 'release',
    fires: { ...book({ lamination: 'matt' }), plant: laminator(540) },
    silent: { ...book({ lamination: 'matt' }), plant: laminator(560) },
  },
  'threeKnife.trimCannot': {
    level: 'release',
    fires: { ...novel, plant: binder({}, { 'bind.headMm': mm(0.5) }) },
    silent: novel,
  },
};

/** The same paper on another sheet, thinner than its card says elsewhere: the cover is drawn by the first card of its grade. */
function thinner(): Plant['stocks'][string] {
  const stock = LINDMOOR.stocks['bookwove70-540x810'];
  if (!stock) throw new Error('the demo has a book paper');
  return { ...stock, caliperUm: 100, price: [[0, 1]] };
}
