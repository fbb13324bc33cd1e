import type { FindingArgs, FindingLevel } from '../../processes/finding';
import type { GateKind } from '../../product/job-spec';

/** A finding as a summary keeps it. */
type Found = { code: string; level: FindingLevel; args: FindingArgs };

/** An open job, as the summary beside it says. Moments are epoch seconds. */
export interface OpenJob {
  job: string;
  number: number;
  title: string;
  /** The version that is drawn. */
  drawn: number;
  customer: string;
  quantity: number;
  pieces: string;
  state: 'draft' | 'part' | 'released' | 'revising';
  dueAt: number | null;
  readyAt: number;
  machineS: number;
  worst: Found | null;
  blocking: number;
  undecided: number;
  /** Stocks it still wants. */
  stocks: readonly string[];
  /** Child jobs that are not delivered. */
  children: readonly { job: string; number: number; title: string; state: string }[];
  /** Gates nobody has opened. */
  gates: readonly { gate: GateKind; version: string; who: string; byAt: number | null; refused: boolean }[];
}
export interface StockShort {
  stock: string;
  /** As the works calls it. */
  name: string;
  unit: 'sheet' | 'metre' | 'piece';
  short: number;
  orderByAt: number;
}

/** Why a job will be late: what it waits for, graver first; else what is found about it; else the work itself. */
export type LateBecause =
  | { kind: 'gate'; gate: GateKind; who: string }
  | { kind: 'paper'; name: string }
  | { kind: 'child'; number: number; title: string }
  | { kind: 'finding'; finding: Found }
  | { kind: 'work'; machineS: number };

interface AboutJob {
  drawn: number;
  job: string;
  number: number;
  title: string;
}
export type TodayLine =
  | (AboutJob & { kind: 'late'; customer: string; lateS: number; dueAt: number; passed: boolean; why: LateBecause })
  | (AboutJob & { kind: 'gate'; gate: GateKind; version: string; who: string; byAt: number | null; late: boolean; refused: boolean })
  | (AboutJob & { kind: 'blocked'; finding: Found; blocking: number })
  | (AboutJob & { kind: 'child'; child: string; childNumber: number; childTitle: string })
  | (AboutJob & { kind: 'ready'; customer: string; dueAt: number | null })
  | (AboutJob & { kind: 'short'; finding: Found })
  | (AboutJob & { kind: 'goes'; quantity: number; pieces: string; dueAt: number; ready: boolean })
  | (StockShort & { kind: 'order'; late: boolean });

const DAY_S = 86_400;

const about = ({ job, number, title, drawn }: OpenJob): AboutJob => ({ job, number, title, drawn });
const isOut = (j: OpenJob): boolean => j.state === 'released' || j.state === 'revising';

/**
 * Why a job will not be there when it is due.
 *
 * The first that holds of: a gate nobody has opened, a stock that is short, a child job that is not done, the worst finding, the work itself.
 * `short` holds the stocks that are short, by id, and how each is called.
 * @example lateBecause({ gates: [{ gate: 'fileProof', version: 'v1', who: 'Choir', byAt: null, refused: false }], stocks: [], children: [], worst: null, machineS: 60 }, new Map()).kind // 'gate'
 */
export function lateBecause(
  j: Pick<OpenJob, 'gates' | 'stocks' | 'children' | 'worst' | 'machineS'>,
  short: ReadonlyMap<string, string>,
): LateBecause {
  const [gate] = j.gates;
  if (gate) return { kind: 'gate', gate: gate.gate, who: gate.who };
  const stock = j.stocks.find((s) => short.has(s));
  if (stock !== undefined) return { kind: 'paper', name: short.get(stock) ?? stock };
  const [child] = j.children;
  if (child) return { kind: 'child', number: child.number, title: child.title };
  // That it comes late is no reason for coming late.
  return j.worst && j.worst.code !== 'due.missed' ? { kind: 'finding', finding: j.worst } : { kind: 'work', machineS: j.machineS };
}

/**
 * What a planner looks at in the morning: what is late and by how much, what waits for whom, what can be released, what falls short on the floor, what goes out.
 *
 * Late is how far the ready date, or the present where the due date is past, lies behind the due date, in seconds. What can be released is a draft that nothing
 * blocks, that has nothing left to decide and waits for nobody. What goes out is due before the end of the day. Within a kind the most pressing stands first.
 * Common practice, no source.
 * @example planToday([], [], { now: 0, endOfDay: 86_400 }) // []
 */
export function planToday(
  jobs: readonly OpenJob[],
  shorts: readonly StockShort[],
  { now, endOfDay }: { now: number; endOfDay: number },
): TodayLine[] {
  const short = new Map(shorts.map((s) => [s.stock, s.name]));
  const late = jobs
    .flatMap((j) => {
      const lateS = j.dueAt === null ? 0 : Math.max(j.readyAt, j.dueAt < now ? now : 0) - j.dueAt;
      return j.dueAt === null || lateS <= 0
        ? []
        : [
            {
              kind: 'late' as const,
              ...about(j),
              customer: j.customer,
              lateS,
              dueAt: j.dueAt,
              passed: j.dueAt < now,
              why: lateBecause(j, short),
            },
          ];
    })
    .sort((a, b) => b.lateS - a.lateS);
  const gates = jobs
    .flatMap((j) => j.gates.map((g) => ({ kind: 'gate' as const, ...about(j), ...g, late: g.byAt !== null && g.byAt < now })))
    .sort((a, b) => (a.byAt ?? Infinity) - (b.byAt ?? Infinity));
  const drafts = jobs.filter((j) => !isOut(j)).sort((a, b) => (a.dueAt ?? Infinity) - (b.dueAt ?? Infinity));
  const children = jobs.flatMap((j) =>
    j.children.map((c) => ({ kind: 'child' as const, ...about(j), child: c.job, childNumber: c.number, childTitle: c.title })),
  );
  const blocked = drafts.flatMap((j) =>
    j.blocking > 0 && j.worst ? [{ kind: 'blocked' as const, ...about(j), finding: j.worst, blocking: j.blocking }] : [],
  );
  const ready = drafts
    .filter((j) => j.blocking === 0 && j.undecided === 0 && j.gates.length === 0)
    .map((j) => ({ kind: 'ready' as const, ...about(j), customer: j.customer, dueAt: j.dueAt }));
  const falls = jobs.flatMap((j) => (isOut(j) && j.worst ? [{ kind: 'short' as const, ...about(j), finding: j.worst }] : []));
  const goes = jobs
    .flatMap((j) =>
      isOut(j) && j.dueAt !== null && j.dueAt < endOfDay
        ? [{ kind: 'goes' as const, ...about(j), quantity: j.quantity, pieces: j.pieces, dueAt: j.dueAt, ready: j.readyAt <= now }]
        : [],
    )
    .sort((a, b) => a.dueAt - b.dueAt);
  const order = [...shorts]
    .sort((a, b) => a.orderByAt - b.orderByAt)
    .map((s) => ({ kind: 'order' as const, ...s, late: s.orderByAt < now + DAY_S }));
  return [...late, ...gates, ...blocked, ...children, ...order, ...ready, ...falls, ...goes];
}
