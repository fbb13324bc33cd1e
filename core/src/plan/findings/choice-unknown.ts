import { editAt } from '../../product/edit';
import { comesRight } from '../passes/resolve';
import { type Rule, wishPath } from './rule';

/** A machine was chosen that the works does not plan on any more. */
export const machineRetired: Rule = {
  code: 'machine.retired',
  find: ({ plan, spec, plant }) =>
    Object.entries(spec.choices.machine)
      .filter(([step, m]) => plant.machines[m]?.retired === true && plan.stones.some((s) => s.id === step && s.machine === m))
      .map(([step, m]) => ({
        level: 'decide',
        at: step,
        args: { machine: plant.machines[m]?.name ?? m },
        remedies: [{ do: 'edit', says: 'remedy.dropChoice', args: {}, edits: [editAt(spec, ['choices', 'machine', step], undefined)] }],
      })),
};

/** A machine, a stock or a style of the house was chosen that this plant has not, or that cannot do it. */
export const choiceUnknown: Rule = {
  code: 'choice.unknown',
  find: ({ plan, spec, plant }) =>
    [
      ...Object.entries(spec.choices.machine)
        .filter(([step, m]) => {
          const stone = plan.stones.find((s) => s.id === step);
          return stone !== undefined && !plant.machines[m]?.processes.includes(stone.process);
        })
        .map(([step, m]) => ({ at: step, what: m, path: ['choices', 'machine', step] })),
      ...Object.entries(spec.choices.stock)
        .filter(([id, s]) => {
          const part = plan.parts[id];
          return part !== undefined && !comesRight(part, plant.stocks[s]);
        })
        .map(([part, s]) => ({ at: part, what: s, path: ['choices', 'stock', part] })),
      ...Object.entries(spec.products).flatMap(([product, p]) => {
        const style = p.kind === 'made' && 'houseStyle' in p.wish ? p.wish.houseStyle : undefined;
        return style === undefined || Object.hasOwn(plant.cartonStyles ?? {}, style)
          ? []
          : [{ at: product, what: style, path: wishPath(product, 'houseStyle') }];
      }),
    ].map(({ at, what, path }) => ({
      level: 'decide',
      at,
      args: { what },
      remedies: [{ do: 'edit', says: 'remedy.dropChoice', args: {}, edits: [editAt(spec, path, undefined)] }],
    })),
};
