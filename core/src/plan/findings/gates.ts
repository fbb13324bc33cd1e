import type { Rule } from './rule';
import type { Gate } from '../../product/job-spec';
import type { Finding } from '../../processes/finding';
import { gateKey } from '../passes/ready';

/** What a gate blocks until it is answered: the release, or the start of a stone. */
const levelOf = (gate: Gate): Finding['level'] => (gate.holds === 'release' ? 'release' : 'start');
const placeOf = (gate: Gate): string => (gate.holds === 'release' ? 'job' : gate.holds);
const argsOf = (gate: Gate): Finding['args'] => ({ what: `gate.${gate.kind}`, version: gate.version, who: gate.who });

/** Somebody has not said yes yet. */
export const gateWaiting: Rule = {
  code: 'gate.waiting',
  find: ({ spec, shelf }) =>
    Object.entries(spec.gates ?? {}).flatMap(([id, gate]) => {
      const known = shelf.gates[gateKey(id)];
      return (known?.state ?? 'waiting') !== 'waiting'
        ? []
        : [
            {
              level: levelOf(gate),
              at: placeOf(gate),
              args: {
                ...argsOf(gate),
                ...(known?.by !== undefined && { by: known.by, lateH: Math.max(0, Math.round((shelf.asOf - known.by) / 3600)) }),
              },
              remedies: [{ do: 'ask', says: 'remedy.askGate', desk: gate.who }],
            },
          ];
    }),
};

/** Somebody said no. */
export const gateRefused: Rule = {
  code: 'gate.refused',
  find: ({ spec, shelf }) =>
    Object.entries(spec.gates ?? {}).flatMap(([id, gate]) =>
      shelf.gates[gateKey(id)]?.state === 'refused'
        ? [
            {
              level: levelOf(gate),
              at: placeOf(gate),
              args: argsOf(gate),
              remedies: [{ do: 'ask', says: 'remedy.newVersion', desk: gate.who }],
            },
          ]
        : [],
    ),
};

/** A gate that holds a stone the route no longer has: it would hold nothing. */
export const gateNowhere: Rule = {
  code: 'gate.nowhere',
  find: ({ plan, spec }) =>
    Object.values(spec.gates ?? {}).flatMap((gate) =>
      gate.holds === 'release' || plan.stones.some((s) => s.id === gate.holds)
        ? []
        : [{ level: 'decide', at: 'job', args: { ...argsOf(gate), stone: gate.holds }, remedies: [] }],
    ),
};
