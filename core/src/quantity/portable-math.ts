/*
 * Exponential and logarithm from + − × ÷ and √ alone. Node and Chromium differ in the last bits of Math.exp, Math.log
 * and Math.pow, so a plan made with them would not be the same bit for bit in both (spine rule 6). Lint bans the built-ins in core.
 */

/** ln 2 in two parts: the first is short enough that k · LN2_HIGH is exact for every exponent k. Source: FDLIBM e_log.c. */
const LN2_HIGH = 6.9314718036912381649e-1;
const LN2_LOW = 1.90821492927058770002e-10;

const twoTo = (k: number): number => {
  let result = 1;
  for (let factor = k < 0 ? 0.5 : 2, n = Math.abs(k); n > 0; n = Math.floor(n / 2), factor *= factor) if (n % 2 === 1) result *= factor;
  return result;
};

/**
 * e to the power x.
 *
 * Formula: x = k·ln 2 + r with |r| ≤ ½ ln 2; eʳ by the Remez rational form of FDLIBM; times 2ᵏ.
 * Source: FDLIBM e_exp.c (Sun Microsystems, 1993), coefficients P1 to P5. Accuracy: below 1 unit in the last place.
 */
export function portableExp(x: number): number {
  if (Number.isNaN(x)) return NaN;
  if (x > 709.782712893384) return Infinity;
  if (x < -745.1332191019411) return 0;
  const k = Math.round(x / (LN2_HIGH + LN2_LOW));
  const high = x - k * LN2_HIGH;
  const low = k * LN2_LOW;
  const r = high - low;
  const t = r * r;
  const c =
    r -
    t *
      (1.66666666666666019037e-1 +
        t *
          (-2.77777777770155933842e-3 + t * (6.61375632143793436117e-5 + t * (-1.6533902205465251539e-6 + t * 4.13813679705723846039e-8))));
  const y = 1 - (low - (r * c) / (2 - c) - high);
  return k < -1021 ? y * twoTo(k + 60) * twoTo(-60) : k > 1023 ? y * twoTo(k - 1) * 2 : y * twoTo(k);
}

/**
 * Natural logarithm.
 *
 * Formula: x = 2ᵏ·(1 + f) with √2/2 < 1 + f < √2; log(1 + f) by s = f/(2 + f) and an even polynomial in s.
 * Source: FDLIBM e_log.c (Sun Microsystems, 1993), coefficients Lg1 to Lg7. Accuracy: below 1 unit in the last place.
 */
export function portableLog(x: number): number {
  if (Number.isNaN(x) || x < 0) return NaN;
  if (x === 0) return -Infinity;
  if (x === Infinity) return Infinity;
  let k = 0;
  let m = x;
  for (; m >= Math.SQRT2; k++) m /= 2;
  for (; m < Math.SQRT1_2; k--) m *= 2;
  const f = m - 1;
  const s = f / (2 + f);
  const z = s * s;
  const w = z * z;
  const even = w * (3.999999999940941908e-1 + w * (2.222219843214978396e-1 + w * 1.531383769920937332e-1));
  const odd = z * (6.66666666666673513e-1 + w * (2.857142874366239149e-1 + w * (1.818357216161805012e-1 + w * 1.479819860511658591e-1)));
  const half = 0.5 * f * f;
  return k * LN2_HIGH - (half - (s * (half + even + odd) + k * LN2_LOW) - f);
}
