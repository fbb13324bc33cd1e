import { type Crease, type DieLine, type HingeKind, MOST_LINES } from '../product/die-line/die-line';
import { outerBorders } from '../product/die-line/faces';
import { pathBox, pathLength, type Point } from '../product/die-line/points';
import { xmlText } from '../scene/scene-svg';

/** What a line of a die file means. */
export const LINE_KINDS = ['cut', 'crease', 'perforation', 'halfCut', 'glue', 'leave'] as const;
export type LineKind = (typeof LINE_KINDS)[number];

/** Lines of one kind, in mm, as a file for a die maker names them: one layer a kind. */
export interface DieLayer {
  kind: Exclude<LineKind, 'leave'>;
  paths: { points: Point[]; closed: boolean }[];
}

/** A die line as layers: cut round and in slits, creased, perforated, cut half through, and where glue lies. */
export function dieLayers({ outline, slits, creases, joints }: DieLine): DieLayer[] {
  const of = (kind: HingeKind): DieLayer => ({
    kind,
    paths: creases.filter((c) => (c.kind ?? 'crease') === kind).map((c) => ({ points: [c.from, c.to], closed: false })),
  });
  const layers: DieLayer[] = [
    { kind: 'cut', paths: [{ points: outline, closed: true }, ...slits.map((points) => ({ points: [...points], closed: false }))] },
    of('crease'),
    of('perforation'),
    of('halfCut'),
    { kind: 'glue', paths: joints.map((j) => ({ points: j.region, closed: true })) },
  ];
  return layers.filter((l) => l.paths.length > 0);
}

/** Rules of a die, one a straight line: what it does, from where to where, and how long; in hundredths of a millimetre. Glue is no rule. */
export const ruleRows = (layers: readonly DieLayer[]): Record<string, string | number>[] =>
  layers
    .filter((l) => l.kind !== 'glue')
    .flatMap(({ kind, paths }) =>
      paths.flatMap(({ points, closed }) => {
        const [first] = points;
        const ends = closed && first ? [...points, first] : points;
        return ends.slice(1).map((to, i) => ({ kind, from: ends[i] as Point, to }));
      }),
    )
    .map(({ kind, from, to }, i) => ({
      rule: i + 1,
      kind,
      'from x mm': hundredths(from[0]),
      'from y mm': hundredths(from[1]),
      'to x mm': hundredths(to[0]),
      'to y mm': hundredths(to[1]),
      'length mm': hundredths(pathLength([from, to], false)),
    }));
const hundredths = (mm: number): number => Math.round(mm * 100) / 100;

/** A layer of a file as it was read: points in the unit of the file. */
export interface RawLayer {
  name: string;
  paths: Point[][];
}
/** What a layer most likely holds, by its name; what says nothing is left aside until somebody says. */
export function guessedKind(name: string): LineKind {
  const found = (
    [
      ['perforation', /perf/i],
      ['halfCut', /half|kiss/i],
      ['crease', /creas|score|fold/i],
      ['glue', /glue|adhes/i],
      ['cut', /cut|outline|knife|blank|^0$/i],
    ] as const
  ).find(([, names]) => names.test(name));
  return found?.[0] ?? 'leave';
}

/** Ends that lie so far apart are drawn together: nobody sees the gap, a die maker closes it. */
export const HEALED_MM = 0.1;

export type DieLineRead =
  | { ok: true; die: DieLine; healed: number; left: number }
  | { ok: false; why: 'tooMany' | 'nothing' | 'open' | 'crosses' | 'several' | 'narrow'; args: Record<string, number> };

/**
 * A die line from the layers of a file: the border of what is cut becomes the outline, cuts inside it slits; ends up to a tenth of a millimetre apart are
 * drawn together, and counted. Refused is what has no border, more than one, or one that crosses itself, and what is narrower than a rule.
 */
export function dieLineOf(layers: readonly RawLayer[], kinds: Readonly<Record<string, LineKind>>, unitMm: number): DieLineRead {
  const lines = layers.flatMap(({ name, paths }) => {
    const kind = Object.hasOwn(kinds, name) ? (kinds[name] ?? 'leave') : 'leave';
    return paths.flatMap((path) =>
      path.slice(1).map((to, i) => {
        const from = path[i] as Point;
        return { kind, from: [from[0] * unitMm, from[1] * unitMm] as Point, to: [to[0] * unitMm, to[1] * unitMm] as Point };
      }),
    );
  });
  if (lines.length > MOST_LINES) return { ok: false, why: 'tooMany', args: { lines: lines.length, most: MOST_LINES } };
  const left = lines.filter((l) => l.kind === 'leave').length;
  const { ends, healed } = drawnTogether(lines.filter((l) => l.kind !== 'leave').flatMap((l) => [l.from, l.to]));
  const healedLines = lines.flatMap(({ kind, from, to }) => (kind === 'leave' ? [] : [{ kind, from: ends(from), to: ends(to) }]));
  const cuts = healedLines
    .filter((l) => l.kind === 'cut' && pathLength([l.from, l.to], false) > 0)
    .map((l): [Point, Point] => [l.from, l.to]);
  if (cuts.length === 0) return { ok: false, why: 'nothing', args: {} };
  const [outline, ...others] = outerBorders(cuts);
  if (!outline) return { ok: false, why: 'open', args: gapOf(cuts) };
  const corners = new Set(outline.map(String));
  if (corners.size < outline.length) return { ok: false, why: 'crosses', args: {} };
  if (others.some((o) => !isWithin(o, outline))) return { ok: false, why: 'several', args: { pieces: others.length + 1 } };
  const onBorder = borderTest(outline);
  const creases = healedLines.flatMap(({ kind, from, to }): Crease[] =>
    kind === 'crease' || kind === 'perforation' || kind === 'halfCut'
      ? [{ class: 'body', from, to, ...(kind !== 'crease' && { kind }) }]
      : [],
  );
  const glued = outerBorders(healedLines.filter((l) => l.kind === 'glue').map((l): [Point, Point] => [l.from, l.to]));
  const joints = glued.map((region) => ({ kind: 'seam' as const, region }));
  const die: DieLine = { outline, slits: cuts.filter((c) => !onBorder(c)), creases, joints };
  const narrow = Math.min(spanOf(outline, 0), spanOf(outline, 1));
  return narrow < 1 ? { ok: false, why: 'narrow', args: { mm: narrow } } : { ok: true, die: atOrigin(die), healed, left };
}

/** Each end as the first of those that lie about it; how many were moved. */
function drawnTogether(points: readonly Point[]): { ends: (p: Point) => Point; healed: number } {
  const cells = new Map<string, Point[]>();
  const cellOf = (v: number): number => Math.floor(v / HEALED_MM);
  const first = new Map<string, Point>();
  let healed = 0;
  for (const p of points) {
    if (first.has(String(p))) continue;
    const [cx, cy] = [cellOf(p[0]), cellOf(p[1])];
    const near = [-1, 0, 1]
      .flatMap((i) => [-1, 0, 1].flatMap((j) => cells.get(`${cx + i} ${cy + j}`) ?? []))
      .find((q) => pathLength([p, q], false) <= HEALED_MM);
    if (near && pathLength([p, near], false) > 1e-4) healed++;
    first.set(String(p), near ?? p);
    if (!near) cells.set(`${cx} ${cy}`, [...(cells.get(`${cx} ${cy}`) ?? []), p]);
  }
  return { ends: (p) => first.get(String(p)) ?? p, healed };
}

/** Where an outline is open: how far its nearest loose ends lie apart. */
function gapOf(cuts: readonly [Point, Point][]): Record<string, number> {
  const ends = new Map<string, { p: Point; n: number }>();
  for (const p of cuts.flat()) {
    const known = ends.get(String(p));
    if (known) known.n++;
    else ends.set(String(p), { p, n: 1 });
  }
  const loose = [...ends.values()].filter((e) => e.n === 1).map((e) => e.p);
  const gaps = loose.flatMap((p, i) => loose.slice(i + 1).map((q) => ({ mm: pathLength([p, q], false), x: p[0], y: p[1] })));
  const least = gaps.sort((a, b) => a.mm - b.mm)[0];
  return least ? { mm: Math.round(least.mm * 100) / 100, x: Math.round(least.x * 10) / 10, y: Math.round(least.y * 10) / 10 } : {};
}

const spanOf = (points: readonly Point[], axis: 0 | 1): number =>
  Math.max(...points.map((p) => p[axis])) - Math.min(...points.map((p) => p[axis]));
/** Whether one border lies in the box of another: a window in a blank. */
const isWithin = (inner: readonly Point[], outer: readonly Point[]): boolean =>
  ([0, 1] as const).every(
    (k) =>
      Math.min(...inner.map((p) => p[k])) >= Math.min(...outer.map((p) => p[k])) - HEALED_MM &&
      Math.max(...inner.map((p) => p[k])) <= Math.max(...outer.map((p) => p[k])) + HEALED_MM,
  );
/** Whether a cut is a stretch of the border, which slits that end on it may part. */
function borderTest(outline: readonly Point[]): (cut: readonly [Point, Point]) => boolean {
  const at = new Map(outline.map((p, i) => [String(p), i]));
  /** Whether the way along the border from one corner to another is one straight line. */
  const isAlong = (from: Point, to: Point): boolean => {
    const [start, end] = [at.get(String(from)), at.get(String(to))];
    if (start === undefined || end === undefined) return false;
    const steps = (end - start + outline.length) % outline.length;
    const way = Array.from({ length: steps + 1 }, (_, i) => outline[(start + i) % outline.length] as Point);
    return Math.abs(pathLength(way, false) - pathLength([from, to], false)) < 1e-4;
  };
  return ([from, to]) => isAlong(from, to) || isAlong(to, from);
}

/** The lower left corner of the outline at 0. */
function atOrigin({ outline, slits, creases, joints }: DieLine): DieLine {
  const [left, low] = [Math.min(...outline.map((p) => p[0])), Math.min(...outline.map((p) => p[1]))];
  const move = ([x, y]: Point): Point => [x - left, y - low];
  return {
    outline: outline.map(move),
    slits: slits.map(([a, b]): [Point, Point] => [move(a), move(b)]),
    creases: creases.map((c) => ({ ...c, from: move(c.from), to: move(c.to) })),
    joints: joints.map((j) => ({ ...j, region: j.region.map(move) })),
  };
}

/** Layers as SVG in millimetres, a group a kind; it runs downwards, die lines upwards. */
export function dieLinesSvg(name: string, layers: readonly DieLayer[]): string {
  const all = layers.flatMap((l) => l.paths.flatMap((p) => p.points));
  const [left, top] = [Math.min(...all.map((p) => p[0])), Math.max(...all.map((p) => p[1]))];
  const [w, h] = pathBox(all);
  const n = (mm: number): string => String(Math.round(mm * 10_000) / 10_000);
  const drawn = ({ points, closed }: DieLayer['paths'][number]): string =>
    `<path d="M${points.map(([x, y]) => `${n(x - left)} ${n(top - y)}`).join('L')}${closed ? 'Z' : ''}"/>`;
  const groups = layers.map((l) => `<g id="${l.kind}" stroke="${STROKE[l.kind]}">${l.paths.map(drawn).join('')}</g>`);
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${n(w)}mm" height="${n(h)}mm" viewBox="0 0 ${n(w)} ${n(h)}" fill="none" stroke-width="0.25"><title>${xmlText(name)}</title>${groups.join('')}</svg>`;
}
/** As the drawings on paper have them. */
const STROKE: Readonly<Record<DieLayer['kind'], string>> = {
  cut: '#B4371F',
  crease: '#1B6A63',
  perforation: '#8A5E00',
  halfCut: '#676257',
  glue: '#D9A48F',
};
