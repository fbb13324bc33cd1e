import type { Api, Replied } from '@druckerei/contract';
import { inkColour } from '@druckerei/core';

/** A separation in blocks, and where it lies. */
export type Raster = Replied<Api['zones.raster']>;

/** An ink's separation as a picture: its colour, as thick as the ink lies. */
export function artworkOf({ across, values }: Raster, ink: string): string {
  const blocks = Uint8Array.from(atob(values), (c) => c.charCodeAt(0));
  const canvas = document.createElement('canvas');
  canvas.width = across;
  canvas.height = blocks.length / across;
  const onto = canvas.getContext('2d');
  if (!onto) return '';
  onto.fillStyle = inkColour(ink);
  onto.fillRect(0, 0, canvas.width, canvas.height);
  const picture = onto.getImageData(0, 0, canvas.width, canvas.height);
  blocks.forEach((block, i) => {
    picture.data[4 * i + 3] = block;
  });
  onto.putImageData(picture, 0, 0);
  return canvas.toDataURL();
}

/** The upright picture moved and turned to where a copy lies, in a drawing whose y runs down from the tail of a sheet. */
export function placed({ x, y, w, h, turn }: Raster['places'][number], sheetH: number): { w: number; h: number; transform: string } {
  const [upW, upH] = turn % 180 === 0 ? [w, h] : [h, w];
  return { w: upW, h: upH, transform: `translate(${x + w / 2} ${sheetH - y - h / 2}) rotate(${turn}) translate(${-upW / 2} ${-upH / 2})` };
}
