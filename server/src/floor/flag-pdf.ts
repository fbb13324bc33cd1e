import { toSVG } from 'bwip-js/node';
import svgToPdf from 'svg-to-pdfkit';
import { formatMoment, formatNumber, label, pileScan, UNIT_WORDS } from '@druckerei/core';
import type { Pile } from '@druckerei/contract';
import { type Font, MM, openPdf } from '../ticket/open-pdf';

export interface FlagOf {
  pile: Pile;
  title: string;
  customer: string;
  gripper: string;
  lay: string;
  side: string;
  caution: string;
  timeZone: string;
  printedAt: number;
}

/** A pile's flag: A5 lying, to be read from the truck, with its code to scan. State stands in the largest letters; what must wait says until when. */
export async function flagPdf(of: FlagOf): Promise<Uint8Array> {
  const { pile } = of;
  const name = `${pile.number}-${String(pile.nr).padStart(2, '0')}`;
  const { doc, bytes } = openPdf({ title: `Pile ${name} ${of.title}`, at: of.printedAt, sizeMm: [210, 148] });
  doc.addPage();
  const text = (s: string, x: number, y: number, pt: number, font: Font = 'Sans', colour = '#1F1E1B', width = 190 - x + 10): void =>
    void doc
      .font(font)
      .fontSize(pt)
      .fillColor(colour)
      .text(s, x * MM, y * MM, { width: width * MM, height: pt * 2.4, ellipsis: true });
  const fact = (what: string, says: string, x: number, y: number, width = 90): void => {
    if (says === '') return;
    text(what, x, y, 9.5, 'Sans', '#676257', width);
    text(says, x, y + 4.5, 14, 'Strong', '#1F1E1B', width);
  };
  text(`${pile.number} · ${of.customer}`, 10, 9, 11, 'Sans', '#676257', 140);
  text(of.title, 10, 14, 19, 'Serif', '#1F1E1B', 140);
  text(name, 10, 28, 44, 'Strong', '#1F1E1B', 140);
  svgToPdf(doc, toSVG({ bcid: 'qrcode', text: pileScan(pile.number, pile.id), scale: 3 }), 158 * MM, 9 * MM, {
    width: 42 * MM,
    height: 42 * MM,
    assumePt: false,
  });
  text(pileScan(pile.number, pile.id), 158, 52, 11, 'Sans', '#1F1E1B', 46);
  const held = pile.state !== 'good';
  text(label(`pile.${pile.state}`), 10, 50, 26, 'Strong', held ? '#B4371F' : '#1B6A63', 140);
  const unit = UNIT_WORDS[pile.unit]?.[pile.inHand === 1 ? 0 : 1] ?? pile.unit;
  text(`${formatNumber(pile.inHand)} ${unit}`, 10, 64, 26, 'Strong', '#1F1E1B', 180);
  fact('from', pile.stepName, 10, 82);
  fact('next', pile.next === '' ? 'dispatch' : pile.next, 105, 82);
  fact('wait until', pile.waitUntil === null ? '' : formatMoment(pile.waitUntil, of.timeZone), 10, 98);
  fact('side printed', of.side, 105, 98);
  fact('gripper', of.gripper, 10, 114);
  fact('lay corner', of.lay, 105, 114);
  text(of.caution, 10, 131, 9.5, 'Sans', '#8A5E00', 190);
  text(
    `Printed ${formatMoment(of.printedAt, of.timeZone)}. What was counted later stands in the log, not here.`,
    10,
    140,
    8,
    'Sans',
    '#676257',
    190,
  );
  return bytes();
}
