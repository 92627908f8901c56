import { Controller } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { recipeDraftSchema, recipeSchema, type RecipeDraft } from '@usual-pantry/core/recipe';
import { recordController } from '../http/record-controller.js';
import type { RecipeRow } from './recipe.entity.js';
import { RecipeRecords } from './recipe.records.js';

@ApiTags('Recipes')
@Controller('api/recipes')
export class RecipeController extends recordController<RecipeDraft, RecipeRow>({
  noun: 'recipe',
  draft: recipeDraftSchema,
  stored: recipeSchema,
}) {
  constructor(override readonly records: RecipeRecords) {
    super(records);
  }
}
