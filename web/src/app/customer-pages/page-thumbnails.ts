import { signal } from '@angular/core';
import type { PDFDocumentProxy } from 'pdfjs-dist';
import type { ReadPdf, TrimBox } from './pdf-pages';
import { openPdf } from './open-pdf';

/** Longest side of a picture, in pixels: enough to know a page again. */
const LONGEST_PX = 260;

/** The pages of a customer's file as small pictures, trimmed, drawn one after another. */
export class PageThumbnails {
  private readonly pictures = signal<ReadonlyMap<number, string>>(new Map());
  /** Pictures by page of the file, from 0, as far as they are drawn. */
  readonly drawn = this.pictures.asReadonly();
  private pdf: ReadPdf | null = null;
  private opened: Promise<PDFDocumentProxy> | null = null;
  private wanted: readonly number[] = [];
  private isDrawing = false;

  /** Another file, or none: what was drawn of the one before is let go. */
  open(pdf: ReadPdf | null): void {
    if (pdf === this.pdf) return;
    this.pdf = pdf;
    void this.opened?.then(
      (document) => document.loadingTask.destroy(),
      () => undefined,
    );
    this.opened = null;
    this.wanted = [];
    for (const url of this.pictures().values()) URL.revokeObjectURL(url);
    this.pictures.set(new Map());
  }

  /** What is wanted now; what was asked before and is not drawn yet is not drawn any more. */
  draw(pages: readonly number[]): void {
    this.wanted = [...new Set(pages)];
    if (!this.isDrawing) void this.drawNext();
  }

  private async drawNext(): Promise<void> {
    const { pdf } = this;
    const page = this.wanted.find((p) => !this.pictures().has(p));
    this.isDrawing = pdf !== null && page !== undefined;
    if (pdf === null || page === undefined) return;
    const url = await this.picture(pdf, page).catch(() => null);
    if (pdf !== this.pdf) {
      if (url) URL.revokeObjectURL(url);
    } else if (url) this.pictures.update((all) => new Map(all).set(page, url));
    // A page that cannot be drawn stays without a picture.
    else this.wanted = this.wanted.filter((p) => p !== page);
    return this.drawNext();
  }

  private async picture({ file, trims }: ReadPdf, number: number): Promise<string> {
    this.opened ??= openPdf(file);
    const page = await (await this.opened).getPage(number + 1);
    const trim = trims[number] ?? [0, 0, page.view[2] ?? 0, page.view[3] ?? 0];
    const [left, top, right, bottom] = page.getViewport({ scale: 1 }).convertToViewportRectangle(trim) as TrimBox;
    const [wide, tall] = [Math.abs(right - left), Math.abs(bottom - top)];
    const scale = LONGEST_PX / Math.max(wide, tall);
    const viewport = page.getViewport({ scale, offsetX: -Math.min(left, right) * scale, offsetY: -Math.min(top, bottom) * scale });
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [Math.ceil(wide * scale), Math.ceil(tall * scale)];
    await page.render({ canvas, viewport }).promise;
    page.cleanup();
    const blob = await new Promise<Blob | null>((done) => {
      canvas.toBlob(done);
    });
    if (!blob) throw new Error('the browser made no picture of the page');
    return URL.createObjectURL(blob);
  }
}
