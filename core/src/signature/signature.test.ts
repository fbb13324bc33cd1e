import * as fc from 'fast-check';
import { foldStates, foldedPiles, type FoldProgram, type FoldStep, mirrored, NotFoldable } from './fold-model';
import { bookPage, isProved, type PageGrid, readFolded, type Signature, signatureOf } from './imposition';
import { halvesOf, numbered, oneFormPlate, printedSheet } from './printed-sheet';
import { LEAFLETS, pagesOf, SCHEMES } from './schemes';

const pages = (grid: PageGrid): (number | null)[][] => grid.map((row) => row.map((c) => c.page));
/** As it stands in a specification: the page, v where its head is down. */
const written = (grid: PageGrid): string =>
  grid.map((row) => row.map((c) => `${c.page}${c.head === 'down' ? 'v' : ''}`).join(' ')).join(' / ');
const onlyOf = (program: FoldProgram): number[] => foldedPiles(program)[0]!.map((leaf) => leaf.col);

/** A program that folds a sheet to one pile, whatever parts move wherever. */
const anyProgram: fc.Arbitrary<FoldProgram> = fc
  .tuple(
    fc.integer({ min: 1, max: 5 }),
    fc.integer({ min: 1, max: 6 }),
    fc.infiniteStream(fc.tuple(fc.nat(), fc.nat(), fc.boolean(), fc.boolean())),
  )
  .filter(([rows, cols]) => rows * cols > 1)
  .map(([rows, cols, chances]) => {
    const steps: FoldStep[] = [];
    let [r, c] = [rows, cols];
    for (const [which, where, isFirst, isOver] of chances) {
      if (r * c === 1) break;
      const axis = r === 1 ? 'V' : c === 1 ? 'H' : which % 2 === 0 ? 'V' : 'H';
      const size = axis === 'V' ? c : r;
      const line = 1 + (where % (size - 1));
      const first = line === size - line ? isFirst : line < size - line;
      const move = axis === 'V' ? (first ? 'left' : 'right') : first ? 'top' : 'bottom';
      steps.push({ do: 'fold', axis, line, move, dir: isOver ? 'over' : 'under' });
      if (axis === 'V') c = Math.max(line, size - line);
      else r = Math.max(line, size - line);
    }
    return { rows, cols, steps };
  });

describe('a folded sheet', () => {
  it('has every cell once, and reads 1, 2, 3 … with heads up, whatever is folded where', () => {
    fc.assert(
      fc.property(anyProgram, (program) => {
        const made = signatureOf(program);
        const all = [...made.front, ...made.back].flat().map((c) => c.page);
        expect([...all].sort((a, b) => a! - b!)).toEqual(all.map((_, i) => i + 1));
        expect(isProved(made, program)).toBe(true);
      }),
    );
  });
  it('that was laid out wrongly is caught: two pages changed, a head turned, the back mirrored', () => {
    fc.assert(
      fc.property(anyProgram, fc.nat(), fc.nat(), fc.boolean(), (program, at, other, onBack) => {
        const made = signatureOf(program);
        const copy = (): Signature => structuredClone(made);
        const cells = (of: Signature): PageGrid[number] => [...of.front, ...of.back].flat();
        const [i, j] = [at % cells(made).length, other % cells(made).length];
        if (i !== j) {
          const changed = copy();
          const [a, b] = [cells(changed)[i]!, cells(changed)[j]!];
          [a.page, b.page] = [b.page, a.page];
          expect(isProved(changed, program)).toBe(false);
        }
        const turned = copy();
        const head = cells(turned)[i]!;
        head.head = head.head === 'up' ? 'down' : 'up';
        expect(isProved(turned, program)).toBe(false);
        const side = onBack ? 'back' : 'front';
        const mirror = { ...made, [side]: made[side].map((row) => [...row].reverse()) };
        if (program.cols > 1) expect(isProved(mirror, program)).toBe(false);
      }),
    );
  });
  it('goes through as many states as it has folds, and loses no leaf in any', () => {
    fc.assert(
      fc.property(anyProgram, (program) => {
        const states = foldStates(program);
        expect(states).toHaveLength(program.steps.length + 1);
        for (const sheets of states) expect(sheets.flat(3)).toHaveLength(program.rows * program.cols);
      }),
    );
  });
  it('is the mirror of itself for binding on the right: the same places from the other side', () => {
    fc.assert(
      fc.property(anyProgram, (program) => {
        const [left, right] = [signatureOf(program), signatureOf(mirrored(program))];
        expect(pages(right.front)).toEqual(pages(left.front).map((row) => [...row].reverse()));
        expect(pages(right.back)).toEqual(pages(left.back).map((row) => [...row].reverse()));
        expect(mirrored(mirrored(program))).toEqual(program);
      }),
    );
  });
});

describe('what cannot be folded', () => {
  const at =
    (...steps: FoldStep[]): (() => unknown) =>
    () =>
      foldedPiles({ rows: 1, cols: 4, steps });
  const step = (more: Partial<FoldStep>): FoldStep => ({ do: 'fold', axis: 'V', line: 2, move: 'left', dir: 'under', ...more });
  it.each([
    ['a line beyond the sheet', at(step({ line: 4 })), 'noLine'],
    ['a larger part on a smaller one', at(step({ line: 3 })), 'largerPart'],
    ['a top part about a column line', at(step({ move: 'top' })), 'wrongWay'],
    ['a ribbon that is no half', at({ do: 'ribbon', axis: 'V', line: 1, move: 'left', dir: 'over' }), 'uneven'],
    ['sheets slit unequal', at({ do: 'slit', axis: 'V', line: 1, move: 'left' }), 'uneven'],
    ['a sheet that is not folded up', at(step({})), 'notOnePile'],
  ])('%s is refused by its step', (_, fold, why) => {
    expect(fold).toThrow(NotFoldable);
    expect(fold).toThrow(`step 1: ${why}`);
  });
});

describe('slits and ribbons', () => {
  it('a sheet slit in half folds as two sheets alike, each of which reads through', () => {
    const program: FoldProgram = { rows: 2, cols: 4, steps: [{ do: 'slit', axis: 'V', line: 2, move: 'right' }, ...SCHEMES.p8.steps] };
    const made = signatureOf(program);
    expect(readFolded(made, program).map((r) => r.pages)).toEqual([
      [1, 2, 3, 4, 5, 6, 7, 8],
      [1, 2, 3, 4, 5, 6, 7, 8],
    ]);
    expect(written(made.front)).toBe('5v 4v 5v 4v / 8 1 8 1');
  });
  it('a sheet of 128 pages is slit into four sections of 32, each of which reads through', () => {
    const program: FoldProgram = {
      rows: 8,
      cols: 8,
      steps: [{ do: 'slit', axis: 'V', line: 4, move: 'right' }, { do: 'slit', axis: 'H', line: 4, move: 'bottom' }, ...SCHEMES.p32.steps],
    };
    const made = signatureOf(program);
    expect(isProved(made, program)).toBe(true);
    expect(readFolded(made, program).map((r) => r.pages.length)).toEqual([32, 32, 32, 32]);
  });
  it('a ribbon laid over the other is not turned', () => {
    expect(onlyOf({ rows: 1, cols: 2, steps: [{ do: 'ribbon', axis: 'V', line: 1, move: 'left', dir: 'over' }] })).toEqual([0, 1]);
    expect(foldedPiles({ rows: 1, cols: 2, steps: [{ do: 'ribbon', axis: 'V', line: 1, move: 'left', dir: 'under' }] })[0]).toMatchObject([
      { col: 1, frontUp: true },
      { col: 0, frontUp: true },
    ]);
  });
});

describe('schemes', () => {
  it.each(Object.entries(SCHEMES))('%s has two pages a cell and its spine on the left', (id, program) => {
    const made = signatureOf(program);
    expect(pagesOf(program)).toBe(Number(/\d+/.exec(id)![0]));
    expect(isProved(made, program)).toBe(true);
    // The middle spread hangs together on the sheet: its two pages lie side by side on one side of it.
    const middle = pagesOf(program) / 2;
    const rows = [...pages(made.front), ...pages(made.back)];
    expect(rows.some((row) => row.some((page, i) => page === middle && [row[i - 1], row[i + 1]].includes(middle + 1)))).toBe(true);
  });
  it('a closed gate of eight has 3 2 7 6 before and 5 8 1 4 behind (specification of line 3, common practice, no source)', () => {
    const { front, back } = signatureOf(LEAFLETS.closedGate8);
    expect([pages(front), pages(back)]).toEqual([[[3, 2, 7, 6]], [[5, 8, 1, 4]]]);
  });
});

describe('one form for both sides', () => {
  it('printed, turned, cut and folded gives two copies that read through, whatever the section and the turn', () => {
    for (const program of Object.values(SCHEMES))
      for (const turn of ['turn', 'tumble'] as const)
        for (const half of halvesOf(oneFormPlate(signatureOf(program), turn), turn)) expect(isProved(half, program)).toBe(true);
  });
  it('turned the other way than it was laid out for is caught', () => {
    for (const program of [SCHEMES.p8, SCHEMES.p16, SCHEMES.p32])
      expect(
        halvesOf(oneFormPlate(signatureOf(program), 'turn'), 'tumble').every(
          (half) => half.front.length === program.rows && isProved(half, program),
        ),
      ).toBe(false);
  });
  it('a plate that is printed behind a front the wrong way round does not read', () => {
    const made = signatureOf(SCHEMES.p16);
    expect(isProved(printedSheet(made.front, made.back, 'turn'), SCHEMES.p16)).toBe(true);
    expect(isProved(printedSheet(made.front, made.back, 'tumble'), SCHEMES.p16)).toBe(false);
  });
});

/*
 * The ferry timetable of the specification of line 3: 44 pages, cover 4, text 16 + 16 + 8, nested. Source: common practice, no source, worked with a pencil.
 */
describe('the ferry timetable', () => {
  const section =
    (p: number, outside: number): ((k: number) => number) =>
    (k) =>
      bookPage({ k, sectionPages: p, outside, bookPages: 44, nested: true });
  const booked = (program: FoldProgram, outside: number): Signature => numbered(signatureOf(program), section(pagesOf(program), outside));
  const range = (p: number, outside: number): number[] => Array.from({ length: p }, (_, i) => section(p, outside)(i + 1));
  it('has pages 3 to 10 and 35 to 42 in its first section, 11 to 18 and 27 to 34 in the second, 19 to 26 in the third', () => {
    expect(range(16, 2)).toEqual([3, 4, 5, 6, 7, 8, 9, 10, 35, 36, 37, 38, 39, 40, 41, 42]);
    expect(range(16, 10)).toEqual([11, 12, 13, 14, 15, 16, 17, 18, 27, 28, 29, 30, 31, 32, 33, 34]);
    expect(range(8, 18)).toEqual([19, 20, 21, 22, 23, 24, 25, 26]);
  });
  it('has the first section on its form as it was written', () => {
    const { front, back } = booked(SCHEMES.p16, 2);
    expect(written(front)).toBe('7v 38v 35v 10v / 6 39 42 3');
    expect(written(back)).toBe('9v 36v 37v 8v / 4 41 40 5');
  });
});
