/// <reference lib="webworker" />
import { type PdfAnswer, type PdfAsk, placePages, readPages } from './pdf-pages';

/* A customer's PDF is read and placed here, so that the page stays at hand and a large one can be given up. */

const say = (answer: PdfAnswer): void => {
  postMessage(answer);
};

addEventListener('message', ({ data }: MessageEvent<PdfAsk>) => {
  void data.file
    .arrayBuffer()
    .then(async (bytes): Promise<PdfAnswer> =>
      data.kind === 'read' ? readPages(bytes) : { kind: 'placed', bytes: new Uint8Array(await placePages(bytes, data.sides)) },
    )
    .then(say, () => {
      say({ kind: 'refused', why: 'broken' });
    });
});
