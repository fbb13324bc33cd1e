import { machinesFor } from '../../plant/plant';
import { idOf } from '../../quantity/id-of';
import { set } from '../../product/edit';
import type { Remedy } from '../../processes/finding';
import { pressSheet } from '../../stock/press-sheet';
import { sheetBeyond, stocksOfGrade } from '../passes/resolve';
import type { Rule } from './rule';

/** Sheet beyond the smallest or largest a machine on the route takes. */
export const sheetOverMachine: Rule = {
  code: 'sheet.overMachine',
  nr: 11,
  find: ({ spec, plant, contexts }) =>
    contexts
      .flatMap(({ cx, stone }) => {
        const [part] = cx.parts;
        if (!part || !cx.form || cx.stock?.form !== 'sheet') return [];
        const form = cx.form.id;
        const { overMm, underMm } = sheetBeyond(pressSheet(cx.stock), cx.machine);
        if (overMm === 0 && underMm === 0) return [];
        const machines = contexts.filter((c) => c.cx.form?.id === form).map((c) => c.cx.machine);
        const other = stocksOfGrade(plant, part).find(([, s]) =>
          machines.every((m) => {
            const b = sheetBeyond(pressSheet(s), m);
            return b.overMm === 0 && b.underMm === 0;
          }),
        );
        const sheet = pressSheet(cx.stock);
        const otherMachine = machinesFor(plant, cx.process).find(
          ([, m]) =>
            (stone.process.suits?.(m, cx.parts) ?? true) && sheetBeyond(sheet, m).overMm === 0 && sheetBeyond(sheet, m).underMm === 0,
        );
        const remedies: Remedy[] = [];
        if (otherMachine)
          remedies.push({
            do: 'edit',
            says: 'remedy.otherMachine',
            args: { machine: otherMachine[1].name },
            edits: [set(spec, (s) => s.choices.machine[cx.stone], otherMachine[0])],
          });
        if (other)
          remedies.push({
            do: 'edit',
            says: 'remedy.otherStock',
            args: { stock: other[1].name },
            edits: [set(spec, (s) => s.choices.stock[form], other[0])],
          });
        return [
          {
            level: 'release' as const,
            at: cx.id,
            figure: idOf(form, 'copiesUp'),
            args: {
              byMm: Math.round((overMm || underMm) * 10) / 10,
              side: overMm > 0 ? 'over' : 'under',
              machine: cx.machine.name,
              sheet: pressSheet(cx.stock).join(' × '),
              key: stone.key,
            },
            remedies,
          },
        ];
      })
      .filter((f, i, all) => all.findIndex((g) => g.at === f.at) === i),
};
