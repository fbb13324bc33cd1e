import { leastMoney } from './bound';
import { check } from './check';
import { dispatchBest } from './dispatch';
import { improve } from './improve';
import { inOrder, judge, judged, layingOf } from './judge';
import { piecesOf } from './pieces';
import { moneyOf, type Problem } from './problem';
import { randomBoard } from './random-board.fixture';
import { seeded } from '../quantity/seeded';

const small = { jobs: 8, steps: 5, machines: 6, load: 0.9, tightness: 0.6 };

describe('a board', () => {
  it('laid in any order holds, by a validator that shares no code with what lays it', () => {
    for (let seed = 1; seed <= 300; seed++) {
      const p = randomBoard({ ...small, seed, everything: true });
      const random = seeded(seed);
      const order = Object.keys(p.work).sort(() => random() - 0.5);
      const on = Object.fromEntries(
        Object.entries(p.work).map(([id, w]) => [id, w.ways[Math.floor(random() * w.ways.length)]?.machine ?? '']),
      );
      const made = judge(p, order, on);
      const { wrong, breaches } = check(p, made.bars);
      expect({ seed, wrong }).toEqual({ seed, wrong: [] });
      // What is broken with a reason is said by both alike.
      const said = (all: typeof breaches): string[] => all.map((b) => `${b.code} ${b.work} ${b.byS}`).sort();
      expect({ seed, said: said(made.breaches) }).toEqual({ seed, said: said(breaches) });
    }
  });
  it('is bettered, the same for a seed, to the bit taken back, and still holds', () => {
    for (let seed = 1; seed <= 5; seed++) {
      const p = randomBoard({ ...small, seed, everything: true });
      const run = () => {
        const of = piecesOf(p);
        const laying = layingOf(of, p);
        const rules = dispatchBest(laying);
        improve(laying, seed, 4_000);
        const total = laying.total;
        laying.layAll(laying.order());
        expect(laying.total).toBeCloseTo(total, 6);
        return { best: Math.min(...rules.map((r) => r.total)), total, made: judged(p, of, laying.list) };
      };
      const [one, other] = [run(), run()];
      expect(other).toEqual(one);
      expect(one.total).toBeLessThanOrEqual(one.best);
      expect(check(p, one.made.bars).wrong).toEqual([]);
      expect(moneyOf(one.made.money)).toBeLessThanOrEqual(one.total + 1e-6);
    }
  });
});

describe('a large board', () => {
  it('is bettered stretch by stretch, judged by the whole, the same for a seed, and holds', () => {
    for (const [everything, moves, atMost] of [
      [false, 6_000, 0.99],
      [true, 1_000, 1],
    ] as const) {
      const p = randomBoard({ jobs: 52, steps: 8, machines: 12, load: 1, tightness: 1, seed: 3, everything });
      const run = () => {
        const of = piecesOf(p);
        const laying = layingOf(of, p);
        const best = Math.min(...dispatchBest(laying).map((r) => r.total));
        const told: number[] = [];
        const { total } = improve(laying, 3, moves, (s) => told.push(s.total) > 0);
        expect(laying.total).toBe(total);
        laying.layAll(laying.order());
        expect(laying.total).toBeCloseTo(total, 6);
        return { best, total, told, bars: judged(p, of, laying.list).bars };
      };
      const [one, other] = [run(), run()];
      expect(other).toEqual(one);
      expect(one.total).toBeLessThan(atMost * one.best);
      expect(one.told).toEqual([...one.told].sort((a, b) => b - a));
      expect(check(p, one.bars).wrong).toEqual([]);
    }
  });
});

describe('the least money', () => {
  it('is never more than a board that is found comes to', () => {
    let some = 0;
    for (let seed = 1; seed <= 20; seed++) {
      const p = randomBoard({ ...small, seed, everything: seed % 2 === 0 });
      const laying = layingOf(piecesOf(p), p);
      dispatchBest(laying);
      expect(leastMoney(p)).toBeLessThanOrEqual(laying.total);
      if (leastMoney(p) > 0) some++;
    }
    // Tight dates are missed by some jobs even alone.
    expect(some).toBeGreaterThan(10);
  });
});

describe('a small board', () => {
  /** All orders in which everything comes after what it needs. */
  function* orders(p: Problem, laid: string[] = []): Generator<string[]> {
    const left = Object.keys(p.work).filter((id) => !laid.includes(id));
    if (left.length === 0) yield laid;
    for (const id of left) if (p.work[id]!.links.every((l) => laid.includes(l.of))) yield* orders(p, [...laid, id]);
  }
  function* ways(p: Problem, ids = Object.keys(p.work)): Generator<Record<string, string>> {
    const [first, ...rest] = ids;
    if (first === undefined) yield {};
    else for (const on of ways(p, rest)) for (const { machine } of p.work[first]!.ways) yield { ...on, [first]: machine };
  }
  it('is found as good as by trying every order on every machine', () => {
    const gaps: number[] = [];
    for (let seed = 1; seed <= 8; seed++) {
      const p = randomBoard({ jobs: 3, steps: 2, machines: 4, load: 1, tightness: 0.5, seed });
      const of = piecesOf(p);
      const laying = layingOf(of, p);
      let least = Infinity;
      for (const on of ways(p))
        for (const order of orders(p)) {
          laying.layAll(inOrder(of.pieces, order, on));
          least = Math.min(least, laying.total);
        }
      dispatchBest(laying);
      improve(laying, 1, 6_000);
      gaps.push(laying.total / least - 1);
    }
    expect(Math.min(...gaps)).toBeGreaterThan(-1e-9);
    expect(gaps.filter((gap) => gap < 1e-9).length).toBeGreaterThanOrEqual(7);
    expect(Math.max(...gaps)).toBeLessThan(0.02);
  });
});

describe('a move', () => {
  it('lays what it touches as the whole is laid, and is taken back to the bit', () => {
    const p = randomBoard({ ...small, seed: 3, everything: true });
    const laying = layingOf(piecesOf(p), p);
    dispatchBest(laying);
    const random = seeded(5);
    const below = (n: number): number => Math.floor(random() * n);
    const bits = (): string =>
      JSON.stringify(laying.list.map((x) => [x.id, x.way.machine.id, x.prev?.id, x.next?.id, x.runAt, x.endAt, x.start, x.end, x.cost]));
    let moved = 0;
    for (let i = 0; i < 400; i++) {
      const [piece, other] = [laying.list[below(laying.list.length)]!, laying.list[below(laying.list.length)]!];
      const [before, total] = [bits(), laying.total];
      if (!laying.moveBeside(piece, other, below(2) === 0 ? 'before' : 'behind', piece.ways[below(piece.ways.length)])) continue;
      moved++;
      if (below(2) === 0) {
        laying.undo();
        expect([bits(), laying.total]).toEqual([before, total]);
        continue;
      }
      const [after, made] = [bits(), laying.total];
      laying.layAll(laying.order());
      expect(bits()).toBe(after);
      expect(laying.total).toBeCloseTo(made, 6);
    }
    expect(moved).toBeGreaterThan(100);
  });
});
