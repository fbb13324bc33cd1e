import { practiceValue } from '../../plant/practice';
import { textGrades } from '../../families/papers';
import { editAt } from '../../product/edit';
import type { Finding } from '../../processes/finding';
import { type Rule, wishPath } from './rule';

type Found = Omit<Finding, 'code'>;

/** Paper that does not fold at all: no section can be made of it. */
export const sectionsTooHeavy: Rule = {
  code: 'sections.tooHeavy',
  nr: 51,
  find: ({ plan, spec, plant }) => {
    const limit = practiceValue(plant, 'sections.oneFoldGsm');
    return Object.values(plan.forms).flatMap((form): Found[] => {
      const part = plan.parts[form.parts[0] ?? ''];
      const gsm = plant.stocks[form.stock ?? '']?.gsm ?? 0;
      if (!part?.traits?.bound || gsm <= limit) return [];
      const folds = textGrades(plant).find((grade) => Object.values(plant.stocks).some((s) => s.grade === grade && s.gsm <= limit));
      const key = part.role === 'cover' ? 'coverGrade' : 'grade';
      return [
        {
          level: 'release',
          at: part.id,
          args: { gsm, limit },
          remedies: folds
            ? [{ do: 'edit', says: 'remedy.grade', args: { grade: folds }, edits: [editAt(spec, wishPath(part.product, key), folds)] }]
            : [],
        },
      ];
    });
  },
};

/** Grain across the spine: pages cockle and the book does not lie open. */
export const sectionsAcrossGrain: Rule = {
  code: 'sections.acrossGrain',
  nr: 1,
  find: ({ plan, spec, plant }) =>
    Object.values(plan.forms).flatMap((form): Found[] => {
      const stock = plant.stocks[form.stock ?? ''];
      const heads = form.layout?.imposed?.heads;
      // On a web the grain runs with the heads, along it.
      if (form.kind === 'web' || !stock || !heads || (stock.grain === 'short') === (heads === 'along')) return [];
      const other = Object.entries(plant.stocks).find(([id, s]) => id !== form.stock && s.grade === stock.grade && s.grain !== stock.grain);
      return [
        {
          level: 'decide',
          at: form.slot,
          args: { stock: stock.name },
          remedies: other
            ? [
                {
                  do: 'edit',
                  says: 'remedy.otherStock',
                  args: { stock: other[1].name },
                  edits: [editAt(spec, ['choices', 'stock', form.slot], other[0])],
                },
              ]
            : [],
        },
      ];
    }),
};
