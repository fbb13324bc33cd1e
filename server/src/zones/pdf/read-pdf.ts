import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createCanvas } from '@napi-rs/canvas';
import { PDFArray, PDFDocument, PDFHexString, PDFName, type PDFObject, type PDFPage, PDFString } from 'pdf-lib';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { CoverageSums, NoSeparation, type SeparationRead } from '../separation';
import type { PlatesRead } from '../plates';
import { colorantOf, dictOf, isProcess, Met } from './colorants';
import { showOnePlate } from './one-plate';

/** Enough for ink zones, and little enough for a page of any size. */
const DRAWN_PIXELS = 12_000_000;
const MOST_DPI = 150;
const POINTS_AN_INCH = 72;

/** Where the reader's own fonts and decoders lie: nothing is fetched. */
const ASSETS = dirname(fileURLToPath(import.meta.resolve('pdfjs-dist/package.json')));

/**
 * Separates a page for the inks of a pass, and reads each plate inside the trim box to its sums.
 * A page kept as plates already (ISO 32000-1, 14.11.4: SeparationInfo) is read from the page of its colour; a page in grey only, asked for one ink, is that ink's picture.
 * @throws NoSeparation no PDF, locked, no such page, colours that are no inks, effects that cannot be told apart plate by plate
 */
export async function readPdf(
  bytes: Uint8Array,
  pageNumber: number,
  inks: readonly string[],
  tell: (done: number, of: number) => void,
): Promise<PlatesRead> {
  const { kept, colours } = await surveyed(bytes, pageNumber);
  const read: PlatesRead = { plates: {}, absent: [], leftAside: [] };
  const asked = inks.map(colorantOf);
  read.leftAside = [...colours.spots].filter(([colorant]) => !asked.includes(colorant)).map(([, as]) => as);
  const pictureOfOne = inks.length === 1 && !kept && !colours.coloured;
  for (const [nr, ink] of inks.entries()) {
    tell(nr, inks.length);
    const colorant = colorantOf(ink);
    const there = kept ? kept.has(colorant) : pictureOfOne || isProcess(colorant) || colours.spots.has(colorant);
    if (there) read.plates[ink] = await plateOf(bytes, kept?.get(colorant) ?? pageNumber, kept || pictureOfOne ? 'K' : colorant);
    else read.absent.push(ink);
  }
  tell(inks.length, inks.length);
  return read;
}

/** What colours a page has; `kept`: the pages it was kept as, by colorant, if it was. */
async function surveyed(bytes: Uint8Array, pageNumber: number): Promise<{ kept: Map<string, number> | null; colours: Met }> {
  const doc = await opened(bytes);
  const pages = pagesOf(doc);
  const page = pages[pageNumber - 1];
  if (!page)
    throw new NoSeparation(`The PDF has ${pages.length} ${pages.length === 1 ? 'page' : 'pages'}: there is no page ${pageNumber}.`);
  const colours = new Met();
  const kept = keptPlates(doc, pages, page, colours);
  if (!kept) showOnePlate(page, 'K', colours);
  return { kept, colours };
}
/** The plate of one colorant. A document is rewritten for one only, so it is opened anew. */
async function plateOf(bytes: Uint8Array, pageNumber: number, colorant: string): Promise<SeparationRead> {
  const doc = await opened(bytes);
  const page = doc.getPage(pageNumber - 1);
  showOnePlate(page, colorant, new Met());
  return drawn(await doc.save({ useObjectStreams: false, addDefaultPage: false }), pageNumber, page.getTrimBox());
}
async function opened(bytes: Uint8Array): Promise<PDFDocument> {
  try {
    return await PDFDocument.load(bytes, { updateMetadata: false, throwOnInvalidObject: true });
  } catch (error) {
    if (String(error).includes('encrypted')) throw new NoSeparation('The PDF is locked. Save it without a password.');
    throw new NoSeparation('The PDF is damaged, or breaks off.');
  }
}
function pagesOf(doc: PDFDocument): PDFPage[] {
  try {
    return doc.getPages();
  } catch {
    throw new NoSeparation('The PDF is damaged: its pages cannot be found.');
  }
}
/** The pages a composite page was kept as, by their colorants; null: it was not. Source: ISO 32000-1, 14.11.4 */
function keptPlates({ context }: PDFDocument, pages: PDFPage[], page: PDFPage, colours: Met): Map<string, number> | null {
  const listed = context.lookup(dictOf(context, page.node, 'SeparationInfo').get(PDFName.of('Pages')));
  if (!(listed instanceof PDFArray)) return null;
  const kept = new Map<string, number>();
  pages.forEach((p, i) => {
    const as = textOf(context.lookup(dictOf(context, p.node, 'SeparationInfo').get(PDFName.of('DeviceColorant'))));
    if (as === '' || !listed.asArray().includes(p.ref)) return;
    kept.set(colorantOf(as), i + 1);
    if (!isProcess(colorantOf(as))) colours.spots.set(colorantOf(as), as);
  });
  return kept;
}
const textOf = (o: PDFObject | undefined): string =>
  o instanceof PDFName || o instanceof PDFString || o instanceof PDFHexString ? o.decodeText() : '';

/** Draws a page of grey inside its trim box (without one the crop box, without that the whole page), and reads it to sums. */
async function drawn(bytes: Uint8Array, pageNumber: number, trim: ReturnType<PDFPage['getTrimBox']>): Promise<SeparationRead> {
  const task = getDocument({
    data: bytes,
    verbosity: 0,
    enableXfa: false,
    useSystemFonts: false,
    disableFontFace: true,
    standardFontDataUrl: join(ASSETS, 'standard_fonts/'),
    cMapUrl: join(ASSETS, 'cmaps/'),
    wasmUrl: join(ASSETS, 'wasm/'),
  });
  try {
    const pdf = await task.promise;
    const page = await pdf.getPage(pageNumber);
    const dpi = Math.min(MOST_DPI, POINTS_AN_INCH * Math.sqrt(DRAWN_PIXELS / (trim.width * trim.height * page.userUnit ** 2)));
    const scale = dpi / POINTS_AN_INCH;
    const whole = page.getViewport({ scale });
    const [x0, y0, x1, y1] = whole.convertToViewportRectangle([trim.x, trim.y, trim.x + trim.width, trim.y + trim.height]) as [
      number,
      number,
      number,
      number,
    ];
    const [left, top] = [Math.min(x0, x1), Math.min(y0, y1)];
    const [exactW, exactH] = [Math.abs(x1 - x0), Math.abs(y1 - y0)];
    const [width, height] = [Math.max(Math.round(exactW), 1), Math.max(Math.round(exactH), 1)];
    const viewport = page.getViewport({ scale, offsetX: -left, offsetY: -top });
    // Stretched to whole pixels, or the last column and row would be half empty.
    const transform = [width / exactW, 0, 0, height / exactH, 0, 0];
    const canvas = createCanvas(width, height);
    const onto = canvas.getContext('2d');
    await page.render({
      canvas: null,
      canvasContext: onto,
      viewport,
      transform,
      intent: 'print',
      annotationMode: 0,
    }).promise;
    const { buffer } = onto.getImageData(0, 0, width, height).data;
    const pixels = new Uint8Array(buffer);
    const sums = new CoverageSums(width, height, 255, true, () => undefined);
    for (let y = 0; y < height; y++) sums.add(pixels, 4 * y * width, 4);
    return sums.done();
  } catch (error) {
    if (error instanceof NoSeparation) throw error;
    throw new NoSeparation(`The page could not be drawn: ${error instanceof Error ? error.message : String(error)}`);
  } finally {
    await task.destroy();
  }
}
