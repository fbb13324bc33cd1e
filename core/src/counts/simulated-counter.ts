import { seeded } from '../quantity/seeded';
import { portableLog } from '../quantity/portable-math';
import type { EntryKind } from './floor-entry';

/** What a simulated machine does: its speed, how much it loses, how often it stops. Simulated: no machine is behind it. */
export interface SimulatedMachine {
  seed: number;
  perHour: number;
  runningPpm: number;
  /** Stops an hour of running, and how long one lasts. */
  stopsPerHour: number;
  stopS: number;
  wasteReasons: readonly string[];
  stopReasons: readonly string[];
}
/** One thing the counter reports, `at` seconds after the run began. */
export interface CounterEvent {
  at: number;
  kind: Extract<EntryKind, 'good' | 'waste' | 'stop' | 'go'>;
  quantity: number;
  reason: string;
}

const pick = (of: readonly string[], random: () => number): string => of[Math.floor(random() * of.length)] ?? '';

/**
 * A run as a machine's counter would report it, every `tickS` seconds, until `cycles` have gone through: good ones, lost ones with a reason, stops and
 * their ends. Same machine and seed, same run. Good + waste = cycles.
 * Source: invented; stops come at exponential distances, losses at random in proportion.
 */
export function* simulatedRun(machine: SimulatedMachine, cycles: number, tickS: number): Generator<CounterEvent> {
  const random = seeded(machine.seed);
  const distance = (): number => (machine.stopsPerHour > 0 ? (-portableLog(1 - random()) * 3600) / machine.stopsPerHour : Infinity);
  let [clock, ran, done, part] = [0, 0, 0, 0];
  let [carriedLoss, nextStop] = [0, distance()];
  while (done < cycles) {
    clock += tickS;
    ran += tickS;
    part += (machine.perHour * tickS) / 3600;
    const now = Math.min(Math.floor(part), cycles - done);
    part -= Math.floor(part);
    done += now;
    carriedLoss += (now * machine.runningPpm * 2 * random()) / 1e6;
    const lost = Math.min(Math.floor(carriedLoss), now);
    carriedLoss -= lost;
    if (now > lost) yield { at: clock, kind: 'good', quantity: now - lost, reason: '' };
    if (lost > 0) yield { at: clock, kind: 'waste', quantity: lost, reason: pick(machine.wasteReasons, random) };
    if (ran >= nextStop && done < cycles) {
      yield { at: clock, kind: 'stop', quantity: 0, reason: pick(machine.stopReasons, random) };
      clock += Math.max(Math.round(machine.stopS * 2 * random()), 10);
      yield { at: clock, kind: 'go', quantity: 0, reason: '' };
      nextStop = ran + distance();
    }
  }
}
