import type { Problem } from '@usual-pantry/core/api';

/** A refusal of the server: what happened and what is needed to mend it. */
export interface Refusal extends Pick<Problem, 'code' | 'wrong' | 'users' | 'current'> {
  readonly message: string;
}

/** A refusal as one sentence after another: what happened, then each wrong value. */
export const sayRefusal = ({ message, wrong = [] }: Refusal): string =>
  [message, ...wrong.map((each) => each.message)].join(' ');
