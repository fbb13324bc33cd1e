import { seeded } from '../quantity/seeded';

/** A plate to image. */
export interface QueuedPlate {
  id: string;
  job: string;
  number: number;
  press: string;
  /** When its press wants to begin, epoch seconds; null: nobody waits yet. */
  wantedAt: number | null;
  imagingS: number;
}
export interface QueuePlace extends QueuedPlate {
  startAt: number;
  readyAt: number;
  /** Seconds the press will wait for it; 0: it is there in time. */
  lateS: number;
}

/**
 * The platesetter's queue: what is wanted first is imaged first, plates of a job together (its press begins with the last of them); ties by job number.
 * Each job's wedge comes before its plates. Source: common practice, no source.
 */
export function platesetterQueue(plates: readonly QueuedPlate[], nowS: number, wedgeS: number): QueuePlace[] {
  const jobs = [...new Set(plates.map((p) => p.job))].map((job) => {
    const mine = plates.filter((p) => p.job === job);
    return { mine, wanted: Math.min(...mine.map((p) => p.wantedAt ?? Infinity)), number: mine[0]?.number ?? 0 };
  });
  jobs.sort((a, b) => (a.wanted === b.wanted ? a.number - b.number : a.wanted - b.wanted));
  let at = nowS;
  return jobs.flatMap(({ mine }) => {
    at += wedgeS;
    return mine.map((p): QueuePlace => {
      const startAt = at;
      at += p.imagingS;
      return { ...p, startAt, readyAt: at, lateS: p.wantedAt === null ? 0 : Math.max(at - p.wantedAt, 0) };
    });
  });
}

/** What the simulated platesetter says of a plate: it stands in for the machine, says that it is simulated, and now and then makes a bad one. */
export interface SimulatedPlate {
  bad: 'scratch' | 'weak' | null;
  /** Steps of its wedge as they would be measured. */
  wedge: { file: number; plate: number }[];
}
/** One in so many is bad. Invented for the stand-in. */
const BAD_IN = 17;
const WEDGE_FILE = [0, 10, 25, 50, 75, 90, 100] as const;

/** The plate that comes of a number: the same number, the same plate. */
export function simulatedPlate(seed: number): SimulatedPlate {
  const next = seeded(seed);
  const bad = next() < 1 / BAD_IN ? (next() < 0.5 ? 'scratch' : 'weak') : null;
  const gain = bad === 'weak' ? -4 - 2 * next() : 0.8 * (next() - 0.5);
  return {
    bad,
    wedge: WEDGE_FILE.map((file) => ({
      file,
      plate:
        Math.round(
          10 *
            Math.min(Math.max(file + (gain * 4 * file * (100 - file)) / 1e4 + (file > 0 && file < 100 ? 0.3 * (next() - 0.5) : 0), 0), 100),
        ) / 10,
    })),
  };
}
