import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { practiceTerm } from '../../plant/practice';
import type { FoilArea } from '../../product/foil-area';
import type { Part } from '../../product/part';
import { copiesOnForm } from '../../layout/form';
import { copyPlaces } from '../../layout/layout';
import { type ConsumeContext, type DraftContext, setting } from '../process';

/** How the dies of one foil area stand on the sheet: lanes along the foil (feed direction), dies in a lane, pitch between them. */
export interface Lanes {
  lanes: number;
  dies: number;
  pitchMm: number;
  imageMm: number;
  laneWidthMm: number;
}

/** A foil area of a part on the form. `key` tells it from those of other parts there. */
export interface AreaOnForm extends FoilArea {
  part: Part;
  key: string;
}
/** Whether copies of several orders share the form. */
export const isShared = (cx: Pick<DraftContext, 'form'>): boolean => (cx.form?.parts.length ?? 1) > 1;
export const areasOnForm = (cx: Pick<DraftContext, 'parts' | 'form'>): AreaOnForm[] =>
  cx.parts.flatMap((part) =>
    (part.traits?.foil?.areas ?? []).map((area) => ({ ...area, part, key: isShared(cx) ? idOf(part.id, area.id) : area.id })),
  );
/** Copies of the part on the form: so many dies an area needs. */
export const copiesOf = (cx: DraftContext, { part }: AreaOnForm): Id<'figure'> =>
  cx.form ? copiesOnForm(cx.form, part.id) : idOf('', 'copiesUp');

/** The foil runs in feed direction: copies one behind the other share a lane. The fullest column of copies gives the lane. */
export function foilLanes(cx: DraftContext, area: AreaOnForm): Lanes {
  const cells = cx.layout?.cells.filter((c) => c.part === area.part.id) ?? [];
  if (!cx.layout || cells.length === 0)
    return { lanes: 1, dies: 1, pitchMm: area.heightMm, imageMm: area.heightMm, laneWidthMm: area.widthMm };
  const columns = new Map<number, number[]>();
  for (const p of copyPlaces({ ...cx.layout, cells })) columns.set(p.x, [...(columns.get(p.x) ?? []), p.y]);
  const rows = [...columns.values()].map((ys) => ys.sort((a, b) => a - b));
  const fullest = rows.reduce<number[]>((a, b) => (b.length > a.length ? b : a), []);
  const gaps = fullest.slice(1).map((y, i) => y - (fullest[i] as number));
  const turned = cells[0]?.turn === 90 || cells[0]?.turn === 270;
  const [imageMm, across] = turned ? [area.widthMm, area.heightMm] : [area.heightMm, area.widthMm];
  return {
    lanes: columns.size,
    dies: fullest.length,
    pitchMm: gaps.length > 0 ? Math.min(...gaps) : imageMm,
    imageMm,
    laneWidthMm: across,
  };
}

/** The gap between strikes: set on the step, else the plant's. */
export const gapTerm = (cx: ConsumeContext): Term => setting(cx, 'gapMm', practiceTerm(cx.plant, 'foil.gapMm'));
export const gapOf = (cx: ConsumeContext): number => {
  const term = gapTerm(cx);
  return 'value' in term ? term.value : 0;
};

/** How close foil to print the most exacting part asks it; null: none does. */
export const closestAsked = (parts: readonly Part[]): number | null => {
  const asked = parts.flatMap((p) => p.traits?.foil?.toPrintMm ?? []);
  return asked.length > 0 ? Math.min(...asked) : null;
};

export const inTenths = (x: number): number => Math.round(x * 10) / 10;
