import { z } from 'zod';

type Issue = Parameters<NonNullable<NonNullable<Parameters<typeof z.config>[0]>['customError']>>[0];

const wanted: Readonly<Record<string, string>> = {
  number: 'must be a number',
  int: 'must be a whole number',
  string: 'must be text',
  boolean: 'must be yes or no',
  array: 'must be a list',
  tuple: 'must be a list',
  object: 'must be a record with named values',
  record: 'must be a record with named values',
  null: 'must be left out',
  undefined: 'must be left out',
  never: 'must be left out',
};

const sayCountOf = (origin: string, count: number | bigint): string =>
  origin === 'string' ? `${String(count)} characters` : `${String(count)} entries`;

/** What is wrong with a value, in the words of the maker; a schema's own words go before these. */
export function inPlainWords(issue: Issue): string {
  switch (issue.code) {
    case 'invalid_type':
      if (issue.input === undefined) return 'is missing';
      return wanted[issue.expected] ?? 'cannot be right';
    case 'too_small': {
      const { origin, minimum, inclusive } = issue;
      if (origin === 'number' || origin === 'int' || origin === 'bigint')
        return inclusive === false ? `must be more than ${String(minimum)}` : `must be ${String(minimum)} or more`;
      return Number(minimum) === 1 ? 'must not be empty' : `must have ${sayCountOf(origin, minimum)} or more`;
    }
    case 'too_big': {
      const { origin, maximum, inclusive } = issue;
      if (origin === 'number' || origin === 'int' || origin === 'bigint')
        return inclusive === false ? `must be less than ${String(maximum)}` : `must be ${String(maximum)} or less`;
      return `must have ${sayCountOf(origin, maximum)} or fewer`;
    }
    case 'invalid_value':
      return `must be ${issue.values.length === 1 ? '' : 'one of '}${issue.values.map(String).join(', ')}`;
    case 'unrecognized_keys':
      return `has what is not known here: ${issue.keys.join(', ')}`;
    case 'not_multiple_of':
      return `must be a multiple of ${String(issue.divisor)}`;
    case 'invalid_format':
      return 'is not written as it should be';
    case 'invalid_union':
      return 'is none of what it can be';
    default:
      return 'cannot be right';
  }
}

/** Has every schema say what is wrong in these words, where it has none of its own. Called once, where a program begins. */
export const speakPlainly = (): void => {
  z.config({ customError: inPlainWords });
};
