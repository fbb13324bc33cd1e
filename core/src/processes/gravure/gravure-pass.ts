import { platesChanged } from '../../form/plates';
import type { PartVersion } from '../../product/versions';
import type { SidePrint } from '../../layout/work-style';
import type { RegisterOf } from '../../register/register-of-step';
import type { ConsumeContext, DraftContext, VersionsToTell } from '../process';
import { registerOfInks } from '../register-of';

/** Cylinders that a design has of its own: those it says, else all of them. */
const ownInks = ({ changes }: Pick<PartVersion, 'changes'>, inks: readonly string[]): readonly string[] =>
  changes.length > 0 ? changes : inks;

/** Designs run one after another over the whole web: where there are several and none lie side by side. */
export const areInTurn = ({ versions, form }: VersionsToTell): boolean => versions.length > 1 && form?.layout?.web?.designs === undefined;

/** What is printed in a run: its inks in the order of the stations, and the cylinders that are changed for it. */
export interface GravurePass {
  inks: readonly string[];
  hung: readonly string[];
  /** The press is set for the design before; what both print alike stays in. */
  again: boolean;
}
export function gravurePass({ prints, version, versions, keeps }: DraftContext): GravurePass {
  const [inks] = prints;
  const before = version && keeps !== null ? versions[versions.findIndex((v) => v.id === version.id) - 1] : undefined;
  if (!version || !before) return { inks, hung: inks, again: false };
  const [was, is] = [before, version].map((v) => ({ changes: ownInks(v, inks) }));
  return { inks, hung: was && is ? platesChanged(inks, was, is) : inks, again: true };
}

/** All of it on the face of the web. */
export const gravurePrints = (cx: DraftContext): SidePrint[] => [{ side: 'front', inks: [...gravurePass(cx).inks] }];

/** What a camera reads at the register desk: every colour against that of the first station. */
export const gravureRegister = (cx: ConsumeContext): RegisterOf | null => registerOfInks(cx, gravurePrints(cx), 'gravure', false);

/** One turn of the first cylinder, whether anything fits on the web or not. */
export const firstTurnMm = ({ parts }: Pick<DraftContext, 'parts'>): number => parts[0]?.traits?.wound?.turnMm ?? 0;
