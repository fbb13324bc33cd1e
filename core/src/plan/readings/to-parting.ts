import type { Id } from '../../quantity/figure';
import type { PlannedRun } from '../passes/stones';

type Run = Pick<PlannedRun, 'stone' | 'cx' | 'costs'>;

/** The runs of a form up to the one that parts its sheets, in the order of the route; none where nothing parts them. */
export function upToParting<R extends Run>(runs: readonly R[], form: Id<'form'>): R[] {
  const mine = runs.filter(({ cx }) => cx.form?.id === form);
  const parting = mine.findIndex(({ stone }) => stone.process.parts);
  return parting < 0 ? [] : mine.slice(0, parting + 1);
}
