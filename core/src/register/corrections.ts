import type { RegisterFit, RegisterTerm } from './fit';
import type { Mark } from './reading';

/** How a press is set: what a step moves, and which way plus goes. */
export interface RegisterSteps {
  /** Lateral: plus moves the plate to the right. Round: plus moves the print to the tail. Cocking: plus moves the right end to the tail, over the sheet's width. */
  lateralMm: number;
  roundMm: number;
  cockMm: number;
  lateralSign: 1 | -1;
  roundSign: 1 | -1;
  cockSign: 1 | -1;
  /** The cylinder turns so far askew, at most, over the sheet's width. */
  mostCockMm: number;
}
/** Common practice, no source: a hundredth of a millimetre a step. The press's card says otherwise where it does. */
export const USUAL_STEPS: RegisterSteps = {
  lateralMm: 0.01,
  roundMm: 0.01,
  cockMm: 0.01,
  lateralSign: 1,
  roundSign: 1,
  cockSign: 1,
  mostCockMm: 0.4,
};

/** What is turned at a unit. */
export interface Setting {
  by: 'lateral' | 'round' | 'cock';
  /** To be moved, mm: against what was read. Of cocking: at the right end, over the sheet's width. */
  mm: number;
  /** In the press's own steps, with its own sign. */
  steps: number;
}
/** What no adjusting takes away, in the order the trade tries it. */
export const REGISTER_REMEDIES = ['packing', 'plate', 'feeder', 'climate', 'inkOrder'] as const;
export type RegisterRemedy = (typeof REGISTER_REMEDIES)[number];

export interface RegisterAdvice {
  settings: Setting[];
  /** A rotation (the plate hangs askew), a cocked cylinder, or the sheet runs askew; null where nothing of that kind is real. */
  askew: 'plate' | 'cylinder' | 'feeder' | null;
  /** Largest error at a mark as read, and what stays after the settings, mm. */
  worstMm: number;
  afterMm: number;
  inside: boolean;
  /** No setting brings it inside: what to do, first things first. */
  remedies: RegisterRemedy[];
  /** What these marks cannot show. */
  unknown: RegisterTerm[];
}

const value = (fit: RegisterFit, term: RegisterTerm): number => {
  const t = fit.terms[term];
  return t.known ? t.value : 0;
};
const isReal = (fit: RegisterFit, term: RegisterTerm): boolean => {
  const t = fit.terms[term];
  return t.known && t.real;
};
const error = (dx: number, dy: number): number => Math.sqrt(dx * dx + dy * dy);
const stepped = (mm: number, step: number, sign: 1 | -1): { mm: number; steps: number } => {
  const steps = Math.round(mm / step) * sign;
  return { mm: Math.round(mm / step) * step, steps: steps === 0 ? 0 : steps };
};

/**
 * What to set at a unit so that a colour comes into register, and what will stay.
 *
 * Formula: shifts are set back whole; the slant of dy (a) by cocking where it stands alone; a ≈ −b within their intervals is a plate that hangs askew. What stays at a mark is
 * its residual, the stretches, the fan, and the slant that was not set. Remedies: packing lengthens or shortens the print; then the plate; the feeder for a slant of dx alone;
 * climate for stretch across and fan; ink order last.
 * Source: common practice, no source (trade order).
 */
export function adviseRegister(
  fit: RegisterFit,
  marks: readonly Mark[],
  sheetMm: readonly [number, number],
  toleranceMm: number,
  steps: RegisterSteps = USUAL_STEPS,
): RegisterAdvice {
  const [width] = sheetMm;
  const [a, b] = [value(fit, 'slantY'), value(fit, 'slantX')];
  const askew = askewBy(fit, sheetMm, toleranceMm);
  const settings: Setting[] = [];
  const lateral = stepped(-value(fit, 'shiftX'), steps.lateralMm, steps.lateralSign);
  const round = stepped(-value(fit, 'shiftY'), steps.roundMm, steps.roundSign);
  if (lateral.steps !== 0) settings.push({ by: 'lateral', ...lateral });
  if (round.steps !== 0) settings.push({ by: 'round', ...round });
  const wanted = (-a * width) / 1000;
  const cock = stepped(Math.min(Math.max(wanted, -steps.mostCockMm), steps.mostCockMm), steps.cockMm, steps.cockSign);
  const cocks = askew === 'cylinder' && cock.steps !== 0;
  if (cocks) settings.push({ by: 'cock', ...cock });
  const left = new Map(fit.left.map((l) => [l.mark, l]));
  let [worstMm, afterMm] = [0, 0];
  for (const m of marks) {
    const own = left.get(m.id);
    if (!own) continue;
    const [x, y] = [(m.xMm - sheetMm[0] / 2) / 1000, (m.yMm - sheetMm[1] / 2) / 1000];
    const dx = own.dxMm + value(fit, 'shiftX') + b * y + value(fit, 'stretchX') * x + value(fit, 'fan') * x * y;
    const dy = own.dyMm + value(fit, 'shiftY') + a * x + value(fit, 'stretchY') * y;
    worstMm = Math.max(worstMm, error(dx, dy));
    afterMm = Math.max(afterMm, error(dx + lateral.mm, dy + round.mm + (cocks ? (cock.mm * 1000 * x) / width : 0)));
  }
  const inside = worstMm <= toleranceMm;
  return {
    settings: inside ? [] : settings,
    askew,
    worstMm,
    afterMm,
    inside,
    remedies: afterMm > toleranceMm ? remediesFor(fit, askew, sheetMm, toleranceMm) : [],
    unknown: (Object.keys(fit.terms) as RegisterTerm[]).filter((t) => !fit.terms[t].known),
  };
}

/** A term that moves no mark by more than this share of the tolerance is not worth a remedy. */
const WORTH = 0.25;
/** The term is real, and moves the marks at its edge, so far from the middle in metres, by something worth it. */
const moves = (fit: RegisterFit, term: RegisterTerm, atEdge: number, toleranceMm: number): boolean =>
  isReal(fit, term) && Math.abs(value(fit, term) * atEdge) > WORTH * toleranceMm;

function askewBy(fit: RegisterFit, [widthMm, heightMm]: readonly [number, number], toleranceMm: number): RegisterAdvice['askew'] {
  const cocked = moves(fit, 'slantY', widthMm / 2000, toleranceMm);
  const fed = moves(fit, 'slantX', heightMm / 2000, toleranceMm);
  if (cocked && fed && oppose(fit)) return 'plate';
  if (!cocked && !fed) return null;
  return Math.abs(value(fit, 'slantY')) >= Math.abs(value(fit, 'slantX')) ? 'cylinder' : 'feeder';
}

/** The two slants are each other's opposite within their intervals. */
function oppose(fit: RegisterFit): boolean {
  const [a, b] = [fit.terms.slantY, fit.terms.slantX];
  if (!a.known || !b.known) return false;
  const [pa, pb] = [a.pm ?? 0, b.pm ?? 0];
  return Math.abs(a.value + b.value) <= Math.sqrt(pa * pa + pb * pb);
}

function remediesFor(
  fit: RegisterFit,
  askew: RegisterAdvice['askew'],
  [widthMm, heightMm]: readonly [number, number],
  toleranceMm: number,
): RegisterRemedy[] {
  const [x, y] = [widthMm / 2000, heightMm / 2000];
  const of: Record<RegisterRemedy, boolean> = {
    packing: moves(fit, 'stretchY', y, toleranceMm),
    plate: askew === 'plate' || askew === 'cylinder',
    feeder: askew === 'feeder',
    climate: moves(fit, 'stretchX', x, toleranceMm) || moves(fit, 'fan', x * y, toleranceMm),
    inkOrder: true,
  };
  return REGISTER_REMEDIES.filter((r) => of[r]);
}
