import type { Id } from '../quantity/figure';
import { inkLightness } from '../ink/ink-order';
import type { At, Bar, Breach, Lane, Link, Problem, Way, Work } from './problem';

/* A board tried from its bars alone. It shares no code with what lays them: a mistake there is found here. */

/** What is wrong with a board: what overlaps, comes too soon, lies in closed hours, lasts another time than it must. Empty: it may be worked. */
export interface Wrong {
  work: Id<'work'>;
  what: string;
}
export interface Checked {
  wrong: readonly Wrong[];
  breaches: readonly Breach[];
}

/**
 * Walks the bars of a board: each on a machine it may go to, in open hours only and in one block, as long as its change-over, make-ready and run; none over another
 * on a machine of one place; links, waits and batches, gates, people, pins. What may be broken with a reason is a breach; what may never be is wrong.
 *
 * Method: open hours walked interval by interval, batch by batch where one follows another, people counted at every beginning. Source: the rules of time of the board.
 */
export function check(p: Problem, bars: readonly Bar[]): Checked {
  const [wrong, breaches]: [Wrong[], Breach[]] = [[], []];
  const barOf = new Map(bars.map((b) => [b.work, b]));
  for (const [id, work] of Object.entries(p.work)) {
    const bar = barOf.get(id);
    if (work.state === 'done') continue;
    if (!bar) {
      if (work.ways.some((w) => w.machine in p.lanes)) wrong.push({ work: id, what: 'is not on the board' });
      else breaches.push({ code: 'noWay', work: id, byS: 0 });
      continue;
    }
    checkBar(p, id, work, bar, wrong, breaches);
    if (work.state !== 'running') for (const link of work.links) checkLink(p, id, link, barOf, wrong, breaches);
  }
  for (const [machine, lane] of Object.entries(p.lanes))
    checkLane(
      p,
      lane,
      bars.filter((b) => b.machine === machine),
      wrong,
    );
  checkHands(p, bars, wrong, breaches);
  return { wrong, breaches };
}

const wayOn = (work: Work, machine: string): Way | undefined => work.ways.find((w) => w.machine === machine);

/** Hours of a machine from the moment of the board on: the last that is known runs on for ever. */
function hoursOf(lane: Lane, asOf: At): [At, At][] {
  const known = lane.open.filter(([from, to]) => to > asOf && to > from).map(([from, to]): [At, At] => [Math.max(from, asOf), to]);
  const last = known.pop() ?? [asOf, asOf];
  return [...known, [last[0], Infinity]];
}
/** Open seconds between two moments. */
const openWithin = (hours: readonly [At, At][], from: At, to: At): number =>
  hours.reduce((sum, [a, b]) => sum + Math.max(0, Math.min(b, to) - Math.max(a, from)), 0);
/** The moment at which so many open seconds have passed since another. */
function openLater(hours: readonly [At, At][], from: At, s: number): At {
  let left = s;
  for (const [a, b] of hours) {
    const begin = Math.max(a, from);
    if (begin >= b) continue;
    if (begin + left <= b) return begin + left;
    left -= b - begin;
  }
  return Infinity;
}

function checkBar(p: Problem, id: string, work: Work, bar: Bar, wrong: Wrong[], breaches: Breach[]): void {
  const say = (what: string): void => void wrong.push({ work: id, what });
  const [lane, way] = [p.lanes[bar.machine], wayOn(work, bar.machine)];
  if (!lane || !way) return say('is on a machine it may not go to');
  if (work.state === 'running') {
    if (bar.start !== (work.startedAt ?? p.asOf)) say('runs, and was moved');
    return;
  }
  const hours = hoursOf(lane, p.asOf);
  const changeS = bar.changes.reduce((sum, c) => sum + c.s, 0);
  if (bar.start < p.asOf) say('begins before now');
  if (openWithin(hours, bar.start, bar.end) !== changeS + way.makeReadyS + way.runS) say('does not last as long as its work');
  if (openWithin(hours, bar.start, bar.makeReadyAt) !== changeS || openWithin(hours, bar.makeReadyAt, bar.runAt) !== way.makeReadyS)
    say('has its make-ready elsewhere');
  if (openWithin(hours, bar.start, bar.start + 1) !== 1 && way.runS + way.makeReadyS + changeS > 0) say('begins in closed hours');
  if (work.inOneGo && !hours.some(([a, b]) => bar.runAt >= a && bar.end <= b)) say('pauses, and may not');
  for (const gate of work.gates) if ((gate.holds === 'run' ? bar.runAt : bar.makeReadyAt) < gate.at) say(`does not wait for ${gate.key}`);
  if (bar.start < lane.freeAt) say('begins before its machine is free');
  const known = lane.open.at(-1)?.[1] ?? p.asOf;
  if (bar.end > known) breaches.push({ code: 'hours', work: id, byS: bar.end - Math.max(known, p.asOf) });
  const { pin } = work;
  if (!pin) return;
  if (pin.notBefore !== undefined && bar.start < pin.notBefore) say('begins before its pin');
  if (pin.start !== undefined && bar.start !== pin.start) {
    if (bar.start < pin.start) say('begins before its pin');
    else breaches.push({ code: 'pin', work: id, byS: bar.start - pin.start });
  }
  const isOther = (pin.on !== undefined && bar.machine !== pin.on) || (pin.notOn ?? []).includes(bar.machine);
  if (isOther) breaches.push({ code: 'pin', work: id, byS: 0 });
}

function checkLink(p: Problem, id: string, link: Link, barOf: ReadonlyMap<string, Bar>, wrong: Wrong[], breaches: Breach[]): void {
  const [maker, made, bar, work] = [p.work[link.of], barOf.get(link.of), barOf.get(id), p.work[id]];
  if (!maker || !bar || !work) return;
  const late = (what: string): void => void wrong.push({ work: id, what });
  const end = maker.state === 'done' ? maker.endedAt : made?.end;
  if (end === undefined) return;
  const holds = { forms: bar.makeReadyAt, pieces: bar.runAt, order: bar.start }[link.by];
  const whole = link.by !== 'pieces' || link.batch === undefined || link.batch >= maker.pieces || maker.state === 'done';
  if (whole) {
    if (holds < end + link.waitS) late(`begins before ${link.of} is done and has waited`);
    else if (link.longestS !== undefined && holds - end > link.longestS && maker.state !== 'done')
      breaches.push({ code: 'longestWait', work: id, with: link.of, byS: holds - end - link.longestS });
    return;
  }
  const [mine, theirs] = [wayOn(work, bar.machine), made && wayOn(maker, made.machine)];
  const [lane, from] = [p.lanes[bar.machine], made && p.lanes[made.machine]];
  if (!mine || !theirs || !lane || !from || !made) return;
  const [hours, makerHours] = [hoursOf(lane, p.asOf), hoursOf(from, p.asOf)];
  // Where it runs already its run is reckoned back from its end.
  const behind = maker.state === 'running' ? theirs.runS - openWithin(makerHours, p.asOf, made.end) : 0;
  const makerRuns = maker.state === 'running' ? p.asOf : made.runAt;
  for (let k = 1; (k - 1) * (link.batch ?? 0) < maker.pieces; k++) {
    const upTo = Math.min(k * (link.batch ?? 0), maker.pieces);
    const madeS = Math.ceil((upTo * theirs.runS) / maker.pieces - 1e-6) - behind;
    const done = madeS <= 0 ? p.asOf : openLater(makerHours, makerRuns, madeS);
    const reachedS = Math.floor(((k - 1) * (link.batch ?? 0) * mine.runS) / maker.pieces + 1e-6);
    // It may take the batch in the first open second from then on.
    if (openWithin(hours, bar.runAt, Math.max(done + link.waitS, bar.runAt)) > reachedS) return late(`runs dry behind ${link.of}`);
  }
}

function checkLane(p: Problem, lane: Lane, bars: Bar[], wrong: Wrong[]): void {
  const sorted = [...bars].sort((a, b) => a.start - b.start || a.end - b.end);
  for (const bar of sorted) {
    const atOnce = sorted.filter((b) => b.start <= bar.start && b.end > bar.start).length;
    if (bar.end > bar.start && atOnce > lane.places) wrong.push({ work: bar.work, what: 'lies over another' });
  }
  if (lane.places > 1) return;
  const stands: Record<string, string> = { ...lane.keys };
  for (const bar of sorted) {
    const wants = p.work[bar.work]?.keys ?? {};
    let s = 0;
    for (const c of lane.change) {
      const [from, to] = [stands[c.key], wants[c.key]];
      if (to === undefined || to === '' || from === to) continue;
      if (from === undefined) s += c.isSet === true ? c.s : 0;
      else s += c.lighterS !== undefined && inkLightness(to) > inkLightness(from) ? c.lighterS : c.s;
    }
    if (p.work[bar.work]?.state !== 'running' && s !== bar.changes.reduce((sum, c) => sum + c.s, 0))
      wrong.push({ work: bar.work, what: 'is changed over in another time' });
    Object.assign(stands, wants);
  }
}

/** People: at every beginning of a bar or an hour no more at work than are there, but where more are wanted than there ever are. */
function checkHands(p: Problem, bars: readonly Bar[], wrong: Wrong[], breaches: Breach[]): void {
  for (const crew of Object.values(p.crews)) {
    const thereAt = (at: At): number => crew.present.reduce((sum, [a, b, hands]) => (a <= at && b > at ? sum + hands : sum), 0);
    const most = Math.max(0, ...crew.present.map((c) => thereAt(c[0])));
    const until = Math.max(-Infinity, ...crew.present.map((c) => c[1]));
    const atWork = bars.flatMap((bar) => {
      const [work, lane] = [p.work[bar.work], p.lanes[bar.machine]];
      if (!work || !lane || !crew.of.includes(bar.machine)) return [];
      const hands = wayOn(work, bar.machine)?.hands ?? 0;
      if (hands > most && work.state !== 'running') {
        breaches.push({ code: 'hands', work: bar.work, byS: 0 });
        return [];
      }
      return hoursOf(lane, p.asOf).flatMap(([a, b]) => {
        const [from, to] = [Math.max(a, bar.start), Math.min(b, bar.end)];
        return to > from ? [{ from, to, hands, work: bar.work, runs: work.state === 'running' }] : [];
      });
    });
    const turns = [...atWork.map((a) => a.from), ...crew.present.flatMap(([a, b]) => [a, b])].filter((t) => t < until);
    for (const at of new Set(turns)) {
      const now = atWork.filter((a) => a.from <= at && a.to > at);
      const there = thereAt(at);
      const last = now.findLast((a) => !a.runs);
      if (last && now.reduce((sum, a) => sum + a.hands, 0) > there)
        wrong.push({ work: last.work, what: 'wants more people than are there' });
    }
  }
}
