import { JobSpecSchema } from '../door';
import { ferryTimetable } from '../line-3.fixture';
import { LINDMOOR } from '../line-1.fixture';
import type { BookletWish } from '../../families/booklet-wish';
import type { Plant } from '../../plant/plant';
import type { JobSpec, Settings } from '../../product/job-spec';

/* Booklets that fire a finding of line 3, and such as do not. */

type Case = { spec: JobSpec; plant?: Plant };
const booklet = (wish: BookletWish = {}, choices: Partial<JobSpec['choices']> = {}): Case => ({
  spec: JobSpecSchema.parse(ferryTimetable(wish, choices)),
});
const STITCHER = 'booklet.text.stitch';
const set = (settings: Settings): Case => booklet({}, { settings: { [STITCHER]: settings } });
const timetable = booklet();

/** The works with a machine or a stock changed. */
const stitcher = (limits: Record<string, number>): Plant => {
  const machine = LINDMOOR.machines['stitcher1'];
  if (!machine) throw new Error('the demo has a stitcher');
  return { ...LINDMOOR, machines: { ...LINDMOOR.machines, stitcher1: { ...machine, limits: { ...machine.limits, ...limits } } } };
};
const papers = (change: Record<string, unknown>): Plant => ({
  ...LINDMOOR,
  stocks: Object.fromEntries(Object.entries(LINDMOOR.stocks).map(([id, s]) => [id, id === 'matt100-700x1000' ? { ...s, ...change } : s])),
});
const on = (plant: Plant): Case => ({ ...timetable, plant });

export const BOOKLET_CASES = {
  'stitch.tooThick': { level: 'release', fires: booklet({ pages: 160 }), silent: timetable },
  'stitch.adhesiveToo': { level: 'know', fires: booklet({ pages: 96 }), silent: timetable },
  'stitch.feedersShort': { level: 'release', fires: on(stitcher({ feeders: 3 })), silent: timetable },
  'stitch.lapOther': { level: 'start', fires: set({ lapOn: 'low' }), silent: set({ lapOn: 'high' }) },
  'stitch.creepCuts': {
    level: 'decide',
    fires: booklet({ cure: 'none', outerMm: 4 }),
    silent: booklet({ cure: 'none', outerMm: 5 }),
  },
  'stitch.dummyOff': {
    level: 'decide',
    fires: booklet({ creep: 'dummy', dummyMm: 1.35 }),
    silent: booklet({ creep: 'dummy', dummyMm: 1.1 }),
  },
  'stitch.pullsOut': { level: 'know', fires: set({ sections: '16 12 8 4' }), silent: timetable },
  'stitch.spreadApart': { level: 'decide', fires: booklet({ spreads: '14' }), silent: booklet({ spreads: '10, 18, 22' }) },
  'stitch.nearKnife': { level: 'decide', fires: booklet({ stitchFromHeadMm: 12 }), silent: booklet({ stitchFromHeadMm: 15 }) },
  'stitch.pagesOdd': { level: 'release', fires: booklet({ pages: 46 }), silent: booklet({ pages: 48 }) },
  'sections.formEmpty': { level: 'decide', fires: booklet({ pages: 32 }), silent: timetable },
  'sections.cannot': { level: 'decide', fires: set({ sections: '32 8' }), silent: set({ sections: '8 16 16' }) },
  'sections.tooHeavy': { level: 'release', fires: on(papers({ gsm: 600, caliperUm: 600 })), silent: timetable },
  // So narrow a sheet holds a folded leaf across its grain only.
  'sections.acrossGrain': { level: 'decide', fires: on(papers({ widthMm: 260, lengthMm: 340 })), silent: timetable },
  'press.turnsNot': {
    level: 'release',
    fires: on(papers({ caliperUm: 420 })),
    silent: on(papers({ caliperUm: 340 })),
  },
};
