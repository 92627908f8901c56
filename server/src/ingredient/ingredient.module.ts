import { Module } from '@nestjs/common';
import { Parts } from '../book/parts.js';
import { Keepers } from '../storage/keeper.js';
import { IngredientController } from './ingredient.controller.js';
import { IngredientRow } from './ingredient.entity.js';
import { ingredientMapping, IngredientRecords } from './ingredient.records.js';

/** Ingredients, their packs, prices and lots. */
@Module({
  controllers: [IngredientController],
  providers: [IngredientRecords],
  exports: [IngredientRecords],
})
export class IngredientModule {
  static readonly entities = [IngredientRow];

  constructor(parts: Parts, keepers: Keepers, records: IngredientRecords) {
    parts.addRecords('ingredients', ingredientMapping);
    keepers.add(records);
  }
}
