import type { AbilityKey } from '../plant/abilities';
import type { Machine } from '../plant/plant';
import type { Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import { practiceTerm, practiceValue } from '../plant/practice';
import { DRIFT, LENGTH_BY_MARK, RELAXED_REPEAT, REPEATS_A_ROLL, TURNS_A_ROLL } from './web-repeat';
import type { Part } from '../product/part';
import type { Settings } from '../product/job-spec';
import type { WoundRoll } from '../product/wound-roll';
import { METRES_OF_MASS, REEL_METRES } from '../stock/mother-reel';
import { METRE_MASS, ROLL_LENGTH_BY_DIAMETER, WOUND_DIAMETER } from '../stock/roll';
import { BAND, lanesOfDesigns } from './designs-on-web';
import { formOf } from './form';
import type { Layout } from './layout';
import type { Laid, Layouter, LayoutContext } from './layouter';
import { COPIES_UP, CUT_OFF, GREATEST, USABLE_WIDTH, WITH_BLEED } from './usable-sheet';
import type { WebForm } from './web-form';
import { LANES, METRES_A_THOUSAND } from './web-layout';
import { MILLIMETRES, rollFigures } from './web-layouter';

/** Rolls side by side on a web that is printed by cylinders, one repeat a turn, and wound on mother reels before they are cut. */
export const rollsOnWebLayouter: Layouter = {
  id: 'rollsOnWeb',
  stock: 'roll',
  layOut(cx) {
    const [part] = cx.parts;
    return part?.traits?.wound ? lanesOf(part, part.traits.wound, cx) : { forms: [] };
  },
};

function lanesOf(part: Part, roll: WoundRoll, cx: LayoutContext): Laid {
  const { stock, stockId, plant, ledger } = cx;
  const at = (what: string): Id<'figure'> => idOf(cx.id, what);
  rollFigures(cx, 'gravure.coreWasteMetres');
  const webMm: Term = { value: stock.widthMm, unit: 'mm', from: 'plant', at: `stock:${stockId}` };
  // Lanes are whole: how wide the works leaves its edges is set, not guessed.
  const edgeTrimMm: Term = { value: practiceValue(plant, 'gravure.edgeMm'), unit: 'mm', from: 'plant', at: 'practice:gravure.edgeMm' };
  const rollMm = typed(part.widthMm, 'mm', 'widthMm');
  const turnMm = typed(roll.turnMm, 'mm', 'turnMm');
  const none = typed(0, 'mm', 'none');
  const lanes = ledger.figure(at('lanes'), LANES, { webMm, edgeTrimMm, sheetWidthMm: rollMm });
  ledger.figure(at('usableWidth'), USABLE_WIDTH, { sheet: webMm, side: edgeTrimMm });
  ledger.figure(at('pieceWidth'), WITH_BLEED, { trim: rollMm, bleed: none });
  ledger.figure(at('pieceHeight'), WITH_BLEED, { trim: turnMm, bleed: none });
  ledger.figure(at('repeatMm'), CUT_OFF, { cutOff: turnMm });
  ledger.figure(at('usableDepth'), GREATEST, { cutOff: fig(at('repeatMm')) });
  ledger.figure(at('usableRollMm'), MILLIMETRES, { metres: fig(at('usableRoll')) });
  ledger.figure(at('bandMm'), BAND, { lanes: fig(at('lanes')), rollMm, markMm: practiceTerm(plant, 'gravure.markMm') });
  ledger.figure(at('copiesUp'), COPIES_UP, { places: { value: lanes, unit: 'copy', from: 'family', at: 'layout' } });
  repeatFigures(roll, cx, turnMm);
  ledger.figure(at('metresAThousand'), METRES_A_THOUSAND, {
    repeatMm: fig(at('lengthMm')),
    pieces: lanes > 0 ? fig(at('copiesUp')) : typed(0, 'copy', 'nothing fits'),
  });
  reelFigures(cx);
  const layout: Layout = {
    sheetMm: [stock.widthMm, roll.turnMm],
    gripperMm: 0,
    cells: [
      {
        ...{ part: part.id, item: part.item, trimMm: [part.widthMm, roll.turnMm] as const },
        ...{ x: (stock.widthMm - lanes * part.widthMm) / 2, y: 0, nx: lanes, ny: 1, dx: part.widthMm, dy: roll.turnMm, turn: 0 as const },
      },
    ],
    web: { lanes, around: 1, teeth: 0, sheetMm: [part.widthMm, roll.turnMm], ...designsBeside(cx, lanes) },
  };
  return { forms: [formOf({ ...cx, style: 'simplex', stock: stockId }, 'web', lanes > 0 ? layout : null)] };
}

/**
 * Designs side by side, each in lanes of its own, as somebody set them or as the longest of them is shortest; nothing where one has the whole web at a time: a single
 * one, more than there are lanes, or set so.
 */
function designsBeside({ versions, stones }: LayoutContext, lanes: number): Pick<WebForm, 'designs'> {
  const set: Settings = Object.fromEntries(stones.flatMap((s) => Object.entries(s.settings)));
  if (versions.length < 2 || versions.length > lanes || set['designs'] === IN_TURN) return {};
  const byHand = versions.map((v) => set[laneSetting(v.id)]);
  const found = lanesOfDesigns(
    versions.map((v) => v.quantity),
    lanes,
  );
  const isSet = byHand.some((n) => n !== undefined);
  const asked = byHand.map((n) => (typeof n === 'number' && n >= 1 ? Math.floor(n) : 1));
  const counts = isSet && asked.reduce((a, b) => a + b, 0) <= lanes;
  return { designs: versions.map(({ id, name }, i) => ({ version: id, name, lanes: (counts ? asked[i] : found[i]) ?? 1 })) };
}
/** The setting of the press that has designs run one after another over the whole web. */
export const IN_TURN = 'inTurn';
/** The setting of the press that says in how many lanes a design lies. */
export const laneSetting = (version: Id<'version'>): string => `lanes.${version}`;

/** What a turn becomes once the web is slack, and how long, how thick and how alike the rolls are. */
function repeatFigures(roll: WoundRoll, { id, stock, stockId, plant, ledger }: LayoutContext, turnMm: Term): void {
  const at = (what: string): Id<'figure'> => idOf(id, what);
  const asked = typed(roll.lengthMm, 'mm', 'lengthM');
  ledger.figure(at('relaxedMm'), RELAXED_REPEAT, { firstTurnMm: turnMm, strainPpm: practiceTerm(plant, 'gravure.strainPpm') });
  ledger.figure(at('repeats'), REPEATS_A_ROLL, { lengthMm: asked, repeatMm: fig(at('relaxedMm')) });
  ledger.figure(at('driftMm'), DRIFT, { lengthMm: asked, repeatMm: fig(at('relaxedMm')) });
  const byMark = roll.cut === 'mark';
  if (byMark) ledger.figure(at('lengthMm'), LENGTH_BY_MARK, { repeats: fig(at('repeats')), repeatMm: fig(at('relaxedMm')) });
  else ledger.figure(at('lengthMm'), CUT_OFF, { cutOff: asked });
  if (byMark) ledger.figure(at('turnsARoll'), REPEATS_A_ROLL, { lengthMm: asked, repeatMm: fig(at('relaxedMm')) });
  else ledger.figure(at('turnsARoll'), TURNS_A_ROLL, { lengthMm: asked, turnMm });
  ledger.figure(at('rollLengthM'), IN_METRES, { mm: fig(at('lengthMm')) });
  ledger.figure(at('rollDiameterMm'), WOUND_DIAMETER, {
    lengthM: fig(at('rollLengthM')),
    coreMm: roll.coreMm > 0 ? typed(roll.coreMm, 'mm', 'coreMm') : practiceTerm(plant, 'wind.mandrelMm'),
    caliperUm: { value: stock.caliperUm, unit: 'µm', from: 'plant', at: `stock:${stockId}` },
  });
}

/** What a mother reel holds: by the diameter and mass that press and winder take, or as somebody set it; down to whole lengths. */
function reelFigures({ id, stock, stockId, stones, plant, ledger }: LayoutContext): void {
  const at = (what: string): Id<'figure'> => idOf(id, what);
  const card = (value: number, unit: 'µm' | 'mm' | 'g/m²'): Term => ({ value, unit, from: 'plant', at: `stock:${stockId}` });
  const reeled = stones.filter((s) => 'reelMm' in s.machine.limits);
  /** The least that a machine with a reel says; practice where none says it. */
  const least = (ability: AbilityKey, unit: 'mm' | 'kg', otherwise: Term): Term => {
    const said = reeled.flatMap(({ machineId, machine }) => limitOf(machine, ability).map((value) => ({ value, machineId })));
    const tightest = said.sort((a, b) => a.value - b.value)[0];
    return tightest ? { value: tightest.value, unit, from: 'plant', at: `machine:${tightest.machineId}.${ability}` } : otherwise;
  };
  ledger.figure(at('reelByDiameter'), ROLL_LENGTH_BY_DIAMETER, {
    diameterMm: least('reelMm', 'mm', practiceTerm(plant, 'gravure.reelMm')),
    coreMm: least('reelCoreMm', 'mm', practiceTerm(plant, 'gravure.reelCoreMm')),
    caliperUm: card(stock.caliperUm, 'µm'),
  });
  ledger.figure(at('metreKg'), METRE_MASS, { gsm: card(stock.gsm, 'g/m²'), widthMm: card(stock.widthMm, 'mm') });
  ledger.figure(at('reelByMass'), METRES_OF_MASS, {
    kg: least('reelKg', 'kg', practiceTerm(plant, 'gravure.reelKg')),
    metreKg: fig(at('metreKg')),
  });
  const set = stones.flatMap((s) =>
    typeof s.settings['reelMetres'] === 'number' && s.settings['reelMetres'] > 0 ? [s.settings['reelMetres']] : [],
  )[0];
  ledger.figure(at('reelM'), REEL_METRES, {
    lengthM: fig(at('rollLengthM')),
    byDiameter: fig(at('reelByDiameter')),
    byMass: fig(at('reelByMass')),
    ...(set !== undefined && { set: typed(set, 'm', 'reelMetres') }),
  });
  ledger.figure(at('reelLengthMm'), MILLIMETRES, { metres: fig(at('reelM')) });
}
const limitOf = ({ limits }: Pick<Machine, 'limits'>, ability: AbilityKey): number[] => {
  const value = limits[ability];
  return value === undefined ? [] : [value];
};
const IN_METRES = { id: 'layout.inMetres', unit: 'm', source: 'arithmetic', of: ({ mm }: { mm: number }) => mm / 1_000 } as const;
