import type { Practice } from '../../plant/plant';
import { range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const CAMERA_PRACTICE = {
  'camera.toleranceMm': range(0.1, 0.15, 'mm', 'practice', 'labels 0.1 to 0.15 mm; common practice, no source'),
} as const satisfies Record<string, Practice>;
