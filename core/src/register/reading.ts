import * as z from 'zod';

/** A register mark on the sheet: x from the left edge across the press, y from the gripper edge towards the tail. */
export interface Mark {
  id: string;
  xMm: number;
  yMm: number;
}
/** Where a colour lies at a mark, against the reference colour: dx to the right, dy to the tail. */
export interface Reading {
  mark: string;
  dxMm: number;
  dyMm: number;
}
/** From here on a reading is taken for one in the wrong unit: nobody has misregister of more, and a pull so far off shows it without a loupe. */
export const QUESTIONED_MM = 5;
/** Marks nearer than this stand at the same place. */
export const SAME_PLACE_MM = 1;
export const MARKS = { min: 1, max: 200 } as const;

const place = z.number().min(0, 'lies off the sheet').max(5_000, 'lies off any sheet');
export const MarkSchema = z.strictObject({
  id: z.string().trim().min(1, 'names the mark').max(20),
  xMm: place,
  yMm: place,
}) satisfies z.ZodType<Mark>;
const off = z
  .number()
  .min(-QUESTIONED_MM, `is more than ${QUESTIONED_MM} mm: was it read in another unit?`)
  .max(QUESTIONED_MM, `is more than ${QUESTIONED_MM} mm: was it read in another unit?`);
export const ReadingSchema = z.strictObject({ mark: z.string().trim().min(1).max(20), dxMm: off, dyMm: off }) satisfies z.ZodType<Reading>;

/** Marks of a sheet, each name once and each place once. */
export const MarksSchema = z
  .array(MarkSchema)
  .min(MARKS.min, 'needs a mark')
  .max(MARKS.max, `holds more than ${MARKS.max} marks`)
  .superRefine((marks, cx) => {
    marks.forEach((m, i) => {
      const before = marks.slice(0, i);
      if (before.some((b) => b.id === m.id)) cx.addIssue({ code: 'custom', path: [i, 'id'], message: `names ${m.id} twice` });
      const twin = before.find((b) => Math.abs(b.xMm - m.xMm) < SAME_PLACE_MM && Math.abs(b.yMm - m.yMm) < SAME_PLACE_MM);
      if (twin) cx.addIssue({ code: 'custom', path: [i, 'xMm'], message: `lies where ${twin.id} lies` });
    });
  });

/**
 * Eight marks of a sheet: corners and middles of the sides, a little in from the edges.
 * @example usualMarks([1000, 700]).length // 8
 */
export function usualMarks([widthMm, heightMm]: readonly [number, number], inMm = 10): Mark[] {
  const [x, y] = [
    [inMm, widthMm / 2, widthMm - inMm],
    [inMm, heightMm / 2, heightMm - inMm],
  ] as const;
  const names = ['G', 'M', 'T'] as const; // gripper, middle, tail
  return y.flatMap((yMm, row) =>
    x.flatMap((xMm, col) => (row === 1 && col === 1 ? [] : [{ id: `${names[row] ?? ''}${col + 1}`, xMm, yMm }])),
  );
}
