import * as z from 'zod';
import { ABILITY_KEYS } from './abilities';
import { FASTNESS } from './fastness';
import { CARTON_BASES, PRACTICE_TAGS, type Plant, type Shelf } from './plant';
import { refuseInWords } from '../words/refusals';

refuseInWords();

/* The door for plant and shelf. Bounds keep out nonsense (a sheet of 20 m), not unusual plants. */

/** Names that every object of the language has already (`constructor`): looked up as an id they would find what nobody entered. */
export const isFreeName = (name: string): boolean => !(name in Object.prototype);
export const KEPT_NAME = 'is a name the program keeps for itself';

export const idText = z
  .string()
  .min(1)
  .max(120)
  .regex(/^[\p{L}\p{N}._:+@>-]+$/u, 'may hold letters, digits and . _ : + @ > - only')
  .refine(isFreeName, KEPT_NAME);
const positive = (most: number): z.ZodNumber => z.number().positive().max(most);
const notNegative = (most: number): z.ZodNumber => z.number().nonnegative().max(most);
const sizeMm = z.tuple([positive(5_000), positive(5_000)]);
const shortText = z.string().min(1).max(80);
const moment = z.number().int().nonnegative().max(1e11);

const practice = z.strictObject({
  value: notNegative(1e9),
  pm: notNegative(1e9),
  unit: z.string().max(12),
  tag: z.enum(PRACTICE_TAGS),
  source: z.string().min(1).max(300),
});
const machine = z.strictObject({
  name: z.string().min(1).max(80),
  processes: z.array(idText).min(1).max(40),
  perHour: positive(1e6),
  netPerHour: positive(1e6),
  crew: z.number().int().min(1).max(50),
  setupS: notNegative(1e6),
  setupRepeatS: notNegative(1e6),
  setupCostPerHour: notNegative(1e5),
  runCostPerHour: notNegative(1e5),
  minSheetMm: sizeMm.optional(),
  maxSheetMm: sizeMm.optional(),
  limits: z.partialRecord(z.enum(ABILITY_KEYS), z.number().min(-1e9).max(1e9)),
  retired: z.literal(true).optional(),
  outside: z
    .strictObject({ supplier: z.string().min(1).max(80), days: notNegative(365), lossPpm: z.number().int().min(0).max(500_000) })
    .optional(),
});
const stock = z.strictObject({
  name: z.string().min(1).max(80),
  form: z.enum(['sheet', 'roll', 'board', 'film', 'foil', 'goods']),
  grade: z.string().min(1).max(80),
  // Plates of metal for dies are stock too.
  gsm: notNegative(200_000),
  caliperUm: notNegative(50_000),
  panelAddMm: notNegative(10).optional(),
  widthMm: positive(5_000),
  lengthMm: positive(5_000).optional(),
  grain: z.enum(['long', 'short']).optional(),
  surface: z.enum(['gloss', 'matt', 'uncoated']).optional(),
  totalInkPercent: positive(400).optional(),
  reflectance: z.array(z.number().min(0).max(1.5)).length(36, 'needs 36 values, 380 to 730 nm').optional(),
  soft: z.boolean().optional(),
  price: z
    .array(z.tuple([notNegative(1e9), notNegative(1e7)]))
    .min(1)
    .max(20),
  leadDays: notNegative(365),
  packOf: z.number().int().min(1).max(1e6).optional(),
  leastOrder: z.number().int().min(1).max(1e9).optional(),
  rollKg: positive(10_000).optional(),
  rollDiameterMm: positive(3_000).optional(),
  coreMm: positive(1_000).optional(),
  coreKg: notNegative(200).optional(),
  laminate: z.strictObject({ face: shortText, adhesive: shortText, liner: shortText, foodSafe: z.boolean() }).optional(),
  surfaceMnPerM: positive(100).optional(),
});
const inkSeries = z.strictObject({
  name: z.string().min(1).max(80),
  lowMigration: z.boolean().optional(),
  waxed: z.boolean(),
  lampDried: z.boolean(),
  pricePerKg: notNegative(1e4),
  fast: z.array(z.enum(FASTNESS)).max(FASTNESS.length).optional(),
  tack: z.record(z.string().min(1).max(30), positive(100)).optional(),
  filmGsm: positive(200).optional(),
  thinned: z.boolean().optional(),
  water: z.boolean().optional(),
});
const lines = z
  .array(z.tuple([z.number().int().min(1).max(1e9), z.number().int().min(0).max(1e9)]))
  .min(1)
  .max(20)
  .refine(
    (points) =>
      points.every(([good, lost], i) => {
        const before = points[i - 1];
        return !before || (good > before[0] && good + lost >= before[0] + before[1]);
      }),
    'must rise: more good copies never need fewer sheets in all',
  );
const spoilage = z.strictObject({
  school: z.enum(['setupRunning', 'table']),
  tables: z
    .array(z.strictObject({ upToInks: z.number().int().min(0).max(20), lines }))
    .min(1)
    .max(8),
});
const printAim = z.strictObject({
  lab: z.tuple([
    z.number().min(0, 'L* is at least 0').max(100, 'L* is at most 100'),
    z.number().min(-150).max(150),
    z.number().min(-150).max(150),
  ]),
  density: positive(4),
  deltaE: positive(20),
  tvi50: z.number().min(-20).max(50),
  tviOff: positive(20),
});
const clock = z.string().regex(/^([01]\d|2[0-4]):[0-5]\d$/, 'is a time such as 06:00');

const day = z.iso.date('is a day such as 2026-12-24');
const days = { from: day, to: day };
const endsAfterItBegins = (c: { from: string; to: string }): boolean => c.from <= c.to;
const shift = z.strictObject({
  name: shortText,
  days: z.array(z.number().int().min(1).max(7)).min(1, 'needs a weekday').max(7),
  from: clock,
  to: clock,
  breaks: z.array(z.tuple([clock, clock])).max(6),
});
const calendar = z.strictObject({
  shifts: z.record(idText, shift),
  machines: z.record(idText, z.array(idText).max(10)),
  people: z.record(
    idText,
    z.strictObject({
      name: shortText,
      machines: z.array(idText).max(40),
      shifts: z.array(idText).max(10),
      away: z.array(z.strictObject(days).refine(endsAfterItBegins, 'ends before it begins')).max(60),
    }),
  ),
  closed: z.record(
    idText,
    z.strictObject({ name: shortText, ...days, machine: idText.optional() }).refine(endsAfterItBegins, 'ends before it begins'),
  ),
});

const packCard = z.strictObject({
  name: shortText,
  widthMm: positive(3_000),
  depthMm: positive(3_000),
  heightMm: positive(3_000),
  emptyKg: notNegative(200),
  price: notNegative(1e5),
  wallMm: notNegative(50).optional(),
  onEdgeOnly: z.boolean().optional(),
});

/** Bounds of the flaps of a carton, mm: those of its order too. */
export const cartonFlaps = {
  flapMm: z.number().min(5, 'must be at least 5 mm').max(60),
  tuckMm: z.number().min(5, 'must be at least 5 mm').max(60),
  reliefMm: z.number().min(0).max(10),
};
const cartonStyle = z.strictObject({
  name: shortText,
  base: z.enum(CARTON_BASES),
  flapMm: cartonFlaps.flapMm.optional(),
  tuckMm: cartonFlaps.tuckMm.optional(),
  reliefMm: cartonFlaps.reliefMm.optional(),
});

export const PlantSchema = z
  .strictObject({
    schema: z.literal(1),
    name: z.string().min(1).max(80),
    timeZone: z.string().min(1).max(60),
    currency: z.string().length(3),
    machines: z.record(idText, machine),
    stocks: z.record(idText, stock),
    inks: z.record(idText, inkSeries),
    coats: z.record(idText, inkSeries).optional(),
    usualInk: idText,
    usualGrade: z.string().min(1).max(80),
    practice: z.record(z.string().max(60), practice),
    spoilage: z.record(idText, spoilage).optional(),
    hours: z.partialRecord(z.enum(['1', '2', '3', '4', '5', '6', '7']), z.array(z.tuple([clock, clock])).max(6)),
    calendar: calendar.optional(),
    cartons: z.record(idText, packCard).optional(),
    pallets: z.record(idText, packCard).optional(),
    cartonStyles: z.record(idText, cartonStyle).optional(),
    aims: z.partialRecord(z.enum(['gloss', 'matt', 'uncoated']), z.partialRecord(z.enum(['K', 'C', 'M', 'Y']), printAim)).optional(),
  })
  .superRefine((plant, cx) => {
    const refuse = (path: string[], message: string): void => {
      cx.addIssue({ code: 'custom', path, message });
    };
    if (!Object.hasOwn(plant.inks, plant.usualInk)) refuse(['usualInk'], 'names an ink series that the plant does not have');
    for (const [id, m] of Object.entries(plant.machines)) {
      if (m.netPerHour > m.perHour) refuse(['machines', id, 'netPerHour'], `is above the rated speed of ${m.perHour} an hour`);
      for (const side of [0, 1] as const)
        if (m.minSheetMm && m.maxSheetMm && m.minSheetMm[side] > m.maxSheetMm[side])
          refuse(['machines', id, 'minSheetMm', String(side)], `is more than the largest sheet, ${m.maxSheetMm[side]} mm`);
    }
    const { shifts = {}, machines = {}, people = {} } = plant.calendar ?? {};
    const knownShifts = (ids: readonly string[], path: string[]): void => {
      for (const id of ids)
        if (!Object.hasOwn(shifts, id)) refuse([...path, 'shifts'], `names a shift “${id}” that the calendar does not have`);
    };
    for (const [id, of] of Object.entries(machines)) knownShifts(of, ['calendar', 'machines', id]);
    for (const [id, p] of Object.entries(people)) knownShifts(p.shifts, ['calendar', 'people', id]);
    for (const [id, m] of Object.entries(plant.machines)) {
      const named = Object.values(people).filter((p) => p.machines.includes(id)).length;
      if (named > 0 && named < m.crew)
        refuse(['calendar', 'people'], `${m.name} needs ${m.crew} at once and names ${named}: name more people, or none`);
    }
    for (const [id, s] of Object.entries(plant.stocks))
      s.price.forEach(([from], i) => {
        if (from <= (s.price[i - 1]?.[0] ?? -1)) refuse(['stocks', id, 'price', String(i), '0'], 'price breaks go up from line to line');
      });
  }) as unknown as z.ZodType<Plant>;

export const ShelfSchema = z.strictObject({
  asOf: moment,
  lots: z.record(
    idText,
    z.strictObject({
      stock: idText,
      quantity: notNegative(1e9),
      owner: z.enum(['works', 'customer']),
      caliperUm: positive(50_000).optional(),
      kg: positive(10_000).optional(),
      diameterMm: positive(3_000).optional(),
      coreMm: positive(1_000).optional(),
    }),
  ),
  tools: z.record(
    idText,
    z.strictObject({ spec: z.string().max(200), lifeLeft: notNegative(1e9), state: z.enum(['store', 'out', 'customer']) }),
  ),
  losses: z.record(
    idText,
    z.strictObject({
      jobs: z.number().int().nonnegative(),
      meanPpm: notNegative(900_000),
      sdPpm: notNegative(900_000),
      runningSpread: notNegative(10).optional(),
      setupFactor: notNegative(100).optional(),
      setupSpread: notNegative(10).optional(),
    }),
  ),
  together: z.strictObject({ spread: notNegative(10), jobs: z.number().int().nonnegative() }).optional(),
  open: z.record(idText, z.array(z.tuple([moment, moment])).max(2_000)),
  gates: z.record(z.string().max(120), z.strictObject({ state: z.enum(['open', 'waiting', 'refused']), by: moment.optional() })),
  counted: z.record(
    idText,
    z.strictObject({
      run: notNegative(1e12),
      good: notNegative(1e12),
      done: z.boolean(),
      setup: notNegative(1e12).optional(),
      samples: notNegative(1e12).optional(),
    }),
  ),
  measured: z.record(idText, z.record(z.string().max(80), z.strictObject({ value: z.number(), by: z.string().max(200) }))).optional(),
  signed: z.record(idText, z.array(z.string().max(200)).max(200)).optional(),
  floor: z
    .strictObject({
      off: z.array(z.strictObject({ step: idText.nullable(), pile: z.string().max(20), by: z.number() })).max(1_000),
      unread: z.array(z.strictObject({ machine: idText, notes: z.number().int().positive() })).max(200),
    })
    .optional(),
  desks: z
    .strictObject({
      inks: z.record(
        z.string().max(30),
        z.strictObject({
          accepted: z.boolean(),
          fast: z.array(z.enum(FASTNESS)).max(FASTNESS.length).optional(),
          lowMigration: z.boolean().optional(),
        }),
      ),
      forms: z.record(idText, z.strictObject({ versions: z.array(z.string().max(40)).max(100), kept: z.number().int().nonnegative() })),
      approved: z.string().max(40).nullable(),
      register: z
        .array(
          z.strictObject({
            step: idText,
            ink: z.string().max(30),
            leftMm: notNegative(100),
            toleranceMm: notNegative(100),
            remedy: z.string().max(20),
          }),
        )
        .max(200),
      totalInk: z.record(idText, notNegative(3_000)).optional(),
    })
    .optional(),
  frozen: z.record(z.string().max(120), z.string().max(64)),
  due: z.record(idText, moment),
  coming: z.record(idText, z.array(z.tuple([moment, notNegative(1e9)])).max(500)).optional(),
  busy: z.record(idText, z.strictObject({ seconds: notNegative(1e12), job: z.number().int().positive() })).optional(),
  jobs: z
    .record(
      idText,
      z.strictObject({
        number: z.number().int().positive(),
        name: z.string().max(120),
        readyAt: moment,
        delivered: z.boolean(),
        money: notNegative(1e12),
        tool: idText.optional(),
        cylinders: z
          .strictObject({ turnMm: notNegative(5_000), bandMm: notNegative(5_000), inks: z.array(z.string().max(80)).max(20) })
          .optional(),
      }),
    )
    .optional(),
  palletLimit: z.strictObject({ kg: positive(5_000), heightMm: positive(4_000) }).optional(),
}) as unknown as z.ZodType<Shelf>;
