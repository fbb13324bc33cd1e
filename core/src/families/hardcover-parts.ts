import { idOf } from '../quantity/id-of';
import { practiceValue } from '../plant/practice';
import { wholeFolds } from '../product/bound';
import type { Part } from '../product/part';
import { type BookCase, ENDPAPER_PAGES, LEAST_SEWN_PAGES } from '../product/sewn';
import { sizesAllowed } from '../signature/fold-limits';
import { foldLimitsOf } from '../layout/book-sections';
import { blockMm } from '../finishing/book-block';
import { caseSizes, jacketMm } from '../finishing/case';
import { roundedSpine, sewnBlockMm } from '../finishing/sewn-block';
import { caliperMmOf } from './boards';
import type { Works } from './family';
import type { HardcoverWish } from './hardcover-wish';
import { boardGrades, clothGrades, coverGrades, gradeNear, textGrades } from './papers';
import { printedOf } from './printed';

/** What an order of a hardcover says where it says nothing. */
export const USUAL_HARDCOVER = {
  widthMm: 148,
  heightMm: 210,
  pages: 256,
  spine: 'left',
  spineForm: 'round',
  angleDeg: 90,
  covering: 'cloth',
  lamination: 'none',
  jacketFilm: 'none',
  headband: true,
  ribbon: false,
  colouredEdges: false,
} as const;
const COLOURS = ['K', 'C', 'M', 'Y'];
/** Masses of what such books are made of; the nearest that the works has is taken. Common practice, no source. */
const USUAL_GSM = { text: 80, end: 120, board: 1_700, strip: 300, cloth: 210, paper: 135, jacket: 150 } as const;

type Grade = 'grade' | 'endGrade' | 'boardGrade' | 'stripGrade' | 'clothGrade' | 'paperGrade' | 'jacketGrade';
/** The grade of what was not said: the nearest to what is usual. */
export function gradeOf(wish: HardcoverWish, key: Grade, plant: Works): string {
  const [of, gsm] = (
    {
      grade: [textGrades, USUAL_GSM.text],
      endGrade: [textGrades, USUAL_GSM.end],
      boardGrade: [boardGrades, USUAL_GSM.board],
      stripGrade: [coverGrades, USUAL_GSM.strip],
      clothGrade: [clothGrades, USUAL_GSM.cloth],
      paperGrade: [textGrades, USUAL_GSM.paper],
      jacketGrade: [textGrades, USUAL_GSM.jacket],
    } as const
  )[key];
  return wish[key] ?? gradeNear(of(plant), gsm, plant) ?? plant.usualGrade;
}

const gsmOf = (grade: string, { stocks }: Works): number => Object.values(stocks).find((s) => s.grade === grade)?.gsm ?? 0;

/** Thickness of the block: as a dummy shows it, else of its papers and of what the thread leaves in as many sections as the paper usually folds to. */
export function blockThicknessMm(wish: HardcoverWish, plant: Works): number {
  if (wish.dummyMm !== undefined) return wish.dummyMm;
  const pages = wholeFolds(wish.pages ?? USUAL_HARDCOVER.pages);
  const text = gradeOf(wish, 'grade', plant);
  const [largest = pages] = sizesAllowed(gsmOf(text, plant), foldLimitsOf({ plant }));
  const leavesMm =
    blockMm(pages, 1_000 * caliperMmOf(text, plant)) +
    blockMm(2 * ENDPAPER_PAGES, 1_000 * caliperMmOf(gradeOf(wish, 'endGrade', plant), plant));
  return sewnBlockMm({ leavesMm, sections: Math.ceil(pages / largest), swellMm: practiceValue(plant, 'sew.swellMm') });
}

/** How the case is asked: as the order says, else as the works has it. */
export function caseOf(wish: HardcoverWish, plant: Works): Omit<BookCase, 'titles'> {
  return {
    boardMm: caliperMmOf(gradeOf(wish, 'boardGrade', plant), plant),
    squareMm: wish.squareMm ?? practiceValue(plant, 'case.squareMm'),
    setBackMm: wish.setBackMm ?? practiceValue(plant, 'case.setBackMm'),
    jointMm: wish.jointMm ?? practiceValue(plant, 'case.jointMm'),
    turnInMm: wish.turnInMm ?? practiceValue(plant, 'case.turnInMm'),
    covering: wish.covering ?? USUAL_HARDCOVER.covering,
    typedMm: wish.clothMm ?? 0,
  };
}

/** Sizes of boards, strip, covering and jacket. */
export function sizesOf(wish: HardcoverWish, plant: Works) {
  const block = blockThicknessMm(wish, plant);
  const cased = caseOf(wish, plant);
  const isRound = (wish.spineForm ?? USUAL_HARDCOVER.spineForm) === 'round';
  const angleDeg = isRound ? (wish.angleDeg ?? USUAL_HARDCOVER.angleDeg) : null;
  const sizes = caseSizes({
    widthMm: wish.widthMm ?? USUAL_HARDCOVER.widthMm,
    heightMm: wish.heightMm ?? USUAL_HARDCOVER.heightMm,
    blockMm: block,
    arcMm: angleDeg === null ? null : roundedSpine(block, angleDeg).arcMm,
    ...cased,
  });
  return { block, cased, angleDeg, sizes };
}

const titlesOf = ({ titles = {} }: HardcoverWish): BookCase['titles'] =>
  Object.entries(titles).map(([id, { place = 'spine', tool, ...title }]) => ({ id, place, ...title, ...(tool !== undefined && { tool }) }));

/** Text, endpapers, covering, boards, strip, jacket. */
export function hardcoverParts(
  { product, item }: { product: string; item: string },
  wish: HardcoverWish,
  plant: Works,
): Record<string, Part> {
  const [width, height] = [wish.widthMm ?? USUAL_HARDCOVER.widthMm, wish.heightMm ?? USUAL_HARDCOVER.heightMm];
  const trims = {
    faceMm: practiceValue(plant, 'sew.faceMm'),
    headMm: practiceValue(plant, 'sew.headMm'),
    footMm: practiceValue(plant, 'sew.footMm'),
    grindMm: 0,
    sawMm: 0,
  };
  const { cased, angleDeg, sizes } = sizesOf(wish, plant);
  const [pages, printed] = [wholeFolds(wish.pages ?? USUAL_HARDCOVER.pages), wish.pages ?? USUAL_HARDCOVER.pages];
  const part = (role: string, grade: string, [widthMm, heightMm]: readonly [number, number], more: Partial<Part> = {}): Part => ({
    ...{ id: idOf(product, role), product, item, role, layouter: 'rectangle', widthMm, heightMm, bleedMm: 0, leaves: 1 },
    grainAlong: 'height',
    colours: [[], []],
    coveragePercent: {},
    grade,
    ...more,
  });
  const isCloth = cased.covering === 'cloth';
  const film = (kind: 'none' | 'gloss' | 'matt' | undefined): Part['traits'] =>
    kind === undefined || kind === 'none' ? {} : { laminated: { film: kind } };
  const flap = wish.flapMm;
  const all = [
    part('text', gradeOf(wish, 'grade', plant), [width, height], {
      layouter: 'signature',
      bleedMm: Math.min(trims.faceMm, trims.headMm, trims.footMm),
      leaves: pages / 2,
      colours: [wish.front ?? ['K'], wish.back ?? ['K']],
      ...printedOf(wish),
      traits: {
        bound: {
          ...{ pages, bookPages: pages, blanks: pages - printed, outside: 0, outsideUm: 0, nested: false },
          spine: wish.spine ?? USUAL_HARDCOVER.spine,
          least: LEAST_SEWN_PAGES,
        },
        sewn: {
          trims,
          angleDeg,
          dummyMm: wish.dummyMm ?? 0,
          measuredMm: wish.measuredMm ?? 0,
          headband: wish.headband ?? USUAL_HARDCOVER.headband,
          ribbon: wish.ribbon ?? USUAL_HARDCOVER.ribbon,
          colouredEdges: wish.colouredEdges ?? USUAL_HARDCOVER.colouredEdges,
        },
        packed: { perBand: 1, ...(wish.perCarton !== undefined && { perCarton: wish.perCarton }) },
      },
    }),
    part('endpaper', gradeOf(wish, 'endGrade', plant), [2 * (width + trims.faceMm), height + trims.headMm + trims.footMm], {
      traits: { endpaper: { glueMm: practiceValue(plant, 'tipEnds.glueMm') }, pieces: 2 },
    }),
    part('covering', gradeOf(wish, isCloth ? 'clothGrade' : 'paperGrade', plant), [wish.clothMm ?? sizes.cloth[0], sizes.cloth[1]], {
      layouter: isCloth ? 'rollPieces' : 'rectangle',
      colours: isCloth ? [[], []] : [wish.paperFront ?? COLOURS, []],
      traits: { cased: { ...cased, titles: titlesOf(wish) }, ...(isCloth ? {} : film(wish.lamination)) },
    }),
    part('board', gradeOf(wish, 'boardGrade', plant), sizes.board, { traits: { pieces: 2 } }),
    // The strip of a flat back is board; round a spine only card bends.
    part('strip', angleDeg === null ? gradeOf(wish, 'boardGrade', plant) : gradeOf(wish, 'stripGrade', plant), sizes.strip),
    ...(flap === undefined
      ? []
      : [
          part('jacket', gradeOf(wish, 'jacketGrade', plant), jacketMm(sizes, { jointMm: cased.jointMm, flapMm: flap }), {
            bleedMm: practiceValue(plant, 'layout.bleedMm'),
            colours: [wish.jacketFront ?? COLOURS, wish.jacketBack ?? []],
            traits: { jacket: { flapMm: flap }, ...film(wish.jacketFilm) },
          }),
        ]),
  ];
  return Object.fromEntries(all.map((p) => [p.id, p]));
}
