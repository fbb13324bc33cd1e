import type { AbilityKey } from '../plant/abilities';
import { type RegisterSteps, USUAL_STEPS } from '../register/corrections';
import type { RegisterOf } from '../register/register-of-step';
import { PROCESS_REGISTER, type RegisterProcess, requiredToleranceMm } from '../register/tolerance';
import type { SidePrint } from '../layout/work-style';
import type { ConsumeContext } from './process';

const middle = ([a, b]: readonly [number, number]): number => (a + b) / 2;
const sign = (limit: number | undefined): 1 | -1 => ((limit ?? 1) < 0 ? -1 : 1);

/** What a press says of its register, which its desk works by. */
export const REGISTER_ABILITIES = [
  'registerMm',
  'registerLateralMm',
  'registerRoundMm',
  'registerCockMm',
  'registerMostCockMm',
  'registerLateralSign',
  'registerRoundSign',
  'registerCockSign',
] as const satisfies readonly AbilityKey[];

/** How the machine's register is set, from its card; the trade's usual where it is silent. */
function stepsOf({ limits }: ConsumeContext['machine']): RegisterSteps {
  return {
    lateralMm: limits.registerLateralMm ?? USUAL_STEPS.lateralMm,
    roundMm: limits.registerRoundMm ?? USUAL_STEPS.roundMm,
    cockMm: limits.registerCockMm ?? USUAL_STEPS.cockMm,
    lateralSign: sign(limits.registerLateralSign),
    roundSign: sign(limits.registerRoundSign),
    cockSign: sign(limits.registerCockSign),
    mostCockMm: limits.registerMostCockMm ?? USUAL_STEPS.mostCockMm,
  };
}

/**
 * Inks of a pass against the first of them; in a second pass the side itself against the front. Of a sheet printed on both sides at once the inks of the back are read
 * by name and side.
 */
export function registerOfInks(
  cx: ConsumeContext,
  prints: readonly SidePrint[],
  process: RegisterProcess,
  secondPass: boolean,
): RegisterOf | null {
  const [front, back] = prints;
  const [reference, ...others] = front?.inks ?? [];
  const colours = [...others, ...(secondPass || back ? [SIDE] : []), ...(back?.inks.slice(1) ?? []).map((ink) => `${ink}, back`)];
  if (reference === undefined || colours.length === 0 || !cx.layout) return null;
  const asked = cx.parts.flatMap(({ artwork }) => (artwork ? (requiredToleranceMm(artwork) ?? []) : []));
  return {
    colours,
    reference,
    sheetMm: cx.layout.sheetMm,
    askedMm: asked.length > 0 ? Math.min(...asked) : null,
    holdsMm: cx.machine.limits.registerMm ?? middle(PROCESS_REGISTER[process].holdsMm),
    process,
    steps: stepsOf(cx.machine),
  };
}
/** The print of the second side, read against that of the first. */
export const SIDE = 'back to front';

/** Foil or die against the print. */
export function registerToPrint(
  cx: ConsumeContext,
  colours: readonly string[],
  process: RegisterProcess,
  askedMm: number | null,
  holdsMm?: number,
): RegisterOf | null {
  if (colours.length === 0 || !cx.layout) return null;
  return {
    colours: [...colours],
    reference: 'print',
    sheetMm: cx.layout.sheetMm,
    askedMm,
    holdsMm: holdsMm ?? middle(PROCESS_REGISTER[process].holdsMm),
    process,
    steps: stepsOf(cx.machine),
  };
}
