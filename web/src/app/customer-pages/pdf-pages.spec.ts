import { degrees, PDFDict, PDFDocument, PDFName } from 'pdf-lib';
import { placePages, readPages } from './pdf-pages';

/* PDFs made here with a general-purpose library: boxes in points of 1/72 inch (ISO 32000). */
const PT = 72 / 25.4;
const bytesOf = async (pdf: PDFDocument): Promise<ArrayBuffer> => {
  const bytes = await pdf.save();
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer;
};
const text = (says: string): ArrayBuffer => Uint8Array.from(says, (sign) => sign.charCodeAt(0)).buffer;

describe('a PDF’s pages', () => {
  it('are read with trim and bleed, upright as they are seen', async () => {
    const pdf = await PDFDocument.create();
    const first = pdf.addPage([160 * PT, 222 * PT]);
    first.setTrimBox(6 * PT, 6 * PT, 148 * PT, 210 * PT);
    first.setBleedBox(3 * PT, 3 * PT, 154 * PT, 216 * PT);
    const turned = pdf.addPage([210 * PT, 148 * PT]);
    turned.setRotation(degrees(90));
    expect(await readPages(await bytesOf(pdf))).toEqual({
      kind: 'read',
      pages: [
        {
          widthMm: expect.closeTo(148, 6),
          heightMm: expect.closeTo(210, 6),
          bleedMm: expect.closeTo(3, 6),
          isTrimSaid: true,
          isTurned: false,
        },
        { widthMm: expect.closeTo(148, 6), heightMm: expect.closeTo(210, 6), bleedMm: 0, isTrimSaid: false, isTurned: true },
      ],
      // As they are stored, in points.
      trims: [
        [6, 6, 154, 216],
        [0, 0, 210, 148],
      ].map((box) => box.map((mm) => expect.closeTo(mm * PT, 6) as number)),
    });
  });
  it('of what is no PDF, is cut off, or is locked are refused by why', async () => {
    // The library says what it tries on a file that is cut off.
    jest.spyOn(console, 'warn').mockImplementation(() => undefined);
    const pdf = await PDFDocument.create();
    pdf.addPage();
    const whole = await bytesOf(pdf);
    expect(await readPages(text('a letter, not a PDF'))).toEqual({ kind: 'refused', why: 'broken' });
    expect(await readPages(whole.slice(0, 40))).toEqual({ kind: 'refused', why: 'broken' });
    expect(await readPages(text(LOCKED))).toEqual({ kind: 'refused', why: 'locked' });
  });
});

describe('pages placed on sheets', () => {
  it('make a PDF of the sheets at true size, a page a side, each page once in it however often it is placed', async () => {
    const pdf = await PDFDocument.create();
    for (let i = 0; i < 4; i++) {
      const page = pdf.addPage([154 * PT, 216 * PT]);
      page.setTrimBox(3 * PT, 3 * PT, 148 * PT, 210 * PT);
      // The third is empty: nothing of it is drawn.
      if (i !== 2) page.drawRectangle({ x: 20, y: 20, width: 50, height: 50 });
    }
    const place = (pdfPage: number, x: number, head: 'n' | 's') => ({
      pdfPage,
      head,
      trim: { x, y: 20, w: 148, h: 210 },
      cell: { x: x - 3, y: 17, w: 154, h: 216 },
    });
    const bytes = await placePages(await bytesOf(pdf), [
      { form: 'a', side: 'front', sheetMm: [700, 500], places: [place(0, 10, 'n'), place(3, 170, 's'), place(0, 330, 'n')] },
      { form: 'a', side: 'front', sheetMm: [700, 500], places: [place(1, 10, 'n'), place(2, 170, 's')] },
    ]);
    const made = await PDFDocument.load(bytes);
    expect(made.getPages().map((p) => [p.getWidth() / PT, p.getHeight() / PT])).toEqual([
      [expect.closeTo(700, 6), expect.closeTo(500, 6)],
      [expect.closeTo(700, 6), expect.closeTo(500, 6)],
    ]);
    const drawn = made.getPages().map((p) => p.node.Resources()?.lookup(PDFName.of('XObject'), PDFDict).keys().length);
    expect(drawn).toEqual([3, 1]);
  });
});

/** The least that a locked PDF has. */
const LOCKED = `%PDF-1.7
1 0 obj
<< /Type /Catalog /Pages 2 0 R >>
endobj
2 0 obj
<< /Type /Pages /Kids [] /Count 0 >>
endobj
3 0 obj
<< /Filter /Standard /V 2 /R 3 >>
endobj
trailer
<< /Root 1 0 R /Encrypt 3 0 R /Size 4 >>
startxref
0
%%EOF`;
