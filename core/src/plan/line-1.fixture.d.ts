import '../families/folded-card-wish';
import type { Plant, Shelf } from '../plant/plant';
import { type JobSpec } from '../product/job-spec';
export declare const LINDMOOR: Plant;
/** Monday 2 March 2026, 06:00 UTC. */
export declare const MONDAY_S: number;
export declare const SHELF: Shelf;
/** Line 1 as the trade describes it: folded card with foil, ribbon, envelope and seal, bands of six. */
export declare const cardSpec: (quantity?: number) => JobSpec;
