import { Body, Controller, Get, Header, HttpCode, Post, Res, UseInterceptors } from '@nestjs/common';
import { ApiHeader, ApiOperation, ApiTags } from '@nestjs/swagger';
import { orderFileAnswerSchema, orderFileSchema } from '@usual-pantry/core/api';
import type { OrderFileAnswer } from '@usual-pantry/core/format';
import type { Response } from 'express';
import { whenGone } from '../http/gone.js';
import { Answers, AnswersFile, Takes } from '../http/contract.js';
import { onceHeader, OnceInterceptor } from '../http/once.interceptor.js';
import { bytesOf } from '../http/readers.js';
import { OrderFileService } from './order-file.service.js';

@ApiTags('Orders')
@Controller('api/order-file')
export class OrderFileController {
  constructor(private readonly files: OrderFileService) {}

  @Get()
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="orders.csv"')
  @ApiOperation({ summary: 'Every order as CSV, one row a box, safe in a spreadsheet' })
  @AnswersFile('text/csv')
  write(): Promise<string> {
    return this.files.write();
  }

  @Get('last-season')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @ApiOperation({ summary: 'What was handed over in the last 52 weeks, as orders for the same weekdays of the next' })
  @AnswersFile('text/csv')
  lastSeason(): Promise<string> {
    return this.files.writeLastSeason();
  }

  @Post('check')
  @HttpCode(200)
  @ApiOperation({ summary: 'What a CSV of orders would do, row by row; changes nothing' })
  @Takes(orderFileSchema)
  @Answers(orderFileAnswerSchema)
  check(@Body() body: unknown, @Res({ passthrough: true }) response: Response): Promise<OrderFileAnswer> {
    return this.files.check(bytesOf(body), whenGone(response));
  }

  @Post()
  @HttpCode(200)
  @UseInterceptors(OnceInterceptor)
  @ApiHeader(onceHeader)
  @ApiOperation({ summary: 'Take the orders of a CSV in one transaction; refused rows change nothing' })
  @Takes(orderFileSchema)
  @Answers(orderFileAnswerSchema)
  take(@Body() body: unknown, @Res({ passthrough: true }) response: Response): Promise<OrderFileAnswer> {
    return this.files.take(bytesOf(body), whenGone(response));
  }
}
