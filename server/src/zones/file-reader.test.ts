import { deflateSync } from 'node:zlib';
import { PDFDocument, PDFName, type PDFRef } from 'pdf-lib';
import type { ReaderLimits } from '../tasks/file-reader';
import { TestServer } from '../test-server.fixture';
import { png } from './png.fixture';

/* Files made to kill: each is refused with what it does, and whoever asked lives on. Limits are small here, so that no machine is troubled. */

const { reader } = new TestServer();
const LIMITS: ReaderLimits = { mostMb: 400, mostMs: 20_000 };
const read = (bytes: Uint8Array, limits = LIMITS, signal = new AbortController().signal): Promise<unknown> =>
  reader.run({ bytes, page: 1, inks: ['K'], inkIsDark: true }, () => undefined, signal, limits);

/** A TIFF directory of entries as they are given; the lists they point at lie over the whole file. */
function tiff(entries: [tag: number, type: number, count: number, value: number][], bytes = 1_000): Buffer {
  const file = Buffer.alloc(Math.max(bytes, 10 + 12 * entries.length));
  file.write('II', 0, 'latin1');
  file.writeUInt16LE(42, 2);
  file.writeUInt32LE(8, 4);
  file.writeUInt16LE(entries.length, 8);
  entries.forEach(([tag, type, count, value], i) => {
    file.writeUInt16LE(tag, 10 + 12 * i);
    file.writeUInt16LE(type, 12 + 12 * i);
    file.writeUInt32LE(count, 14 + 12 * i);
    file.writeUInt32LE(value, 18 + 12 * i);
  });
  return file;
}
const HEAD: [number, number, number, number][] = [
  [256, 4, 1, 100],
  [257, 4, 1, 100],
  [258, 3, 1, 8],
];

it('reads what is well, for comparison', async () => {
  await expect(read(png(4, 4, () => 0))).resolves.toMatchObject({ plates: { K: { width: 4, profile: { mean: 1 } } } });
});
it.each([
  [
    'a TIFF of sixty lists of four million numbers each',
    tiff([...HEAD, ...Array.from({ length: 60 }, (_, i): [number, number, number, number] => [40_000 + i, 4, 4_000_000, 8])], 16_000_000),
    /breaks off/,
  ],
  ['a TIFF whose strips are four million', tiff([...HEAD, [273, 4, 4_000_000, 8]], 16_000_000), /4000000 strips or numbers/],
  [
    'a TIFF that unpacks one strip to gigabytes',
    tiff([
      [256, 4, 1, 20_000],
      [257, 4, 1, 20_000],
      [258, 3, 1, 16],
      [259, 3, 1, 8],
      [273, 4, 1, 8],
      [279, 4, 1, 100],
    ]),
    /strips too large/,
  ],
])('refuses %s, by name', async (_what, bytes, says) => {
  await expect(read(bytes)).rejects.toThrow(says);
});
it('refuses a PNG four hundred million pixels long', async () => {
  const long = png(4, 4, () => 0);
  long.writeUInt32BE(400_000_000, 16);
  long.writeUInt32BE(1, 20);
  await expect(read(long)).rejects.toThrow(/a side may have 100000 at most/);
});
it('gives up a PDF whose objects unpack to more than a file is given', async () => {
  const doc = await PDFDocument.create();
  doc.addPage([72, 72]);
  const good = Buffer.from(await doc.save({ useObjectStreams: true })).toString('latin1');
  // The page's object stream is replaced by one that unpacks to a gigabyte of nothing.
  const bomb = deflateSync(Buffer.alloc(1_000_000_000), { level: 1 });
  const at = good.search(/<<[^>]*\/ObjStm/);
  const head = good.slice(at, good.indexOf('stream', at)).replace(/\/Length \d+/, `/Length ${bomb.length}`);
  const after = good.indexOf('endstream', at);
  const file = Buffer.concat([
    Buffer.from(`${good.slice(0, at)}${head}stream\n`, 'latin1'),
    bomb,
    Buffer.from(`\n${good.slice(after)}`, 'latin1'),
  ]);
  await expect(read(file)).rejects.toThrow(/takes more than 400 MB|damaged/);
});
it('gives up a small PDF that draws for ever, after the time a file is given', async () => {
  const doc = await PDFDocument.create();
  const page = doc.addPage([720, 720]);
  // Ten forms, each drawing the next one ten times: ten thousand million boxes.
  let inner: PDFRef = doc.context.register(doc.context.formXObject([], { BBox: [0, 0, 720, 720] }));
  for (let level = 0; level < 10; level++) {
    const body = `0 0 0 1 k 0 0 ${700 - level} 700 re f ${'/F Do '.repeat(10)}`;
    inner = doc.context.register(
      doc.context.stream(body, {
        Type: 'XObject',
        Subtype: 'Form',
        BBox: [0, 0, 720, 720],
        Resources: { XObject: { F: inner } },
      }),
    );
  }
  page.node.set(PDFName.of('Resources'), doc.context.obj({ XObject: { F: inner } }));
  page.node.set(PDFName.of('Contents'), doc.context.register(doc.context.stream('/F Do')));
  const from = Date.now();
  await expect(read(await doc.save({ useObjectStreams: false }), { mostMb: 1_200, mostMs: 4_000 })).rejects.toThrow(
    /not read within 4 s|takes more than/,
  );
  expect(Date.now() - from).toBeLessThan(60_000);
});
it('ends at once when nobody waits for it any more', async () => {
  const own = new AbortController();
  const reading = read(
    png(2_000, 2_000, () => 0),
    LIMITS,
    own.signal,
  );
  own.abort();
  await expect(reading).rejects.toThrow('stopped');
});
