import type { Id } from '../quantity/figure';
import { type Abilities, ABILITY_KEYS, abilityOf, type AbilityKey } from '../plant/abilities';
import type { Machine } from '../plant/plant';
import { PROCESSES } from './registry';

/** What cards may say of machines for these kinds of work, in the order of the list of abilities. */
export function abilitiesFor(processes: readonly Id<'process'>[]): AbilityKey[] {
  const read = new Set(processes.flatMap((id) => (Object.hasOwn(PROCESSES, id) ? (PROCESSES[id]?.abilities ?? []) : [])));
  return ABILITY_KEYS.filter((key) => read.has(key));
}

/** Sizes and speeds a card begins with. Invented: the owner's manual knows. */
const STARTS = {
  perHour: 1_000,
  netPerHour: 800,
  crew: 1,
  setupS: 900,
  setupRepeatS: 600,
  setupCostPerHour: 50,
  runCostPerHour: 50,
} as const;
const SHEET = { minSheetMm: [300, 210], maxSheetMm: [740, 530] } as const;

/**
 * A machine's card for some kinds of work, to be filled in: with the abilities they read, as far as a card begins with one.
 *
 * @example newMachine('Press 9', ['offset']).limits.units // 4
 */
export function newMachine(name: string, processes: readonly Id<'process'>[]): Machine {
  const limits: Abilities = {};
  for (const key of abilitiesFor(processes)) {
    const { starts } = abilityOf(key);
    if (starts !== undefined) limits[key] = starts;
  }
  const sheet = processes.some((id) => PROCESSES[id]?.reach === 'sheet');
  return {
    name,
    processes: [...processes],
    ...STARTS,
    ...(sheet && { minSheetMm: [...SHEET.minSheetMm], maxSheetMm: [...SHEET.maxSheetMm] }),
    limits,
  };
}
