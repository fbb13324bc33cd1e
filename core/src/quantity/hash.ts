import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

/**
 * The same document with its keys in code-point order, all the way down. A database may hand an object back with its keys in another order;
 * a plan must not depend on it.
 * @example Object.keys(inKeyOrder({ b: 1, a: 2 })) // ['a', 'b']
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

/**
 * JSON with keys in code-point order and without undefined members: equal documents give equal text.
 * @example canonicalJson({ b: 1, a: [2, 3] }) // '{"a":[2,3],"b":1}'
 */
export const canonicalJson = (value: unknown): string => JSON.stringify(inKeyOrder(value));

/**
 * SHA-256 of the canonical JSON, as 64 hexadecimal digits. Source: FIPS 180-4.
 * @example hashOf({ b: 1, a: 2 }) === hashOf({ a: 2, b: 1 }) // true
 */
export const hashOf = (value: unknown): string => hashInOrder(inKeyOrder(value));

/**
 * The same for a document that is in key order already.
 * @example hashInOrder('') // '12ae32cb1ec02d01eda3581b127c1fee3b0dc53572ed6baf239721a03d82e126'
 */
export const hashInOrder = (ordered: unknown): string => bytesToHex(sha256(utf8ToBytes(JSON.stringify(ordered))));
