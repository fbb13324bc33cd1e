import { spawnSync } from 'node:child_process';
import { ticketPages } from '@druckerei/core';
import { planned } from '@druckerei/core/planning';
import { cardSpec, LINDMOOR, SHELF } from '../../../core/src/plan/line-1.fixture';
import { sleeveSpec } from '../../../core/src/plan/line-5.fixture';
import { labelSpec } from '../../../core/src/plan/line-2.fixture';
import { ticketPdf, type TicketOf } from './ticket-pdf';

const of = (more: Partial<TicketOf> = {}): TicketOf => {
  const spec = more.spec ?? cardSpec();
  return {
    number: 2401,
    version: 3,
    customer: 'Lindmoor Choir',
    spec,
    plant: LINDMOOR,
    shelf: SHELF,
    planned: planned(spec, LINDMOOR, SHELF),
    release: { nr: 1, at: SHELF.asOf, by: 'Anselm Hardt', reason: '', scope: null },
    ...more,
  };
};
const words = (pdf: Uint8Array): string[] => {
  const done = spawnSync('pdftotext', ['-layout', '-', '-'], { input: pdf });
  // The test command installs it (poppler-utils): a missing reader is a failure, not a pass.
  if (done.error) throw done.error;
  return done.stdout
    .toString()
    .replace(/[^\S\f]+/gu, ' ')
    .split('\f')
    .filter((p) => p.trim());
};

describe('the ticket', () => {
  it('is the same bytes for the same input', async () => {
    const [a, b] = [await ticketPdf(of()), await ticketPdf(of())];
    expect(Buffer.compare(a, b)).toBe(0);
  });
  it('carries on every page what every page must carry', async () => {
    const pages = words(await ticketPdf(of()));
    expect(pages).toHaveLength(12);
    for (const [i, page] of pages.entries()) {
      expect(page).toContain('2401 · Lindmoor Choir');
      expect(page).toContain('10 000 wanted, −0 / +5 %');
      expect(page).toContain(`Page ${i + 1} of 12`);
      if (i > 0) expect(page).toContain('trained people only');
      if (i > 0) expect(page).toMatch(/next (Press 3|Platen 1|Guillotine 1|Folder 2|Bench|Packing|dispatch)/);
    }
  });
  it('of several orders: each of their own pages says which, and where that one goes; the shared ones how many there are', async () => {
    const base = sleeveSpec();
    const spec = {
      ...base,
      items: Object.fromEntries(
        Object.entries(base.items).map(([id, i]) => [
          id,
          { ...i, deliveries: [{ by: '2026-03-20T14:00', share: { only: i.versions['only']?.quantity ?? 0 }, to: `Quay ${id}` }] },
        ]),
      ),
    };
    const pages = words(await ticketPdf(of({ spec, planned: planned(spec, LINDMOOR, SHELF) })));
    const cover = pages.slice(0, 2).join(' ');
    for (const id of Object.keys(spec.items)) expect(cover).toMatch(new RegExp(`Quay ${id} +${id}`));
    const shared = pages.filter((p) => /(Paper store|Plates|Press|Die-cutting|Breaking out) – /.test(p));
    expect(shared.length).toBeGreaterThan(8);
    for (const page of shared) expect(page).toContain('6 orders, 14 100 wanted · version 3');
    const fog = pages.filter((p) => /– (Fold and glue|Tray and disc|Pack), fog/.test(p));
    expect(fog.length).toBeGreaterThanOrEqual(3);
    for (const page of fog) expect(page).toContain('fog: 600 wanted, −0 / +10 % · version 3');
    const [packed] = fog.filter((p) => p.includes('Deliveries'));
    expect(packed).toContain('Quay fog');
    expect(packed).not.toContain('Quay mill');
    expect(packed).toContain('Radio plays, autumn: fog');
  });
  it('puts every row of every list on paper, however many there are, and goes on on the next page', async () => {
    const base = cardSpec();
    const card = base.products['card'] as { wish: object };
    const small = { openWidthMm: 40, openHeightMm: 30, folds: 0, foils: {}, applied: {}, grain: 'free' };
    const spec = { ...base, products: { card: { ...card, wish: { ...card.wish, ...small } } } } as unknown as typeof base;
    const made = planned(spec, LINDMOOR, SHELF);
    const cuts = ticketPages(made).find((p) => p.department === 'guillotine')?.lists[0]?.rows ?? [];
    expect(cuts.length).toBeGreaterThan(45);
    const pages = words(await ticketPdf(of({ spec, planned: made }))).filter((p) => p.includes('Guillotine – Cut'));
    expect(pages.length).toBeGreaterThan(1);
    const row = /(\d+) (?:(?:\d+ strips|the strip)[a-z\d ,]*? )?(?:quarter turn |end for end )?(?:gripper|side lay|tail|far) edge/g;
    const printed = pages.flatMap((p) => [...p.matchAll(row)].map((m) => m[1]));
    expect(printed).toEqual(cuts.map((row) => row[0]));
    for (const page of pages) expect(page).toContain('two-hand start');
  });
  it('says no row twice on a page, and no money on the shop’s pages', async () => {
    for (const spec of [cardSpec(), labelSpec()]) {
      const made = planned(spec, LINDMOOR, SHELF);
      for (const page of ticketPages(made)) {
        const said = page.rows.map((r) => `${r.label} ${r.text ?? ''} ${r.figure ? made.ledger.unitOf(r.figure) : ''}`);
        expect([page.department, said.filter((row, i) => said.indexOf(row) !== i)]).toEqual([page.department, []]);
      }
      const [cover, ...shop] = words(await ticketPdf(of({ spec, planned: made })));
      expect(cover).toContain('EUR');
      expect(shop.filter((p) => p.includes('EUR'))).toEqual([]);
    }
  });
  it('says who set a figure by hand, and why', async () => {
    const until = SHELF.asOf + 86_400;
    const spec = {
      ...cardSpec(),
      overrides: { 'card.card.foil.setupCycles': { value: 90, reason: 'new die, hard board', by: 'Anselm Hardt', until } },
    };
    const page = words(await ticketPdf(of({ spec })))
      .find((p) => p.includes('Foil – Foil'))
      ?.replace(/\s+/g, ' ');
    expect(page).toContain('hard board');
    expect(page).toContain('Anselm');
  });
  it('tells the press where to stop, and what of the sheets is reserve', async () => {
    const spec = { ...cardSpec(), choices: { ...cardSpec().choices, certainty: 0.95 } };
    const press =
      words(await ticketPdf(of({ spec })))
        .find((p) => p.includes('Press – Print'))
        ?.replace(/\s+/g, ' ') ?? '';
    expect(press).toMatch(/Stop at \d/);
    expect(press).toContain('bring back what is not needed');
    for (const asked of ['Gripper', 'Side lay', 'Register held', 'powder', 'Sheets a pile', 'colour OK sheet signed by', 'turned at'])
      expect(press).toContain(asked);
  });
  it('holds letters of many languages and the signs of the trade', async () => {
    const pages = words(await ticketPdf(of({ spec: { ...cardSpec(), name: 'Über Žluťoučký kőris ≥ 3 ≤ 5 Δ' } })));
    expect(pages[0]).toContain('Über Žluťoučký kőris ≥ 3 ≤ 5 Δ');
  });
  it('shows script as the text it is, and survives a very long name', async () => {
    const pages = words(
      await ticketPdf(of({ spec: { ...cardSpec(), name: `<script>alert(1)</script> ${'long '.repeat(18)}` }, release: null })),
    );
    expect(pages[0]).toContain('<script>alert(1)</script>');
  });
  describe('of labels from the roll', () => {
    const labels = (wish = {}): Partial<TicketOf> => ({ spec: labelSpec(480_000, wish), customer: 'Marlock Dairy' });
    it('has a page for the roll store, plates, ink, press, camera, sheeter, rejects, stacks and packing', async () => {
      const pages = words(await ticketPdf(of(labels())));
      const heads = ['Roll store', 'Imager 1', 'Web press 7', 'Camera on web press 7', 'Sheeter 2', 'Inspection table', 'Packing'];
      for (const machine of heads) expect(pages.some((p) => p.includes(machine))).toBe(true);
      expect(pages.some((p) => p.includes('roll') && p.includes('metres') && p.includes('core'))).toBe(true);
    });
    it('asks two signatures where faulty sheets are destroyed, one where they are recycled', async () => {
      const destroyed = words(await ticketPdf(of(labels()))).join(' ');
      expect(destroyed).toContain('second signature (witness)');
      const recycled = words(await ticketPdf(of(labels({ rejects: 'recycle' })))).join(' ');
      expect(recycled).not.toContain('witness)');
      expect(recycled).toContain('recycled on, weight');
    });
    it('keeps the books of the rejects: in, good, destroyed, nothing left over', async () => {
      const page = words(await ticketPdf(of(labels()))).find((p) => p.includes('left over'));
      expect(page).toMatch(/20 620 20 000 620 0/);
    });
  });
});
