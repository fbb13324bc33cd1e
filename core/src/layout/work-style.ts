import type { FormAsk } from '../product/part';

/**
 * How both sides of a sheet are printed. Each style is data; nothing else asks for its name.
 * - simplex: one side.
 * - sheetwise: two forms, the sheet is turned, same gripper edge.
 * - turn: one form carries front and back side by side; the sheet is turned over its short axis: same gripper, the side lay changes.
 * - tumble: one form, front before back; the gripper changes ends: two gripper margins, sheets square to 0.3 mm.
 * - perfect: both sides in one pass; the gripper changes ends.
 * Source: common practice, no source.
 */
export const WORK_STYLES = {
  simplex: { sides: 1, forms: 1, passes: 1, halves: null, secondGripper: false, layChanges: false },
  sheetwise: { sides: 2, forms: 2, passes: 2, halves: null, secondGripper: false, layChanges: true },
  turn: { sides: 2, forms: 1, passes: 2, halves: 'x', secondGripper: false, layChanges: true },
  tumble: { sides: 2, forms: 1, passes: 2, halves: 'y', secondGripper: true, layChanges: false },
  perfect: { sides: 2, forms: 2, passes: 1, halves: null, secondGripper: true, layChanges: false },
} as const;
export type WorkStyleId = keyof typeof WORK_STYLES;
export const WORK_STYLE_IDS = Object.keys(WORK_STYLES) as [WorkStyleId, ...WorkStyleId[]];
/**
 * Whether a word from outside names a work style.
 * @example isWorkStyle('turn') // true
 */
export const isWorkStyle = (id: string): id is WorkStyleId => Object.hasOwn(WORK_STYLES, id);

export interface PressAbility {
  units: number;
  perfects: boolean;
  /** Units before the sheet is turned in the press; where the card does not say, each may print either side. */
  beforeTurn?: number;
}

/** What changes on the sheet when it is turned for its other side: across the press, or along it where the tail is gripped. Source: geometry. */
export const mirrorOf = (style: WorkStyleId): 'x' | 'y' => (WORK_STYLES[style].secondGripper ? 'y' : 'x');

/** What a pass prints on one side of the sheet, unit by unit. */
export interface SidePrint {
  side: 'front' | 'back';
  inks: string[];
}
/** A run through the press: what it prints side by side; `samePlates`: from the form that is in the press already. */
export interface PressPass {
  side: 'front' | 'back' | 'both';
  prints: SidePrint[];
  samePlates: boolean;
}

/**
 * The passes of a style, split where a side has more inks than there are units. Both sides of a perfected sheet run together, each from units of its own.
 * @example pressPasses('sheetwise', [['K'], ['K']], { units: 4, perfects: false }).length // 2
 */
export function pressPasses(
  style: WorkStyleId,
  colours: readonly [readonly string[], readonly string[]],
  press: PressAbility,
): PressPass[] {
  const units = Math.max(press.units, 1);
  const split = (inks: readonly string[], side: 'front' | 'back', samePlates: boolean): PressPass[] =>
    Array.from({ length: Math.ceil(inks.length / units) }, (_, i) => ({
      side,
      prints: [{ side, inks: inks.slice(i * units, (i + 1) * units) }],
      samePlates,
    }));
  const [front, back] = colours;
  const { forms, passes } = WORK_STYLES[style];
  if (passes === 1 && forms === 2) {
    const prints: SidePrint[] = [
      { side: 'front', inks: [...front] },
      { side: 'back', inks: [...back] },
    ];
    return [{ side: 'both', prints: prints.filter((p) => p.inks.length > 0), samePlates: false }];
  }
  if (forms === 1 && passes === 2) {
    const shared = sharedInks(colours);
    return [...split(shared, 'front', false), ...split(shared, 'back', true)];
  }
  return passes === 2
    ? [...split(front, 'front', false), ...split(back, 'back', false)]
    : split(front.length > 0 ? front : back, front.length > 0 ? 'front' : 'back', false);
}

/**
 * Whether a form may be worked this way. One that fills both halves alike is laid out for one part only, and shows fronts and backs side by side: a foil die at every
 * copy would strike half of them on their backs. Source: geometry.
 * @example mayWork('turn', { parts: 1, oneSided: true }) // false
 */
export const mayWork = (style: WorkStyleId, form: FormAsk): boolean =>
  WORK_STYLES[style].halves === null || (form.parts < 2 && !form.oneSided);

/**
 * The inks a form carries that prints both sides: each once.
 * @example sharedInks([['K', 'C'], ['K', 'M']]) // ['K', 'C', 'M']
 */
export const sharedInks = ([front, back]: readonly [readonly string[], readonly string[]]): string[] => [...new Set([...front, ...back])];

/**
 * Whether a press can print this way at all: a perfected sheet takes the inks of its front from the units before the turn, those of its back from the others.
 * @example fitsWorkStyle('perfect', [['K'], ['K']], { units: 4, perfects: false }) // false
 */
export function fitsWorkStyle(
  style: WorkStyleId,
  [front, back]: readonly [readonly string[], readonly string[]],
  { units, perfects, beforeTurn }: PressAbility,
): boolean {
  const twoSided = front.length > 0 && back.length > 0;
  if ((WORK_STYLES[style].sides === 2) !== twoSided) return false;
  if (style !== 'perfect') return true;
  const room = beforeTurn === undefined || (front.length <= beforeTurn && back.length <= units - beforeTurn);
  return perfects && room && front.length + back.length <= units;
}

/**
 * Quantity from which the way with the larger fixed cost and the smaller cost a piece is the cheaper one.
 * Formula: `q = (F₂ − F₁) / (c₁ − c₂)`; Infinity where it never is. Source: arithmetic.
 * @example breakEvenQuantity({ fixedA: 60, eachA: 0.03, fixedB: 120, eachB: 0.015 }) // 4000
 */
export function breakEvenQuantity({ fixedA, eachA, fixedB, eachB }: Record<'fixedA' | 'eachA' | 'fixedB' | 'eachB', number>): number {
  const quantity = (fixedB - fixedA) / (eachA - eachB);
  return Number.isFinite(quantity) && quantity > 0 ? quantity : Infinity;
}
