import type { Formula, Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { type Ledger, typed } from '../../quantity/ledger';
import type { PanelFigure } from './carton-panels';
import { betweenPlies, sleeveSizes } from './sleeve';
import { type SleeveAsk, USUAL_SLEEVE } from './sleeve-ask';

/** A panel of a sleeve: what lies on it, and what it stands out on either side. Source: geometry; play common practice, no source. */
export const SLEEVE_PANEL: Formula<'trayMm' | 'eitherMm'> = {
  id: 'product.sleevePanel',
  unit: 'mm',
  source: 'tray + 2 × what the panel stands out; common practice, no source',
  of: ({ trayMm, eitherMm }) => trayMm + 2 * eitherMm,
};
/** What lies between two plies of a sleeve, its play, and its board: once for a spine, twice for the closed thickness. Source: sum. */
export const SLEEVE_STACK: Formula = {
  id: 'product.sleeveStack',
  unit: 'mm',
  source: 'sum of what lies between, play and board',
  of: (t) => Object.values(t).reduce((sum, mm) => sum + mm, 0),
};

/** Writes the sizes of a sleeve with their working; the figures are those its die line is drawn with. */
export function sleeveFigures(part: Id<'part'>, ask: SleeveAsk, ledger: Ledger): PanelFigure[] {
  const mm = (value: number, at: string): Term => ({ value, unit: 'mm', from: 'family', at });
  const t: Term = { value: ask.caliperMm, unit: 'mm', from: 'plant', at: 'caliper' };
  const { besideMm, aboveMm, spineMm } = USUAL_SLEEVE;
  const figure = (name: PanelFigure['name'], formula: Formula, terms: Record<string, Term>): PanelFigure => {
    const id = idOf(part, name);
    ledger.figure(id, formula, terms);
    return { name, figure: id };
  };
  const play = mm(spineMm, 'play');
  const stack = (between: ReturnType<typeof betweenPlies>['outer']): Record<string, Term> =>
    Object.fromEntries(Object.entries(between).flatMap(([what, value]) => (value > 0 ? [[what, mm(value, what)]] : [])));
  const { outer, inner } = betweenPlies(ask);
  const flat = ask.style === 'pocket';
  return [
    figure('sleeveWidth', SLEEVE_PANEL, { trayMm: typed(ask.widthMm, 'mm', 'widthMm'), eitherMm: mm(besideMm, 'beside the tray') }),
    figure('sleeveHeight', SLEEVE_PANEL, { trayMm: typed(ask.heightMm, 'mm', 'heightMm'), eitherMm: mm(aboveMm, 'above the tray') }),
    ...(flat ? [] : [figure('outerSpine', SLEEVE_STACK, { ...stack(outer), play, board: t })]),
    ...(inner ? [figure('innerSpine', SLEEVE_STACK, { ...stack(inner), play, board: t })] : []),
    figure('closedThick', SLEEVE_STACK, { ...(flat ? {} : stack(outer)), play, board: { ...t, value: 2 * ask.caliperMm } }),
    ...(sleeveSizes(ask).liningMm > 0
      ? [
          figure('liningHeight', SLEEVE_STACK, {
            panel: mm(ask.heightMm + 2 * aboveMm, 'panel'),
            board: { ...t, value: -ask.caliperMm },
            shorter: mm(-USUAL_SLEEVE.liningMm, 'shorter'),
          }),
        ]
      : []),
  ];
}
