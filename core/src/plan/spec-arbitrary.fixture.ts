import fc from 'fast-check';
import type { JobSpec } from '../product/job-spec';
import { JobSpecSchema } from './door';
import { anyRolls } from './rolls-arbitrary.fixture';
import { CARTON_COATS } from '../families/folding-carton-wish';
import { CARTON_STYLES } from '../product/die-line/carton-ask';
import { labelSpec } from './line-2.fixture';
import { ferryTimetable } from './line-3.fixture';
import { BOOKLET_COVERS, PRINTED_ON } from '../families/booklet-wish';
import { BOUND_AS, INSERT_COUNTED, LAMINATIONS, SPINE_FOLDS } from '../families/paperback-wish';
import { ADHESIVES } from '../product/adhesive';
import { CREEP_CURES, CREEP_SCHOOLS } from '../product/bound';
import { cartonSpec } from './line-4.fixture';
import { shortNovel } from './line-6.fixture';
import { pocketHerbal } from './line-7.fixture';
import { SPINE_FORMS } from '../families/hardcover-wish';

/* Specifications of every sort the schema lets in, sensible and not: for the law that plan() never throws. */

const ink = fc.constantFrom('K', 'C', 'M', 'Y', 'moss', 'bronze', 'white');
const size = fc.oneof(
  { weight: 9, arbitrary: fc.integer({ min: 20, max: 900 }) },
  { weight: 1, arbitrary: fc.double({ min: 40, max: 1200, noNaN: true }) },
);
const optional = <T>(a: fc.Arbitrary<T>): fc.Arbitrary<T | undefined> => fc.option(a, { nil: undefined });
const supply = fc.constantFrom({ from: 'buy' as const, leadDays: 2 }, { from: 'customer' as const }, { from: 'here' as const });
const wish = fc.record({
  openWidthMm: optional(size),
  openHeightMm: optional(size),
  folds: optional(fc.integer({ min: 0, max: 6 })),
  foldedWidthMm: optional(size),
  front: optional(fc.uniqueArray(ink, { maxLength: 7 })),
  back: optional(fc.uniqueArray(ink, { maxLength: 7 })),
  totalInkPercent: optional(fc.integer({ min: 0, max: 400 })),
  bleedMm: optional(fc.double({ min: 0, max: 50, noNaN: true })),
  smallestDistanceMm: optional(fc.integer({ min: 0, max: 500 })),
  grain: optional(fc.constantFrom('fold' as const, 'free' as const)),
  foils: optional(
    fc.dictionary(
      fc.constantFrom('f1', 'f2', 'f3'),
      fc.record({ name: fc.constantFrom('crest', 'line'), widthMm: size, heightMm: size, tool: optional(fc.constantFrom('F-1', 'F-2')) }),
    ),
  ),
  foilToPrintMm: optional(fc.double({ min: 0, max: 10, noNaN: true })),
  applied: optional(
    fc.dictionary(
      fc.constantFrom('r1', 'r2'),
      fc.record({
        name: fc.constant('ribbon'),
        secondsEach: fc.double({ min: 0, max: 3600, noNaN: true }),
        each: fc.integer({ min: 1, max: 100 }),
        supply,
      }),
    ),
  ),
  envelope: optional(fc.constantFrom('lined', '')),
  sealed: optional(fc.boolean()),
  perBand: optional(fc.integer({ min: 1, max: 1000 })),
  perCarton: optional(fc.integer({ min: 1, max: 100_000 })),
  grade: optional(fc.constantFrom('Ivory board 300', 'Cotton board 350', 'Gloss coated 150', 'no such grade')),
});
const settings = fc.dictionary(
  fc.constantFrom(
    'runningPpm',
    'setupSheets',
    'perHour',
    'repeat',
    'waitS',
    'liftMm',
    'people',
    'score',
    'owner',
    'series',
    'coatSeries',
    'layers',
    'gapMm',
    'cutS',
    'inkOrder',
  ),
  fc.oneof(
    fc.integer({ min: 0, max: 1_000_000 }),
    fc.double({ min: 1e-6, max: 1e6, noNaN: true }),
    fc.constantFrom('repeat', 'none', 'customer', 'lamp', 'oilWax', 'cyanFirst', 'groundFirst', 'dispersion', ''),
  ),
);
const stones = ['stock', 'plates', 'print', 'foil', 'cut', 'fold', 'hands', 'envelope', 'band', 'pack'].map((k) => `card.card.${k}`);

/** Any job of line 1 the door lets in. */
const anyCard: fc.Arbitrary<JobSpec> = fc
  .record({
    quantity: fc.oneof(fc.integer({ min: 1, max: 100_000 }), fc.constantFrom(1, 1_000_000_000)),
    wish,
    set: fc.boolean(),
    under: fc.integer({ min: 0, max: 1_000_000 }),
    over: fc.integer({ min: 0, max: 1_000_000 }),
    machine: fc.dictionary(fc.constantFrom(...stones), fc.constantFrom('press1', 'press3', 'press5', 'nowhere')),
    stock: optional(fc.constantFrom('ivory300-520x720', 'cotton350-500x700', 'gloss150-640x900', 'nothing')),
    style: optional(fc.constantFrom('simplex', 'sheetwise', 'turn', 'tumble', 'perfect', 'nonsense')),
    settings: fc.dictionary(fc.constantFrom(...stones), settings),
    drop: fc.subarray(stones),
    aim: optional(fc.integer({ min: 1, max: 200_000 })),
    override: optional(fc.double({ min: 1e-6, max: 1e9, noNaN: true })),
    at: fc.constantFrom('card.card.print.run', 'card.card.copiesUp', 'card.card.cut.perLift', 'i1.wanted', 'gone.figure'),
  })
  .map((r): JobSpec =>
    JobSpecSchema.parse(
      JSON.parse(
        JSON.stringify({
          schema: 1,
          name: 'generated',
          items: {
            i1: {
              orderLine: null,
              product: r.set ? 'set' : 'card',
              versions: { only: { name: 'only', quantity: r.quantity, changes: [] } },
              deliveries: [],
              overs: { underPpm: r.under, overPpm: r.over, extra: 'stock' },
              pieces: 'alike',
              balanced: false,
            },
          },
          products: {
            card: { kind: 'made', family: 'folded-card', wish: r.wish },
            ...(r.set && {
              pen: { kind: 'supplied', name: 'pen', from: { from: 'buy', leadDays: 1 } },
              set: {
                kind: 'set',
                by: 'assemble',
                of: [
                  { product: 'card', times: 2 },
                  { product: 'pen', times: 1 },
                ],
              },
            }),
          },
          choices: {
            machine: r.machine,
            stock: r.stock ? { 'card.card': r.stock } : {},
            workStyle: r.style ? { 'card.card': r.style } : {},
            supply: {},
            layout: {},
            settings: r.settings,
            aim: r.aim ? { i1: r.aim } : {},
            route: { drop: r.drop },
          },
          overrides: r.override === undefined ? {} : { [r.at]: { value: r.override, reason: 'generated', by: 'test', until: 9e9 } },
          decisions: {},
        }),
      ),
    ),
  );

const labelMm = fc.oneof(
  { weight: 9, arbitrary: fc.integer({ min: 3, max: 300 }) },
  { weight: 1, arbitrary: fc.double({ min: 3, max: 900, noNaN: true }) },
);
const labelWish = fc.record({
  widthMm: optional(labelMm),
  heightMm: optional(labelMm),
  across: optional(fc.integer({ min: 1, max: 30 })),
  along: optional(fc.integer({ min: 1, max: 30 })),
  gapMm: optional(fc.double({ min: 0, max: 20, noNaN: true })),
  edgeMm: optional(fc.double({ min: 0, max: 20, noNaN: true })),
  inks: optional(fc.uniqueArray(ink, { maxLength: 7 })),
  bleedMm: optional(fc.double({ min: 0, max: 5, noNaN: true })),
  grade: optional(fc.constantFrom('Label paper, permanent', 'Label film, removable', 'Ivory board 300', 'no such grade')),
  food: optional(fc.boolean()),
  perforated: optional(fc.boolean()),
  backSlitMm: optional(fc.integer({ min: 5, max: 400 })),
  delivered: optional(fc.constantFrom('sheets' as const, 'rolls' as const)),
  sheetsAStack: optional(fc.integer({ min: 1, max: 2_000 })),
  piecesARoll: optional(fc.integer({ min: 1, max: 50_000 })),
  wrapped: optional(fc.boolean()),
  rejects: optional(fc.constantFrom('destroy' as const, 'recycle' as const)),
});
const webSettings = fc.dictionary(
  fc.constantFrom(
    'runningPpm',
    'setupMetres',
    'spliceMetres',
    'repeatMm',
    'perHour',
    'repeat',
    'series',
    'coatSeries',
    'samples',
    'people',
    'toleranceMm',
  ),
  fc.oneof(
    fc.integer({ min: 0, max: 1_000_000 }),
    fc.double({ min: 1e-6, max: 2_000, noNaN: true }),
    fc.constantFrom('repeat', 'lamp', 'lampFood', 'lampGloss', 'oil', ''),
  ),
);
const webStones = ['stock', 'plates', 'print', 'camera', 'sheet', 'die', 'reject', 'stack', 'wind', 'pack'].map((k) => `label.web.${k}`);

/** Any job of line 2 the door lets in. */
const anyLabel: fc.Arbitrary<JobSpec> = fc
  .record({
    quantity: fc.oneof(fc.integer({ min: 1, max: 5_000_000 }), fc.constantFrom(1, 1_000_000_000)),
    wish: labelWish,
    machine: fc.dictionary(fc.constantFrom(...webStones), fc.constantFrom('web7', 'press3', 'nowhere')),
    stock: optional(fc.constantFrom('label162-500', 'labelfilm138-500', 'ivory300-520x720', 'nothing')),
    settings: fc.dictionary(fc.constantFrom(...webStones), webSettings),
    drop: fc.subarray(webStones),
  })
  .map((r): JobSpec =>
    JobSpecSchema.parse(
      JSON.parse(
        JSON.stringify({
          ...labelSpec(r.quantity),
          products: { label: { kind: 'made', family: 'label-sheet', wish: r.wish } },
          choices: {
            ...labelSpec().choices,
            machine: r.machine,
            stock: r.stock ? { 'label.web': r.stock } : {},
            settings: r.settings,
            route: { drop: r.drop },
          },
        }),
      ),
    ),
  );

const insideMm = fc.oneof(
  { weight: 9, arbitrary: fc.integer({ min: 12, max: 300 }) },
  { weight: 1, arbitrary: fc.double({ min: 12, max: 600, noNaN: true }) },
);
const placed = fc.dictionary(
  fc.constantFrom('a', 'b'),
  fc.record({
    name: fc.constant('leaf'),
    widthMm: fc.integer({ min: 1, max: 200 }),
    heightMm: fc.integer({ min: 1, max: 200 }),
    xMm: optional(fc.integer({ min: 0, max: 900 })),
    yMm: optional(fc.integer({ min: 0, max: 900 })),
  }),
);
const cartonWish = fc.record({
  style: optional(fc.constantFrom(...CARTON_STYLES)),
  lengthMm: optional(insideMm),
  widthMm: optional(insideMm),
  heightMm: optional(insideMm),
  flapMm: optional(fc.integer({ min: 5, max: 60 })),
  tuckMm: optional(fc.integer({ min: 5, max: 60 })),
  reliefMm: optional(fc.double({ min: 0, max: 10, noNaN: true })),
  front: optional(fc.uniqueArray(ink, { maxLength: 7 })),
  back: optional(fc.uniqueArray(ink, { maxLength: 2 })),
  coat: optional(fc.constantFrom(...CARTON_COATS)),
  reliefs: optional(placed),
  foils: optional(placed),
  food: optional(fc.boolean()),
  perCase: optional(fc.integer({ min: 1, max: 2_000 })),
  die: optional(fc.constantFrom('D-1', 'D-2')),
  grade: optional(fc.constantFrom('Folding board 275', 'Ivory board 300', 'Label paper, permanent', 'no such grade')),
});
const cartonSettings = fc.dictionary(
  fc.constantFrom('runningPpm', 'setupSheets', 'perHour', 'repeat', 'waitS', 'separate', 'glue', 'perCarton', 'layers', 'liftMm', 'carton'),
  fc.oneof(fc.integer({ min: 0, max: 1_000_000 }), fc.constantFrom('repeat', 'hammer', 'hotMelt', 'case400', 'nothing', '')),
);
const cartonStones = ['stock', 'plates', 'print', 'foil', 'emboss', 'die', 'breakOut', 'glue', 'pack'].map((k) => `carton.blank.${k}`);

/** Any job of line 4 the door lets in. */
const anyCarton: fc.Arbitrary<JobSpec> = fc
  .record({
    quantity: fc.oneof(fc.integer({ min: 1, max: 500_000 }), fc.constantFrom(1, 1_000_000_000)),
    wish: cartonWish,
    machine: fc.dictionary(fc.constantFrom(...cartonStones), fc.constantFrom('press8', 'press5', 'press1', 'nowhere')),
    stock: optional(fc.constantFrom('fold275-1060x670', 'fold275-1080x720', 'ivory300-520x720', 'nothing')),
    style: optional(fc.constantFrom('simplex', 'sheetwise', 'turn', 'perfect', 'nonsense')),
    settings: fc.dictionary(fc.constantFrom(...cartonStones), cartonSettings),
    drop: fc.subarray(cartonStones),
  })
  .map((r): JobSpec =>
    JobSpecSchema.parse(
      JSON.parse(
        JSON.stringify({
          ...cartonSpec(r.quantity),
          products: { carton: { kind: 'made', family: 'folding-carton', wish: r.wish } },
          choices: {
            ...cartonSpec().choices,
            machine: r.machine,
            stock: r.stock ? { 'carton.blank': r.stock } : {},
            workStyle: r.style ? { 'carton.blank': r.style } : {},
            settings: r.settings,
            route: { drop: r.drop },
          },
        }),
      ),
    ),
  );

const bookletWish = fc.record({
  widthMm: optional(fc.oneof(fc.integer({ min: 70, max: 320 }), fc.double({ min: 70, max: 320, noNaN: true }))),
  heightMm: optional(fc.oneof(fc.integer({ min: 70, max: 480 }), fc.double({ min: 70, max: 480, noNaN: true }))),
  pages: optional(fc.oneof(fc.integer({ min: 1, max: 256 }), fc.constantFrom(1, 2, 3, 5, 8, 44, 64))),
  cover: optional(fc.constantFrom(...BOOKLET_COVERS)),
  printedOn: optional(fc.constantFrom(...PRINTED_ON)),
  spine: optional(fc.constantFrom('left' as const, 'right' as const)),
  front: optional(fc.uniqueArray(ink, { maxLength: 7 })),
  back: optional(fc.uniqueArray(ink, { maxLength: 6 })),
  coverFront: optional(fc.uniqueArray(ink, { maxLength: 7 })),
  coverBack: optional(fc.uniqueArray(ink, { maxLength: 4 })),
  grade: optional(fc.constantFrom('Matt coated 100', 'Gloss coated 150', 'Magazine web 60', 'Ivory board 300', 'no such grade')),
  coverGrade: optional(fc.constantFrom('Matt coated 200', 'Ivory board 300', 'Cotton board 350', 'no such grade')),
  stitches: optional(fc.integer({ min: 1, max: 4 })),
  stitchFromHeadMm: optional(fc.integer({ min: 0, max: 200 })),
  creep: optional(fc.constantFrom(...CREEP_SCHOOLS)),
  dummyMm: optional(fc.double({ min: 0, max: 50, noNaN: true })),
  cure: optional(fc.constantFrom(...CREEP_CURES)),
  spreads: optional(fc.constantFrom('', '12, 22', '9999')),
  perCarton: optional(fc.integer({ min: 1, max: 2_000 })),
});
const bookletSettings = fc.dictionary(
  fc.constantFrom(
    'runningPpm',
    'setupSheets',
    'perHour',
    'repeat',
    'sections',
    'lapOn',
    'lapMm',
    'faceMm',
    'headMm',
    'footMm',
    'waitS',
    'liftMm',
  ),
  fc.oneof(
    fc.integer({ min: 0, max: 1_000_000 }),
    fc.constantFrom('repeat', 'low', 'high', '16 16 8', '8 8', '32', '0', '4 4 4 4 4 4 4 4 4 4', 'no sections'),
  ),
);
const bookletStones = [
  ...['stock', 'plates', 'print', 'cut', 'fold', 'stitch', 'pack'].map((k) => `booklet.text.${k}`),
  ...['coverStock', 'coverPlates', 'coverPrint', 'coverCut'].map((k) => `booklet.cover.${k}`),
];
const bookletStyle = optional(fc.constantFrom('simplex', 'sheetwise', 'turn', 'tumble', 'perfect', 'nonsense'));

/** Any job of line 3 the door lets in. */
export const anyBooklet: fc.Arbitrary<JobSpec> = fc
  .record({
    quantity: fc.oneof(fc.integer({ min: 1, max: 500_000 }), fc.constantFrom(1, 1_000_000_000)),
    wish: bookletWish,
    machine: fc.dictionary(fc.constantFrom(...bookletStones), fc.constantFrom('press9', 'press5', 'press1', 'nowhere')),
    stock: optional(fc.constantFrom('matt100-700x1000', 'magazine60-880', 'ivory300-520x720-short', 'nothing')),
    style: bookletStyle,
    ofForm: bookletStyle,
    settings: fc.dictionary(fc.constantFrom(...bookletStones), bookletSettings),
    drop: fc.subarray(bookletStones),
  })
  .map((r): JobSpec => {
    const { choices, ...booklet } = ferryTimetable();
    return JobSpecSchema.parse(
      JSON.parse(
        JSON.stringify({
          ...booklet,
          items: { i1: { ...booklet.items['i1'], versions: { all: { name: 'all', quantity: r.quantity, changes: [] } } } },
          products: { booklet: { kind: 'made', family: 'booklet', wish: r.wish } },
          choices: {
            ...choices,
            machine: r.machine,
            stock: r.stock ? { 'booklet.text': r.stock } : {},
            workStyle: { ...(r.style && { 'booklet.text': r.style }), ...(r.ofForm && { 'booklet.text.f2': r.ofForm }) },
            settings: r.settings,
            route: { drop: r.drop },
          },
        }),
      ),
    );
  });

const bookWish = fc.record({
  widthMm: optional(fc.oneof(fc.integer({ min: 90, max: 300 }), fc.double({ min: 90, max: 300, noNaN: true }))),
  heightMm: optional(fc.oneof(fc.integer({ min: 120, max: 340 }), fc.double({ min: 120, max: 340, noNaN: true }))),
  pages: optional(fc.oneof(fc.integer({ min: 1, max: 1_300 }), fc.constantFrom(1, 2, 3, 5, 276, 288, 1_201))),
  front: optional(fc.uniqueArray(ink, { maxLength: 5 })),
  back: optional(fc.uniqueArray(ink, { maxLength: 5 })),
  grade: optional(fc.constantFrom('Book wove 70', 'Matt coated 100', 'Ivory board 300', 'no such grade')),
  insertPages: optional(fc.integer({ min: 1, max: 64 })),
  insertAfter: optional(fc.integer({ min: 0, max: 2_000 })),
  insertCounted: optional(fc.constantFrom(...INSERT_COUNTED)),
  insertGrade: optional(fc.constantFrom('Gloss coated 115', 'Book wove 70', 'no such grade')),
  coverGrade: optional(fc.constantFrom('Cover board 240', 'Matt coated 200', 'no such grade')),
  coverBack: optional(fc.uniqueArray(ink, { maxLength: 4 })),
  lamination: optional(fc.constantFrom(...LAMINATIONS)),
  flapMm: optional(fc.integer({ min: 60, max: 110 })),
  adhesive: optional(fc.constantFrom(...ADHESIVES)),
  folds: optional(fc.constantFrom(...SPINE_FOLDS)),
  twoUp: optional(fc.constantFrom(...BOUND_AS)),
  spine: optional(fc.constantFrom('left' as const, 'right' as const)),
  dummyMm: optional(fc.double({ min: 0.5, max: 200, noNaN: true })),
  artSpineMm: optional(fc.double({ min: 0.5, max: 200, noNaN: true })),
  perCarton: optional(fc.integer({ min: 1, max: 2_000 })),
});
const bookSettings = fc.dictionary(
  fc.constantFrom('runningPpm', 'setupSheets', 'perHour', 'repeat', 'sections', 'filmMm', 'coolingS', 'cureS'),
  fc.oneof(fc.integer({ min: 0, max: 1_000_000 }), fc.constantFrom('repeat', '16 16 8', '8 8', '32', '0', 'no sections')),
);
const bookStones = [
  ...['stock', 'plates', 'print', 'cut', 'fold', 'bind', 'saw', 'trim', 'pack'].map((k) => `book.text.${k}`),
  ...['insertStock', 'insertPrint', 'insertCut', 'insertFold'].map((k) => `book.insert.${k}`),
  ...['coverStock', 'coverPlates', 'coverPrint', 'coverCut'].map((k) => `book.cover.${k}`),
];

/** Any job of a line of books: an order of the line with any quantity, wish, machines, work style, settings, and stones taken off. */
const anyBook = (
  base: JobSpec,
  text: string,
  stones: readonly string[],
  wish: fc.Arbitrary<unknown>,
  settings: fc.Arbitrary<unknown>,
  machines: readonly string[],
): fc.Arbitrary<JobSpec> =>
  fc
    .record({
      quantity: fc.oneof(fc.integer({ min: 1, max: 500_000 }), fc.constantFrom(1, 1_000_000_000)),
      wish,
      machine: fc.dictionary(fc.constantFrom(...stones), fc.constantFrom(...machines)),
      style: bookletStyle,
      settings: fc.dictionary(fc.constantFrom(...stones), settings),
      drop: fc.subarray([...stones]),
    })
    .map((r): JobSpec => {
      const products = Object.entries(base.products).map(([id, product]) => [id, { ...product, wish: r.wish }]);
      return JobSpecSchema.parse(
        JSON.parse(
          JSON.stringify({
            ...base,
            items: { i1: { ...base.items['i1'], versions: { all: { name: 'all', quantity: r.quantity, changes: [] } } } },
            products: Object.fromEntries(products),
            choices: {
              ...base.choices,
              machine: r.machine,
              workStyle: r.style ? { [text]: r.style } : {},
              settings: r.settings,
              route: { drop: r.drop },
            },
          }),
        ),
      );
    });

/** Any job of line 6 the door lets in. */
export const anyPaperback = anyBook(shortNovel(), 'book.text', bookStones, bookWish, bookSettings, [
  'press9',
  'press5',
  'press1',
  'nowhere',
]);

const caseWish = fc.record({
  widthMm: optional(fc.oneof(fc.integer({ min: 80, max: 300 }), fc.double({ min: 80, max: 300, noNaN: true }))),
  heightMm: optional(fc.oneof(fc.integer({ min: 110, max: 420 }), fc.double({ min: 110, max: 420, noNaN: true }))),
  pages: optional(fc.oneof(fc.integer({ min: 8, max: 1_300 }), fc.constantFrom(8, 9, 12, 20, 252, 256, 1_201))),
  front: optional(fc.uniqueArray(ink, { maxLength: 5 })),
  back: optional(fc.uniqueArray(ink, { maxLength: 5 })),
  grade: optional(fc.constantFrom('Text wove 80', 'Matt coated 200', 'Ivory board 300', 'no such grade')),
  endGrade: optional(fc.constantFrom('Endpaper wove 120', 'no such grade')),
  spine: optional(fc.constantFrom('left' as const, 'right' as const)),
  spineForm: optional(fc.constantFrom(...SPINE_FORMS)),
  angleDeg: optional(fc.integer({ min: 60, max: 150 })),
  boardGrade: optional(fc.constantFrom('Binder’s board 2.5', 'Binder’s board 2', 'no such grade')),
  squareMm: optional(fc.double({ min: 0, max: 15, noNaN: true })),
  setBackMm: optional(fc.integer({ min: 0, max: 20 })),
  jointMm: optional(fc.integer({ min: 3, max: 20 })),
  covering: optional(fc.constantFrom('cloth' as const, 'paper' as const)),
  clothMm: optional(fc.integer({ min: 50, max: 1_500 })),
  lamination: optional(fc.constantFrom(...LAMINATIONS)),
  titles: optional(
    fc.dictionary(
      fc.constantFrom('t1', 't2', 't3'),
      fc.record({
        name: fc.constantFrom('Herbal', 'II'),
        place: fc.constantFrom('front', 'spine'),
        widthMm: fc.integer({ min: 1, max: 300 }),
        heightMm: fc.integer({ min: 1, max: 420 }),
      }),
    ),
  ),
  headband: optional(fc.boolean()),
  ribbon: optional(fc.boolean()),
  colouredEdges: optional(fc.boolean()),
  flapMm: optional(fc.integer({ min: 60, max: 150 })),
  jacketFilm: optional(fc.constantFrom(...LAMINATIONS)),
  dummyMm: optional(fc.double({ min: 0.5, max: 200, noNaN: true })),
  measuredMm: optional(fc.double({ min: 0.5, max: 200, noNaN: true })),
  perCarton: optional(fc.integer({ min: 1, max: 2_000 })),
});
const caseSettings = fc.dictionary(
  fc.constantFrom('runningPpm', 'setupSheets', 'perHour', 'repeat', 'sections', 'pitchMm', 'glueMm', 'liningS', 'pressS', 'joints'),
  fc.oneof(fc.integer({ min: 0, max: 1_000_000 }), fc.constantFrom('repeat', '32 16 4', '8 8', '4', 'builtIn', 'no sections')),
);
const caseStones = [
  ...['stock', 'plates', 'print', 'slit', 'fold', 'endpapers', 'gather', 'sew', 'nip', 'trim', 'line', 'caseIn', 'jacket', 'pack'].map(
    (k) => `hardback.text.${k}`,
  ),
  ...['endStock', 'endCut'].map((k) => `hardback.endpaper.${k}`),
  ...['coverStock', 'coverPrint', 'coverCut', 'case', 'title'].map((k) => `hardback.covering.${k}`),
  ...['hardback.board.boardStock', 'hardback.board.boardCut', 'hardback.strip.stripCut', 'hardback.jacket.jacketCut'],
];
/** Any job of line 7 the door lets in. */
export const anyHardcover = anyBook(pocketHerbal(), 'hardback.text', caseStones, caseWish, caseSettings, [
  'presswide1',
  'press5',
  'nowhere',
]);

/** Any specification the door lets in. */
export const anySpec: fc.Arbitrary<JobSpec> = fc.oneof(
  { weight: 2, arbitrary: anyCard },
  { weight: 1, arbitrary: anyLabel },
  { weight: 1, arbitrary: anyCarton },
  { weight: 1, arbitrary: anyBooklet },
  { weight: 1, arbitrary: anyPaperback },
  { weight: 1, arbitrary: anyHardcover },
  { weight: 1, arbitrary: anyRolls },
);
