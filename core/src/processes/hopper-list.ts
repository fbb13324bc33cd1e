import { idOf } from '../quantity/id-of';
import { formatNumber } from '../words/format';
import { foliosSay } from '../signature/folios';
import { hopperOrder, liesSay } from './hoppers';
import type { ConsumeContext, PaperPage } from './process';

/** Hoppers as the page of a gatherer lists them: what each drops, how it lies, where its mark stands. */
export function hopperList(cx: ConsumeContext): PaperPage['lists'][number] {
  const run = Math.ceil(cx.ledger.value(idOf(cx.id, 'run')) - 1e-9);
  return {
    title: 'hopperOrder',
    head: ['hopper', 'drops', 'pages', 'paper', 'lies', 'mark from the head', 'how many'],
    rows: hopperOrder(cx).map((h) => [
      String(h.position),
      h.section.name,
      foliosSay(h.pages) || 'blank',
      cx.plant.stocks[h.form.stock ?? '']?.name ?? '–',
      liesSay(h),
      `${Math.round(h.markMm * 100) / 100} mm${h.markColumn > 1 ? `, column ${h.markColumn}` : ''}`,
      formatNumber(run),
    ]),
  };
}
