import { sizesSay } from '../../processes/sections-chosen';
import { familyOf } from '../../families/registry';
import { idOf } from '../../quantity/id-of';
import { type Machine, machinesFor, type Plant, type Shelf, type Stock } from '../../plant/plant';
import { editAt } from '../../product/edit';
import type { JobSpec } from '../../product/job-spec';
import { printsOf } from '../../layout/form';
import { pressAbility } from '../../processes/press-inks';
import { fitsWorkStyle, mayWork, WORK_STYLE_IDS, WORK_STYLES } from '../../layout/work-style';
import { label } from '../../words/en';
import { applyEdits } from '../door';
import type { Compared, Proposal } from '../readings/compared';
import { plan } from '../plan';
import type { Plan, Stone } from '../plan-types';
import { pulledOf } from '../readings/pulled';
import { formsWith } from '../readings/forms-with';
import { stoneName } from '../readings/stone-name';
import { stockBeyond, stocksOfGrade } from '../passes/resolve';
import { formAsk } from '../../product/part';

/**
 * Candidates for every printed stone with one form: every stock of its parts' grade on every press that takes it, in every work style that press can print; then
 * the other ways its line knows to make the product.
 * Lazy: the caller plans each and may stop between two (cancel).
 */
export function* propose(spec: JobSpec, plant: Plant, shelf: Shelf): Generator<Proposal> {
  const now = plan(spec, plant, shelf);
  const printed = now.stones.filter((s) => 'units' in (plant.machines[s.machine]?.limits ?? {}));
  for (const print of printed) yield* proposalsFor(print, printed.length > 1 ? stoneName(print) : '', now, spec, plant);
  yield* waysOf(now, spec, plant);
  yield* sectionWays(now, spec, plant);
}

/** Other sections for what is folded, and for each of its sheets the other ways to print it: whatever its stones let one choose. */
function* sectionWays(now: Plan, spec: JobSpec, plant: Plant): Generator<Proposal> {
  for (const stone of now.stones)
    for (const { label: of, text, edit } of stone.panel) {
      if (edit?.kind !== 'choice') continue;
      const form = Object.values(now.forms).find(
        (f) => f.sectionPlans && (of === 'sections' ? stone.parts[0] === f.slot : edit.at[2] === f.id),
      );
      if (!form || (of !== 'sections' && (of !== 'workStyle' || form.id === form.slot))) continue;
      for (const { value, says } of edit.options ?? []) {
        const isNow = of === 'sections' ? sizesSay(value.split(' ').map(Number)) === text : value === text;
        if (isNow) continue;
        yield {
          what: of === 'sections' ? says : `${form.name}, ${label(says)}`,
          machine: stone.machineName,
          stock: plant.stocks[form.stock ?? '']?.name ?? '',
          style: of === 'workStyle' ? value : form.style,
          form: form.id,
          chosen: false,
          edits: [editAt(spec, edit.at, value)],
        };
      }
    }
}

/** Other ways to make a product that is alone on its forms, as its line knows them; on the stock and press of now. */
function* waysOf(now: Plan, spec: JobSpec, plant: Plant): Generator<Proposal> {
  for (const [product, made] of Object.entries(spec.products)) {
    const [form, ...others] = Object.values(now.forms).filter((f) => f.parts.some((p) => now.parts[p]?.product === product));
    if (made.kind !== 'made' || !form || form.parts.length > 1) continue;
    // Several sheets of sections are of one product; of a gang each carries several.
    if (others.length > 0 && !form.sectionPlans) continue;
    const print = now.stones.find((s) => s.parts.includes(form.parts[0] ?? '') && 'units' in (plant.machines[s.machine]?.limits ?? {}));
    const stones = now.stones.filter((s) => s.parts.includes(form.parts[0] ?? ''));
    for (const way of familyOf(made.family).ways?.(made.wish, spec.choices) ?? []) {
      const wishes = Object.entries(way.wish ?? {}).map(([key, value]) => editAt(spec, ['products', product, 'wish', key], value));
      const settings = Object.entries(way.settings ?? {}).flatMap(([key, set]) =>
        stones
          .filter((s) => s.id.endsWith(`.${key}`))
          .flatMap((s) => Object.entries(set).map(([name, value]) => editAt(spec, ['choices', 'settings', s.id, name], value))),
      );
      if (wishes.length + settings.length === 0) continue;
      yield {
        what: label(way.says),
        machine: print?.machineName ?? '',
        stock: plant.stocks[form.stock ?? '']?.name ?? '',
        style: form.style,
        form: form.id,
        chosen: false,
        edits: [...wishes, ...settings],
      };
    }
  }
}

function* proposalsFor(print: Stone, what: string, now: Plan, spec: JobSpec, plant: Plant): Generator<Proposal> {
  const parts = print.parts.flatMap((id) => now.parts[id] ?? []);
  const [part] = parts;
  const [form, ...others] = part ? formsWith(now, part.id) : [];
  // Several sheets of sections are printed alike; of a gang each has its own.
  if (!part || !form || (others.length > 0 && !form.sectionPlans)) return;
  const later = now.stones
    .filter((s) => s.id !== print.id && s.parts.some((p) => print.parts.includes(p)))
    .flatMap((s) => plant.machines[s.machine] ?? []);
  const takes = (m: Machine, sheet: Stock): boolean => {
    const { overMm, underMm } = stockBeyond(sheet, m);
    return overMm === 0 && underMm === 0;
  };
  const prints = printsOf(parts.map((p) => p.colours));
  for (const [machine, press] of machinesFor(plant, print.process))
    for (const [stock, sheet] of stocksOfGrade(plant, part)) {
      if (![press, ...later].every((m) => takes(m, sheet))) continue;
      for (const style of WORK_STYLE_IDS) {
        const fits = fitsWorkStyle(style, prints, pressAbility(press));
        const oneForm = others.length > 0 && WORK_STYLES[style].halves !== null;
        const isWebOther = form.kind === 'web' && style !== form.style;
        if (!fits || oneForm || isWebOther || !mayWork(style, formAsk(parts))) continue;
        yield {
          what,
          machine: press.name,
          stock: sheet.name,
          style,
          form: form.id,
          chosen: print.machine === machine && form.stock === stock && form.style === style,
          edits: [
            editAt(spec, ['choices', 'machine', print.id], machine),
            editAt(spec, ['choices', 'stock', form.slot], stock),
            editAt(spec, ['choices', 'workStyle', form.slot], style),
          ],
        };
      }
    }
}

/** Plans one proposal; null where it does not go through the door. */
export function comparedWith(proposal: Proposal, spec: JobSpec, plant: Plant, shelf: Shelf): Compared | null {
  const applied = applyEdits(spec, proposal.edits);
  if (!applied.ok) return null;
  const p = plan(applied.made, plant, shelf);
  const total = (key: keyof Plan['totals']): number => p.figures[p.totals[key] ?? '']?.value ?? 0;
  return {
    ...proposal,
    perThousand: total('perThousand'),
    money: total('money'),
    ...pulledOf(p),
    plates: total('plates'),
    machineS: total('machineS'),
    readyAt: total('readyAt'),
    // What a thousand more do not cost: setups with their sheets, forms, fill.
    fixed: total('money') - (total('runOn') * (p.figures['total.good']?.value ?? 0)) / 1_000,
    copiesUp: p.figures[idOf(proposal.form, 'copiesUp')]?.value ?? 0,
    blocking: p.findings.filter((f) => f.level === 'release').length,
  };
}
