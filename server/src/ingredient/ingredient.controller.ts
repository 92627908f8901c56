import { Controller } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { ingredientDraftSchema, ingredientSchema, type IngredientDraft } from '@usual-pantry/core/ingredient';
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
}
