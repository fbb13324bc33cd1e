import { dictionary } from '@zxcvbn-ts/language-common';

/** Passwords everybody tries, the most used first. Source: the word list of the open library zxcvbn-ts. */
const COMMON = new Set(dictionary['passwords-common']);
const FEW = 5;
/** From this length on letters alone will do: a sentence is as good as a jumble. */
const LONG = 16;
const KINDS = [/\p{Ll}/u, /\p{Lu}/u, /\p{N}/u, /[^\p{L}\p{N}]/u];

/**
 * Why a password is too weak, as the end of a sentence that begins with it; null: it will do. Length is asked by the contract.
 * @example `weakPassword('aaaaaaaaaaaa', { name: 'mika', fullName: 'Mika Rolle' })` is “has too few different characters”
 */
export function weakPassword(password: string, { name, fullName }: { name: string; fullName: string }): string | null {
  const low = password.toLowerCase();
  const stem = low.replace(/[^\p{L}\p{N}]/gu, '').replace(/\p{N}+$/u, '');
  if (new Set(low).size < FEW) return 'has too few different characters';
  if (COMMON.has(low) || (stem.length > 3 && COMMON.has(stem))) return 'is on the list of passwords that everybody tries';
  const own = [name, ...fullName.toLowerCase().split(/[^\p{L}\p{N}]+/u)].filter((word) => word.length > 2);
  if (own.some((word) => low.includes(word))) return 'contains your own name';
  if (password.length < LONG && KINDS.filter((kind) => kind.test(password)).length < 2)
    return `is of one kind of characters: mix letters, digits and signs, or make it ${LONG} long`;
  return null;
}
