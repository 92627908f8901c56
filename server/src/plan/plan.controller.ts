import { Body, Controller, Delete, Get, Header, HttpCode, Post, Query, Res } from '@nestjs/common';
import { ApiOperation, ApiQuery, ApiTags } from '@nestjs/swagger';
import {
  askedOrderSchema,
  findingPageSchema,
  findingSchema,
  handOverDaysSchema,
  moveRunSchema,
  moveStageSchema,
  pinRunSchema,
  planJobSchema,
  planRunsSchema,
  planSummary,
  planSummarySchema,
  offersSchema,
  promiseCheckSchema,
  shoppingListSchema,
  weekAheadSchema,
  whatIfAnswerSchema,
  withToDecide,
  type AskedOrder,
  type FindingPage,
  type HandOverDays,
  type MoveRun,
  type PinRun,
  type PlanRuns,
  type PlanSummary,
} from '@usual-pantry/core/api';
import { gravestFirst, type Finding } from '@usual-pantry/core/finding';
import { conventionsOf } from '@usual-pantry/core/kitchen';
import { followsGuide, type StageMove } from '@usual-pantry/core/plan';
import { shoppingCsv, shoppingText } from '@usual-pantry/core/format';
import { whatIfSchema, type PlanJob, type WhatIf, type WhatIfAnswer } from '@usual-pantry/core/programme';
import { MOST_WEEKS, type Offer, type PromiseCheck, type WeekAhead } from '@usual-pantry/core/promise';
import type { ShoppingLine } from '@usual-pantry/core/shopping';
import { daySchema } from '@usual-pantry/core/record';
import type { Response } from 'express';
import { z } from 'zod';
import { Beside } from '../book/beside.js';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { handOversForHelper, summaryForHelper } from './for-helpers.js';
import { isHelper } from '../door/visitor.js';
import { Refused } from '../refusal/refused.js';
import { whenGone } from '../http/gone.js';
import { Answers, AnswersFile, AnswersNothing, Takes } from '../http/contract.js';
import { PromiseService } from '../promise/promise.service.js';
import { GivenUp } from '../thread/thread.js';
import { Backups } from '../storage/backups.js';
import { Disk } from '../storage/disk.js';
import { Planning } from './planning.js';
import { SeasonPlanner } from './season-planner.js';

/** Which findings are wanted. */
const findingQuerySchema = z.strictObject({
  page: z.coerce.number().int().min(1).default(1),
  size: z.coerce.number().int().min(1).max(500).default(50),
  /** What they are about: nouns with commas between. */
  about: z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(findingSchema.shape.about.shape.noun))
    .optional(),
  /** Ids of records, with commas between. */
  ids: z
    .string()
    .max(20_000)
    .transform((text) => new Set(text.split(',')))
    .optional(),
});

/** Which days are wanted; all of them without. */
const dayQuerySchema = z.strictObject({ day: daySchema.optional() });

/** Whether only what is soon known is wanted. */
const soonSchema = z.stringbool().default(false);
const promiseQuerySchema = z.strictObject({ soon: soonSchema });
const SOON = { name: 'soon', required: false, schema: { type: 'boolean', default: false } } as const;

/** Which week is wanted: 0 for that of today. */
const weekQuerySchema = z.strictObject({
  soon: soonSchema,
  index: z.coerce
    .number()
    .int()
    .min(0)
    .max(MOST_WEEKS - 1)
    .default(0),
});

@ApiTags('Plan')
@Controller('api')
export class PlanController {
  constructor(
    private readonly books: BookService,
    private readonly planner: SeasonPlanner,
    private readonly planning: Planning,
    private readonly promises: PromiseService,
    private readonly clock: Clock,
    private readonly disk: Disk,
    private readonly backups: Backups,
    private readonly beside: Beside,
  ) {}

  @Get('plan')
  @ApiOperation({ summary: 'The season in short: how much there is of everything, and its days' })
  @Answers(planSummarySchema)
  async plan(): Promise<PlanSummary> {
    const { plan, today, season, stored } = await this.books.plan();
    const { kitchen } = season.data;
    const summary = planSummary(
      { ...plan, findings: await this.allFindings() },
      {
        today,
        maker: kitchen.makerName,
        currency: kitchen.currency,
        conventions: conventionsOf(kitchen),
        solved: stored?.solved ?? null,
        decided: stored !== null,
        follows: stored !== null && followsGuide(plan, stored.guide, season.book),
      },
    );
    return isHelper() ? summaryForHelper(summary) : summary;
  }

  @Get('plan/runs')
  @ApiOperation({ summary: 'What is made, finished and packed on which day, and what it is for' })
  @Answers(planRunsSchema)
  async runs(): Promise<PlanRuns> {
    const { runs, made, finishings, days, minded } = (await this.books.plan()).plan;
    return { runs, made, finishings, days, minded: [...minded] };
  }

  @Get('plan/hand-overs')
  @ApiOperation({ summary: 'What is handed over by day: all days, or one' })
  @ApiQuery({ name: 'day', required: false, schema: { type: 'string', format: 'date' } })
  @Answers(handOverDaysSchema)
  async handOvers(@Query({ schema: dayQuerySchema }) { day }: z.infer<typeof dayQuerySchema>): Promise<HandOverDays> {
    const { handOvers, findings } = (await this.books.plan()).plan;
    const wanted = day === undefined ? handOvers : handOvers.filter((each) => each.day === day);
    const days = withToDecide(wanted, findings);
    return isHelper() ? handOversForHelper(days) : days;
  }

  @Answers(planJobSchema)
  @Get('plan/job')
  @ApiOperation({ summary: 'How far a long solve is, or what came of the last one' })
  job(): PlanJob {
    return this.planner.job;
  }

  @Answers(planJobSchema, 202)
  @Post('plan/job')
  @HttpCode(202)
  @ApiOperation({ summary: 'Starts to plan the season with the solver; what is found is stored' })
  start(): Promise<PlanJob> {
    return this.planner.start();
  }

  @Answers(planJobSchema)
  @Delete('plan/job')
  @ApiOperation({ summary: 'Stops the solver; the last plan stays' })
  stop(): Promise<PlanJob> {
    return this.planner.stop();
  }

  @AnswersNothing()
  @Post('plan/moves')
  @HttpCode(204)
  @ApiOperation({ summary: 'Moves a run to another day and pins it there; refused with every reason' })
  @Takes(moveRunSchema)
  move(@Body({ schema: moveRunSchema }) { recipeId, from, to }: MoveRun): Promise<void> {
    return this.planner.move(recipeId, from, to);
  }

  @AnswersNothing()
  @Post('plan/stage-moves')
  @HttpCode(204)
  @ApiOperation({ summary: 'Moves a stage of finishing pieces to another day; refused with every reason' })
  @Takes(moveStageSchema)
  moveStage(@Body({ schema: moveStageSchema }) move: StageMove): Promise<void> {
    return this.planner.moveStage(move);
  }

  @AnswersNothing()
  @Post('plan/pins')
  @HttpCode(204)
  @ApiOperation({ summary: 'Pins a run to its day, or lets it go' })
  @Takes(pinRunSchema)
  pin(@Body({ schema: pinRunSchema }) { recipeId, day, pinned }: PinRun): Promise<void> {
    return this.planner.pin(recipeId, day, pinned);
  }

  @Answers(whatIfAnswerSchema)
  @Post('plan/what-if')
  @HttpCode(200)
  @ApiOperation({ summary: 'What a change would do to the season; changes nothing' })
  @Takes(whatIfSchema)
  whatIf(
    @Body({ schema: whatIfSchema }) change: WhatIf,
    @Res({ passthrough: true }) response: Response,
  ): Promise<WhatIfAnswer> {
    return this.planner.whatIf(change, whenGone(response));
  }

  @AnswersNothing()
  @Post('plan/what-if/accept')
  @HttpCode(204)
  @ApiOperation({ summary: 'Makes the change that was last looked at, and its plan, real' })
  @Takes(whatIfSchema)
  accept(@Body({ schema: whatIfSchema }) change: WhatIf): Promise<void> {
    return this.planner.accept(change);
  }

  @AnswersFile('text/calendar')
  @Get('plan/calendar.ics')
  @Header('Content-Type', 'text/calendar; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="bench-days.ics"')
  @ApiOperation({ summary: 'Bench days and hand-overs as iCalendar' })
  async calendar(): Promise<string> {
    return this.unlessGivenUp(this.planning.calendar(await this.books.season(), this.clock.today()));
  }

  @AnswersFile('text/csv')
  @Get('plan/shopping.csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="shopping.csv"')
  @ApiOperation({ summary: 'The shopping list as CSV, a row a kind of pack' })
  async shoppingCsv(): Promise<string> {
    const { plan, season } = await this.books.plan();
    return shoppingCsv(plan.shopping, season.data.kitchen);
  }

  @AnswersFile('text/plain')
  @Get('plan/shopping.txt')
  @Header('Content-Type', 'text/plain; charset=utf-8')
  @ApiOperation({ summary: 'The shopping list as plain text, by shop' })
  async shoppingText(): Promise<string> {
    const { plan, season } = await this.books.plan();
    return shoppingText(plan.shopping, season.data.kitchen);
  }

  @Answers(shoppingListSchema)
  @Get('plan/shopping')
  @ApiOperation({ summary: 'The shopping list: whole packs at least cost, net of what is on hand' })
  async shopping(): Promise<readonly ShoppingLine[]> {
    return (await this.books.plan()).plan.shopping;
  }

  @Answers(promiseCheckSchema)
  @Post('plan/promise')
  @HttpCode(200)
  @ApiOperation({
    summary:
      'Whether an order can be promised for its day, why not, and the earliest day: soon, as the plan stands, or also with other plans; changes nothing',
  })
  @ApiQuery(SOON)
  @Takes(askedOrderSchema)
  async promise(
    @Body({ schema: askedOrderSchema }) asked: AskedOrder,
    @Query({ schema: promiseQuerySchema }) { soon }: z.infer<typeof promiseQuerySchema>,
    @Res({ passthrough: true }) response: Response,
  ): Promise<PromiseCheck> {
    // The next keystroke asks anew, and ends the connection of what was asked before.
    const gone = whenGone(response);
    const season = await this.books.season();
    return this.unlessGivenUp(
      this.promises.check(season, this.clock.today(), { ...asked, id: asked.id ?? 'asked' }, soon, gone),
    );
  }

  @Answers(offersSchema)
  @Get('plan/offers')
  @ApiOperation({
    summary: 'Further boxes that could be packed from what will be left over, without one batch more; each for itself',
  })
  async offers(@Res({ passthrough: true }) response: Response): Promise<readonly Offer[]> {
    const gone = whenGone(response);
    const season = await this.books.season();
    return this.unlessGivenUp(this.promises.offers(season, this.clock.today(), gone));
  }

  @Answers(weekAheadSchema)
  @Get('plan/week')
  @ApiQuery({
    name: 'index',
    required: false,
    schema: { type: 'integer', minimum: 0, maximum: MOST_WEEKS - 1, default: 0 },
  })
  @ApiQuery(SOON)
  @ApiOperation({
    summary:
      'What a week to come could still take, 0 for this one: its hours, and of each kind of box the most, each for itself',
  })
  async week(
    @Query({ schema: weekQuerySchema }) { index, soon }: z.infer<typeof weekQuerySchema>,
    @Res({ passthrough: true }) response: Response,
  ): Promise<WeekAhead> {
    const gone = whenGone(response);
    const season = await this.books.season();
    return this.unlessGivenUp(this.promises.week(season, this.clock.today(), index, soon, gone));
  }

  private async unlessGivenUp<Found>(found: Promise<Found>): Promise<Found> {
    try {
      return await found;
    } catch (error) {
      if (!(error instanceof GivenUp)) throw error;
      throw new Refused('given-up', error.message);
    }
  }

  @Get('plan/findings')
  @ApiOperation({ summary: 'A page of what must be decided or is worth knowing, the gravest first' })
  @ApiQuery({ name: 'page', required: false, schema: { type: 'integer', minimum: 1, default: 1 } })
  @ApiQuery({ name: 'size', required: false, schema: { type: 'integer', minimum: 1, maximum: 500, default: 50 } })
  @ApiQuery({ name: 'about', required: false, schema: { type: 'string', example: 'order,box' } })
  @ApiQuery({ name: 'ids', required: false, schema: { type: 'string', example: 'o1,o2' } })
  @Answers(findingPageSchema)
  async findings(
    @Query({ schema: findingQuerySchema }) { page, size, about, ids }: z.infer<typeof findingQuerySchema>,
  ): Promise<FindingPage> {
    const found = (await this.allFindings()).filter(
      (each) => (about?.includes(each.about.noun) ?? true) && (ids?.has(each.about.id) ?? true),
    );
    return { items: found.slice((page - 1) * size, page * size), total: found.length, page, size };
  }

  /** What the season and what the machine says. */
  private async allFindings(): Promise<readonly Finding[]> {
    const { findings } = (await this.books.plan()).plan;
    const beside = [...(await this.disk.findings()), ...this.backups.findings(), ...(await this.beside.findings())];
    return beside.length > 0 ? gravestFirst([...beside, ...findings]) : findings;
  }
}
