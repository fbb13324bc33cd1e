import { type FloorStep, floorSteps } from '../plan/readings/floor-steps';
import { cardSpec, LINDMOOR, SHELF } from '../plan/line-1.fixture';
import { planned } from '../plan/plan';
import { check } from './check';
import { type Delivery, problemOfFloor, type StepOnFloor, workId } from './floor-problem';
import { judge } from './judge';

const made = planned(cardSpec(10_000), LINDMOOR, SHELF);
const facts = floorSteps(made, { timeZone: 'UTC', currency: 'EUR' }, false).map((f) => f.step);
const steps = (more: Record<string, Partial<StepOnFloor>> = {}): StepOnFloor[] =>
  facts.map((f) => ({ job: 'a', facts: f, state: 'waiting', since: null, leftS: 0, ...more[f.step] }));
const LATEST = SHELF.asOf + 20 * 86_400;
const problem = (
  more: Record<string, Partial<StepOnFloor>> = {},
  deliveries: Delivery[] = [{ product: 'card', quantity: 10_000, at: LATEST }],
) =>
  problemOfFloor({
    asOf: SHELF.asOf,
    plant: LINDMOOR,
    open: SHELF.open,
    making: new Set(),
    jobs: [{ job: 'a', name: '2401', deliveries }],
    steps: steps(more),
  });
const FRONT = 'card.card.print.front';
const BACK = 'card.card.print.back';

describe('what is released, as a board', () => {
  it('has every step with its machine, its links, its waits and its washes, and holds', () => {
    const p = problem();
    expect(Object.keys(p.work)).toHaveLength(facts.length);
    const back = p.work[workId('a', BACK)]!;
    expect(back.links.find((l) => l.of === workId('a', FRONT))).toMatchObject({ by: 'pieces', waitS: 4 * 3600, why: 'turn' });
    expect(p.work[workId('a', FRONT)]!.links.some((l) => l.by === 'forms')).toBe(true);
    expect(p.work[workId('a', FRONT)]!.keys).toMatchObject({ 'unit 1': 'K' });
    // The cutter may be made ready while the ink of the back dries, though the foil was blocked in between.
    const cut = Object.values(p.work).find((w) => w.name === 'Cut')!;
    expect(cut.links.find((l) => l.of === workId('a', BACK))).toMatchObject({ by: 'pieces', waitS: 36 * 3600, why: 'cut' });
    const { bars } = judge(p, Object.keys(p.work), {});
    expect(check(p, bars).wrong).toEqual([]);
    expect(
      bars.find((b) => b.work === workId('a', BACK))!.runAt - bars.find((b) => b.work === workId('a', FRONT))!.end,
    ).toBeGreaterThanOrEqual(4 * 3600);
  });
  it('ends no earlier than its paper comes, and is due with its last step', () => {
    const p = problem();
    const gated = Object.values(p.work).flatMap((w) => w.gates.map((g) => ({ ...g, name: w.name })));
    expect(gated.every((g) => g.at > p.asOf - 86_400)).toBe(true);
    const last = p.jobs['a']!.dues.map((d) => d.work);
    const needed = new Set(Object.values(p.work).flatMap((w) => w.links.map((l) => l.of)));
    expect(last.length).toBeGreaterThan(0);
    expect(last.some((w) => needed.has(w))).toBe(false);
  });
  it('is due in parts where it is delivered in parts: each by its date, all by the last; another product’s dates are not its own', () => {
    const part = (quantity: number, days: number, product: string | null = 'card'): Delivery => ({
      ...{ product, quantity },
      at: SHELF.asOf + days * 86_400,
    });
    const p = problem({}, [part(7_000, 30), part(3_000, 10), part(500, 2, 'menu')]);
    const { dues } = p.jobs['a']!;
    expect(dues.map(({ at, share }) => [at, share])).toEqual([
      [part(0, 10).at, 0.3],
      [part(0, 30).at, 0.7],
    ]);
    // One pallet holds all of it: the part is there with its cartons.
    expect(dues.map((d) => d.work)).toEqual([workId('a', 'card.card.pack.carton'), workId('a', 'card.card.pack.pallet')]);
    expect(dues[0]!.pieces).toBe(Math.ceil(0.3 * p.work[dues[0]!.work]!.pieces));
    // A date of all that the job makes; none at all.
    expect(problem({}, [part(1, 5, null)]).jobs['a']!.dues.map((d) => d.work)).toEqual([workId('a', 'card.card.pack.pallet')]);
    expect(problem({}, []).jobs['a']!.dues).toEqual([]);
  });
  it('spares what of a setting stands already: the same paper in the same size, the same form of the store', () => {
    const machine = LINDMOOR.machines['press3']!;
    const printing = (job: string, more: Partial<FloorStep>): StepOnFloor => ({
      ...{ job, state: 'waiting', since: null, leftS: 0 },
      facts: { ...facts.find((f) => f.step === FRONT)!, links: [], gates: [], setupS: machine.setupS, ...more },
    });
    const bars = (first: Partial<FloorStep>, then: Partial<FloorStep>) => {
      const two = [printing('a', first), printing('b', then)];
      const p = problemOfFloor({ asOf: SHELF.asOf, plant: LINDMOOR, open: SHELF.open, making: new Set(), jobs: [], steps: two });
      const made = judge(p, [workId('a', FRONT), workId('b', FRONT)], {});
      expect(check(p, made.bars).wrong).toEqual([]);
      return made.bars.map((b) => b.makeReadyAt - b.start + p.work[b.work]!.ways[0].makeReadyS);
    };
    const repeatS = machine.setupS - machine.setupRepeatS;
    const stands = { paper: 'white, 720 × 520 mm' };
    expect(bars({ stands }, { stands })).toEqual([machine.setupS, machine.setupS - 300]);
    expect(bars({ stands }, { stands: { paper: 'grey, 720 × 520 mm' } })).toEqual([machine.setupS, machine.setupS]);
    expect(bars({ stands: { tool: 'die 7' } }, { stands: { tool: 'die 7' } })).toEqual([machine.setupS, machine.setupS - repeatS]);
    // What nobody else can want, what is planned as a repeat, and what is set up in less, is set up as planned.
    expect(bars({ stands: {} }, { stands: {} })).toEqual([machine.setupS, machine.setupS]);
    expect(bars({ stands: { tool: 'die 7' } }, { stands: { tool: 'die 7' }, repeat: true })).toEqual([machine.setupS, machine.setupS]);
    expect(bars({ stands }, { stands, setupS: 120 })).toEqual([machine.setupS, 120]);
    // What finds its setting by its plan is planned without; it is paid for again where another paper came between.
    expect(bars({ stands }, { stands, setupS: 120, keepsFrom: 'x' })).toEqual([machine.setupS, 120]);
    expect(bars({ stands: { paper: 'grey, 720 × 520 mm' } }, { stands, setupS: 120, keepsFrom: 'x' })).toEqual([machine.setupS, 420]);
  });
  it('takes what stands in a machine from what was done on it last, and lets a version run after the one whose setting it finds', () => {
    const p = problem({ [FRONT]: { state: 'done', since: SHELF.asOf - 3600 } });
    const stands = facts.find((f) => f.step === FRONT)!.stands!.paper!;
    expect(stands).toBe('Ivory board 300, 720 × 520 mm');
    expect(p.lanes['press3']!.keys).toMatchObject({ paper: stands, 'unit 1': 'K' });
    const kept = steps().map((s) => (s.facts.step === 'card.card.fold' ? { ...s, facts: { ...s.facts, keepsFrom: FRONT } } : s));
    const after = problemOfFloor({ asOf: SHELF.asOf, plant: LINDMOOR, open: SHELF.open, making: new Set(), jobs: [], steps: kept });
    expect(after.work[workId('a', 'card.card.fold')]!.links).toContainEqual({ of: workId('a', FRONT), by: 'order', waitS: 0, why: '' });
  });
  it('waits for what another job makes for it until that ends on the board; by its date where that is not released; not at all once it is delivered', () => {
    const date = SHELF.asOf + 9 * 86_400;
    const parent = steps().map((x) =>
      x.facts.step === FRONT ? { ...x, facts: { ...x.facts, fromJobs: ['b'], gates: [{ key: 'assume.job', at: date }] } } : x,
    );
    const child = steps().map((x) => ({ ...x, job: 'b' }));
    const asked = (making: string[], all: StepOnFloor[]) =>
      problemOfFloor({ asOf: SHELF.asOf, plant: LINDMOOR, open: SHELF.open, making: new Set(making), jobs: [], steps: all });
    const front = (p: ReturnType<typeof asked>) => p.work[workId('a', FRONT)]!;
    const both = asked(['b'], [...parent, ...child]);
    const lasts = front(both).links.filter((l) => l.of.startsWith('b '));
    expect(lasts).toEqual([{ of: workId('b', facts.at(-1)!.step), by: 'forms', waitS: 0, why: '' }]);
    expect(front(both).gates).toEqual([]);
    // The parent first in the list: it is laid behind all the same.
    const { bars } = judge(both, Object.keys(both.work), {});
    expect(check(both, bars).wrong).toEqual([]);
    const bar = (work: string) => bars.find((b) => b.work === work)!;
    expect(bar(workId('a', FRONT)).makeReadyAt).toBeGreaterThanOrEqual(bar(lasts[0]!.of).end);
    expect(front(asked(['b'], parent)).gates.map((g) => g.at)).toEqual([date]);
    const onlyAsked = front(asked(['b'], [...parent, ...child.map((x) => ({ ...x, state: 'quoted' as const }))]));
    expect([onlyAsked.gates.map((g) => g.at), onlyAsked.links.filter((l) => l.of.startsWith('b '))]).toEqual([[date], []]);
    const delivered = front(asked([], [...parent, ...child]));
    expect([delivered.gates, delivered.links.filter((l) => l.of.startsWith('b '))]).toEqual([[], []]);
  });
  it('never has the only person of two machines at both', () => {
    const later = facts.map((f): StepOnFloor => ({ job: 'b', facts: f, state: 'waiting', since: null, leftS: 0 }));
    const crew = (people: number) => ({
      c: { of: ['press3', 'imager'], present: Array.from({ length: people }, () => [SHELF.asOf, SHELF.asOf + 60 * 86_400, 1] as const) },
    });
    const plant = { ...LINDMOOR, machines: { ...LINDMOOR.machines, press3: { ...LINDMOOR.machines['press3']!, crew: 1 } } };
    const both = (people: number | null): number => {
      const p = problemOfFloor({
        asOf: SHELF.asOf,
        making: new Set(),
        plant,
        open: SHELF.open,
        ...(people !== null && { crews: crew(people) }),
        jobs: [],
        steps: [...steps(), ...later],
      });
      const made = judge(p, Object.keys(p.work), {});
      expect(check(p, made.bars).wrong).toEqual([]);
      const on = (machine: string) => made.bars.filter((b) => b.machine === machine);
      return on('press3').filter((a) => on('imager').some((b) => a.start < b.end && b.start < a.end)).length;
    };
    expect(both(null)).toBeGreaterThan(0);
    expect(both(1)).toBe(0);
    expect(
      problemOfFloor({ asOf: SHELF.asOf, plant, open: SHELF.open, making: new Set(), jobs: [], steps: steps() }).work[workId('a', FRONT)]!
        .ways[0].hands,
    ).toBe(0);
  });
  it('keeps what runs where it is, takes what is done off, and lets only its wait hold', () => {
    const p = problem({
      // The floor counts by the millisecond, the board by the second.
      [FRONT]: { state: 'done', since: SHELF.asOf - 3600.25 },
      [BACK]: { state: 'running', since: SHELF.asOf - 599.6, leftS: 1_799.3 },
    });
    const { bars } = judge(p, Object.keys(p.work), {});
    expect(bars.some((b) => b.work === workId('a', FRONT))).toBe(false);
    expect(bars.find((b) => b.work === workId('a', BACK))).toMatchObject({ start: SHELF.asOf - 600 });
    expect(bars.flatMap((b) => [b.start, b.makeReadyAt, b.runAt, b.end]).filter((at) => !Number.isInteger(at))).toEqual([]);
  });
  it('knows releases of older programs by what their steps say comes next', () => {
    const older = steps().map(({ facts: { links: _links, gates: _gates, pileCycles: _pile, ...rest }, ...s }) => ({ ...s, facts: rest }));
    const p = problemOfFloor({ asOf: SHELF.asOf, plant: LINDMOOR, open: SHELF.open, making: new Set(), jobs: [], steps: older });
    expect(p.work[workId('a', BACK)]!.links).toContainEqual({ of: workId('a', FRONT), by: 'pieces', waitS: 4 * 3600, why: '' });
  });
});
