import { randomUUID } from 'node:crypto';
import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Query, Res } from '@nestjs/common';
import { ApiOperation, ApiQuery, ApiTags } from '@nestjs/swagger';
import {
  labelPrintsSchema,
  labelRunStatesSchema,
  lotContentsSchema,
  newWeighingSchema,
  printJobSchema,
  printLabelsSchema,
  setLabelSchema,
  weighedSchema,
  weighingsSchema,
  type LabelRunState,
  type LotContents,
  type NewWeighing,
  type PrintJob,
  type SetLabel,
  type Weighed,
} from '@usual-pantry/core/api';
import { bookAsMade } from '@usual-pantry/core/book';
import { allergens, type Allergen } from '@usual-pantry/core/ingredient';
import { ownSheetSchema, schoolCodeSchema } from '@usual-pantry/core/kitchen';
import type { LabelPrint, Weighing } from '@usual-pantry/core/label';
import { exclusionSchema, packBox, reallyIn } from '@usual-pantry/core/order';
import { daySchema, idSchema } from '@usual-pantry/core/record';
import type { Response } from 'express';
import { z } from 'zod';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { SCALE, type Scale } from '../device/scale.js';
import { Answers, AnswersFile, Takes } from '../http/contract.js';
import { whenGone } from '../http/gone.js';
import { runIn } from '../http/readers.js';
import { notFound, wrongValues } from '../refusal/refused.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { Thread } from '../thread/thread.js';
import { WeighingRow } from './label.entity.js';
import { pagesOfOne, type LabelJob } from './label-pdf.js';
import { LabelService } from './label.service.js';
import { bytesOfPng } from './png.js';
import { gridOf, LABEL_PRESS, PrintService, testPage } from './print.service.js';

const MOST_COPIES = 500;
const MOST_MS = 60_000;

const labelQuerySchema = z.strictObject({
  handOver: daySchema.optional(),
  /** What the box is packed without, stand-ins in place: codes with commas between. */
  without: z
    .string()
    .transform((text) => text.split(',').filter(Boolean).sort())
    .pipe(z.array(exclusionSchema))
    .default([]),
  /** The number that it was sold under, where that is not the box as it is now. */
  edition: z.coerce.number().int().min(1).nullable().default(null),
  /** Whether cells without a stand-in stay empty. */
  leaveOut: z.stringbool().default(false),
  /** Where it must hold, where that is not as for the kitchen. */
  school: schoolCodeSchema.nullable().default(null),
  /** What an order puts in place of pieces itself: `piece.other` with commas between. */
  standIns: z
    .string()
    .transform((text) =>
      text
        .split(',')
        .filter(Boolean)
        .map((pair) => {
          const [pieceId = '', withId = ''] = pair.split('.');
          return { pieceId, withId };
        }),
    )
    .pipe(z.array(z.strictObject({ pieceId: idSchema, withId: idSchema })))
    .default([]),
});
const pdfQuerySchema = labelQuerySchema.extend({
  copies: z.coerce.number().int().min(1).max(MOST_COPIES).default(1),
});
const sheetQuerySchema = z.strictObject({
  sheet: z.string().max(40),
  /** The own sheet as JSON. */
  own: z
    .string()
    .transform((text, context): unknown => {
      try {
        return JSON.parse(text);
      } catch {
        context.addIssue('must be JSON');
        return z.NEVER;
      }
    })
    .pipe(ownSheetSchema)
    .nullable()
    .default(null),
});

const aboutQuerySchema = z.strictObject({ about: z.coerce.number().positive().max(100_000) });

const namesOf = (codes: readonly Allergen[]): string[] => codes.map((code) => allergens[code].name.toLowerCase());

@ApiTags('Labels')
@Controller('api')
export class LabelController {
  constructor(
    private readonly labels: LabelService,
    private readonly printing: PrintService,
    private readonly books: BookService,
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
    @Inject(LABEL_PRESS) private readonly press: Thread<LabelJob, Uint8Array>,
    @Inject(SCALE) private readonly scale: Scale,
  ) {}

  @Get('labels')
  @ApiOperation({
    summary: 'Which labels the open orders need: box, hand-over, number, dates, lot, and what was printed',
  })
  @Answers(labelRunStatesSchema)
  runs(): Promise<LabelRunState[]> {
    return this.labels.runs();
  }

  @Get('boxes/:id/label')
  @ApiOperation({ summary: 'The label of a box in words and set in type, with what is missing' })
  @ApiQuery({ name: 'handOver', required: false, schema: { type: 'string', format: 'date' } })
  @ApiQuery({ name: 'without', required: false, schema: { type: 'string', example: 'nuts,sesame' } })
  @ApiQuery({ name: 'edition', required: false, schema: { type: 'integer', minimum: 1 } })
  @ApiQuery({ name: 'leaveOut', required: false, schema: { type: 'boolean' } })
  @ApiQuery({ name: 'school', required: false, schema: { type: 'string', example: 'eu' } })
  @ApiQuery({ name: 'standIns', required: false, schema: { type: 'string', example: 'praline.malted' } })
  @Answers(setLabelSchema)
  label(
    @Param('id') id: string,
    @Query({ schema: labelQuerySchema }) query: z.infer<typeof labelQuerySchema>,
  ): Promise<SetLabel> {
    return this.labels.set({ ...query, boxId: id });
  }

  @Get('boxes/:id/label.pdf')
  @ApiOperation({ summary: 'The same as a PDF at true size, one side a page; nothing is noted as printed' })
  @AnswersFile('application/pdf')
  @ApiQuery({ name: 'handOver', required: false, schema: { type: 'string', format: 'date' } })
  @ApiQuery({ name: 'without', required: false, schema: { type: 'string', example: 'nuts,sesame' } })
  @ApiQuery({ name: 'edition', required: false, schema: { type: 'integer', minimum: 1 } })
  @ApiQuery({ name: 'leaveOut', required: false, schema: { type: 'boolean' } })
  @ApiQuery({ name: 'school', required: false, schema: { type: 'string', example: 'eu' } })
  @ApiQuery({ name: 'standIns', required: false, schema: { type: 'string', example: 'praline.malted' } })
  @ApiQuery({
    name: 'copies',
    required: false,
    schema: { type: 'integer', minimum: 1, maximum: MOST_COPIES },
  })
  async pdf(
    @Param('id') id: string,
    @Query({ schema: pdfQuerySchema }) { copies, ...query }: z.infer<typeof pdfQuerySchema>,
    @Res() response: Response,
  ): Promise<void> {
    const { findings, layouts, blocks, lot } = await this.labels.set({ ...query, boxId: id });
    const stops = findings.filter((each) => each.severity === 'stop');
    if (stops.length > 0)
      throw wrongValues(
        stops.map(({ message }) => ({ path: ['label'], message })),
        'This label is not ready to be printed.',
      );
    const { kitchen } = (await this.books.season()).book;
    const sides = await Promise.all(layouts.map((layout) => this.labels.withCode(kitchen, layout, lot)));
    const copy = sides.map(({ layout }, index) => ({ layout, index }));
    const job: LabelJob = {
      title: blocks[0]?.text ?? 'Label',
      layouts: sides,
      pages: pagesOfOne(Array.from({ length: copies }, () => copy).flat(), kitchen.label.bleedMm),
      accent: kitchen.label.accent,
      logoPng: bytesOfPng(kitchen.label.logo),
    };
    await this.send(job, `label-${id}.pdf`, response);
  }

  @Get('labels/test-page.pdf')
  @ApiOperation({ summary: 'The edges of a sheet’s labels, by which it is seen how far a printer is off' })
  @ApiQuery({ name: 'sheet', schema: { type: 'string', example: 'a4-2x4' } })
  @ApiQuery({ name: 'own', required: false, schema: { type: 'string' } })
  @AnswersFile('application/pdf')
  async test(
    @Query({ schema: sheetQuerySchema }) { sheet, own }: z.infer<typeof sheetQuerySchema>,
    @Res() response: Response,
  ): Promise<void> {
    const grid = gridOf({ sheet, ownSheet: own, startCell: 1 });
    if (!grid) throw wrongValues([{ path: ['sheet'], message: 'A single label needs no test page.' }]);
    await this.send(testPage(grid, (await this.books.season()).book.kitchen), 'test-page.pdf', response);
  }

  @Get('labels/print')
  @ApiOperation({ summary: 'How far the print is, or what came of the last one' })
  @Answers(printJobSchema)
  job(): PrintJob {
    return this.printing.now;
  }

  @Post('labels/print')
  @HttpCode(202)
  @ApiOperation({
    summary: 'Prints labels of several runs, or tickets, on sheets; what was printed is noted when it is done',
  })
  @Takes(printLabelsSchema)
  @Answers(printJobSchema, 202)
  print(@Body({ schema: printLabelsSchema }) wanted: z.output<typeof printLabelsSchema>): Promise<PrintJob> {
    return this.printing.start(wanted);
  }

  @Delete('labels/print')
  @ApiOperation({ summary: 'Stops the print; nothing of it is noted' })
  @Answers(printJobSchema)
  stop(): PrintJob {
    return this.printing.stop();
  }

  @Get('labels/printed/:name')
  @ApiOperation({ summary: 'What was printed, as PDF' })
  @AnswersFile('application/pdf')
  async printed(@Param('name') name: string, @Res() response: Response): Promise<void> {
    const pdf = await this.printing.printed(name);
    if (!pdf) throw notFound('print', name);
    response.type('application/pdf').set('Content-Disposition', `inline; filename="${name}"`).send(Buffer.from(pdf));
  }

  @Get('labels/prints')
  @ApiOperation({ summary: 'Every print of labels, the newest first' })
  @Answers(labelPrintsSchema)
  prints(): Promise<LabelPrint[]> {
    return this.labels.prints();
  }

  @Get('boxes/:id/weighings')
  @ApiOperation({ summary: 'Boxes of this kind that were weighed, the newest first' })
  @Answers(weighingsSchema)
  weighings(@Param('id') boxId: string): Promise<Weighing[]> {
    return this.work.read((manager) =>
      manager.find(WeighingRow, { where: { boxId }, order: { at: 'DESC', id: 'ASC' } }),
    );
  }

  @Post('weighings')
  @ApiOperation({ summary: 'Keeps the weights of boxes that were weighed one after another' })
  @Takes(newWeighingSchema)
  @Answers(weighingsSchema, 201)
  weigh(@Body({ schema: newWeighingSchema }) weighing: NewWeighing): Promise<Weighing[]> {
    return this.work.write(
      async (manager) => {
        const { data } = await this.books.season();
        const box = data.boxes.find(({ id }) => id === weighing.boxId);
        if (!box) throw notFound('box', weighing.boxId);
        await manager.save(WeighingRow, { ...weighing, id: randomUUID(), at: this.clock.now() });
        return manager.find(WeighingRow, { where: { boxId: weighing.boxId }, order: { at: 'DESC', id: 'ASC' } });
      },
      { part: 'orders' },
    );
  }

  @Get('scale')
  @ApiOperation({ summary: 'What stands on the scale, net; a simulated one as long as none is connected' })
  @ApiQuery({ name: 'about', schema: { type: 'number' } })
  @Answers(weighedSchema)
  async scaleNow(@Query({ schema: aboutQuerySchema }) { about }: z.infer<typeof aboutQuerySchema>): Promise<Weighed> {
    return { grams: await this.scale.read(about) };
  }

  @Get('lots/:lot')
  @ApiOperation({ summary: 'What is in the boxes of a lot' })
  @Answers(lotContentsSchema)
  async lot(@Param('lot') lot: string): Promise<LotContents> {
    const run = (await this.labels.runs()).find((each) => each.lot === lot);
    const { book: planned } = await this.books.season();
    const book = run ? bookAsMade(planned, run.handOver) : planned;
    const box = run && packBox(planned, run.boxId, run);
    if (!run || !box) throw notFound('lot', lot);
    const facts = reallyIn(book, box.facts);
    const { boxId, boxName, madeOn, bestBefore } = run;
    return {
      lot,
      boxId,
      boxName,
      madeOn,
      bestBefore,
      contains: namesOf(facts.contains),
      mayContain: namesOf(facts.mayContain),
      pieces: facts.pieces.flatMap(({ pieceId, count }) => {
        const piece = book.pieces.get(pieceId);
        return piece ? [{ name: piece.piece.name, count, contains: namesOf(piece.contains) }] : [];
      }),
    };
  }

  private async send(job: LabelJob, name: string, response: Response): Promise<void> {
    const pdf = await runIn(this.press, job, { signal: whenGone(response), mostMs: MOST_MS });
    response.type('application/pdf').set('Content-Disposition', `inline; filename="${name}"`).send(Buffer.from(pdf));
  }
}
