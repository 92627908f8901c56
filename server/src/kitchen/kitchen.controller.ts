import { Body, Controller, Get, Put } from '@nestjs/common';
import { ApiBody, ApiOperation, ApiResponse, ApiTags } from '@nestjs/swagger';
import { kitchenDraftSchema } from '@usual-pantry/core/kitchen';
import { z } from 'zod';
import { jsonSchemaOf } from '../http/json-schema.js';
import { KitchenRecords, type StoredKitchen } from './kitchen.records.js';

/** A kitchen that has never been set has version 0. */
const editSchema = kitchenDraftSchema.safeExtend({ version: z.int().min(0) });

@ApiTags('Kitchen')
@Controller('api/kitchen')
export class KitchenController {
  constructor(private readonly records: KitchenRecords) {}

  @Get()
  @ApiOperation({ summary: 'The settings' })
  @ApiResponse({ status: 200, schema: jsonSchemaOf(editSchema) })
  get(): Promise<StoredKitchen> {
    return this.records.get();
  }

  @Put()
  @ApiOperation({ summary: 'Change the settings' })
  @ApiBody({ schema: jsonSchemaOf(editSchema) })
  @ApiResponse({ status: 200, schema: jsonSchemaOf(editSchema) })
  change(@Body({ schema: editSchema }) body: z.infer<typeof editSchema>): Promise<StoredKitchen> {
    const { version, ...draft } = body;
    return this.records.update(version, draft);
  }
}
