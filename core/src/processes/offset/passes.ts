import type { Id } from '../../quantity/figure';
import { typed } from '../../quantity/ledger';
import type { PartVersion } from '../../product/versions';
import { type PressAbility, type PressPass, pressPasses } from '../../layout/work-style';
import type { RegisterOf } from '../../register/register-of-step';
import type { ConsumeContext, DraftContext } from '../process';
import { type Pass, inInkOrder, pressAbility, unitInks } from '../press-inks';
import { registerOfInks } from '../register-of';
import { runId, versionRuns } from '../version-runs';

export const NONE = typed(0, 's', 'none');

/** The runs of the form through this press: passes by work style, with ids that tell their side; and each version of a pass that differs in it. */
export function passesOf(cx: DraftContext): Pass[] {
  const passes = passesWithCoat(cx);
  let apart = false;
  let last: PartVersion | null = null;
  return passes.flatMap((p, i) => {
    const prints = p.prints.map(({ side, inks }) => ({ side, inks: inInkOrder(cx, inks) }));
    const id = passes.length === 1 ? cx.id : `${cx.id}.${p.side}${passes.filter((q, j) => q.side === p.side && j < i).length || ''}`;
    const inks = prints.flatMap((side) => side.inks);
    const runs = versionRuns(cx, inks, apart, p.samePlates ? { version: last } : 'nothing');
    apart ||= runs.length > 1;
    last = runs.at(-1)?.version ?? null;
    return runs.map((run): Pass => ({ ...p, ...run, prints, inks, of: id, id: runId(id, run, cx) }));
  });
}

/** Passes by work style; on a press with a coater, what comes from the drum is laid in the last pass of its side and takes no unit. */
function passesWithCoat(cx: DraftContext): PressPass[] {
  const inUnits = cx.prints.map((inks) => unitInks(inks, cx.machine));
  const onCoater = cx.prints.map((inks, side) =>
    (inUnits[side]?.length ?? 0) > 0 ? inks.filter((ink) => !inUnits[side]?.includes(ink)) : [],
  );
  const [front = [], back = []] = cx.prints.map((inks, side) => inks.filter((ink) => !onCoater[side]?.includes(ink)));
  const passes = pressPasses(cx.workStyle, [front, back], pressAbility(cx.machine));
  return passes.map((pass, i) => ({
    ...pass,
    prints: pass.prints.map(({ side, inks }) => {
      const isLast = !passes.slice(i + 1).some((later) => later.prints.some((p) => p.side === side));
      return { side, inks: isLast ? [...inks, ...(onCoater[side === 'front' ? 0 : 1] ?? [])] : inks };
    }),
  }));
}

/** Inks of a pass unit by unit: the back of a perfected sheet is printed by the units behind the turn. */
export function unitsOfPass({ prints }: Pick<Pass, 'prints'>, { beforeTurn }: PressAbility): { unit: number; side: string; ink: string }[] {
  const [first] = prints;
  return prints.flatMap(({ side, inks }, i) =>
    inks.map((ink, u) => ({ unit: u + 1 + (i === 0 ? 0 : (beforeTurn ?? first?.inks.length ?? 0)), side, ink })),
  );
}

/** Where a pass has settings of its own, they stand before those of the stone. */
export function inPass(cx: DraftContext, { id }: Pick<Pass, 'id'>): DraftContext {
  if (id === cx.id || !Object.hasOwn(cx.setOn, id)) return cx;
  return { ...cx, id, settings: { ...cx.settings, ...cx.setOn[id] } };
}

/** The runs of each pass, in the order they go through the press. */
export function runsByPass(passes: readonly Pass[]): Map<string, Pass[]> {
  const by = new Map<string, Pass[]>();
  for (const run of passes) by.set(run.of, [...(by.get(run.of) ?? []), run]);
  return by;
}

/** What a pass is read for at the register desk: its inks to each other, and from the second pass on to the one before. */
export function registersOf(cx: ConsumeContext, step: Id<'step'>): RegisterOf | null {
  const passes = passesOf(cx);
  const at = passes.findIndex((p) => p.id === step);
  const pass = passes[at];
  return pass ? registerOfInks(cx, pass.prints, 'offset', at > 0) : null;
}
