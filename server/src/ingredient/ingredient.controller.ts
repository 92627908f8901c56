import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  ingredientsSchema,
  pricesSchema,
  takeStartersSchema,
  type Prices,
  type TakeStarters,
} from '@usual-pantry/core/api';
import { ingredientDraftSchema, ingredientSchema, withPack, type IngredientDraft } from '@usual-pantry/core/ingredient';
import { Answers, Takes } from '../http/contract.js';
import { recordController } from '../http/record-controller.js';
import type { IngredientRow } from './ingredient.entity.js';
import { IngredientRecords } from './ingredient.records.js';

@ApiTags('Pantry')
@Controller('api/ingredients')
export class IngredientController extends recordController<IngredientDraft, IngredientRow>({
  noun: 'ingredient',
  draft: ingredientDraftSchema,
  stored: ingredientSchema,
}) {
  constructor(override readonly records: IngredientRecords) {
    super(records);
  }

  @Post('starters')
  @HttpCode(200)
  @ApiOperation({ summary: 'Takes plain ingredients into the pantry, all of them or none; those that are there stay' })
  @Takes(takeStartersSchema)
  @Answers(ingredientsSchema)
  takeStarters(@Body({ schema: takeStartersSchema }) { ids }: TakeStarters) {
    return this.records.takeStarters(ids);
  }

  @Post('prices')
  @HttpCode(200)
  @ApiOperation({ summary: 'Gives packs of several ingredients their prices, all of them or none' })
  @Takes(pricesSchema)
  @Answers(ingredientsSchema)
  givePrices(@Body({ schema: pricesSchema }) { prices }: Prices) {
    return this.records.updateAll(prices, (ingredient, place) =>
      (prices[place]?.packs ?? []).reduce(withPack, ingredient),
    );
  }
}
