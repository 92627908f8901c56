import { Body, Controller, Get, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { storedKitchenSchema, type StoredKitchen } from '@usual-pantry/core/api';
import { Answers, Takes } from '../http/contract.js';
import { KitchenRecords } from './kitchen.records.js';

@ApiTags('Kitchen')
@Controller('api/kitchen')
export class KitchenController {
  constructor(private readonly records: KitchenRecords) {}

  @Get()
  @ApiOperation({ summary: 'The settings' })
  @Answers(storedKitchenSchema)
  get(): Promise<StoredKitchen> {
    return this.records.get();
  }

  @Put()
  @ApiOperation({ summary: 'Change the settings' })
  @Takes(storedKitchenSchema)
  @Answers(storedKitchenSchema)
  change(@Body({ schema: storedKitchenSchema }) body: StoredKitchen): Promise<StoredKitchen> {
    const { version, ...draft } = body;
    return this.records.update(version, draft);
  }
}
