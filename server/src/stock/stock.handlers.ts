import type { MoveKind, stock, StockLine, StockPage } from '@druckerei/contract';
import { COVER_S, type Plant, purchaseFor, shortageOf, type Stock, trimToSize, usedAWeek, weeksOfCover } from '@druckerei/core';
import { type Ctx, signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { many, maybeOne, one } from '../db/rows';
import { invalid, notFound, Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import type { Handlers } from '../implement';
import { plantInForce } from '../plants/read-plant';
import {
  ADD_LOT,
  ADD_MOVE,
  ADD_PURCHASE,
  ADD_RESERVATION,
  END_ISSUED,
  END_PURCHASE,
  END_RESERVATION,
  LOCK_LOT,
  LOT_BY_ID,
  LOTS,
  MOVE_BY_ID,
  MOVES,
  NEEDS,
  PURCHASE_BY_ID,
  PURCHASES,
  RESERVATION_BY_ID,
  RESERVATIONS,
  SET_LOT,
  USED,
  type Need,
} from './stock.queries';

type Lot = StockPage['lots'][number];
type Purchase = StockPage['purchases'][number];

/** Which way a movement counts: what goes out is below 0. */
const SIGN: Record<Exclude<MoveKind, 'recount' | 'measure' | 'counter'>, 1 | -1> = { issue: -1, return: 1, back: -1, trim: -1 };

export const stockHandlers: Handlers<typeof stock> = {
  'stock.read': (_asked, ctx) => stockPage(ctx.db, ctx.now()),

  'stock.moves': async ({ params }, ctx) => await many(ctx.db, MOVES, [params.id]),

  'stock.addLot': ({ body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      await requireStock(db, body.stock);
      const { id, owner, caliperUm, place, kg, diameterMm, coreMm } = body;
      const made = await db.query(ADD_LOT, [
        id,
        body.stock,
        owner,
        caliperUm ?? null,
        place,
        kg ?? null,
        diameterMm ?? null,
        coreMm ?? null,
      ]);
      const entered = await move(db, ctx, { key: body.key, lot: id, kind: 'in', quantity: body.quantity, note: body.note });
      if (made.rowCount === 0 && entered) throw invalid([{ path: 'id', says: 'is a lot that is there already' }]);
      if (body.purchase !== undefined && entered) await db.query(END_PURCHASE, [body.purchase, 'received', id]);
      return changedLot(db, ctx, id);
    }),

  'stock.move': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const lot = await lockLot(db, params.id);
      const { kind, key, note, caliperUm, job } = body;
      const asks = { key, lot: lot.id, kind, note, ...(caliperUm !== undefined && { caliperUm }), ...(job !== undefined && { job }) };
      if (kind === 'counter') {
        const back = await maybeOne(db, MOVE_BY_ID, [body.takesBack ?? null]);
        if (back?.lot !== lot.id) throw invalid([{ path: 'takesBack', says: 'names no movement of this lot' }]);
        requireNote(note);
        if (!back.takenBack) await move(db, ctx, { ...asks, quantity: -back.quantity, takesBack: back.id });
      } else if (kind === 'recount') {
        requireNote(note);
        await move(db, ctx, { ...asks, quantity: body.quantity - lot.quantity });
      } else if (kind === 'measure') {
        if (caliperUm === undefined) throw invalid([{ path: 'caliperUm', says: 'is empty' }]);
        await move(db, ctx, { ...asks, quantity: 0 });
      } else {
        if (kind === 'back' && lot.owner !== 'customer')
          throw invalid([{ path: 'kind', says: 'is for stock a customer sent; this is the works’ own' }]);
        const entered = await move(db, ctx, { ...asks, quantity: SIGN[kind] * body.quantity });
        if (entered && kind === 'issue' && job !== undefined) await db.query(END_ISSUED, [lot.id, job]);
      }
      return changedLot(db, ctx, lot.id);
    }),

  'stock.trim': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const lot = await lockLot(db, params.id);
      const { plant } = await plantInForce(db);
      const [large, small] = [plant.stocks[lot.stock], await requireStock(db, body.stock)];
      const trim = large ? trimToSize(1, small, large) : null;
      if (!trim) throw invalid([{ path: 'stock', says: 'cannot be cut from this lot: another grade, or not smaller' }]);
      const made = await db.query(ADD_LOT, [body.lot, body.stock, lot.owner, lot.caliperUm, body.place, null, null, null]);
      const out = await move(db, ctx, { key: body.key, lot: lot.id, kind: 'trim', quantity: -body.sheets, note: `cut to ${body.lot}` });
      if (out && made.rowCount === 0) throw invalid([{ path: 'lot', says: 'is a lot that is there already' }]);
      if (out)
        await move(db, ctx, {
          key: crypto.randomUUID(),
          lot: body.lot,
          kind: 'in',
          quantity: body.sheets * trim.fromOne,
          note: `cut from ${lot.id}`,
        });
      await changedLot(db, ctx, lot.id);
      return changedLot(db, ctx, body.lot);
    }),

  'stock.reserve': ({ body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const lot = await lockLot(db, body.lot);
      const there = await maybeOne(db, RESERVATION_BY_ID, [body.id]);
      if (there) return there; // clicked twice
      const free = lot.quantity - lot.reserved;
      if (body.quantity > free)
        throw invalid([{ path: 'quantity', says: `is more than the ${Math.max(free, 0)} of this lot that are free` }]);
      await db.query(ADD_RESERVATION, [body.id, body.job, body.lot, body.quantity, signedIn(ctx).id]).catch((e: unknown) => {
        throw (e as { code?: string }).code === '23503' ? notFound('This job') : e;
      });
      await changedLot(db, ctx, lot.id);
      return await one(db, RESERVATION_BY_ID, [body.id]);
    }),

  'stock.free': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const ended = await maybeOne(db, END_RESERVATION, [params.id, body.reason]);
      if (ended) await changedLot(db, ctx, ended.lot);
      return {};
    }),

  'stock.order': ({ body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      await requireStock(db, body.stock);
      await db.query(ADD_PURCHASE, [body.id, body.stock, body.quantity, body.comesOn, body.note, signedIn(ctx).id]);
      await told(db, ctx, body.stock);
      return await one(db, PURCHASE_BY_ID, [body.id]);
    }),

  'stock.cancelOrder': ({ params }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      await db.query(END_PURCHASE, [params.id, 'cancelled', null]);
      await told(db, ctx, params.id);
      return {};
    }),
};

/** A stock with what is there, promised, coming and wanted, and what follows. */
/** Every stock with its lots, what is promised, what comes and what open jobs want. */
export async function stockPage(db: Db, nowS: number): Promise<StockPage> {
  const { hash, plant } = await plantInForce(db);
  const lots = await many(db, LOTS);
  const reservations = await many(db, RESERVATIONS);
  const purchases = await many(db, PURCHASES);
  const needs = await many(db, NEEDS);
  const used = await many(db, USED, [nowS - COVER_S]);
  const lines = Object.keys(plant.stocks).map((id) => stockLine(id, plant, { lots, purchases, needs, used, nowS }));
  return { plant: hash, lines, lots, reservations, purchases };
}
interface InStore {
  lots: Lot[];
  purchases: Purchase[];
  needs: Need[];
  used: { stock: string; used: number; firstS: number }[];
  nowS: number;
}
function stockLine(id: string, plant: Plant, { lots, purchases, needs, used, nowS }: InStore): StockLine {
  const card = plant.stocks[id] as Stock;
  const mine = lots.filter((l) => l.stock === id);
  const sum = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0);
  const own = mine.filter((l) => l.owner === 'works');
  const reserved = sum(own.map((l) => l.reserved));
  const coming = sum(purchases.filter((p) => p.stock === id).map((p) => p.quantity));
  const wanted = needs.filter((n) => n.stock === id && n.quantity > 0);
  const there = sum(own.map((l) => l.quantity));
  const lately = used.find((u) => u.stock === id);
  const aWeek = lately ? usedAWeek({ ...lately, nowS }) : 0;
  const shortage = shortageOf(there + coming, wanted, card.leadDays);
  const freeOf = (stock: string): number =>
    sum(lots.filter((l) => l.stock === stock && l.owner === 'works').map((l) => l.quantity - l.reserved));
  return {
    stock: id,
    unit: card.form === 'roll' || card.form === 'film' || card.form === 'foil' ? 'metre' : card.form === 'goods' ? 'piece' : 'sheet',
    free: there - reserved,
    reserved,
    coming,
    customers: sum(mine.filter((l) => l.owner === 'customer').map((l) => l.quantity)),
    wanted: sum(wanted.map((n) => n.quantity)),
    usedAWeek: aWeek,
    weeks: weeksOfCover(there - reserved, aWeek),
    jobs: wanted.map(({ job, number, quantity, byS }) => ({ job, number, quantity, byS })),
    shortage,
    buy: shortage ? purchaseFor(shortage.short, { breaks: card.price, packOf: card.packOf, leastOrder: card.leastOrder }) : null,
    trims: shortage
      ? Object.entries(plant.stocks).flatMap(([from, large]) => {
          const trim = from === id ? null : trimToSize(shortage.short, card, large);
          return trim && freeOf(from) > 0 ? [{ from, free: freeOf(from), ...trim }] : [];
        })
      : [],
  };
}

async function requireStock(db: Db, id: string): Promise<Stock> {
  const { plant } = await plantInForce(db);
  const card = Object.hasOwn(plant.stocks, id) ? plant.stocks[id] : undefined;
  if (!card) throw invalid([{ path: 'stock', says: 'is on no stock card' }]);
  return card;
}

function requireNote(note: string): void {
  if (note.length < 3) throw invalid([{ path: 'note', says: 'says in a few words why' }]);
}

async function lockLot(db: Db, id: string): Promise<Lot> {
  if ((await db.query(LOCK_LOT, [id])).rowCount === 0) throw notFound('This lot');
  return await one(db, LOT_BY_ID, [id]);
}

interface Move {
  key: string;
  lot: string;
  kind: MoveKind | 'in';
  quantity: number;
  note: string;
  caliperUm?: number;
  job?: string;
  takesBack?: string;
}
/** Enters a movement and what it does to the lot; false: it was entered before. Nothing goes out that is not there. */
async function move(db: Db, ctx: Ctx, m: Move): Promise<boolean> {
  const by = signedIn(ctx);
  const made = await db.query(ADD_MOVE, [
    m.key,
    m.lot,
    m.kind,
    m.quantity,
    m.caliperUm ?? null,
    m.job ?? null,
    m.takesBack ?? null,
    m.note,
    by.id,
  ]);
  if (made.rowCount === 0) return false;
  await db.query(SET_LOT, [m.lot, m.quantity, m.caliperUm ?? null]).catch((e: unknown) => {
    throw (e as { code?: string }).code === '23514'
      ? new Refused(422, 'not-there', 'So much of this lot is not there: recount it first.', {
          fields: [{ path: 'quantity', says: 'is more than the lot holds' }],
        })
      : e;
  });
  return true;
}

async function changedLot(db: Db, ctx: Ctx, id: string): Promise<Lot> {
  await told(db, ctx, id);
  return await one(db, LOT_BY_ID, [id]);
}
const told = (db: Db, ctx: Ctx, id: string): Promise<void> => notifyChanged(db, { table: 'stock', id, version: 1, by: signedIn(ctx).name });
