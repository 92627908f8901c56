import fc from 'fast-check';

/** As much of a JSON Schema as the API's documents use. */
export interface Schema {
  readonly $ref?: string;
  readonly type?: string | readonly string[];
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly items?: Schema;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly allOf?: readonly Schema[];
  readonly additionalProperties?: boolean | Schema;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly pattern?: string;
  readonly format?: string;
  readonly nullable?: boolean;
}

/** A schema with everything that it refers to in its place. */
export function writtenOut<Shape>(shape: Shape, named: Readonly<Record<string, Schema>>): Shape {
  if (Array.isArray(shape)) return shape.map((each: unknown) => writtenOut(each, named)) as Shape;
  if (typeof shape !== 'object' || shape === null) return shape;
  const { $ref } = shape as Schema;
  const name = $ref?.split('/').at(-1);
  if (name !== undefined) return writtenOut(named[name] as Shape, named);
  return Object.fromEntries(Object.entries(shape).map(([key, value]) => [key, writtenOut(value, named)])) as Shape;
}

/** Names that every object has, texts that are cut, read in two ways or found by nobody, numbers at the edge of what can be. */
const oddNames = ['constructor', '__proto__', 'toString', 'hasOwnProperty', 'valueOf', 'prototype', 'length'];
const oddTexts = [
  ...oddNames,
  '',
  ' ',
  'Ann\u0000no nuts',
  '\ud800',
  'Öberg',
  'O\u0308berg',
  '=1+1',
  '<script>',
  "'; DROP TABLE recipe; --",
  '½'.repeat(300),
  ' '.repeat(2000),
  '('.repeat(500),
  'x'.repeat(5000),
  '../../etc/passwd',
  '🍫'.repeat(40),
  '2026-02-30',
  '99999-01-01',
];
const oddNumbers = [0, -0, -1, 0.1, 1e-9, 1e9, 1e308, 2 ** 53, -(2 ** 53), 1.7976931348623157e308];

const oddText = fc.oneof(
  { weight: 3, arbitrary: fc.constantFrom(...oddTexts) },
  fc.string({ maxLength: 40, unit: 'binary' }),
);
const odd: fc.Arbitrary<unknown> = fc.oneof(
  oddText,
  fc.constantFrom<unknown>(...oddNumbers, null, true, false),
  fc.constant<unknown>([]),
  fc.dictionary(fc.constantFrom(...oddNames, 'id', 'name'), fc.constantFrom(...oddTexts), { maxKeys: 3 }),
  fc.array(fc.constantFrom<unknown>(...oddTexts, ...oddNumbers, null), { maxLength: 4 }),
);

/** What the records of the demo are called: so that references are often right. */
type Known = readonly string[];

function text({ pattern, format }: Schema, known: Known): fc.Arbitrary<string> {
  if (format === 'date' || pattern?.includes('\\d{4}') === true)
    return fc.constantFrom('2026-11-25', '2026-12-05', '2026-12-19', '2027-01-20', '2026-02-30');
  return fc.oneof(fc.constantFrom(...known), fc.constantFrom('Ann', 'Öberg', 'no nuts', 'a word or two'), oddText);
}

function right(schema: Schema, known: Known, depth: number): fc.Arbitrary<unknown> {
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices) return fc.oneof(...choices.map((each) => valueOf(each, known, depth)));
  if (schema.allOf?.[0]) return valueOf(schema.allOf[0], known, depth);
  if (schema.enum) return fc.constantFrom(...schema.enum);
  const type = typeof schema.type === 'string' ? schema.type : schema.type?.[0];
  switch (type) {
    case 'object': {
      const entries = Object.entries(schema.properties ?? {});
      return fc.record(Object.fromEntries(entries.map(([name, each]) => [name, valueOf(each, known, depth - 1)])), {
        requiredKeys: [...(schema.required ?? [])],
      });
    }
    case 'array':
      return depth <= 0 ? fc.constant([]) : fc.array(valueOf(schema.items ?? {}, known, depth - 1), { maxLength: 3 });
    case 'integer':
      return fc.integer({ min: Math.max(schema.minimum ?? -5, -1e6), max: Math.min(schema.maximum ?? 500, 1e6) });
    case 'number':
      return fc.double({
        min: Math.max(schema.minimum ?? -5, -1e6),
        max: Math.min(schema.maximum ?? 500, 1e6),
        noNaN: true,
      });
    case 'null':
      return fc.constant(null);
    case 'boolean':
      return fc.boolean();
    default:
      return text(schema, known);
  }
}

/**
 * Values that a schema describes, with something odd in place of about one in thirty of their parts.
 * @param known ids that refer to something
 */
export function valueOf(schema: Schema, known: Known, depth = 6): fc.Arbitrary<unknown> {
  const value = right(schema, known, depth);
  const nullable = schema.nullable ? fc.oneof({ weight: 4, arbitrary: value }, fc.constant(null)) : value;
  return fc.oneof({ weight: 30, arbitrary: nullable }, { weight: 1, arbitrary: odd });
}

/** A body for a schema: mostly as it should be, sometimes something else altogether. */
export const bodyOf = (schema: Schema, known: Known): fc.Arbitrary<unknown> =>
  fc.oneof(
    { weight: 12, arbitrary: valueOf(schema, known) },
    { weight: 1, arbitrary: odd },
    {
      weight: 1,
      arbitrary: fc
        .tuple(valueOf(schema, known), fc.constantFrom(...oddNames), odd)
        .map(([value, name, more]) =>
          typeof value === 'object' && value !== null ? { ...value, [name]: more } : value,
        ),
    },
  );
