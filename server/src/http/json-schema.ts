import { z } from 'zod';

/** The shape of a schema's input for the API's documentation, with everything it refers to written out. */
export const jsonSchemaOf = (schema: z.ZodType): object => {
  const { $defs: _defs, ...shape } = z.toJSONSchema(schema, {
    io: 'input',
    target: 'openapi-3.0',
    reused: 'inline',
  });
  return shape;
};
