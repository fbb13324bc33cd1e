import type { Id } from '../quantity/figure';
import { foil } from './foil';
import { fold } from './fold';
import { guillotine } from './guillotine';
import { applyByHand, assemble, envelope } from './hands';
import { offset } from './offset';
import { band, pack } from './pack';
import { platemaking } from './platemaking';
import type { Process } from './process';
import { pull } from './pull';

/** All processes by id. One row for a new one; nothing else asks for a process by name. */
export const PROCESSES: Readonly<Record<Id<'process'>, Process>> = Object.fromEntries(
  [pull, platemaking, offset, foil, guillotine, fold, applyByHand, envelope, assemble, band, pack].map((p) => [p.id, p]),
);
