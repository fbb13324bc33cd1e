import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { type Ledger, fig, typed } from '../../quantity/ledger';
import { LEAST_GOOD, MOST_GOOD } from '../../counts/chance-of-enough';
import type { Net } from '../../flow/net';
import type { Batch } from '../../processes/batch';
import type { JobSpec } from '../../product/job-spec';
import { SUM } from '../../quantity/sum';
import type { Finding } from '../../processes/finding';
import type { Plan } from '../plan-types';

/** Rows of the order: items, or where an item's versions are told apart each of them; and what they put on the end of the net. */
export interface WantedRows {
  items: Plan['items'];
  wanted: Net['wanted'];
  findings: Finding[];
}

/** What is wanted of each item at the end of its product. */
export function wantedRows(spec: JobSpec, goods: Readonly<Record<Id<'product'>, Batch[]>>, ledger: Ledger): WantedRows {
  const rows: WantedRows = { items: {}, wanted: {}, findings: [] };
  for (const [item, { product, versions }] of Object.entries(spec.items)) {
    const ends = goods[product] ?? [];
    const apart = ends.some((b) => b.version !== null);
    const loose = new Set(ends.filter((b) => !apart || b.version !== null).map((b) => b.version)).size < ends.length;
    if (loose) rows.findings.push({ code: 'parts.loose', level: 'release', at: product, args: { parts: ends.length }, remedies: [] });
    const ids = apart ? Object.keys(versions) : [null];
    for (const version of ids) {
      const id = version === null ? item : idOf(item, version);
      const end = ends.find((b) => b.version === version)?.flow ?? idOf(product, 'goods');
      const figures = wantedFigures(id, item, version, spec, ledger);
      const aim = Object.hasOwn(spec.choices.aim, id) ? spec.choices.aim[id] : undefined;
      const term = aim === undefined ? fig(figures.wanted) : typed(aim, 'piece', `choices.aim.${id}`);
      rows.wanted[end] = { ...rows.wanted[end], [id]: term };
      rows.items[id] = { item, version, product, goods: end, ...figures, chance: null, forecast: null };
    }
  }
  return rows;
}

function wantedFigures(
  id: Id<'item'>,
  itemId: Id<'item'>,
  only: Id<'version'> | null,
  spec: JobSpec,
  ledger: Ledger,
): { wanted: string; least: string; most: string } {
  const item = spec.items[itemId];
  const wanted = Object.fromEntries(
    Object.entries(item?.versions ?? {})
      .filter(([v]) => only === null || v === only)
      .map(([v, { quantity }]): [string, Term] => [
        v,
        { value: quantity, unit: 'piece', from: 'typed', at: `items.${itemId}.versions.${v}` },
      ]),
  );
  const figures = { wanted: idOf(id, 'wanted'), least: idOf(id, 'least'), most: idOf(id, 'most') };
  ledger.figure(figures.wanted, { ...SUM, id: 'plan.wanted', unit: 'piece' }, wanted);
  ledger.figure(figures.least, LEAST_GOOD, {
    wanted: fig(figures.wanted),
    underPpm: { value: item?.overs.underPpm ?? 0, unit: 'ppm', from: 'typed', at: `items.${itemId}.overs` },
  });
  ledger.figure(figures.most, MOST_GOOD, {
    wanted: fig(figures.wanted),
    overPpm: { value: item?.overs.overPpm ?? 0, unit: 'ppm', from: 'typed', at: `items.${itemId}.overs` },
  });
  return figures;
}
