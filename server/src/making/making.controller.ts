import { Body, Controller, Get, HttpCode, Param, Post, Query } from '@nestjs/common';
import { ApiOperation, ApiQuery, ApiTags } from '@nestjs/swagger';
import {
  endMakingSchema,
  makingEventsSchema,
  makingsSchema,
  makingAnswerSchema,
  newEventsSchema,
  simulateSchema,
  type EndMaking,
  type MakingAnswer,
  type MakingEvents,
  type Simulate,
} from '@usual-pantry/core/api';
import { batchSchema, type Batch } from '@usual-pantry/core/batch';
import { makingSchema, type Making } from '@usual-pantry/core/making';
import { z } from 'zod';
import { SimulatedBench } from '../device/simulated-bench.js';
import { Answers, AnswersNothing, Takes } from '../http/contract.js';
import { MakingService } from './making.service.js';

const afterSchema = z.strictObject({ after: z.coerce.number().int().min(0).default(0) });

@ApiTags('At the bench')
@Controller('api')
export class MakingController {
  constructor(
    private readonly makings: MakingService,
    private readonly simulated: SimulatedBench,
  ) {}

  @Get('makings')
  @ApiOperation({ summary: 'Batches at the bench: those that are open, then the newest of those that are over' })
  @Answers(makingsSchema)
  list(): Promise<MakingAnswer[]> {
    return this.makings.list();
  }

  @Post('makings')
  @ApiOperation({ summary: 'Begins a batch under an id of the page’s own; begun again, it is the same one' })
  @Takes(makingSchema)
  @Answers(makingAnswerSchema, 201)
  start(@Body({ schema: makingSchema }) making: Making): Promise<MakingAnswer> {
    return this.makings.start(making);
  }

  @Get('makings/:id/events')
  @ApiOperation({ summary: 'What happened to a batch, after a place in its order' })
  @ApiQuery({ name: 'after', schema: { type: 'integer' }, required: false })
  @Answers(makingEventsSchema)
  events(@Param('id') id: string, @Query({ schema: afterSchema }) { after }: z.infer<typeof afterSchema>) {
    return this.makings.events(id, after);
  }

  @Post('makings/:id/events')
  @HttpCode(200)
  @ApiOperation({ summary: 'Takes in what happened, in order; what is known already is passed over' })
  @Takes(newEventsSchema)
  @Answers(makingEventsSchema)
  add(
    @Param('id') id: string,
    @Body({ schema: newEventsSchema }) { events }: z.infer<typeof newEventsSchema>,
  ): Promise<MakingEvents> {
    return this.makings.add(id, events);
  }

  @Post('makings/:id/end')
  @ApiOperation({
    summary:
      'Ends a batch: it is made, or failed, with all that was kept of it. Refused while it is not said where that came from which the pantry does not have',
  })
  @Takes(endMakingSchema)
  @Answers(batchSchema, 201)
  end(@Param('id') id: string, @Body({ schema: endMakingSchema }) end: EndMaking): Promise<Batch> {
    return this.makings.end(id, end);
  }

  @Post('makings/:id/put-away')
  @HttpCode(200)
  @ApiOperation({ summary: 'Puts a batch away that was not made after all; nothing of it counts' })
  @Answers(makingAnswerSchema)
  putAway(@Param('id') id: string): Promise<MakingAnswer> {
    return this.makings.putAway(id);
  }

  @Post('devices/simulated')
  @HttpCode(204)
  @ApiOperation({ summary: 'Does something to the simulated devices: a pot on the heat, a bowl on the scale' })
  @Takes(simulateSchema)
  @AnswersNothing()
  simulate(@Body({ schema: simulateSchema }) command: Simulate): void {
    this.simulated.do(command);
  }
}
