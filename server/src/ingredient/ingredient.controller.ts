import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { ingredientsSchema, pricesSchema, type Prices } from '@usual-pantry/core/api';
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
