import { idOf } from '../quantity/id-of';
import { typed } from '../quantity/ledger';
import { practiceTerm } from '../plant/practice';
import { DIE_SIDE } from '../form/die-making';
import type { Part } from '../product/part';
import { cuttingDiePicture } from './cutting-die-picture';
import { CuttingDieWish, DIE_BOARD, USUAL_CUTTING_DIE } from './cutting-die-wish';
import type { Family, RouteStone } from './family';

/** Dies for flat-bed presses, as the works makes them for its own jobs, or for others: rules bent and set into board, rubber, counter plate, frame and grid. */
export const cuttingDie: Family<'cutting-die'> = {
  id: 'cutting-die',
  makes: 'cuttingDie',
  product: 'die',
  words: {
    name: 'Cutting dies',
    hint: 'made here for a job of the house, or for others: rules bent and set into board, rubber laid, counter plate milled',
    pieces: 'dies',
    stones: { stock: 'Die board', dieShop: 'Die room' },
    fields: {
      name: 'What it cuts',
      places: 'Places',
      sheetWidthMm: 'Sheet, along the gripper',
      sheetHeightMm: 'Sheet, from gripper to tail',
      cutM: 'Cutting rules, m',
      creaseM: 'Creasing rules, m',
      boardUm: 'Board it cuts, µm',
      grade: 'Die board',
    },
  },
  wish: CuttingDieWish,
  fields: [
    { key: 'name', kind: 'text' },
    { key: 'places', kind: 'count' },
    { key: 'sheetWidthMm', kind: 'length', onPicture: 'width' },
    { key: 'sheetHeightMm', kind: 'length', onPicture: 'height' },
    { key: 'cutM', kind: 'number' },
    { key: 'creaseM', kind: 'number' },
    { key: 'boardUm', kind: 'number' },
  ],
  starts: { name: 'carton', ...USUAL_CUTTING_DIE },
  picture: cuttingDiePicture,

  parts({ product, item }, wish, plant, ledger) {
    const id = idOf(product, 'die');
    const marginMm = practiceTerm(plant, 'dieShop.marginMm');
    const of = { ...USUAL_CUTTING_DIE, ...wish };
    const side = (key: 'sheetWidthMm' | 'sheetHeightMm', what: 'widthMm' | 'heightMm'): number =>
      ledger.figure(idOf(id, what), DIE_SIDE, { imageMm: typed(of[key], 'mm', key), marginMm });
    const part: Part = {
      id,
      product,
      item,
      role: 'die',
      layouter: 'rectangle',
      widthMm: side('sheetWidthMm', 'widthMm'),
      heightMm: side('sheetHeightMm', 'heightMm'),
      bleedMm: 0,
      leaves: 1,
      grainAlong: null,
      colours: [[], []],
      coveragePercent: {},
      grade: wish.grade ?? DIE_BOARD,
      traits: {
        ruled: {
          name: wish.name ?? '',
          places: of.places,
          sheetMm: [of.sheetWidthMm, of.sheetHeightMm],
          cutM: of.cutM,
          creaseM: of.creaseM,
          boardUm: of.boardUm,
        },
      },
    };
    return { [id]: part };
  },

  route: (_wish, parts): RouteStone[] =>
    [
      ['stock', 'pull'],
      ['dieShop', 'dieShop'],
    ].map(([key = '', process = '']) => ({ key, process, of: Object.keys(parts), settings: {} })),
};
