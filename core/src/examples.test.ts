import { readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { runInNewContext } from 'node:vm';
import ts from 'typescript';
import { CORE, filesIn } from './source-files.fixture';

/*
 * Every example in a docstring is run: `@example call(…) // answer`. A number is right to the digits written; anything else is compared as it stands.
 * And every calculator that answers with a number has one: its first test, beside the formula. Tables with sources and laws stand in the tests of the rooms.
 */
const CALCULATING_ROOMS = [
  'quantity',
  'stock',
  'product',
  'colour',
  'layout',
  'form',
  'ink',
  'register',
  'quality',
  'finishing',
  'counts',
  'route',
  'flow',
];

interface Calculator {
  name: string;
  givesNumber: boolean;
  examples: string[];
}

/** The exported functions of a file, with the examples of their docstrings. */
function calculatorsIn(path: string): Calculator[] {
  const source = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
  return source.statements.flatMap((statement): Calculator[] => {
    const exported = ts.canHaveModifiers(statement) && ts.getModifiers(statement)?.some((m) => m.kind === ts.SyntaxKind.ExportKeyword);
    if (!exported) return [];
    const variable = ts.isVariableStatement(statement) ? statement.declarationList.declarations[0] : undefined;
    const made = variable?.initializer;
    const of = ts.isFunctionDeclaration(statement) ? statement : made && ts.isArrowFunction(made) ? made : undefined;
    const name = ts.isFunctionDeclaration(statement) ? statement.name?.text : variable?.name.getText();
    if (name === undefined) return [];
    const docs = ts.getJSDocTags(statement).filter((tag) => tag.tagName.text === 'example');
    return [
      {
        name,
        givesNumber: of?.type?.kind === ts.SyntaxKind.NumberKeyword,
        examples: docs.map((tag) => ts.getTextOfJSDocComment(tag.comment)?.trim() ?? ''),
      },
    ];
  });
}

const files = CALCULATING_ROOMS.flatMap((room) => filesIn(join(CORE, room)));
const calculators = files.flatMap((path) => calculatorsIn(path).map((c) => ({ ...c, path, at: `${relative(CORE, path)}: ${c.name}` })));

/** One call and its answer on one line; what is longer or needs more than its own file is told in words and tested in its room. */
const RUNNABLE = /^(.+) \/\/ (\S[^\n]*)$/;
const runnable = calculators.flatMap(({ path, at, examples }) =>
  examples.flatMap((example) => {
    const found = RUNNABLE.exec(example);
    return found ? [{ path, at, call: found[1] as string, answer: found[2] as string }] : [];
  }),
);

/** A number as it is written, and what may be said about it in brackets. */
const NUMBER = /^(-?\d[\d_]*(?:\.(\d+))?)(?: \(.*\))?$/;

test('there are examples to run', () => {
  expect(runnable.length).toBeGreaterThan(100);
});

test.each(runnable)('$at: $call', ({ path, call, answer }) => {
  const scope = jest.requireActual<Record<string, unknown>>(path);
  const evaluate = (text: string): unknown => runInNewContext(`(${text})`, { ...scope });
  const digits = NUMBER.exec(answer);
  const is = evaluate(call);
  if (digits) expect(is).toBeCloseTo(Number(digits[1]?.replaceAll('_', '')), digits[2]?.length ?? 6);
  // Told as JSON: what is made in another context is an array or a record of that context.
  else expect(JSON.stringify(is)).toBe(JSON.stringify(evaluate(answer)));
});

test('every calculator that answers with a number shows one', () => {
  expect(calculators.filter((c) => c.givesNumber && !c.examples.some((e) => e !== '')).map((c) => c.at)).toEqual([]);
});
