import { spawnSync } from 'node:child_process';
import { planned } from '@druckerei/core';
import { cardSpec, LINDMOOR, SHELF } from '../../../core/src/plan/line-1.fixture';
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
      expect(page).toMatch(/20208 20000 208 0/);
    });
  });
});
