import { createInflate, inflateSync } from 'node:zlib';
import type { CoverageProfile, InkRaster } from '@druckerei/core';

/** A separation read to its sums: its size in pixels, and what ink lies along its columns and rows. */
export interface SeparationRead {
  width: number;
  height: number;
  profile: CoverageProfile;
  /** The same in blocks, 0 to 255 of ink: what several inks lay on one spot can be added up. */
  raster: InkRaster;
}
/** A picture that is no separation we read; says what it is, and what to send. */
export class NoSeparation extends Error {}
const SEND = 'Send one colour as an 8-bit grey PNG, or a TIFF in strips, uncompressed or deflated; or a PDF.';
const refuse = (what: string): NoSeparation => new NoSeparation(`${what} ${SEND}`);

/** More than this no platesetter images at once. */
export const MOST_PIXELS = 400_000_000;
/** Nor a side longer than this: the long kind of picture takes sums of a column each. */
const MOST_SIDE = 100_000;
/** A strip is unpacked whole. */
const MOST_STRIP_BYTES = 500_000_000;
/** Rows between two words of progress. */
const TELL_ROWS = 500;

type Tell = (done: number, of: number) => void;

/** Blocks along the longer side of a raster, at most. */
const MOST_BLOCKS = 256;

/** Adds rows of pixels up; dark is ink unless it is said otherwise. */
export class CoverageSums {
  private readonly columns: Float64Array;
  private readonly rows: Float64Array;
  /** Pixels along the side of a block; blocks side by side; sums of the row of blocks under way; blocks done. */
  private readonly edge: number;
  private readonly across: number;
  private readonly open: Float64Array;
  private readonly blocks: number[] = [];
  private y = 0;

  constructor(
    readonly width: number,
    readonly height: number,
    private readonly most: number,
    private readonly inkIsDark: boolean,
    private readonly tell: Tell,
  ) {
    if (!(width > 0 && height > 0)) throw refuse('The picture has no size.');
    if (width > MOST_SIDE || height > MOST_SIDE)
      throw refuse(`The picture has ${width} × ${height} pixels; a side may have ${MOST_SIDE} at most.`);
    if (width * height > MOST_PIXELS) throw refuse(`The picture has ${width} × ${height} pixels, more than can be read.`);
    this.columns = new Float64Array(width);
    this.rows = new Float64Array(height);
    this.edge = Math.ceil(Math.max(width, height) / MOST_BLOCKS);
    this.across = Math.ceil(width / this.edge);
    this.open = new Float64Array(this.across);
  }
  /** One row; `step` bytes a pixel, of which the first (16 bit: the high one) counts. */
  add(row: Uint8Array, from: number, step: number): void {
    if (this.y >= this.height) return;
    let sum = 0;
    const { columns, width, open, edge, across } = this;
    for (let b = 0, x = 0, at = from; b < across; b++) {
      let block = 0;
      for (const end = Math.min(x + edge, width); x < end; x++, at += step) {
        const v = row[at] as number;
        columns[x] = (columns[x] as number) + v;
        block += v;
      }
      open[b] = (open[b] as number) + block;
      sum += block;
    }
    this.rows[this.y++] = sum;
    if (this.y % edge === 0 || this.y === this.height) this.closeBlocks();
    if (this.y % TELL_ROWS === 0) this.tell(this.y, this.height);
  }
  private closeBlocks(): void {
    const rows = this.y % this.edge || this.edge;
    for (let b = 0; b < this.across; b++) {
      const pixels = rows * (Math.min((b + 1) * this.edge, this.width) - b * this.edge);
      this.blocks.push(Math.round(255 * this.share(this.open[b] as number, pixels)));
    }
    this.open.fill(0);
  }
  private share(sum: number, pixels: number): number {
    const grey = sum / (pixels * this.most);
    return this.inkIsDark ? 1 - grey : grey;
  }
  done(): SeparationRead {
    const { width, height, across } = this;
    if (this.y < height) throw refuse(`The picture breaks off after ${this.y} of ${height} rows.`);
    const columns = Array.from(this.columns, (s) => this.share(s, height));
    const rows = Array.from(this.rows, (s) => this.share(s, width));
    const mean = rows.reduce((a, b) => a + b, 0) / rows.length;
    return { width, height, profile: { columns, rows, mean }, raster: { across, values: Uint8Array.from(this.blocks) } };
  }
}

const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const PNG_KINDS: Record<number, string> = {
  2: 'in RGB',
  3: 'in colours of a palette',
  4: 'grey with transparency',
  6: 'in RGB with transparency',
};

/** Reads a separation row by row: the whole picture is never unpacked at once. @throws NoSeparation another kind, or one that breaks off */
export async function readSeparation(bytes: Buffer, inkIsDark: boolean, tell: Tell = () => undefined): Promise<SeparationRead> {
  if (PNG.every((b, i) => bytes[i] === b)) return readPng(bytes, inkIsDark, tell);
  const order = bytes.subarray(0, 2).toString('latin1');
  if (order === 'II' || order === 'MM') return readTiff(bytes, order === 'II', inkIsDark, tell);
  throw refuse('This is neither PNG, TIFF nor PDF.');
}

async function readPng(bytes: Buffer, inkIsDark: boolean, tell: Tell): Promise<SeparationRead> {
  if (bytes.length < 33 || bytes.toString('latin1', 12, 16) !== 'IHDR') throw refuse('The PNG breaks off in its head.');
  const [width, height, bits, kind, interlaced] = [bytes.readUInt32BE(16), bytes.readUInt32BE(20), bytes[24], bytes[25], bytes[28]];
  if (kind !== 0) throw refuse(`The PNG is ${PNG_KINDS[kind ?? -1] ?? 'of an unknown kind'}.`);
  if (bits !== 8 && bits !== 16) throw refuse(`The PNG has ${bits ?? '?'} bits a pixel.`);
  if (interlaced !== 0) throw refuse('The PNG is interlaced.');
  const pixel = bits / 8;
  const sums = new CoverageSums(width, height, 255, inkIsDark, tell);
  const rows = new Unfilter(width * pixel, pixel, (row) => {
    sums.add(row, 0, pixel);
  });
  const inflate = createInflate({ chunkSize: 1 << 18 });
  const finished = new Promise<void>((resolve, reject) => {
    inflate.on('data', (chunk: Buffer) => {
      rows.take(chunk);
    });
    inflate.on('end', resolve);
    inflate.on('error', () => {
      reject(refuse('The PNG is damaged, or breaks off.'));
    });
  });
  finished.catch(() => undefined); // heard below
  for (let at = 8; at + 8 <= bytes.length;) {
    const length = bytes.readUInt32BE(at);
    const type = bytes.toString('latin1', at + 4, at + 8);
    if (type === 'IEND') break;
    if (type === 'IDAT' && !inflate.write(bytes.subarray(at + 8, Math.min(at + 8 + length, bytes.length))))
      await Promise.race([new Promise((resolve) => inflate.once('drain', resolve)), finished]);
    at += 12 + length;
  }
  inflate.end();
  await finished;
  return sums.done();
}

/** Takes the row filters of PNG off again. Source: PNG specification (ISO/IEC 15948), 9.2. */
class Unfilter {
  private row: Uint8Array;
  private before: Uint8Array;
  private at = -1;
  private filter = 0;

  constructor(
    private readonly length: number,
    private readonly pixel: number,
    private readonly onRow: (row: Uint8Array) => void,
  ) {
    this.row = new Uint8Array(length);
    this.before = new Uint8Array(length);
  }
  take(chunk: Uint8Array): void {
    for (let i = 0; i < chunk.length;) {
      if (this.at < 0) {
        this.filter = chunk[i++] as number;
        this.at = 0;
        continue;
      }
      const part = Math.min(this.length - this.at, chunk.length - i);
      this.row.set(chunk.subarray(i, i + part), this.at);
      this.at += part;
      i += part;
      if (this.at === this.length) this.end();
    }
  }
  private end(): void {
    const { row, before, pixel, length } = this;
    switch (this.filter) {
      case 0:
        break;
      case 1:
        for (let i = pixel; i < length; i++) row[i] = (row[i] as number) + (row[i - pixel] as number);
        break;
      case 2:
        for (let i = 0; i < length; i++) row[i] = (row[i] as number) + (before[i] as number);
        break;
      case 3:
        for (let i = 0; i < length; i++)
          row[i] = (row[i] as number) + (((i < pixel ? 0 : (row[i - pixel] as number)) + (before[i] as number)) >> 1);
        break;
      case 4:
        for (let i = 0; i < length; i++) {
          const a = i < pixel ? 0 : (row[i - pixel] as number);
          const b = before[i] as number;
          const c = i < pixel ? 0 : (before[i - pixel] as number);
          const p = a + b - c;
          const [pa, pb, pc] = [p > a ? p - a : a - p, p > b ? p - b : b - p, p > c ? p - c : c - p];
          row[i] = (row[i] as number) + (pa <= pb && pa <= pc ? a : pb <= pc ? b : c);
        }
        break;
      default:
        throw refuse('The PNG is damaged: it names a filter that does not exist.');
    }
    this.onRow(row);
    [this.row, this.before, this.at] = [before, row, -1];
  }
}

const TAGS = {
  width: 256,
  height: 257,
  bits: 258,
  compression: 259,
  photometric: 262,
  offsets: 273,
  samples: 277,
  rowsPerStrip: 278,
  counts: 279,
  predictor: 317,
  tiles: 322,
};
const KNOWN_TAGS = new Set<number>(Object.values(TAGS));
const TIFF_KINDS: Record<number, string> = {
  2: 'fax-coded',
  3: 'fax-coded',
  4: 'fax-coded',
  5: 'packed with LZW',
  6: 'packed as JPEG',
  7: 'packed as JPEG',
  32773: 'packed with PackBits',
};

/** Source: TIFF 6.0 (1992), baseline grey images in strips; deflate: Adobe's technical note of 2002. */
function readTiff(bytes: Buffer, little: boolean, inkIsDark: boolean, tell: Tell): SeparationRead {
  const cut = refuse('The TIFF breaks off.');
  const u16 = (at: number): number => {
    if (at < 0 || at + 2 > bytes.length) throw cut;
    return little ? bytes.readUInt16LE(at) : bytes.readUInt16BE(at);
  };
  const u32 = (at: number): number => {
    if (at < 0 || at + 4 > bytes.length) throw cut;
    return little ? bytes.readUInt32LE(at) : bytes.readUInt32BE(at);
  };
  if (u16(2) !== 42) throw refuse('The TIFF is of the large kind (BigTIFF).');
  const directory = u32(4);
  const tags = new Map<number, number[]>();
  for (let i = 0, n = u16(directory); i < n; i++) {
    const at = directory + 2 + 12 * i;
    const [tag, type, count] = [u16(at), u16(at + 2), u32(at + 4)];
    // Whole numbers of the tags we read, each once: a file may name any number of others, of any length.
    if ((type !== 3 && type !== 4) || !KNOWN_TAGS.has(tag) || tags.has(tag)) continue;
    if (count > MOST_SIDE) throw refuse(`The TIFF lists ${count} strips or numbers where ${MOST_SIDE} are the most.`);
    const size = type === 3 ? 2 : 4;
    const from = count * size <= 4 ? at + 8 : u32(at + 8);
    tags.set(
      tag,
      Array.from({ length: count }, (_, k) => (type === 3 ? u16(from + 2 * k) : u32(from + 4 * k))),
    );
  }
  const one = (tag: number, otherwise: number): number => tags.get(tag)?.[0] ?? otherwise;
  const [width, height, compression] = [one(TAGS.width, 0), one(TAGS.height, 0), one(TAGS.compression, 1)];
  if (tags.has(TAGS.tiles)) throw refuse('The TIFF is in tiles.');
  if (one(TAGS.samples, 1) !== 1) throw refuse(`The TIFF holds ${one(TAGS.samples, 1)} channels.`);
  const bits = one(TAGS.bits, 1);
  if (bits !== 8 && bits !== 16) throw refuse(`The TIFF has ${bits} bits a pixel.`);
  if (![1, 8, 32946].includes(compression)) throw refuse(`The TIFF is ${TIFF_KINDS[compression] ?? 'packed in an unknown way'}.`);
  const photometric = one(TAGS.photometric, 1);
  if (![0, 1, 5].includes(photometric)) throw refuse('The TIFF is no grey picture.');
  const predictor = one(TAGS.predictor, 1);
  if (predictor > 2) throw refuse('The TIFF is coded with floating point.');
  const pixel = bits / 8;
  // White is zero, or ink amounts: what is high is ink, whatever the picture looks like.
  const sums = new CoverageSums(width, height, 255, photometric === 1 ? inkIsDark : false, tell);
  const [offsets, counts] = [tags.get(TAGS.offsets) ?? [], tags.get(TAGS.counts) ?? []];
  const rowsPerStrip = Math.min(one(TAGS.rowsPerStrip, height), height);
  const high = little ? pixel - 1 : 0;
  for (let strip = 0, y = 0; y < height; strip++) {
    const [offset, count] = [offsets[strip], counts[strip]];
    if (offset === undefined || count === undefined || offset + count > bytes.length) throw cut;
    const packed = bytes.subarray(offset, offset + count);
    const rows = Math.min(rowsPerStrip, height - y);
    const need = rows * width * pixel;
    if (need > MOST_STRIP_BYTES) throw refuse('The TIFF has strips too large to unpack: save it with more of them.');
    const data = compression === 1 ? packed : unpacked(packed, need);
    if (data.length < need) throw cut;
    for (let r = 0; r < rows; r++, y++) {
      const from = r * width * pixel;
      if (predictor === 2) sums.add(differenced(data, from, width, pixel, high), 0, 1);
      else sums.add(data, from + high, pixel);
    }
  }
  return sums.done();
}
function unpacked(packed: Buffer, need: number): Buffer {
  try {
    return inflateSync(packed, { maxOutputLength: need + 1_024 });
  } catch {
    throw refuse('The TIFF is damaged, or breaks off.');
  }
}
/** A row whose pixels are kept as the difference from the one before; of 16 bits the high byte. */
function differenced(data: Uint8Array, from: number, width: number, pixel: number, high: number): Uint8Array {
  const row = new Uint8Array(width);
  let value = 0;
  for (let x = 0, at = from; x < width; x++, at += pixel) {
    if (pixel === 1) value = (value + (data[at] as number)) & 0xff;
    else value = (value + ((data[at + high] as number) << 8) + (data[at + 1 - high] as number)) & 0xffff;
    row[x] = pixel === 1 ? value : value >> 8;
  }
  return row;
}
