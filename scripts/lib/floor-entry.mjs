import { randomUUID } from 'node:crypto';

/** One sheet spoilt at a step, as a terminal sends it now. */
export const wasteEntry = ({ machine, job, step }) => ({
  id: randomUUID(),
  kind: 'waste',
  machine,
  job,
  step,
  pile: null,
  other: null,
  quantity: 1,
  reason: 'running',
  note: '',
  witness: '',
  at: Date.now() / 1000,
  release: 1,
});
