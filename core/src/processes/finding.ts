import type { Id } from '../quantity/figure';
import type { Edit } from '../product/edit';

/** Release, start and close block; decide asks a person; know is good to know. */
export type FindingLevel = 'release' | 'start' | 'close' | 'decide' | 'know';
export const LEVELS: readonly FindingLevel[] = ['release', 'start', 'close', 'decide', 'know'];
export type FindingArgs = Record<string, number | string>;
export type Remedy =
  | { do: 'edit'; says: string; args: FindingArgs; edits: Edit[] }
  | { do: 'ask'; says: string; desk: string }
  /** Searches again for the layout of a part. */
  | { do: 'search'; says: string; slot: Id<'form'> };
export interface Finding {
  code: string;
  level: FindingLevel;
  /** A stone, a part or the job ("job"). */ at: string;
  /** The figure it stands beside. */ figure?: Id<'figure'>;
  args: FindingArgs;
  remedies: Remedy[];
}

/** The name under which a finding is decided. */
export const findingKey = (f: { code: string; at: string }): string => `${f.code}@${f.at}`;
/**
 * Whether a finding waits for somebody before the job can be released: it asks for a decision, and nobody has made it.
 * @example isUndecided({ code: 'stock.short', at: 'a', level: 'decide' }, {}) // true
 */
export const isUndecided = (f: Pick<Finding, 'code' | 'at' | 'level'>, decisions: Readonly<Record<string, unknown>>): boolean =>
  f.level === 'decide' && !Object.hasOwn(decisions, findingKey(f));
