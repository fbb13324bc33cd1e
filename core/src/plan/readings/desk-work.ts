import type { Id } from '../../quantity/figure';
import { plateOfInk } from '../../form/plates';
import { printedInks } from '../../processes/press-inks';
import type { PartVersion } from '../../product/versions';
import type {} from '../../processes/process';
import { idOf } from '../../quantity/id-of';
import type { Fastness } from '../../plant/fastness';
import { practiceValue } from '../../plant/practice';
import { copyPlaces } from '../../layout/layout';
import { isMixedInk } from '../../product/ink-names';
import { usualPaper } from '../../ink/printed-colour';
import type { PlacedCopy } from '../../ink/zone-coverage';
import type { Planned } from '../plan';

/** What ink kitchen and register desk need to know of a stone that prints. */
export interface PressWork {
  stone: Id<'stone'>;
  machine: Id<'machine'>;
  machineName: string;
  stock: string;
  stockName: string;
  /** Total ink the stock takes, percent; null: its card does not say. */
  mostInkPercent: number | null;
  /** Reflectance of the bare stock; `measured` false: the usual one of its surface. */
  paper: { reflectance: readonly number[]; measured: boolean; surface: 'gloss' | 'matt' | 'uncoated' };
  sheetMm: readonly [number, number];
  zoneMm: number;
  zones: number;
  passes: { step: Id<'step'>; side: string; inks: string[]; startAt: number }[];
  inks: { ink: string; mixed: boolean; kg: number; onSheetsKg: number }[];
  filmGsm: number;
  copies: PlacedCopy[];
  stands: Fastness[];
  food: boolean;
}
/** A form the plan wants made. */
export interface FormWork {
  stone: Id<'stone'>;
  side: string;
  ink: string;
  sizeMm: readonly [number, number];
  life: number;
  imagingS: number;
  /** The step that prints with it begins then. */
  wantedAt: number;
  /** Steps that print with it. */
  steps: Id<'step'>[];
  press: Id<'machine'>;
}

/** Width of an ink zone where the press's card says nothing. Common practice, no source. */
const USUAL_ZONE_MM = 32.5;

/** The side a step prints, as its id tells it; '' where its run has one step. */
const sideOf = (step: Id<'step'>, run: Id<'stone'>): string => (step.slice(run.length + 1).split('.')[0] ?? '').replace(/\d+$/, '');

/** Every stone that prints. */
export function pressWork({ contexts, plan, ledger }: Planned): PressWork[] {
  return contexts.flatMap(({ cx }): PressWork[] => {
    const { limits } = cx.machine;
    if (!('units' in limits) || !cx.layout) return [];
    const passes = cx.stepIds.flatMap((step) => {
      const inks = plan.steps[step]?.inks;
      return inks ? [{ step, side: sideOf(step, cx.id) || 'both', inks, startAt: ledger.value(idOf(step, 'startAt')) }] : [];
    });
    const sum = (ink: string, what: 'kg' | 'onSheets'): number =>
      passes
        .flatMap((p) => printedInks(p.step, plan.steps[p.step]))
        .reduce((n, p) => n + (p.ink === ink ? ledger.value(idOf(p.at, what)) : 0), 0);
    const zoneMm = limits.zoneMm ?? USUAL_ZONE_MM;
    const { layout } = cx;
    const [width] = layout.sheetMm;
    return [
      {
        stone: cx.id,
        machine: cx.machineId,
        machineName: cx.machine.name,
        stock: cx.stockId ?? '',
        stockName: cx.stock?.name ?? '',
        mostInkPercent: cx.stock?.totalInkPercent ?? null,
        paper: {
          reflectance: cx.stock?.reflectance ?? usualPaper(cx.stock?.surface),
          measured: cx.stock?.reflectance !== undefined,
          surface: cx.stock?.surface ?? 'uncoated',
        },
        sheetMm: cx.layout.sheetMm,
        zoneMm,
        zones: limits.zones ?? Math.ceil(width / zoneMm),
        passes,
        inks: [...new Set(passes.flatMap((p) => p.inks))].map((ink) => ({
          ink,
          mixed: isMixedInk(ink),
          kg: sum(ink, 'kg'),
          onSheetsKg: sum(ink, 'onSheets'),
        })),
        filmGsm: practiceValue(cx.plant, 'ink.filmGsm'),
        copies: cx.layout.cells.flatMap((cell) =>
          copyPlaces({ ...layout, cells: [cell] }).map(({ x, y, w, h }) => ({ x, y, w, h, turn: cell.turn })),
        ),
        stands: [...new Set(cx.parts.flatMap((p) => p.artwork?.stands ?? []))],
        food: cx.parts.some((p) => p.food),
      },
    ];
  });
}

/** Every form the plan has made, one by one. */
export function formWork({ contexts, plan, ledger }: Planned): FormWork[] {
  const prints = contexts.filter(({ cx }) => 'units' in cx.machine.limits);
  return contexts.flatMap(({ stone, cx }): FormWork[] => {
    const sets = stone.process.forms?.(cx) ?? [];
    const presses = prints.filter((p) => p.cx.form !== null && p.cx.form.id === cx.form?.id).map((p) => p.cx);
    const steps = presses.flatMap((p) => p.stepIds.filter((id) => plan.steps[id]?.inks !== undefined).map((id) => ({ id, press: p })));
    const [first] = steps;
    if (!first) return [];
    const plates = sets.reduce((n, s) => n + s.plates.length, 0);
    const imagingS = ledger.has(idOf(cx.id, 'imagingS')) ? ledger.value(idOf(cx.id, 'imagingS')) : 0;
    return sets.flatMap((set) =>
      set.plates.map(({ ink, version }) => ({
        stone: cx.id,
        side: set.side,
        ink: version === '' ? ink : `${ink}, ${version}`,
        sizeMm: first.press.layout?.sheetMm ?? [0, 0],
        life: Math.round(ledger.value(idOf(first.id, 'plateLife'))),
        imagingS: plates > 0 ? imagingS / plates : 0,
        wantedAt: ledger.value(idOf(first.id, 'startAt')),
        steps: steps.flatMap(({ id, press }) =>
          printsWith(id, press.id, set.side) && (plan.steps[id]?.inks ?? []).includes(ink) && carries(plan, id, ink, version, cx.versions)
            ? [id]
            : [],
        ),
        press: first.press.machineId,
      })),
    );
  });
}

/** Whether a plate of a version is in the press in a step: its own version's, or one of those that share the plate; a plate of no version in all. */
function carries(
  { steps, flows }: Planned['plan'],
  step: Id<'step'>,
  ink: string,
  plate: string,
  versions: readonly PartVersion[],
): boolean {
  const runs = versions.find((v) => v.id === flows[steps[step]?.gives[0]?.flow ?? '']?.version);
  return plate === '' || runs === undefined || plateOfInk(ink, runs, versions) === plate;
}

/** A form of one side prints in the passes of that side; one for both sides, and a pass of both, in any. */
const printsWith = (step: Id<'step'>, stone: Id<'stone'>, side: string): boolean => {
  const which = sideOf(step, stone);
  return side === 'both' || which === '' || which === 'both' || which === side;
};
