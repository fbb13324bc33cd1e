import { idOf } from '../quantity/id-of';
import { typed } from '../quantity/ledger';
import { practiceTerm, practiceValue } from '../plant/practice';
import { DIE_SIDE } from '../form/die-making';
import type { Part } from '../product/part';
import type { Family, RouteStone } from './family';
import { foilDiePicture } from './foil-die-picture';
import { DIE_METAL, FoilDieWish } from './foil-die-wish';

/** Dies for hot foil, as the works makes them for its own jobs, or for others: blanks sawn from a plate of metal, engraved, looked at. */
export const foilDie: Family<'foil-die'> = {
  id: 'foil-die',
  makes: 'foilDie',
  product: 'die',
  words: {
    name: 'Hot-foil dies',
    hint: 'made here for a job of the house, or for others: blanks sawn from metal, engraved, looked at',
    pieces: 'dies',
    stones: { stock: 'Metal', saw: 'Saw', engrave: 'Engrave' },
    fields: { face: 'What they strike', widthMm: 'Image, width', heightMm: 'Image, height', grade: 'Metal' },
  },
  wish: FoilDieWish,
  fields: [
    { key: 'face', kind: 'text' },
    { key: 'widthMm', kind: 'length', onPicture: 'width' },
    { key: 'heightMm', kind: 'length', onPicture: 'height' },
  ],
  starts: { face: 'crest', widthMm: 40, heightMm: 40 },
  picture: foilDiePicture,

  parts({ product, item }, wish, plant, ledger) {
    const id = idOf(product, 'die');
    const marginMm = practiceTerm(plant, 'foilDie.marginMm');
    const side = (key: 'widthMm' | 'heightMm', imageMm: number): number =>
      ledger.figure(idOf(id, key), DIE_SIDE, { imageMm: typed(imageMm, 'mm', key), marginMm });
    const [widthMm, heightMm] = [wish.widthMm ?? 40, wish.heightMm ?? 40];
    const part: Part = {
      id,
      product,
      item,
      role: 'die',
      layouter: 'rectangle',
      widthMm: side('widthMm', widthMm),
      heightMm: side('heightMm', heightMm),
      // The saw takes its width away between two dies: half of it from each.
      bleedMm: practiceValue(plant, 'foilDie.kerfMm') / 2,
      leaves: 1,
      grainAlong: null,
      colours: [[], []],
      coveragePercent: {},
      grade: wish.grade ?? DIE_METAL,
      traits: { dieImage: { face: wish.face ?? '', widthMm, heightMm } },
    };
    return { [id]: part };
  },

  route: (_wish, parts): RouteStone[] =>
    [
      ['stock', 'pull'],
      ['saw', 'saw'],
      ['engrave', 'engrave'],
    ].map(([key = '', process = '']) => ({ key, process, of: Object.keys(parts), settings: {} })),
};
