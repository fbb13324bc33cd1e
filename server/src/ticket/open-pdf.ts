import { readFileSync } from 'node:fs';
import PDFDocument from 'pdfkit';
import { fontDir } from './font-dir';

/** Points in a millimetre: what a PDF counts in. */
export const MM = 72 / 25.4;
export const FONT = { Sans: 'SourceSans3-Regular.ttf', Strong: 'SourceSans3-Semibold.ttf', Serif: 'SourceSerif4-Semibold.ttf' } as const;
export type Font = keyof typeof FONT;
export const COLOUR = { ink: '#1F1E1B', soft: '#676257', act: '#1B6A63', watch: '#8A5E00', fail: '#B4371F', line: '#DFD9CB' } as const;

/**
 * A document with the house's fonts. `at` (epoch seconds) is when it is made: the same input gives the same bytes.
 * `bytes` ends it and gives them.
 */
export function openPdf({ title, at, sizeMm }: { title: string; at: number; sizeMm: readonly [number, number] | 'A4' }): {
  doc: PDFKit.PDFDocument;
  bytes: () => Promise<Uint8Array>;
} {
  const stamp = new Date(at * 1000);
  const doc = new PDFDocument({
    size: sizeMm === 'A4' ? 'A4' : [sizeMm[0] * MM, sizeMm[1] * MM],
    margin: 0,
    bufferPages: true,
    autoFirstPage: false,
    lang: 'en',
    info: { Title: title, CreationDate: stamp, ModDate: stamp },
  });
  for (const [name, file] of Object.entries(FONT)) doc.registerFont(name, readFileSync(new URL(file, fontDir)));
  const chunks: Buffer[] = [];
  doc.on('data', (c: Buffer) => chunks.push(c));
  const done = new Promise<void>((resolve) => doc.on('end', resolve));
  return {
    doc,
    bytes: async () => {
      doc.end();
      await done;
      return Buffer.concat(chunks);
    },
  };
}
