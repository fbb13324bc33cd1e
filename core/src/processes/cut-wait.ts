import type { Step } from '../flow/net';
import { idOf } from '../quantity/id-of';
import { SUM } from '../quantity/sum';
import { type PracticeKey, practiceTerm, practiceValue } from '../plant/practice';
import { isFromTheDrum } from '../product/ink-names';
import { type DryingLoad, dryBeforeCutting } from '../ink/drying';
import { type DraftContext, setting } from './process';

/** What lies on the sheet that is to be cut: the heavier side, coverage typed or the plant's guess; whether a water-based coat covers it. */
function loadOf(cx: DraftContext): DryingLoad {
  const usual = practiceValue(cx.plant, 'ink.coveragePercent');
  const sides = cx.parts.flatMap(({ colours, coveragePercent }) =>
    colours.map((inks) => inks.filter((ink) => !isFromTheDrum(ink)).reduce((sum, ink) => sum + (coveragePercent[ink] ?? usual), 0)),
  );
  const waterCoat = cx.parts.some((p) => p.colours.flat().some((ink) => isFromTheDrum(ink) && !/varnish/i.test(ink)));
  return { surface: cx.stock?.surface, inkPercent: Math.max(0, ...sides), waterCoat };
}

/** How long ink lies before it is cut, as a practice of the plant. */
export const cutWait = (cx: DraftContext): PracticeKey => dryBeforeCutting(loadOf(cx));

/** The wait of a step that cuts, creases or presses what was printed: after the last step that left ink to dry. */
export const cutWaits = (cx: DraftContext): Step['waits'] =>
  cx.wet.slice(-1).map((after) => {
    cx.ledger.figure(idOf(cx.id, 'waitS'), SUM, { wait: setting(cx, 'waitS', practiceTerm(cx.plant, cutWait(cx))) });
    return { after, figure: idOf(cx.id, 'waitS'), why: 'cut' as const };
  });
