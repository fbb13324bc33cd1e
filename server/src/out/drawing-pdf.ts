import svgToPdf from 'svg-to-pdfkit';
import { formatNumber, type Scene, sceneSvg } from '@druckerei/core';
import { Refused } from '../errors';
import { COLOUR, MM, openPdf } from '../ticket/open-pdf';
import { drawInLayers } from './pdf-layers';

const MARGIN_MM = 10;
/** Below the drawing: the bar, and what it says. */
const FOOT_MM = 16;
const BAR_MM = 100;
const HAIRLINE_MM = 0.25;
/** A page is at most so long: 14,400 points, as the PDF standard (ISO 32000-1, annex C) has it. */
export const MOST_PAGE_MM = 14_400 / MM;

/** A drawing on a page as large as it is, at 1:1, in layers by processing step, with a bar of 100 mm to check the printer by; of one that is not to scale its proportions. */
export async function drawingPdf(scene: Scene, at: number): Promise<Uint8Array> {
  const { w, h } = scene.box;
  const size: [number, number] = [Math.max(w, BAR_MM) + 2 * MARGIN_MM, h + 2 * MARGIN_MM + FOOT_MM];
  if (Math.max(...size) > MOST_PAGE_MM)
    throw new Refused(
      422,
      'size',
      `It measures ${formatNumber(w)} × ${formatNumber(h)} mm: longer than a page of a PDF may be. Take it as SVG.`,
    );
  const { doc, bytes } = openPdf({ title: scene.title, at, sizeMm: size });
  doc.addPage();
  drawInLayers(doc, scene, (shapes) =>
    svgToPdf(doc, sceneSvg(shapes, HAIRLINE_MM), MARGIN_MM * MM, MARGIN_MM * MM, {
      width: w * MM,
      height: h * MM,
      preserveAspectRatio: 'xMinYMin meet',
      assumePt: false,
      fontCallback: () => 'Sans',
    }),
  );
  const y = MARGIN_MM + h + 6;
  const line = (x1: number, y1: number, x2: number, y2: number): void =>
    void doc
      .moveTo(x1 * MM, y1 * MM)
      .lineTo(x2 * MM, y2 * MM)
      .lineWidth(HAIRLINE_MM * MM)
      .strokeColor(COLOUR.ink)
      .stroke();
  if (scene.toScale) {
    line(MARGIN_MM, y, MARGIN_MM + BAR_MM, y);
    for (const x of [0, BAR_MM / 2, BAR_MM]) line(MARGIN_MM + x, y - 1.5, MARGIN_MM + x, y + 1.5);
  }
  doc
    .font('Sans')
    .fontSize(8)
    .fillColor(COLOUR.soft)
    .text(
      scene.toScale
        ? `${scene.title} · 1:1 · this bar is ${BAR_MM} mm: print without fitting to the page`
        : `${scene.title} · not to scale`,
      MARGIN_MM * MM,
      (y + 2) * MM,
      { lineBreak: false },
    );
  return bytes();
}
