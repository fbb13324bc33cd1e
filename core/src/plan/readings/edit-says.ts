import { label } from '../../words/en';
import { formatNumber } from '../../words/format';
import type { Plant } from '../../plant/plant';
import type { Edit } from '../../product/edit';
import type { JobSpec } from '../../product/job-spec';
import { FAMILIES } from '../../families/registry';

/** An edit as a person reads it: which place, what stood there, what stands there now. */
export interface EditSaid {
  place: string;
  was: string;
  now: string;
}

/** Says an edit in the words of the screens: fields by their labels, machines and stocks by their names. */
export function editSays(edit: Edit, spec: JobSpec, plant: Plant): EditSaid {
  return { place: placeSays(edit.at, spec), was: valueSays(edit.was, edit.at, plant), now: valueSays(edit.now, edit.at, plant) };
}

/** Where an edit falls: the label of its field, and of what, where a job has several. */
export function placeSays(at: readonly string[], spec: JobSpec): string {
  const [room, first = '', ...rest] = at;
  const last = at.at(-1) ?? '';
  switch (room) {
    case 'name':
      return label('place.name');
    case 'items':
      return [label(`place.${rest[0] === 'versions' ? last : (rest.at(-1) ?? 'item')}`), Object.keys(spec.items).length > 1 ? first : '']
        .filter(Boolean)
        .join(', ');
    case 'products': {
      const product = spec.products[first];
      const field = rest[1] ?? '';
      const words = product?.kind === 'made' ? FAMILIES[product.family].words.fields : {};
      return [words[field] ?? label(field || 'place.product'), ...rest.slice(2)].join(' ');
    }
    case 'choices':
      return [label(`place.${first}`), rest.map(stoneOrWord).join(' ')].filter(Boolean).join(', ');
    case 'overrides':
      return `${label('place.override')}, ${stoneOrWord(first)}`;
    case 'decisions':
      return `${label('place.decision')}, ${first}`;
    case 'gates':
      return [label('place.gate'), rest.length > 0 ? label(`place.${last}`) : ''].filter(Boolean).join(', ');
    default:
      return label(last);
  }
}

/** The last part of an id says which stone it is: card.card.print → print. */
const stoneOrWord = (id: string): string => [...new Set(id.split('.').slice(-2))].map(label).join(' ');

function valueSays(value: unknown, at: readonly string[], plant: Plant): string {
  if (value === undefined) return label('place.nothing');
  if (typeof value === 'number') return at.at(-1)?.endsWith('Ppm') ? `${formatNumber(value / 10_000, 2)} %` : formatNumber(value, 3);
  if (typeof value === 'boolean') return label(value ? 'place.yes' : 'place.no');
  if (typeof value === 'string')
    return at[1] === 'machine'
      ? (plant.machines[value]?.name ?? value)
      : at[1] === 'stock'
        ? (plant.stocks[value]?.name ?? value)
        : label(value);
  if (Array.isArray(value)) return value.length === 0 ? label('place.nothing') : value.map((v) => valueSays(v, [], plant)).join('; ');
  return Object.entries(value as object)
    .map(([key, v]) => `${label(`place.${key}`) === `place.${key}` ? label(key) : label(`place.${key}`)} ${valueSays(v, [key], plant)}`)
    .join(', ');
}
