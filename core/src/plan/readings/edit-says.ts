import { findingTitle, label, LABELS } from '../../words/en';
import { formatDuration, formatMoment, formatNumber } from '../../words/format';
import type { Plant } from '../../plant/plant';
import type { Edit } from '../../product/edit';
import type { JobSpec } from '../../product/job-spec';
import type { WishField } from '../../families/family';
import { FAMILIES } from '../../families/registry';
import { idSays } from './id-says';

/** An edit as a person reads it: which place, what stood there, what stands there now. */
export interface EditSaid {
  place: string;
  was: string;
  now: string;
}

/** Says an edit in the words of the screens: fields by their labels, machines and stocks by their names. */
export function editSays(edit: Edit, spec: JobSpec, plant: Plant): EditSaid {
  return {
    place: placeSays(edit.at, spec),
    was: valueSays(edit.was, edit.at, { spec, plant }),
    now: valueSays(edit.now, edit.at, { spec, plant }),
  };
}

/** Where an edit falls: the label of its field, and of what, where a job has several. */
export function placeSays(at: readonly string[], spec: JobSpec): string {
  const [room, first = '', ...rest] = at;
  const last = at.at(-1) ?? '';
  switch (room) {
    case 'name':
      return label('place.name');
    case 'items':
      return [LABELS[`place.${last}`] ?? label(`place.${rest[0] ?? 'item'}`), Object.keys(spec.items).length > 1 ? first : '']
        .filter(Boolean)
        .join(', ');
    case 'products': {
      const product = spec.products[first];
      const field = rest[1] ?? '';
      const words = product?.kind === 'made' ? FAMILIES[product.family].words.fields : {};
      return [words[field] ?? label(field || 'place.product'), ...rest.slice(2).map((key) => keySays(key, at, spec))].join(' ');
    }
    case 'choices':
      return choiceSays(first, rest, spec);
    case 'overrides':
      return `${label('place.override')}, ${idSays(first, spec)}`;
    case 'decisions':
      return `${label('place.decision')}, ${decisionSays(first)}`;
    case 'gates':
      return [label('place.gate'), rest.length > 0 ? label(`place.${last}`) : ''].filter(Boolean).join(', ');
    default:
      return label(last);
  }
}

/** A choice: what was chosen, and of which stone or form. */
function choiceSays(room: string, rest: readonly string[], spec: JobSpec): string {
  const [id = '', setting] = rest;
  // A setting of one of several says behind a point which: lanes of a version.
  const [key = '', of = ''] = (setting ?? '').split('.');
  const version = Object.values(spec.items).flatMap((i) => (Object.hasOwn(i.versions, of) ? [i.versions[of]?.name ?? of] : []))[0];
  const what =
    room === 'settings' && setting !== undefined
      ? [label(`setting.${key}`), version ?? of].filter(Boolean).join(' ')
      : label(`place.${room}`);
  return [what, id === '' ? '' : idSays(id, spec)].filter(Boolean).join(', ');
}

/** A finding that was decided, by its key: what it says, and nothing of where it stands. */
export const decisionSays = (key: string): string => findingTitle(key.split('@')[0] ?? '', ANYTHING);

/** A finding's title without its figures: an ellipsis in the place of each. */
const ANYTHING = new Proxy<Record<string, string>>({}, { get: () => '…' });

/** Values that are seconds since 1970, by the name of their field. */
const MOMENTS: readonly string[] = ['until', 'at'];

/** A value by the field it stands in: machines and stocks by their names, gates by their kind, stones by what they do, parts of a million as per cent. */
function valueSays(value: unknown, at: readonly string[], all: { spec: JobSpec; plant: Plant }): string {
  const field = at.at(-1) ?? '';
  if (value === undefined || value === null) return label('place.nothing');
  if (typeof value === 'boolean') return label(value ? 'place.yes' : 'place.no');
  if (typeof value === 'number') {
    if (MOMENTS.includes(field)) return formatMoment(value, all.plant.timeZone);
    if (/[a-z]S$/.test(field) && value >= 60) return formatDuration(value);
    return field.endsWith('Ppm') ? `${formatNumber(value / 10_000, 2)} %` : formatNumber(value, 3);
  }
  if (typeof value === 'string') return wordSays(value, field, at, all);
  if (Array.isArray(value)) {
    if (field === 'cells') return `${formatNumber(value.length)} ${label('place.blocks')}`;
    return value.length === 0 ? label('place.nothing') : value.map((v) => valueSays(v, at, all)).join('; ');
  }
  return Object.entries(value)
    .filter(([key]) => !OF_PROGRAMS.includes(key))
    .map(([key, v]) => `${keySays(key, at, all.spec)} ${valueSays(v, [...at, key], all)}`)
    .join(', ');
}

/** What is kept beside a choice for the program alone: whether the question is still the same. */
const OF_PROGRAMS: readonly string[] = ['question', 'proof'];

const LOCAL_MOMENT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/;

function wordSays(value: string, field: string, at: readonly string[], { spec, plant }: { spec: JobSpec; plant: Plant }): string {
  if (LOCAL_MOMENT.test(value)) return value.replace('T', ' ');
  if (at[1] === 'machine') return plant.machines[value]?.name ?? value;
  if (at[1] === 'stock') return plant.stocks[value]?.name ?? value;
  if (at[0] === 'gates' && field === 'kind') return label(`gate.${value}`);
  if (field === 'holds' || at[1] === 'route' || at[1] === 'gangs') return idSays(value, spec);
  const option = wishFields(at, spec)
    .find((f) => f.key === field)
    ?.options?.(plant)
    .find((o) => o.value === value);
  if (option) return option.says;
  return LABELS[`place.${value}`] ?? label(value);
}

/** The fields of the wish an edit falls into; none where it falls elsewhere. */
function wishFields(at: readonly string[], spec: JobSpec): readonly WishField[] {
  const product = at[0] === 'products' ? spec.products[at[1] ?? ''] : undefined;
  return product?.kind === 'made' ? FAMILIES[product.family].fields : [];
}

/** The name of a field inside a value; of a list by stone, the stone. */
function keySays(key: string, at: readonly string[], spec: JobSpec): string {
  const product = spec.products[at[1] ?? ''];
  const fields: Readonly<Record<string, string>> =
    at[0] === 'products' && product?.kind === 'made' ? FAMILIES[product.family].words.fields : {};
  // A field of a thing in a list has a word of its own.
  const known = fields[`${at[3] ?? ''}.${key}`] ?? fields[key] ?? LABELS[`place.${key}`] ?? LABELS[`setting.${key}`];
  if (known !== undefined) return known;
  return key.includes('@') ? decisionSays(key) : idSays(key, spec);
}
