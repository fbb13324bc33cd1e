import type { Product } from '../product/job-spec';
import type { FoldedCardWish } from './folded-card-wish';
import { foldedCard } from './folded-card';

/* What the open job definition standard has elements for of a card: names from memory, see docs/job-xml.md. */

export interface XmlElement {
  name: string;
  attributes: Record<string, string>;
  children: XmlElement[];
  text?: string;
}

/** The standard measures in points of an inch. */
const POINTS_PER_MM = 72 / 25.4;
const points = (mm: number): string => String(Math.round(mm * POINTS_PER_MM * 1000) / 1000);
export const mmFrom = (text: string | undefined): number => Math.round((Number(text) / POINTS_PER_MM) * 100) / 100;

const PROCESS_INKS: Readonly<Record<string, string>> = { K: 'Black', C: 'Cyan', M: 'Magenta', Y: 'Yellow' };
const inkName = (ink: string): string => PROCESS_INKS[ink] ?? ink;
const inkLetter = (name: string): string => Object.entries(PROCESS_INKS).find(([, said]) => said === name)?.[0] ?? name;
/** Names of inks stand in a list parted by spaces: one with spaces keeps them as underscores. */
const inkList = (inks: readonly string[]): string => inks.map((ink) => inkName(ink).replace(/ /g, '_')).join(' ');
export const inksOf = (list: string | undefined): string[] =>
  (list ?? '')
    .split(/\s+/)
    .filter(Boolean)
    .map((name) => inkLetter(name.replace(/_/g, ' ')));

/** Usual catalogue names of folds into two, three and four panels side by side. From memory. */
const FOLDS: Readonly<Record<number, string>> = { 0: 'F2-1', 1: 'F4-1', 2: 'F6-1', 3: 'F8-1' };

export const element = (
  name: string,
  attributes: Record<string, string | undefined>,
  children: readonly XmlElement[] = [],
): XmlElement => ({
  name,
  attributes: Object.fromEntries(Object.entries(attributes).filter((a): a is [string, string] => a[1] !== undefined)),
  children: [...children],
});
const intent = (name: string, attributes: Record<string, string | undefined>, children: readonly XmlElement[] = []): XmlElement =>
  element('Intent', { Name: name }, [element(name, attributes, children)]);

/** What is wished of a product, as far as the standard's elements written here can say it; of other lines nothing yet. */
export const intentsOf = (made: Product | undefined): XmlElement[] =>
  made?.kind === 'made' && made.family === foldedCard.id ? cardIntents(made.wish) : [];

function cardIntents(wish: FoldedCardWish): XmlElement[] {
  const { openWidthMm = 0, openHeightMm = 0, folds = 0, front = [], back = [], grade, foils = {} } = { ...foldedCard.starts, ...wish };
  const surfaces = [['Front', front] as const, ['Back', back] as const].filter(([, inks]) => inks.length > 0);
  return [
    intent('LayoutIntent', {
      Dimensions: `${points(openWidthMm)} ${points(openHeightMm)}`,
      FinishedDimensions: `${points(wish.foldedWidthMm ?? openWidthMm / (folds + 1))} ${points(openHeightMm)} 0`,
      Sides: back.length > 0 ? 'TwoSided' : 'OneSided',
    }),
    intent(
      'ColorIntent',
      {},
      surfaces.map(([Surface, inks]) => element('SurfaceColor', { Surface, ColorsUsed: inkList(inks) })),
    ),
    intent('MediaIntent', { MediaQuality: grade }),
    intent('FoldingIntent', { FoldingCatalog: FOLDS[folds] ?? `F${2 * (folds + 1)}-1` }),
    ...(Object.keys(foils).length > 0
      ? [
          intent(
            'EmbossingIntent',
            {},
            Object.entries(foils).map(([id, f]) =>
              element('EmbossingItem', {
                EmbossingType: 'FoilStamping',
                ID: id,
                DescriptiveName: f.name,
                FoilColorDetails: f.colour,
                Face: f.side === 'back' ? 'Back' : 'Front',
                ImageSize: `${points(f.widthMm)} ${points(f.heightMm)}`,
                Position: f.xMm !== undefined && f.yMm !== undefined ? `${points(f.xMm)} ${points(f.yMm)}` : undefined,
              }),
            ),
          ),
        ]
      : []),
  ];
}
