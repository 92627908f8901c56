import { HttpException } from '@nestjs/common';
import { sayPath, type WrongValue } from '@usual-pantry/core/record';

/** What uses a record, so that the maker can open it. */
export interface User {
  readonly noun: string;
  readonly id: string;
  readonly name: string;
}

/** The body of every refusal: what happened, in words, and what is needed to mend it. */
export interface Refusal {
  readonly code:
    | 'wrong-values'
    | 'not-found'
    | 'stale'
    | 'in-use'
    | 'too-large'
    | 'not-json'
    | 'forbidden'
    | 'unsigned'
    | 'failed'
    | 'no-storage'
    | 'given-up';
  readonly message: string;
  /** Each wrong value with its path, such as `lines[0].count`. */
  readonly wrong?: readonly { readonly path: string; readonly message: string }[];
  /** The record as it is stored now, after a stale edit. */
  readonly current?: unknown;
  readonly users?: readonly User[];
}

/** A refusal as an exception that Nest turns into an answer. */
export class Refused extends HttpException {
  constructor(status: number, refusal: Refusal) {
    super(refusal, status);
  }
}

export const wrongValues = (wrong: readonly WrongValue[], message = 'Some values cannot be right.') =>
  new Refused(422, {
    code: 'wrong-values',
    message,
    wrong: wrong.map((each) => ({ path: sayPath(each.path), message: each.message })),
  });

export const notFound = (noun: string, id: string) =>
  new Refused(404, {
    code: 'not-found',
    message: `There is no ${noun} "${id}". It may have been deleted.`,
  });

export const stale = (noun: string, current: unknown) =>
  new Refused(409, {
    code: 'stale',
    message: `This ${noun} was changed elsewhere after you opened it. Nothing was saved and nothing is lost: compare, then save again.`,
    current,
  });

/** The database cannot store or read: in words, and what to do. */
export const noStorage = (status: 503 | 507, message: string) => new Refused(status, { code: 'no-storage', message });

export const unsigned = (why: string) =>
  new Refused(401, { code: 'unsigned', message: `This message was not taken: ${why}.` });

export const inUse = (name: string, users: readonly User[]) =>
  new Refused(409, {
    code: 'in-use',
    message: `${name} is in use and was not deleted.`,
    users,
  });
