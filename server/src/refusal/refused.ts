import { HttpException } from '@nestjs/common';
import type { Problem as ApiProblem } from '@usual-pantry/core/api';
import { sayPath, type WrongValue } from '@usual-pantry/core/record';
import type { Response } from 'express';
import { problems, problemType, type ProblemCode } from './problems.js';

/** What uses a record, so that the maker can open it. */
export type User = NonNullable<ApiProblem['users']>[number];

/** What is known of a refusal beside its kind. */
type More = Pick<ApiProblem, 'wrong' | 'current' | 'users'>;

/** The body of every refusal. */
export type Problem = ApiProblem & { readonly code: ProblemCode };

/** A refusal as an exception that Nest turns into an answer. */
export class Refused extends HttpException {
  readonly problem: Problem;

  /** @param retrySeconds after which it may be tried again; null where that makes no difference */
  constructor(
    code: ProblemCode,
    detail?: string,
    more: More = {},
    readonly retrySeconds: number | null = null,
  ) {
    const { status, title, safe, toDo } = problems[code];
    const said = detail ?? `${title}. ${safe} ${toDo}`;
    super(said, status);
    this.problem = { type: problemType(code), title, status, detail: said, code, safe, toDo, ...more };
  }
}

/** Answers with a refusal. */
export function refuse(response: Response, { problem, retrySeconds }: Refused): void {
  if (retrySeconds !== null) response.set('Retry-After', String(Math.ceil(retrySeconds)));
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
}

const said = (wrong: readonly WrongValue[]) =>
  wrong.map((each) => ({ path: sayPath(each.path), message: each.message }));

export const wrongValues = (wrong: readonly WrongValue[], message = 'Some values cannot be right.') =>
  new Refused('wrong-values', message, { wrong: said(wrong) });

export const wrongAddress = (wrong: readonly WrongValue[]) =>
  new Refused('wrong-address', 'The address asks for something that cannot be.', { wrong: said(wrong) });

export const notFound = (noun: string, id: string) =>
  new Refused('not-found', `There is no ${noun} "${id}". It may have been deleted.`);

export const stale = (noun: string, current: unknown) =>
  new Refused(
    'stale',
    `This ${noun} was changed elsewhere after you opened it. Nothing was saved and nothing is lost: compare, then save again.`,
    { current },
  );

export const dueChanged = (dueMinor: number) =>
  new Refused('stale', 'What is due has changed since you opened this page. Nothing was noted: look at it again.', {
    current: { dueMinor },
  });

export const idTaken = (noun: string, id: string, current: unknown) =>
  new Refused('id-taken', `There is a ${noun} "${id}" already. Nothing was changed.`, { current });

export const unsigned = (why: string) => new Refused('unsigned', `This message was not taken: ${why}.`);

export const inUse = (name: string, users: readonly User[]) =>
  new Refused('in-use', `${name} is in use and was not deleted.`, { users });
