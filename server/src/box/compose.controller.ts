import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { ApiBody, ApiOperation, ApiTags } from '@nestjs/swagger';
import { boxDraftSchema, contentOf } from '@usual-pantry/core/box';
import { composeBox, type Composition } from '@usual-pantry/core/compose';
import { exclusionSchema } from '@usual-pantry/core/order';
import { z } from 'zod';
import { BookService } from '../book/book.service.js';
import { jsonSchemaOf } from '../http/json-schema.js';
import { SolverService } from '../solver/solver.service.js';

const count = z.int('must be a whole number').min(1, 'must be one or more');

const wishSchema = z.strictObject({
  box: boxDraftSchema,
  without: z.array(exclusionSchema).max(40).default([]),
  /** Whether pieces may be used whose suppliers speak of traces of that. */
  traces: z.boolean().default(false),
  leastKinds: count.max(60),
  mostOfOne: count.max(288),
  leastMarginPercent: z.number('must be a number').min(0, 'must not be negative').max(99, 'must be less than 100'),
  boxes: count.max(5000),
  /** Whether they must be made in the bench time that the season has to spare. */
  withinSpareTime: z.boolean().default(false),
});

@ApiTags('Boxes')
@Controller('api/boxes')
export class ComposeController {
  constructor(
    private readonly books: BookService,
    private readonly solver: SolverService,
  ) {}

  @Post('compose')
  @HttpCode(200)
  @ApiOperation({
    summary: 'The cheapest, the most varied and the quickest box that keeps every wish; changes nothing',
  })
  @ApiBody({ schema: jsonSchemaOf(wishSchema) })
  async compose(
    @Body({ schema: wishSchema }) { box, withinSpareTime, ...wish }: z.infer<typeof wishSchema>,
  ): Promise<Composition> {
    const { season, plan } = await this.books.plan();
    const spare = plan.days.reduce((sum, day) => sum + Math.max(0, day.benchMinutes - day.bookedMinutes), 0);
    const spareMinutes = withinSpareTime ? spare : null;
    return composeBox({ ...wish, box: contentOf(box), spareMinutes }, season.book, this.solver.solve);
  }
}
