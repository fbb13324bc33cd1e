import type { Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig } from '../quantity/ledger';
import { EDGE_TRIM } from '../stock/edge-trim';
import { ROLL_CHANGES, ROLLS } from '../stock/roll';
import { SUM } from '../quantity/sum';
import { METRES_A_MINUTE, METRES_RUN, WEB_RUN_TIME } from '../route/web-time';
import { type ConsumeContext, type Consumed, type DraftContext, limitTerm } from './process';
import { speedTerm } from './time-and-cost';

/** Writes what the step that parts the web trims off its edges, and reports it as waste. */
export function edgeTrim(cx: ConsumeContext): Required<Pick<Consumed, 'wasteKg'>> {
  const from = (value: number, unit: 'mm' | 'g/m²'): Term => ({ value, unit, from: 'plant', at: `stock:${cx.stockId ?? ''}` });
  cx.ledger.figure(idOf(cx.id, 'trimKg'), EDGE_TRIM, {
    repeats: fig(idOf(cx.id, 'run')),
    webMm: from(cx.stock?.widthMm ?? 0, 'mm'),
    lanes: fig(ofForm(cx, 'lanes')),
    sheetWidthMm: { value: cx.layout?.web?.sheetMm[0] ?? 0, unit: 'mm', from: 'family', at: 'layout' },
    repeatMm: fig(ofForm(cx, 'repeatMm')),
    gsm: from(cx.stock?.gsm ?? 0, 'g/m²'),
  });
  return { wasteKg: [{ kind: 'trim', figure: idOf(cx.id, 'trimKg') }] };
}

/** A figure of the form on a web: repeat, usable roll, pieces a sheet … written by its layouter. */
export const ofForm = (cx: Pick<DraftContext, 'form'>, what: string): Id<'figure'> => idOf(cx.form?.id ?? '', what);

/** Metres, rolls and running time of a step whose cycle is one repeat. A web machine's cycles an hour are metres. */
export function webTime(cx: ConsumeContext, withRollChanges: boolean, metresPerHour = speedTerm(cx)): Term {
  const { ledger, id } = cx;
  ledger.figure(idOf(id, 'metres'), METRES_RUN, { cycles: fig(idOf(id, 'run')), repeatMm: fig(ofForm(cx, 'repeatMm')) });
  ledger.figure(idOf(id, 'metresAMinute'), METRES_A_MINUTE, { metresPerHour });
  ledger.figure(idOf(id, 'runningS'), WEB_RUN_TIME, { metres: fig(idOf(id, 'metres')), metresPerHour });
  if (!withRollChanges) return fig(idOf(id, 'runningS'));
  ledger.figure(idOf(id, 'rolls'), ROLLS, { metres: fig(idOf(id, 'metres')), usable: fig(ofForm(cx, 'usableRoll')) });
  ledger.figure(idOf(id, 'changeS'), ROLL_CHANGES, {
    rolls: fig(idOf(id, 'rolls')),
    each: limitTerm(cx, 'rollChangeS', { value: 0, unit: 's', from: 'plant', at: 'flying splice' }),
  });
  ledger.figure(idOf(id, 'webS'), SUM, { running: fig(idOf(id, 'runningS')), changes: fig(idOf(id, 'changeS')) });
  return fig(idOf(id, 'webS'));
}
