/*
 * Exponential, logarithm, cube root and angles from + − × ÷ and √ alone. Node and Chromium differ in the last bits of Math.exp, Math.log,
 * Math.pow and their kin, so a plan made with them would not be the same bit for bit in both (spine rule 6). Lint bans the built-ins in core.
 */

/** ln 2 in two parts: the first is short enough that k · LN2_HIGH is exact for every exponent k. Source: FDLIBM e_log.c. */
const LN2_HIGH = 6.9314718036912381649e-1;
const LN2_LOW = 1.90821492927058770002e-10;

/** A double and its bits (IEEE 754). Browsers and Node run on machines that keep the high word second; `HIGH` says which it is. */
const DOUBLE = new Float64Array([1]);
const WORDS = new Int32Array(DOUBLE.buffer);
const HIGH = WORDS[1] === 0 ? 0 : 1;
/** 2 to a whole power from −1022 to 1023: its exponent written into the bits. */
const twoTo = (k: number): number => {
  WORDS[HIGH] = (k + 1023) << 20;
  WORDS[1 - HIGH] = 0;
  return DOUBLE[0] as number;
};

/**
 * e to the power x.
 *
 * Formula: x = k·ln 2 + r with |r| ≤ ½ ln 2; eʳ by the Remez rational form of FDLIBM; times 2ᵏ.
 * Source: FDLIBM e_exp.c (Sun Microsystems, 1993), coefficients P1 to P5. Accuracy: below 1 unit in the last place.
 * @example portableExp(1) // 2.7183
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
 * @example portableLog(10) // 2.3026
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

/**
 * Cube root, of negative numbers too: a third of the exponent to begin with, then Halley's step three times.
 * Source: the first guess as in FDLIBM s_cbrt.c. Accuracy: 1 unit in the last place.
 * @example portableCbrt(27) // 3
 */
export function portableCbrt(x: number): number {
  if (x === 0 || !Number.isFinite(x)) return x;
  const v = Math.abs(x);
  DOUBLE[0] = v;
  WORDS[HIGH] = Math.floor((WORDS[HIGH] as number) / 3) + 715_094_163;
  WORDS[1 - HIGH] = 0;
  let y = DOUBLE[0];
  for (let i = 0; i < 3; i++) {
    const cube = y * y * y;
    y = (y * (cube + 2 * v)) / (2 * cube + v);
  }
  return x < 0 ? -y : y;
}

/** Sine and cosine of |r| ≤ π/4. Source: FDLIBM k_sin.c and k_cos.c. */
const kernelSin = (r: number): number => {
  const z = r * r;
  return (
    r +
    r *
      z *
      (-1.66666666666666324348e-1 +
        z *
          (8.33333333332248946124e-3 +
            z *
              (-1.98412698298579493134e-4 +
                z * (2.75573137070700676789e-6 + z * (-2.50507602534068634195e-8 + z * 1.58969099521155010221e-10)))))
  );
};
const kernelCos = (r: number): number => {
  const z = r * r;
  return (
    1 -
    0.5 * z +
    z *
      z *
      (4.16666666666666019037e-2 +
        z *
          (-1.38888888888741095749e-3 +
            z *
              (2.48015872894767294178e-5 +
                z * (-2.75573143513906633035e-7 + z * (2.0875723212981748279e-9 - z * 1.13596475577881948265e-11)))))
  );
};
/** π/2 in two parts. Source: FDLIBM e_rem_pio2.c. */
const HALF_PI_HIGH = 1.57079632673412561417;
const HALF_PI_LOW = 6.07710050650619224932e-11;
/** Quarter turns and what is left. Good for angles of some thousand turns. */
const quarters = (x: number): { n: number; r: number } => {
  const k = Math.round(x / (HALF_PI_HIGH + HALF_PI_LOW));
  return { n: ((k % 4) + 4) % 4, r: x - k * HALF_PI_HIGH - k * HALF_PI_LOW };
};
/**
 * Sine of an angle in radians. Accuracy: 1e-15 for angles of some hundred turns.
 * @example portableSin(Math.PI / 6) // 0.5
 */
export function portableSin(x: number): number {
  const { n, r } = quarters(x);
  return [kernelSin(r), kernelCos(r), -kernelSin(r), -kernelCos(r)][n] as number;
}
/**
 * Cosine of an angle in radians. Accuracy as the sine's.
 * @example portableCos(Math.PI / 3) // 0.5
 */
export function portableCos(x: number): number {
  const { n, r } = quarters(x);
  return [kernelCos(r), -kernelSin(r), -kernelCos(r), kernelSin(r)][n] as number;
}

/** Angle of |t| ≤ 7/16 by its odd polynomial. Source: FDLIBM s_atan.c. */
const smallAtan = (t: number): number => {
  const z = t * t;
  const w = z * z;
  const odd =
    z *
    (3.33333333333329318027e-1 +
      w *
        (1.42857142725034663711e-1 +
          w *
            (9.09088713343650656196e-2 +
              w * (6.66107313738753120669e-2 + w * (4.97687799461593236017e-2 + w * 1.62858201153657823623e-2)))));
  const even =
    w *
    (-1.99999999998764832476e-1 +
      w *
        (-1.1111110405462355788e-1 + w * (-7.69187620504482999495e-2 + w * (-5.83357013379057348645e-2 + w * -3.6531572744216915527e-2))));
  return t - t * (odd + even);
};
const atan = (t: number): number => {
  if (t < 0) return -atan(-t);
  if (t <= 0.4375) return smallAtan(t);
  if (t <= 1) return Math.PI / 4 + smallAtan((t - 1) / (t + 1));
  return Math.PI / 2 - atan(1 / t);
};
/**
 * Angle of a direction, −π to π. Accuracy: 4e-16.
 * @example portableAtan2(1, 1) // 0.7854
 */
export function portableAtan2(y: number, x: number): number {
  if (x === 0) return y === 0 ? 0 : y > 0 ? Math.PI / 2 : -Math.PI / 2;
  const turn = atan(y / x);
  return x > 0 ? turn : turn + (y < 0 ? -Math.PI : Math.PI);
}
