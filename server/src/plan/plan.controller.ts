import { Body, Controller, Delete, Get, Header, HttpCode, Post, Put, Res } from '@nestjs/common';
import { ApiBody, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Finding } from '@usual-pantry/core/finding';
import { orderDraftSchema } from '@usual-pantry/core/order';
import {
  decisionSchema,
  followsGuide,
  type DecisionStep,
  type PlanAnswer,
  type StoredDecision,
} from '@usual-pantry/core/plan';
import { shoppingCsv, shoppingText } from '@usual-pantry/core/format';
import { whatIfSchema, type PlanJob, type WhatIf, type WhatIfAnswer } from '@usual-pantry/core/programme';
import type { PromiseCheck } from '@usual-pantry/core/promise';
import type { ShoppingLine } from '@usual-pantry/core/shopping';
import { daySchema, idSchema } from '@usual-pantry/core/record';
import type { Response } from 'express';
import { z } from 'zod';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { planForHelper } from '../door/for-helpers.js';
import { isHelper } from '../door/visitor.js';
import { Refused } from '../http/errors.js';
import { whenGone } from '../http/gone.js';
import { jsonSchemaOf } from '../http/json-schema.js';
import { PromiseService } from '../promise/promise.service.js';
import { GivenUp } from '../thread/thread.js';
import { Backups } from '../storage/backups.js';
import { Disk } from '../storage/disk.js';
import { calendarOf } from './calendar.js';
import { SeasonPlanner } from './season-planner.js';

/** An order that may be stored already: then it is not counted twice. */
const askedSchema = orderDraftSchema.safeExtend({ id: idSchema.optional() });

const moveSchema = z.strictObject({ recipeId: idSchema, from: daySchema, to: daySchema });
const pinSchema = z.strictObject({ recipeId: idSchema, day: daySchema, pinned: z.boolean() });

const restoreSchema = z.strictObject({ version: z.int().min(0), decision: decisionSchema.nullable() });

@ApiTags('Plan')
@Controller('api')
export class PlanController {
  constructor(
    private readonly books: BookService,
    private readonly planner: SeasonPlanner,
    private readonly promises: PromiseService,
    private readonly clock: Clock,
    private readonly disk: Disk,
    private readonly backups: Backups,
  ) {}

  @Get('plan')
  @ApiOperation({
    summary: 'The season worked out from the open orders: runs, left-overs, shopping, days, label dates, findings',
  })
  async plan(): Promise<PlanAnswer> {
    const { plan, today, season, stored } = await this.books.plan();
    const { makerName, currency } = season.data.kitchen;
    const answer: PlanAnswer = {
      ...plan,
      findings: [...(await this.disk.findings()), ...this.backups.findings(), ...plan.findings],
      today,
      maker: makerName,
      currency,
      solved: stored?.solved ?? null,
      decided: stored !== null,
      follows: stored !== null && followsGuide(plan, stored.guide),
    };
    return isHelper() ? planForHelper(answer) : answer;
  }

  @Get('plan/job')
  @ApiOperation({ summary: 'How far a long solve is, or what came of the last one' })
  job(): PlanJob {
    return this.planner.job;
  }

  @Post('plan/job')
  @HttpCode(202)
  @ApiOperation({ summary: 'Starts to plan the season with the solver; what is found is stored' })
  start(): Promise<PlanJob> {
    return this.planner.start();
  }

  @Delete('plan/job')
  @ApiOperation({ summary: 'Stops the solver; the last plan stays' })
  stop(): Promise<PlanJob> {
    return this.planner.stop();
  }

  @Post('plan/moves')
  @HttpCode(200)
  @ApiOperation({ summary: 'Moves a run to another day and pins it there; refused with every reason' })
  @ApiBody({ schema: jsonSchemaOf(moveSchema) })
  move(@Body({ schema: moveSchema }) { recipeId, from, to }: z.infer<typeof moveSchema>): Promise<DecisionStep> {
    return this.planner.move(recipeId, from, to);
  }

  @Post('plan/pins')
  @HttpCode(200)
  @ApiOperation({ summary: 'Pins a run to its day, or lets it go' })
  @ApiBody({ schema: jsonSchemaOf(pinSchema) })
  pin(@Body({ schema: pinSchema }) { recipeId, day, pinned }: z.infer<typeof pinSchema>): Promise<DecisionStep> {
    return this.planner.pin(recipeId, day, pinned);
  }

  @Put('plan/decision')
  @ApiOperation({ summary: 'Puts back what was decided before; refused when something else was decided since' })
  @ApiBody({ schema: jsonSchemaOf(restoreSchema) })
  async restore(
    @Body({ schema: restoreSchema }) { version, decision }: z.infer<typeof restoreSchema>,
  ): Promise<{ decision: StoredDecision | null }> {
    return { decision: await this.planner.restore(version, decision) };
  }

  @Post('plan/what-if')
  @HttpCode(200)
  @ApiOperation({ summary: 'What a change would do to the season; changes nothing' })
  @ApiBody({ schema: jsonSchemaOf(whatIfSchema) })
  whatIf(@Body({ schema: whatIfSchema }) change: WhatIf): Promise<WhatIfAnswer> {
    return this.planner.whatIf(change);
  }

  @Post('plan/what-if/accept')
  @HttpCode(204)
  @ApiOperation({ summary: 'Makes the change that was last looked at, and its plan, real' })
  @ApiBody({ schema: jsonSchemaOf(whatIfSchema) })
  accept(@Body({ schema: whatIfSchema }) change: WhatIf): Promise<void> {
    return this.planner.accept(change);
  }

  @Get('plan/calendar.ics')
  @Header('Content-Type', 'text/calendar; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="bench-days.ics"')
  @ApiOperation({ summary: 'Bench days and hand-overs as iCalendar' })
  async calendar(): Promise<string> {
    const { plan, season } = await this.books.plan();
    return calendarOf(plan, season.data.kitchen.makerName);
  }

  @Get('plan/shopping.csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="shopping.csv"')
  @ApiOperation({ summary: 'The shopping list as CSV, a row a kind of pack' })
  async shoppingCsv(): Promise<string> {
    const { plan, season } = await this.books.plan();
    return shoppingCsv(plan.shopping, season.data.kitchen.currency);
  }

  @Get('plan/shopping.txt')
  @Header('Content-Type', 'text/plain; charset=utf-8')
  @ApiOperation({ summary: 'The shopping list as plain text, by shop' })
  async shoppingText(): Promise<string> {
    const { plan } = await this.books.plan();
    return shoppingText(plan.shopping);
  }

  @Get('plan/shopping')
  @ApiOperation({ summary: 'The shopping list: whole packs at least cost, net of what is on hand' })
  async shopping(): Promise<readonly ShoppingLine[]> {
    return (await this.books.plan()).plan.shopping;
  }

  @Post('plan/promise')
  @HttpCode(200)
  @ApiOperation({
    summary: 'Whether an order can be promised for its day, why not, and the earliest day; changes nothing',
  })
  @ApiBody({ schema: jsonSchemaOf(orderDraftSchema) })
  async promise(
    @Body({ schema: askedSchema }) asked: z.infer<typeof askedSchema>,
    @Res({ passthrough: true }) response: Response,
  ): Promise<PromiseCheck> {
    // The next keystroke asks anew, and ends the connection of what was asked before.
    const gone = whenGone(response);
    const season = await this.books.season();
    try {
      return await this.promises.check(season, this.clock.today(), { ...asked, id: asked.id ?? 'asked' }, gone);
    } catch (error) {
      if (!(error instanceof GivenUp)) throw error;
      throw new Refused('given-up', error.message);
    }
  }

  @Get('findings')
  @ApiOperation({ summary: 'What must be settled, the gravest first' })
  async findings(): Promise<readonly Finding[]> {
    return (await this.plan()).findings;
  }
}
