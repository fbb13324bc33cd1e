/**
 * Numbers between 0 and 1 from a seed, the same everywhere. Source: mulberry32, T. Ettinger (2017), public domain, from memory.
 * @example seeded(7)() === seeded(7)() // true
 */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}
