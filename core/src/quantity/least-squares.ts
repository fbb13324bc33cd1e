/** What a fit gives: unknowns, their covariance without the variance of the readings, what is left, its standard deviation. */
export interface Fit {
  x: number[];
  /** (AᵀA)⁻¹: times the variance of a reading it is the covariance of the unknowns. */
  inverse: number[][];
  residuals: number[];
  sd: number;
  freedom: number;
}

/** A column that keeps less than this of its length beside those before it says nothing of its own. */
const RANK = 1e-9;

/**
 * Least squares of an over-determined system by Householder's QR, columns scaled first. Null: the rows cannot tell the unknowns apart.
 *
 * Formula: min |A·x − b|; sd = √(|r|² / (rows − unknowns)), 0 where nothing is left over.
 * Source: Golub & Van Loan, Matrix Computations, ch. 5; in arithmetic that is the same on every machine.
 * @example leastSquares([[1, 0], [1, 1], [1, 2]], [1, 3, 5])?.x[1] // 2
 */
export function leastSquares(a: readonly (readonly number[])[], b: readonly number[]): Fit | null {
  const [rows, cols] = [a.length, a[0]?.length ?? 0];
  if (rows < cols || cols === 0) return null;
  const scale = Array.from({ length: cols }, (_, j) => Math.sqrt(a.reduce((n, row) => n + (row[j] as number) * (row[j] as number), 0)));
  if (scale.some((s) => !(s > 0))) return null;
  const m = a.map((row) => row.map((v, j) => v / (scale[j] as number)));
  const y = [...b];
  const at = (i: number, j: number): number => (m[i] as number[])[j] as number;
  for (let j = 0; j < cols; j++) {
    let norm = 0;
    for (let i = j; i < rows; i++) norm += at(i, j) * at(i, j);
    norm = Math.sqrt(norm);
    if (norm < RANK) return null;
    const alpha = at(j, j) > 0 ? -norm : norm;
    const v = Array.from({ length: rows - j }, (_, i) => at(j + i, j) - (i === 0 ? alpha : 0));
    const vv = v.reduce((n, x) => n + x * x, 0);
    const reflect = (get: (i: number) => number, set: (i: number, x: number) => void): void => {
      let dot = 0;
      for (let i = 0; i < v.length; i++) dot += (v[i] as number) * get(j + i);
      for (let i = 0; i < v.length; i++) set(j + i, get(j + i) - ((2 * dot) / vv) * (v[i] as number));
    };
    for (let c = j; c < cols; c++)
      reflect(
        (i) => at(i, c),
        (i, x) => ((m[i] as number[])[c] = x),
      );
    reflect(
      (i) => y[i] as number,
      (i, x) => (y[i] = x),
    );
  }
  /** Solves R·x = right. */
  const back = (right: readonly number[]): number[] => {
    const x = new Array<number>(cols).fill(0);
    for (let i = cols - 1; i >= 0; i--) {
      let rest = right[i] as number;
      for (let j = i + 1; j < cols; j++) rest -= at(i, j) * (x[j] as number);
      x[i] = rest / at(i, i);
    }
    return x;
  };
  const scaled = back(y);
  const x = scaled.map((v, j) => v / (scale[j] as number));
  // R⁻¹ column by column; (AᵀA)⁻¹ = R⁻¹·R⁻ᵀ.
  const inverseR = Array.from({ length: cols }, (_, j) => back(Array.from({ length: cols }, (_v, i) => (i === j ? 1 : 0))));
  const inverse = Array.from({ length: cols }, (_, i) =>
    Array.from({ length: cols }, (_v, j) => {
      let sum = 0;
      for (let c = 0; c < cols; c++) sum += ((inverseR[c] as number[])[i] as number) * ((inverseR[c] as number[])[j] as number);
      return sum / ((scale[i] as number) * (scale[j] as number));
    }),
  );
  const residuals = a.map((row, i) => (b[i] as number) - row.reduce((n, v, j) => n + v * (x[j] as number), 0));
  const freedom = rows - cols;
  const sd = freedom > 0 ? Math.sqrt(residuals.reduce((n, r) => n + r * r, 0) / freedom) : 0;
  return { x, inverse, residuals, sd, freedom };
}
