import { sayLength } from '@usual-pantry/core/quantity';
import { get, useFormState } from 'react-hook-form';

interface FieldError {
  readonly message?: string;
  readonly root?: { readonly message?: string };
}

/** What is wrong with a field, in words; undefined when nothing is. */
export function useFieldError(name: string): string | undefined {
  const { errors } = useFormState({ name });
  const error: unknown = get(errors, name);
  const found = error as FieldError | undefined;
  const message = found?.message ?? found?.root?.message;
  // What is kept in mm is said in the kitchen's unit.
  return message?.replace(/(\d{1,5}) mm\b/g, (_length, mm: string) => sayLength(Number(mm)));
}
