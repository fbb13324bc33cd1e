import { degrees, PDFDocument, type PDFEmbeddedPage, PDFName, type PDFPage } from 'pdf-lib';
import type { PdfPage, SideToFill } from '@druckerei/core';

/** A point of a PDF in millimetres (ISO 32000: 1/72 inch). */
const POINT_MM = 25.4 / 72;

const TRIM_BOX = PDFName.of('TrimBox');

/** The trimmed page in a PDF's own points: left, lower, right, upper. */
export type TrimBox = [number, number, number, number];

/** A customer's file whose pages can be shown. */
export interface ReadPdf {
  file: File;
  trims: TrimBox[];
}

/** What is asked: the pages of a file, or a file's pages in their places. */
export type PdfAsk = { kind: 'read'; file: File } | { kind: 'place'; file: File; sides: SideToFill[] };
export type PdfAnswer = PdfRead | { kind: 'placed'; bytes: Uint8Array<ArrayBuffer> };
export type PdfRead = { kind: 'read'; pages: PdfPage[]; trims: TrimBox[] } | { kind: 'refused'; why: 'locked' | 'broken' | 'empty' };

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
    isTurned,
  };
}

function trimOf(page: PDFPage): TrimBox {
  const { x, y, width, height } = page.getTrimBox();
  return [x, y, x + width, y + height];
}

/** Reads how many pages a PDF has and how large they are; says why where it cannot. */
export async function readPages(bytes: ArrayBuffer): Promise<PdfRead> {
  try {
    const pdf = await PDFDocument.load(bytes, { updateMetadata: false, ignoreEncryption: true });
    if (pdf.isEncrypted) return { kind: 'refused', why: 'locked' };
    const pages = pdf.getPages();
    return pages.length > 0 ? { kind: 'read', pages: pages.map(pageOf), trims: pages.map(trimOf) } : { kind: 'refused', why: 'empty' };
  } catch {
    return { kind: 'refused', why: 'broken' };
  }
}

/** How far a page reaches beyond its trim, as it is read; mm. */
interface Beyond {
  left: number;
  right: number;
  head: number;
  foot: number;
}
/** Bleed that is placed at the most: what the page has, no more than its place has room for. Common practice, no source. */
const MOST_BLEED_MM = 5;

/** Room around the trim within its place, as the page is read. */
function roomAround({ trim, cell, head }: SideToFill['places'][number]): Beyond {
  const low = { x: trim.x - cell.x, y: trim.y - cell.y };
  const high = { x: cell.x + cell.w - trim.x - trim.w, y: cell.y + cell.h - trim.y - trim.h };
  switch (head) {
    case 'n':
      return { left: low.x, right: high.x, head: high.y, foot: low.y };
    case 's':
      return { left: high.x, right: low.x, head: low.y, foot: high.y };
    case 'w':
      return { left: low.y, right: high.y, head: low.x, foot: high.x };
    case 'e':
      return { left: high.y, right: low.y, head: high.x, foot: low.x };
  }
}

/** Where the lower left corner of a page, as it is read, comes to lie, and how it is turned. */
function cornerOf({ trim, head }: SideToFill['places'][number], { left, foot }: Beyond): { x: number; y: number; turn: number } {
  switch (head) {
    case 'n':
      return { x: trim.x - left, y: trim.y - foot, turn: 0 };
    case 's':
      return { x: trim.x + trim.w + left, y: trim.y + trim.h + foot, turn: 180 };
    case 'w':
      return { x: trim.x + trim.w + foot, y: trim.y - left, turn: 90 };
    case 'e':
      return { x: trim.x - foot, y: trim.y + trim.h + left, turn: -90 };
  }
}

/** A PDF of printed sides at true size, a page a side as that side is seen, gripper edge below, with a customer's pages in their places. */
export async function placePages(bytes: ArrayBuffer, sides: readonly SideToFill[]): Promise<Uint8Array> {
  const from = await PDFDocument.load(bytes, { updateMetadata: false });
  const out = await PDFDocument.create();
  const embedded = new Map<string, Promise<PDFEmbeddedPage>>();
  for (const { sheetMm, places } of sides) {
    const sheet = out.addPage([sheetMm[0] / POINT_MM, sheetMm[1] / POINT_MM]);
    for (const place of places) {
      const page = from.getPage(place.pdfPage);
      // Nothing is drawn of an empty page.
      if (!page.node.Contents()) continue;
      const [trim, bleed] = [page.getTrimBox(), page.getBleedBox()];
      const room = roomAround(place);
      const has: Beyond = {
        left: (trim.x - bleed.x) * POINT_MM,
        right: (bleed.x + bleed.width - trim.x - trim.width) * POINT_MM,
        foot: (trim.y - bleed.y) * POINT_MM,
        head: (bleed.y + bleed.height - trim.y - trim.height) * POINT_MM,
      };
      const beyond = (at: keyof Beyond): number => Math.max(Math.min(has[at], room[at], MOST_BLEED_MM), 0);
      const shown: Beyond = { left: beyond('left'), right: beyond('right'), head: beyond('head'), foot: beyond('foot') };
      const box = {
        left: trim.x - shown.left / POINT_MM,
        right: trim.x + trim.width + shown.right / POINT_MM,
        bottom: trim.y - shown.foot / POINT_MM,
        top: trim.y + trim.height + shown.head / POINT_MM,
      };
      const key = `${place.pdfPage} ${Object.values(box).join(' ')}`;
      const drawn = embedded.get(key) ?? out.embedPage(page, box);
      embedded.set(key, drawn);
      const { x, y, turn } = cornerOf(place, shown);
      sheet.drawPage(await drawn, { x: x / POINT_MM, y: y / POINT_MM, rotate: degrees(turn) });
    }
  }
  return out.save();
}
