import type { Id } from '../quantity/figure';
import { COVERINGS, TITLE_PLACES } from '../product/sewn';
import type { Part } from '../product/part';
import { ARTWORK_FIELDS, ARTWORK_WORDS } from './artwork-fields';
import { type Family, hasWorks, type ListOf, type RouteStone } from './family';
import { hardcoverParts, sizesOf, USUAL_HARDCOVER } from './hardcover-parts';
import { hardcoverPicture } from './hardcover-picture';
import { HardcoverWish, SPINE_FORMS } from './hardcover-wish';
import { boardGrades, clothGrades, coverGrades, textGrades } from './papers';
import { LAMINATIONS } from './paperback-wish';

const titleList: ListOf = {
  of: [
    { key: 'name', kind: 'text' },
    { key: 'place', kind: 'choice', options: [...TITLE_PLACES].reverse() },
    { key: 'widthMm', kind: 'length', then: '×' },
    { key: 'heightMm', kind: 'length' },
  ],
  prefix: 't',
  fresh: (n) => ({ name: `title ${n}`, widthMm: 8, heightMm: 90 }),
};
const says = (value: string): { value: string; says: string } => ({ value, says: value });

/** Line 7: books sewn through the folds of their sections, in a case of boards and cloth or paper. */
export const hardcover: Family<'hardcover'> = {
  id: 'hardcover',
  product: 'hardback',
  words: {
    name: 'Sewn hardcover',
    hint: 'books sewn section by section, in a case of boards covered with cloth or paper; with title, headband, jacket',
    pieces: 'books',
    stones: {
      stock: 'Paper, text',
      plates: 'Plates, text',
      print: 'Print, text',
      slit: 'Slit, text',
      fold: 'Fold, text',
      endStock: 'Paper, endpapers',
      endCut: 'Cut, endpapers',
      endpapers: 'Endpapers on',
      gather: 'Gather',
      sew: 'Sew',
      nip: 'Nip, glue spine',
      trim: 'Trim',
      edges: 'Colour edges',
      line: 'Round, back, line',
      coverStock: 'Covering',
      coverPlates: 'Plates, covering',
      coverPrint: 'Print, covering',
      coverLaminate: 'Laminate, covering',
      coverCut: 'Cut, covering',
      boardStock: 'Boards',
      boardCut: 'Cut, boards',
      stripStock: 'Strip',
      stripCut: 'Cut, strip',
      case: 'Make cases',
      title: 'Title in foil',
      caseIn: 'Case in',
      jacketStock: 'Paper, jacket',
      jacketPlates: 'Plates, jacket',
      jacketPrint: 'Print, jacket',
      jacketLaminate: 'Laminate, jacket',
      jacketCut: 'Cut, jacket',
      jacket: 'Jackets on',
      pack: 'Pack',
    },
    fields: {
      widthMm: 'Width',
      heightMm: 'Height',
      pages: 'Pages',
      front: 'Inks, text, outer form',
      back: 'Inks, text, inner form',
      grade: 'Paper, text',
      spine: 'Bound on the',
      endGrade: 'Paper, endpapers',
      spineForm: 'Back',
      angleDeg: 'Angle of a round back, degrees',
      boardGrade: 'Boards',
      stripGrade: 'Strip of a round back',
      squareMm: 'Square',
      setBackMm: 'Set-back of the boards',
      jointMm: 'Joint',
      turnInMm: 'Turn-in',
      covering: 'Boards covered with',
      clothGrade: 'Cloth',
      clothMm: 'Width of the covering, by hand',
      paperGrade: 'Paper, covering',
      paperFront: 'Inks, covering',
      lamination: 'Film on the covering',
      titles: 'Titles in foil',
      'titles.name': 'Title',
      'titles.place': 'on the',
      'titles.widthMm': 'across',
      'titles.heightMm': 'along the spine',
      'titles.add': 'Another title',
      headband: 'Headbands',
      ribbon: 'Ribbon',
      colouredEdges: 'Coloured edges',
      flapMm: 'Jacket with flaps of',
      jacketGrade: 'Paper, jacket',
      jacketFront: 'Inks, jacket outside',
      jacketBack: 'Inks, jacket inside',
      jacketFilm: 'Film on the jacket',
      dummyMm: 'Block of the dummy',
      measuredMm: 'Block measured after nipping',
      coveragePercent: 'Coverage',
      totalInkPercent: 'Total ink',
      smallestDistanceMm: 'Smallest distance to an edge',
      ...ARTWORK_WORDS,
      perCarton: 'Books a carton',
    },
  },
  wish: HardcoverWish,
  fields: [
    { key: 'widthMm', kind: 'length', onPicture: 'width' },
    { key: 'heightMm', kind: 'length', onPicture: 'height' },
    { key: 'pages', kind: 'count', most: 2_000 },
    { key: 'grade', kind: 'choice', options: (plant) => textGrades(plant).map(says) },
    { key: 'front', kind: 'inks' },
    { key: 'back', kind: 'inks' },
    { key: 'spine', kind: 'choice', options: () => (['left', 'right'] as const).map(says) },
    { key: 'endGrade', kind: 'choice', options: (plant) => textGrades(plant).map(says) },
    { key: 'spineForm', kind: 'choice', options: () => SPINE_FORMS.map(says) },
    { key: 'angleDeg', kind: 'number' },
    { key: 'boardGrade', kind: 'choice', options: (plant) => boardGrades(plant).map(says) },
    { key: 'stripGrade', kind: 'choice', options: (plant) => coverGrades(plant).map(says) },
    { key: 'squareMm', kind: 'length' },
    { key: 'setBackMm', kind: 'length' },
    { key: 'jointMm', kind: 'length' },
    { key: 'turnInMm', kind: 'length' },
    { key: 'covering', kind: 'choice', options: () => COVERINGS.map(says) },
    { key: 'clothGrade', kind: 'choice', options: (plant) => clothGrades(plant).map(says) },
    { key: 'clothMm', kind: 'length', mayBeOff: true },
    { key: 'paperGrade', kind: 'choice', options: (plant) => textGrades(plant).map(says) },
    { key: 'paperFront', kind: 'inks' },
    { key: 'lamination', kind: 'choice', options: () => LAMINATIONS.map(says) },
    { key: 'titles', kind: 'list', list: titleList },
    { key: 'headband', kind: 'flag' },
    { key: 'ribbon', kind: 'flag' },
    { key: 'colouredEdges', kind: 'flag' },
    { key: 'flapMm', kind: 'length', mayBeOff: true },
    { key: 'jacketGrade', kind: 'choice', options: (plant) => textGrades(plant).map(says) },
    { key: 'jacketFront', kind: 'inks' },
    { key: 'jacketBack', kind: 'inks' },
    { key: 'jacketFilm', kind: 'choice', options: () => LAMINATIONS.map(says) },
    { key: 'dummyMm', kind: 'length', mayBeOff: true },
    { key: 'measuredMm', kind: 'length', mayBeOff: true },
    { key: 'perCarton', kind: 'count', mayBeOff: true },
    { key: 'smallestDistanceMm', kind: 'length' },
    { key: 'totalInkPercent', kind: 'percent' },
    ...ARTWORK_FIELDS,
  ],
  starts: { ...USUAL_HARDCOVER, front: ['K'], back: ['K'] },

  picture: (wish, drawn) => {
    const made = hasWorks(drawn) ? sizesOf(wish, drawn) : null;
    const isRound = (wish.spineForm ?? USUAL_HARDCOVER.spineForm) === 'round';
    return hardcoverPicture({
      widthMm: wish.widthMm ?? USUAL_HARDCOVER.widthMm,
      heightMm: wish.heightMm ?? USUAL_HARDCOVER.heightMm,
      pages: wish.pages ?? USUAL_HARDCOVER.pages,
      squareMm: made?.cased.squareMm ?? wish.squareMm ?? 3,
      boardMm: made?.cased.boardMm ?? 2.5,
      angleDeg: isRound ? (wish.angleDeg ?? USUAL_HARDCOVER.angleDeg) : null,
      blockMm: made?.block ?? null,
      spine: wish.spine ?? USUAL_HARDCOVER.spine,
      titles: Object.values(wish.titles ?? {}).map(({ name, place = 'spine' }) => ({ name, place })),
      hasJacket: wish.flapMm !== undefined,
    });
  },

  ways: ({ spineForm = USUAL_HARDCOVER.spineForm, covering = USUAL_HARDCOVER.covering }) => [
    spineForm === 'round'
      ? { says: 'way.flatBack', wish: { spineForm: 'flat' as const } }
      : { says: 'way.roundBack', wish: { spineForm: 'round' as const } },
    covering === 'cloth'
      ? { says: 'way.paperCase', wish: { covering: 'paper' as const } }
      : { says: 'way.clothCase', wish: { covering: 'cloth' as const } },
    { says: 'way.builtIn', settings: { caseIn: { joints: 'builtIn' } } },
  ],

  parts: (ids, wish, plant) => hardcoverParts(ids, wish, plant),

  route(_wish, parts): RouteStone[] {
    const byRole = new Map(Object.values(parts).map((p) => [p.role, p]));
    const of = (...roles: string[]): Part[] => roles.flatMap((role) => byRole.get(role) ?? []);
    const stone = (key: string, process: Id<'process'>, roles: string[], each?: RouteStone['each'], when = true): RouteStone[] =>
      when ? [{ key, process, of: of(...roles).map((p) => p.id), settings: {}, ...(each && { each }) }] : [];
    const isPrinted = (role: string): boolean => of(role).some((p) => p.colours.flat().length > 0);
    const isFilmed = (role: string): boolean => of(role).some((p) => p.traits?.laminated !== undefined);
    const covering = byRole.get('covering');
    if (!byRole.has('text') || !covering) return [];
    const { cased } = covering.traits ?? {};
    /** From paper to printed pieces. */
    const printedPieces = (role: string, key: string): RouteStone[] => [
      ...stone(`${key}Stock`, 'pull', [role]),
      ...stone(`${key}Plates`, 'platemaking', [role], undefined, isPrinted(role)),
      ...stone(`${key}Print`, 'offset', [role], undefined, isPrinted(role)),
      ...stone(`${key}Laminate`, 'laminate', [role], undefined, isFilmed(role)),
      ...stone(`${key}Cut`, 'guillotine', [role]),
    ];
    const block = ['text', 'endpaper'];
    const made = ['covering', 'board', 'strip'];
    const book = [...block, ...made];
    const hasJacket = byRole.has('jacket');
    return [
      ...stone('stock', 'pull', ['text'], 'form'),
      ...stone('plates', 'platemaking', ['text'], 'form', isPrinted('text')),
      ...stone('print', 'offset', ['text'], 'form', isPrinted('text')),
      ...stone('slit', 'guillotine', ['text'], 'form'),
      ...stone('fold', 'foldSections', ['text'], 'section'),
      ...stone('endStock', 'pull', ['endpaper']),
      ...stone('endCut', 'guillotine', ['endpaper']),
      ...stone('endpapers', 'tipEnds', block, 'section'),
      ...stone('gather', 'gather', block),
      ...stone('sew', 'sew', block),
      ...stone('nip', 'nip', block),
      ...stone('trim', 'threeKnife', block),
      ...stone('edges', 'colourEdges', block, undefined, byRole.get('text')?.traits?.sewn?.colouredEdges),
      ...stone('line', 'roundBack', block),
      ...(cased?.covering === 'paper'
        ? printedPieces('covering', 'cover')
        : [...stone('coverStock', 'pullRoll', ['covering']), ...stone('coverCut', 'cutCloth', ['covering'])]),
      ...stone('boardStock', 'pull', ['board']),
      ...stone('boardCut', 'cutBoards', ['board']),
      ...stone('stripStock', 'pull', ['strip']),
      ...stone('stripCut', 'cutBoards', ['strip']),
      ...stone('case', 'caseMake', made),
      ...stone('title', 'titleFoil', made, undefined, (cased?.titles.length ?? 0) > 0),
      ...stone('caseIn', 'caseIn', book),
      ...(hasJacket ? printedPieces('jacket', 'jacket') : []),
      ...stone('jacket', 'jacketOn', [...book, 'jacket'], undefined, hasJacket),
      ...stone('pack', 'pack', hasJacket ? [...book, 'jacket'] : book),
    ];
  },
};
