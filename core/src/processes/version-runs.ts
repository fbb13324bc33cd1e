import type { Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { practiceTerm } from '../plant/practice';
import { platesChanged } from '../form/plates';
import type { PartVersion } from '../product/versions';
import type { DraftContext } from './process';

/** One run of a pass: all of it, or one version of it, after the version that stood in the press before. */
export interface VersionRun {
  version: PartVersion | null;
  /** Inks whose plates are hung for it; of the first run all. */
  hung: readonly string[];
  /** Not the first run of its pass: the press is set, only what differs is changed. */
  again: boolean;
}

/** Whether versions of what is made have plates of their own among these inks. */
export const versionsDiffer = ({ versions, inks }: { versions: readonly PartVersion[]; inks: readonly string[] }): boolean =>
  versions.length > 1 && versions.some((v) => v.changes.some((ink) => inks.includes(ink)));

/** What stands in the press when a pass begins: nothing, so that all its plates are hung; or the form of the pass before, in a version or in none. */
export type Stands = 'nothing' | { version: PartVersion | null };

/**
 * The runs of a pass with these inks. Versions that are `apart` already, or that change an ink of it, run one after another in the order chosen.
 */
export function versionRuns(
  cx: Pick<DraftContext, 'version' | 'versions' | 'keeps'>,
  inks: readonly string[],
  apart: boolean,
  stands: Stands,
): VersionRun[] {
  const hung = (next: PartVersion | null): readonly string[] =>
    stands === 'nothing' ? inks : stands.version && next ? platesChanged(inks, stands.version, next) : [];
  if (cx.version) {
    const before = cx.keeps === null ? undefined : cx.versions[cx.versions.findIndex((v) => v.id === cx.version?.id) - 1];
    return [
      { version: cx.version, hung: before ? platesChanged(inks, before, cx.version) : hung(cx.version), again: before !== undefined },
    ];
  }
  if (!apart && !versionsDiffer({ versions: cx.versions, inks })) return [{ version: null, hung: hung(null), again: false }];
  return cx.versions.map((version, i) => {
    const run = { version, hung: hung(version), again: i > 0 };
    stands = { version };
    return run;
  });
}

/** Name of a run's step: of its pass, and of its version where several run. */
export const runId = (pass: string, { version }: VersionRun, cx: Pick<DraftContext, 'version'>): Id<'step'> =>
  version && !cx.version ? idOf(pass, version.id) : pass;

/** Setting a machine for the next version: nothing of it is set anew, but the line is cleared, so that no piece of one version gets among the other. */
export const clearanceTerm = (cx: Pick<DraftContext, 'plant'>): Term => practiceTerm(cx.plant, 'versions.clearanceS');
