/** What carries the image or the cut, and is kept. */
export const TOOL_KINDS = ['plate', 'foilDie', 'cuttingDie', 'engravedDie', 'screen', 'cylinder'] as const;
export type ToolKind = (typeof TOOL_KINDS)[number];

/** Where a form stands in its life. `out` and `customer`: not in the house. */
export const TOOL_STATES = ['planned', 'imaged', 'checked', 'onPress', 'stored', 'out', 'customer', 'spoilt', 'recycled'] as const;
export type ToolState = (typeof TOOL_STATES)[number];

/** What may follow what. A spoilt form is made again as a new card: what was made stays on record. */
const NEXT: Record<ToolState, readonly ToolState[]> = {
  planned: ['imaged', 'recycled'],
  imaged: ['checked', 'spoilt'],
  checked: ['onPress', 'stored', 'spoilt'],
  onPress: ['stored', 'spoilt', 'recycled'],
  stored: ['checked', 'onPress', 'out', 'customer', 'spoilt', 'recycled'],
  out: ['stored', 'spoilt'],
  customer: ['stored'],
  spoilt: ['recycled'],
  recycled: [],
};
/** The states a form may go to from here. */
export const nextStates = (state: ToolState): readonly ToolState[] => NEXT[state];

/** States a form can be taken from for another run. */
export const KEPT_STATES: readonly ToolState[] = ['stored', 'checked', 'onPress'];
/** States in which a form counts as there for its job. */
export const READY_STATES: readonly ToolState[] = ['checked', 'onPress', 'stored'];

/** What is looked at on a form before a press may have it. */
export interface FormChecks {
  scratches: boolean;
  /** Smallest element on it that is whole under the loupe, µm; null where nobody looked. */
  smallestUm: number | null;
  wedge: 'in' | 'out' | 'none';
}
/**
 * A form passes with no scratch, and with a test wedge inside its tolerance where one was measured.
 * @example passes({ scratches: false, wedge: 'ok' }) // true
 */
export const passes = (c: FormChecks): boolean => !c.scratches && c.wedge !== 'out';

/** A form as it is counted in a plan and kept in the store: equal forms bear equal names. */
export interface FormName {
  kind: ToolKind;
  /** Side of the form: front, back, both, one. */
  side: string;
  ink: string;
  /** Of the sheet or web it was made for, mm. */
  sizeMm: readonly [number, number];
}
export const isSameForm = (a: FormName, b: FormName): boolean =>
  a.kind === b.kind && a.side === b.side && a.ink === b.ink && a.sizeMm[0] === b.sizeMm[0] && a.sizeMm[1] === b.sizeMm[1];
