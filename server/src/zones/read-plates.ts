import type { PlatesAsk, PlatesRead } from './plates';
import { NoSeparation, readSeparation } from './separation';

/** Reads a picture as the separation of one ink, a PDF page as those of all that are asked for. @throws NoSeparation what cannot be read, by name */
export async function readPlates(
  { bytes, page, inkIsDark, inks }: PlatesAsk,
  tell: (done: number, of: number) => void,
): Promise<PlatesRead> {
  if (Buffer.from(bytes.buffer, bytes.byteOffset, Math.min(bytes.byteLength, 1_024)).includes('%PDF-')) {
    const { readPdf } = await import('./pdf/read-pdf');
    return readPdf(bytes, page, inks, tell);
  }
  const [ink, ...more] = inks;
  if (ink === undefined || more.length > 0)
    throw new NoSeparation('A picture holds one colour. Drop it on the name of its ink; a PDF holds all of them.');
  const plate = await readSeparation(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength), inkIsDark, tell);
  return { plates: { [ink]: plate }, absent: [], leftAside: [] };
}
