import { COLOUR, type Font, MM, openPdf } from '../ticket/open-pdf';

const PAGE = { left: 20, right: 190, top: 18, bottom: 272 };
const WIDE = PAGE.right - PAGE.left;

/** A paper that goes out with goods: A4, text downwards, tables that go on on the next page; every page says what it belongs to. */
export class NotePaper {
  private y: number = PAGE.top;
  private readonly pdf: ReturnType<typeof openPdf>;

  constructor(
    private readonly title: string,
    private readonly head: string,
    at: number,
  ) {
    this.pdf = openPdf({ title, at, sizeMm: 'A4' });
    this.page();
  }

  private page(): void {
    this.pdf.doc.addPage();
    this.y = PAGE.top;
    this.put(this.head, PAGE.left, 9, { colour: COLOUR.soft });
    this.y += 8;
    this.put(this.title, PAGE.left, 18, { font: 'Serif' });
    this.y += 14;
  }
  private room(mm: number): void {
    if (this.y + mm > PAGE.bottom) this.page();
  }
  private put(
    s: string,
    x: number,
    pt: number,
    more: { font?: Font; colour?: string; width?: number; align?: 'left' | 'right' } = {},
  ): void {
    const { font = 'Sans', colour = COLOUR.ink, width = PAGE.right - x, align = 'left' } = more;
    this.pdf.doc
      .font(font)
      .fontSize(pt)
      .fillColor(colour)
      .text(s, x * MM, this.y * MM, { width: width * MM, align });
  }
  private high(s: string, pt: number, widthMm: number, font: Font = 'Sans'): number {
    return (
      this.pdf.doc
        .font(font)
        .fontSize(pt)
        .heightOfString(s || ' ', { width: widthMm * MM }) / MM
    );
  }

  /** What something is, and what it says; as many lines as it needs. */
  fact(what: string, says: string): void {
    const height = Math.max(this.high(says, 11, WIDE - 45, 'Strong'), 5) + 2;
    this.room(height);
    this.put(what, PAGE.left, 10, { colour: COLOUR.soft, width: 43 });
    this.put(says, PAGE.left + 45, 11, { font: 'Strong', width: WIDE - 45 });
    this.y += height;
  }
  text(says: string, colour: string = COLOUR.ink): void {
    const height = this.high(says, 10, WIDE) + 3;
    this.room(height);
    this.put(says, PAGE.left, 10, { colour });
    this.y += height;
  }
  heading(says: string): void {
    this.room(20);
    this.y += 4;
    this.put(says, PAGE.left, 12, { font: 'Serif' });
    this.y += 8;
  }
  /** A table; widths in mm, the columns named are set to the right. What does not fit goes on on the next page under its head. */
  table(
    head: readonly string[],
    rows: readonly (readonly string[])[],
    widths: readonly number[],
    toTheRight: readonly number[] = [],
  ): void {
    const row = (cells: readonly string[], font: Font, colour: string): void => {
      let x = PAGE.left;
      const height = Math.max(...cells.map((c, i) => this.high(c, 10, (widths[i] ?? 20) - 2, font))) + 1.6;
      cells.forEach((cell, i) => {
        const width = widths[i] ?? 20;
        this.put(cell, x, 10, { font, colour, width: width - 2, align: toTheRight.includes(i) ? 'right' : 'left' });
        x += width;
      });
      this.y += height;
      this.pdf.doc
        .moveTo(PAGE.left * MM, (this.y - 0.8) * MM)
        .lineTo(PAGE.right * MM, (this.y - 0.8) * MM)
        .lineWidth(0.4)
        .strokeColor(COLOUR.line)
        .stroke();
    };
    this.room(14);
    row(head, 'Sans', COLOUR.soft);
    for (const cells of rows) {
      const height = Math.max(...cells.map((c, i) => this.high(c, 10, (widths[i] ?? 20) - 2))) + 1.6;
      if (this.y + height > PAGE.bottom) {
        this.page();
        row(head, 'Sans', COLOUR.soft);
      }
      row(cells, 'Sans', COLOUR.ink);
    }
    this.y += 3;
  }
  /** Lines to fill in by hand; they stay together. */
  blanks(...what: string[]): void {
    this.room(what.length * 11);
    for (const says of what) {
      this.y += 6;
      this.put(says, PAGE.left, 9, { colour: COLOUR.soft, width: 60 });
      this.pdf.doc
        .moveTo((PAGE.left + 62) * MM, (this.y + 4) * MM)
        .lineTo(PAGE.right * MM, (this.y + 4) * MM)
        .lineWidth(0.6)
        .strokeColor(COLOUR.soft)
        .stroke();
      this.y += 5;
    }
  }

  bytes(): Promise<Uint8Array> {
    const { doc } = this.pdf;
    const { count } = doc.bufferedPageRange();
    for (let i = 0; i < count; i++) {
      doc.switchToPage(i);
      doc
        .font('Sans')
        .fontSize(8)
        .fillColor(COLOUR.soft)
        .text(`${this.head} · page ${i + 1} of ${count}`, PAGE.left * MM, 285 * MM, { lineBreak: false });
    }
    return this.pdf.bytes();
  }
}
