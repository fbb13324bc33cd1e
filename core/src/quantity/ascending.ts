/**
 * Numbers from the smallest to the largest; what was given stays as it is.
 * @example ascending([3, 1, 2]) → [1, 2, 3]
 */
export const ascending = (numbers: readonly number[]): number[] => [...numbers].sort((a, b) => a - b);
