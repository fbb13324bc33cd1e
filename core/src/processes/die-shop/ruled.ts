import type { ConsumeContext } from '../process';

/** A cutting die as the die room has to make it. */
export interface Ruled {
  name: string;
  places: number;
  sheetMm: readonly [widthMm: number, heightMm: number];
  cutM: number;
  creaseM: number;
  /** Caliper of the board it cuts. */
  boardUm: number;
}
declare module '../../product/part' {
  interface Traits {
    ruled: Ruled;
  }
}
const NOTHING: Ruled = { name: '', places: 0, sheetMm: [0, 0], cutM: 0, creaseM: 0, boardUm: 0 };
export const ruledOf = (cx: Pick<ConsumeContext, 'parts'>): Ruled => cx.parts[0]?.traits?.ruled ?? NOTHING;
