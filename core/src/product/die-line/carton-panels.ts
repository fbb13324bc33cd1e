import type { Formula, Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { type Ledger, typed } from '../../quantity/ledger';
import { type CartonAsk, panelAddMm, USUAL_CARTON } from './carton-ask';

/**
 * Length of a panel from its inside: what either hinge adds or takes, and the play it needs where it moves inside another.
 * Source: the board bends about its middle (arithmetic); play common practice, no source.
 */
export const PANEL: Formula<'insideMm' | 'firstMm' | 'secondMm' | 'playMm'> = {
  id: 'product.panel',
  unit: 'mm',
  source: 'inside + what each hinge adds, half a caliper in the wall itself, less inside of it; − play',
  of: ({ insideMm, firstMm, secondMm, playMm }) => insideMm + firstMm + secondMm - playMm,
};

declare module '../part' {
  interface Traits {
    /** Sizes of its panels, with their working. */
    panels: PanelFigure[];
  }
}

/** A size of a blank that follows from what it holds; its figure stands under its part. */
export interface PanelFigure {
  /** Word of the catalogue. */
  name:
    | 'frontPanel'
    | 'firstSide'
    | 'backPanel'
    | 'lastSide'
    | 'bodyHeight'
    | 'lidPanel'
    | 'basePanel'
    | 'endWall'
    | 'longWall'
    | 'sleeveWidth'
    | 'sleeveHeight'
    | 'outerSpine'
    | 'innerSpine'
    | 'closedThick'
    | 'liningHeight';
  figure: Id<'figure'>;
}

/** Writes the panels of a carton with what the caliper adds to each; the figures are those the die line is drawn with. */
export function panelFigures(part: Id<'part'>, ask: CartonAsk, ledger: Ledger): PanelFigure[] {
  const half: Term = {
    value: panelAddMm(ask) / 2,
    unit: 'mm',
    from: 'plant',
    at: ask.panelAddMm === undefined ? 'caliper' : 'panel table',
  };
  const less: Term = { value: -ask.caliperMm / 2, unit: 'mm', from: 'plant', at: 'caliper' };
  const none: Term = { value: 0, unit: 'mm', from: 'family', at: 'free edge' };
  const play: Term = { value: USUAL_CARTON.setInMm, unit: 'mm', from: 'family', at: 'play' };
  const noPlay: Term = { value: 0, unit: 'mm', from: 'family', at: 'no play' };
  const inside = (what: 'lengthMm' | 'widthMm' | 'heightMm'): Term => typed(ask[what], 'mm', what);
  const panel = (name: PanelFigure['name'], insideMm: Term, firstMm: Term, secondMm: Term, playMm: Term = noPlay): PanelFigure => {
    const figure = idOf(part, name);
    ledger.figure(figure, PANEL, { insideMm, firstMm, secondMm, playMm });
    return { name, figure };
  };
  if (ask.style === 'tray')
    return [
      panel('basePanel', inside('lengthMm'), half, half),
      panel('endWall', inside('heightMm'), half, none),
      panel('longWall', inside('widthMm'), less, less),
    ];
  const body = [
    panel('frontPanel', inside('lengthMm'), half, half),
    panel('firstSide', inside('widthMm'), half, half),
    panel('backPanel', inside('lengthMm'), half, half),
    panel('lastSide', inside('widthMm'), half, half, play),
    panel('bodyHeight', inside('heightMm'), half, half),
  ];
  return ask.style === 'sleeve' ? body : [...body, panel('lidPanel', inside('widthMm'), half, less, play)];
}
