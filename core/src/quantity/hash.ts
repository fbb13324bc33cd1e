import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

/**
 * The same document with its keys in code-point order, all the way down. A database may hand an object back with its keys in another order;
 * a plan must not depend on it.
 */
export function inKeyOrder<T>(value: T): T {
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) return value.map(inKeyOrder) as T;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0))
      .map(([k, v]) => [k, inKeyOrder<unknown>(v)]),
  ) as T;
}

/** JSON with keys in code-point order and without undefined members: equal documents give equal text. */
export const canonicalJson = (value: unknown): string => JSON.stringify(inKeyOrder(value));

/** SHA-256 of the canonical JSON, as 64 hexadecimal digits. Source: FIPS 180-4. */
export const hashOf = (value: unknown): string => hashInOrder(inKeyOrder(value));

/** The same for a document that is in key order already. */
export const hashInOrder = (ordered: unknown): string => bytesToHex(sha256(utf8ToBytes(JSON.stringify(ordered))));
