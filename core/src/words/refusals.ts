import * as z from 'zod';

/*
 * What a schema refuses, in words that follow the name of the field: "is missing", "must be at least 1". What a schema says in words of its own stands before this.
 */

const TYPES: Record<string, string> = {
  number: 'must be a number',
  int: 'must be a whole number',
  string: 'must be text',
  boolean: 'must be yes or no',
  array: 'must be a list',
  tuple: 'must be a list of so many',
  object: 'must be given field by field',
  record: 'must be given field by field',
  null: 'must be empty',
  date: 'must be a date',
};
const FORMATS: Record<string, string> = {
  uuid: 'is no id',
  guid: 'is no id',
  date: 'is no day such as 2026-12-03',
  datetime: 'is no moment such as 2026-12-03T14:00',
  email: 'is no e-mail address',
  url: 'is no address',
  json_string: 'is not JSON',
};

/**
 * What is wrong, in words that follow the name of the field.
 *
 * Every code of the validator has its sentence; one that is unknown says so without a word of the validator.
 * @example refusalWords({ code: 'too_small', origin: 'number', minimum: 1, inclusive: true, input: 0 }) // 'must be at least 1'
 */
export function refusalWords(issue: Pick<z.core.$ZodRawIssue, 'code' | 'input'> & Record<string, unknown>): string {
  const { origin, inclusive } = issue;
  const many = origin === 'string' ? ' characters' : origin === 'array' || origin === 'set' || origin === 'map' ? ' entries' : '';
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined ? 'is missing' : (TYPES[String(issue['expected'])] ?? 'is of another kind than is meant here');
    case 'too_small':
      if (many === '') return `must be ${inclusive === false ? 'above' : 'at least'} ${String(issue['minimum'])}`;
      return Number(issue['minimum']) === 1 ? 'is empty' : `needs at least ${String(issue['minimum'])}${many}`;
    case 'too_big':
      return many === ''
        ? `must be ${inclusive === false ? 'below' : 'at most'} ${String(issue['maximum'])}`
        : `holds at most ${String(issue['maximum'])}${many}`;
    case 'invalid_format':
      return FORMATS[String(issue['format'])] ?? 'is written another way than is meant here';
    case 'not_multiple_of':
      return `must be a multiple of ${String(issue['divisor'])}`;
    case 'unrecognized_keys':
      return `has what nobody knows here: ${(issue['keys'] as string[]).slice(0, 5).join(', ')}`;
    case 'invalid_union':
      return 'is none of what is possible here';
    case 'invalid_value': {
      const values = issue['values'] as unknown[];
      return values.length === 1 ? `must be ${String(values[0])}` : `must be one of ${values.slice(0, 12).map(String).join(', ')}`;
    }
    case 'invalid_key':
      return 'has a name that cannot be one here';
    case 'invalid_element':
      return 'holds something that cannot be here';
    default:
      return 'cannot be taken as it is';
  }
}

/** From now on every schema refuses in these words. Asked for by the documents core reads: whoever reads one has it. */
export const refuseInWords = (): void => {
  z.config({ customError: (issue) => refusalWords(issue) });
};
