import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { fig, typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import { INK_IN_ALL, INK_ON_SHEETS, INK_TOTAL } from '../../ink/ink-mass';
import { INK_BOUGHT, INK_RETURNS, OPEN_HOURS, SOLVENT } from '../../ink/press-ready';
import { INK_COST } from '../../route/time-and-cost';
import { coverageTerm, inkAt } from '../press-inks';
import type { Consumed, ConsumeContext } from '../process';
import { gravurePass, gravurePrints } from './gravure-pass';
import { isWater } from './thinned-ink';

/** Ink of each station: ready for press, bought, in pan and pipes, what comes back; and the solvent for all of them. */
export function inksReady(cx: ConsumeContext): { kg: Id<'figure'>[]; costs: Consumed['costs'] } {
  const { ledger, id, layout } = cx;
  const { inks, hung } = gravurePass(cx);
  const bandMm = (layout?.web?.lanes ?? 0) * (cx.parts[0]?.widthMm ?? 0);
  const share = practiceTerm(cx.plant, 'gravure.boughtShare');
  const perKg: Term = { value: cx.inkSeries?.pricePerKg ?? 0, unit: 'money/kg', from: 'plant', at: 'inkSeries' };
  const costs: Consumed['costs'] = [];
  const stations = inks.map((ink): string => {
    const at = inkAt(id, gravurePrints(cx), 'front', ink);
    // What runs on from the design before stands in its pan already.
    const fresh = hung.includes(ink);
    const pan = fresh ? practiceTerm(cx.plant, 'gravure.panKg') : typed(0, 'kg', 'stays in its pan');
    const clean = fresh ? practiceTerm(cx.plant, 'gravure.cleanKg') : typed(0, 'kg', 'stays in its pan');
    ledger.figure(idOf(at, 'onSheets'), INK_ON_SHEETS, {
      areaMm2: { value: bandMm * (layout?.sheetMm[1] ?? 0), unit: 'm²', from: 'family', at: 'lanes of a repeat' },
      coveragePercent: coverageTerm(cx, ink),
      filmGsm: cx.inkSeries?.filmGsm
        ? { value: cx.inkSeries.filmGsm, unit: 'g/m²', from: 'plant', at: 'inkSeries' }
        : practiceTerm(cx.plant, 'gravure.filmGsm'),
      impressions: fig(idOf(id, 'run')),
    });
    ledger.figure(idOf(at, 'kg'), INK_TOTAL, { onSheets: fig(idOf(at, 'onSheets')), fill: pan, wash: typed(0, 'kg', 'none') });
    ledger.figure(idOf(at, 'bought'), INK_BOUGHT, { readyKg: fig(idOf(at, 'onSheets')), share });
    ledger.figure(idOf(at, 'returns'), INK_RETURNS, { panKg: pan, cleanKg: clean });
    ledger.figure(idOf(at, 'cost'), INK_COST, { kg: fig(idOf(at, 'bought')), perKg });
    ledger.figure(idOf(at, 'boughtLost'), INK_BOUGHT, { readyKg: clean, share });
    ledger.figure(idOf(at, 'costFill'), INK_COST, { kg: fig(idOf(at, 'boughtLost')), perKg });
    costs.push(
      { figure: idOf(at, 'cost'), kind: 'ink', fixed: false, per: idOf(id, 'run') },
      { figure: idOf(at, 'costFill'), kind: 'ink', fixed: true },
    );
    return at;
  });
  const all = (what: 'kg' | 'onSheets' | 'bought'): Record<string, Term> =>
    Object.fromEntries(stations.map((at) => [at, fig(idOf(at, what))]));
  ledger.figure(idOf(id, 'inkKg'), INK_IN_ALL, all('kg'));
  ledger.figure(idOf(id, 'readyKg'), INK_IN_ALL, all('onSheets'));
  ledger.figure(idOf(id, 'boughtKg'), INK_IN_ALL, all('bought'));
  ledger.figure(idOf(id, 'openH'), OPEN_HOURS, { setupS: fig(idOf(id, 'setupS')), runS: fig(idOf(id, 'runS')) });
  ledger.figure(idOf(id, 'solventKg'), SOLVENT, {
    readyKg: fig(idOf(id, 'readyKg')),
    boughtKg: fig(idOf(id, 'boughtKg')),
    kgPerHour: practiceTerm(cx.plant, 'gravure.evaporatesKgPerHour'),
    stations: { value: inks.length, unit: '1', from: 'family', at: 'stations' },
    hours: fig(idOf(id, 'openH')),
  });
  if (!isWater(cx)) {
    ledger.figure(idOf(id, 'solventCost'), INK_COST, {
      kg: fig(idOf(id, 'solventKg')),
      perKg: practiceTerm(cx.plant, 'gravure.solventPerKg'),
    });
    costs.push({ figure: idOf(id, 'solventCost'), kind: 'ink', fixed: false, per: idOf(id, 'run') });
  }
  return { kg: stations.map((at) => idOf(at, 'kg')), costs };
}
