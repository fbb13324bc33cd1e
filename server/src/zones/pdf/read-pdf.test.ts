import { deflateSync } from 'node:zlib';
import { PDFDocument, PDFName, type PDFObject } from 'pdf-lib';
import { TestServer } from '../../test-server.fixture';
import type { PlatesRead } from '../plates';

interface Page {
  content: string;
  /** Width and height in points. */
  size?: readonly [number, number];
  resources?: (doc: PDFDocument) => Record<string, unknown>;
  trim?: readonly [number, number, number, number];
}
async function pdf(...pages: Page[]): Promise<PDFDocument> {
  const doc = await PDFDocument.create({ updateMetadata: false });
  for (const { content, size = [72, 72] as const, resources, trim } of pages) {
    const page = doc.addPage([size[0], size[1]]);
    page.node.set(PDFName.of('Contents'), doc.context.register(doc.context.stream(content)));
    page.node.set(PDFName.of('Resources'), doc.context.obj((resources?.(doc) ?? {}) as never));
    if (trim) page.setTrimBox(...trim);
  }
  return doc;
}
const { reader } = new TestServer();
async function plates(doc: PDFDocument | Uint8Array, inks: string[], page = 1): Promise<PlatesRead> {
  const bytes = doc instanceof Uint8Array ? doc : await doc.save({ useObjectStreams: false });
  return reader.run({ bytes: Uint8Array.from(bytes), page, inks, inkIsDark: true }, () => undefined, new AbortController().signal);
}
/** Mean coverage of each ink, percent. */
const means = ({ plates: all }: PlatesRead): Record<string, number> =>
  Object.fromEntries(Object.entries(all).map(([ink, { profile }]) => [ink, Math.round(1000 * profile.mean) / 10]));
const CMYK = ['C', 'M', 'Y', 'K'];
/** A spot colour that a screen would show by a mixture of process colours. */
const spot = (doc: PDFDocument, name: string): unknown => [
  'Separation',
  name,
  'DeviceCMYK',
  doc.context.register(doc.context.obj({ FunctionType: 2, Domain: [0, 1], N: 1, C0: [0, 0, 0, 0], C1: [0, 0.4, 0.9, 0.2] })),
];
const spots =
  (...names: string[]) =>
  (doc: PDFDocument) => ({
    ColorSpace: Object.fromEntries(names.map((n, i) => [`S${i}`, spot(doc, n)])),
  });

describe('a PDF page read for the inks of a pass', () => {
  it('lays each colour on its own plate, and what is on top knocks out what lies beneath', async () => {
    // By hand: left half 30 % cyan and full yellow; on its lower half black text colour, which takes both away there
    const content = '0.3 0 1 0 k 0 0 36 72 re f 0 0 36 36 re 0 g f';
    expect(means(await plates(await pdf({ content }), CMYK))).toEqual({ C: 7.5, M: 0, Y: 25, K: 25 });
  });
  it('shows where the ink lies: columns from the left, rows from the top', async () => {
    const { plates: all } = await plates(await pdf({ content: '0 1 0 0 k 54 54 18 18 re f' }), ['M']);
    const { columns, rows } = all['M']!.profile;
    expect([columns[0], rows.at(-1)]).toEqual([0, 0]);
    expect(columns.at(-1)).toBeCloseTo(0.25, 2);
    expect(rows[0]).toBeCloseTo(0.25, 2);
  });
  it('keeps spot colours apart by name, in small or large letters; says which inks it lacks and which colours are left', async () => {
    const content = '/S0 cs 0.6 scn 0 0 72 36 re f /S1 cs 1 scn 0 36 72 36 re f 0 0 0 0.2 k 0 0 72 9 re f';
    const read = await plates(await pdf({ content, resources: spots('Tea Green', 'Die line') }), ['K', 'tea green', 'gold']);
    expect(means(read)).toEqual({ K: 2.5, 'tea green': 22.5 });
    expect(read.absent).toEqual(['gold']);
    expect(read.leftAside).toEqual(['Die line']);
  });
  it('leaves a plate alone under what overprints it, and only there', async () => {
    // Cyan everywhere; over it a black half that overprints, and a quarter of spot that knocks out
    const state = { ExtGState: { Over: { OP: true, op: true, OPM: 1 }, Plain: { OP: false, op: false } } };
    const content = '1 0 0 0 k 0 0 72 72 re f /Over gs 0 0 0 1 k 0 0 36 72 re f /Plain gs /S0 cs 1 scn 36 0 36 36 re f';
    const read = await plates(await pdf({ content, resources: (d) => ({ ...spots('white')(d), ...state }) }), ['C', 'K', 'white']);
    expect(means(read)).toEqual({ C: 75, K: 50, white: 25 });
  });
  it('counts colours that are used, not those that only stand in a list; a pattern without colour takes the one it is used with', async () => {
    const resources = (d: PDFDocument) => {
      const c = d.context;
      const tile = {
        Type: 'Pattern',
        PatternType: 1,
        PaintType: 2,
        TilingType: 1,
        BBox: [0, 0, 24, 24],
        XStep: 24,
        YStep: 24,
        Resources: {},
      };
      return {
        ColorSpace: { ...spots('moss', 'constructor')(d).ColorSpace, Rgb: ['CalRGB', {}], P: ['Pattern', 'DeviceCMYK'] },
        Pattern: { T: c.register(c.stream('0 0 12 24 re f', tile)) },
      };
    };
    const read = await plates(await pdf({ content: '/P cs 0 0.5 0 0 /T scn 0 0 72 72 re f', resources }), ['M', 'K', 'moss']);
    expect(means(read)['M']).toBeCloseTo(25, 0);
    // Seams of a pattern's cells: decision 39.
    expect(means(read)['K']).toBeLessThan(0.5);
    expect([read.absent, read.leftAside]).toEqual([['moss'], []]);
  });
  it('takes the letters of registration black on every plate, and nothing of a colour that never prints', async () => {
    const content = '/S0 cs 1 scn 0 0 18 72 re f /S1 cs 1 scn 36 0 36 72 re f';
    expect(means(await plates(await pdf({ content, resources: spots('All', 'None') }), ['C', 'K']))).toEqual({ C: 25, K: 25 });
  });
  it('reads pictures, shadings, patterns, forms and colours of several inks', async () => {
    const resources = (d: PDFDocument) => {
      const c = d.context;
      const two = [
        'DeviceN',
        ['Cyan', 'moss'],
        'DeviceCMYK',
        c.register(c.stream('{ 0 exch 0 exch pop 0 0 }', { FunctionType: 4, Domain: [0, 1, 0, 1], Range: [0, 1, 0, 1, 0, 1, 0, 1] })),
      ];
      // Two pixels: cyan and black full, magenta half.
      const picture = c.stream(Uint8Array.from([255, 0, 0, 255, 0, 128, 0, 0]), {
        Type: 'XObject',
        Subtype: 'Image',
        Width: 2,
        Height: 1,
        BitsPerComponent: 8,
        ColorSpace: 'DeviceCMYK',
      });
      const indexed = c.stream(Uint8Array.from([0x40]), {
        Type: 'XObject',
        Subtype: 'Image',
        Width: 2,
        Height: 1,
        BitsPerComponent: 1,
        ColorSpace: ['Indexed', two, 1, c.register(c.stream(Uint8Array.from([0, 0, 255, 51])))],
      });
      const form = c.stream('0 0 0 1 k 0 0 12 12 re f', { Type: 'XObject', Subtype: 'Form', BBox: [0, 0, 12, 12] });
      const shade = {
        ShadingType: 2,
        ColorSpace: 'DeviceCMYK',
        Coords: [0, 0, 72, 0],
        Function: c.obj({ FunctionType: 2, Domain: [0, 1], N: 1, C0: [0, 0, 0, 0], C1: [0, 0, 1, 0] }),
      };
      const tile = c.stream('0 0 1 0 k 0 0 12 24 re f', {
        Type: 'Pattern',
        PatternType: 1,
        PaintType: 1,
        TilingType: 1,
        BBox: [0, 0, 24, 24],
        XStep: 24,
        YStep: 24,
        Resources: {},
      });
      return {
        ColorSpace: { N: two },
        XObject: { P: c.register(picture), I: c.register(indexed), F: c.register(form) },
        Shading: { Sh: shade },
        Pattern: { T: c.register(tile) },
      };
    };
    // In steps of 12 points, 25 pixels each: pictures are drawn to whole pixels
    const content = [
      'q 48 0 0 24 0 48 cm /P Do Q', // upper left: a square of cyan and black, one of half magenta
      'q 24 0 0 24 48 48 cm /I Do Q', // upper right: its right half cyan full, moss 20 %
      'q 1 0 0 1 0 36 cm /F Do Q', // 12 × 12 of black
      'q 0 0 72 12 re W n /Sh sh Q', // a ramp of yellow along the foot
      '/Pattern cs /T scn 0 12 72 24 re f', // half yellow
      '/N cs 0.5 1 scn 36 36 36 12 re f',
      'BI /W 1 /H 1 /BPC 8 /CS /CMYK /F /AHx ID 00FF0000> EI', // a point of magenta
    ].join('\n');
    const read = means(await plates(await pdf({ content, resources }), [...CMYK, 'moss']));
    const percent = (points: number): number => (100 * points) / (72 * 72);
    expect(read['C']).toBeCloseTo(percent(24 * 24 + 12 * 24 + 0.5 * 36 * 12), 0);
    expect(read['M']).toBeCloseTo(percent(0.5 * 24 * 24), 0);
    expect(read['Y']).toBeCloseTo(percent(0.5 * 72 * 12 + 0.5 * 72 * 24), 0);
    expect(read['K']).toBeCloseTo(percent(24 * 24 + 12 * 12), 0);
    expect(read['moss']).toBeCloseTo(percent(0.2 * 12 * 24 + 36 * 12), 0);
  });
  it('reads inside the trim box, at any size no more pixels than it takes', async () => {
    const content = '0 0 0 1 k 0 0 72 72 re f';
    const small = await plates(await pdf({ content, size: [144, 72], trim: [0, 0, 144, 36] }), ['K']);
    expect(means(small)).toEqual({ K: 50 });
    expect([small.plates['K']!.width, small.plates['K']!.height]).toEqual([300, 75]);
    const large = await plates(await pdf({ content, size: [7_200, 3_600] }), ['K']);
    expect(large.plates['K']!.width * large.plates['K']!.height).toBeLessThan(12_100_000);
    expect(large.plates['K']!.width).toBeGreaterThan(4_800);
  });
  it('takes a page in grey only as the picture of the one ink it is dropped on', async () => {
    const content = '0.2 g 0 0 72 72 re f';
    expect(means(await plates(await pdf({ content }), ['moss green']))).toEqual({ 'moss green': 80 });
    expect(means(await plates(await pdf({ content }), CMYK))).toEqual({ C: 0, M: 0, Y: 0, K: 80 });
  });
  it('reads a page that was kept as plates from the page of its colour', async () => {
    const doc = await pdf({ content: '0 g 0 0 36 72 re f' }, { content: '0 g 0 0 18 72 re f' }, { content: '0 g 0 0 9 72 re f' });
    const refs = doc.getPages().map((p) => p.ref);
    ['Black', 'Moss', 'Cut'].forEach((colour, i) => {
      const info = { Pages: refs, DeviceColorant: i === 1 ? PDFName.of(colour) : doc.context.obj(colour as never) } as unknown as Record<
        string,
        PDFObject
      >;
      doc.getPage(i).node.set(PDFName.of('SeparationInfo'), doc.context.obj(info as never));
    });
    const read = await plates(doc, ['K', 'moss', 'C']);
    expect(means(read)).toEqual({ K: 50, moss: 25 });
    expect([read.absent, read.leftAside]).toEqual([['C'], ['Cut']]);
  });
  test.each([
    ['colours in RGB', { content: '1 0 0 rg 0 0 9 9 re f' }, 1, 'RGB'],
    ['a page that is not there', { content: '' }, 3, 'The PDF has 1 page: there is no page 3'],
    ['blending that mixes inks', { content: '/B gs', resources: () => ({ ExtGState: { B: { BM: 'Luminosity' } } }) }, 1, 'luminosity'],
    ['a space it does not hold', { content: '/Nope cs 1 scn' }, 1, 'does not hold'],
  ] as [string, Page, number, string][])('refuses %s by name', async (_name, page, nr, says) => {
    await expect(plates(await pdf(page), ['K'], nr)).rejects.toThrow(says);
  });
  it('refuses what is locked, cut off, a trap or draws itself', async () => {
    const whole = await (await pdf({ content: '0 g 0 0 9 9 re f' })).save({ useObjectStreams: false });
    await expect(plates(whole.slice(0, 200), ['K'])).rejects.toThrow('damaged');
    const locked = await pdf({ content: '' });
    locked.context.trailerInfo.Encrypt = locked.context.obj({ Filter: 'Standard' });
    await expect(plates(locked, ['K'])).rejects.toThrow('locked');
    const deflated = async (text: string): Promise<PDFDocument> => {
      const doc = await pdf({ content: '' });
      const stream = doc.context.stream(deflateSync(text), { Filter: 'FlateDecode' });
      doc.getPage(0).node.set(PDFName.of('Contents'), doc.context.register(stream));
      return doc;
    };
    expect(means(await plates(await deflated('0 g 0 0 36 72 re f'), ['K']))).toEqual({ K: 50 });
    await expect(plates(await deflated(' '.repeat(101_000_000)), ['K'])).rejects.toThrow('more than a page can hold');
    const vast = await pdf({
      content: '/I Do',
      resources: (d) => ({
        XObject: {
          I: d.context.register(
            d.context.stream('x', { Subtype: 'Image', Width: 99_999, Height: 99_999, ColorSpace: 'DeviceGray', BitsPerComponent: 1 }),
          ),
        },
      }),
    });
    await expect(plates(vast, ['K'])).rejects.toThrow('99999 × 99999 pixels');
    const snake = await pdf({ content: '/F Do' });
    const own = snake.context.nextRef();
    snake.context.assign(own, snake.context.stream('/F Do', { Subtype: 'Form', BBox: [0, 0, 9, 9], Resources: { XObject: { F: own } } }));
    snake.getPage(0).node.set(PDFName.of('Resources'), snake.context.obj({ XObject: { F: own } }));
    await expect(plates(snake, ['K'])).rejects.toThrow('draws itself');
  });
  // Means in percent by Ghostscript 10.00, a general-purpose renderer: tiffsep, 150 dpi, overprint on. It draws edges hard, so thin letters come out a little heavier.
  test.each([
    [
      'overprinting letters, lines and spots',
      '1 0 0.5 0 k 0 0 216 144 re f /O gs 0 0 0 1 k BT /F 40 Tf 10 20 Td (Overprint) Tj ET /S0 cs 1 scn 100 70 80 50 re f 0 0.4 0 0 K 6 w 20 90 50 40 re S',
      { C: 100, M: 1.5, Y: 49.8, K: 7.03, moss: 12.99 },
    ],
    [
      'multiplied and half transparent colours',
      '0.4 0.2 0 0 k 0 0 216 144 re f /M gs 0.5 0 0.6 0.1 k 40 40 100 60 re f /A gs 0 0 0 1 k 100 10 100 100 re f',
      { C: 45.81, M: 20, Y: 11.7, K: 17.83 },
    ],
    ['a transparent group', '0.4 0 0 0 k 0 0 216 144 re f /A gs q 1 0 0 1 50 20 cm /G Do Q', { C: 36.62, M: 4.38, Y: 0, K: 0, moss: 4.1 }],
  ])('agrees with a general-purpose renderer on %s', async (_name, content, expected) => {
    const resources = (d: PDFDocument) => {
      const c = d.context;
      const { ColorSpace } = spots('moss')(d);
      const group = {
        Subtype: 'Form',
        BBox: [0, 0, 100, 100],
        Group: { S: 'Transparency', I: true, CS: 'DeviceCMYK' },
        Resources: { ColorSpace },
      };
      return {
        ColorSpace,
        Font: { F: { Type: 'Font', Subtype: 'Type1', BaseFont: 'Helvetica-Bold' } },
        ExtGState: { O: { OP: true, op: true, OPM: 1 }, M: { BM: 'Multiply' }, A: { ca: 0.5 } },
        XObject: { G: c.register(c.stream('0 1 0 0 k 10 10 60 60 re f /S0 cs 1 scn 40 40 50 50 re f', group)) },
      };
    };
    const read = means(await plates(await pdf({ content, size: [216, 144], resources }), Object.keys(expected)));
    for (const [ink, percent] of Object.entries(expected)) expect(Math.abs((read[ink] ?? 0) - percent)).toBeLessThan(0.6);
  });
  it('takes a picture for one ink only', async () => {
    await expect(plates(Uint8Array.from([0x89, 0x50, 0x4e, 0x47]), ['C', 'M'])).rejects.toThrow('one colour');
  });
});
