import { applyDecorators, Body, Delete, Get, HttpCode, Param, Post, Put, Query, UseInterceptors } from '@nestjs/common';
import { ApiHeader, ApiOperation, ApiParam, ApiQuery, ApiResponse } from '@nestjs/swagger';
import { idSchema, versionSchema } from '@usual-pantry/core/record';
import { z } from 'zod';
import { Answers, AnswersNothing, Takes } from './contract.js';
import { onceHeader, OnceInterceptor } from './once.interceptor.js';
import type { Listing, ListQuery, MainRow, Records, Stored } from '../storage/records.js';

const MOST_ROWS = 200;

/** Which part of a list, from a query string. */
export const listQuerySchema = z.strictObject({
  page: z.coerce.number().int().min(1).default(1),
  size: z.coerce.number().int().min(1).max(MOST_ROWS).default(50),
  sort: z.string().max(40).optional(),
  direction: z.enum(['asc', 'desc']).default('asc'),
  search: z.string().max(100).optional(),
});

const versionQuerySchema = z.strictObject({ version: z.coerce.number().int().min(1) });

/** What a noun's addresses need to know of it. */
interface Shapes<Draft> {
  readonly noun: string;
  readonly draft: z.ZodObject & z.ZodType<Draft>;
  readonly stored: z.ZodType;
  readonly query?: z.ZodType<ListQuery>;
}

type Created<Draft> = Draft & { readonly id?: string };
type Edited<Draft> = Draft & { readonly version: number };

/** Separates what addresses a record from the draft itself. */
function without<Body extends object, Key extends keyof Body>(body: Body, key: Key): Omit<Body, Key> {
  const { [key]: _taken, ...rest } = body;
  return rest;
}

/** What the addresses of a noun take and answer, each with a name of its own. */
function bodiesOf<Draft extends object>(noun: string, draft: Shapes<Draft>['draft'], stored: z.ZodType) {
  const name = `${noun.charAt(0).toUpperCase()}${noun.slice(1)}`;
  const created = draft.safeExtend({ id: idSchema.optional() }).meta({ id: `New${name}` }) as unknown as z.ZodType<
    Created<Draft>
  >;
  const edited = draft.safeExtend({ version: versionSchema }).meta({ id: `Edited${name}` }) as unknown as z.ZodType<
    Edited<Draft>
  >;
  const listing = z
    .strictObject({
      items: z.array(stored),
      total: z.int(),
      page: z.int(),
      size: z.int(),
    })
    .meta({ id: `${name}Page` });
  return { created, edited, listing };
}

/** Says which part of a list can be asked for. */
const TakesListQuery = (): MethodDecorator =>
  applyDecorators(
    ApiQuery({ name: 'page', required: false, schema: { type: 'integer', minimum: 1, default: 1 } }),
    ApiQuery({
      name: 'size',
      required: false,
      schema: { type: 'integer', minimum: 1, maximum: MOST_ROWS, default: 50 },
    }),
    ApiQuery({ name: 'sort', required: false, schema: { type: 'string' } }),
    ApiQuery({ name: 'direction', required: false, schema: { type: 'string', enum: ['asc', 'desc'] } }),
    ApiQuery({ name: 'search', required: false, schema: { type: 'string' } }),
  );

/**
 * The addresses of one noun: list, read, add, change, delete. A class to extend, so that every noun answers alike.
 */
export function recordController<Draft extends object, Row extends MainRow>({
  noun,
  draft,
  stored,
  query = listQuerySchema,
}: Shapes<Draft>) {
  const { created, edited, listing } = bodiesOf(noun, draft, stored);

  abstract class RecordController {
    constructor(readonly records: Records<Draft, Row>) {}

    @Get()
    @ApiOperation({ summary: `A page of ${noun} records, sorted by the server` })
    @TakesListQuery()
    @Answers(listing)
    list(@Query({ schema: query }) part: ListQuery): Promise<Listing<Draft>> {
      return this.records.list(part);
    }

    @Get(':id')
    @ApiOperation({ summary: `One ${noun}` })
    @ApiParam({ name: 'id', schema: { type: 'string' } })
    @Answers(stored)
    @ApiResponse({ status: 404, description: 'There is none with this id' })
    get(@Param('id') id: string): Promise<Stored<Draft>> {
      return this.records.get(id);
    }

    @Post()
    @UseInterceptors(OnceInterceptor)
    @ApiHeader(onceHeader)
    @ApiOperation({ summary: `Add a ${noun}` })
    @Takes(created)
    @Answers(stored, 201)
    @ApiResponse({ status: 422, description: 'Wrong values, each with its path' })
    add(@Body({ schema: created }) body: Created<Draft>): Promise<Stored<Draft>> {
      return this.records.create(without(body, 'id') as unknown as Draft, body.id);
    }

    @Put(':id')
    @ApiOperation({ summary: `Change a ${noun}; the version says what was edited` })
    @ApiParam({ name: 'id', schema: { type: 'string' } })
    @Takes(edited)
    @Answers(stored)
    @ApiResponse({ status: 409, description: 'A stale edit, with the current record' })
    @ApiResponse({ status: 422, description: 'Wrong values, each with its path' })
    change(@Param('id') id: string, @Body({ schema: edited }) body: Edited<Draft>): Promise<Stored<Draft>> {
      return this.records.update(id, body.version, without(body, 'version') as unknown as Draft);
    }

    @Delete(':id')
    @HttpCode(204)
    @ApiOperation({ summary: `Delete a ${noun}; refused while something uses it` })
    @ApiParam({ name: 'id', schema: { type: 'string' } })
    @ApiQuery({ name: 'version', schema: { type: 'integer', minimum: 1 } })
    @AnswersNothing()
    @ApiResponse({ status: 409, description: 'In use, with the list of users; or a stale edit' })
    remove(
      @Param('id') id: string,
      @Query({ schema: versionQuerySchema }) query: z.infer<typeof versionQuerySchema>,
    ): Promise<void> {
      return this.records.remove(id, query.version);
    }
  }
  return RecordController;
}
