import { applyDecorators, SetMetadata } from '@nestjs/common';
import { ApiBody, ApiProduces, ApiResponse, type OpenAPIObject } from '@nestjs/swagger';
import { problemSchema } from '@usual-pantry/core/api';
import { z } from 'zod';

type Way = 'input' | 'output';

/** What is taken and what is answered, anywhere. */
const referred: Record<Way, Set<z.ZodType>> = { input: new Set(), output: new Set() };

const IN_SCHEMA = '#/$defs/';
const IN_DOCUMENT = '#/components/schemas/';

/** A shape as it is taken may leave out what has a default: it has a name of its own. */
const nameOf = (id: string, way: Way): string => (way === 'input' ? `${id}Input` : id);

/** The same shape with its references into the document. */
function inDocument(shape: unknown, way: Way): unknown {
  if (Array.isArray(shape)) return shape.map((each) => inDocument(each, way));
  if (typeof shape !== 'object' || shape === null) return shape;
  return Object.fromEntries(
    Object.entries(shape).map(([key, value]) => [
      key,
      key === '$ref' && typeof value === 'string' && value.startsWith(IN_SCHEMA)
        ? IN_DOCUMENT + nameOf(value.slice(IN_SCHEMA.length), way)
        : inDocument(value, way),
    ]),
  );
}

/**
 * A reference to a schema in the API's document, which it is written into under its id when that is asked for.
 * @throws when it has none: every body and answer has a name
 */
function referTo(schema: z.ZodType, way: Way): object {
  const id = z.globalRegistry.get(schema)?.id;
  if (id === undefined) throw new Error('A body or an answer has a schema without an id: give it .meta({ id }).');
  referred[way].add(schema);
  return { $ref: IN_DOCUMENT + nameOf(id, way) };
}

/** Every named shape that a body or an answer refers to, by its name in the API's document. */
function componentsOf(way: Way): [name: string, shape: object][] {
  const { $defs } = z.toJSONSchema(z.tuple([...referred[way]] as [z.ZodType, ...z.ZodType[]]), {
    io: way,
    target: 'draft-2020-12',
    reused: 'inline',
    unrepresentable: 'any',
  });
  return Object.entries($defs ?? {}).map(([name, shape]) => [nameOf(name, way), inDocument(shape, way) as object]);
}

/** Under which key the schema of an answer is kept with its handler. */
export const ANSWER = 'answer';

/** Says what an address takes. */
export const Takes = (schema: z.ZodType): MethodDecorator => ApiBody({ schema: referTo(schema, 'input') });

/** Says what an address answers. */
export const Answers = (schema: z.ZodType, status = 200): MethodDecorator =>
  applyDecorators(
    SetMetadata(ANSWER, schema),
    ApiResponse({ status, description: 'Done', schema: referTo(schema, 'output') }),
  );

/** Says that an address answers nothing when all is well. */
export const AnswersNothing = (): MethodDecorator => ApiResponse({ status: 204, description: 'Done' });

/** Says that an address answers a file. @param type its media type */
export const AnswersFile = (type: string): MethodDecorator =>
  applyDecorators(
    ApiProduces(type),
    ApiResponse({ status: 200, description: 'The file', content: { [type]: { schema: { type: 'string' } } } }),
  );

const operations = ['get', 'post', 'put', 'delete'] as const;

/** As much of a body as is mended here. */
type Taken = { readonly content?: Readonly<Record<string, { schema?: unknown }>> } | undefined;

/** Nest refers to what a handler takes by its id; it is meant as it is taken, not as it is answered. */
function mendBody(body: Taken, components: ReadonlyMap<string, object>): void {
  for (const content of Object.values(body?.content ?? {})) {
    const { $ref } = (content.schema ?? {}) as { readonly $ref?: string };
    const taken = nameOf($ref?.slice(IN_DOCUMENT.length) ?? '', 'input');
    if (components.has(taken)) content.schema = { $ref: IN_DOCUMENT + taken };
  }
}

/** The document with all named shapes, and with what a refusal looks like at every address. Its shapes are JSON Schema 2020-12, as OpenAPI 3.1 has them. */
export function withContract(document: OpenAPIObject): OpenAPIObject {
  const refusal = {
    description: 'Refused: what happened, what is safe, and what to do',
    content: { 'application/problem+json': { schema: referTo(problemSchema, 'output') } },
  };
  const components = new Map(
    [...componentsOf('input'), ...componentsOf('output')].sort(([a], [b]) => (a < b ? -1 : 1)),
  );
  for (const path of Object.values(document.paths))
    for (const method of operations) {
      const operation = path[method];
      if (!operation) continue;
      mendBody(operation.requestBody as Taken, components);
      operation.responses = { ...operation.responses, default: refusal };
    }
  return {
    ...document,
    openapi: '3.1.0',
    components: { ...document.components, schemas: Object.fromEntries(components) },
  };
}
