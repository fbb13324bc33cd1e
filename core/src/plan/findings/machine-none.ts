import type { Rule } from './rule';

/** No machine of the plant can do what a stone asks. */
export const machineNone: Rule = {
  code: 'machine.none',
  find: ({ routed }) =>
    routed.filter((s) => s.missingMachine).map((s) => ({ level: 'release', at: s.cx.id, args: { process: s.process.id }, remedies: [] })),
};
