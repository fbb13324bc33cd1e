import {
  PDFArray,
  PDFBool,
  type PDFContext,
  PDFDict,
  PDFName,
  PDFNumber,
  type PDFObject,
  type PDFPage,
  PDFRawStream,
  PDFRef,
  PDFStream,
} from 'pdf-lib';
import { MOST_PIXELS, NoSeparation } from '../separation';
import { CMYK, componentOf, contentText, dictOf, GRAY, isProcess, Met, type Painted, paintedBy, plateSpace } from './colorants';
import { type Operation, operations, written } from './content';

/** Names of the plate's spaces for what a content stream paints without naming a space. */
const OWN_GRAY = 'PlateGray';
const OWN_CMYK = 'PlateCmyk';
/** Blend modes that mix the components of a colour: plate by plate they mean nothing. Source: ISO 32000-1, 11.3.5.3 */
const MIXES_COMPONENTS = ['Hue', 'Saturation', 'Color', 'Luminosity'];
/** Painting operators when the fill, the stroke or both leave the plate as it is. Source: ISO 32000-1, 8.5.3 */
const WITHOUT_FILL = new Map(Object.entries({ f: 'n', F: 'n', 'f*': 'n', B: 'S', 'B*': 'S', b: 's', 'b*': 's' }));
const WITHOUT_STROKE = new Map(Object.entries({ S: 'n', s: 'n', B: 'f', 'B*': 'f*', b: 'h f', 'b*': 'h f*' }));
const WITHOUT_BOTH = new Map([...WITHOUT_FILL.keys(), 'S', 's'].map((o) => [o, 'n']));
const AS_IT_IS = new Map<string, string>();
/** Spaces that need no resources, and their short names in inline images. Source: ISO 32000-1, 8.6.8 and table 94 */
const DEVICE_NAMES = ['/DeviceGray', '/DeviceCMYK', '/DeviceRGB', '/Pattern'];
const SHORT_NAMES = new Map([
  ['/G', '/DeviceGray'],
  ['/CMYK', '/DeviceCMYK'],
  ['/RGB', '/DeviceRGB'],
]);
const SHOWS_TEXT = ['Tj', 'TJ', "'", '"'];

/** A colour as it is set: the space, and its values where they are known. */
interface Colour {
  painted: Painted;
  values: readonly number[] | null;
}
interface State {
  fill: Colour;
  stroke: Colour;
  fillOverprints: boolean;
  strokeOverprints: boolean;
  overprintMode: number;
  textMode: number;
}
const FIRST: State = {
  fill: { painted: GRAY, values: [0] },
  stroke: { painted: GRAY, values: [0] },
  fillOverprints: false,
  strokeOverprints: false,
  overprintMode: 0,
  textMode: 0,
};

/** Rewrites a page so that it shows the plate of one ink in grey. A document serves one ink: read it anew for the next. */
export function showOnePlate(page: PDFPage, ink: string, met: Met): void {
  const { node } = page;
  const { context } = page.doc;
  const plate = new Plate(context, ink, met);
  const resources = node.Resources() ?? context.obj({});
  const content = plate.content(contentText(context, node.get(PDFName.of('Contents'))), resources, true);
  node.set(PDFName.of('Resources'), plate.resources(resources));
  node.set(PDFName.of('Contents'), context.register(context.stream(Buffer.from(content, 'latin1'))));
}

class Plate {
  /** Forms, patterns and pictures already rewritten; null while they are. */
  private readonly done = new Map<PDFRef, PDFRef | null>();

  constructor(
    private readonly context: PDFContext,
    private readonly ink: string,
    private readonly met: Met,
  ) {}

  /** The same resources, with every colour in the plate's grey. Soft masks keep theirs: they say where, not what, is painted. */
  resources(from: PDFDict): PDFDict {
    const { context } = this;
    const to = from.clone(context);
    const spaces = this.each(from, 'ColorSpace', (space) => this.unusedSpace(space));
    spaces.set(PDFName.of(OWN_GRAY), plateSpace(context, PDFName.of('DeviceGray'), GRAY, this.ink));
    spaces.set(PDFName.of(OWN_CMYK), plateSpace(context, PDFName.of('DeviceCMYK'), CMYK, this.ink));
    to.set(PDFName.of('ColorSpace'), spaces);
    to.set(
      PDFName.of('XObject'),
      this.each(from, 'XObject', (o) => this.once(o, (x) => this.xObject(x, from))),
    );
    to.set(
      PDFName.of('Pattern'),
      this.each(from, 'Pattern', (o) => this.once(o, (x) => this.pattern(x, from))),
    );
    to.set(
      PDFName.of('Shading'),
      this.each(from, 'Shading', (o) => this.shading(o)),
    );
    to.set(
      PDFName.of('Font'),
      this.each(from, 'Font', (o) => this.font(o, from)),
    );
    return to;
  }

  /** The same content; what paints without naming a space names the plate's, and what overprints this plate leaves it. */
  content(text: string, resources: PDFDict, fromTheStart: boolean): string {
    const lines: string[] = [];
    // What is painted before a colour is set is black.
    if (fromTheStart) lines.push(`/${OWN_GRAY} cs 0 scn /${OWN_GRAY} CS 0 SCN`);
    let state = FIRST;
    const kept: State[] = [];
    for (const operation of operations(text)) {
      if (operation.operator === 'q') kept.push(state);
      else if (operation.operator === 'Q') state = kept.pop() ?? state;
      else state = this.after(state, operation, resources);
      lines.push(this.rewritten(operation, state, resources));
    }
    return lines.join('\n');
  }

  private after(s: State, { operator, operands }: Operation, resources: PDFDict): State {
    const set = (fill: boolean, colour: Colour): State => ({ ...s, [fill ? 'fill' : 'stroke']: colour });
    const values = operands.every((o) => /^[-+.\d]/.test(o)) ? operands.map(Number) : null;
    switch (operator) {
      case 'g':
      case 'G':
        return set(operator === 'g', { painted: GRAY, values });
      case 'k':
      case 'K':
        this.met.coloured = true;
        return set(operator === 'k', { painted: CMYK, values });
      case 'cs':
      case 'CS':
        return set(operator === 'cs', { painted: this.painted(operands[0] ?? '', resources), values: null });
      case 'sc':
      case 'scn':
        return set(true, { painted: s.fill.painted, values });
      case 'SC':
      case 'SCN':
        return set(false, { painted: s.stroke.painted, values });
      case 'Tr':
        return { ...s, textMode: Number(operands[0]) };
      case 'gs':
        return this.withExtGState(s, this.named(resources, 'ExtGState', operands[0] ?? ''));
      default:
        return s;
    }
  }
  private withExtGState(s: State, found: PDFObject | undefined): State {
    const gs = this.context.lookup(found);
    if (!(gs instanceof PDFDict)) return s;
    const get = (key: string): PDFObject | undefined => this.context.lookup(gs.get(PDFName.of(key)));
    const [stroke, fill, mode, blend] = [get('OP'), get('op'), get('OPM'), get('BM')];
    const modes = (blend instanceof PDFArray ? blend.asArray() : [blend]).map((m) => (m instanceof PDFName ? m.decodeText() : ''));
    const mixing = modes.find((m) => MIXES_COMPONENTS.includes(m));
    if (mixing) throw new NoSeparation(`The page blends by ${mixing.toLowerCase()}: its plates cannot be told apart. Have it flattened.`);
    const is = (o: PDFObject | undefined, otherwise: boolean): boolean => (o instanceof PDFBool ? o.asBoolean() : otherwise);
    return {
      ...s,
      strokeOverprints: is(stroke, s.strokeOverprints),
      fillOverprints: is(fill ?? stroke, s.fillOverprints),
      overprintMode: mode instanceof PDFNumber ? mode.asNumber() : s.overprintMode,
    };
  }

  private rewritten(operation: Operation, s: State, resources: PDFDict): string {
    const { operator, operands } = operation;
    const [fillLeaves, strokeLeaves] = [this.leaves(s.fill, s.fillOverprints, s), this.leaves(s.stroke, s.strokeOverprints, s)];
    switch (operator) {
      case 'g':
        return `/${OWN_GRAY} cs ${operands.join(' ')} scn`;
      case 'G':
        return `/${OWN_GRAY} CS ${operands.join(' ')} SCN`;
      case 'k':
        return `/${OWN_CMYK} cs ${operands.join(' ')} scn`;
      case 'K':
        return `/${OWN_CMYK} CS ${operands.join(' ')} SCN`;
      case 'rg':
      case 'RG':
        paintedBy(this.context, PDFName.of('DeviceRGB'), this.met);
        return '';
      case 'cs':
      case 'CS':
        return this.spaceChosen(operation, (operator === 'cs' ? s.fill : s.stroke).painted);
      case 'BI':
        return fillLeaves && operands.includes('/IM') ? '' : written(this.inlineImage(operation, resources));
      case 'Do':
        return this.drawnOver(operands[0] ?? '', fillLeaves, s, resources) ? '' : written(operation);
    }
    const without = fillLeaves && strokeLeaves ? WITHOUT_BOTH : fillLeaves ? WITHOUT_FILL : strokeLeaves ? WITHOUT_STROKE : AS_IT_IS;
    const instead = without.get(operator);
    if (instead !== undefined) return instead;
    if (SHOWS_TEXT.includes(operator) && (fillLeaves || strokeLeaves)) {
      const mode = textModeWithout(s.textMode, fillLeaves, strokeLeaves);
      if (mode !== s.textMode) return `${mode} Tr ${written(operation)} ${s.textMode} Tr`;
    }
    return written(operation);
  }
  /** Whether a colour set to overprint leaves this ink's plate as it is. Source: ISO 32000-1, 8.6.7 (overprint control) */
  private leaves(colour: Colour, overprints: boolean, { overprintMode }: State): boolean {
    const { painted, values } = colour;
    if (painted.colorants.length > 0 && painted.colorants.every((c) => c === 'none')) return true;
    if (!overprints || painted.kind === 'none') return false;
    const at = componentOf(painted, this.ink);
    if (painted.kind === 'named') return at === null;
    if (!isProcess(this.ink)) return true;
    return painted.kind === 'cmyk' && overprintMode === 1 && at !== null && values?.[at] === 0;
  }
  /** A picture or a stencil that overprints without touching this plate is not drawn. */
  private drawnOver(name: string, fillLeaves: boolean, s: State, resources: PDFDict): boolean {
    const found = this.context.lookup(this.named(resources, 'XObject', name));
    if (!(found instanceof PDFStream) || found.dict.get(PDFName.of('Subtype')) !== PDFName.of('Image')) return false;
    if (isMask(this.context, found.dict)) return fillLeaves;
    const space = found.dict.get(PDFName.of('ColorSpace'));
    return space !== undefined && this.leaves({ painted: paintedBy(this.context, space, this.met), values: null }, s.fillOverprints, s);
  }

  /** Device spaces by the plate's name; and the colour they begin with, which the plate's space begins otherwise. */
  private spaceChosen({ operator, operands }: Operation, painted: Painted): string {
    const name = operands[0] ?? '';
    const set = operator === 'cs' ? 'scn' : 'SCN';
    const first = painted.pattern ? null : painted.kind === 'gray' ? '0' : painted.kind === 'cmyk' ? '0 0 0 1' : null;
    return `${this.ownName(name)} ${operator}${first === null ? '' : ` ${first} ${set}`}`;
  }
  private inlineImage(operation: Operation, resources: PDFDict): Operation {
    const operands = [...operation.operands];
    const at = operands.findIndex((o, i) => i % 2 === 0 && (o === '/CS' || o === '/ColorSpace'));
    if (at < 0) return operation;
    const name = operands[at + 1] ?? '';
    if (!name.startsWith('/')) throw new NoSeparation('The page holds a small picture in colours of its own, which cannot be separated.');
    const long = SHORT_NAMES.get(name) ?? name;
    const painted = this.painted(long, resources);
    operands[at + 1] = this.ownName(long);
    return painted.kind === 'none' ? operation : { ...operation, operands };
  }
  /** Device spaces by the plate's name, others by their own: those the resources hold anew. */
  private ownName = (name: string): string => (name === '/DeviceGray' ? `/${OWN_GRAY}` : name === '/DeviceCMYK' ? `/${OWN_CMYK}` : name);

  private painted(name: string, resources: PDFDict): Painted {
    const space = DEVICE_NAMES.includes(name) ? PDFName.of(name.slice(1)) : this.named(resources, 'ColorSpace', name);
    return paintedBy(this.context, space, this.met);
  }
  private named(resources: PDFDict, kind: string, name: string): PDFObject | undefined {
    return dictOf(this.context, resources, kind).get(PDFName.of(name.slice(1)));
  }
  private space(space: PDFObject): PDFObject {
    return plateSpace(this.context, space, paintedBy(this.context, space, this.met), this.ink);
  }
  /** A space that stands there to be used: what it holds counts when it is used, and one that cannot be separated is refused then. */
  private unusedSpace(space: PDFObject): PDFObject {
    try {
      return plateSpace(this.context, space, paintedBy(this.context, space, new Met()), this.ink);
    } catch (error) {
      if (error instanceof NoSeparation) return space;
      throw error;
    }
  }
  /** Every entry of a kind of resources, by its rewriting. */
  private each(resources: PDFDict, kind: string, rewrite: (o: PDFObject) => PDFObject): PDFDict {
    const to = this.context.obj({});
    for (const [name, entry] of dictOf(this.context, resources, kind).entries()) to.set(name, rewrite(entry));
    return to;
  }
  /** What is used in many places is rewritten once. @throws NoSeparation what draws itself */
  private once(entry: PDFObject, rewrite: (x: PDFStream | PDFDict) => PDFObject): PDFObject {
    const found = this.context.lookup(entry);
    if (!(found instanceof PDFStream || found instanceof PDFDict)) return entry;
    if (!(entry instanceof PDFRef)) return rewrite(found);
    const known = this.done.get(entry);
    if (known) return known;
    if (known === null) throw new NoSeparation('The page holds a drawing that draws itself.');
    this.done.set(entry, null);
    const to = this.context.register(rewrite(found));
    this.done.set(entry, to);
    return to;
  }

  private xObject(x: PDFStream | PDFDict, around: PDFDict): PDFObject {
    if (!(x instanceof PDFRawStream)) return x;
    return x.dict.get(PDFName.of('Subtype')) === PDFName.of('Form') ? this.drawing(x, around, false) : this.image(x);
  }
  /** A content stream with its resources; without any it uses those around it. */
  private drawing(x: PDFRawStream, around: PDFDict, fromTheStart: boolean): PDFObject {
    const own = this.context.lookup(x.dict.get(PDFName.of('Resources')));
    const resources = own instanceof PDFDict ? own : around;
    const dict = x.dict.clone(this.context);
    for (const packed of ['Filter', 'DecodeParms', 'Length']) dict.delete(PDFName.of(packed));
    if (own instanceof PDFDict) dict.set(PDFName.of('Resources'), this.resources(own));
    return PDFRawStream.of(dict, Buffer.from(this.content(contentText(this.context, x), resources, fromTheStart), 'latin1'));
  }
  private image(x: PDFRawStream): PDFObject {
    const [w, h] = ['Width', 'Height'].map((side) => numberOf(this.context, x.dict, side) ?? 0);
    if ((w ?? 0) * (h ?? 0) > MOST_PIXELS) throw new NoSeparation(`The page holds a picture of ${w} × ${h} pixels, more than can be read.`);
    if (isMask(this.context, x.dict)) return x;
    const space = x.dict.get(PDFName.of('ColorSpace'));
    if (!space)
      throw new NoSeparation(
        'The page holds a picture that does not say its colours (JPEG 2000). Have it saved in the inks it is printed with.',
      );
    const dict = x.dict.clone(this.context);
    dict.set(PDFName.of('ColorSpace'), this.space(space));
    return PDFRawStream.of(dict, x.contents);
  }
  private pattern(x: PDFStream | PDFDict, around: PDFDict): PDFObject {
    // One that is drawn in the colour it is used with sets none of its own.
    if (x instanceof PDFRawStream) return this.drawing(x, around, numberOf(this.context, x.dict, 'PaintType') === 1);
    if (!(x instanceof PDFDict)) return x;
    const dict = x.clone(this.context);
    const shading = x.get(PDFName.of('Shading'));
    if (shading) dict.set(PDFName.of('Shading'), this.shading(shading));
    return dict;
  }
  private shading(entry: PDFObject): PDFObject {
    const found = this.context.lookup(entry);
    const dict =
      found instanceof PDFRawStream ? found.dict.clone(this.context) : found instanceof PDFDict ? found.clone(this.context) : null;
    const space = dict?.get(PDFName.of('ColorSpace'));
    if (!dict || !space) return entry;
    dict.set(PDFName.of('ColorSpace'), this.space(space));
    return this.context.register(found instanceof PDFRawStream ? PDFRawStream.of(dict, found.contents) : dict);
  }
  /** Letters drawn by content streams of their own: only those may set colours. */
  private font(entry: PDFObject, around: PDFDict): PDFObject {
    const found = this.context.lookup(entry);
    if (!(found instanceof PDFDict) || found.get(PDFName.of('Subtype')) !== PDFName.of('Type3')) return entry;
    return this.once(entry, () => {
      const own = this.context.lookup(found.get(PDFName.of('Resources')));
      const resources = own instanceof PDFDict ? own : around;
      const font = found.clone(this.context);
      const letters = this.each(found, 'CharProcs', (o) =>
        this.once(o, (x) => (x instanceof PDFRawStream ? this.drawing(x, resources, false) : x)),
      );
      font.set(PDFName.of('CharProcs'), letters);
      font.set(PDFName.of('Resources'), own instanceof PDFDict ? this.resources(own) : around);
      return font;
    });
  }
}

const numberOf = (context: PDFContext, dict: PDFDict, key: string): number | null => {
  const found = context.lookup(dict.get(PDFName.of(key)));
  return found instanceof PDFNumber ? found.asNumber() : null;
};
const isMask = (context: PDFContext, image: PDFDict): boolean => {
  const mask = context.lookup(image.get(PDFName.of('ImageMask')));
  return mask instanceof PDFBool && mask.asBoolean();
};
/** Text modes: 0 fill, 1 stroke, 2 both, 3 neither; those from 4 on also clip and are left. Source: ISO 32000-1, 9.3.6 */
function textModeWithout(mode: number, fillLeaves: boolean, strokeLeaves: boolean): number {
  if (mode > 3) return mode;
  const fills = (mode === 0 || mode === 2) && !fillLeaves;
  const strokes = (mode === 1 || mode === 2) && !strokeLeaves;
  return fills ? (strokes ? 2 : 0) : strokes ? 1 : 3;
}
