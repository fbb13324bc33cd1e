import type { Fastness } from '../../plant/fastness';
import type { Plant, Shelf } from '../../plant/plant';
import { PRACTICE_DEFAULTS } from '../../plant/practice';
import { FINDINGS, REMEDIES } from '../../words/en';
import type { JobSpec } from '../../product/job-spec';
import { applyEdits, JobSpecSchema } from '../door';
import { cardSpec, LINDMOOR, SHELF } from '../line-1.fixture';
import { labelSpec } from '../line-2.fixture';
import { plan } from '../plan';
import { LEVELS } from '../../processes/finding';
import { earlyHash } from '../what-if/early-release';
import { PROCESSES } from '../../processes/registry';
import { CARTON_CASES } from './carton-cases.fixture';
import { BOOKLET_CASES } from './booklet-cases.fixture';
import { CYLINDER_CASES } from './cylinder-cases.fixture';
import { GRAVURE_CASES } from './gravure-cases.fixture';
import { HARDCOVER_CASES } from './hardcover-cases.fixture';
import { PAPERBACK_CASES } from './paperback-cases.fixture';
import { SLEEVE_CASES } from './sleeve-cases.fixture';
import { RULES } from './find-all';

interface Case {
  spec?: JobSpec;
  plant?: Plant;
  shelf?: Shelf;
}
const wish = (more: object, quantity = 10_000): JobSpec =>
  JobSpecSchema.parse({
    ...cardSpec(quantity),
    products: {
      card: { kind: 'made', family: 'folded-card', wish: { ...(cardSpec().products['card'] as { wish: object }).wish, ...more } },
    },
  });
const choose = (more: object, spec = cardSpec()): JobSpec => JobSpecSchema.parse({ ...spec, choices: { ...spec.choices, ...more } });
const settings = (stone: string, more: object): JobSpec => choose({ settings: { [`card.card.${stone}`]: more } });
const machine = (id: string, more: object): Plant => ({
  ...LINDMOOR,
  machines: { ...LINDMOOR.machines, [id]: { ...LINDMOOR.machines[id]!, ...more } },
});
const stock = (id: string, more: object): Plant => ({
  ...LINDMOOR,
  stocks: { ...LINDMOOR.stocks, [id]: { ...LINDMOOR.stocks[id]!, ...more } },
});
const shelf = (more: object): Shelf => ({ ...SHELF, ...more });
const DIE_BY_JOB = { supply: { 'card.card.foil.die.f1': { from: 'job', job: 'die', item: 'i1' } } };
const DIE_JOB = { number: 77, name: 'Crest die', readyAt: SHELF.asOf + 20 * 86_400, delivered: false, money: 600 };
const desks = (more: object): Shelf => shelf({ desks: { inks: {}, forms: {}, approved: null, register: [], ...more } });
const used = plan(cardSpec(), LINDMOOR, SHELF).forms['card.card']?.stock as string;
const foiled = (cardSpec().products['card'] as { wish: { foils: Record<string, object> } }).wish.foils;
const aimed = { ...cardSpec(), choices: { ...cardSpec().choices, aim: { i1: 20_000 } } };
const override = (until: number, id = 'card.card.print.front.run'): JobSpec => ({
  ...cardSpec(),
  overrides: { [id]: { value: 2_000, reason: 'counted', by: 'test', until } },
});
const delivered = (n: number): JobSpec => ({
  ...cardSpec(),
  items: { i1: { ...cardSpec().items['i1']!, deliveries: [{ by: '2026-03-20T12:00', share: { only: n }, to: 'x' }] } },
});

/** Cards in three languages, the second and third changing some inks. */
const inLanguages = (changes: string[]): JobSpec => ({
  ...cardSpec(),
  items: {
    i1: {
      ...cardSpec().items['i1']!,
      versions: {
        en: { name: 'en', quantity: 5_000, changes: [] },
        de: { name: 'de', quantity: 3_000, changes },
        fr: { name: 'fr', quantity: 2_000, changes },
      },
    },
  },
});

/** A flat piece of 200 × 130, laid by hand. */
const pinwheel = (at: [number, number, 0 | 90][]): JobSpec => {
  const flat = wish({ openWidthMm: 200, openHeightMm: 130, folds: 0, bleedMm: 0, grain: 'free', foils: {} });
  const question = plan(flat, LINDMOOR, SHELF).forms['card.card']?.question as string;
  const cells = at.map(([x, y, turn]) => ({ x, y, nx: 1, ny: 1, dx: 0, dy: 0, turn }));
  return choose({ layout: { 'card.card': { value: { cells }, by: 'planner', question } } }, flat);
};
const film = { grade: 'Label film, removable' };
const twoPasses = (front: string[]): JobSpec => ({
  ...wish({ front, back: [] }),
  choices: { ...cardSpec().choices, machine: { 'card.card.print': 'press1' } },
});

const proof = { kind: 'fileProof' as const, version: 'v2', who: 'the choir', by: '2026-03-10T10:00', holds: 'release' };
const gated: JobSpec = { ...cardSpec(), gates: { g1: proof } };

/** For each rule: a case in which it fires, and a near one in which it stays silent. */
const CASES: Record<string, { fires: Case; silent: Case; level: string }> = {
  'machine.none': {
    level: 'release',
    fires: { plant: { ...LINDMOOR, machines: Object.fromEntries(Object.entries(LINDMOOR.machines).filter(([id]) => id !== 'platen1')) } },
    silent: {},
  },
  'type.small': {
    level: 'decide',
    fires: { spec: wish({ smallestTypePt: 5, typeInks: 3 }) },
    silent: { spec: wish({ smallestTypePt: 5, typeInks: 1, finestLineMm: 0.1 }) },
  },
  'coat.onGlue': { level: 'release', fires: { spec: wish({ coatOnGlue: true }) }, silent: { spec: wish({ coatOnGlue: false }) } },
  'register.finest': {
    level: 'decide',
    fires: { spec: wish({ finestOverprintMm: 0.03 }) },
    silent: {
      spec: wish({ finestOverprintMm: 0.03 }),
      plant: machine('press3', { limits: { ...LINDMOOR.machines['press3']!.limits, registerMm: 0.03 } }),
    },
  },
  'ink.noDrawDown': {
    level: 'start',
    fires: { spec: wish({ front: ['K', 'moss green'] }) },
    silent: { spec: wish({ front: ['K', 'moss green'] }), shelf: desks({ inks: { 'moss green': { accepted: true } } }) },
  },
  'ink.notFast': {
    level: 'decide',
    fires: {
      spec: wish({ front: ['moss green'], back: [], stands: ['light'] }),
      shelf: desks({ inks: { 'moss green': { accepted: true, fast: ['fat'] } } }),
    },
    silent: {
      spec: wish({ front: ['moss green'], back: [], stands: ['light'] }),
      shelf: desks({ inks: { 'moss green': { accepted: true, fast: ['light'] } } }),
    },
  },
  'plates.version': {
    level: 'release',
    fires: { shelf: desks({ approved: 'v4', forms: { 'card.card.plates': { versions: ['v3', 'v3'], kept: 0 } } }) },
    silent: { shelf: desks({ approved: 'v4', forms: { 'card.card.plates': { versions: ['v4'], kept: 0 } } }) },
  },
  'register.left': {
    level: 'decide',
    fires: { shelf: desks({ register: [{ step: 'card.card.print.front', ink: 'C', leftMm: 0.14, toleranceMm: 0.1, remedy: 'packing' }] }) },
    silent: {
      shelf: desks({ register: [{ step: 'card.card.print.front', ink: 'C', leftMm: 0.06, toleranceMm: 0.1, remedy: 'packing' }] }),
    },
  },
  'gate.waiting': {
    level: 'release',
    fires: { spec: gated },
    silent: { spec: gated, shelf: shelf({ gates: { 'gate:g1': { state: 'open' } } }) },
  },
  'gate.refused': {
    level: 'release',
    fires: { spec: gated, shelf: shelf({ gates: { 'gate:g1': { state: 'refused' } } }) },
    silent: { spec: gated },
  },
  'gate.nowhere': {
    level: 'decide',
    fires: { spec: { ...gated, gates: { g1: { ...proof, holds: 'card.card.gild' } } } },
    silent: { spec: { ...gated, gates: { g1: { ...proof, holds: 'card.card.print' } } } },
  },
  'frozen.changed': {
    level: 'release',
    fires: { shelf: shelf({ frozen: { 'card.card.stock.in': 'another' } }) },
    silent: {
      shelf: shelf({ frozen: { 'card.card.stock.in': earlyHash(plan(cardSpec(), LINDMOOR, SHELF), LINDMOOR, 'card.card.stock.in') } }),
    },
  },
  'machine.retired': {
    level: 'decide',
    fires: { spec: choose({ machine: { 'card.card.print': 'press3' } }), plant: machine('press3', { retired: true }) },
    silent: { plant: machine('press3', { retired: true }) },
  },
  'child.open': {
    level: 'start',
    fires: { spec: choose(DIE_BY_JOB), shelf: shelf({ jobs: { die: DIE_JOB } }) },
    silent: { spec: choose(DIE_BY_JOB), shelf: shelf({ jobs: { die: { ...DIE_JOB, delivered: true } } }) },
  },
  'choice.unknown': {
    level: 'decide',
    fires: { spec: choose({ machine: { 'card.card.print': 'press99' } }) },
    silent: { spec: choose({ machine: { 'card.card.print': 'press3' } }) },
  },
  'style.cannot': {
    level: 'decide',
    fires: { spec: choose({ workStyle: { 'card.card': 'turn' } }) },
    silent: { spec: choose({ workStyle: { 'card.card': 'turn' } }, wish({ foils: {} })) },
  },
  'fold.sizes': { level: 'release', fires: { spec: wish({ foldedWidthMm: 90 }) }, silent: { spec: wish({ foldedWidthMm: 105 }) } },
  'bleed.small': { level: 'decide', fires: { spec: wish({ bleedMm: 2 }) }, silent: { spec: wish({ bleedMm: 3 }) } },
  'gap.narrow': {
    level: 'decide',
    fires: { spec: labelSpec(480_000, { delivered: 'rolls', gapMm: 2 }) },
    silent: { spec: labelSpec(480_000, { delivered: 'rolls' }) },
  },
  'text.nearEdge': {
    level: 'decide',
    fires: { spec: wish({ smallestDistanceMm: 2.9 }) },
    silent: { spec: wish({ smallestDistanceMm: 3 }) },
  },
  'layout.nothingFits': { level: 'release', fires: { spec: wish({ openWidthMm: 900 }) }, silent: {} },
  'sheet.overMachine': {
    level: 'release',
    fires: { plant: machine('platen1', { maxSheetMm: [700, 500] }) },
    silent: { plant: machine('platen1', { maxSheetMm: [720, 520] }) },
  },
  'fold.acrossGrain': {
    level: 'decide',
    fires: { spec: wish({ grain: 'free', openWidthMm: 200 }), plant: stock(used, { grain: 'long' }) },
    silent: {},
  },
  'stock.short': { level: 'decide', fires: { shelf: shelf({ lots: {} }) }, silent: {} },
  'stock.customerShort': {
    level: 'release',
    fires: { spec: settings('stock', { owner: 'customer' }) },
    silent: {
      spec: settings('stock', { owner: 'customer' }),
      shelf: shelf({ lots: { c: { stock: used, quantity: 9_000, owner: 'customer' } } }),
    },
  },
  'stock.lotCaliper': {
    level: 'decide',
    fires: { shelf: shelf({ lots: { a: { stock: used, quantity: 9_000, owner: 'works', caliperUm: 430 } } }) },
    silent: { shelf: shelf({ lots: { a: { stock: used, quantity: 9_000, owner: 'works', caliperUm: 415 } } }) },
  },
  'plate.life': {
    level: 'decide',
    fires: { spec: { ...wish({}, 800_000), choices: { ...cardSpec().choices, settings: { 'card.card.print': { series: 'lamp' } } } } },
    silent: {},
  },
  'tool.out': {
    level: 'release',
    fires: {
      spec: wish({ foils: { f1: { ...foiled['f1'], tool: 'F-1' } } }),
      shelf: shelf({ tools: { 'F-1': { spec: 'x', lifeLeft: 9e5, state: 'out' } } }),
    },
    silent: {
      spec: wish({ foils: { f1: { ...foiled['f1'], tool: 'F-1' } } }),
      shelf: shelf({ tools: { 'F-1': { spec: 'x', lifeLeft: 9e5, state: 'store' } } }),
    },
  },
  'ink.total': { level: 'decide', fires: { spec: wish({ totalInkPercent: 321 }) }, silent: { spec: wish({ totalInkPercent: 320 }) } },
  'ink.fill': {
    level: 'know',
    fires: { spec: wish({ front: ['moss green'], back: [], coveragePercent: { 'moss green': 30 } }, 12_000) },
    silent: { spec: wish({ front: ['K'], back: [] }, 500) },
  },
  'press.noLamps': {
    level: 'release',
    fires: { spec: settings('print', { series: 'lamp' }) },
    silent: { spec: settings('print', { series: 'oil' }) },
  },
  'press.unitsShort': {
    level: 'release',
    fires: { spec: labelSpec(), plant: machine('web7', { limits: { ...LINDMOOR.machines['web7']!.limits, units: 3 } }) },
    silent: { spec: labelSpec() },
  },
  'press.repeatCannot': {
    level: 'release',
    fires: { spec: { ...labelSpec(), choices: { ...labelSpec().choices, settings: { 'label.web.print': { repeatMm: 1_200 } } } } },
    silent: { spec: labelSpec() },
  },
  'outside.tooSoon': {
    level: 'decide',
    fires: {
      plant: machine('platen1', { outside: { supplier: 'Foil works', days: 30, lossPpm: 5_000 } }),
      spec: settings('foil', { returnBy: '2026-03-06' }),
    },
    silent: {
      plant: machine('platen1', { outside: { supplier: 'Foil works', days: 3, lossPpm: 5_000 } }),
      spec: settings('foil', { returnBy: '2026-03-20' }),
    },
  },
  'foil.offPiece': {
    level: 'release',
    fires: { spec: wish({ foils: { f1: { name: 'crest', widthMm: 40, heightMm: 30, xMm: 180, yMm: 10 } } }) },
    silent: { spec: wish({ foils: { f1: { name: 'crest', widthMm: 40, heightMm: 30, xMm: 170, yMm: 10 } } }) },
  },
  'foil.acrossFold': {
    level: 'decide',
    fires: { spec: wish({ foils: { f1: { name: 'crest', widthMm: 40, heightMm: 30, xMm: 80, yMm: 10 } } }) },
    silent: { spec: wish({ foils: { f1: { name: 'crest', widthMm: 40, heightMm: 30, xMm: 105, yMm: 10 } } }) },
  },
  'foil.bothSides': {
    level: 'release',
    fires: {
      spec: wish({
        foils: {
          f1: { name: 'crest', widthMm: 40, heightMm: 30 },
          f2: { name: 'seal', widthMm: 20, heightMm: 20, side: 'back' },
        },
      }),
    },
    silent: {
      spec: wish({
        foils: {
          f1: { name: 'crest', widthMm: 40, heightMm: 30, side: 'back' },
          f2: { name: 'seal', widthMm: 20, heightMm: 20, side: 'back' },
        },
      }),
    },
  },
  'foil.tooLarge': {
    level: 'release',
    fires: { spec: wish({ foils: { f1: { name: 'crest', widthMm: 230, heightMm: 30 } } }) },
    silent: { spec: wish({ foils: { f1: { name: 'crest', widthMm: 200, heightMm: 30 } } }) },
  },
  'die.strokesLeft': {
    level: 'decide',
    fires: {
      spec: wish({ foils: { f1: { ...foiled['f1'], tool: 'F-1' } } }),
      shelf: shelf({ tools: { 'F-1': { spec: 'x', lifeLeft: 1_700, state: 'store' } } }),
    },
    silent: {
      spec: wish({ foils: { f1: { ...foiled['f1'], tool: 'F-1' } } }),
      shelf: shelf({ tools: { 'F-1': { spec: 'x', lifeLeft: 9e5, state: 'store' } } }),
    },
  },
  'pack.doesNotFit': {
    level: 'release',
    fires: {
      spec: choose(
        { settings: { 'card.card.pack': { carton: 'box400' } } },
        wish({ openWidthMm: 440, openHeightMm: 310, folds: 0, foils: {}, envelope: undefined }),
      ),
    },
    silent: { spec: wish({ openWidthMm: 440, openHeightMm: 310, folds: 0, foils: {}, envelope: undefined }) },
  },
  'versions.follow': {
    level: 'know',
    fires: { spec: inLanguages(['K']) },
    silent: { spec: inLanguages([]) },
  },
  'wait.unmet': {
    level: 'start',
    fires: { spec: settings('print', { turnWaitS: 3600 }) },
    silent: { spec: settings('print', { turnWaitS: 7200 }) },
  },
  'foil.onInk': {
    level: 'decide',
    fires: { spec: settings('foil', { waitS: 12 * 3600 }) },
    silent: { spec: settings('foil', { waitS: 24 * 3600 }) },
  },
  'foil.toPrint': { level: 'decide', fires: { spec: wish({ foilToPrintMm: 0.2 }) }, silent: { spec: wish({ foilToPrintMm: 0.3 }) } },
  'lift.high': {
    level: 'decide',
    fires: { spec: settings('cut', { liftMm: 80 }), plant: stock(used, { soft: true }) },
    silent: { spec: settings('cut', { liftMm: 60 }), plant: stock(used, { soft: true }) },
  },
  'fold.noScore': {
    level: 'release',
    fires: { spec: settings('fold', { score: 'none' }) },
    silent: { spec: settings('fold', { score: 'none' }), plant: stock(used, { gsm: 170 }) },
  },
  'pallet.over': {
    level: 'decide',
    fires: { shelf: shelf({ palletLimit: { kg: 60, heightMm: 1800 } }) },
    silent: { shelf: shelf({ palletLimit: { kg: 900, heightMm: 1800 } }) },
  },
  'outside.noDate': {
    level: 'decide',
    fires: { plant: machine('platen1', { outside: { supplier: 'Foil works', days: 3, lossPpm: 5_000 } }) },
    silent: {
      plant: machine('platen1', { outside: { supplier: 'Foil works', days: 3, lossPpm: 5_000 } }),
      spec: settings('foil', { returnBy: '2026-03-09' }),
    },
  },
  'counts.cannotReach': {
    level: 'release',
    fires: {
      spec: choose(
        { settings: Object.fromEntries(['fold', 'cut', 'foil', 'print'].map((k) => [`card.card.${k}`, { runningPpm: 900_000 }])) },
        cardSpec(1_000_000_000),
      ),
    },
    silent: {},
  },
  'risk.short': {
    level: 'decide',
    fires: { spec: { ...cardSpec(), choices: { ...cardSpec().choices, settings: { 'card.card.print': { setupSheets: 60 } } } } },
    silent: {},
  },
  'overs.above': {
    level: 'know',
    fires: { spec: aimed },
    silent: { spec: { ...aimed, choices: { ...aimed.choices, aim: { i1: 10_500 } } } },
  },
  'floor.short': {
    level: 'decide',
    fires: { shelf: shelf({ counted: { 'card.card.print.front': { run: 2_000, good: 900, done: true } } }) },
    silent: { shelf: shelf({ counted: { 'card.card.stock': { run: 100, good: 100, done: false } } }) },
  },
  'counts.off': {
    level: 'close',
    fires: {
      spec: { ...cardSpec(), items: { i1: { ...cardSpec().items['i1']!, balanced: true } } },
      shelf: shelf({ floor: { off: [{ step: 'card.card.fold', pile: '3F9A2C', by: 3 }], unread: [] } }),
    },
    silent: { shelf: shelf({ floor: { off: [], unread: [] } }) },
  },
  'handover.unread': {
    level: 'start',
    fires: { shelf: shelf({ floor: { off: [], unread: [{ machine: 'folder2', notes: 2 }] } }) },
    silent: { shelf: shelf({ floor: { off: [], unread: [{ machine: 'rewinder', notes: 2 }] } }) },
  },
  'log.thin': { level: 'know', fires: { spec: choose({ certainty: 0.95 }) }, silent: {} },
  'delivery.sum': { level: 'decide', fires: { spec: delivered(9_000) }, silent: { spec: delivered(10_000) } },
  'child.gone': {
    level: 'release',
    fires: { spec: choose(DIE_BY_JOB) },
    silent: { spec: choose(DIE_BY_JOB), shelf: shelf({ jobs: { die: { ...DIE_JOB, delivered: true } } }) },
  },
  'child.late': {
    level: 'decide',
    fires: { spec: choose(DIE_BY_JOB), shelf: shelf({ jobs: { die: DIE_JOB }, due: { i1: SHELF.asOf + 10 * 86_400 } }) },
    silent: { spec: choose(DIE_BY_JOB), shelf: shelf({ jobs: { die: DIE_JOB }, due: { i1: SHELF.asOf + 90 * 86_400 } }) },
  },
  'due.missed': {
    level: 'decide',
    fires: { shelf: shelf({ due: { i1: SHELF.asOf + 3600 } }) },
    silent: { shelf: shelf({ due: { i1: SHELF.asOf + 90 * 86_400 } }) },
  },
  'layout.notCuttable': {
    level: 'release',
    fires: {
      spec: pinwheel([
        [20, 30, 0],
        [230, 30, 90],
        [160, 240, 0],
        [20, 170, 90],
      ]),
    },
    silent: {
      spec: pinwheel([
        [20, 30, 0],
        [240, 30, 0],
      ]),
    },
  },
  'roll.lengthsDiffer': {
    level: 'decide',
    fires: { spec: labelSpec(), plant: stock('label162-330', { caliperUm: 160 }) },
    silent: { spec: labelSpec() },
  },
  'roll.overMachine': {
    level: 'release',
    fires: {
      spec: { ...labelSpec(), choices: { ...labelSpec().choices, stock: { 'label.web': 'label162-500' } } },
      plant: machine('web7', { limits: { ...LINDMOOR.machines['web7']!.limits, maxWebMm: 450 } }),
    },
    silent: { spec: labelSpec(), plant: machine('web7', { limits: { ...LINDMOOR.machines['web7']!.limits, maxWebMm: 450 } }) },
  },
  'repeat.broken': {
    level: 'decide',
    fires: { spec: labelSpec(480_000, {}, { 'label.web.print': { repeatMm: 600 } }) },
    silent: { spec: labelSpec(480_000, { edgeMm: 3.5 }, { 'label.web.print': { repeatMm: 514.35 } }) }, // two sheets of 257 mm, 162 teeth
  },
  'food.migration': {
    level: 'release',
    fires: { spec: labelSpec(480_000, { food: true }) },
    silent: { spec: labelSpec(480_000, { food: false }) },
  },
  'film.surface': {
    level: 'decide',
    fires: { spec: labelSpec(480_000, film), plant: stock('labelfilm138-500', { surfaceMnPerM: 34 }) },
    silent: { spec: labelSpec(480_000, film) },
  },
  'lay.changes': { level: 'know', fires: {}, silent: { spec: wish({ back: [] }) } },
  'press.washUp': {
    level: 'know',
    fires: {
      spec: twoPasses(['K', 'C', 'M', 'Y', 'white', 'moss']),
      plant: machine('press1', { limits: { ...LINDMOOR.machines['press1']!.limits, units: 3 } }),
    },
    silent: { spec: twoPasses(['K', 'C', 'M', 'Y']) },
  },
  ...CARTON_CASES,
  ...SLEEVE_CASES,
  ...BOOKLET_CASES,
  ...PAPERBACK_CASES,
  ...HARDCOVER_CASES,
  ...CYLINDER_CASES,
  ...GRAVURE_CASES,
  'override.stale': { level: 'decide', fires: { spec: override(SHELF.asOf - 1) }, silent: { spec: override(SHELF.asOf + 1000) } },
};
const found = ({ spec = cardSpec(), plant = LINDMOOR, shelf: s = SHELF }: Case) => plan(spec, plant, s).findings;

const OWN_RULES = Object.values(PROCESSES).flatMap((process) => process.rules ?? []);

test.each([...RULES, ...OWN_RULES].map((r) => [r.code]))('%s fires where it should and is silent where it should not', (code) => {
  const c = CASES[code];
  expect(c).toBeDefined();
  const fired = found(c!.fires).filter((f) => f.code === code);
  expect(fired.map((f) => f.level)).toContain(c!.level);
  expect(found(c!.silent).filter((f) => f.code === code)).toEqual([]);
});

test('an override that belongs to no figure is said to be gone', () => {
  expect(found({ spec: override(SHELF.asOf + 1000, 'no.such.figure') }).find((f) => f.code === 'override.stale')?.args['why']).toBe('gone');
});

test('a chosen layout whose question changed is stale, and one whose question stands is used', () => {
  const question = plan(cardSpec(), LINDMOOR, SHELF).forms['card.card']?.question as string;
  const chosen = (q: string): JobSpec =>
    choose({
      layout: {
        'card.card': { value: { cells: [{ x: 10, y: 20, nx: 2, ny: 2, dx: 216, dy: 216, turn: 0 }] }, by: 'planner', question: q },
      },
    });
  const kept = plan(chosen(question), LINDMOOR, SHELF);
  expect(kept.figures['card.card.copiesUp']?.value).toBe(4);
  expect(kept.findings.some((f) => f.code === 'choice.stale')).toBe(false);
  expect(found({ spec: chosen('0') }).some((f) => f.code === 'choice.stale')).toBe(true);
});

it('refuses a chosen layout that leaves the sheet or lays copies over each other, by name, and lays it out anew', () => {
  const found = (cells: [number, number, 0 | 90][]) => plan(pinwheel(cells), LINDMOOR, SHELF);
  for (const [cells, why] of [
    [[[600, 30, 0]], 'a copy leaves the usable sheet'],
    [
      [
        [20, 30, 0],
        [120, 60, 0],
      ],
      'copies lie over each other',
    ],
  ] as [[number, number, 0 | 90][], string][]) {
    const p = found(cells);
    expect(p.findings.find((f) => f.code === 'layout.refused')?.args).toEqual({ why });
    expect(p.figures['card.card.copiesUp']?.value).toBeGreaterThan(2);
  }
  expect(found([[20, 30, 0]]).findings.map((f) => f.code)).not.toContain('layout.refused');
});

test('every code and remedy has its words', () => {
  const all = Object.values(CASES).flatMap((c) => [...found(c.fires), ...found(c.silent)]);
  for (const f of all) {
    expect(FINDINGS[f.code]).toBeDefined();
    const said = FINDINGS[f.code]!.title(f.args) + FINDINGS[f.code]!.says(f.args);
    expect(said).not.toMatch(/undefined|NaN|\[object/);
    for (const r of f.remedies) expect(REMEDIES[r.says]).toBeDefined();
  }
});

describe('remedies', () => {
  const graver = (before: string | undefined, after: string | undefined): boolean =>
    LEVELS.indexOf((after ?? 'know') as never) < LEVELS.indexOf((before ?? 'know') as never);
  test.each(Object.entries(CASES).map(([code, c]) => [code, c.fires] as const))('of %s settles it and raises nothing graver', (code, c) => {
    const before = found(c);
    for (const f of before.filter((x) => x.code === code)) {
      for (const r of f.remedies) {
        if (r.do !== 'edit') continue;
        const applied = applyEdits(c.spec ?? cardSpec(), r.edits);
        expect(applied.ok).toBe(true);
        if (!applied.ok) continue;
        const after = found({ ...c, spec: applied.made });
        expect(after.filter((x) => x.code === code && x.at === f.at)).toEqual([]);
        expect(graver(before[0]?.level, after[0]?.level)).toBe(false);
      }
    }
  });
});

test('every practice default carries tag and source, and guesses have a width below the value', () => {
  for (const p of Object.values(PRACTICE_DEFAULTS)) {
    expect(p.source.length).toBeGreaterThan(3);
    expect(p.pm).toBeLessThanOrEqual(p.value);
  }
});

describe('food', () => {
  const food = (wishes: object, settings: JobSpec['choices']['settings'] = {}): JobSpec =>
    labelSpec(480_000, { food: true, ...wishes }, settings);
  const fits = { 'label.web.print': { series: 'lampFood' } };
  const said = (spec: JobSpec) => found({ spec }).filter((f) => f.code === 'food.migration');
  it('asks for a series made for it, and is settled by it', () => {
    expect(said(food({})).map((f) => f.args['what'])).toEqual(['ink']);
    expect(said(food({}, fits))).toEqual([]);
  });
  it('asks for an adhesive made for it, and has no remedy but another laminate', () => {
    expect(said(food(film, fits)).map((f) => [f.args['what'], f.remedies.length])).toEqual([['adhesive', 0]]);
  });
  it('binds the varnish too: one whose card says so, else the order waits', () => {
    const varnished = { inks: ['K', 'gloss varnish'] };
    const coats = (more: object): Plant => ({
      ...LINDMOOR,
      coats: { plain: { name: 'Gloss, lamp-dried', waxed: false, lampDried: true, pricePerKg: 22 }, ...more },
    });
    const safe = { name: 'Gloss, low migration', waxed: false, lampDried: true, lowMigration: true, pricePerKg: 30 };
    const about = (plant: Plant, settings: JobSpec['choices']['settings'] = fits): unknown[] =>
      found({ spec: food(varnished, settings), plant })
        .filter((f) => f.code === 'food.migration')
        .map((f) => [f.args['what'], f.args['name'], f.remedies.length]);
    expect(about({ ...LINDMOOR, coats: {} })).toEqual([['coat', '', 0]]);
    expect(about(coats({}))).toEqual([['coat', 'Gloss, lamp-dried', 0]]);
    expect(about(coats({ safe }))).toEqual([['coat', 'Gloss, lamp-dried', 1]]);
    expect(about(coats({ safe }), { 'label.web.print': { series: 'lampFood', coatSeries: 'safe' } })).toEqual([]);
  });
  it('asks the varnish what it stands', () => {
    const spec = labelSpec(480_000, { inks: ['K', 'gloss varnish'], stands: ['light'] });
    const plant = (fast: Fastness[]): Plant => ({
      ...LINDMOOR,
      inks: { ...LINDMOOR.inks, lamp: { ...LINDMOOR.inks['lamp']!, fast: ['light'] } },
      coats: { gloss: { name: 'Gloss, lamp-dried', waxed: false, lampDried: true, pricePerKg: 22, fast } },
    });
    const weak = (fast: Fastness[]): unknown => found({ spec, plant: plant(fast) }).find((f) => f.code === 'ink.notFast')?.args['what'];
    expect(weak(['fat'])).toBe('Gloss, lamp-dried');
    expect(weak(['light'])).toBeUndefined();
  });
  it('says nothing of unprinted labels on a fit laminate', () => {
    expect(said(food({ inks: [] }))).toEqual([]);
  });
});

describe('a roll beyond its machine', () => {
  const limits = LINDMOOR.machines['web7']!.limits;
  const on = (more: object): Case => ({ spec: labelSpec(), plant: machine('web7', { limits: { ...limits, ...more } }) });
  test.each([
    ['width', { maxWebMm: 300 }],
    ['width', { minWebMm: 510 }],
    ['diameter', { maxRollDiameterMm: 800 }],
    ['mass', { maxRollKg: 200 }],
    ['core', { coreMm: 152 }],
  ])('is told by its %s', (what, limit) => {
    const [f] = found(on(limit)).filter((x) => x.code === 'roll.overMachine' && x.at === 'label.web.print');
    expect(f?.args['what']).toBe(what);
  });
  it('is sent to be rewound where no other roll of its grade fits', () => {
    const [f] = found(on({ coreMm: 152 })).filter((x) => x.code === 'roll.overMachine');
    expect(f?.remedies).toEqual([{ do: 'ask', says: 'remedy.rewindRoll', desk: 'store' }]);
  });
});
