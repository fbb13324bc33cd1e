import type { Id } from '../../quantity/figure';
import { practiceValue } from '../../plant/practice';
import type { Plant } from '../../plant/plant';
import { whyUnlike } from '../../layout/gang-alike';
import { type Gang, type JobSpec, orderedQuantity } from '../../product/job-spec';
import type { Part } from '../../product/part';
import type { Finding } from '../../processes/finding';
import type { Process } from '../../processes/process';
import type { StoneWish } from './stone-wish';

/** Stones after the parts of each gang were brought together, the gangs that stand, and those refused with the reason. */
export interface Ganged {
  wishes: StoneWish[];
  gangs: Record<Id<'form'>, Id<'part'>[]>;
  findings: Finding[];
}

/**
 * Brings parts of several orders on one form: their equal stones become one, up to and with the first that parts the sheet; from there each goes its own way.
 * A gang of what cannot lie together is refused, part and reason named, and its parts are planned alone.
 */
export function gangTogether(
  wishes: readonly StoneWish[],
  parts: Readonly<Record<Id<'part'>, Part>>,
  spec: JobSpec,
  plant: Plant,
  processes: Readonly<Record<Id<'process'>, Process>>,
): Ganged {
  const made: Ganged = { wishes: [...wishes], gangs: {}, findings: [] };
  const taken = new Set<Id<'part'>>();
  for (const [id, gang] of Object.entries(spec.choices.gangs ?? {})) {
    const why = Object.hasOwn(parts, id) ? { part: id, why: 'gang.calledLikeAPart' } : refusal(gang, parts, taken, spec, plant);
    if (why) {
      made.findings.push({
        code: 'gang.refused',
        level: 'decide',
        at: 'job',
        args: why,
        remedies: [{ do: 'edit', says: 'remedy.noGang', args: {}, edits: [{ at: ['choices', 'gangs', id], was: gang }] }],
      });
      continue;
    }
    for (const part of gang.parts) taken.add(part);
    made.gangs[id] = gang.parts;
    made.wishes = merged(id, gang.parts, made.wishes, spec, processes);
  }
  return made;
}

/** Why parts cannot share a form; null: they can. */
function refusal(
  gang: Gang,
  parts: Readonly<Record<Id<'part'>, Part>>,
  taken: ReadonlySet<Id<'part'>>,
  spec: JobSpec,
  plant: Plant,
): { part: string; why: string } | null {
  const missing = gang.parts.find((p) => !Object.hasOwn(parts, p));
  if (missing !== undefined) return { part: missing, why: 'gang.notHere' };
  const twice = gang.parts.find((p, i) => taken.has(p) || gang.parts.indexOf(p) !== i);
  if (twice !== undefined) return { part: twice, why: 'gang.twice' };
  const members = gang.parts.map((p) => parts[p] as Part);
  const [lead] = members;
  if (!lead) return { part: '', why: 'gang.notHere' };
  const [unlike] = members.flatMap((p) => {
    const why = whyUnlike(lead, p);
    return why === null ? [] : [{ part: p.id, why }];
  });
  const versions = members.find((p) =>
    Object.values(spec.items).some((i) => i.product === p.product && Object.values(i.versions).some((v) => v.changes.length > 0)),
  );
  return (
    (lead.layouter === 'web' ? { part: lead.id, why: 'gang.onWeb' } : null) ??
    unlike ??
    (versions ? { part: versions.id, why: 'gang.versions' } : null) ??
    tooFarApart(members, spec, practiceValue(plant, 'gang.dueDays'))
  );
}

/** Orders wait so many days for one another; a later one is refused. Nothing is said of orders without a date. */
function tooFarApart(members: readonly Part[], spec: JobSpec, days: number): { part: string; why: string } | null {
  const due = members.flatMap((part) => {
    const dates = Object.values(spec.items).flatMap((i) =>
      i.product === part.product ? i.deliveries.map((d) => Date.parse(`${d.by}Z`)) : [],
    );
    return dates.length > 0 ? [{ part: part.id, first: Math.min(...dates) }] : [];
  });
  const first = Math.min(...due.map((d) => d.first));
  const late = due.find((d) => d.first - first > days * 86_400_000);
  return late ? { part: late.part, why: 'gang.unlikeDue' } : null;
}

function merged(
  gang: Id<'form'>,
  members: readonly Id<'part'>[],
  wishes: readonly StoneWish[],
  spec: JobSpec,
  processes: Readonly<Record<Id<'process'>, Process>>,
): StoneWish[] {
  const shared = new Map<string, StoneWish[]>();
  for (const part of members) {
    let parted = false;
    for (const wish of wishes.filter((w) => w.parts.length === 1 && w.parts[0]?.id === part)) {
      if (parted) break;
      shared.set(wish.key, [...(shared.get(wish.key) ?? []), wish]);
      parted = processes[wish.process]?.parts === true;
    }
  }
  // The order of the longest way; what only another part needs (foil on one of them) stands before the sheet is parted.
  const lists = members.map((p) => wishes.filter((w) => w.parts[0]?.id === p && shared.get(w.key)?.includes(w)));
  const longest = lists.reduce((a, b) => (b.length > a.length ? b : a), []);
  const keys = longest.map((w) => w.key);
  for (const key of shared.keys()) if (!keys.includes(key)) keys.splice(Math.max(keys.length - 1, 0), 0, key);
  const stones = keys.map((key): StoneWish => {
    const [lead, ...others] = shared.get(key) as [StoneWish, ...StoneWish[]];
    const all = [lead, ...others];
    return {
      ...lead,
      id: `${gang}.${key}`,
      each: 'form',
      parts: all.flatMap((w) => w.parts),
      products: all.flatMap((w) => w.products),
      settings: Object.assign({}, ...all.map((w) => w.settings)) as StoneWish['settings'],
    };
  });
  const gone = new Set([...shared.values()].flat());
  const first = wishes.findIndex((w) => gone.has(w));
  const rest = wishes.slice(first).filter((w) => !gone.has(w));
  return [...wishes.slice(0, first), ...stones, ...inOneSetting(rest, members, spec, processes)];
}

/** Behind the parting the largest order comes first; where a machine keeps its setting, the others find it there. */
function inOneSetting(
  wishes: readonly StoneWish[],
  members: readonly Id<'part'>[],
  spec: JobSpec,
  processes: Readonly<Record<Id<'process'>, Process>>,
): StoneWish[] {
  const ofGang = (w: StoneWish): boolean => w.parts.length === 1 && members.includes(w.parts[0]?.id ?? '');
  const quantity = (w: StoneWish): number =>
    Object.values(spec.items).reduce((n, i) => n + (w.products.includes(i.product) ? orderedQuantity(i) : 0), 0);
  const largest = wishes.filter(ofGang).reduce<StoneWish | null>((a, w) => (a === null || quantity(w) > quantity(a) ? w : a), null);
  const leads = largest ? wishes.filter((w) => ofGang(w) && w.parts[0] === largest.parts[0]) : [];
  const others = wishes
    .filter((w) => !leads.includes(w))
    .map((w): StoneWish => {
      const lead = ofGang(w) && processes[w.process]?.againS ? leads.find((l) => l.key === w.key && l.process === w.process) : undefined;
      return lead ? { ...w, follows: lead.id } : w;
    });
  const at = wishes.findIndex(ofGang);
  return at < 0 ? others : [...others.slice(0, at), ...leads, ...others.slice(at)];
}
