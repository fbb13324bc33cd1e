import type { Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { cartonDieLine } from '../product/die-line/carton';
import { CARTON_STYLES, type CartonAsk } from '../product/die-line/carton-ask';
import { panelFigures } from '../product/die-line/carton-panels';
import type { DieLine } from '../product/die-line/die-line';
import { dieLineScene } from '../product/die-line/die-line-scene';
import { gluingOf, gluingOfLine } from '../product/die-line/gluing';
import { pathBox } from '../product/die-line/points';
import { foilPlace, foilPlacesScene, SIDES } from '../product/foil-area';
import type { CartonStyleCard, Plant } from '../plant/plant';
import type { Part } from '../product/part';
import { ARTWORK_FIELDS, ARTWORK_WORDS } from './artwork-fields';
import { printedOf } from './printed';
import { boardsOf, caliperMmOf, panelAddOf } from './boards';
import type { Family, RouteStone, Way } from './family';
import { FOIL_FIELD_WORDS, foilList, reliefList } from './placed-fields';
import { foldingCartonPicture } from './folding-carton-picture';
import { CARTON_COATS, FoldingCartonWish } from './folding-carton-wish';

declare module '../product/part' {
  interface Traits {
    /** A carton as it was asked. */
    carton: CartonAsk;
  }
}

/** What is printed over the inks, as it is called among them. */
const COAT_NAMES: Readonly<Record<(typeof CARTON_COATS)[number], string>> = {
  none: '',
  water: 'water-based coat',
  lamp: 'lamp-dried coat',
};

/** Sizes nobody typed. */
const USUAL = { style: 'reverse', lengthMm: 72, widthMm: 48, heightMm: 126 } as const;

type Styles = Pick<Plant, 'cartonStyles'>;
/** The style of the works' own that was wished; none where the plant has it no more. */
const houseStyleOf = ({ houseStyle = '' }: FoldingCartonWish, { cartonStyles = {} }: Styles): CartonStyleCard | undefined =>
  Object.hasOwn(cartonStyles, houseStyle) ? cartonStyles[houseStyle] : undefined;

/** What was typed goes before the style of the works' own, and that before the usual. */
function askOf(wish: FoldingCartonWish, caliperMm: number, plant: Styles): CartonAsk {
  const own = houseStyleOf(wish, plant);
  const { flapMm = own?.flapMm, tuckMm = own?.tuckMm, reliefMm = own?.reliefMm } = wish;
  return {
    style: own?.base ?? wish.style ?? USUAL.style,
    lengthMm: wish.lengthMm ?? USUAL.lengthMm,
    widthMm: wish.widthMm ?? USUAL.widthMm,
    heightMm: wish.heightMm ?? USUAL.heightMm,
    caliperMm,
    ...(flapMm !== undefined && { flapMm }),
    ...(tuckMm !== undefined && { tuckMm }),
    ...(reliefMm !== undefined && { reliefMm }),
  };
}

/** A line of one's own as a die line. */
const ownDie = ({ outline, slits, creases, glue }: NonNullable<FoldingCartonWish['line']>): DieLine => ({
  outline,
  slits,
  creases: creases.map(({ from, to, kind }) => ({ class: 'body', from, to, ...(kind && { kind }) })),
  joints: glue.map((region) => ({ kind: 'seam', region })),
});

/** Body creases lie across the grain: of a tube they stand upright, of a tray they run along its longer side. */
const grainOf = ({ style, lengthMm, widthMm }: CartonAsk): Part['grainAlong'] =>
  style !== 'tray' || lengthMm >= widthMm ? 'width' : 'height';

const areasOf = <Area extends object>(list: Readonly<Record<string, Area>> | undefined): ({ id: string } & Area)[] =>
  Object.entries(list ?? {}).map(([id, area]) => ({ id, ...area }));

/** Line 4: folding cartons: offset with coat, foil, embossing, die-cutting, breaking out, gluing, cases. */
export const foldingCarton: Family<'folding-carton'> = {
  id: 'folding-carton',
  product: 'carton',
  words: {
    name: 'Folding carton',
    hint: 'cartons and trays from one blank: die-cut, folded and glued; with coat, foil and embossing',
    pieces: 'cartons',
    stones: {
      stock: 'Board',
      plates: 'Plates',
      print: 'Print',
      foil: 'Foil',
      emboss: 'Emboss',
      die: 'Die-cut',
      breakOut: 'Break out',
      glue: 'Fold and glue',
      pack: 'Pack',
    },
    fields: {
      style: 'Style',
      houseStyle: 'Style of the house',
      line: 'Die line from a file',
      lengthMm: 'Length',
      widthMm: 'Width',
      heightMm: 'Height',
      flapMm: 'Glue flap',
      tuckMm: 'Tuck',
      reliefMm: 'Between dust flap and tuck',
      front: 'Inks, outside',
      back: 'Inks, inside',
      coat: 'Coat',
      coveragePercent: 'Coverage',
      totalInkPercent: 'Total ink',
      smallestDistanceMm: 'Smallest distance to an edge or crease',
      ...ARTWORK_WORDS,
      reliefs: 'Embossing',
      'reliefs.name': 'Name of the relief',
      'reliefs.widthMm': 'Relief width',
      'reliefs.heightMm': 'Relief height',
      'reliefs.xMm': 'Relief, from left',
      'reliefs.yMm': 'Relief, from top',
      'reliefs.add': 'Add a relief',
      ...FOIL_FIELD_WORDS,
      food: 'Touches food',
      code: 'Code a reader looks at',
      perCase: 'Cartons a case',
      die: 'Die in the tool store',
      grade: 'Board',
    },
  },
  wish: FoldingCartonWish,
  fields: [
    {
      key: 'style',
      kind: 'choice',
      options: () => CARTON_STYLES.map((value) => ({ value, says: STYLE_SAYS[value] })),
    },
    {
      key: 'houseStyle',
      kind: 'choice',
      options: ({ cartonStyles = {} }) => [
        { value: '', says: 'none' },
        ...Object.entries(cartonStyles).map(([value, { name }]) => ({ value, says: name })),
      ],
    },
    { key: 'lengthMm', kind: 'length', onPicture: 'width' },
    { key: 'widthMm', kind: 'length', onPicture: 'folded' },
    { key: 'heightMm', kind: 'length', onPicture: 'height' },
    {
      key: 'grade',
      kind: 'choice',
      options: (plant) => boardsOf(plant).map((g) => ({ value: g, says: g })),
    },
    { key: 'front', kind: 'inks' },
    { key: 'back', kind: 'inks' },
    { key: 'coat', kind: 'choice', options: () => CARTON_COATS.map((value) => ({ value, says: COAT_NAMES[value] || 'none' })) },
    { key: 'reliefs', kind: 'list', list: reliefList(30, 20) },
    { key: 'foils', kind: 'list', list: foilList(30, 20) },
    { key: 'food', kind: 'flag' },
    { key: 'code', kind: 'text', mayBeOff: true },
    { key: 'perCase', kind: 'count', mayBeOff: true },
    { key: 'die', kind: 'text', mayBeOff: true },
    { key: 'flapMm', kind: 'length', mayBeOff: true },
    { key: 'tuckMm', kind: 'length', mayBeOff: true },
    { key: 'reliefMm', kind: 'length', mayBeOff: true },
    { key: 'smallestDistanceMm', kind: 'length' },
    { key: 'totalInkPercent', kind: 'percent' },
    ...ARTWORK_FIELDS,
    { key: 'foilToPrintMm', kind: 'length' },
  ],
  starts: { ...USUAL, front: ['K', 'C', 'M', 'Y'], coat: 'water' },

  picture: (wish, plant) => (wish.line ? dieLineScene(wish.line.name, ownDie(wish.line)) : foldingCartonPicture(askOf(wish, 0.4, plant))),
  placing: (wish, plant) => {
    const areas = areasOf(wish.foils).map(({ side = 'front' as const, ...a }) => ({ ...a, side }));
    if (areas.length === 0) return null;
    const [widthMm, heightMm] = pathBox((wish.line ? ownDie(wish.line) : cartonDieLine(askOf(wish, 0.4, plant))).outline);
    const piece = { widthMm, heightMm, traits: {} };
    return {
      list: 'foils',
      views: SIDES.map((side) => ({ side, scene: foilPlacesScene(piece, areas, side) })),
      things: areas.map((a) => ({
        ...a,
        ...foilPlace(a, piece),
        ref: `foil ${a.id}`,
        mostXMm: Math.max(widthMm - a.widthMm, 0),
        mostYMm: Math.max(heightMm - a.heightMm, 0),
      })),
    };
  },

  parts({ product, item }, wish, plant, ledger) {
    const id: Id<'part'> = idOf(product, 'blank');
    const grade = wish.grade ?? boardsOf(plant)[0] ?? plant.usualGrade;
    const byTable = panelAddOf(grade, plant);
    const ask: CartonAsk = { ...askOf(wish, caliperMmOf(grade, plant), plant), ...(byTable !== undefined && { panelAddMm: byTable }) };
    const { line } = wish;
    const die = line ? ownDie(line) : cartonDieLine(ask);
    const gluing = line ? gluingOfLine(die) : gluingOf(ask);
    const [widthMm, heightMm] = pathBox(die.outline);
    const coat = COAT_NAMES[wish.coat ?? 'none'];
    const foils = areasOf(wish.foils).map(({ side = 'front' as const, ...a }) => ({ ...a, side }));
    const reliefs = areasOf(wish.reliefs);
    const part: Part = {
      id,
      product,
      item,
      role: 'blank',
      layouter: 'outline',
      widthMm,
      heightMm,
      bleedMm: 0,
      leaves: 1,
      // Of a line of one's own nobody knows which creases are the body's.
      grainAlong: line ? null : grainOf(ask),
      colours: [[...(wish.front ?? ['K', 'C', 'M', 'Y']), ...(coat === '' ? [] : [coat])], wish.back ?? []],
      ...printedOf(wish),
      grade,
      ...(wish.food !== undefined && { food: wish.food }),
      ...(foils.length + reliefs.length > 0 && { oneSided: true as const }),
      traits: {
        blank: { die },
        ...(!line && { carton: ask, panels: panelFigures(id, ask, ledger) }),
        dieName:
          line?.name ?? `${houseStyleOf(wish, plant)?.name ?? STYLE_SAYS[ask.style]} ${ask.lengthMm} × ${ask.widthMm} × ${ask.heightMm}`,
        conditioned: true,
        glued: gluing,
        onEdge: { flatMm: gluing.flatMm },
        ...(wish.die && { cutBy: wish.die }),
        ...(wish.code && { readerCode: wish.code }),
        ...(foils.length > 0 && { foil: { areas: foils, ...(wish.foilToPrintMm !== undefined && { toPrintMm: wish.foilToPrintMm }) } }),
        ...(reliefs.length > 0 && { embossed: { areas: reliefs } }),
        packed: { perBand: 1, ...(wish.perCase !== undefined && { perCarton: wish.perCase }) },
      },
    };
    return { [id]: part };
  },

  route(_wish, parts, chosen): RouteStone[] {
    const part = Object.values(parts)[0];
    if (!part) return [];
    const stone = (key: string, process: Id<'process'>, when = true): RouteStone[] =>
      when ? [{ key, process, of: [part.id], settings: {} }] : [];
    const { traits = {} } = part;
    const printed = part.colours.flat().length > 0;
    const die = idOf(part.id, 'die');
    const byHammer = Object.hasOwn(chosen.settings, die) && chosen.settings[die]?.['separate'] === 'hammer';
    return [
      ...stone('stock', 'pull'),
      ...stone('plates', 'platemaking', printed),
      ...stone('print', 'offset', printed),
      ...stone('foil', 'foil', traits.foil !== undefined),
      ...stone('emboss', 'emboss', traits.embossed !== undefined),
      ...stone('die', byHammer ? 'dieCut' : 'dieBlank'),
      ...stone('breakOut', 'breakOut', byHammer),
      ...stone('glue', 'glue'),
      ...stone('pack', 'pack'),
    ];
  },

  ways(wish, chosen): Way<FoldingCartonWish>[] {
    const tucks: Way<FoldingCartonWish>[] =
      wish.style === 'reverse'
        ? [{ says: 'way.straight', wish: { style: 'straight' } }]
        : wish.style === 'straight'
          ? [{ says: 'way.reverse', wish: { style: 'reverse' } }]
          : [];
    const isByHammer = Object.entries(chosen.settings).some(([stone, set]) => stone.endsWith('.die') && set['separate'] === 'hammer');
    const out: Way<FoldingCartonWish> = isByHammer
      ? { says: 'way.blanking', settings: { die: { separate: 'blanking' } } }
      : { says: 'way.hammer', settings: { die: { separate: 'hammer' } } };
    return [...(wish.line || wish.houseStyle ? [] : tucks), out];
  },
};

const STYLE_SAYS: Readonly<Record<(typeof CARTON_STYLES)[number], string>> = {
  straight: 'straight tuck',
  reverse: 'reverse tuck',
  snapLock: 'snap-lock bottom',
  autoBottom: 'self-opening bottom',
  sleeve: 'sleeve',
  tray: 'glued tray',
};
