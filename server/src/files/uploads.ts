import { createHash } from 'node:crypto';
import { type Db, inTransaction } from '../db/pool';
import { many, maybeOne, one } from '../db/rows';
import { notFound, Refused } from '../errors';
import { ADD_PIECE, DROP_UPLOADS, PIECE, PIECES_OF, UNWANTED, UPLOADED } from './uploads.queries';
import type { Pool } from 'pg';

/* Files that are sent to be read: they lie in the database in pieces, where every worker finds them, until they are read or nobody asks for them any more. */

/** A file lies in the database in pieces of this size: no answer of it is ever large. */
const PIECE_BYTES = 4_000_000;
/** So long somebody may look at a preview before asking for the rest. */
const KEPT_S = 86_400;
/** Younger than this a file is about to be asked for. */
const FRESH_S = 600;
/** All that lies there together. */
const MOST_UPLOADED = 1_000_000_000;

/** Keeps a file; gives the name it is asked for by, its SHA-256. @throws Refused where too much lies there already */
export async function keepUpload(db: Pool, file: Uint8Array, most = MOST_UPLOADED): Promise<string> {
  if (file.byteLength === 0) throw new Refused(422, 'empty', 'The file is empty.');
  await makeRoom(db, file.byteLength, most);
  const hash = createHash('sha256').update(file).digest('hex');
  // Whole or not at all: half a file must not be taken for one.
  await inTransaction(db, async (tx) => {
    for (let nr = 0; nr * PIECE_BYTES < file.byteLength; nr++) {
      const length = Math.min(PIECE_BYTES, file.byteLength - nr * PIECE_BYTES);
      await tx.query(ADD_PIECE, [hash, nr, Buffer.from(file.buffer, file.byteOffset + nr * PIECE_BYTES, length)]);
    }
  });
  return hash;
}

export const isUploaded = async (db: Db, hash: string): Promise<boolean> => (await many(db, PIECES_OF, [hash])).length > 0;

/** A file that was sent. @throws Refused where it is not there any more */
export async function readUpload(db: Db, hash: string, signal: AbortSignal): Promise<Buffer> {
  const pieces: Buffer[] = [];
  for (const { nr } of await many(db, PIECES_OF, [hash])) {
    signal.throwIfAborted();
    pieces.push((await maybeOne(db, PIECE, [hash, nr]))?.bytes ?? Buffer.alloc(0));
  }
  if (pieces.length === 0) throw notFound('This file');
  return Buffer.concat(pieces);
}

/** Drops what nobody waits for: after a day; gives how many. */
export async function purgeUploads(db: Db): Promise<number> {
  const old = (await many(db, UNWANTED, [KEPT_S])).map((u) => u.hash);
  if (old.length > 0) await db.query(DROP_UPLOADS, [old]);
  return old.length;
}

/** What nobody waits for goes earlier where room is wanted, the oldest first. */
async function makeRoom(db: Pool, wanted: number, most: number): Promise<void> {
  let free = most - (await one(db, UPLOADED)).sum;
  if (free >= wanted) return;
  const drop: string[] = [];
  for (const { hash, size } of await many(db, UNWANTED, [FRESH_S])) {
    if (free >= wanted) break;
    drop.push(hash);
    free += size;
  }
  if (free < wanted) throw new Refused(507, 'full', 'Too many files wait to be read: try again when they are.');
  await db.query(DROP_UPLOADS, [drop]);
}
