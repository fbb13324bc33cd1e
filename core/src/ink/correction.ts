import { deltaE2000 } from '../colour/delta-e';
import type { Lab } from '../colour/lab';
import type { Spectrum } from '../colour/spectrum';
import { OutOfRange, requireAboveZero } from '../quantity/errors';
import { type BaseInk, mixed } from './base-ink';
import { printedLab } from './printed-colour';

export interface CorrectionAsk {
  /** What is in the pail. */
  batch: readonly { base: string; kg: number }[];
  /** What may be added: the bases of the recipe, and any other the kitchen allows. */
  bases: readonly BaseInk[];
  measured: Lab;
  target: Lab;
  stock: Spectrum;
  filmGsm: number;
  /** Good enough, CIEDE2000. */
  aim: number;
  /** Added at most, as a share of the batch. */
  mostShare: number;
}
export interface Correction {
  add: { base: string; kg: number }[];
  /** Where the model expects the next draw-down. */
  lab: Lab;
  deltaE: number;
  /** How far the model was off on this draw-down: the same is expected of the next. */
  modelOff: number;
}

/** Additions are tried from a thousandth of the batch up, each a tenth more than the one before. */
const FIRST = 0.001;
const GROWS = 1.1;
const PAIRS = 5;
const ROUNDS = 6;

/**
 * What to add to a batch that was drawn down and is off.
 *
 * Formula: the model's colour of the batch, moved by what the draw-down was off the model (L*, a*, b* each by its difference); of single additions and of pairs
 * of the best five bases, the lightest in mass that comes within the aim, else the one that comes nearest. Empty: nothing that may be added betters it.
 * Source: the offset as fitted model is the house's own choice; the draw-down is the judge. @throws OutOfRange a batch of no mass, or a base not known
 */
export function correctBatch(ask: CorrectionAsk): Correction {
  const known = new Map(ask.bases.map((b) => [b.id, b]));
  const inPail = ask.batch.map(({ base, kg }) => {
    const found = known.get(base);
    if (!found) throw new OutOfRange('base', base, 'one of the bases given');
    return { base: found, kg };
  });
  const mass = inPail.reduce((n, b) => n + b.kg, 0);
  requireAboveZero('batch', mass);
  const modelled = (more: readonly { base: BaseInk; kg: number }[]): Lab => {
    const all = [...inPail, ...more];
    const { k, s } = mixed(
      all.map((b) => b.base),
      all.map((b) => b.kg),
    );
    return printedLab({ k, s, gsm: ask.filmGsm }, ask.stock);
  };
  const now = modelled([]);
  const offset = ask.measured.map((v, i) => v - (now[i] as number));
  const expected = (more: readonly { base: BaseInk; kg: number }[]): Lab =>
    modelled(more).map((v, i) => v + (offset[i] as number)) as unknown as Lab;
  const off = (more: readonly { base: BaseInk; kg: number }[]): number => deltaE2000(expected(more), ask.target);

  type Tried = { add: { base: BaseInk; kg: number }[]; deltaE: number };
  const better = (a: Tried, b: Tried): boolean => {
    const added = (t: Tried): number => t.add.reduce((n, x) => n + x.kg, 0);
    const [inA, inB] = [a.deltaE <= ask.aim, b.deltaE <= ask.aim];
    return inA && inB ? added(a) < added(b) : a.deltaE < b.deltaE;
  };
  /** The best amount of one base beside what is added already. */
  const along = (base: BaseInk, beside: Tried['add']): Tried => {
    let best: Tried = { add: beside, deltaE: off(beside) };
    for (let share = FIRST; share <= ask.mostShare * (1 + 1e-9); share *= GROWS) {
      const add = [...beside, { base, kg: share * mass }];
      if (add.reduce((n, x) => n + x.kg, 0) > ask.mostShare * mass * (1 + 1e-9)) break;
      const tried = { add, deltaE: off(add) };
      if (better(tried, best)) best = tried;
    }
    return best;
  };
  const singles = ask.bases.map((base) => along(base, [])).sort((a, b) => (better(a, b) ? -1 : better(b, a) ? 1 : 0));
  let best: Tried = { add: [], deltaE: off([]) };
  const take = (tried: Tried): void => {
    if (better(tried, best)) best = tried;
  };
  singles.forEach(take);
  const promising = [...ask.bases].sort((a, b) => along(a, []).deltaE - along(b, []).deltaE).slice(0, PAIRS);
  if (best.deltaE > ask.aim)
    for (const one of promising)
      for (const other of promising) {
        if (one.id >= other.id) continue;
        let pair = along(one, []);
        for (let round = 0; round < ROUNDS; round++) {
          const turn = round % 2 === 0 ? other : one;
          pair = along(
            turn,
            pair.add.filter((x) => x.base.id !== turn.id),
          );
        }
        take(pair);
      }
  return {
    add: best.add.map(({ base, kg }) => ({ base: base.id, kg })),
    lab: expected(best.add),
    deltaE: best.deltaE,
    modelOff: deltaE2000(now, ask.measured),
  };
}
