import { useState } from 'react';
import type { Refusal } from './refusal';

interface Attempt {
  /** What was said when it was refused; null when nothing was. */
  readonly trouble: string | null;
  readonly setTrouble: (words: string | null) => void;
  /** Does something that the server may refuse. @returns whether it was done */
  readonly attempt: (work: () => Promise<unknown>) => Promise<boolean>;
}

/** Why something was refused, with what is wrong with its one value where it has but one. */
function sayRefusal({ message, wrong = [] }: Refusal, field: string | null): string {
  const [first] = wrong;
  return field !== null && first ? `The ${field} ${first.message}.` : message;
}

/**
 * What the server says when it refuses something, kept beside what was tried.
 * @param field what the one value is called, where only one can be wrong
 */
export function useAttempt(field: string | null = null): Attempt {
  const [trouble, setTrouble] = useState<string | null>(null);
  const attempt = async (work: () => Promise<unknown>): Promise<boolean> => {
    setTrouble(null);
    try {
      await work();
      return true;
    } catch (error) {
      setTrouble(sayRefusal(error as Refusal, field));
      return false;
    }
  };
  return { trouble, setTrouble, attempt };
}
