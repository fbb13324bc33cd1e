import type { RegisterSteps } from './corrections';
import type { RegisterProcess } from './tolerance';

/** What the register desk needs to know of a step: written down with its release. */
export interface RegisterOf {
  /** What is read, unit by unit, against the reference. */
  colours: string[];
  reference: string;
  sheetMm: [number, number];
  /** What the artwork asks; null: nobody said. What the machine holds. The smaller is the job's tolerance. */
  askedMm: number | null;
  holdsMm: number;
  process: RegisterProcess;
  steps: RegisterSteps;
}
/**
 * What has to be kept: the smaller of what is asked and what the machine holds is what the desk works to.
 * @example toleranceOf({ askedMm: 0.05, holdsMm: 0.1 }) // 0.05
 */
export const toleranceOf = ({ askedMm, holdsMm }: Pick<RegisterOf, 'askedMm' | 'holdsMm'>): number =>
  Math.min(askedMm ?? Infinity, holdsMm);
