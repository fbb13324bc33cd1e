import { FAMILIES } from '../../families/registry';
import type { Stone } from '../plan-types';

const STONES: Readonly<Record<string, { words: { stones: Readonly<Record<string, string>> } } | undefined>> = FAMILIES;

/** What a stone does, in its family's word, or its key (stones of sets). */
export const stoneWord = ({ family, key }: Pick<Stone, 'family' | 'key'>): string => STONES[family]?.words.stones[key] ?? key;

/** What a stone is called: its family's word for it, or its key (stones of sets); of one product among several, and of one run among several, with its name. */
export const stoneName = ({
  family,
  key,
  product,
  name,
}: Pick<Stone, 'family' | 'key'> & Partial<Pick<Stone, 'product' | 'name'>>): string =>
  [stoneWord({ family, key }), product ?? '', name ?? ''].filter((word) => word !== '').join(', ');
