import type { Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { practiceValue } from '../plant/practice';
import { ADHESIVES, type AdhesiveBound, type BinderTrims } from '../product/adhesive';
import { type BoundPages, wholeFolds } from '../product/bound';
import type { Part } from '../product/part';
import { blockMm, spineMm } from '../finishing/book-block';
import { ARTWORK_FIELDS, ARTWORK_WORDS } from './artwork-fields';
import { caliperMmOf } from './boards';
import { type Family, hasWorks, type RouteStone, type Works } from './family';
import { coverGrades, gradeNear, textGrades } from './papers';
import { paperbackPicture } from './paperback-picture';
import { BOUND_AS, INSERT_COUNTED, LAMINATIONS, PaperbackWish, SPINE_FOLDS } from './paperback-wish';
import { printedOf } from './printed';

/** What an order of a softcover book says where it says nothing. */
const USUAL = {
  widthMm: 135,
  heightMm: 210,
  pages: 192,
  adhesive: 'hotMelt',
  folds: 'milled',
  twoUp: 'none',
  spine: 'left',
  lamination: 'none',
} as const;
const COLOURS = ['K', 'C', 'M', 'Y'];
/** Masses of the papers that such books are made of; the nearest that the works has is taken. Common practice, no source. */
const USUAL_GSM = { text: 70, insert: 115, cover: 240 } as const;

/** Pages of the text alone, as somebody printed them: those of an insert that is counted in are not among them. */
const textPagesOf = ({ pages = USUAL.pages, insertPages = 0, insertCounted }: PaperbackWish): number =>
  insertCounted === 'in' ? Math.max(pages - insertPages, 1) : pages;
const gradeOf = ({ grade }: PaperbackWish, plant: Works): string =>
  grade ?? gradeNear(textGrades(plant), USUAL_GSM.text, plant) ?? plant.usualGrade;
const insertGradeOf = ({ insertGrade }: PaperbackWish, plant: Works): string =>
  insertGrade ?? gradeNear(textGrades(plant), USUAL_GSM.insert, plant) ?? plant.usualGrade;
const coverGradeOf = ({ coverGrade }: PaperbackWish, plant: Works): string =>
  coverGrade ?? gradeNear(coverGrades(plant), USUAL_GSM.cover, plant) ?? plant.usualGrade;
/** Where the insert comes when nobody said: in the middle of the text, at the end of a sheet. */
const afterOf = (wish: PaperbackWish): number => wish.insertAfter ?? wholeFolds(textPagesOf(wish) / 2);

/** "288 of text + 8 beside = 296". */
function sumSays(wish: PaperbackWish): string {
  const text = wholeFolds(textPagesOf(wish));
  const insert = wholeFolds(wish.insertPages ?? 0);
  if (insert === 0) return `${text} pages`;
  return `${text} of text + ${insert} ${wish.insertCounted === 'in' ? 'counted in' : 'beside'} = ${text + insert}`;
}

const trimsOf = ({ folds = USUAL.folds }: PaperbackWish, plant: Works): BinderTrims => ({
  faceMm: practiceValue(plant, 'bind.faceMm'),
  headMm: practiceValue(plant, 'bind.headMm'),
  footMm: practiceValue(plant, 'bind.footMm'),
  grindMm: practiceValue(plant, folds === 'milled' ? 'bind.grindMm' : 'bind.notchMm'),
  sawMm: practiceValue(plant, 'bind.sawMm'),
});

/** Spine of the cover: of the block as a dummy shows it, else as its papers' cards say. */
function coverSpineMm(wish: PaperbackWish, plant: Works): number {
  const um = (grade: string): number => 1_000 * caliperMmOf(grade, plant);
  const insert = wish.insertPages ? blockMm(wholeFolds(wish.insertPages), um(insertGradeOf(wish, plant))) : 0;
  const block = wish.dummyMm ?? blockMm(wholeFolds(textPagesOf(wish)), um(gradeOf(wish, plant))) + insert;
  const film = (wish.lamination ?? USUAL.lamination) === 'none' ? 0 : practiceValue(plant, 'laminate.filmUm') / 1_000;
  const coverCaliperMm = caliperMmOf(coverGradeOf(wish, plant), plant) + film;
  return spineMm({ block, coverCaliperMm, glueMm: practiceValue(plant, 'bind.glueMm') });
}
/** A flap's fold takes so much. Common practice, no source. */
const ROUND_FLAP_MM = 1;

/** Line 6: softcover books: sections gathered behind one another, bound with adhesive into a cover; one by one, or two as one length. */
export const paperback: Family<'paperback'> = {
  id: 'paperback',
  product: 'book',
  words: {
    name: 'Softcover book',
    hint: 'books in a paper cover: sections gathered, bound with adhesive, trimmed on three sides',
    pieces: 'books',
    stones: {
      stock: 'Paper, text',
      plates: 'Plates, text',
      print: 'Print, text',
      cut: 'Cut, text',
      fold: 'Fold, text',
      insertStock: 'Paper, insert',
      insertPlates: 'Plates, insert',
      insertPrint: 'Print, insert',
      insertCut: 'Cut, insert',
      insertFold: 'Fold, insert',
      coverStock: 'Paper, cover',
      coverPlates: 'Plates, cover',
      coverPrint: 'Print, cover',
      coverLaminate: 'Laminate, cover',
      coverCut: 'Cut, cover',
      bind: 'Gather and bind',
      saw: 'Saw apart',
      trim: 'Trim',
      pack: 'Pack',
    },
    fields: {
      widthMm: 'Width',
      heightMm: 'Height',
      pages: 'Pages',
      front: 'Inks, text, outer form',
      back: 'Inks, text, inner form',
      grade: 'Paper, text',
      insertPages: 'Insert, pages',
      insertAfter: 'Insert after page',
      insertCounted: 'Insert counted in the pages',
      insertFront: 'Inks, insert, outer form',
      insertBack: 'Inks, insert, inner form',
      insertGrade: 'Paper, insert',
      coverFront: 'Inks, cover outside',
      coverBack: 'Inks, cover inside',
      coverGrade: 'Paper, cover',
      lamination: 'Film on the cover',
      flapMm: 'Flaps',
      adhesive: 'Adhesive',
      folds: 'Folds at the spine',
      twoUp: 'Bound',
      spine: 'Bound on the',
      dummyMm: 'Block of the dummy',
      artSpineMm: 'Cover drawn for a spine of',
      coveragePercent: 'Coverage',
      totalInkPercent: 'Total ink',
      smallestDistanceMm: 'Smallest distance to an edge',
      ...ARTWORK_WORDS,
      perCarton: 'Books a carton',
    },
  },
  wish: PaperbackWish,
  fields: [
    { key: 'widthMm', kind: 'length', onPicture: 'width' },
    { key: 'heightMm', kind: 'length', onPicture: 'height' },
    { key: 'pages', kind: 'count', most: 2_000 },
    { key: 'grade', kind: 'choice', options: (plant) => textGrades(plant).map((g) => ({ value: g, says: g })) },
    { key: 'front', kind: 'inks' },
    { key: 'back', kind: 'inks' },
    { key: 'insertPages', kind: 'count', most: 64, mayBeOff: true },
    {
      key: 'insertCounted',
      kind: 'choice',
      options: () => INSERT_COUNTED.map((value) => ({ value, says: value === 'in' ? 'counted in the pages' : 'beside the pages' })),
    },
    { key: 'insertAfter', kind: 'count', most: 2_000, mayBeOff: true },
    { key: 'insertGrade', kind: 'choice', options: (plant) => textGrades(plant).map((g) => ({ value: g, says: g })) },
    { key: 'insertFront', kind: 'inks' },
    { key: 'insertBack', kind: 'inks' },
    { key: 'coverGrade', kind: 'choice', options: (plant) => coverGrades(plant).map((g) => ({ value: g, says: g })) },
    { key: 'coverFront', kind: 'inks' },
    { key: 'coverBack', kind: 'inks' },
    {
      key: 'lamination',
      kind: 'choice',
      options: () => LAMINATIONS.map((value) => ({ value, says: value })),
    },
    { key: 'flapMm', kind: 'length', mayBeOff: true },
    {
      key: 'adhesive',
      kind: 'choice',
      options: () => ADHESIVES.map((value) => ({ value, says: { hotMelt: 'hot-melt', pur: 'PUR', dispersion: 'dispersion' }[value] })),
    },
    {
      key: 'folds',
      kind: 'choice',
      options: () => SPINE_FOLDS.map((value) => ({ value, says: value === 'milled' ? 'milled off' : value })),
    },
    {
      key: 'twoUp',
      kind: 'choice',
      options: () =>
        BOUND_AS.map((value) => ({
          value,
          says: { none: 'one book at a time', comeAndGo: 'two-up, come-and-go', headToFoot: 'two-up, head to foot' }[value],
        })),
    },
    { key: 'spine', kind: 'choice', options: () => (['left', 'right'] as const).map((value) => ({ value, says: value })) },
    { key: 'dummyMm', kind: 'length', mayBeOff: true },
    { key: 'artSpineMm', kind: 'length', mayBeOff: true },
    { key: 'perCarton', kind: 'count', mayBeOff: true },
    { key: 'smallestDistanceMm', kind: 'length' },
    { key: 'totalInkPercent', kind: 'percent' },
    ...ARTWORK_FIELDS,
  ],
  starts: { ...USUAL, front: ['K'], back: ['K'], coverFront: [...COLOURS], coverBack: [] },

  picture: (wish, drawn) => {
    const pages = wholeFolds(textPagesOf(wish));
    return paperbackPicture({
      widthMm: wish.widthMm ?? USUAL.widthMm,
      heightMm: wish.heightMm ?? USUAL.heightMm,
      spineMm: hasWorks(drawn) ? coverSpineMm(wish, drawn) : null,
      pages,
      spine: wish.spine ?? USUAL.spine,
      insert: wish.insertPages ? { pages: wish.insertPages, after: afterOf(wish) } : null,
      sum: sumSays(wish),
    });
  },

  ways: ({ twoUp = USUAL.twoUp, adhesive = USUAL.adhesive, flapMm }) => [
    ...(flapMm === undefined
      ? BOUND_AS.filter((way) => way !== twoUp).map((way) => ({ says: `way.bound.${way}`, wish: { twoUp: way } }))
      : []),
    adhesive === 'pur'
      ? { says: 'way.hotMelt', wish: { adhesive: 'hotMelt' as const } }
      : { says: 'way.pur', wish: { adhesive: 'pur' as const } },
  ],

  parts({ product, item }, wish, plant) {
    const [width, height] = [wish.widthMm ?? USUAL.widthMm, wish.heightMm ?? USUAL.heightMm];
    const trims = trimsOf(wish, plant);
    const { twoUp: boundAs = USUAL.twoUp, insertPages, insertCounted } = wish;
    const twoUp = boundAs === 'none' ? undefined : boundAs;
    const after = afterOf(wish);
    const printedText = textPagesOf(wish);
    const textPages = wholeFolds(printedText);
    const bookPages = textPages + (insertCounted === 'in' ? wholeFolds(insertPages ?? 0) : 0);
    const part = (role: string, grade: string, colours: Part['colours'], more: Partial<Part>): Part => ({
      id: idOf(product, role),
      product,
      item,
      role,
      layouter: 'signature',
      widthMm: width,
      heightMm: height,
      // What is trimmed off is the bleed; a cover's piece has it within.
      bleedMm: role === 'cover' ? 0 : Math.min(trims.faceMm, trims.headMm, trims.footMm),
      leaves: 1,
      grainAlong: 'height',
      colours,
      ...printedOf(wish),
      grade,
      ...more,
    });
    const pagesOf = (pages: number, printed: number, own: Partial<BoundPages>): BoundPages => ({
      pages,
      bookPages,
      blanks: pages - printed,
      outside: 0,
      outsideUm: 0,
      nested: false,
      spine: wish.spine ?? USUAL.spine,
      ...(twoUp && { twoUp }),
      ...own,
    });
    const isIn = insertPages !== undefined && insertCounted === 'in';
    const adhesive: AdhesiveBound = {
      adhesive: wish.adhesive ?? USUAL.adhesive,
      milled: (wish.folds ?? USUAL.folds) === 'milled',
      trims,
      pagesAsked: wish.pages ?? USUAL.pages,
      insert:
        insertPages === undefined
          ? null
          : { pages: insertPages, after: wish.insertAfter ?? (isIn ? after : null), counted: insertCounted ?? null },
      dummyMm: wish.dummyMm ?? 0,
      artSpineMm: wish.artSpineMm ?? 0,
      flapMm: wish.flapMm ?? 0,
    };
    const counted = isIn ? { counted: { after, pages: wholeFolds(insertPages) } } : {};
    const text = part('text', gradeOf(wish, plant), [wish.front ?? ['K'], wish.back ?? ['K']], {
      leaves: textPages / 2,
      traits: {
        bound: pagesOf(textPages, printedText, counted),
        adhesive,
        packed: { perBand: 1, ...(wish.perCarton !== undefined && { perCarton: wish.perCarton }) },
      },
    });
    const spine = coverSpineMm(wish, plant);
    const film = wish.lamination ?? USUAL.lamination;
    const copies = twoUp ? 2 : 1;
    const one = height + trims.headMm + trims.footMm;
    const outer = wish.flapMm === undefined ? trims.faceMm : wish.flapMm + ROUND_FLAP_MM;
    const cover = part('cover', coverGradeOf(wish, plant), [wish.coverFront ?? COLOURS, wish.coverBack ?? []], {
      layouter: 'rectangle',
      widthMm: 2 * width + spine + 2 * outer,
      heightMm: twoUp ? 2 * one + trims.sawMm : one,
      traits: { spread: { spineMm: spine, copies }, ...(film !== 'none' && { laminated: { film } }) },
    });
    const parts = [text];
    if (insertPages !== undefined)
      parts.push(
        part('insert', insertGradeOf(wish, plant), [wish.insertFront ?? COLOURS, wish.insertBack ?? COLOURS], {
          leaves: wholeFolds(insertPages) / 2,
          traits: { bound: pagesOf(wholeFolds(insertPages), insertPages, { outside: isIn ? after : 0 }) },
        }),
      );
    return Object.fromEntries([...parts, cover].map((p) => [p.id, p]));
  },

  route({ twoUp = USUAL.twoUp }, parts): RouteStone[] {
    const all = Object.values(parts);
    const text = all.find((p) => p.role === 'text');
    const insert = all.find((p) => p.role === 'insert');
    const cover = all.find((p) => p.role === 'cover');
    if (!text || !cover) return [];
    const printed = ({ colours }: Part): boolean => colours.flat().length > 0;
    const stone = (key: string, process: Id<'process'>, of: Part[], each?: RouteStone['each'], when = true): RouteStone[] =>
      when ? [{ key, process, of: of.map((p) => p.id), settings: {}, ...(each && { each }) }] : [];
    /** From paper to folded sections. */
    const sections = (of: Part, key: (what: string) => string): RouteStone[] => [
      ...stone(key('stock'), 'pull', [of], 'form'),
      ...stone(key('plates'), 'platemaking', [of], 'form', printed(of)),
      ...stone(key('print'), 'offset', [of], 'form', printed(of)),
      ...stone(key('cut'), 'guillotine', [of], 'form'),
      ...stone(key('fold'), 'foldSections', [of], 'section'),
    ];
    const book = insert ? [text, insert, cover] : [text, cover];
    return [
      ...sections(text, (what) => what),
      ...(insert ? sections(insert, (what) => `insert${what.charAt(0).toUpperCase()}${what.slice(1)}`) : []),
      ...stone('coverStock', 'pull', [cover]),
      ...stone('coverPlates', 'platemaking', [cover], undefined, printed(cover)),
      ...stone('coverPrint', 'offset', [cover], undefined, printed(cover)),
      ...stone('coverLaminate', 'laminate', [cover], undefined, cover.traits?.laminated !== undefined),
      ...stone('coverCut', 'guillotine', [cover]),
      ...stone('bind', 'adhesiveBind', book),
      ...stone('saw', 'sawApart', book, undefined, twoUp !== 'none'),
      ...stone('trim', 'threeKnife', book),
      ...stone('pack', 'pack', book),
    ];
  },
};
