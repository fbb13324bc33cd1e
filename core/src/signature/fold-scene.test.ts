import { dummyScene, foldStepScene, sectionFolds } from './fold-scene';
import { foldedStates } from './folded-states';
import { centreSpread, foliosSay } from './folios';
import { readFolded, signatureOf } from './imposition';
import { SCHEMES, type SchemeId } from './schemes';
import { sectionSize } from './section-size';
import type { LaidSection } from './sheet-pages';
import type { Scene } from '../scene/scene';

/* What a person folds by hand, or sees folded: read off the drawings alone. */

const section = (id: SchemeId): LaidSection => {
  const program = SCHEMES[id];
  const { columnsMm, rowsMm } = sectionSize(program, { widthMm: 148, heightMm: 210 });
  const pages = Array.from({ length: 2 * program.rows * program.cols }, (_, i) => i + 1);
  return { key: 's1', nr: 1, name: 'section 1', outside: 0, program, signature: signatureOf(program), pages, columnsMm, rowsMm };
};
/** Pages of a drawing where they stand, rows from the top, each from the left; v where it stands on its head. */
function drawn({ shapes }: Scene): string[][] {
  const cells = shapes.flatMap((s) => (s.kind === 'rect' && s.role === 'copy' ? [s] : []));
  const numbers = shapes.flatMap((s) => (s.kind === 'text' && s.role === 'strong' ? [s] : []));
  const rows = [...new Set(cells.map((c) => Math.round(c.y * 100)))].sort((a, b) => a - b);
  return rows.map((y) =>
    cells
      .filter((c) => Math.round(c.y * 100) === y)
      .sort((a, b) => a.x - b.x)
      .map((c) => {
        const number = numbers.find((n) => n.x > c.x && n.x < c.x + c.w && n.y > c.y && n.y < c.y + c.h);
        return `${number?.text ?? ''}${number?.turn === 180 ? 'v' : ''}`;
      }),
  );
}
const grid = (rows: readonly string[][]) =>
  rows.map((row) =>
    row.map((text) => ({ page: Number(text.replace('v', '')), head: text.endsWith('v') ? ('down' as const) : ('up' as const) })),
  );

describe('a dummy', () => {
  it.each(Object.keys(SCHEMES) as SchemeId[])('of %s, both sides as printed, reads through once it is folded', (id) => {
    const of = section(id);
    const printed = { front: grid(drawn(dummyScene(of, 'front'))), back: grid(drawn(dummyScene(of, 'back'))) };
    const [read] = readFolded(printed, of.program);
    expect([read?.pages, read?.headsUp]).toEqual([of.pages, true]);
  });
  it('goes on A4 with its margin, whatever its size, and has cells behind cells', () => {
    const of = section('p16');
    const boxes = (side: 'front' | 'back') => dummyScene(of, side).shapes.flatMap((s) => (s.kind === 'rect' ? [s] : []));
    for (const b of [...boxes('front'), ...boxes('back')])
      expect(b.x >= 10 - 1e-6 && b.y >= 10 - 1e-6 && b.x + b.w <= 287 + 1e-6 && b.y + b.h <= 200 + 1e-6).toBe(true);
    const behind = boxes('back').map((b) => Math.round((297 - b.x - b.w) * 1e4));
    expect(behind.sort()).toEqual(
      boxes('front')
        .map((b) => Math.round(b.x * 1e4))
        .sort(),
    );
  });
});

describe('a section folded on screen', () => {
  it.each(Object.keys(SCHEMES) as SchemeId[])('%s ends with its first page up, head up, and the sizes of a page with its trims', (id) => {
    const of = section(id);
    const steps = of.program.steps.length;
    expect(drawn(foldStepScene(of, steps))).toEqual([['1']]);
    // Beyond the last fold nothing folds.
    expect(drawn(foldStepScene(of, steps + 5))).toEqual([['1']]);
    const last = foldedStates(of).at(-1)!;
    expect([last.columnsMm.length, last.rowsMm, last.next]).toEqual([1, [216], undefined]);
    expect([152, 160]).toContain(last.columnsMm[0]);
  });
  it('shows every state to one scale, each under what was done to it', () => {
    const { shapes } = sectionFolds(section('p16'));
    expect(shapes.flatMap((s) => (s.kind === 'text' && /fold \d|flat/.test(s.text) ? [s.text] : []))).toEqual([
      'flat, this side up',
      'fold 1: left part under',
      'fold 2: upper part under',
      'fold 3: left part under',
    ]);
    expect(shapes.filter((s) => s.kind === 'rect')).toHaveLength(8 + 4 + 2 + 1);
  });
});

describe('pages in words', () => {
  it('follow one another, those that nobody printed left out', () => {
    expect(foliosSay([3, 4, 5, 10, 35, 36])).toBe('3–5, 10, 35–36');
    expect(foliosSay([7, null, null, 10])).toBe('7, 10');
    expect(foliosSay([])).toBe('');
    expect(centreSpread({ pages: [1, 2, null, 4] })).toBe('2 / blank');
  });
});
