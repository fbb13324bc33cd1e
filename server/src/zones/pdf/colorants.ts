import { constants, inflateSync } from 'node:zlib';
import {
  decodePDFRawStream,
  PDFArray,
  type PDFContext,
  PDFDict,
  PDFName,
  PDFNumber,
  type PDFObject,
  PDFRawStream,
  PDFStream,
} from 'pdf-lib';
import { NoSeparation } from '../separation';

const PROCESS = ['C', 'M', 'Y', 'K'] as const;
const LONG_NAMES = new Map(Object.entries({ cyan: 'C', magenta: 'M', yellow: 'Y', black: 'K' }));

/** A colorant's name as we compare it: process colours by their letter, others in small letters. */
export function colorantOf(name: string): string {
  const small = name.trim().toLowerCase();
  return LONG_NAMES.get(small) ?? (small.length === 1 ? small.toUpperCase() : small);
}
export const isProcess = (ink: string): boolean => PROCESS.includes(ink as (typeof PROCESS)[number]);

/** What a colour space paints: the names of its colorants, in the order of its components. `none`: patterns have no components of their own. */
export interface Painted {
  kind: 'gray' | 'cmyk' | 'named' | 'none';
  colorants: readonly string[];
  /** A pattern is painted in it: a colour alone cannot be set. */
  pattern?: true;
}
/** What is met on a page while it is read. */
export class Met {
  /** Spot colours, by the name that is compared, as they are written. */
  readonly spots = new Map<string, string>();
  /** Something else than grey. */
  coloured = false;
}

export const GRAY: Painted = { kind: 'gray', colorants: ['K'] };
export const CMYK: Painted = { kind: 'cmyk', colorants: PROCESS };
const NOT_SEPARABLE = 'Have it converted to the inks it is printed with.';
const inRgb = (): NoSeparation => new NoSeparation(`The page has colours in RGB or Lab. ${NOT_SEPARABLE}`);

/** Resolves what a colour space paints. @throws NoSeparation a space that holds no inks. Source: ISO 32000-1, 8.6 */
export function paintedBy(context: PDFContext, space: PDFObject | undefined, met: Met, depth = 0): Painted {
  const found = context.lookup(space);
  if (depth > 8) throw new NoSeparation('The page has a colour space that leads back to itself.');
  if (found instanceof PDFName) {
    switch (found.decodeText()) {
      case 'DeviceGray':
      case 'CalGray':
      case 'G':
        return GRAY;
      case 'DeviceCMYK':
      case 'CMYK':
        met.coloured = true;
        return CMYK;
      case 'Pattern':
        return { kind: 'none', colorants: [] };
      default:
        throw inRgb();
    }
  }
  if (!(found instanceof PDFArray)) throw new NoSeparation('The page names a colour space that it does not hold.');
  const [family, second] = [context.lookup(found.get(0)), found.asArray()[1]];
  const name = family instanceof PDFName ? family.decodeText() : '';
  switch (name) {
    case 'ICCBased': {
      const profile = context.lookup(second);
      const n = profile instanceof PDFStream ? context.lookup(profile.dict.get(PDFName.of('N'))) : undefined;
      const components = n instanceof PDFNumber ? n.asNumber() : 0;
      if (components === 1) return GRAY;
      if (components !== 4) throw inRgb();
      met.coloured = true;
      return CMYK;
    }
    case 'Separation':
      return named([nameOf(context.lookup(second))], met);
    case 'DeviceN': {
      const names = context.lookup(second);
      return named(names instanceof PDFArray ? names.asArray().map((n) => nameOf(context.lookup(n))) : [], met);
    }
    case 'Indexed':
    case 'I':
      return paintedBy(context, second, met, depth + 1);
    case 'Pattern':
      return second === undefined ? { kind: 'none', colorants: [] } : { ...paintedBy(context, second, met, depth + 1), pattern: true };
    default:
      // An array of one: the name of a device's space.
      return paintedBy(context, family, met, depth + 1);
  }
}
const nameOf = (o: PDFObject | undefined): string => (o instanceof PDFName ? o.decodeText() : '');
function named(names: string[], met: Met): Painted {
  met.coloured = true;
  const colorants = names.map(colorantOf);
  colorants.forEach((c, i) => {
    if (!isProcess(c) && c !== 'all' && c !== 'none') met.spots.set(c, names[i] ?? c);
  });
  return { kind: 'named', colorants };
}

/** Where an ink stands among the components of a space; null: what is painted in the space leaves this ink's plate white. */
export function componentOf({ colorants }: Painted, ink: string): number | null {
  const at = colorants.indexOf(ink);
  if (at >= 0) return at;
  const all = colorants.indexOf('all');
  return all >= 0 ? all : null;
}

/**
 * A colour space with the same components that shows one ink's plate as grey: black where the ink lies full, white where there is none.
 * So every painted value, image and shading stays as it is; only what it means changes. Source: ISO 32000-1, 8.6.6.4 and 8.6.6.5 (tint transforms), 7.10.5.
 */
export function plateSpace(context: PDFContext, space: PDFObject | undefined, painted: Painted, ink: string): PDFObject {
  const found = context.lookup(space);
  if (found instanceof PDFArray) {
    const family = nameOf(context.lookup(found.get(0)));
    const [name, base, ...rest] = found.asArray();
    if (family === 'Indexed' || family === 'I') return context.obj([name ?? null, plateSpace(context, base, painted, ink), ...rest]);
    if (family === 'Pattern') return base === undefined ? found : context.obj([name ?? null, plateSpace(context, base, painted, ink)]);
  }
  if (painted.kind === 'none') return PDFName.of('Pattern');
  const at = componentOf(painted, ink);
  if (painted.kind === 'gray' && at !== null) return PDFName.of('DeviceGray');
  const n = painted.colorants.length;
  const drop = 'pop '.repeat(n);
  const program = at === null ? `{ ${drop} 1 }` : `{ ${n - 1 - at} index 1 exch sub ${n + 1} 1 roll ${drop} }`;
  const tint = context.register(
    context.stream(program, { FunctionType: 4, Domain: Array.from({ length: 2 * n }, (_, i) => i % 2), Range: [0, 1] }),
  );
  const names = Array.from({ length: n }, (_, i) => `Part${i}`);
  return n === 1 ? context.obj(['Separation', 'Part0', 'DeviceGray', tint]) : context.obj(['DeviceN', names, 'DeviceGray', tint]);
}

/** A page's drawing unpacks to no more than this; more is no page but a trap. */
const MOST_CONTENT_BYTES = 100_000_000;

/** What a content stream says, as Latin-1 text. @throws NoSeparation one that cannot be unpacked, or unpacks to too much */
export function contentText(context: PDFContext, content: PDFObject | undefined): string {
  const found = context.lookup(content);
  if (found instanceof PDFArray)
    return found
      .asArray()
      .map((part) => contentText(context, part))
      .join('\n');
  if (!(found instanceof PDFRawStream)) return '';
  try {
    return unpacked(found).toString('latin1');
  } catch (error) {
    if (error instanceof RangeError) throw new NoSeparation('The page’s drawing unpacks to more than a page can hold.');
    throw new NoSeparation('The page’s content is packed in a way that cannot be read, or breaks off.');
  }
}
/** Nearly all content is deflated: that is unpacked to a bound, and to where it breaks off. */
function unpacked(stream: PDFRawStream): Buffer {
  const { dict, contents } = stream;
  const filter = dict.context.lookup(dict.get(PDFName.of('Filter')));
  const [first, ...more] = filter instanceof PDFArray ? filter.asArray() : [filter];
  const deflated = first === PDFName.of('FlateDecode') && more.length === 0 && !dict.has(PDFName.of('DecodeParms'));
  return deflated
    ? inflateSync(contents, { maxOutputLength: MOST_CONTENT_BYTES, finishFlush: constants.Z_SYNC_FLUSH })
    : Buffer.from(decodePDFRawStream(stream).decode());
}
/** An entry that is a dictionary, or an empty one. */
export function dictOf(context: PDFContext, from: PDFDict | undefined, key: string): PDFDict {
  const found = from ? context.lookup(from.get(PDFName.of(key))) : undefined;
  return found instanceof PDFDict ? found : context.obj({});
}
