import { cartonSpec } from '../../../core/src/plan/line-4.fixture';
import { LINDMOOR, SHELF } from '../../../core/src/plan/line-1.fixture';
import { plan } from '../../../core/src/plan/plan';
import { type DieLine, dieLayers, dieLineOf, dieLinesSvg, guessedKind, measureDieLine } from '@druckerei/core';
import { dieLineDxf } from '../out/die-line-dxf';
import { Refused } from '../errors';
import { readDieFile } from './die-file';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const die = plan(cartonSpec(), LINDMOOR, SHELF).parts['carton.blank']?.traits?.blank?.die as DieLine;

/** Read back as the page does: each layer by what its name most likely means. */
function back(text: string): { die: DieLine; left: number; healed: number } {
  const { layers, unitMm } = readDieFile(bytes(text));
  const read = dieLineOf(layers, Object.fromEntries(layers.map((l) => [l.name, guessedKind(l.name)])), unitMm ?? NaN);
  if (!read.ok) throw new Error(read.why);
  return read;
}

it.each([
  ['DXF', dieLineDxf(dieLayers(die))],
  ['SVG', dieLinesSvg('tea carton', dieLayers(die))],
])('comes back from %s to a hundredth of a millimetre', (_format, text) => {
  const read = back(text);
  const [was, is] = [measureDieLine(die), measureDieLine(read.die)];
  for (const what of ['widthMm', 'heightMm', 'outlineMm', 'cutMm', 'creaseMm'] as const)
    expect(Math.abs(is[what] - was[what])).toBeLessThan(0.01);
  expect([read.die.slits.length, read.die.creases.length, read.die.joints.length]).toEqual([4, 12, 1]);
  expect([read.left, read.healed]).toEqual([0, 0]);
});

const dxf = (entities: string, unit = 4): string =>
  `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n${unit}\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${entities}0\nENDSEC\n0\nEOF\n`;

describe('a DXF', () => {
  it('of arcs and bulges becomes short lines, with its unit', () => {
    // A slot: two lines 40 long and two half circles of radius 10, one as an arc, one as a bulge of 1 (half a circle).
    const slot = dxf(
      '0\nLINE\n8\ncut\n10\n0\n20\n0\n11\n40\n21\n0\n' +
        '0\nARC\n8\ncut\n10\n40\n20\n10\n40\n10\n50\n270\n51\n90\n' +
        '0\nLINE\n8\ncut\n10\n40\n20\n20\n11\n0\n21\n20\n' +
        '0\nLWPOLYLINE\n8\ncut\n90\n2\n70\n0\n10\n0\n20\n20\n42\n1\n10\n0\n20\n0\n',
    );
    expect(readDieFile(bytes(slot)).unitMm).toBe(1);
    // 2 × 40 + 2π·10 = 142.83, by hand.
    expect(measureDieLine(back(slot).die).outlineMm).toBeCloseTo(142.83, 0);
  });
  it('that says no unit is asked for it, and names what was not read', () => {
    const read = readDieFile(
      bytes(dxf('0\nLINE\n8\ncut\n10\n0\n20\n0\n11\n40\n21\n0\n0\nTEXT\n8\nnotes\n10\n0\n20\n0\n40\n3\n1\nhello\n', 0)),
    );
    expect([read.unitMm, read.unread]).toEqual([null, { TEXT: 1 }]);
  });
});

describe('an SVG', () => {
  it('follows groups and their transformations, by layer', () => {
    const read = readDieFile(
      bytes(
        '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" viewBox="0 0 200 200"><g id="cut" transform="translate(10 20) scale(2)"><rect x="0" y="0" width="30" height="20"/></g><path class="crease" d="M10 20 h20 C30 20 40 20 40 30"/></svg>',
      ),
    );
    expect([read.unitMm, read.layers.map((l) => l.name)]).toEqual([0.5, ['cut', 'crease']]);
    expect(read.layers[0]?.paths[0]?.slice(0, 3)).toEqual([
      [10, -20],
      [70, -20],
      [70, -60],
    ]);
    expect(read.layers[1]?.paths[0]?.at(-1)).toEqual([40, -30]);
  });
  it('runs no script and follows no entity, neither a bomb nor a file', () => {
    const script = readDieFile(
      bytes('<svg xmlns="http://www.w3.org/2000/svg"><script>throw 1</script><line x1="0" y1="0" x2="9" y2="0"/></svg>'),
    );
    expect([script.unread, script.unitMm]).toEqual([{ script: 1 }, null]);
    const bomb = `<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa">${Array.from({ length: 20 }, (_, i) => `<!ENTITY a${i + 1} "${`&a${i || ''};`.repeat(10)}">`).join('')}]><svg><g id="&a20;"><line x2="5"/></g></svg>`;
    const outside = '<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]><svg><g id="&x;"><line x2="5"/></g></svg>';
    for (const hostile of [bomb, outside]) {
      let said = '';
      try {
        said = JSON.stringify(readDieFile(bytes(hostile)));
      } catch (error) {
        said = String(error);
      }
      // Refused, or the name of the layer as it stands; never what it stands for.
      expect(said.length).toBeLessThan(500);
      expect(said).not.toMatch(/root:|aaaaaaaaaaaaaaaaaaaaa/);
    }
  });
});

it.each([
  ['nothing', ''],
  ['what is neither', 'a letter to the die maker'],
  ['another XML', '<html><p>no die</p></html>'],
  ['no line', '<svg xmlns="http://www.w3.org/2000/svg"/>'],
  ['a path that is none', '<svg><path d="M 0 0 L x y"/></svg>'],
  ['sections without a name', '0\nSECTION\n'.repeat(10_000)],
  ['a transformation without end', `<svg><g transform="${'a'.repeat(1_000_000)}"><line x2="5"/></g></svg>`],
  ['forty thousand points', `<svg><polyline points="${'1,2 '.repeat(40_001)}"/></svg>`],
])('refuses %s by its reason', (_name, text) => {
  let refused: unknown = null;
  try {
    readDieFile(bytes(text));
  } catch (error) {
    refused = error;
  }
  expect(refused).toBeInstanceOf(Refused);
  expect((refused as Refused).more.fields?.[0]?.says).toMatch(/\w{2}/);
});
