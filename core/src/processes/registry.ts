import type { Id } from '../quantity/figure';
import { camera } from './camera';
import { digital } from './digital';
import { engrave } from './engrave';
import { foil } from './foil';
import { fold } from './fold';
import { guillotine } from './guillotine';
import { applyByHand, assemble, envelope } from './hands';
import { offset } from './offset';
import { band, pack } from './pack';
import { platemaking } from './platemaking';
import type { Process } from './process';
import { pull } from './pull';
import { pullRoll } from './pull-roll';
import { reject } from './reject';
import { rewind } from './rewind';
import { rollDie } from './roll-die';
import { saw } from './saw';
import { sheeter } from './sheeter';
import { stack } from './stack';
import { webPress } from './web-press';

/** All processes by id. One row for a new one; nothing else asks for a process by name. */
export const PROCESSES: Readonly<Record<Id<'process'>, Process>> = Object.fromEntries(
  [
    ...[pull, pullRoll, platemaking, offset, digital, webPress, camera, foil, guillotine, sheeter, rollDie, rewind, reject, fold],
    ...[saw, engrave],
    ...[applyByHand, envelope, assemble, stack, band, pack],
  ].map((p) => [p.id, p]),
);

/** The ids of all processes: what a machine's card may name. */
export const PROCESS_IDS: readonly Id<'process'>[] = Object.keys(PROCESSES);
