import type { Point } from '../product/die-line/points';
import type { UsableSheet } from './sheet-layout';

/** What a nest is asked: the outline as it is drawn, how it may lie, and the sheet. */
export interface NestAsk extends UsableSheet {
  outline: readonly Point[];
  /** Quarter turn by which the grain, or the better nest, has it lie. */
  turns: readonly (0 | 90)[];
  gapMm: number;
  /** Neighbours may have one cut where straight edges of them lie on one another. */
  commonCuts?: true;
}
