import { LEVELS, type Finding } from '../../processes/finding';
import { coatOnGlue, overprintFine, typeSmall } from './artwork';
import { gapNarrow } from './gap-narrow';
import { gripperCosts } from './gripper-costs';
import { bleedSmall } from './bleed-small';
import { childGone, childLate, childOpen } from './child-jobs';
import { cannotReach } from './cannot-reach';
import { choiceUnknown, machineRetired } from './choice-unknown';
import { customerStockShort } from './customer-stock-short';
import { deliverySum } from './delivery-sum';
import { noDrawDown, notFast, platesOld, registerLeft } from './desks';
import { dueMissed } from './due-missed';
import { filmSurface } from './film-surface';
import { countsOff, floorShort, handoverUnread } from './floor';
import { coatOnWax } from './coat-on-wax';
import { foilOnInk } from './foil-on-ink';
import { foldSizes } from './fold-sizes';
import { foldWithoutScore } from './fold-without-score';
import { foodMigration } from './food-migration';
import { frozenChanged } from './frozen-changed';
import { gangEmpty, gangKept, gangLookAlike, gangOver, gangRunsOn, gangStarves } from './gangs';
import { gateNowhere, gateRefused, gateWaiting } from './gates';
import { grainAcross } from './grain-across-fold';
import { inkFill } from './ink-fill';
import { layChanges } from './lay-changes';
import { styleCannot } from './style-cannot';
import { logThin } from './log-thin';
import { lotCaliper } from './lot-caliper';
import { machineNone } from './machine-none';
import { notCuttable } from './not-cuttable';
import { measureOff, ownRelease } from './measures';
import { nothingFits } from './nothing-fits';
import { dieLate } from './die-late';
import { dieNewPays } from './die-new-pays';
import { dieStrokesLeft } from './die-strokes-left';
import { outsideNoDate, outsideTooSoon } from './outside-work';
import { noLamps, repeatCannot, unitsShort } from './press-cannot';
import { overrideStale } from './override-stale';
import { overs } from './overs';
import { plateLife } from './plate-life';
import { repeatBroken } from './repeat-broken';
import { riskShort } from './risk-short';
import { rollLengthsDiffer } from './roll-lengths-differ';
import { rollOverMachine } from './roll-over-machine';
import type { FindingContext, Rule } from './rule';
import { sectionsAcrossGrain, sectionsTooHeavy } from './sections';
import { sheetOverMachine } from './sheet-over-machine';
import { stockShort } from './stock-short';
import { textNearEdge } from './text-near-edge';
import { toolOut } from './tool-out';
import { totalInk } from './total-ink';
import { waitUnmet } from './wait-unmet';
import { versionsFollow } from './versions-follow';
import { washUp } from './wash-up';

/** Every rule of the plan, in the order of the work; what a kind of work finds of its own runs stands in its folder. */
export const RULES: readonly Rule[] = [
  machineNone,
  choiceUnknown,
  styleCannot,
  machineRetired,
  foldSizes,
  bleedSmall,
  gapNarrow,
  gripperCosts,
  textNearEdge,
  typeSmall,
  coatOnGlue,
  nothingFits,
  gangRunsOn,
  gangOver,
  gangEmpty,
  gangKept,
  gangLookAlike,
  gangStarves,
  notCuttable,
  sheetOverMachine,
  rollOverMachine,
  rollLengthsDiffer,
  repeatBroken,
  grainAcross,
  sectionsTooHeavy,
  sectionsAcrossGrain,
  stockShort,
  customerStockShort,
  lotCaliper,
  platesOld,
  versionsFollow,
  noLamps,
  unitsShort,
  repeatCannot,
  plateLife,
  toolOut,
  dieLate,
  dieNewPays,
  dieStrokesLeft,
  totalInk,
  inkFill,
  noDrawDown,
  notFast,
  foodMigration,
  filmSurface,
  layChanges,
  overprintFine,
  registerLeft,
  measureOff,
  ownRelease,
  washUp,
  waitUnmet,
  foilOnInk,
  coatOnWax,
  foldWithoutScore,
  outsideNoDate,
  outsideTooSoon,
  childGone,
  childOpen,
  childLate,
  cannotReach,
  floorShort,
  countsOff,
  handoverUnread,
  riskShort,
  overs,
  logThin,
  deliverySum,
  dueMissed,
  gateRefused,
  gateWaiting,
  gateNowhere,
  frozenChanged,
  overrideStale,
];

/** All findings of a plan, the gravest first; within a level first those of the plan in the order of the work, then those of its runs in the order of the route. */
export function findAll(cx: FindingContext, already: readonly Finding[]): Finding[] {
  const found = [
    ...already,
    ...RULES.flatMap((rule) => rule.find(cx).map((f): Finding => ({ code: rule.code, ...f }))),
    ...cx.contexts.flatMap(({ stone, cx: run }) =>
      (stone.process.rules ?? []).flatMap((rule) => rule.find(run, cx.spec).map((f): Finding => ({ code: rule.code, at: run.id, ...f }))),
    ),
  ];
  const byLevel = LEVELS.flatMap((level) => found.filter((f) => f.level === level));
  return atStones(byLevel, cx);
}

/** Findings of runs stand at their stone. What several runs of it have in common is said, and decided, once: as gravely as the gravest. */
function atStones(findings: readonly Finding[], { contexts }: FindingContext): Finding[] {
  const stoneOf = new Map<string, string>(contexts.flatMap(({ cx }) => (cx.id === cx.stone ? [] : [[cx.id, cx.stone]])));
  if (stoneOf.size === 0) return [...findings];
  const said = new Set<string>();
  return findings.flatMap((f) => {
    const stone = stoneOf.get(f.at);
    if (stone === undefined) return [f];
    const key = `${f.code}@${stone}`;
    if (said.has(key)) return [];
    said.add(key);
    return [{ ...f, at: stone }];
  });
}
