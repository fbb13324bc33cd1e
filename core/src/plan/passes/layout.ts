import type { Id } from '../../quantity/figure';
import type { Ledger } from '../../quantity/ledger';
import type { Plant, Shelf, Stock } from '../../plant/plant';
import { type Form, formOf, printsOf } from '../../layout/form';
import type { AskingStone, Layouter, LayoutQuestion, LayoutTrouble } from '../../layout/layouter';
import { fitsWorkStyle, isWorkStyle, mayWork, type PressAbility, type WorkStyleId } from '../../layout/work-style';
import { type JobSpec, orderedQuantity } from '../../product/job-spec';
import { formAsk, type Part } from '../../product/part';
import { versionsOf } from '../../product/versions';
import type { Finding, Remedy } from '../../processes/finding';
import { pressAbility } from '../../processes/press-inks';
import { type Route, type RoutedStone, stockFor } from './resolve';

/** The forms of a job, what a search for the layout of each slot would be asked, and what was found. A slot is a part, or the parts of a gang together. */
export interface LaidOut {
  forms: Form[];
  asks: Record<Id<'form'>, LayoutQuestion>;
  findings: Finding[];
}

/** Layout pass: every part, or every gang of parts, on its forms; all machines of the way have spoken before. */
export function layOutParts(
  route: Route,
  spec: JobSpec,
  plant: Plant,
  shelf: Shelf,
  ledger: Ledger,
  layouters: Readonly<Record<Id<'layouter'>, Layouter>>,
): LaidOut {
  const laid: LaidOut = { forms: [], asks: {}, findings: [] };
  for (const { id, parts } of slotsOf(route)) {
    const [lead] = parts;
    const layouter = lead && layouters[lead.layouter];
    if (!lead || !layouter || lead.grade === null) continue;
    const mine = route.stones.filter((s) => parts.some((p) => reaches(s, p, route)));
    const stockId = stockFor(
      id,
      lead,
      mine.map((s) => s.cx.machine),
      spec,
      plant,
      layouters,
    );
    const stock: Stock | undefined = stockId === null ? undefined : plant.stocks[stockId];
    const press = pressOf(mine);
    const style = workStyleFor(id, parts, spec, press, layouter);
    if (!stock || stockId === null) {
      // What would be printed, and how, is known all the same.
      laid.forms.push(formOf({ id, parts, style, stock: null }, layouter.stock === 'roll' ? 'web' : 'sheet', null));
      laid.findings.push({ code: 'stock.none', level: 'release', at: id, args: { grade: lead.grade }, remedies: [] });
      continue;
    }
    const chosen = (Object.hasOwn(spec.choices.layout, id) ? spec.choices.layout[id] : undefined) ?? null;
    const { forms, ask, trouble } = layouter.layOut({
      id,
      parts,
      stockId,
      stock,
      style,
      styleOf: (form) => chosenStyle(form, parts, spec, press),
      stones: mine.map(askOf),
      chosen,
      versions: versionsOf(spec, lead.product),
      wanted: wantedOf(parts, spec),
      gangForms: spec.choices.gangs?.[id]?.forms ?? [],
      closedPlaces: spec.choices.gangs?.[id]?.keep?.closed ?? [],
      plant,
      shelf,
      ledger,
    });
    laid.forms.push(...forms);
    if (ask) laid.asks[id] = ask;
    if (trouble) laid.findings.push(troubleFinding(id, trouble, spec));
  }
  return laid;
}

/** Gangs in the order of their first part, and parts that are in none. */
function slotsOf({ parts, gangs }: Route): { id: Id<'form'>; parts: Part[] }[] {
  const ganged = new Map(Object.entries(gangs).flatMap(([gang, members]) => members.map((p) => [p, gang] as const)));
  const slots = new Map<Id<'form'>, Part[]>();
  for (const part of Object.values(parts)) {
    const id = ganged.get(part.id) ?? part.id;
    slots.set(id, [...(slots.get(id) ?? []), part]);
  }
  return [...slots].map(([id, members]) => ({ id, parts: members }));
}

/** Whether what a stone asks concerns a part: it works on it, or on a product that is made of it. */
function reaches(stone: RoutedStone, part: Part, { joins }: Route): boolean {
  if (stone.cx.parts.length > 0) return stone.cx.parts.includes(part);
  const holds = (product: Id<'product'>): boolean => product === part.product || (joins[product] ?? []).some((j) => holds(j.product));
  return stone.products.some(holds);
}

const askOf = ({ process, cx }: RoutedStone): AskingStone => ({
  id: cx.id,
  ask: process.asks(cx),
  machineId: cx.machineId,
  machine: cx.machine,
  settings: cx.settings,
});

/** The press among the machines of the way: what it can print decides how sheets may be worked. */
const pressOf = (stones: readonly RoutedStone[]): PressAbility =>
  pressAbility(stones.find((s) => 'units' in s.cx.machine.limits)?.cx.machine ?? { limits: {} });

/** The style chosen for a form, where the press can print it. */
function chosenStyle(id: Id<'form'>, parts: readonly Part[], spec: JobSpec, press: PressAbility): WorkStyleId | null {
  const chosen = Object.hasOwn(spec.choices.workStyle, id) ? (spec.choices.workStyle[id] ?? '') : '';
  const prints = printsOf(parts.map((p) => p.colours));
  return isWorkStyle(chosen) && fitsWorkStyle(chosen, prints, press) && mayWork(chosen, formAsk(parts)) ? chosen : null;
}

/** The work style chosen where the press can print it; else one form a side, in one pass or in two. */
function workStyleFor(
  id: Id<'form'>,
  parts: readonly Part[],
  spec: JobSpec,
  press: PressAbility,
  { perfects }: Pick<Layouter, 'perfects'>,
): WorkStyleId {
  const prints = printsOf(parts.map((p) => p.colours));
  const chosen = chosenStyle(id, parts, spec, press);
  if (chosen) return chosen;
  if (perfects && fitsWorkStyle('perfect', prints, press)) return 'perfect';
  return prints[0].length > 0 && prints[1].length > 0 ? 'sheetwise' : 'simplex';
}

/** Good copies that are wanted of each part, before losses: what the places of a gang are shared by. */
const wantedOf = (parts: readonly Part[], spec: JobSpec): Record<Id<'part'>, number> =>
  Object.fromEntries(
    parts.map((part) => [
      part.id,
      Object.values(spec.items).reduce((sum, i) => sum + (i.product === part.product ? orderedQuantity(i) : 0), 0) || 1,
    ]),
  );

/** A chosen layout that does not count: the default stands in, and somebody decides. */
function troubleFinding(at: Id<'form'>, trouble: LayoutTrouble, spec: JobSpec): Finding {
  if (trouble === 'noRoom') {
    const edits = [{ at: ['choices', 'gangs', at], was: spec.choices.gangs?.[at] }];
    return { code: 'gang.noRoom', level: 'release', at, args: {}, remedies: [{ do: 'edit', says: 'remedy.noGang', args: {}, edits }] };
  }
  if (trouble === 'copies') {
    const was = spec.choices.gangs?.[at]?.forms;
    const edits = [{ at: ['choices', 'gangs', at, 'forms'], ...(was && { was }) }];
    return { code: 'gang.copies', level: 'decide', at, args: {}, remedies: [{ do: 'edit', says: 'remedy.copiesFound', args: {}, edits }] };
  }
  const was = spec.choices.layout[at];
  const back: Remedy = { do: 'edit', says: 'remedy.defaultLayout', args: {}, edits: [{ at: ['choices', 'layout', at], was }] };
  const search: Remedy = { do: 'search', says: 'remedy.searchLayout', slot: at };
  return trouble === 'stale'
    ? { code: 'choice.stale', level: 'decide', at, args: { slot: at }, remedies: [search, back] }
    : {
        code: 'layout.refused',
        level: 'decide',
        at,
        args: { why: trouble === 'overlap' ? 'copies lie over each other' : 'a copy leaves the usable sheet' },
        remedies: [back, search],
      };
}
