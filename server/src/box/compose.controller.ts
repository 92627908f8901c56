import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { composeWishSchema, compositionsSchema, type ComposeRequest } from '@usual-pantry/core/api';
import { contentOf } from '@usual-pantry/core/box';
import { composeBox, type Composition } from '@usual-pantry/core/compose';
import { BookService } from '../book/book.service.js';
import { Answers, Takes } from '../http/contract.js';
import { SolverService } from '../solver/solver.service.js';

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
  @Takes(composeWishSchema)
  @Answers(compositionsSchema)
  async compose(
    @Body({ schema: composeWishSchema }) { box, withinSpareTime, ...wish }: ComposeRequest,
  ): Promise<Composition> {
    const { season, plan } = await this.books.plan();
    const spare = plan.days.reduce((sum, day) => sum + Math.max(0, day.benchMinutes - day.bookedMinutes), 0);
    const spareMinutes = withinSpareTime ? spare : null;
    return composeBox({ ...wish, box: contentOf(box), spareMinutes }, season.book, this.solver.solve);
  }
}
