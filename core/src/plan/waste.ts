import type { Formula, Id } from '../quantity/figure';
import { type Ledger, fig } from '../quantity/ledger';
import type { Net } from '../flow/net';
import type { ConsumeContext, Consumed } from '../processes/process';

const source = 'counts of the net; definition of grammage (ISO 536)';
const LOST_PIECES: Formula = { id: 'counts.lostPieces', unit: 'piece', source, of: (t) => Object.values(t).reduce((a, b) => a + b, 0) };
const OF_A_STEP: Formula<'lost' | 'perGood'> = {
  id: 'counts.lostOfStep',
  unit: 'piece',
  source,
  of: ({ lost, perGood }) => (perGood > 0 ? lost / perGood : 0),
};
const STEP_KG: Formula<'lost' | 'widthMm' | 'heightMm' | 'gsm'> = {
  id: 'counts.lostKg',
  unit: 'kg',
  source,
  of: (t) => (t.lost * t.widthMm * t.heightMm * t.gsm) / 1e9,
};
const KINDS = ['setup', 'running', 'samples'] as const;

/**
 * Waste by kind, in finished pieces and in kg: what each step loses in setup, while running and as samples, as the sheet or copy it is there;
 * and the trim that processes report. Returns the kg figures for the total.
 */
export function wasteFigures(contexts: readonly ConsumeContext[], consumed: readonly Consumed[], net: Net, to: Ledger): Id<'figure'>[] {
  const kg: Id<'figure'>[] = consumed.flatMap((c) => c.wasteKg ?? []).map((w) => w.figure);
  for (const kind of KINDS) {
    const pieces: Record<string, { fig: Id<'figure'> }> = {};
    const masses: Record<string, { fig: Id<'figure'> }> = {};
    for (const cx of contexts)
      for (const step of cx.stepIds) {
        const flow = net.flows[net.steps[step]?.takes[0]?.flow ?? ''];
        const per = net.steps[step]?.takes[0]?.per ?? 1;
        const part = cx.parts[0];
        if (!flow || !part || to.value(`${step}.lost.${kind}`) === 0) continue;
        const [w, h] = flow.unit === 'sheet' ? (cx.layout?.sheetMm ?? [0, 0]) : [part.widthMm, part.heightMm];
        const at = `${step}.waste.${kind}`;
        const size = (value: number): { value: number; unit: 'mm'; from: 'family'; at: string } => ({
          value,
          unit: 'mm',
          from: 'family',
          at: flow.unit === 'sheet' ? 'layout' : 'part',
        });
        to.figure(`${at}.pieces`, OF_A_STEP, {
          lost: fig(`${step}.lost.${kind}`),
          perGood: { value: flow.perGood / per, unit: '1', from: 'family', at: 'layout' },
        });
        to.figure(`${at}.kg`, STEP_KG, {
          lost: fig(`${step}.lost.${kind}`),
          widthMm: size(w),
          heightMm: size(h),
          gsm: { value: cx.stock?.gsm ?? 0, unit: 'g/m²', from: 'plant', at: `stock:${cx.stockId ?? ''}` },
        });
        pieces[step] = fig(`${at}.pieces`) as { fig: string };
        masses[step] = fig(`${at}.kg`) as { fig: string };
      }
    to.figure(`waste.${kind}.pieces`, LOST_PIECES, pieces);
    to.figure(`waste.${kind}.kg`, { ...LOST_PIECES, id: 'counts.wasteKg', unit: 'kg' }, masses);
    kg.push(`waste.${kind}.kg`);
  }
  return kg;
}
