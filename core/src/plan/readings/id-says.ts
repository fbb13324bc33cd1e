import { label, LABELS } from '../../words/en';
import { FAMILIES } from '../../families/registry';
import type { JobSpec } from '../../product/job-spec';
import type { Plan } from '../plan-types';
import { stoneName } from './stone-name';

/* Ids are walked by programs; a person reads what they stand for: `card.card.print.back.setupS` is “Print, back, setup time”. */

/** What stands behind a stone in an id: a pass, an ink, what is counted. A name somebody gave (an ink, a foil area) is said as it is. */
const partsSay = (parts: readonly string[]): string[] =>
  parts.map(partSays).filter((words, i, all) => words !== '' && words !== all[i - 1]);
function partSays(part: string): string {
  const section = /^s(\d+)$/.exec(part)?.[1];
  return section === undefined ? (LABELS[`figure.${part}`] ?? label(part)) : `${label('figure.section')} ${section}`;
}

/**
 * What a term of a figure is called where its formula has no word of its own for it: after the stone, the wait, the line of the order or the flow it comes from.
 *
 * @example termSays('card.card.print.back.setupS', plan.stones) // 'Print, back, setup time'
 * @example termSays('wait turn 1', plan.stones) // 'ink dries before turning'
 */
export function termSays(name: string, stones: Plan['stones']): string {
  if (name.startsWith('with ')) return `${label('figure.with')} ${termSays(name.slice(5), stones)}`;
  const stone = stones.find((s) => name === s.id || name.startsWith(`${s.id}.`));
  if (stone) return [stoneName(stone), ...partsSay(name.slice(stone.id.length + 1).split('.'))].join(', ');
  const wait = /^wait (\w+) \d+$/.exec(name)?.[1];
  if (wait !== undefined) return label(`wait.${wait}`);
  const line = /^i(\d+)$/.exec(name)?.[1];
  return line === undefined ? (partsSay(name.split('.'))[0] ?? name) : `${label('figure.item')} ${line}`;
}

/** What an id of a stone, step or figure stands for, by the specification alone. */
export function idSays(id: string, { products }: Pick<JobSpec, 'products'>): string {
  const [first = '', ...rest] = id.split('.');
  const product = Object.hasOwn(products, first) ? products[first] : undefined;
  if (product?.kind !== 'made') return partsSay(id.split('.')).join(', ');
  const stones: Readonly<Record<string, string>> = FAMILIES[product.family].words.stones;
  const key = rest.findIndex((part) => Object.hasOwn(stones, part));
  const several = Object.keys(products).length > 1;
  if (key < 0) return [...(several ? [first] : []), ...partsSay(rest)].join(', ');
  return [stones[rest[key] ?? ''] ?? '', ...(several ? [first] : []), ...partsSay(rest.slice(key + 1))].join(', ');
}
