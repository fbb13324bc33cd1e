import * as z from 'zod';
import type { Id, Override } from '../quantity/figure';
import type { Supply } from '../flow/net';
import { idText } from '../plant/plant-schema';
import { refuseInWords } from '../words/refusals';

refuseInWords();

/** Each family adds the type of its wish by declaration merging. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- empty here on purpose: families fill it
export interface Wishes {}
export type FamilyId = Extract<keyof Wishes, string>;

export type Product =
  | { [F in FamilyId]: { kind: 'made'; family: F; wish: Wishes[F] } }[FamilyId]
  | { kind: 'supplied'; name: string; from: Supply }
  | { kind: 'set'; by: Id<'process'>; of: { product: Id<'product'>; times: number }[] };

export type OversGo = 'customer' | 'stock' | 'recycle' | 'destroy';
export interface Item {
  /** Null: the works itself wants it (a die, a cylinder). */
  orderLine: Id<'orderLine'> | null;
  product: Id<'product'>;
  versions: Record<Id<'version'>, { name: string; quantity: number; changes: string[] }>;
  /** Plant-local date and time; shares add up to the versions. */
  deliveries: { by: string; share: Record<Id<'version'>, number>; to: string }[];
  overs: { underPpm: number; overPpm: number; extra: OversGo };
  pieces: 'alike' | 'unlike';
  balanced: boolean;
}

/** A decision with where it comes from. `question` is the hash of what was asked: a changed question makes the answer stale. */
export interface Chosen<T> {
  value: T;
  by: 'planner' | 'search';
  question: string;
  proof?: { bound: number; seed: number; iterations: number; core: string };
}
export interface ChosenCells {
  cells: { x: number; y: number; nx: number; ny: number; dx: number; dy: number; turn: 0 | 90 | 180 | 270 }[];
}
export type Settings = Record<string, number | string>;

/** Decisions. What is left out gets plan()'s cheap default, marked as such. */
export interface Choices {
  machine: Record<Id<'stone'>, Id<'machine'>>;
  /** By form: a part's own, or that of its gang. */
  stock: Record<Id<'form'>, Id<'stock'>>;
  workStyle: Record<Id<'form'>, string>;
  supply: Record<string, Supply>;
  layout: Record<Id<'form'>, Chosen<ChosenCells>>;
  /** What a person set on a step. */
  settings: Record<Id<'stone'>, Settings>;
  /** Good pieces the plan aims at, where that is more than was ordered. */
  aim: Record<Id<'item'>, number>;
  route: { drop: Id<'stone'>[] };
  /** Parts of several orders on common forms, and how many copies of each lie on which where somebody set it. */
  gangs?: Record<Id<'form'>, Gang>;
  /** In which order versions run, by product; as they were entered where nothing is said. */
  versions?: Record<Id<'product'>, Id<'version'>[]>;
  /** Another process in place of the family's, by stone. */
  process?: Record<Id<'stone'>, Id<'process'>>;
  /** The share of such jobs that are to have enough; what the plant allows where nothing is said. */
  certainty?: number;
}
export interface Gang {
  parts: Id<'part'>[];
  /** Absent: one form, laid out by the quantities. */
  forms?: GangForm[];
  keep?: GangKeep;
}
/** What holds whoever lays the forms, by hand or by a search. */
export interface GangKeep {
  /** Parts that lie on one form only: on which, 0 the first. */
  on?: Record<Id<'part'>, number>;
  /** Parts that never share a form, two by two. */
  apart?: [Id<'part'>, Id<'part'>][];
  /** Places on which nothing is laid, by their number on the die. */
  closed?: number[];
}
/** One form of a gang: copies of each part on it, and how many good sheets it runs where somebody says so; else as many as they take. */
export interface GangForm {
  copies: Record<Id<'part'>, number>;
  run?: number;
}
/** Forms of one gang at most. */
export const MOST_GANG_FORMS = 4;
/** Bounds of a wished certainty. */
export const CERTAINTY = { min: 0.5, max: 0.999 } as const;

/** What a job may have to wait for: somebody says yes to a version of something. */
export const GATE_KINDS = ['fileProof', 'contractProof', 'dummy', 'drawDown', 'pressOk', 'paper', 'tool'] as const;
export type GateKind = (typeof GATE_KINDS)[number];
/** A gate: who says yes to which version of what, by when, and what waits for it: the release, or the start of a stone. */
export interface Gate {
  kind: GateKind;
  version: string;
  who: string;
  /** Plant-local date and time. */
  by: string;
  holds: 'release' | Id<'stone'>;
}

/** All that a person edits, a file holds, an alternative copies, a revision compares. Sparse: only what was typed. */
export interface JobSpec {
  schema: 1;
  name: string;
  items: Record<Id<'item'>, Item>;
  products: Record<Id<'product'>, Product>;
  choices: Choices;
  overrides: Record<Id<'figure'>, Override>;
  /** Decided findings, by 'code@place'. */
  decisions: Record<string, { by: string; reason: string; at: number }>;
  /** What somebody must say yes to. The answers are no wish: they come with the shelf. */
  gates?: Record<Id<'gate'>, Gate>;
  /** The job this one repeats, by number. */
  again?: number;
}

export const NO_CHOICES: Choices = {
  machine: {},
  stock: {},
  workStyle: {},
  supply: {},
  layout: {},
  settings: {},
  aim: {},
  route: { drop: [] },
};

/** Bounds of an order, also of its form fields. */
export const QUANTITY = { min: 1, max: 1_000_000_000 } as const;
export const LENGTH_MM = { min: 10, max: 5_000 } as const;

const quantity = z
  .number()
  .int('must be a whole number of pieces')
  .min(QUANTITY.min, 'must be at least 1')
  .max(QUANTITY.max, 'is more than any works can run (1,000,000,000 at most)');
export const supplySchema = z.discriminatedUnion('from', [
  z.strictObject({ from: z.literal('here') }),
  z.strictObject({ from: z.literal('customer') }),
  z.strictObject({ from: z.literal('buy'), leadDays: z.number().min(0).max(365) }),
  z.strictObject({ from: z.literal('stock'), stock: idText, lot: idText.optional() }),
  z.strictObject({ from: z.literal('store'), tool: idText }),
  z.strictObject({ from: z.literal('job'), job: idText, item: idText }),
]);
/** A day and an hour as the works reads them, without a zone. */
export const localMoment = z.string().regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, 'is a date and time such as 2026-12-03T14:00');
const ppm = z.number().int().min(0).max(1_000_000);
const item = z.strictObject({
  orderLine: idText.nullable(),
  product: idText,
  versions: z.record(idText, z.strictObject({ name: z.string().max(80), quantity, changes: z.array(z.string().max(40)).max(40) })),
  deliveries: z
    .array(z.strictObject({ by: localMoment, share: z.record(idText, z.number().int().min(0).max(QUANTITY.max)), to: z.string().max(400) }))
    .max(100),
  overs: z.strictObject({ underPpm: ppm, overPpm: ppm, extra: z.enum(['customer', 'stock', 'recycle', 'destroy']) }),
  pieces: z.enum(['alike', 'unlike']),
  balanced: z.boolean(),
});
/** What a person sets is 0 or an amount that means something: 5·10⁻³²⁴ sheets an hour do not. */
const amount = (most: number): z.ZodNumber =>
  z
    .number()
    .min(0, 'must not be below 0')
    .max(most)
    .refine((n) => n === 0 || n >= 1e-6, 'is too small to mean anything');
const cell = z.strictObject({
  x: z.number(),
  y: z.number(),
  nx: z.number().int().min(1).max(1000),
  ny: z.number().int().min(1).max(1000),
  dx: z.number().min(0).max(5000),
  dy: z.number().min(0).max(5000),
  turn: z.literal([0, 90, 180, 270]),
});
const chosenCells = z.strictObject({
  value: z.strictObject({ cells: z.array(cell).min(1).max(400) }),
  by: z.enum(['planner', 'search']),
  question: z.string().max(64),
  proof: z.strictObject({ bound: z.number(), seed: z.number().int(), iterations: z.number().int(), core: z.string().max(20) }).optional(),
});
const gangForm = z.strictObject({ copies: z.record(idText, z.number().int().min(1).max(500)), run: quantity.optional() });
const gangKeep = z.strictObject({
  on: z
    .record(
      idText,
      z
        .number()
        .int()
        .min(0)
        .max(MOST_GANG_FORMS - 1, 'is one of four forms'),
    )
    .optional(),
  apart: z
    .array(z.tuple([idText, idText]).refine(([one, other]) => one !== other, 'names two parts'))
    .max(325)
    .optional(),
  closed: z.array(z.number().int().min(1).max(500)).max(500).optional(),
});
const gang = z.strictObject({
  parts: z.array(idText).min(2, 'needs at least two parts').max(26),
  forms: z.array(gangForm).min(1).max(MOST_GANG_FORMS, 'has four forms at most').optional(),
  keep: gangKeep.optional(),
});
/** A gang of before had one form, whose copies stood beside its parts. */
function withForms(read: unknown): unknown {
  if (typeof read !== 'object' || read === null || !('copies' in read)) return read;
  const { copies, ...others } = read;
  return { ...others, forms: [{ copies }] };
}
const choices = z.strictObject({
  machine: z.record(idText, idText),
  stock: z.record(idText, idText),
  workStyle: z.record(idText, z.string().max(20)),
  supply: z.record(idText, supplySchema),
  layout: z.record(idText, chosenCells),
  settings: z.record(idText, z.record(z.string().max(40), z.union([amount(1e9), z.string().max(200)]))),
  aim: z.record(idText, quantity),
  route: z.strictObject({ drop: z.array(idText).max(50) }),
  gangs: z.record(idText, z.preprocess(withForms, gang)).optional(),
  versions: z.record(idText, z.array(idText).max(200)).optional(),
  process: z.record(idText, idText).optional(),
  certainty: z.number().min(CERTAINTY.min, 'is at least 50 %').max(CERTAINTY.max, 'is at most 99.9 %').optional(),
});
const gate = z.strictObject({
  kind: z.enum(GATE_KINDS),
  version: z.string().trim().min(1, 'names the version, such as v2').max(40),
  who: z.string().trim().min(1, 'names who answers').max(80),
  by: localMoment,
  holds: idText,
});
const override = z.strictObject({
  value: amount(1e12),
  reason: z.string().trim().min(3, 'says in a few words why').max(300),
  by: z.string().max(80),
  until: z.number().int().min(0).max(1e11),
});

/** The schema of a job specification, given the wish of each family. Products and items must exist where they are named; sets may not hold themselves. */
export function jobSpecSchema(wishes: Readonly<Record<string, z.ZodType>>): z.ZodType<JobSpec> {
  const made = Object.entries(wishes).map(([family, wish]) => z.strictObject({ kind: z.literal('made'), family: z.literal(family), wish }));
  const [first, ...others] = made;
  if (!first) throw new Error('a job needs at least one product family');
  // Told apart by kind and family, so that an error names the field inside the wish, not the product as a whole.
  const product = z.discriminatedUnion('kind', [
    z.discriminatedUnion('family', [first, ...others]),
    z.strictObject({ kind: z.literal('supplied'), name: z.string().min(1).max(80), from: supplySchema }),
    z.strictObject({
      kind: z.literal('set'),
      by: idText,
      of: z
        .array(z.strictObject({ product: idText, times: z.number().int().min(1).max(1000) }))
        .min(1)
        .max(40),
    }),
  ]);
  return z
    .strictObject({
      schema: z.literal(1),
      name: z.string().trim().min(1, 'gives the product a name').max(120),
      items: z.record(idText, item),
      products: z.record(idText, product),
      choices,
      overrides: z.record(idText, override),
      decisions: z.record(
        z.string().max(200),
        z.strictObject({ by: z.string().max(80), reason: z.string().max(300), at: z.number().int().min(0).max(1e11) }),
      ),
      gates: z.record(idText, gate).optional(),
      again: z.number().int().min(1).optional(),
    })
    .superRefine((spec, cx) => {
      const known = (id: string): boolean => Object.hasOwn(spec.products, id);
      for (const [id, { product: p, versions }] of Object.entries(spec.items)) {
        if (!known(p)) cx.addIssue({ code: 'custom', path: ['items', id, 'product'], message: 'names a product that is not in this job' });
        if (Object.keys(versions).length === 0)
          cx.addIssue({ code: 'custom', path: ['items', id, 'versions'], message: 'needs at least one version with a quantity' });
      }
      for (const id of Object.keys(spec.products))
        if (!isSound(id, spec.products as Record<string, Product>, []))
          cx.addIssue({
            code: 'custom',
            path: ['products', id],
            message: 'is a set that holds itself or a product that is not in this job',
          });
    }) as unknown as z.ZodType<JobSpec>;
}

function isSound(id: string, products: Readonly<Record<string, Product>>, above: readonly string[]): boolean {
  const product = Object.hasOwn(products, id) ? products[id] : undefined;
  if (!product || above.includes(id)) return false;
  return product.kind !== 'set' || product.of.every((o) => isSound(o.product, products, [...above, id]));
}

/**
 * The item a row of the order belongs to: a row is an item, or one version of it where versions are told apart.
 * @example itemOfRow({ items: { i1: { versions: { de: {} } } } }, 'i1.de') // { versions: { de: {} } }
 */
export const itemOfRow = ({ items }: Pick<JobSpec, 'items'>, row: string): Item | undefined =>
  Object.hasOwn(items, row)
    ? items[row]
    : Object.entries(items).find(([id, { versions }]) => Object.keys(versions).some((v) => `${id}.${v}` === row))?.[1];

/**
 * Pieces ordered of an item: the sum of its versions.
 * @example orderedQuantity({ versions: { de: { quantity: 600 }, fr: { quantity: 400 } } }) // 1000
 */
export const orderedQuantity = (of: Item): number => Object.values(of.versions).reduce((sum, v) => sum + v.quantity, 0);
