import type { Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { practiceValue } from '../plant/practice';
import type { Plant } from '../plant/plant';
import { type BoundPages, CREEP_CURES, CREEP_SCHOOLS, PAGES_OF_A_FOLD, type Stitched, wholeFolds } from '../product/bound';
import type { Part } from '../product/part';
import { ARTWORK_FIELDS, ARTWORK_WORDS } from './artwork-fields';
import { caliperMmOf } from './boards';
import { bookletPicture } from './booklet-picture';
import { BOOKLET_COVERS, BookletWish, PRINTED_ON, SPINES } from './booklet-wish';
import type { Family, RouteStone } from './family';
import { coverGrades, gradeNear, textGrades, webGrades } from './papers';
import { printedOf } from './printed';

/** What an order of a booklet says where it says nothing. */
const USUAL = { widthMm: 148, heightMm: 210, pages: 44, cover: 'own', spine: 'left', stitches: 2 } as const;
/** Mass of the paper that booklets are usually printed on; the nearest that the works has is taken. Common practice, no source. */
const USUAL_GSM = 100;
/** From the face to what is printed. Common practice, no source. */
const OUTER_MM = 10;

/** Pages outside of the text on either side: two of the cover, where it has one of its own. */
const outsideOf = ({ cover = USUAL.cover }: BookletWish): number => (cover === 'own' ? 2 : 0);

/** Pages of the whole booklet, up to whole sheets: with a cover of its own two sheets at least. */
const bookPagesOf = (wish: BookletWish): number => Math.max(wholeFolds(wish.pages ?? USUAL.pages), PAGES_OF_A_FOLD + 2 * outsideOf(wish));

/** What the pages come to: "40 text + 4 cover = 44; page 1 is the front cover". */
function sumSays(wish: BookletWish): string {
  const all = bookPagesOf(wish);
  const cover = 2 * outsideOf(wish);
  return cover > 0 ? `${all - cover} text + ${cover} cover = ${all}; page 1 is the front cover` : `${all} pages; page 1 is the outside`;
}

const isOnWeb = ({ printedOn }: BookletWish): boolean => printedOn === 'web';
const gradeOf = ({ grade, ...wish }: BookletWish, plant: Plant): string =>
  grade ?? (isOnWeb(wish) ? webGrades(plant)[0] : gradeNear(textGrades(plant), USUAL_GSM, plant)) ?? plant.usualGrade;
const coverGradeOf = ({ coverGrade, ...wish }: BookletWish, plant: Plant): string =>
  coverGrade ?? coverGrades(plant).at(-1) ?? gradeOf(wish, plant);

const fromHeadOf = ({ stitchFromHeadMm, heightMm = USUAL.heightMm }: BookletWish): number => stitchFromHeadMm ?? heightMm / 4;

const stitchedOf = (wish: BookletWish): Stitched => ({
  pagesAsked: wish.pages ?? USUAL.pages,
  stitches: wish.stitches ?? USUAL.stitches,
  loops: wish.loops ?? false,
  fromHeadMm: fromHeadOf(wish),
  creep: wish.creep ?? 'pressed',
  dummyMm: wish.dummyMm ?? 0,
  cure: wish.cure ?? 'shift',
  outerMm: wish.outerMm ?? OUTER_MM,
  spreads: (wish.spreads ?? '').split(/[^0-9]+/).flatMap((word) => (word === '' ? [] : Number(word))),
});

/** Line 3: stitched booklets and magazines: sections nested in one another and in their cover, stitched through the fold, trimmed on three sides. */
export const booklet: Family<'booklet'> = {
  id: 'booklet',
  product: 'booklet',
  words: {
    name: 'Stitched booklet',
    hint: 'booklets, magazines, timetables: sections laid in one another, stitched through the fold, trimmed on three sides',
    pieces: 'booklets',
    stones: {
      stock: 'Paper, text',
      plates: 'Plates, text',
      print: 'Print, text',
      cut: 'Cut, text',
      fold: 'Fold sections',
      coverStock: 'Paper, cover',
      coverPlates: 'Plates, cover',
      coverPrint: 'Print, cover',
      coverCut: 'Cut, cover',
      stitch: 'Gather, stitch, trim',
      pack: 'Pack',
    },
    fields: {
      widthMm: 'Width',
      heightMm: 'Height',
      pages: 'Pages, with the cover',
      cover: 'Cover',
      printedOn: 'Text printed on',
      spine: 'Bound on the',
      front: 'Inks, text, outer form',
      back: 'Inks, text, inner form',
      coverFront: 'Inks, cover outside',
      coverBack: 'Inks, cover inside',
      grade: 'Paper, text',
      coverGrade: 'Paper, cover',
      coveragePercent: 'Coverage',
      totalInkPercent: 'Total ink',
      bleedMm: 'Bleed',
      smallestDistanceMm: 'Smallest distance to an edge',
      ...ARTWORK_WORDS,
      stitches: 'Stitches',
      loops: 'Loops, to hang in a binder',
      stitchFromHeadMm: 'Stitches from head and foot',
      outerMm: 'Outer margin',
      spreads: 'Pictures across the gutter: left pages',
      creep: 'Creep reckoned',
      dummyMm: 'Creep of the dummy',
      cure: 'Against creep',
      perCarton: 'Booklets a carton',
    },
  },
  wish: BookletWish,
  fields: [
    { key: 'widthMm', kind: 'length', onPicture: 'width' },
    { key: 'heightMm', kind: 'length', onPicture: 'height' },
    { key: 'pages', kind: 'count', most: 256 },
    {
      key: 'cover',
      kind: 'choice',
      options: () =>
        BOOKLET_COVERS.map((value) => ({ value, says: value === 'own' ? 'of its own paper' : 'none: the outer pages of the text' })),
    },
    { key: 'spine', kind: 'choice', options: () => SPINES.map((value) => ({ value, says: value })) },
    {
      key: 'printedOn',
      kind: 'choice',
      options: () =>
        PRINTED_ON.map((value) => ({ value, says: value === 'sheets' ? 'sheets, cut and folded' : 'a web, folded behind the press' })),
    },
    {
      key: 'grade',
      kind: 'choice',
      options: (plant) => [
        ...textGrades(plant).map((g) => ({ value: g, says: g })),
        ...webGrades(plant).map((g) => ({ value: g, says: `${g}, from the roll` })),
      ],
    },
    { key: 'coverGrade', kind: 'choice', options: (plant) => coverGrades(plant).map((g) => ({ value: g, says: g })) },
    { key: 'front', kind: 'inks' },
    { key: 'back', kind: 'inks' },
    { key: 'coverFront', kind: 'inks' },
    { key: 'coverBack', kind: 'inks' },
    { key: 'stitches', kind: 'count', most: 4 },
    { key: 'loops', kind: 'flag' },
    { key: 'stitchFromHeadMm', kind: 'length', mayBeOff: true },
    {
      key: 'creep',
      kind: 'choice',
      options: () =>
        CREEP_SCHOOLS.map((value) => ({
          value,
          says: { pressed: 'pressed flat', round: 'round the fold', dummy: 'as a dummy shows it' }[value],
        })),
    },
    { key: 'dummyMm', kind: 'length', mayBeOff: true },
    {
      key: 'cure',
      kind: 'choice',
      options: () =>
        CREEP_CURES.map((value) => ({
          value,
          says: { shift: 'pages shifted to the spine', squeeze: 'pages squeezed', none: 'nothing' }[value],
        })),
    },
    { key: 'outerMm', kind: 'length', mayBeOff: true },
    { key: 'spreads', kind: 'text', mayBeOff: true },
    { key: 'perCarton', kind: 'count', mayBeOff: true },
    { key: 'bleedMm', kind: 'length' },
    { key: 'smallestDistanceMm', kind: 'length' },
    { key: 'totalInkPercent', kind: 'percent' },
    ...ARTWORK_FIELDS,
  ],
  starts: {
    ...USUAL,
    front: ['K', 'C', 'M', 'Y'],
    back: ['K', 'C', 'M', 'Y'],
    coverFront: ['K', 'C', 'M', 'Y'],
    coverBack: ['K', 'C', 'M', 'Y'],
  },

  picture: (wish) =>
    bookletPicture({
      widthMm: wish.widthMm ?? USUAL.widthMm,
      heightMm: wish.heightMm ?? USUAL.heightMm,
      pages: wish.pages ?? USUAL.pages,
      stitches: wish.stitches ?? USUAL.stitches,
      spine: wish.spine ?? USUAL.spine,
      fromHeadMm: fromHeadOf(wish),
      sum: sumSays(wish),
    }),

  ways: (wish) => [
    isOnWeb(wish)
      ? { says: 'way.onSheets', wish: { printedOn: 'sheets', grade: undefined } }
      : { says: 'way.onWeb', wish: { printedOn: 'web', grade: undefined } },
    outsideOf(wish) > 0 ? { says: 'way.selfCover', wish: { cover: 'self' } } : { says: 'way.ownCover', wish: { cover: 'own' } },
  ],

  parts({ product, item }, wish, plant) {
    const bookPages = bookPagesOf(wish);
    const outside = outsideOf(wish);
    const coverGrade = coverGradeOf(wish, plant);
    const part = (
      role: string,
      pages: Omit<BoundPages, 'bookPages' | 'nested' | 'spine'>,
      grade: string,
      colours: Part['colours'],
    ): Part => ({
      id: idOf(product, role),
      product,
      item,
      role,
      layouter: role === 'text' && isOnWeb(wish) ? 'webSections' : 'signature',
      widthMm: wish.widthMm ?? USUAL.widthMm,
      heightMm: wish.heightMm ?? USUAL.heightMm,
      bleedMm: wish.bleedMm ?? practiceValue(plant, 'layout.bleedMm'),
      leaves: pages.pages / 2,
      grainAlong: 'height',
      colours,
      ...printedOf(wish),
      grade,
      traits: { bound: { ...pages, bookPages, nested: true, spine: wish.spine ?? USUAL.spine } },
    });
    // Of very few pages the cover has blanks too.
    const blanks = Math.min(bookPages - (wish.pages ?? USUAL.pages), bookPages - 2 * outside);
    const outsideUm = outside > 0 ? 1_000 * caliperMmOf(coverGrade, plant) : 0;
    const text = part('text', { pages: bookPages - 2 * outside, blanks, outside, outsideUm }, gradeOf(wish, plant), [
      wish.front ?? ['K', 'C', 'M', 'Y'],
      wish.back ?? ['K', 'C', 'M', 'Y'],
    ]);
    text.traits = {
      ...text.traits,
      stitched: stitchedOf(wish),
      packed: { perBand: 1, ...(wish.perCarton !== undefined && { perCarton: wish.perCarton }) },
    };
    if (outside === 0) return { [text.id]: text };
    const cover = part('cover', { pages: PAGES_OF_A_FOLD, blanks: 0, outside: 0, outsideUm: 0 }, coverGrade, [
      wish.coverFront ?? ['K', 'C', 'M', 'Y'],
      wish.coverBack ?? [],
    ]);
    return { [text.id]: text, [cover.id]: cover };
  },

  route(wish, parts): RouteStone[] {
    const all = Object.values(parts);
    const text = all.find((p) => p.role === 'text');
    const cover = all.find((p) => p.role === 'cover');
    if (!text) return [];
    const printed = ({ colours }: Part): boolean => colours.flat().length > 0;
    const stone = (key: string, process: Id<'process'>, of: Part[], each?: RouteStone['each'], when = true): RouteStone[] =>
      when ? [{ key, process, of: of.map((p) => p.id), settings: {}, ...(each && { each }) }] : [];
    return [
      ...stone('stock', isOnWeb(wish) ? 'pullRoll' : 'pull', [text], 'form'),
      ...stone('plates', 'platemaking', [text], 'form', printed(text)),
      ...(isOnWeb(wish)
        ? stone('print', 'foldWeb', [text], 'form')
        : [
            ...stone('print', 'offset', [text], 'form', printed(text)),
            ...stone('cut', 'guillotine', [text], 'form'),
            ...stone('fold', 'foldSections', [text], 'section'),
          ]),
      ...(cover
        ? [
            ...stone('coverStock', 'pull', [cover]),
            ...stone('coverPlates', 'platemaking', [cover], undefined, printed(cover)),
            ...stone('coverPrint', 'offset', [cover], undefined, printed(cover)),
            ...stone('coverCut', 'guillotine', [cover]),
          ]
        : []),
      ...stone('stitch', 'stitch', cover ? [text, cover] : [text]),
      ...stone('pack', 'pack', cover ? [text, cover] : [text]),
    ];
  },
};
