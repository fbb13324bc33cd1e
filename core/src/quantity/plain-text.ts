/**
 * Text that can be kept and shown: no NUL (no database keeps it), no half of a surrogate pair (half an emoji, as a cut-off paste leaves it).
 * @example `isPlainText('Lindmoor')` is true
 */
export const isPlainText = (text: string): boolean => !/\0|\p{Surrogate}/u.test(text);

/**
 * Where in a document a text stands that cannot be kept; null: nowhere. Keys are texts, too.
 * @example notPlainAt({ name: 'a\u0000' }) // 'name'
 */
export function notPlainAt(value: unknown, path = ''): string | null {
  if (typeof value === 'string') return isPlainText(value) ? null : path;
  if (value === null || typeof value !== 'object') return null;
  for (const [key, inner] of Object.entries(value)) {
    const here = path === '' ? key : `${path}.${key}`;
    if (!isPlainText(key)) return path;
    const found = notPlainAt(inner, here);
    if (found !== null) return found;
  }
  return null;
}
export const NOT_PLAIN = 'holds a sign that cannot be kept (half an emoji, or none at all): type it again';
