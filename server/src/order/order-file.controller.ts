import { Body, Controller, Get, Header, HttpCode, Post, Res, UseInterceptors } from '@nestjs/common';
import { ApiBody, ApiHeader, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { OrderFileAnswer } from '@usual-pantry/core/format';
import type { Response } from 'express';
import { whenGone } from '../http/gone.js';
import { jsonSchemaOf } from '../http/json-schema.js';
import { onceHeader, OnceInterceptor } from '../http/once.interceptor.js';
import { bytesOf } from '../http/readers.js';
import { orderFileSchema } from './order-file.schema.js';
import { OrderFileService } from './order-file.service.js';

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
  @ApiBody({ schema: jsonSchemaOf(orderFileSchema) })
  check(@Body() body: unknown, @Res({ passthrough: true }) response: Response): Promise<OrderFileAnswer> {
    return this.files.check(bytesOf(body), whenGone(response));
  }

  @Post()
  @HttpCode(200)
  @UseInterceptors(OnceInterceptor)
  @ApiHeader(onceHeader)
  @ApiOperation({ summary: 'Take the orders of a CSV in one transaction; refused rows change nothing' })
  @ApiBody({ schema: jsonSchemaOf(orderFileSchema) })
  take(@Body() body: unknown, @Res({ passthrough: true }) response: Response): Promise<OrderFileAnswer> {
    return this.files.take(bytesOf(body), whenGone(response));
  }
}
