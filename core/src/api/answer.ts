import type { z } from 'zod';

type ReadonlyDeep<Value> = Value extends object ? { readonly [Key in keyof Value]: ReadonlyDeep<Value[Key]> } : Value;

/** What an answer is when it is read: its schema's value, which nobody changes. */
export type Answer<Schema extends z.ZodType> = ReadonlyDeep<z.output<Schema>>;
