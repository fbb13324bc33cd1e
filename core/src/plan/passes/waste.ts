import type { CountUnit, Formula, Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { type Ledger, fig } from '../../quantity/ledger';
import type { Net } from '../../flow/net';
import type { ConsumeContext, Consumed } from '../../processes/process';

const source = 'counts of the net; definition of grammage (ISO 536)';
const LOST_PIECES: Formula = {
  id: 'plan.lostPieces',
  unit: 'piece',
  source,
  adds: true,
  of: (t) => Object.values(t).reduce((a, b) => a + b, 0),
};
export const OF_A_STEP: Formula<'lost' | 'perGood'> = {
  id: 'plan.lostOfStep',
  unit: 'piece',
  source,
  of: ({ lost, perGood }) => (perGood > 0 ? lost / perGood : 0),
};
const STEP_KG: Formula<'lost' | 'per' | 'widthMm' | 'heightMm' | 'gsm'> = {
  id: 'plan.lostKg',
  unit: 'kg',
  source,
  of: (t) => (t.lost * t.per * t.widthMm * t.heightMm * t.gsm) / 1e9,
};
const KINDS = ['setup', 'running', 'samples', 'batch', 'table'] as const;

/** Units in which the paper is not yet parted into pieces. */
const UNPARTED: readonly CountUnit[] = ['sheet', 'metre', 'repeat'];

/** Paper in one unit of a flow, width by length in mm: a metre or repeat of web, a sheet cut from it, a press sheet, a piece. */
export function sizeOf(unit: CountUnit, { layout, parts, section }: ConsumeContext): [number, number] {
  const press = layout?.sheetMm ?? [0, 0];
  if (unit === 'metre') return [press[0], 1_000];
  if (unit === 'repeat') return press;
  if (unit === 'sheet') return layout?.web?.sheetMm ?? press;
  // A section is as much paper folded as it was flat.
  if (section) return [total(section.columnsMm), total(section.rowsMm)];
  return [parts[0]?.widthMm ?? 0, parts[0]?.heightMm ?? 0];
}

const total = (mm: readonly number[]): number => mm.reduce((sum, each) => sum + each, 0);

/**
 * Waste by kind, in finished pieces and in kg: what each step loses in setup, while running and as samples, as the sheet or copy it is there;
 * and the trim that processes report. Returns the kg figures for the total.
 */
export function wasteFigures(contexts: readonly ConsumeContext[], consumed: readonly Consumed[], net: Net, ledger: Ledger): Id<'figure'>[] {
  const kg: Id<'figure'>[] = consumed.flatMap((c) => c.wasteKg ?? []).map((w) => w.figure);
  for (const kind of KINDS) {
    const pieces: Record<string, { fig: Id<'figure'> }> = {};
    const masses: Record<string, { fig: Id<'figure'> }> = {};
    for (const cx of contexts)
      for (const step of cx.stepIds) {
        const flow = net.flows[net.steps[step]?.takes[0]?.flow ?? ''];
        const per = net.steps[step]?.takes[0]?.per ?? 1;
        const part = cx.parts[0];
        if (!flow || !part || ledger.value(`${step}.lost.${kind}`) === 0) continue;
        const [w, h] = sizeOf(flow.unit, cx);
        const at = `${step}.waste.${kind}`;
        const size = (value: number): { value: number; unit: 'mm'; from: 'family'; at: string } => ({
          value,
          unit: 'mm',
          from: 'family',
          at: UNPARTED.includes(flow.unit) ? 'layout' : 'part',
        });
        ledger.figure(idOf(at, 'pieces'), OF_A_STEP, {
          lost: fig(`${step}.lost.${kind}`),
          perGood: { value: flow.perGood / per, unit: '1', from: 'family', at: 'layout' },
        });
        ledger.figure(idOf(at, 'kg'), STEP_KG, {
          lost: fig(`${step}.lost.${kind}`),
          per: { value: per, unit: '1', from: 'family', at: 'takes' },
          widthMm: size(w),
          heightMm: size(h),
          gsm: { value: cx.stock?.gsm ?? 0, unit: 'g/m²', from: 'plant', at: `stock:${cx.stockId ?? ''}` },
        });
        pieces[step] = fig(idOf(at, 'pieces')) as { fig: string };
        masses[step] = fig(idOf(at, 'kg')) as { fig: string };
      }
    ledger.figure(`waste.${kind}.pieces`, LOST_PIECES, pieces);
    ledger.figure(`waste.${kind}.kg`, { ...LOST_PIECES, id: 'plan.wasteOfKind', unit: 'kg' }, masses);
    kg.push(`waste.${kind}.kg`);
  }
  return kg;
}
