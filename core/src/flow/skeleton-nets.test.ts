import fc from 'fast-check';
import { Ledger } from '../quantity/ledger';
import { type Net, inOrder } from './net';
import { SKELETONS } from './skeleton-nets.fixture';
import { solveBackward } from './solve-backward';
import { solveForward } from './solve-forward';

const solved = (net: Net): { to: Ledger; counts: ReturnType<typeof solveBackward> } => {
  const to = new Ledger();
  return { to, counts: solveBackward(net, to) };
};
const suppliedFlows = (net: Net): string[] =>
  Object.keys(net.flows).filter((id) => !Object.values(net.steps).some((s) => s.gives.some((g) => g.flow === id)));

/** What must hold of any solved net: every cycle and every piece is somewhere. */
function unbalanced(net: Net): string[] {
  const { to, counts } = solved(net);
  const wrong: string[] = [];
  for (const [id, step] of Object.entries(net.steps)) {
    const v = (what: string): number => to.value(`${id}.${what}`);
    if (v('run') !== v('good') + v('lost.setup') + v('lost.running') + v('lost.samples') + v('lost.batch')) wrong.push(`${id}: cycles`);
    for (const { flow, per, share = 1 } of step.gives)
      if (share === 1 && step.whole && v('good') * per !== to.value(counts.demand[flow] ?? '') + to.value(`${id}.over.${flow}`))
        wrong.push(`${id}: ${flow}`);
  }
  for (const flow of Object.keys(net.flows)) {
    const taken = Object.entries(net.steps).reduce(
      (sum, [id, s]) => sum + (s.takes.some((t) => t.flow === flow) ? to.value(`${id}.taken.${flow}`) : 0),
      0,
    );
    if (to.value(`${flow}.demand`) !== taken + (net.wanted[flow] ?? 0)) wrong.push(`${flow}: demand`);
  }
  return wrong;
}

test.each(SKELETONS.map((s) => [s.line, s.name, s] as const))(
  'line %d, %s: counts as worked by hand',
  (_line, _name, { net, runs, buys }) => {
    const { to } = solved(net);
    expect(Object.fromEntries(Object.keys(runs).map((id) => [id, to.value(`${id}.run`)]))).toEqual(runs);
    expect(Object.fromEntries(Object.keys(buys).map((id) => [id, to.value(`${id}.demand`)]))).toEqual(buys);
    expect(suppliedFlows(net).sort()).toEqual(Object.keys(buys).sort());
  },
);

test.each(SKELETONS.map((s) => [s.line, s.net] as const))('line %d: counts balance at every step', (_line, net) => {
  expect(unbalanced(net)).toEqual([]);
});

test.each(SKELETONS.map((s) => [s.line, s] as const))('line %d: what was bought is enough going forward', (_line, { net, buys }) => {
  const forward = solveForward(net, buys);
  for (const [flow, wanted] of Object.entries(net.wanted)) expect(forward.left[flow] ?? 0).toBeGreaterThanOrEqual(wanted);
});

test.each(SKELETONS.map((s) => [s.line, s.net] as const))('line %d: more copies never need fewer sheets', (_line, net) => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 20_000 }), fc.integer({ min: 0, max: 5_000 }), (quantity, more) => {
      const need = (q: number): number[] => {
        const { to } = solved({ ...net, wanted: Object.fromEntries(Object.keys(net.wanted).map((f) => [f, q])) });
        return suppliedFlows(net).map((f) => to.value(`${f}.demand`));
      };
      const [few, many] = [need(quantity), need(quantity + more)];
      return few.every((n, i) => n <= (many[i] ?? 0));
    }),
    { numRuns: 25 },
  );
});

it('names the limiting part going forward', () => {
  const sleeve = SKELETONS.find((s) => s.line === 5);
  const forward = solveForward(sleeve?.net as Net, { board: 1030, traysA: 700 });
  expect(forward.steps['glueA']).toMatchObject({ run: 700, good: 670, limitedBy: 'traysA' });
});
it('lets what was logged replace what was computed', () => {
  const card = SKELETONS[0];
  const forward = solveForward(card?.net as Net, card?.buys ?? {}, { print: { run: 2006, good: 1500 } });
  expect(forward.steps['foil']).toMatchObject({ run: 1500, good: 1425 }); // 1500 − 60 − ⌈1440 · 1 %⌉
});
it('leaves steps in a circle out and names them', () => {
  const net = SKELETONS[14]?.net as Net;
  const circular = { ...net.steps, copper: { ...(net.steps['copper'] as Net['steps'][string]), takes: [{ flow: 'chromed', per: 1 }] } };
  expect(inOrder(circular).circular.sort()).toEqual(['chrome', 'copper', 'engrave']);
});
