import { deflateSync } from 'node:zlib';

/** A grey PNG of a picture by rows, with a filter of one's own choice for each row. */
export function png(
  width: number,
  height: number,
  value: (x: number, y: number) => number,
  { bits = 8, kind = 0, filter = 0, interlaced = 0 } = {},
): Buffer {
  const pixel = bits / 8;
  const rows: Buffer[] = [];
  let before = Buffer.alloc(width * pixel);
  for (let y = 0; y < height; y++) {
    const row = Buffer.alloc(width * pixel);
    for (let x = 0; x < width; x++) row.writeUIntBE(value(x, y) * (bits === 16 ? 257 : 1), x * pixel, pixel);
    const coded = Buffer.alloc(row.length);
    for (let i = 0; i < row.length; i++) {
      const [a, b, c] = [i < pixel ? 0 : row[i - pixel]!, before[i]!, i < pixel ? 0 : before[i - pixel]!];
      const p = a + b - c;
      const paeth =
        Math.abs(p - a) <= Math.abs(p - b) && Math.abs(p - a) <= Math.abs(p - c) ? a : Math.abs(p - b) <= Math.abs(p - c) ? b : c;
      coded[i] = row[i]! - [0, a, b, (a + b) >> 1, paeth][filter]!;
    }
    rows.push(Buffer.from([filter]), coded);
    before = row;
  }
  const chunk = (type: string, data: Buffer): Buffer => {
    const head = Buffer.alloc(8);
    head.writeUInt32BE(data.length, 0);
    head.write(type, 4, 'latin1');
    return Buffer.concat([head, data, Buffer.alloc(4)]); // check sums are not looked at
  };
  const ihdr = Buffer.alloc(13);
  ihdr.writeUInt32BE(width, 0);
  ihdr.writeUInt32BE(height, 4);
  ihdr.set([bits, kind, 0, 0, interlaced], 8);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', ihdr),
    chunk('IDAT', deflateSync(Buffer.concat(rows))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}
