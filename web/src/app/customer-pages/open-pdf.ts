import type { PDFDocumentProxy } from 'pdfjs-dist';

/** Fonts and decoders for what a file does not bring along, copied here at the build. */
const FILES = new URL('pdfjs/', document.baseURI).href;

/** Opens a file to draw its pages: read piece by piece as pages want it, never whole. The library comes only when it is asked for. Alone in its file, as what starts a worker is. */
export async function openPdf(file: File): Promise<PDFDocumentProxy> {
  const { getDocument, GlobalWorkerOptions, PDFDataRangeTransport } = await import('pdfjs-dist');
  GlobalWorkerOptions.workerSrc = `${FILES}pdf.worker.min.mjs`;
  const range = new PDFDataRangeTransport(file.size, null);
  range.requestDataRange = (begin: number, end: number) => {
    void file
      .slice(begin, end)
      .arrayBuffer()
      .then((bytes) => {
        range.onDataRange(begin, new Uint8Array(bytes));
      });
  };
  return getDocument({
    range,
    wasmUrl: `${FILES}wasm/`,
    standardFontDataUrl: `${FILES}standard_fonts/`,
    cMapUrl: `${FILES}cmaps/`,
    useWasm: false,
    enableXfa: false,
    disableAutoFetch: true,
    disableStream: true,
  }).promise;
}
