import { spawnSync } from 'node:child_process';
import { planned } from '@druckerei/core';
import { cardSpec, LINDMOOR, SHELF } from '../../../core/src/plan/line-1.fixture';
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
    releasedAt: SHELF.asOf,
    releasedBy: 'Anselm Hardt',
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
      await ticketPdf(
        of({ spec: { ...cardSpec(), name: `<script>alert(1)</script> ${'long '.repeat(18)}` }, releasedAt: null, releasedBy: null }),
      ),
    );
    expect(pages[0]).toContain('<script>alert(1)</script>');
  });
});
