/** An operator of a content stream with its operands, as they stand in the text. */
export interface Operation {
  operator: string;
  operands: readonly string[];
  /** Of an inline image: its bytes, between ID and EI. */
  data?: string;
}

const WHITE = /[\0\t\n\f\r ]/;
const REGULAR = /[^\0\t\n\f\r ()<>[\]{}/%]/;

/**
 * Reads a content stream, bytes as Latin-1, operator by operator. Operands are kept as text: most go back as they came.
 * Source: ISO 32000-1, 7.2 (lexical conventions), 7.8.2 (content streams), 8.9.7 (inline images).
 */
export function* operations(text: string): Generator<Operation> {
  const at = { i: 0 };
  let operands: string[] = [];
  for (let token = next(text, at); token !== null; token = next(text, at)) {
    if (/^[A-Za-z'"]/.test(token) && !['true', 'false', 'null'].includes(token)) {
      if (token === 'BI') yield inlineImage(text, at);
      else yield { operator: token, operands };
      operands = [];
    } else operands.push(token);
  }
}
/** An operation as it stands in a content stream. */
export const written = ({ operator, operands, data }: Operation): string =>
  data === undefined ? [...operands, operator].join(' ') : `BI ${operands.join(' ')} ID ${data} EI`;

/** The next operand or operator; an array or a dictionary is one operand. */
function next(text: string, at: { i: number }): string | null {
  for (;;) {
    while (at.i < text.length && WHITE.test(text.charAt(at.i))) at.i++;
    if (text.charAt(at.i) !== '%') break;
    while (at.i < text.length && !/[\r\n]/.test(text.charAt(at.i))) at.i++;
  }
  if (at.i >= text.length) return null;
  const from = at.i;
  switch (text.charAt(at.i)) {
    case '(':
      skipString(text, at);
      break;
    case '[':
      skipGroup(text, at, 1, ']');
      break;
    case '<':
      if (text.charAt(at.i + 1) === '<') skipGroup(text, at, 2, '>>');
      else at.i = endOf(text, '>', at.i);
      break;
    default:
      at.i++; // a slash, or a stray bracket
      while (at.i < text.length && REGULAR.test(text.charAt(at.i))) at.i++;
  }
  return text.slice(from, at.i);
}
function skipString(text: string, at: { i: number }): void {
  let depth = 0;
  for (; at.i < text.length; at.i++) {
    const c = text.charAt(at.i);
    if (c === '\\') at.i++;
    else if (c === '(') depth++;
    else if (c === ')' && --depth === 0) break;
  }
  at.i++;
}
function skipGroup(text: string, at: { i: number }, opening: number, closing: string): void {
  for (at.i += opening; ;) {
    while (at.i < text.length && WHITE.test(text.charAt(at.i))) at.i++;
    if (at.i >= text.length) return;
    if (text.startsWith(closing, at.i)) {
      at.i += closing.length;
      return;
    }
    next(text, at);
  }
}
const endOf = (text: string, what: string, from: number): number => {
  const found = text.indexOf(what, from);
  return found < 0 ? text.length : found + what.length;
};

/** Its data may hold anything: it ends at an EI between spaces that is followed by plain text again. */
function inlineImage(text: string, at: { i: number }): Operation {
  const operands: string[] = [];
  for (let token = next(text, at); token !== null && token !== 'ID'; token = next(text, at)) operands.push(token);
  const from = at.i + 1;
  const end = /[\0\t\n\f\r ]EI(?=[\0\t\n\f\r ]|$)(?=[\t\n\f\r -~]{0,12}(?:[\t\n\f\r -~]|$))/g;
  end.lastIndex = Math.max(from - 1, 0);
  const found = end.exec(text);
  const to = found ? Math.max(found.index, from) : text.length;
  at.i = found ? end.lastIndex : text.length;
  return { operator: 'BI', operands, data: text.slice(from, to) };
}
