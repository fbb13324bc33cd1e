import type { RiverStone } from '@druckerei/core';

/** What of the river is drawn of a stone: how wide it comes in and leaves. */
export interface StoneWidths {
  in: number;
  out: number;
}
/** A stream between two stones: what leaves one and comes to the other, past those that stand between. */
interface Stream {
  from: number;
  to: number;
}
interface Lane {
  top: number;
  high: number;
}

/** The river as drawn: what is filled, its edges, and where each stone's own band lies. */
export interface DrawnRiver {
  fill: string;
  edges: string;
  bands: { in: Lane; out: Lane }[];
}

/** Shares of a column: a stone stands at its head, narrows in the middle, and what leaves it finds its lane in the rest. */
const NARROWS = 0.45;
const LEAVES = 0.7;
/** Lanes that lie beside each other stand so far apart, in the drawing's own units. */
const APART = 5;

type Linked = Pick<RiverStone, 'id' | 'counted' | 'from'>;
const streamsOf = (stones: readonly Linked[]): Stream[] =>
  stones.flatMap(({ from }, to) => from.map((id) => ({ from: stones.findIndex((s) => s.id === id), to })).filter((s) => s.from >= 0));

/** How wide a stream leaves: of what leaves its stone the share that it comes to takes. */
function widthsOf(streams: readonly Stream[], widths: readonly StoneWidths[]): (s: Stream) => number {
  return (s) => {
    const sisters = streams.filter((o) => o.from === s.from);
    const all = sisters.reduce((sum, o) => sum + (widths[o.to]?.in ?? 0), 0);
    return (widths[s.from]?.out ?? 0) * (all > 0 ? (widths[s.to]?.in ?? 0) / all : 1 / sisters.length);
  };
}
const passing = (streams: readonly Stream[], i: number): Stream[] => streams.filter((s) => s.from < i && i < s.to);

/** Units of the drawing a copy, so that each of some rivers over the same stones fits a height: they lie over each other to one scale. */
export function riverScale(stones: readonly Linked[], rivers: readonly (readonly StoneWidths[])[], high: number): number {
  const streams = streamsOf(stones);
  const past = stones.map((_, i) => passing(streams, i));
  const beside = Math.max(0, ...stones.map(({ counted }, i) => (counted ? 0 : -1) + (past[i]?.length ?? 0)));
  const widest = rivers.map((widths) => {
    const leaves = widthsOf(streams, widths);
    return Math.max(
      0,
      ...stones.map(({ counted }, i) => (counted ? (widths[i]?.in ?? 0) : 0) + (past[i] ?? []).reduce((sum, s) => sum + leaves(s), 0)),
    );
  });
  return Math.max(high - beside * APART, high / 2) / Math.max(...widest, 1e-9);
}

/**
 * Lays a river of stones in columns: every stone's own band, and beside it the streams that pass it on their way to a later stone. Where a sheet is parted into
 * orders the river parts; where parts are joined it joins. What leaves a stone is shared by the streams as what they come to takes.
 *
 * @param scale units of the drawing a copy
 */
export function layRiver(
  stones: readonly Linked[],
  widths: readonly StoneWidths[],
  size: { wide: number; middle: number; scale: number },
): DrawnRiver {
  const streams = streamsOf(stones);
  const w = size.wide / Math.max(stones.length, 1);
  const leaves = widthsOf(streams, widths);
  const past = stones.map((_, i) => passing(streams, i));
  const { scale } = size;
  /** Lanes of a column, from above: the stone's own first, then those that pass in the order of where they go. */
  const columns = stones.map((stone, i) => {
    const lanes: { key: Stream | 'own'; high: number }[] = [
      ...(stone.counted ? [{ key: 'own' as const, high: (widths[i]?.in ?? 0) * scale }] : []),
      ...[...(past[i] ?? [])].sort((a, b) => a.to - b.to).map((s) => ({ key: s, high: leaves(s) * scale })),
    ];
    const total = lanes.reduce((sum, l) => sum + l.high, 0) + Math.max(lanes.length - 1, 0) * APART;
    let top = size.middle - total / 2;
    return new Map(
      lanes.map(({ key, high }) => {
        const lane: Lane = { top, high };
        top += high + APART;
        return [key, lane] as const;
      }),
    );
  });
  const bands = stones.map((_, i) => {
    const own = columns[i]?.get('own') ?? { top: size.middle, high: 0 };
    const high = (widths[i]?.out ?? 0) * scale;
    return { in: own, out: { top: own.top + (own.high - high) / 2, high } };
  });
  const shapes: [number, Lane][][] = [];
  stones.forEach((stone, i) => {
    const band = bands[i];
    if (!stone.counted || !band) return;
    const ends = streams.some((s) => s.from === i) ? [] : ([[(i + 1) * w, band.out]] as [number, Lane][]);
    shapes.push([[i * w, band.in], [(i + NARROWS) * w, band.in], [(i + LEAVES) * w, band.out], ...ends]);
  });
  for (const s of streams) {
    const between = Array.from({ length: s.to - s.from - 1 }, (_, k) => s.from + 1 + k).flatMap((c): [number, Lane][] => {
      const lane = columns[c]?.get(s);
      return lane
        ? [
            [c * w, lane],
            [(c + LEAVES) * w, lane],
          ]
        : [];
    });
    shapes.push([
      [
        (s.from + LEAVES) * w,
        part(
          bands[s.from]?.out,
          streams.filter((o) => o.from === s.from),
          s,
          leaves,
        ),
      ],
      ...between,
      [
        s.to * w,
        part(
          bands[s.to]?.in,
          streams.filter((o) => o.to === s.to),
          s,
          leaves,
        ),
      ],
    ]);
  }
  return { fill: shapes.map(filled).join(''), edges: shapes.map(edged).join(''), bands };
}

/** The part of a band that a stream has: bands are shared from above in the order of where streams go and come from. */
function part(band: Lane | undefined, sisters: readonly Stream[], mine: Stream, wide: (s: Stream) => number): Lane {
  if (!band) return { top: 0, high: 0 };
  const sorted = [...sisters].sort((a, b) => a.to - b.to || a.from - b.from);
  const all = sorted.reduce((sum, s) => sum + wide(s), 0);
  const share = (s: Stream): number => (all > 0 ? wide(s) / all : 1 / sorted.length);
  const before = sorted.slice(0, sorted.indexOf(mine)).reduce((sum, s) => sum + share(s), 0);
  return { top: band.top + band.high * before, high: band.high * share(mine) };
}

const point = ([x, y]: [number, number]): string => `${Math.round(x * 100) / 100} ${Math.round(y * 100) / 100}`;
const line = (points: [number, number][]): string => points.map(point).join('L');
const upper = (shape: readonly [number, Lane][]): [number, number][] => shape.map(([x, { top }]) => [x, top]);
const lower = (shape: readonly [number, Lane][]): [number, number][] => shape.map(([x, { top, high }]) => [x, top + high]);
const filled = (shape: readonly [number, Lane][]): string => `M${line([...upper(shape), ...lower(shape).reverse()])}Z`;
const edged = (shape: readonly [number, Lane][]): string => `M${line(upper(shape))}M${line(lower(shape))}`;
