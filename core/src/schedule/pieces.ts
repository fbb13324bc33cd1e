import type { Felt } from './felt';
import { Hands } from './hands';
import { type OpenTime, openTimeOf } from './open-time';
import { orderOfLinks } from './order-of-links';
import { type At, type Breach, type Due, type Link, type Pin, type Problem, type Work } from './problem';
import { SetUps } from './set-ups';

/* A problem as the search works on it: objects that point at one another; clock seconds count from the moment of the board. */

export interface MachineOn {
  id: string;
  time: OpenTime;
  /** Open seconds before it is free. */
  freeAt: number;
  places: number;
  setupRate: number;
  setUps: SetUps;
  /** What stands in it now, by the number of its set-ups. */
  stands: number;
  hands: Hands | null;
  first: Piece | null;
  /** While the list is relinked: the last piece so far, and the one that follows behind the stretch. */
  tail: Piece | null;
  after: Piece | null;
  stamp: number;
}
export interface WayOn {
  machine: MachineOn;
  makeReadyS: number;
  runS: number;
  hands: number;
  extra: number;
  /** What it wants to stand in the machine. */
  wants: number;
}
export interface LinkOn {
  of: Piece;
  by: Link['by'];
  waitS: number;
  why: string;
  longestS: number | null;
  batch: number | null;
}
export interface JobOn {
  id: string;
  pieces: Piece[];
  /** Made when so many pieces of its work are. */
  dues: { piece: Piece; pieces: number; at: number; share: number }[];
  latePerHour: number;
  heldPerHour: number;
  cost: number;
  /** When its last piece of work ends. */
  end: number;
  stamp: number;
}
/** Work as it is laid. */
export interface Piece {
  id: string;
  /** Its own number, whatever its place. */
  nr: number;
  work: Work;
  job: JobOn;
  pieces: number;
  /** Deliveries that it makes. */
  dues: JobOn['dues'];
  ways: WayOn[];
  links: LinkOn[];
  /** What it needs, and what needs it. */
  makers: Piece[];
  followers: Piece[];
  /** Not before these moments: the bar, its make-ready, its run. */
  barFrom: number;
  makeReadyFrom: number;
  runFrom: number;
  isHeld: boolean;
  /** The bar is to begin then; null: nobody says so. */
  pinned: number | null;
  /** It runs already: where it began, and the open seconds at which it ends. */
  running: { start: number; endAt: number } | null;
  inOneGo: boolean;
  /** The accepted board: where it stands there. */
  was: { machine: string; start: number } | null;

  way: WayOn;
  /** Its place in the list. */
  at: number;
  prev: Piece | null;
  next: Piece | null;
  /** Open seconds of its machine before its run, and at its end. */
  runAt: number;
  endAt: number;
  leadS: number;
  /** On the clock: bar and end. */
  start: number;
  end: number;
  stands: number;
  /** On a bench: when each of its places is free, in open seconds. */
  slots: number[] | null;
  /** What fixed its start; null: the machine's first free moment, a gate or a pin. */
  by: Piece | null;
  cost: number;
  dirty: boolean;
  stamp: number;
  /** What waits for it, as last felt: its deliveries and what follows in its job; and what comes next on its machine too. */
  inJob: Felt;
  behind: Felt;
  /** What a move that is tried is thought to cost from here on. */
  felt: number;
  /** Where it ended when the stretch of the list before it began to be bettered; which stretch that was. */
  endedAt: number;
  stretch: number;
}

/** When its run begins on the clock, to sort by: what runs already comes first. */
export const runBegins = (x: Piece): number => (x.running ? -1 : x.way.machine.time.startOf(x.runAt));

export interface Pieces {
  origin: At;
  pieces: Piece[];
  machines: Map<string, MachineOn>;
  jobs: JobOn[];
  breaches: Breach[];
}

/** Machines a pin leaves. */
const isLeft = (pin: Pin | undefined, machine: string): boolean =>
  (pin?.on === undefined || pin.on === machine) && !(pin?.notOn ?? []).includes(machine);

/** Makes pieces of a problem, in an order in which everything comes after what it needs; says what has no way and what turns in a circle. `was`: the accepted board. */
export function piecesOf(p: Problem, was: Readonly<Record<string, { machine: string; start: At }>> = {}): Pieces {
  const origin = p.asOf;
  const ordered = orderOfLinks(p);
  const breaches = [...ordered.breaches];
  const crewOf = new Map<string, Hands>();
  for (const crew of Object.values(p.crews)) {
    const hands = new Hands(crew, origin);
    for (const machine of crew.of) crewOf.set(machine, hands);
  }
  // Most machines of a works are changed over alike: they share what is reckoned of it.
  const alike = new Map<string, SetUps>();
  const machines = new Map(
    Object.entries(p.lanes).map(([id, lane]): [string, MachineOn] => {
      const change = lane.places > 1 ? [] : lane.change;
      const setUps = alike.get(JSON.stringify(change)) ?? new SetUps(change);
      alike.set(JSON.stringify(change), setUps);
      const time = openTimeOf(lane.open, origin);
      const freeAt = time.openBefore(Math.max(lane.freeAt - origin, 0));
      return [
        id,
        {
          id,
          time,
          freeAt,
          places: lane.places,
          setupRate: lane.setupRate,
          setUps,
          stands: setUps.standing(lane.keys),
          hands: crewOf.get(id) ?? null,
          first: null,
          tail: null,
          after: null,
          stamp: 0,
        },
      ];
    }),
  );
  const jobs = new Map<string, JobOn>();
  const jobOf = (id: string): JobOn => {
    const known = jobs.get(id);
    if (known) return known;
    const { latePerHour = 0, heldPerHour = 0 } = p.jobs[id] ?? {};
    const job: JobOn = { id, pieces: [], dues: [], latePerHour, heldPerHour, cost: 0, end: 0, stamp: 0 };
    jobs.set(id, job);
    return job;
  };
  const byId = new Map<string, Piece>();
  for (const id of ordered.order) {
    const work = p.work[id];
    if (!work || work.state === 'done') continue;
    const ways = waysOf(work, machines);
    const left = ways.filter((way) => isLeft(work.pin, way.machine.id));
    if (ways.length > 0 && left.length === 0) breaches.push({ code: 'pin', work: id, byS: 0 });
    const [way] = left.length > 0 ? left : ways;
    if (!way) {
      breaches.push({ code: 'noWay', work: id, byS: 0 });
      continue;
    }
    const job = jobOf(work.job);
    const isRunning = work.state === 'running';
    const gate = (holds: 'makeReady' | 'run'): number =>
      Math.max(0, ...work.gates.filter((g) => g.holds === holds).map((g) => g.at - origin));
    const before = was[id];
    const piece: Piece = {
      id,
      nr: byId.size,
      work,
      job,
      pieces: work.pieces,
      dues: [],
      ways: isRunning ? [way] : left.length > 0 ? left : ways,
      links: [],
      makers: [],
      followers: [],
      barFrom: Math.max(0, (work.pin?.notBefore ?? 0) - origin, (work.pin?.start ?? 0) - origin),
      makeReadyFrom: gate('makeReady'),
      runFrom: gate('run'),
      isHeld: false,
      pinned: work.pin?.start === undefined ? null : work.pin.start - origin,
      running: isRunning
        ? { start: (work.startedAt ?? origin) - origin, endAt: way.machine.time.openBefore(0) + (work.leftS ?? way.runS) }
        : null,
      inOneGo: work.inOneGo,
      was: before ? { machine: before.machine, start: before.start - origin } : null,
      way,
      at: 0,
      prev: null,
      next: null,
      runAt: 0,
      endAt: 0,
      leadS: 0,
      start: 0,
      end: 0,
      stands: 0,
      slots: null,
      by: null,
      cost: 0,
      dirty: false,
      stamp: 0,
      inJob: { slackS: 0, worth: 0 },
      behind: { slackS: 0, worth: 0 },
      felt: 0,
      endedAt: 0,
      stretch: 0,
    };
    byId.set(id, piece);
    job.pieces.push(piece);
    // What runs already waits for nothing any more.
    for (const link of isRunning ? [] : (ordered.links[id] ?? [])) addLink(piece, link, byId.get(link.of), p.work[link.of], origin);
    piece.isHeld = piece.barFrom > 0 || piece.makeReadyFrom > 0 || piece.runFrom > 0;
  }
  for (const [id, job] of jobs) {
    job.dues = duesOf(p.jobs[id]?.dues ?? [], byId, origin);
    for (const due of job.dues) due.piece.dues.push(due);
  }
  // What runs comes first on its machine, so it stands first in the list.
  const pieces = [...byId.values()];
  const list = [...pieces.filter((x) => x.running), ...pieces.filter((x) => !x.running)];
  list.forEach((x, i) => (x.at = i));
  return { origin, pieces: list, machines, jobs: [...jobs.values()], breaches };
}

function waysOf(work: Work, machines: ReadonlyMap<string, MachineOn>): WayOn[] {
  const ways: WayOn[] = [];
  let [setUps, wants]: [SetUps | null, number] = [null, 0];
  for (const { machine: id, makeReadyS, runS, hands, extra } of work.ways) {
    const machine = machines.get(id);
    if (!machine) continue;
    // Machines that are changed over alike number what is wanted alike.
    if (machine.setUps !== setUps) [setUps, wants] = [machine.setUps, machine.setUps.wants(work.keys)];
    ways.push({ machine, makeReadyS, runS, hands, extra, wants });
  }
  return ways;
}

function addLink(piece: Piece, { by, waitS, why, longestS, batch }: Link, of: Piece | undefined, made: Work | undefined, origin: At): void {
  if (of) {
    piece.links.push({ of, by, waitS, why, longestS: longestS ?? null, batch: batch !== undefined && batch < of.pieces ? batch : null });
    piece.makers.push(of);
    of.followers.push(piece);
    return;
  }
  // Of what is done only its wait may still hold.
  if (made?.state !== 'done' || made.endedAt === undefined) return;
  const ready = made.endedAt + waitS - origin;
  if (by === 'pieces') piece.runFrom = Math.max(piece.runFrom, ready);
  else if (by === 'forms') piece.makeReadyFrom = Math.max(piece.makeReadyFrom, ready);
  else piece.barFrom = Math.max(piece.barFrom, ready);
}

/** Deliveries in the order of their dates; each takes its pieces behind those of the ones before. */
function duesOf(dues: readonly Due[], byId: ReadonlyMap<string, Piece>, origin: At): JobOn['dues'] {
  const all = dues.reduce((sum, d) => sum + d.pieces, 0);
  const taken = new Map<string, number>();
  return [...dues]
    .sort((a, b) => a.at - b.at)
    .flatMap(({ work, pieces, at, share = all > 0 ? pieces / all : 1 / dues.length }) => {
      const piece = byId.get(work);
      const upTo = (taken.get(work) ?? 0) + pieces;
      taken.set(work, upTo);
      return piece ? [{ piece, pieces: Math.min(upTo, piece.pieces), at: at - origin, share }] : [];
    });
}
