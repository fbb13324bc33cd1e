import { PDFDocument, PDFName, type PDFPage } from 'pdf-lib';
import type { PdfPage } from '@druckerei/core';

/** A point of a PDF in millimetres (ISO 32000: 1/72 inch). */
const POINT_MM = 25.4 / 72;

const TRIM_BOX = PDFName.of('TrimBox');

export type PdfRead = { kind: 'read'; pages: PdfPage[] } | { kind: 'refused'; why: 'locked' | 'broken' | 'empty' };

/** The boxes of a page, upright as it is seen. A page without a trim box is as large as it is shown. */
function pageOf(page: PDFPage): PdfPage {
  const [trim, bleed] = [page.getTrimBox(), page.getBleedBox()];
  const isTrimSaid = page.node.has(TRIM_BOX);
  const around = [
    trim.x - bleed.x,
    trim.y - bleed.y,
    bleed.x + bleed.width - trim.x - trim.width,
    bleed.y + bleed.height - trim.y - trim.height,
  ];
  const isTurned = Math.abs(page.getRotation().angle) % 180 === 90;
  const [width, height] = isTurned ? [trim.height, trim.width] : [trim.width, trim.height];
  return {
    widthMm: width * POINT_MM,
    heightMm: height * POINT_MM,
    bleedMm: isTrimSaid ? Math.max(Math.min(...around), 0) * POINT_MM : 0,
    isTrimSaid,
  };
}

/** Reads how many pages a PDF has and how large they are; says why where it cannot. */
export async function readPages(bytes: ArrayBuffer): Promise<PdfRead> {
  try {
    const pdf = await PDFDocument.load(bytes, { updateMetadata: false, ignoreEncryption: true });
    if (pdf.isEncrypted) return { kind: 'refused', why: 'locked' };
    const pages = pdf.getPages().map(pageOf);
    return pages.length > 0 ? { kind: 'read', pages } : { kind: 'refused', why: 'empty' };
  } catch {
    return { kind: 'refused', why: 'broken' };
  }
}
