import { type Learned, learnedLosses, learnedTimes, type OwnTime, tallyOf } from '@druckerei/core';
import type { Db } from '../db/pool';
import { many, maybeOne } from '../db/rows';
import { ADD_FACT, FACTS, FACTS_STAMP } from './floor.queries';
import { floorOfJob, timesOf } from './steps-now';

/** Facts read at most: the newest; a works of 5,000 jobs of seven steps. */
const MOST_FACTS = 50_000;

/** Writes what a closed job teaches, step by step: only steps that were counted. */
export async function writeFacts(db: Db, job: string): Promise<void> {
  const floor = await floorOfJob(db, job);
  for (const { facts } of floor.steps) {
    const tally = tallyOf(facts.step, facts.units, floor.sums.get(job) ?? []);
    const times = timesOf(floor, job, facts.step);
    if (tally.run <= 0 || times.state !== 'done') continue;
    const cycles = Math.max(tally.run - tally.setupCycles - tally.sampleCycles, 0);
    await db.query(ADD_FACT, [
      job,
      facts.step,
      facts.process,
      facts.machine,
      facts.handbookSetup,
      tally.setupCycles,
      cycles,
      Math.max(cycles - tally.goodCycles, 0),
      facts.repeat,
      times.setupS,
      times.runS,
      JSON.stringify(times.stops),
      facts.runS > 0 ? (facts.run * 3600) / facts.runS : 0,
    ]);
  }
}

export interface Known extends Learned {
  times: Record<string, OwnTime>;
  /** Numbers of the jobs that were left aside. */
  numbers: ReadonlyMap<string, number>;
}
/** What was learned, by what it was learned from: reckoned again only when a job was closed or taken back. */
let known: { stamp: string; learned: Known } | null = null;

/** What the works learned from its closed jobs. */
export async function learned(db: Db): Promise<Known> {
  const stamp = (await maybeOne(db, FACTS_STAMP))?.stamp ?? '';
  if (known?.stamp === stamp) return known.learned;
  const rows = await many(db, FACTS, [MOST_FACTS]);
  known = {
    stamp,
    learned: { ...learnedLosses([...rows].reverse()), times: learnedTimes(rows), numbers: new Map(rows.map((r) => [r.job, r.number])) },
  };
  return known.learned;
}
