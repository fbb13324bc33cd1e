/** What the first program knew only as a word in its code. Source: our own first demo plant. */
const FIRST_GRADE = 'Ivory board 300';

const isRecord = (v: unknown): v is Record<string, unknown> => v !== null && typeof v === 'object' && !Array.isArray(v);

/**
 * A plant of whichever former program, as this one reads it: what that program did not ask for is what it took for granted. A plant of today stays as it is.
 *
 * - Before there was `usualInk` the first ink series was the usual one.
 * - Before there was `usualGrade` it was the board of the first demo; where the plant has no such stock, the first sheet stock's.
 *
 * @param document a stored plant, not yet read by PlantSchema
 * @example plantOfBefore({ inks: { oil: … }, stocks: {} }) → the same with usualInk 'oil', usualGrade 'Ivory board 300'
 */
export function plantOfBefore(document: unknown): unknown {
  if (!isRecord(document)) return document;
  const inks = isRecord(document['inks']) ? Object.keys(document['inks']) : [];
  const grades = Object.values(isRecord(document['stocks']) ? document['stocks'] : {}).flatMap((s) =>
    isRecord(s) && s['form'] === 'sheet' && typeof s['grade'] === 'string' ? [s['grade']] : [],
  );
  const grade = grades.length === 0 || grades.includes(FIRST_GRADE) ? FIRST_GRADE : grades[0];
  return { ...(inks[0] !== undefined && { usualInk: inks[0] }), usualGrade: grade, ...document };
}
