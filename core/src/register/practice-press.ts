import { normalQuantile } from '../quantity/normal-distribution';
import { seeded } from '../quantity/seeded';
import { adviseRegister, type RegisterSteps, type Setting, USUAL_STEPS } from './corrections';
import { fitRegister } from './fit';
import type { Mark, Reading } from './reading';

/** A colour of the practice press as it really lies; the learner does not see it. */
interface Hidden {
  ink: string;
  shiftX: number;
  shiftY: number;
  slantX: number;
  slantY: number;
  stretchX: number;
  stretchY: number;
  fan: number;
}
/** A simulated press with hidden misregister. All of it follows from the seed and from what was set. */
export interface PracticePress {
  seed: number;
  level: PracticeLevel;
  sheetMm: [number, number];
  marks: Mark[];
  toleranceMm: number;
  /** Sheets pulled at each turn. */
  sheetsATurn: number;
  noiseMm: number;
  driftMm: number;
  inks: Hidden[];
  turns: number;
  waste: number;
}
/** First shifts only; then a cocked cylinder; then drift, stretch that no setting removes, and noise. */
export const PRACTICE_LEVELS = ['shifts', 'cocked', 'drifting'] as const;
export type PracticeLevel = (typeof PRACTICE_LEVELS)[number];
/** An operator gives up here; so does the ideal sequence. */
export const MOST_TURNS = 12;

/** Normal deviates from a seed, so that a turn can be told again. */
function normals(seed: number): (sd: number) => number {
  const random = seeded(seed);
  // A share of 0 has no deviate: the least a generator of 32 bits tells apart stands in.
  return (sd) => sd * normalQuantile(Math.max(random(), 1e-10));
}

/** A press with misregister that follows from the seed. Sizes as a make-ready begins with them: common practice, no source. */
export function practicePress(
  seed: number,
  level: PracticeLevel,
  marks: readonly Mark[],
  sheetMm: [number, number],
  inks: readonly string[] = ['C', 'M', 'Y'],
): PracticePress {
  const draw = normals(seed);
  const hard = level === 'drifting';
  return {
    seed,
    level,
    sheetMm,
    marks: [...marks],
    toleranceMm: hard ? 0.08 : 0.1,
    sheetsATurn: 20,
    noiseMm: hard ? 0.012 : 0.006,
    driftMm: hard ? 0.012 : 0,
    inks: inks.map((ink) => ({
      ink,
      shiftX: draw(0.25),
      shiftY: draw(0.25),
      slantY: level === 'shifts' ? 0 : draw(0.15),
      slantX: 0,
      stretchX: hard ? draw(0.02) : 0,
      stretchY: hard ? draw(0.02) : 0,
      fan: 0,
    })),
    turns: 0,
    waste: 0,
  };
}

export interface Pulled {
  press: PracticePress;
  readings: { ink: string; readings: Reading[] }[];
}
/** Pulls a few sheets and reads every mark: the press has drifted a little, the readings carry noise, the sheets are waste. */
export function pullSheets(press: PracticePress): Pulled {
  const draw = normals(press.seed + 7919 * (press.turns + 1));
  const inks = press.inks.map((h) => ({ ...h, shiftX: h.shiftX + draw(press.driftMm), shiftY: h.shiftY + draw(press.driftMm) }));
  const [w, h] = press.sheetMm;
  const readings = inks.map((of) => ({
    ink: of.ink,
    readings: press.marks.map((m): Reading => {
      const [x, y] = [(m.xMm - w / 2) / 1000, (m.yMm - h / 2) / 1000];
      return {
        mark: m.id,
        dxMm: of.shiftX + of.slantX * y + of.stretchX * x + of.fan * x * y + draw(press.noiseMm),
        dyMm: of.shiftY + of.slantY * x + of.stretchY * y + draw(press.noiseMm),
      };
    }),
  }));
  return { press: { ...press, inks, turns: press.turns + 1, waste: press.waste + press.sheetsATurn }, readings };
}

/** Turns the units: what is set moves the print by that much, whole steps at a time. */
export function setUnits(press: PracticePress, settings: Readonly<Record<string, readonly Setting[]>>): PracticePress {
  return {
    ...press,
    inks: press.inks.map((h) => {
      const moved = { ...h };
      for (const { by, mm } of settings[h.ink] ?? []) {
        if (by === 'lateral') moved.shiftX += mm;
        else if (by === 'round') moved.shiftY += mm;
        else moved.slantY += (1000 * mm) / press.sheetMm[0];
      }
      return moved;
    }),
  };
}

/**
 * Largest error of any colour at any mark, as read.
 * @example worstError([{ ink: 'C', readings: [{ dxMm: 0.3, dyMm: 0.4 }] }]) // 0.5
 */
export const worstError = (readings: Pulled['readings']): number =>
  Math.max(0, ...readings.flatMap((r) => r.readings.map((m) => Math.sqrt(m.dxMm * m.dxMm + m.dyMm * m.dyMm))));

export interface Played {
  turns: { worstMm: number; settings: Record<string, Setting[]> }[];
  waste: number;
  inside: boolean;
}
/** The same press set by the desk's own advice, turn by turn: what an ideal sequence would have needed. */
export function idealSequence(start: PracticePress, steps: RegisterSteps = USUAL_STEPS): Played {
  let press = start;
  const turns: Played['turns'] = [];
  while (turns.length < MOST_TURNS) {
    const pulled = pullSheets(press);
    const worstMm = worstError(pulled.readings);
    if (worstMm <= start.toleranceMm) {
      turns.push({ worstMm, settings: {} });
      return { turns, waste: pulled.press.waste, inside: true };
    }
    const settings = Object.fromEntries(
      pulled.readings.map(({ ink, readings }) => [
        ink,
        adviseRegister(fitRegister(start.marks, readings, start.sheetMm), start.marks, start.sheetMm, start.toleranceMm, steps).settings,
      ]),
    );
    turns.push({ worstMm, settings });
    press = setUnits(pulled.press, settings);
  }
  return { turns, waste: press.waste, inside: false };
}

/**
 * Points of a hundred: the ideal's waste over one's own; half of them where the press was left out of register.
 * @example practiceScore({ waste: 40, inside: true }, { turns: [], waste: 30, inside: true }) // 75
 */
export function practiceScore(own: { waste: number; inside: boolean }, ideal: Played): number {
  const share = own.waste > 0 ? Math.min(ideal.waste / own.waste, 1) : 0;
  return Math.round(100 * share * (own.inside ? 1 : 0.5));
}
