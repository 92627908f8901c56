import { Body, Controller, Get, Headers, HttpCode, Param, Post } from '@nestjs/common';
import { ApiOperation, ApiResponse, ApiTags } from '@nestjs/swagger';
import {
  inboxKeySchema,
  inboxSchema,
  receiptSchema,
  testMessageSchema,
  testReceiptsSchema,
  type InboxAnswer,
  type TestMessage,
} from '@usual-pantry/core/api';
import { shopMessageSchema, type Receipt } from '@usual-pantry/core/intake';
import { Answers, Takes } from '../http/contract.js';
import { InboxService } from './inbox.service.js';

@ApiTags('Inbox')
@Controller('api/inbox')
export class InboxController {
  constructor(private readonly inbox: InboxService) {}

  @Get()
  @ApiOperation({ summary: 'The newest messages of the shop, and when the key was made that it signs with' })
  @Answers(inboxSchema)
  async show(): Promise<InboxAnswer> {
    return { keyMadeAt: await this.inbox.keyMadeAt(), messages: await this.inbox.messages() };
  }

  @Post('key')
  @ApiOperation({
    summary: 'Makes a new key for the shop to sign with, shown this once; the one before holds no longer',
  })
  @Answers(inboxKeySchema, 201)
  makeKey(): { key: string } {
    return { key: this.inbox.makeKey() };
  }

  @Post('messages')
  @HttpCode(200)
  @ApiOperation({
    summary:
      'Takes a message of the shop, signed as Standard Webhooks has it: webhook-id, webhook-timestamp, webhook-signature',
  })
  @Takes(shopMessageSchema)
  @Answers(receiptSchema)
  @ApiResponse({ status: 401, description: 'Not signed by the shop, or too long ago' })
  receive(
    @Body() body: unknown,
    @Headers('webhook-id') id = '',
    @Headers('webhook-timestamp') time = '',
    @Headers('webhook-signature') signature = '',
  ): Promise<Receipt> {
    const by = { 'webhook-id': id, 'webhook-timestamp': time, 'webhook-signature': signature };
    return this.inbox.receive({ body: typeof body === 'string' ? body : '', by });
  }

  @Post('messages/:id/take')
  @HttpCode(200)
  @ApiOperation({ summary: 'Takes a message that was refused or waits to be decided' })
  @Answers(receiptSchema)
  take(@Param('id') id: string): Promise<Receipt> {
    return this.inbox.takeAfterAll(id);
  }

  @Post('test')
  @HttpCode(200)
  @ApiOperation({ summary: 'Sends a test order as a shop would: once, twice, out of order or unsigned' })
  @Takes(testMessageSchema)
  @Answers(testReceiptsSchema)
  test(@Body({ schema: testMessageSchema }) { order, manner }: TestMessage) {
    return this.inbox.send(order, manner);
  }
}
