import { openBook, type Book } from '@usual-pantry/core/book';
import type { NamedThings } from '@usual-pantry/core/ingredient';
import { useMemo } from 'react';
import { useBookQuery } from './book';
import type { BookAnswer } from '@usual-pantry/core/api';

/** The stored book and what core makes of it, for figures that follow typing at once. */
export interface SeasonBook {
  readonly data: BookAnswer;
  readonly book: Book;
}

/** The book, or what to show as long as it is not there. */
export function useSeasonBook(): {
  season: SeasonBook | null;
  error: unknown;
  again: () => unknown;
} {
  const { data, error, refetch } = useBookQuery();
  const season = useMemo(() => (data ? { data, book: openBook(data) } : null), [data]);
  return { season, error, again: refetch };
}

/** Names as long as the book is not there. */
export const NO_NAMES: NamedThings = { ingredients: new Map(), pieces: new Map() };

/** Names of single ingredients and pieces that an order rules out. */
export const useNames = (): NamedThings => useSeasonBook().season?.book ?? NO_NAMES;
