import type { Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig, typed } from '../quantity/ledger';
import type { InkSeries, Machine, PrintAim, ProcessInk } from '../plant/plant';
import { practiceTerm, practiceValue } from '../plant/practice';
import { aimOf, isProcessInk } from '../colour/print-aims';
import { PLATE_LIFE, PRICE_OF, REMAKES } from '../form/plates';
import { FILL_COST, INK_ON_SHEETS, INK_TOTAL } from '../ink/ink-mass';
import { INK_ORDER_SCHOOLS, inkOrder, type InkOrderSchool } from '../ink/ink-order';
import { isFromTheDrum } from '../product/ink-names';
import { INK_COST } from '../route/time-and-cost';
import { boxOfCopies, copiesUp } from '../layout/layout';
import { knockOutMm2, pieceAreaMm2 } from '../product/blank';
import type { PressAbility, PressPass, SidePrint } from '../layout/work-style';
import type { Step } from '../flow/net';
import { clearanceTerm, type VersionRun } from './version-runs';
import { type Consumed, type ConsumeContext, type PanelRow, type ProcessContext, settingPath, wordSetting } from './process';

/* What sheet-fed and web presses have in common: passes, inks, plates that wear. */

export interface Pass extends PressPass, VersionRun {
  /** Its step: of a pass that runs version by version one each. */
  id: Id<'step'>;
  /** The pass it is a run of. */
  of: string;
  /** All its inks, unit by unit: those of the front, then those of the back. */
  inks: string[];
}

/** Where the figures of an ink stand: of a pass that prints both sides, side by side. */
export const inkAt = (step: Id<'step'>, prints: readonly SidePrint[], side: string, ink: string): string =>
  idOf(prints.length > 1 ? idOf(step, side) : step, `ink.${ink}`);

/** Every ink a step prints, with its side and the stem of its figures. */
export const printedInks = (id: Id<'step'>, step: Pick<Step, 'prints'> | undefined): { ink: string; side: string; at: string }[] =>
  (step?.prints ?? []).flatMap(({ side, inks }, _, prints) => inks.map((ink) => ({ ink, side, at: inkAt(id, prints, side, ink) })));

/** The setting of a step that prints thinned ink: with water in place of solvent. */
export const WATER_INK = 'water';

/** The series set on the step; else one that is thinned where the press prints from pans; else lamp-dried ink where the machine has lamps only, else the plant's usual one. */
export function inkSeriesFor(cx: ProcessContext): InkSeries | null {
  const { inks, usualInk } = cx.plant;
  const set = wordSetting(cx, 'series', '');
  if (Object.hasOwn(inks, set)) return inks[set] ?? null;
  const usual = inks[usualInk] ?? null;
  if ((cx.machine.limits.thinInk ?? 0) > 0) {
    const water = wordSetting(cx, WATER_INK, '') === 'yes';
    return Object.values(inks).find((s) => s.thinned && (s.water ?? false) === water) ?? usual;
  }
  if ((cx.machine.limits.lamps ?? 0) === 0 || usual?.lampDried) return usual;
  return Object.values(inks).find((s) => s.lampDried) ?? usual;
}

/** Inks of a pass that take a printing unit: what comes from the drum does not where the press has a coater. */
export const unitInks = (inks: readonly string[], { limits }: Pick<Machine, 'limits'>): string[] =>
  inks.filter((ink) => (limits.coater ?? 0) === 0 || !isFromTheDrum(ink));

type PrintsOf = { prints: readonly (readonly string[])[] };

/** What comes from the drum in a pass: the series set on the step, else the first that dries as the inks do; null: none is printed, or no card fits. */
export function coatSeriesFor(cx: ProcessContext & PrintsOf): InkSeries | null {
  if (!printsFromTheDrum(cx)) return null;
  const coats = cx.plant.coats ?? {};
  const set = wordSetting(cx, 'coatSeries', '');
  if (Object.hasOwn(coats, set)) return coats[set] ?? null;
  const alike = Object.values(coats).filter((s) => s.lampDried === (inkSeriesFor(cx)?.lampDried ?? false));
  // A varnish is one by its name; what is called a coating is none.
  const asked = cx.prints.flat().find(isFromTheDrum) ?? '';
  return alike.find((s) => VARNISH.test(s.name) === VARNISH.test(asked)) ?? alike[0] ?? null;
}
const VARNISH = /varnish/i;
const printsFromTheDrum = (cx: PrintsOf): boolean => cx.prints.flat().some(isFromTheDrum);

/** The order of the inks, their series and, where one is printed, that of varnish or coating, to choose from. */
export function inkRows(cx: ConsumeContext, fits: (s: InkSeries) => boolean): PanelRow[] {
  const row = (label: string, key: string, from: Record<string, InkSeries>, now: InkSeries | null): PanelRow => ({
    label,
    text: now?.name ?? '',
    edit: {
      at: settingPath(cx, key),
      kind: 'choice',
      options: Object.entries(from)
        .filter(([, s]) => fits(s))
        .map(([value, s]) => ({ value, says: s.name })),
    },
  });
  return [
    {
      label: 'inkOrder',
      text: school(cx),
      edit: {
        at: settingPath(cx, 'inkOrder'),
        kind: 'choice',
        options: Object.keys(INK_ORDER_SCHOOLS).map((value) => ({ value, says: value })),
      },
    },
    row('inkSeries', 'series', cx.plant.inks, cx.inkSeries),
    ...(printsFromTheDrum(cx) ? [row('coatSeries', 'coatSeries', cx.plant.coats ?? {}, cx.coatSeries)] : []),
  ];
}

/** The inks of a side in printing order, by the school set on the step. */
export const inInkOrder = (cx: ProcessContext, inks: readonly string[]): string[] => inkOrder(inks, school(cx), inkSeriesFor(cx)?.tack);

/** What the press can do, from its card. Where it does not say which units stand before the turn, they all print either side. */
export const pressAbility = ({ limits }: { limits: Machine['limits'] }): PressAbility => ({
  units: limits.units ?? 4,
  perfects: (limits.perfects ?? 0) > 0,
  ...(limits.unitsBeforeTurn && { beforeTurn: limits.unitsBeforeTurn }),
});

/** The school of ink order set on the step. */
const school = (cx: ProcessContext): InkOrderSchool => {
  const word = wordSetting(cx, 'inkOrder', 'blackFirst');
  return Object.hasOwn(INK_ORDER_SCHOOLS, word) ? (word as InkOrderSchool) : 'blackFirst';
};

/** Share of the form that an ink covers: as typed, else the plant's guess; of parts that share a form the mean, each by the copies of it that lie there. */
export function coverageTerm(cx: ConsumeContext, ink: string): Term {
  const usual = practiceTerm(cx.plant, 'ink.coveragePercent');
  const [part, ...others] = cx.parts;
  if (others.length === 0) {
    const share = part?.coveragePercent[ink];
    if (share === undefined && part?.traits?.blank && isFromTheDrum(ink))
      return { value: 100, unit: '%', from: 'family', at: 'coat, all over' };
    return share === undefined ? usual : typed(share, '%', `coverage:${ink}`);
  }
  const guess = 'value' in usual ? usual.value : 0;
  const areas = cx.parts.map((p) => {
    const area = pieceAreaMm2(p) * (cx.layout ? copiesUp(cx.layout, p.id) : 1);
    return { area, share: p.colours.flat().includes(ink) ? (p.coveragePercent[ink] ?? guess) : 0 };
  });
  const whole = areas.reduce((sum, a) => sum + a.area, 0);
  const mean = whole > 0 ? areas.reduce((sum, a) => sum + a.area * a.share, 0) / whole : guess;
  return { value: mean, unit: '%', from: 'family', at: `coverage:${ink}, mean of the form` };
}

/** What an ink may lie on: the whole sheet; of blanks their own area; a coat on all of their box but where they are glued. */
function printedAreaMm2({ layout, parts }: ConsumeContext, ink: string): number {
  const [w, h] = layout?.sheetMm ?? [0, 0];
  const blanks = parts.flatMap((p) => (p.traits?.blank ? [{ part: p, copies: layout ? copiesUp(layout, p.id) : 0 }] : []));
  if (!layout || blanks.length < parts.length || parts.length === 0) return w * h;
  if (!isFromTheDrum(ink)) return blanks.reduce((sum, b) => sum + b.copies * pieceAreaMm2(b.part), 0);
  const [boxW, boxH] = boxOfCopies(layout);
  return Math.max(boxW * boxH - blanks.reduce((sum, b) => sum + b.copies * knockOutMm2(b.part), 0), 0);
}

/** Mass and cost of each ink of a pass, side by side; fill and wash-up once for each unit and form. */
export function inksOf(cx: ConsumeContext, pass: Pass): { kg: Id<'figure'>; costs: Consumed['costs'] }[] {
  return printedInks(pass.id, pass).map(({ ink, at }) => {
    const series = isFromTheDrum(ink) ? (cx.coatSeries ?? cx.inkSeries) : cx.inkSeries;
    const coveragePercent = coverageTerm(cx, ink);
    cx.ledger.figure(idOf(at, 'onSheets'), INK_ON_SHEETS, {
      areaMm2: { value: printedAreaMm2(cx, ink), unit: 'm²', from: 'family', at: 'layout' },
      coveragePercent,
      filmGsm: series?.filmGsm
        ? { value: series.filmGsm, unit: 'g/m²', from: 'plant', at: 'inkSeries' }
        : practiceTerm(cx.plant, 'ink.filmGsm'),
      impressions: fig(idOf(pass.id, 'run')),
    });
    cx.ledger.figure(idOf(at, 'kg'), INK_TOTAL, {
      onSheets: fig(idOf(at, 'onSheets')),
      // From the form that is in the press already: ducts are full, and it is washed once, after the first pass.
      fill: pass.samePlates || pass.again ? typed(0, 'kg', 'same form') : practiceTerm(cx.plant, 'ink.fillKg'),
      wash: pass.samePlates || pass.again ? typed(0, 'kg', 'same form') : practiceTerm(cx.plant, 'ink.washKg'),
    });
    cx.ledger.figure(idOf(at, 'cost'), INK_COST, {
      kg: fig(idOf(at, 'kg')),
      perKg: { value: series?.pricePerKg ?? 0, unit: 'money/kg', from: 'plant', at: 'inkSeries' },
    });
    cx.ledger.figure(idOf(at, 'costOnSheets'), INK_COST, {
      kg: fig(idOf(at, 'onSheets')),
      perKg: { value: series?.pricePerKg ?? 0, unit: 'money/kg', from: 'plant', at: 'inkSeries' },
    });
    cx.ledger.figure(idOf(at, 'costFill'), FILL_COST, { cost: fig(idOf(at, 'cost')), onSheets: fig(idOf(at, 'costOnSheets')) });
    return {
      kg: idOf(at, 'kg'),
      costs: [
        { figure: idOf(at, 'costOnSheets'), kind: 'ink', fixed: false, per: idOf(pass.id, 'run') },
        { figure: idOf(at, 'costFill'), kind: 'ink', fixed: true },
      ],
    };
  });
}

/** Each ink of a press, side by side: the figure of its mass, and those it is the sum of, where versions print it one after another. */
export function inkMasses(passes: readonly Pass[]): { ink: string; says: string; kg: Id<'figure'>; runs: Id<'figure'>[] }[] {
  const masses = new Map<Id<'figure'>, { ink: string; says: string; runs: Id<'figure'>[] }>();
  for (const pass of passes)
    for (const { ink, side, at } of printedInks(pass.id, pass)) {
      const inAll = idOf(inkAt(pass.of, pass.prints, side, ink), 'kg');
      const mass = masses.get(inAll) ?? { ink, says: `${ink}, ${side}`, runs: [] };
      mass.runs.push(idOf(at, 'kg'));
      masses.set(inAll, mass);
    }
  return [...masses].map(([kg, mass]) => ({ kg, ...mass }));
}

/** What each ink is laid with and how near a draw-down has to come: for the kitchen's page. */
export function filmList(cx: ConsumeContext, inks: readonly string[]): { title: string; head: string[]; rows: string[][] } {
  const usual = practiceValue(cx.plant, 'ink.filmGsm');
  const aim = (ink: ProcessInk): PrintAim => aimOf(cx.plant, cx.stock?.surface ?? 'uncoated', ink);
  return {
    title: 'films',
    head: ['ink', 'wet film', 'draw-down accepted within'],
    rows: [...new Set(inks)].map((ink) => {
      const film = (isFromTheDrum(ink) ? cx.coatSeries?.filmGsm : undefined) ?? cx.inkSeries?.filmGsm ?? usual;
      const within = isFromTheDrum(ink)
        ? 'none is drawn'
        : isProcessInk(ink)
          ? `ΔE00 ${aim(ink).deltaE}, density ${aim(ink).density}`
          : 'the wish of its sample, at the ink kitchen';
      return [ink, `${Math.round(film * 100) / 100} g/m²`, within];
    }),
  };
}

/** Plates worn out in the run, and their price. */
export function plateRemakes(cx: ConsumeContext, pass: Pass): Id<'figure'> {
  const lamp = cx.inkSeries?.lampDried ? practiceTerm(cx.plant, 'plate.lampInkFactor') : typed(1, '1', 'inkSeries');
  cx.ledger.figure(idOf(pass.id, 'plateLife'), PLATE_LIFE, { rated: practiceTerm(cx.plant, 'plate.lifeCycles'), factor: lamp });
  cx.ledger.figure(idOf(pass.id, 'remakes'), REMAKES, {
    cycles: fig(idOf(pass.id, 'run')),
    life: fig(idOf(pass.id, 'plateLife')),
    perSet: typed(pass.hung.length, 'plate', 'colours'),
  });
  cx.ledger.figure(idOf(pass.id, 'remakeCost'), PRICE_OF, {
    number: fig(idOf(pass.id, 'remakes')),
    price: practiceTerm(cx.plant, 'plate.price'),
  });
  return idOf(pass.id, 'remakes');
}

/** A run in words: its side, and its version where versions run apart. */
export const runSays = (side: string, { version }: Pass): string => (version ? `${side}, ${version.name}` : side);

/** Setting the press for a run: plates to hang; for the next version the line is cleared before, and nothing else is set anew. */
export const formsOfRun = (cx: ConsumeContext, pass: Pass): { forms: Term; setupFactor?: Term } => ({
  forms: typed(pass.hung.length, 'plate', 'colours'),
  ...(pass.again && { setupFactor: clearanceTerm(cx) }),
});
