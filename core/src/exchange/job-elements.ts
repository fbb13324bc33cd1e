import { element, inksOf, intentsOf, mmFrom, type XmlElement } from '../families/card-intents';
import { familyOf } from '../families/registry';
import { JobSpecSchema } from '../plan/door';
import { type Item, type JobSpec, NO_CHOICES, orderedQuantity } from '../product/job-spec';

/* A job as elements of the trade's open job definition standard (XJDF 2.1), and back. The names of elements and attributes are written from memory and were
   checked against no schema: experimental, and said so where it is offered. What the standard has no element for stands in one element of our own beside them,
   so that a file of this program comes back as it went out. docs/job-xml.md lists every name used. */

export const JOB_XML = {
  namespace: 'http://www.CIP4.org/JDFSchema_2_0',
  own: 'urn:druckerei:job:1',
  version: '2.1',
} as const;

export interface JobInFile {
  number: number;
  customer: string;
}

/** The whole document: products with their intents, what is delivered when and where, the customer, and our own specification beside them. */
export function jobElements(spec: JobSpec, { number, customer }: JobInFile): XmlElement {
  const items = Object.entries(spec.items);
  return element(
    'XJDF',
    {
      xmlns: JOB_XML.namespace,
      'xmlns:dk': JOB_XML.own,
      JobID: String(number),
      DescriptiveName: spec.name,
      Types: 'Product',
      Version: JOB_XML.version,
    },
    [
      element(
        'ProductList',
        {},
        items.map(([id, item]) => productElement(spec, id, item)),
      ),
      element('ResourceSet', { Name: 'CustomerInfo', Usage: 'Input' }, [
        element('Resource', {}, [element('CustomerInfo', { CustomerID: customer })]),
      ]),
      element(
        'ResourceSet',
        { Name: 'DeliveryParams', Usage: 'Input' },
        items.flatMap(([id, item]) => item.deliveries.map((d) => deliveryElement(id, d))),
      ),
      { ...element('dk:Job', { schema: '1' }), text: JSON.stringify(spec) },
    ],
  );
}

function productElement(spec: JobSpec, id: string, item: Item): XmlElement {
  const ordered = orderedQuantity(item);
  const made = spec.products[item.product];
  const attributes = {
    ID: id,
    IsRoot: 'true',
    Amount: String(ordered),
    MinAmount: String(Math.floor(ordered * (1 - item.overs.underPpm / 1e6))),
    MaxAmount: String(Math.floor(ordered * (1 + item.overs.overPpm / 1e6))),
    DescriptiveName: spec.name,
    ProductTypeDetails: made?.kind === 'made' ? familyOf(made.family).words.name : item.product,
  };
  return element('Product', attributes, intentsOf(made));
}

const deliveryElement = (item: string, { by, to, share }: Item['deliveries'][number]): XmlElement =>
  element('Resource', {}, [
    element('DeliveryParams', { Required: by }, [
      element('DropItem', { ItemRef: item, Amount: String(Object.values(share).reduce((sum, n) => sum + n, 0)) }),
      element('Contact', { ContactTypes: 'Delivery' }, [{ ...element('Comment', {}), text: to }]),
    ]),
  ]);

export type JobRead =
  | { ok: true; spec: JobSpec; own: boolean; differences: { place: string; file: string; ours: string }[] }
  | { ok: false; issues: { path: string; says: string }[] };

/**
 * Reads a job back. A file of this program carries its specification: it counts, and every element of the standard that says something else is listed. Of
 * another's file a card is put together from the elements known here.
 */
export function readJobElements(root: XmlElement): JobRead {
  if (root.name !== 'XJDF') return refused('', `begins with ${root.name}: it is no job of the open standard, which begins with XJDF`);
  const own = root.children.find((c) => c.name === 'dk:Job');
  const spec = own ? parsedJson(own.text ?? '') : specFrom(root);
  const read = JobSpecSchema.safeParse(spec);
  if (!read.success) return { ok: false, issues: read.error.issues.map((i) => ({ path: i.path.join('.'), says: i.message })) };
  const ours = jobElements(read.data, { number: Number(root.attributes['JobID'] ?? 0), customer: customerOf(root) });
  return { ok: true, spec: read.data, own: own !== undefined, differences: own ? differencesOf(root, ours) : [] };
}
const refused = (path: string, says: string): JobRead => ({ ok: false, issues: [{ path, says }] });
function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

const all = (of: XmlElement, name: string): XmlElement[] => of.children.flatMap((c) => [...(c.name === name ? [c] : []), ...all(c, name)]);
const customerOf = (root: XmlElement): string => all(root, 'CustomerInfo')[0]?.attributes['CustomerID'] ?? '';

/** Attributes of the same element in the same place that differ; elements are paired by name in their order. */
function differencesOf(file: XmlElement, ours: XmlElement): { place: string; file: string; ours: string }[] {
  const placed = (of: XmlElement): Map<string, string> => {
    const found = new Map<string, string>();
    const walk = (e: XmlElement, path: string): void => {
      if (e.name === 'dk:Job') return;
      for (const [key, value] of Object.entries(e.attributes)) if (!key.startsWith('xmlns')) found.set(`${path}/@${key}`, value);
      if (e.text !== undefined && e.text.trim() !== '') found.set(path, e.text.trim());
      const seen = new Map<string, number>();
      for (const child of e.children) {
        const nr = (seen.get(child.name) ?? 0) + 1;
        seen.set(child.name, nr);
        walk(child, `${path}/${child.name}${nr > 1 ? `[${nr}]` : ''}`);
      }
    };
    walk(of, of.name);
    return found;
  };
  const [theirs, mine] = [placed(file), placed(ours)];
  return [...new Set([...theirs.keys(), ...mine.keys()])]
    .filter((place) => theirs.get(place) !== mine.get(place))
    .map((place) => ({ place, file: theirs.get(place) ?? '', ours: mine.get(place) ?? '' }));
}

const pair = (text: string | undefined): [string | undefined, string | undefined] => {
  const [a, b] = (text ?? '').trim().split(/\s+/);
  return [a, b];
};

/** A card as the standard's elements tell it. What they leave out is what a card usually is. */
function specFrom(root: XmlElement): unknown {
  const product = all(root, 'Product')[0];
  const amount = Number(product?.attributes['Amount']);
  const [width, height] = pair(all(root, 'LayoutIntent').find((e) => e.attributes['Dimensions'])?.attributes['Dimensions']);
  const surface = (side: string): string[] =>
    inksOf(all(root, 'SurfaceColor').find((e) => e.attributes['Surface'] === side)?.attributes['ColorsUsed']);
  const catalog = all(root, 'FoldingIntent').find((e) => e.attributes['FoldingCatalog'])?.attributes['FoldingCatalog'] ?? '';
  const grade = all(root, 'MediaIntent').find((e) => e.attributes['MediaQuality'])?.attributes['MediaQuality'];
  const foils = all(root, 'EmbossingItem').map((e, i) => {
    const [w, h] = pair(e.attributes['ImageSize']);
    const [x, y] = pair(e.attributes['Position']);
    const { DescriptiveName: name = '', FoilColorDetails: colour, Face } = e.attributes;
    const placed = x !== undefined && y !== undefined ? { xMm: mmFrom(x), yMm: mmFrom(y) } : {};
    const area = {
      name,
      widthMm: mmFrom(w),
      heightMm: mmFrom(h),
      side: Face === 'Back' ? 'back' : 'front',
      ...(colour && { colour }),
      ...placed,
    };
    return [`f${i + 1}`, area] as const;
  });
  const deliveries = all(root, 'DeliveryParams').flatMap((e) => {
    const required = e.attributes['Required']?.slice(0, 16);
    const pieces = Number(e.children.find((c) => c.name === 'DropItem')?.attributes['Amount']);
    return required ? [{ by: required, share: { only: pieces }, to: all(e, 'Comment')[0]?.text?.trim() ?? '' }] : [];
  });
  const over = Number(product?.attributes['MaxAmount'] ?? amount);
  return {
    schema: 1,
    name: root.attributes['DescriptiveName'] ?? product?.attributes['DescriptiveName'] ?? '',
    choices: NO_CHOICES,
    overrides: {},
    decisions: {},
    items: {
      i1: {
        orderLine: null,
        product: 'card',
        versions: { only: { name: 'only', quantity: amount, changes: [] } },
        deliveries,
        overs: { underPpm: 0, overPpm: amount > 0 ? Math.max(Math.round((1e6 * (over - amount)) / amount), 0) : 0, extra: 'customer' },
        pieces: 'alike',
        balanced: false,
      },
    },
    products: {
      card: {
        kind: 'made',
        family: 'folded-card',
        wish: {
          openWidthMm: mmFrom(width),
          openHeightMm: mmFrom(height),
          folds: Math.max(Number(/^F(\d+)/.exec(catalog)?.[1] ?? 2) / 2 - 1, 0),
          front: surface('Front'),
          back: surface('Back'),
          ...(grade !== undefined && { grade }),
          ...(foils.length > 0 && { foils: Object.fromEntries(foils) }),
        },
      },
    },
  };
}
