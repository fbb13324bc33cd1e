import Builder from 'fast-xml-builder';
import { XMLParser } from 'fast-xml-parser';
import { SyntaxValidator } from 'fast-xml-validator';
import type { XmlElement } from '@druckerei/core';
import { invalid } from '../errors';

/** An element as the parser keeps order: one key, its name, with its children; attributes beside it. */
type Ordered = Record<string, unknown>;
const ATTRIBUTES = ':@';
const TEXT = '#text';
/** Deeper than this stands nothing that is a job. */
const MOST_DEEP = 40;
const OPTIONS = { preserveOrder: true, ignoreAttributes: false, attributeNamePrefix: '' } as const;

const ordered = ({ name, attributes, children, text }: XmlElement): Ordered => ({
  [name]: [...children.map(ordered), ...(text === undefined ? [] : [{ [TEXT]: text }])],
  [ATTRIBUTES]: attributes,
});

/** Elements as a document. */
export const writeXml = (root: XmlElement): string =>
  `<?xml version="1.0" encoding="UTF-8"?>\n${new Builder({ ...OPTIONS, format: true, suppressEmptyNode: true }).build([ordered(root)])}`;

function elementOf(node: Ordered, deep: number): XmlElement {
  if (deep > MOST_DEEP) throw invalid([{ path: '', says: 'is nested deeper than any job' }]);
  const name = Object.keys(node).find((key) => key !== ATTRIBUTES) ?? '';
  const inside = (node[name] ?? []) as Ordered[];
  const text = inside
    .filter((c) => TEXT in c)
    .map((c) => String(c[TEXT]))
    .join('');
  return {
    name,
    attributes: Object.fromEntries(Object.entries((node[ATTRIBUTES] ?? {}) as Record<string, unknown>).map(([k, v]) => [k, String(v)])),
    children: inside.filter((c) => !(TEXT in c)).map((c) => elementOf(c, deep + 1)),
    ...(text !== '' && { text }),
  };
}

/** The root of a document. @throws Refused what is no XML, with the line; entities are not followed */
export function readXml(bytes: Uint8Array): XmlElement {
  const text = new TextDecoder().decode(bytes);
  let nodes: Ordered[];
  try {
    // The parser is lenient: what is well formed is asked first.
    SyntaxValidator.validate(text);
    nodes = new XMLParser({ ...OPTIONS, parseTagValue: false, parseAttributeValue: false, trimValues: true }).parse(text) as Ordered[];
  } catch (error) {
    throw invalid([{ path: '', says: `is no XML: ${whyOf(error)}` }]);
  }
  const root = nodes.find((n) => !Object.keys(n).some((key) => key.startsWith('?') || key === TEXT));
  if (!root) throw invalid([{ path: '', says: 'holds no element' }]);
  return elementOf(root, 0);
}

/** What a reader of XML says of a text, with the line where it names one. */
function whyOf(error: unknown): string {
  if (!(error instanceof Error)) return 'it cannot be read';
  return 'line' in error && typeof error.line === 'number' ? `line ${error.line}, ${error.message}` : error.message;
}
