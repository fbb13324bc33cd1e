import { execFileSync } from 'node:child_process';
import { deflateSync } from 'node:zlib';
import { bundle } from './bundle.mjs';
import { ROOT } from './run.mjs';

/** A grey PNG of so many pixels a side, with something on every row; rows coded by the difference from the row above. */
export function largePng(side) {
  const rows = Buffer.alloc((side + 1) * side);
  let seed = 7;
  for (let y = 0; y < side; y++) {
    const at = y * (side + 1);
    rows[at] = 2;
    for (let i = 0; i < 200; i++) {
      seed = (seed * 48271) % 2147483647;
      rows[at + 1 + (seed % side)] = seed & 0xff;
    }
  }
  const chunk = (type, data) => {
    const head = Buffer.alloc(8);
    head.writeUInt32BE(data.length, 0);
    head.write(type, 4, 'latin1');
    return Buffer.concat([head, data, Buffer.alloc(4)]);
  };
  const ihdr = Buffer.alloc(13);
  ihdr.writeUInt32BE(side, 0);
  ihdr.writeUInt32BE(side, 4);
  ihdr.set([8, 0, 0, 0, 0], 8);
  const start = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
  return Buffer.concat([start, chunk('IHDR', ihdr), chunk('IDAT', deflateSync(rows, { level: 3 })), chunk('IEND', Buffer.alloc(0))]);
}

/** The same as a TIFF in strips, uncompressed. */
export function largeTiff(side) {
  const perStrip = 100;
  const strips = side / perStrip;
  const pixels = Buffer.alloc(side * side, 0x55);
  const lists = 8 + pixels.length;
  const list = (values) => {
    const b = Buffer.alloc(4 * values.length);
    values.forEach((v, i) => b.writeUInt32LE(v, 4 * i));
    return b;
  };
  const offsets = list(Array.from({ length: strips }, (_, i) => 8 + i * perStrip * side));
  const counts = list(Array.from({ length: strips }, () => perStrip * side));
  const tags = [
    [256, 1, side],
    [257, 1, side],
    [258, 1, 8],
    [259, 1, 1],
    [262, 1, 1],
    [273, strips, lists],
    [277, 1, 1],
    [278, 1, perStrip],
    [279, strips, lists + offsets.length],
  ];
  const directory = Buffer.alloc(2 + 12 * tags.length + 4);
  directory.writeUInt16LE(tags.length, 0);
  tags.forEach(([tag, count, value], i) => {
    directory.writeUInt16LE(tag, 2 + 12 * i);
    directory.writeUInt16LE(4, 4 + 12 * i);
    directory.writeUInt32LE(count, 6 + 12 * i);
    directory.writeUInt32LE(value, 10 + 12 * i);
  });
  const head = Buffer.alloc(8);
  head.write('II', 0, 'latin1');
  head.writeUInt16LE(42, 2);
  head.writeUInt32LE(lists + offsets.length + counts.length, 4);
  return Buffer.concat([head, pixels, offsets, counts, directory]);
}

/** Reads a separation in a worker thread of a process of its own, as the server does: seconds, and how far its memory rose above where it stood. */
const READ = `
import { Worker } from 'node:worker_threads';
import { readFileSync } from 'node:fs';
const [thread, file, ...inks] = process.argv.slice(2);
const rss = () => Number(/VmHWM:\\s+(\\d+)/.exec(readFileSync('/proc/self/status', 'utf8'))[1]) / 1024;
const bytes = new Uint8Array(readFileSync(file));
const held = bytes.length / 1048576;
const before = Number(/VmRSS:\\s+(\\d+)/.exec(readFileSync('/proc/self/status', 'utf8'))[1]) / 1024 - held;
const from = performance.now();
const worker = new Worker(thread, { workerData: { kind: 'zones', bytes, page: 1, inks, inkIsDark: true }, transferList: [bytes.buffer] });
worker.on('message', (m) => {
  if (m.kind === 'refused') throw new Error(m.says);
  if (m.kind === 'zones') console.log(JSON.stringify({ s: (performance.now() - from) / 1000, mb: rss() - before }));
});
`;
export async function readLarge(file, inks) {
  const out = `${ROOT}/server/dist/bench-separation.mjs`;
  await bundle({ stdin: { contents: READ, resolveDir: ROOT }, platform: 'node', format: 'esm', outfile: out });
  return JSON.parse(execFileSync(process.execPath, [out, `${ROOT}/server/dist/heavy.thread.js`, file, ...inks], { encoding: 'utf8' }));
}
