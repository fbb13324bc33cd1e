import type { Id } from '../../quantity/figure';
import { editAt, type Edit } from '../../product/edit';
import { type Gang, type GangForm, type GangKeep, type JobSpec, MOST_GANG_FORMS } from '../../product/job-spec';
import type { GangRow } from '../readings/gang-rows';

/* What a hand does to a gang, as edits. Whatever is moved, the forms stand as they were shown from then on: no quantity lays them anew. */

/** The edit that makes a gang what it is to be; null: it is taken apart. */
const editGang = (spec: JobSpec, id: Id<'form'>, gang: Gang | null): Edit => editAt(spec, ['choices', 'gangs', id], gang ?? undefined);

/** What was to hold, without what names an order or a form that is gone; what holds nothing is left out. */
function keepFor(keep: GangKeep, parts: readonly Id<'part'>[], forms: number): { keep?: GangKeep } {
  const on = Object.fromEntries(Object.entries(keep.on ?? {}).filter(([part, form]) => parts.includes(part) && form < forms));
  const apart = (keep.apart ?? []).filter((two) => two.every((part) => parts.includes(part)));
  const closed = keep.closed ?? [];
  const kept: GangKeep = {
    ...(Object.keys(on).length > 0 && { on }),
    ...(apart.length > 0 && { apart }),
    ...(closed.length > 0 && { closed }),
  };
  return Object.keys(kept).length > 0 ? { keep: kept } : {};
}
/**
 * What holds from now on, whoever lays the forms: copies stay where they are until somebody moves them, but for a place that is closed on a full form; the order
 * with the most copies there gives one up. Null: none of them can.
 */
export function keepGang(spec: JobSpec, row: GangRow, keep: GangKeep): Edit | null {
  const gang = spec.choices.gangs?.[row.id];
  if (!gang) return null;
  const { keep: _, forms: were, ...others } = gang;
  const open = row.places === null ? Infinity : row.places - (keep.closed ?? []).length;
  const given = row.forms.map((form, at) => ({ at, beyond: form.taken - open })).filter(({ beyond }) => beyond > 0);
  let members: readonly Laid[] = row.members;
  for (const { at, beyond } of given)
    for (let n = 0; n < beyond; n++) {
      const most = members.reduce((a, b) => ((b.copies[at] ?? 0) > (a.copies[at] ?? 0) ? b : a));
      if (most.copies.reduce((sum, n) => sum + n, 0) <= 1) return null;
      members = members.map((m) => (m === most ? { part: m.part, copies: m.copies.map((n, f) => (f === at ? n - 1 : n)) } : m));
    }
  const forms = given.length > 0 ? formsShown({ forms: row.forms, members }) : were;
  return editGang(spec, row.id, { ...others, ...(forms && { forms }), ...keepFor(keep, gang.parts, MOST_GANG_FORMS) });
}

/** Brings parts together on one form, laid out by their quantities, under the first free name. @example newGang(spec, ['fog.blank', 'mill.blank']) */
export function newGang(spec: JobSpec, parts: readonly Id<'part'>[]): Edit {
  let nr = 1;
  while (Object.hasOwn(spec.choices.gangs ?? {}, `gang${nr}`)) nr++;
  return editGang(spec, `gang${nr}`, { parts: [...parts] });
}
/** Takes a gang apart: each of its orders gets a sheet of its own again. */
export const takeApart = (spec: JobSpec, gang: Id<'form'>): Edit => editGang(spec, gang, null);

/** Places still free on a form; what has no places of one size always has one. */
export const freePlaces = ({ open, forms }: GangRow, form: number): number =>
  open === null ? Infinity : Math.max(open - (forms[form]?.taken ?? 0), 0);
const copiesInAll = ({ members }: GangRow, part: Id<'part'>): number =>
  members.find((m) => m.part === part)?.copies.reduce((sum, n) => sum + n, 0) ?? 0;

/** A copy of an order taken off one form, laid on another, or both; null: there is no place, or none to take, or it is the last one of its order. */
export function moveCopy(spec: JobSpec, row: GangRow, part: Id<'part'>, from: number | null, onto: number | null): Edit | null {
  const own = row.members.find((m) => m.part === part);
  if (!own || from === onto) return null;
  if (from !== null && (own.copies[from] ?? 0) < 1) return null;
  if (onto !== null && (row.forms[onto] === undefined || freePlaces(row, onto) < 1)) return null;
  if (onto === null && copiesInAll(row, part) === 1) return null;
  const copies = own.copies.map((n, i) => n + (i === onto ? 1 : 0) - (i === from ? 1 : 0));
  return withMember(spec, row, { part, copies });
}
/** So many copies of an order on a form, as far as there is place; null: nothing changes, or none of it would be left. */
export function setCopies(spec: JobSpec, row: GangRow, part: Id<'part'>, form: number, copies: number): Edit | null {
  const own = row.members.find((m) => m.part === part);
  const now = own?.copies[form];
  if (!own || now === undefined) return null;
  const wished = Math.min(Math.max(copies, 0), now + freePlaces(row, form));
  if (wished === now || copiesInAll(row, part) - now + wished < 1) return null;
  return withMember(spec, row, { part, copies: own.copies.map((n, i) => (i === form ? wished : n)) });
}
/** How many good sheets a form runs; null: as few as its orders take. */
export function setRun(spec: JobSpec, row: GangRow, form: number, run: number | null): Edit {
  const forms = formsShown(row).map((f, i): GangForm => (i === form ? { copies: f.copies, ...(run !== null && { run }) } : f));
  return withForms(spec, row, forms);
}
/** A further form, with a copy of each order as far as there is place, those that need most first; null: there are as many as may be. */
export function addForm(spec: JobSpec, row: GangRow): Edit | null {
  if (row.forms.length >= MOST_GANG_FORMS) return null;
  const hungry = [...row.members].sort((a, b) => b.needed - a.needed).slice(0, row.places ?? undefined);
  return withForms(spec, row, [...formsShown(row), { copies: Object.fromEntries(hungry.map((m) => [m.part, 1])) }]);
}
/** A form less; null: an order lies on no other. */
export function dropForm(spec: JobSpec, row: GangRow, form: number): Edit | null {
  const left = formsShown(row).filter((_, i) => i !== form);
  return row.members.every((m) => left.some((f) => (f.copies[m.part] ?? 0) > 0)) ? withForms(spec, row, left) : null;
}
/** A further order with one copy: on the form that is meant, or the first with a free place; null: there is none. */
export function joinGang(spec: JobSpec, row: GangRow, part: Id<'part'>, onto?: number): Edit | null {
  const form = onto ?? row.forms.findIndex((_, i) => freePlaces(row, i) >= 1);
  if (row.forms[form] === undefined || freePlaces(row, form) < 1) return null;
  const member = { part, copies: row.forms.map((_, i) => (i === form ? 1 : 0)) };
  return withMembers(spec, row, [...row.members, member]);
}
/** An order that gets a sheet of its own again; where only one would be left, the gang is taken apart. */
export function leaveGang(spec: JobSpec, row: GangRow, part: Id<'part'>): Edit {
  const left = row.members.filter((m) => m.part !== part);
  return left.length < 2 ? takeApart(spec, row.id) : withMembers(spec, row, left);
}

type Laid = Pick<GangRow['members'][number], 'part' | 'copies'>;
const withMember = (spec: JobSpec, row: GangRow, member: Laid): Edit =>
  withMembers(
    spec,
    row,
    row.members.map((m) => (m.part === member.part ? member : m)),
  );
const withMembers = (spec: JobSpec, row: GangRow, members: readonly Laid[]): Edit =>
  withForms(spec, { id: row.id, members }, formsShown({ forms: row.forms, members }));
/** A gang that was refused has no forms to keep. */
function withForms(spec: JobSpec, { id, members }: { id: Id<'form'>; members: readonly Laid[] }, forms: GangForm[]): Edit {
  const parts = members.map((m) => m.part);
  const keep = keepFor(spec.choices.gangs?.[id]?.keep ?? {}, parts, forms.length);
  return editGang(spec, id, { parts, ...(forms.length > 0 && { forms }), ...keep });
}

/** The forms as they are shown, without those that nothing lies on any more. */
const formsShown = ({ forms, members }: { forms: GangRow['forms']; members: readonly Laid[] }): GangForm[] =>
  forms.flatMap(({ set }, i): GangForm[] => {
    const copies = Object.fromEntries(members.flatMap((m) => ((m.copies[i] ?? 0) > 0 ? [[m.part, m.copies[i] as number]] : [])));
    return Object.keys(copies).length > 0 ? [{ copies, ...(set !== null && { run: set }) }] : [];
  });
