import { changesBetween } from './change-over';
import { judge } from './judge';
import { OpenTime } from './open-time';
import { orderOfLinks } from './order-of-links';
import { followsFrom } from './overlap';
import { type Lane, moneyOf, type Problem, type Way, type Work } from './problem';
import { check } from './check';

const HOUR = 3600;
/** 8:00 of a day that begins at 0. */
const at = (hours: number, minutes = 0, seconds = 0): number => hours * HOUR + minutes * 60 + seconds;
const day = (n: number): readonly [number, number] => [n * 24 * HOUR + at(6), n * 24 * HOUR + at(22)];

describe('open time', () => {
  const time = new OpenTime([day(0), day(1), day(3)], 0);
  it.each([
    // clock, open seconds before it, by hand
    ['before the first hour', at(3), 0],
    ['at eight', at(8), at(2)],
    ['in the night', at(23), at(16)],
    ['the next morning', 24 * HOUR + at(7), at(17)],
    ['on a closed day', 2 * 24 * HOUR + at(12), at(32)],
  ])('%s', (_, clock, open) => {
    expect(time.openBefore(clock)).toBe(open);
  });
  it('ends in the evening what begins again in the morning, and is open for ever behind the last hours known', () => {
    expect([time.endOf(at(16)), time.startOf(at(16))]).toEqual([at(22), 24 * HOUR + at(6)]);
    expect(time.endOf(at(48) + 10)).toBe(3 * 24 * HOUR + at(22) + 10);
    expect(time.knownUntil).toBe(3 * 24 * HOUR + at(22));
  });
  it('finds a stretch in which a run need not pause', () => {
    expect(time.inOneGo(at(12), at(5))).toBe(at(16));
    expect(time.inOneGo(at(12), at(4))).toBe(at(12));
    expect(time.stretches(at(15), at(17))).toEqual([
      [at(21), at(22)],
      [24 * HOUR + at(6), 24 * HOUR + at(7)],
    ]);
  });
});

describe('overlap', () => {
  const open = new OpenTime([[0, 100 * HOUR]], 0);
  it('lets the follower of 8,000 sheets begin at 08:27: 08:22:30, 08:45 less 18 min, 09:00 less 36 min', () => {
    expect(followsFrom({ time: open, at: at(8), runS: HOUR }, 8_000, 3_000, 0, open, 2_880)).toBe(at(8, 27));
  });
  it('waits after every batch, and over a night of either machine', () => {
    expect(followsFrom({ time: open, at: at(8), runS: HOUR }, 8_000, 3_000, 600, open, 2_880)).toBe(at(8, 37));
    const early = new OpenTime(
      [
        [0, at(8, 30)],
        [at(30), at(40)],
      ],
      0,
    );
    // 4,000 are made before it closes, 6,000 at 30:15, when the follower must not be past its third thousand: 18 min before.
    expect(followsFrom({ time: early, at: at(8), runS: HOUR }, 8_000, 3_000, 0, open, 2_880)).toBe(at(29, 57));
  });
});

describe('change-over', () => {
  const change = [
    { key: 'stock', s: 900 },
    { key: 'unit 1', s: 480, lighterS: 1_200 },
    { key: 'paper', s: 300, isSet: true as const },
  ];
  it.each([
    ['what has to be set is set where nothing is known to stand', {}, { paper: 'a' }, 300],
    ['and is spared where the same stands', { paper: 'a' }, { paper: 'a' }, 0],
    ['and is in the make-ready where it is like no other', { paper: 'a' }, { paper: '' }, 0],
    ['after what is like no other it is set', { paper: '' }, { paper: 'a' }, 300],
    ['nothing where all stays', { stock: 'a', 'unit 1': 'K' }, { stock: 'a', 'unit 1': 'K' }, 0],
    ['a wash where a darker ink follows', { 'unit 1': 'Y' }, { 'unit 1': 'K' }, 480],
    ['with care where a lighter one follows', { 'unit 1': 'K' }, { 'unit 1': 'Y' }, 1_200],
    ['nothing for what the work leaves open', { stock: 'a', 'unit 1': 'K' }, { stock: 'a' }, 0],
    ['nothing taken out where nothing stands', {}, { stock: 'a' }, 0],
    ['each key by itself', { stock: 'a', 'unit 1': 'K' }, { stock: 'b', 'unit 1': 'Y' }, 2_100],
  ])('%s', (_, stands, wants, s) => {
    expect(changesBetween(change, stands, wants).reduce((sum, c) => sum + c.s, 0)).toBe(s);
  });
});

const lane = (more: Partial<Lane> = {}): Lane => ({
  name: 'Press',
  open: [day(0), day(1)],
  keys: {},
  freeAt: 0,
  places: 1,
  setupRate: 60,
  change: [],
  ...more,
});
const way = (machine: string, runS: number, more: Partial<Way> = {}): Way => ({
  machine,
  makeReadyS: 0,
  runS,
  hands: 0,
  extra: 0,
  ...more,
});
const work = (job: string, ways: Work['ways'], more: Partial<Work> = {}): Work => ({
  job,
  step: '0',
  name: job,
  pieces: 1_000,
  ways,
  links: [],
  keys: {},
  gates: [],
  inOneGo: false,
  state: 'free',
  ...more,
});
const board = (of: Record<string, Work>, more: Partial<Problem> = {}): Problem => ({
  asOf: 0,
  lanes: { press: lane(), cutter: lane({ name: 'Cutter' }) },
  crews: {},
  work: of,
  jobs: Object.fromEntries(
    Object.entries(of).map(([id, w]) => [
      w.job,
      { name: w.job, dues: [{ work: id, pieces: w.pieces, at: at(12) }], latePerHour: 30, heldPerHour: 0 },
    ]),
  ),
  moved: { shift: 20, day: 10, later: 3, frozenS: 0 },
  ...more,
});
const barOf = (p: Problem, order: string[], id: string, on = {}) => judge(p, order, on).bars.find((b) => b.work === id)!;

describe('a bar', () => {
  it('is made ready in the evening and runs in the morning when its pieces come then', () => {
    const p = board({
      print: work('a', [way('press', at(15))]),
      cut: work('a', [way('cutter', HOUR, { makeReadyS: HOUR })], {
        links: [{ of: 'print', by: 'pieces', waitS: 9 * HOUR, why: 'drying' }],
      }),
    });
    // Printed at 21:00, dry at 06:00: the first open second of the next day.
    expect(barOf(p, ['print', 'cut'], 'cut')).toMatchObject({
      start: at(21),
      makeReadyAt: at(21),
      runAt: 24 * HOUR + at(6),
      end: 24 * HOUR + at(7),
    });
  });
  it('is not made ready before its forms are there, nor run before its paper', () => {
    const gates = [{ key: 'plates', at: at(9), holds: 'makeReady' as const }];
    const p = board({ a: work('a', [way('press', HOUR, { makeReadyS: HOUR })], { gates }) });
    expect(barOf(p, ['a'], 'a')).toMatchObject({ start: at(9), runAt: at(10), end: at(11) });
    const paper = board({
      a: work('a', [way('press', HOUR, { makeReadyS: HOUR })], { gates: [{ key: 'paper', at: at(9), holds: 'run' }] }),
    });
    expect(barOf(paper, ['a'], 'a')).toMatchObject({ start: at(8), runAt: at(9), end: at(10) });
  });
  it('keeps its machine and start while it runs, with what the counts leave', () => {
    const p = board(
      {
        a: work('a', [way('press', 10 * HOUR)], { state: 'running', startedAt: at(7), leftS: 2 * HOUR }),
        b: work('b', [way('press', HOUR)]),
      },
      { asOf: at(9) },
    );
    expect(barOf(p, ['b', 'a'], 'a')).toMatchObject({ start: at(7), end: at(11) });
    expect(barOf(p, ['b', 'a'], 'b')).toMatchObject({ start: at(11), end: at(12) });
  });
  it('shares a bench as far as it has places, and people as far as there are', () => {
    const three = { a: work('a', [way('press', HOUR)]), b: work('b', [way('press', HOUR)]), c: work('c', [way('press', HOUR)]) };
    const ends = (p: Problem): number[] => judge(p, ['a', 'b', 'c'], {}).bars.map((b) => b.end / HOUR);
    expect(ends(board(three, { lanes: { press: lane({ places: 2 }) } }))).toEqual([7, 7, 8]);
    const hands = Object.fromEntries(
      Object.entries(three).map(([id, w], i) => [id, { ...w, ways: [way(`m${i}`, HOUR, { hands: 2 })] as const }]),
    );
    const p = board(hands, {
      lanes: { m0: lane(), m1: lane(), m2: lane() },
      crews: {
        crew: {
          of: ['m0', 'm1', 'm2'],
          present: [
            [at(6), at(8), 2],
            [at(8), at(22), 4],
          ],
        },
      },
    });
    expect(ends(p)).toEqual([7, 8, 9]);
    expect(check(p, judge(p, ['a', 'b', 'c'], {}).bars).wrong).toEqual([]);
  });
});

describe('money and breaches', () => {
  it('is lateness by the share that is late, change-over by the rate of the machine, dearer ways, and what was moved', () => {
    const p = board(
      { a: work('a', [way('press', 2 * HOUR), way('cutter', HOUR, { extra: 25 })], { keys: { stock: 'b' } }) },
      { lanes: { press: lane(), cutter: lane({ keys: { stock: 'a' }, change: [{ key: 'stock', s: 1_800 }] }) } },
    );
    const dues = [
      { work: 'a', pieces: 500, at: at(6, 30) },
      { work: 'a', pieces: 500, at: at(6, 30) },
    ];
    const late = { ...p, jobs: { a: { name: 'a', dues, latePerHour: 30, heldPerHour: 4 } } };
    const was = [{ work: 'a', machine: 'press', start: at(6), makeReadyAt: at(6), runAt: at(6), end: at(8), changes: [] }];
    const { money } = judge(late, ['a'], { a: 'cutter' }, was);
    // Changed over 06:00 to 06:30, runs to 07:30; half is there at 07:00, half an hour late, the rest an hour.
    expect(money).toEqual({ late: 15 * 0.5 + 30 * 0.5, change: 30, ways: 25, held: 6, moved: 20 });
    expect(moneyOf(money)).toBe(103.5);
  });
  it.each<[string, Problem, object[]]>([
    [
      'work that no machine can do, the rest is laid',
      board({ a: work('a', [way('nowhere', HOUR)]), b: work('b', [way('press', HOUR)]) }),
      [{ code: 'noWay', work: 'a', byS: 0 }],
    ],
    [
      'a machine without hours',
      board({ a: work('a', [way('press', HOUR)]) }, { lanes: { press: lane({ open: [] }) } }),
      [{ code: 'hours', work: 'a', byS: HOUR }],
    ],
    [
      'links that turn in a circle',
      board({
        a: work('a', [way('press', HOUR)], { links: [{ of: 'b', by: 'pieces', waitS: 0, why: '' }] }),
        b: work('b', [way('cutter', HOUR)], { links: [{ of: 'a', by: 'pieces', waitS: 0, why: '' }] }),
      }),
      [{ code: 'circle', work: 'b', with: 'a', byS: 0 }],
    ],
    [
      'two pins at one moment, by the fewest hours',
      board({
        a: work('a', [way('press', HOUR)], { pin: { start: at(8), by: 'x', why: '' } }),
        b: work('b', [way('press', HOUR)], { pin: { start: at(8), by: 'y', why: '' } }),
      }),
      [{ code: 'pin', work: 'b', with: 'a', byS: HOUR }],
    ],
    [
      'pieces that lie longer than they may',
      board({
        a: work('a', [way('press', HOUR)]),
        b: work('a', [way('cutter', HOUR)], {
          links: [{ of: 'a', by: 'pieces', waitS: 0, why: 'glue', longestS: HOUR }],
          gates: [{ key: 'die', at: at(10), holds: 'run' }],
        }),
      }),
      [{ code: 'longestWait', work: 'b', with: 'a', byS: 2 * HOUR }],
    ],
    [
      'more people than there ever are',
      board({ a: work('a', [way('press', HOUR, { hands: 5 })]) }, { crews: { c: { of: ['press'], present: [[0, 40 * HOUR, 2]] } } }),
      [{ code: 'hands', work: 'a', byS: 0 }],
    ],
  ])('names %s', (_, p, breaches) => {
    const made = judge(p, Object.keys(p.work), {});
    expect(made.breaches).toEqual(breaches);
    expect(made.bars).toHaveLength(Object.values(p.work).filter((w) => w.ways[0].machine !== 'nowhere').length);
  });
  it('leaves out the link that closes a circle, a pin “before” among them', () => {
    const links = orderOfLinks(
      board({
        a: work('a', [way('press', 1)], { pin: { before: 'b', by: 'x', why: 'asked' } }),
        b: work('b', [way('press', 1)], { pin: { before: 'a', by: 'y', why: 'asked' } }),
      }),
    );
    expect(links.order).toEqual(['b', 'a']);
    expect(links.breaches).toEqual([{ code: 'circle', work: 'b', with: 'a', byS: 0 }]);
  });
});
