import { normalQuantile } from '../quantity/normal-distribution';
import { seeded } from '../quantity/seeded';
import { labOf } from '../colour/lab';
import type { Spectrum } from '../colour/spectrum';
import type { Measurement } from './draw-down';
import { type Film, printedSpectrum } from './printed-colour';

/** How far a mixture's strength and a drawn film are off what the card says, and what the instrument adds: standard deviations. Invented for the stand-in. */
const STRENGTH = 0.04;
const FILM = 0.02;
const NOISE = 0.0015;

/**
 * What the simulated spectrophotometer reads of a draw-down: the model's film, a little stronger or weaker and thicker or thinner as belongs to the batch (the same
 * seed, the same batch), with noise that belongs to the reading. It stands in for an instrument, and says so in `from`.
 */
export function simulatedReading(film: Film, paper: Spectrum, seed: number, reading: number): Measurement {
  const deviate = (random: () => number): number => normalQuantile(Math.min(Math.max(random(), 1e-9), 1 - 1e-9));
  const batch = seeded(seed);
  const strength = 1 + STRENGTH * deviate(batch);
  const gsm = film.gsm * (1 + FILM * deviate(batch));
  const noise = seeded(seed + 104_729 * reading);
  const spectrum = printedSpectrum({ k: film.k.map((k) => k * strength), s: film.s, gsm }, paper).map((r) =>
    Math.max(Math.round((r + NOISE * deviate(noise)) * 1e5) / 1e5, 0),
  );
  return { lab: labOf(spectrum), spectrum, mode: 'M1', backing: 'white', from: 'simulated' };
}
