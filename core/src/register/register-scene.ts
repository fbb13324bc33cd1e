import type { Scene, Shape } from '../scene/scene';
import type { Mark, Reading } from './reading';

export interface ColourRead {
  ink: string;
  readings: readonly Reading[];
}
const ROUND_SCALES = [10, 20, 50, 100, 200, 500, 1000] as const;

/**
 * How much the vectors are magnified so that the longest is about a seventh of the sheet.
 * @example vectorScale([{ ink: 'C', readings: [{ mark: 'm', dxMm: 0.1, dyMm: 0 }] }], [1000, 700]) // 1000
 */
export function vectorScale(colours: readonly ColourRead[], [widthMm, heightMm]: readonly [number, number], toleranceMm = 0): number {
  const longest = Math.max(1e-3, ...colours.flatMap((c) => c.readings.map((r) => Math.max(Math.abs(r.dxMm), Math.abs(r.dyMm)))));
  // A ring of the tolerance stands around each mark: neither may run into the next.
  const fits = Math.min(widthMm, heightMm) / 7 / Math.max(longest, toleranceMm);
  return ROUND_SCALES.filter((s) => s <= fits).at(-1) ?? ROUND_SCALES[0];
}

/** Where each colour lies at each mark: arrows, so many times as long as they are, on the sheet with its gripper edge below. A mark set aside is ringed. */
export function vectorScene(
  marks: readonly Mark[],
  colours: readonly ColourRead[],
  sheetMm: readonly [number, number],
  { toleranceMm, aside }: { toleranceMm: number; aside: readonly string[] },
): Scene {
  const [w, h] = sheetMm;
  const scale = vectorScale(colours, sheetMm, toleranceMm);
  const up = (y: number): number => h - y; // the gripper edge lies below
  const size = Math.min(w, h) / 34;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'sheet', x: 0, y: 0, w, h },
    { kind: 'rect', role: 'gripper', x: 0, y: h - 12, w, h: 12 },
  ];
  for (const m of marks) {
    const [x, y] = [m.xMm, up(m.yMm)];
    shapes.push(
      { kind: 'circle', role: 'dimension', cx: x, cy: y, r: Math.max(toleranceMm * scale, 1) },
      { kind: 'line', role: 'mark', x1: x - size, y1: y, x2: x + size, y2: y },
      { kind: 'line', role: 'mark', x1: x, y1: y - size, x2: x, y2: y + size },
      { kind: 'text', role: 'label', x: x + size, y: y - size, text: m.id, sizeMm: size },
    );
    if (aside.includes(m.id)) shapes.push({ kind: 'circle', role: 'cut', cx: x, cy: y, r: 2 * size, ref: `reading at ${m.id} set aside` });
  }
  for (const { ink, readings } of colours)
    for (const r of readings) {
      const m = marks.find((k) => k.id === r.mark);
      if (!m) continue;
      const [x, y] = [m.xMm, up(m.yMm)];
      shapes.push({
        kind: 'line',
        role: 'ink',
        ink,
        x1: x,
        y1: y,
        x2: x + scale * r.dxMm,
        y2: y - scale * r.dyMm,
        ref: `${ink} at ${r.mark}`,
      });
    }
  const bar = 0.1 * scale;
  shapes.push(
    { kind: 'line', role: 'dimension', x1: w - bar, y1: h + 4 * size, x2: w, y2: h + 4 * size },
    { kind: 'text', role: 'label', x: w - bar, y: h + 5.4 * size, text: '0.1 mm', sizeMm: size },
    { kind: 'text', role: 'label', x: 0, y: h + 5 * size, text: `vectors × ${scale}, gripper edge below`, sizeMm: size },
  );
  return {
    title: 'register',
    says: colours
      .map((c) => `${c.ink}: ${c.readings.map((r) => `${r.mark} ${r.dxMm.toFixed(3)} ${r.dyMm.toFixed(3)}`).join(', ')}`)
      .join('; '),
    box: { x: -6 * size, y: -6 * size, w: w + 12 * size, h: h + 12 * size },
    toScale: false,
    shapes,
  };
}

/** Millimetres the loupe shows, and how often they are magnified in its drawing. */
const LOUPE_MM = 2.4;
const LOUPE_TIMES = 40;

/** A mark through the loupe: the reference's cross in the middle, each colour's where it lies, a scale of twentieths of a millimetre. */
export function loupeScene(reference: string, colours: readonly { ink: string; dxMm: number; dyMm: number }[]): Scene {
  const side = LOUPE_MM * LOUPE_TIMES;
  const middle = side / 2;
  const cross = (ink: string, dx: number, dy: number, arm: number): Shape[] => {
    const [x, y] = [middle + dx * LOUPE_TIMES, middle - dy * LOUPE_TIMES];
    return [
      { kind: 'line', role: 'ink', ink, x1: x - arm, y1: y, x2: x + arm, y2: y, ref: ink },
      { kind: 'line', role: 'ink', ink, x1: x, y1: y - arm, x2: x, y2: y + arm, ref: ink },
    ];
  };
  const ticks = Array.from({ length: 41 }, (_, i) => i - 20).flatMap((i): Shape[] => {
    const at = middle + i * 0.05 * LOUPE_TIMES;
    const long = i % 10 === 0 ? 5 : i % 2 === 0 ? 3 : 1.8;
    return [
      { kind: 'line', role: 'dimension', x1: at, y1: side, x2: at, y2: side - long },
      { kind: 'line', role: 'dimension', x1: 0, y1: at, x2: long, y2: at },
    ];
  });
  return {
    title: 'loupe',
    says:
      `reference ${reference}; ` +
      colours.map((c) => `${c.ink} ${c.dxMm.toFixed(2)} to the right, ${c.dyMm.toFixed(2)} to the tail`).join('; '),
    box: { x: 0, y: 0, w: side, h: side },
    toScale: false,
    shapes: [
      { kind: 'circle', role: 'unit', cx: middle, cy: middle, r: middle - 0.5 },
      ...ticks,
      ...cross(reference, 0, 0, 26),
      ...colours.flatMap((c) => cross(c.ink, c.dxMm, c.dyMm, 22)),
      { kind: 'text', role: 'label', x: middle + 2, y: side - 6, text: '0.05 mm', sizeMm: 2.4 },
    ],
  };
}
