import { type Finding, findingTitle, formatFigure, label, type Place, say } from '@druckerei/core';

type FindingSaid = Pick<Finding, 'code' | 'args'>;
interface MovedSaid {
  totals: { key: string; unit: string; before: number; after: number }[];
  come: FindingSaid[];
  gone: FindingSaid[];
}

/** What other settings move in a job, a line each: totals with both values, findings that come, findings that are settled. */
export function movedSays({ totals, come, gone }: MovedSaid, place: Place): string[] {
  const shown = (value: number, unit: string): string => {
    const f = formatFigure(value, unit, place);
    return `${f.number} ${f.unit}`.trim();
  };
  return [
    ...totals.map((t) => `${label(`total.${t.key}`)}: ${shown(t.before, t.unit)} → ${shown(t.after, t.unit)}`),
    ...come.map((f) => say('movedSays.newFinding', findingTitle(f.code, f.args))),
    ...gone.map((f) => say('movedSays.settled', findingTitle(f.code, f.args))),
  ];
}
