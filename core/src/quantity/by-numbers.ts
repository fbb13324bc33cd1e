/**
 * Orders texts with numbers in them as a person counts: "v9" before "v10". Texts are compared sign by sign, not by a language.
 * @example ['v10', 'v9'].sort(byNumbers) // ['v9', 'v10']
 */
export function byNumbers(a: string, b: string): number {
  const parts = (text: string): string[] => text.match(/\d+|\D+/g) ?? [];
  const [left, right] = [parts(a), parts(b)];
  for (let i = 0; i < Math.min(left.length, right.length); i++) {
    const [x, y] = [left[i] as string, right[i] as string];
    if (x === y) continue;
    const [m, n] = [Number(x), Number(y)];
    if (Number.isNaN(m) || Number.isNaN(n)) return x < y ? -1 : 1;
    if (m !== n) return m - n;
  }
  return left.length - right.length;
}
