import { get, useFormContext } from 'react-hook-form';

interface FieldError {
  readonly message?: string;
  readonly root?: { readonly message?: string };
}

/** What is wrong with a field, in words; undefined when nothing is. */
export function useFieldError(name: string): string | undefined {
  const { formState } = useFormContext();
  const error: unknown = get(formState.errors, name);
  const found = error as FieldError | undefined;
  return found?.message ?? found?.root?.message;
}
