import type { Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { pathBox } from '../product/die-line/points';
import { coatWindows, sleeveDieLine, sleeveGluing, sleeveSizes, stripLongMm, traysInside } from '../product/die-line/sleeve';
import { LININGS, SLEEVE_STYLES, type SleeveAsk } from '../product/die-line/sleeve-ask';
import { sleeveFigures } from '../product/die-line/sleeve-panels';
import type { Part } from '../product/part';
import { ARTWORK_FIELDS, ARTWORK_WORDS } from './artwork-fields';
import { printedOf } from './printed';
import { boardsOf, caliperMmOf } from './boards';
import { discSleevePicture } from './disc-sleeve-picture';
import { DISCS_FROM, DiscSleeveWish, SLEEVE_COATS } from './disc-sleeve-wish';
import type { Family, RouteStone } from './family';

declare module '../product/part' {
  interface Traits {
    /** A sleeve as it was asked. */
    sleeve: SleeveAsk;
    /** It looks so much like another that a reader has to tell them apart. */
    looksLike: string;
  }
}

/** Sizes nobody typed: a tray as suppliers draw it. */
const USUAL = { style: 'twoPanels', widthMm: 136, heightMm: 122, depthMm: 5.2, lining: 'bonded', tray2: true } as const;

/** A disc weighs 14 to 33 g (ECMA-130, from memory), a tray of board about 35 g (guess). */
const DISC_KG = 0.016;
const TRAY_KG = 0.035;
/** Film round a closed sleeve makes it thicker by so much. Common practice, no source. */
const FILM_MM = 0.1;

const STYLE_SAYS: Readonly<Record<(typeof SLEEVE_STYLES)[number], string>> = {
  pocket: 'pocket',
  twoPanels: 'two panels',
  threePanels: 'three panels',
};
const LINING_SAYS: Readonly<Record<(typeof LININGS)[number], string>> = {
  none: 'none',
  bonded: 'bonded back to back',
  pocket: 'open for a booklet',
};
const DISCS_SAY: Readonly<Record<(typeof DISCS_FROM)[number], string>> = { customer: 'from the customer', buy: 'bought' };

/** Trays on the panels that are said to hold one; a pocket holds none. */
const traysOf = ({ style = USUAL.style, tray1 = false, tray2 = USUAL.tray2, tray3 = false }: DiscSleeveWish): number[] =>
  style === 'pocket' ? [] : [tray1, tray2, tray3 && style === 'threePanels'].flatMap((is, i) => (is ? [i + 1] : [])).slice(0, 2);

const askOf = (wish: DiscSleeveWish, caliperMm: number): SleeveAsk => ({
  style: wish.style ?? USUAL.style,
  lining: wish.style === 'pocket' ? 'none' : (wish.lining ?? USUAL.lining),
  widthMm: wish.widthMm ?? USUAL.widthMm,
  heightMm: wish.heightMm ?? USUAL.heightMm,
  depthMm: wish.depthMm ?? USUAL.depthMm,
  trays: traysOf(wish),
  bookletMm: wish.lining === 'pocket' ? (wish.bookletMm ?? 0) : 0,
  caliperMm,
});

/** Line 5: board disc sleeves, ganged: offset, lamp coat, die-cutting, breaking out, folding and gluing, tray and disc, film, cases. */
export const discSleeve: Family<'disc-sleeve'> = {
  id: 'disc-sleeve',
  product: 'sleeve',
  words: {
    name: 'Disc sleeve',
    hint: 'board sleeves with trays and discs, several orders on one form: coated, die-cut, folded, glued, filled',
    pieces: 'sleeves',
    stones: {
      stock: 'Board',
      plates: 'Plates',
      print: 'Print',
      coat: 'Coat',
      die: 'Die-cut',
      breakOut: 'Break out',
      glue: 'Fold and glue',
      insert: 'Tray and disc',
      pack: 'Pack',
    },
    fields: {
      style: 'Style',
      widthMm: 'Tray, width',
      heightMm: 'Tray, height',
      depthMm: 'Tray, thickness',
      tray1: 'Tray on the first panel',
      tray2: 'Tray on the second panel',
      tray3: 'Tray on the third panel',
      lining: 'Lining',
      bookletMm: 'Booklet in the pocket',
      discs: 'Discs',
      discsFrom: 'Discs come',
      discCode: 'Code on the disc',
      shrink: 'Film round it',
      front: 'Inks',
      coat: 'Coat',
      coveragePercent: 'Coverage',
      totalInkPercent: 'Total ink',
      smallestDistanceMm: 'Smallest distance to an edge or crease',
      ...ARTWORK_WORDS,
      code: 'Code a reader looks at',
      lookAlike: 'Looks like',
      perCase: 'Sleeves a case',
      die: 'Die in the tool store',
      grade: 'Board',
    },
  },
  wish: DiscSleeveWish,
  fields: [
    { key: 'style', kind: 'choice', options: () => SLEEVE_STYLES.map((value) => ({ value, says: STYLE_SAYS[value] })) },
    { key: 'widthMm', kind: 'length', onPicture: 'width' },
    { key: 'heightMm', kind: 'length', onPicture: 'height' },
    { key: 'depthMm', kind: 'length', onPicture: 'folded' },
    { key: 'tray1', kind: 'flag' },
    { key: 'tray2', kind: 'flag' },
    { key: 'tray3', kind: 'flag' },
    { key: 'lining', kind: 'choice', options: () => LININGS.map((value) => ({ value, says: LINING_SAYS[value] })) },
    { key: 'bookletMm', kind: 'length', mayBeOff: true },
    { key: 'grade', kind: 'choice', options: (plant) => boardsOf(plant).map((g) => ({ value: g, says: g })) },
    { key: 'front', kind: 'inks' },
    { key: 'coat', kind: 'choice', options: () => SLEEVE_COATS.map((value) => ({ value, says: value })) },
    { key: 'discs', kind: 'count' },
    { key: 'discsFrom', kind: 'choice', options: () => DISCS_FROM.map((value) => ({ value, says: DISCS_SAY[value] })) },
    { key: 'discCode', kind: 'text', mayBeOff: true },
    { key: 'shrink', kind: 'flag' },
    { key: 'code', kind: 'text', mayBeOff: true },
    { key: 'lookAlike', kind: 'text', mayBeOff: true },
    { key: 'perCase', kind: 'count', mayBeOff: true },
    { key: 'die', kind: 'text', mayBeOff: true },
    { key: 'smallestDistanceMm', kind: 'length' },
    { key: 'totalInkPercent', kind: 'percent' },
    ...ARTWORK_FIELDS,
  ],
  starts: { ...USUAL, front: ['K', 'C', 'M', 'Y'], coat: 'gloss', discs: 1, discsFrom: 'customer', shrink: true },

  picture: (wish) => discSleevePicture(askOf(wish, 0.4), wish.discs ?? 1),

  parts({ product, item }, wish, plant, ledger) {
    const id: Id<'part'> = idOf(product, 'blank');
    const grade = wish.grade ?? boardsOf(plant)[0] ?? plant.usualGrade;
    const ask = askOf(wish, caliperMmOf(grade, plant));
    const die = sleeveDieLine(ask);
    const gluing = sleeveGluing(ask);
    const of = sleeveSizes(ask);
    const [widthMm, heightMm] = pathBox(die.outline);
    const coat = wish.coat ?? 'gloss';
    const [discs, shrink] = [wish.discs ?? 1, wish.shrink ?? true];
    const [width, height, thick] = of.closedMm;
    const trays = traysInside(ask);
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
      // Along the spine: across it the panels stay flatter, and the spine cracks.
      grainAlong: 'height',
      colours: [wish.front ?? ['K', 'C', 'M', 'Y'], []],
      ...printedOf(wish),
      grade,
      oneSided: true,
      traits: {
        blank: { die },
        sleeve: ask,
        panels: sleeveFigures(id, ask, ledger),
        dieName: `sleeve, ${STYLE_SAYS[ask.style]} for ${ask.widthMm} × ${ask.heightMm} × ${ask.depthMm}`,
        ...(gluing && { glued: gluing }),
        ...(coat !== 'none' && { lampCoat: { kind: coat, windows: coatWindows(ask) } }),
        ...((trays.length > 0 || discs > 0 || shrink) && {
          inserts: {
            openMm: [stripLongMm(of), of.stripMm],
            foldsMm: of.panels.slice(1).flatMap(({ leftMm }, i) => [leftMm - (of.spinesMm[i] ?? 0), leftMm]),
            trays,
            trayMm: [ask.widthMm, ask.heightMm, ask.depthMm],
            discs,
            discsFrom: wish.discsFrom ?? 'customer',
            discCode: wish.discCode ?? '',
            shrink,
            closedMm: of.closedMm,
          },
        }),
        holds: { kg: trays.length * TRAY_KG + discs * DISC_KG },
        onEdge: { flatMm: [width, height], thickMm: thick + (shrink ? FILM_MM : 0) },
        ...(wish.die && { cutBy: wish.die }),
        ...(wish.code && { readerCode: wish.code }),
        ...(wish.lookAlike && { looksLike: wish.lookAlike }),
        packed: { perBand: 1, ...(wish.perCase !== undefined && { perCarton: wish.perCase }) },
      },
    };
    return { [id]: part };
  },

  route(_wish, parts, chosen): RouteStone[] {
    const part = Object.values(parts)[0];
    if (!part) return [];
    const stone = (key: string, process: Id<'process'>, when = true, settings: RouteStone['settings'] = {}): RouteStone[] =>
      when ? [{ key, process, of: [part.id], settings }] : [];
    const { traits = {} } = part;
    const printed = part.colours.flat().length > 0;
    const die = idOf(part.id, 'die');
    const inPress = Object.hasOwn(chosen.settings, die) && chosen.settings[die]?.['separate'] === 'blanking';
    return [
      ...stone('stock', 'pull'),
      ...stone('plates', 'platemaking', printed),
      ...stone('print', 'offset', printed),
      ...stone('coat', 'coat', traits.lampCoat !== undefined),
      ...stone('die', inPress ? 'dieBlank' : 'dieCut', true, { separate: 'hammer', samples: 3 }),
      ...stone('breakOut', 'breakOut', !inPress),
      ...stone('glue', 'glue', traits.glued !== undefined),
      ...stone('insert', 'insert', traits.inserts !== undefined),
      ...stone('pack', 'pack'),
    ];
  },
};
