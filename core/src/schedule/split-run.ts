import type { Id } from '../quantity/figure';
import { ceilTolerant } from '../quantity/round-tolerant';
import type { Due, Problem, Way, Work } from './problem';

/** The id of what is left of work that is split. @example restOf('4f print') // '4f print, the rest' */
export const restOf = (id: Id<'work'>): Id<'work'> => `${id}, the rest`;

/**
 * A board on which a run is broken off after so many pieces, and the rest made ready and run as work of its own behind it. Who follows needs both; a delivery is
 * made by the part that reaches its pieces.
 *
 * Formula: the first part runs for pieces ÷ all of the run, rounded up to seconds; the rest for what is left. Range: 0 to all pieces; 0 only of work that runs.
 * Errors: work that is not known or is done is left as it is. Source: common practice, no source.
 */
export function withSplit(p: Problem, id: Id<'work'>, pieces: number): Problem {
  const whole = p.work[id];
  if (!whole || whole.state === 'done') return p;
  const rest = restOf(id);
  const share = pieces / whole.pieces;
  const of = ({ runS }: Way): number => Math.min(runS, ceilTolerant(runS * share));
  const [way, ...ways] = whole.ways;
  const work: Record<Id<'work'>, Work> = { ...p.work };
  // Of what runs so many are made already.
  const madeS = whole.state === 'running' ? way.runS - (whole.leftS ?? way.runS) : 0;
  const first = (w: Way): Way => ({ ...w, runS: of(w) });
  const left = (w: Way): Way => ({ ...w, runS: w.runS - of(w) });
  work[id] = {
    ...whole,
    pieces: Math.max(1, pieces),
    ways: [first(way), ...ways.map(first)],
    ...(whole.state === 'running' && { leftS: Math.max(0, of(way) - madeS) }),
  };
  const { pin: _, startedAt: __, leftS: ___, ...plain } = whole;
  work[rest] = {
    ...plain,
    pieces: whole.pieces - pieces,
    ways: [left(way), ...ways.map(left)],
    links: [{ of: id, by: 'order', waitS: 0, why: '' }],
    gates: [],
    state: 'free',
  };
  for (const [other, mine] of Object.entries(p.work)) {
    const links = mine.links.filter((l) => l.of === id);
    if (links.length > 0) work[other] = { ...mine, links: [...mine.links, ...links.map((l) => ({ ...l, of: rest }))] };
  }
  const jobs = { ...p.jobs };
  const job = jobs[whole.job];
  if (job) jobs[whole.job] = { ...job, dues: splitDues(job.dues, id, pieces) };
  return { ...p, work, jobs };
}

/** Deliveries of split work, the first first: those that the first part reaches stay its own. */
function splitDues(dues: readonly Due[], id: Id<'work'>, pieces: number): Due[] {
  let upTo = 0;
  const all = dues.reduce((sum, d) => sum + d.pieces, 0);
  return [...dues]
    .sort((a, b) => a.at - b.at)
    .map((due) => {
      const share = due.share ?? (all > 0 ? due.pieces / all : 1 / dues.length);
      if (due.work !== id) return { ...due, share };
      const before = upTo;
      upTo += due.pieces;
      return upTo <= pieces ? { ...due, share } : { ...due, share, work: restOf(id), pieces: upTo - Math.max(before, pieces) };
    });
}
