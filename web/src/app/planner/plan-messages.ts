import type { Compared, Edit, JobSpec, Plan, Plant, RiverStone, Scene, Shelf } from '@druckerei/core';
import type { Substitute, Moved, RiskCurve } from '@druckerei/core/planning';

/** What the screen asks of the plan worker. A newer `plan` replaces an older one that has not been started. */
export type Ask =
  | { kind: 'plan'; seq: number; spec: JobSpec; plant: Plant; shelf: Shelf; stone: string | null }
  | { kind: 'scene'; stone: string }
  | { kind: 'preview'; seq: number; edits: Edit[] }
  | { kind: 'moved'; seq: number; plant: Plant }
  | { kind: 'compare'; seq: number }
  | { kind: 'risk'; seq: number; item: string }
  | { kind: 'cancel' };

/** What a remedy would change, shown before it is applied. */
export interface Preview {
  pulled: number;
  pulledUnit: 'sheet' | 'metre';
  money: number;
  readyAt: number;
  plates: number;
  chance: number;
  worst: string | null;
}
export interface Planning {
  plan: Plan;
  river: RiverStone[];
}
export type Answer =
  | { kind: 'planned'; seq: number; planning: Planning; scene: Scene | null; ms: number }
  | { kind: 'scene'; stone: string; scene: Scene | null }
  | { kind: 'previewed'; seq: number; before: Preview; after: Preview | null }
  | { kind: 'moved'; seq: number; moved: Moved }
  | { kind: 'compared'; seq: number; row: Compared; done: false }
  | { kind: 'compared'; seq: number; row: null; done: true }
  | { kind: 'substitute'; seq: number; row: Substitute }
  | { kind: 'risk'; seq: number; curve: RiskCurve | null }
  | { kind: 'failed'; seq: number; says: string };
