/**
 * A spread seen in `jobs` jobs, widened for the next one: mean and spread are themselves estimates.
 * Formula: s²·(1 + 1/n)·(n − 1)/(n − 3), the variance of Student's predictive distribution. Source: definition of the t distribution.
 * @example widened(0.5, 3) // 1
 */
export const widened = (spread: number, jobs: number): number =>
  jobs > 3 ? spread * Math.sqrt((1 + 1 / jobs) * ((jobs - 1) / (jobs - 3))) : spread * 2;

/**
 * How wide a spread seen in so many jobs is known, as a share of it: 1/√(2(n − 1)). Source: standard error of a standard deviation, normal.
 * @example spreadWidth(51) // 0.1
 */
export const spreadWidth = (jobs: number): number => (jobs > 1 ? 1 / Math.sqrt(2 * (jobs - 1)) : 1);
