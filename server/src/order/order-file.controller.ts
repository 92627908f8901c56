import { Body, Controller, Get, Header, HttpCode, Post, Res, UseInterceptors } from '@nestjs/common';
import { ApiBody, ApiHeader, ApiOperation, ApiTags } from '@nestjs/swagger';
import { orderFields, type OrderFileAnswer } from '@usual-pantry/core/intake';
import type { Response } from 'express';
import { z } from 'zod';
import { whenGone } from '../http/gone.js';
import { jsonSchemaOf } from '../http/json-schema.js';
import { onceHeader, OnceInterceptor } from '../http/once.interceptor.js';
import { OrderFileService } from './order-file.service.js';

const requestSchema = z.strictObject({
  text: z.string().max(10_000_000, 'is larger than 10 MB'),
  mapping: z.partialRecord(z.enum(orderFields), z.string()).optional(),
  dayOrder: z.enum(['day first', 'month first', 'unknown']).default('unknown'),
});

@ApiTags('Orders')
@Controller('api/order-file')
export class OrderFileController {
  constructor(private readonly files: OrderFileService) {}

  @Get()
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="orders.csv"')
  @ApiOperation({ summary: 'Every order as CSV, one row a box, safe in a spreadsheet' })
  write(): Promise<string> {
    return this.files.write();
  }

  @Post('check')
  @HttpCode(200)
  @ApiOperation({ summary: 'What a CSV of orders would do, row by row; changes nothing' })
  @ApiBody({ schema: jsonSchemaOf(requestSchema) })
  check(
    @Body({ schema: requestSchema }) request: z.infer<typeof requestSchema>,
    @Res({ passthrough: true }) response: Response,
  ): Promise<OrderFileAnswer> {
    return this.files.check(request, whenGone(response));
  }

  @Post()
  @HttpCode(200)
  @UseInterceptors(OnceInterceptor)
  @ApiHeader(onceHeader)
  @ApiOperation({ summary: 'Take the orders of a CSV in one transaction; refused rows change nothing' })
  @ApiBody({ schema: jsonSchemaOf(requestSchema) })
  take(
    @Body({ schema: requestSchema }) request: z.infer<typeof requestSchema>,
    @Res({ passthrough: true }) response: Response,
  ): Promise<OrderFileAnswer> {
    return this.files.take(request, whenGone(response));
  }
}
