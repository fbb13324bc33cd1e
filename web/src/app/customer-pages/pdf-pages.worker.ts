/// <reference lib="webworker" />
import { type PdfRead, readPages } from './pdf-pages';

/* A customer's PDF is read here, so that the page stays at hand and a large one can be given up. */

const say = (read: PdfRead): void => {
  postMessage(read);
};

addEventListener('message', ({ data }: MessageEvent<File>) => {
  void data
    .arrayBuffer()
    .then(readPages)
    .then(say, () => {
      say({ kind: 'refused', why: 'broken' });
    });
});
