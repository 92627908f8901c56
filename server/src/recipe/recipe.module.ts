import { Module } from '@nestjs/common';
import { Parts } from '../book/parts.js';
import { Keepers } from '../storage/keeper.js';
import { RecipeFiguresController, LINE_READER } from './recipe-figures.controller.js';
import { RecipeController } from './recipe.controller.js';
import { RecipeRow, RecipeLineRow, RecipeVersionRow } from './recipe.entity.js';
import { recipeMapping, RecipeRecords } from './recipe.records.js';
import { threadOf } from '../thread/thread.js';

/** Recipes and their earlier versions. */
@Module({
  controllers: [RecipeFiguresController, RecipeController],
  providers: [RecipeRecords, { provide: LINE_READER, useFactory: () => threadOf('line-reader') }],
  exports: [RecipeRecords],
})
export class RecipeModule {
  static readonly entities = [RecipeRow, RecipeLineRow, RecipeVersionRow];

  constructor(parts: Parts, keepers: Keepers, records: RecipeRecords) {
    parts.addRecords('recipes', recipeMapping);
    // Earlier versions stay beside what a file brings.
    parts.addToFile('recipeVersions', {
      write: (manager) => manager.find(RecipeVersionRow, { order: { recipeId: 'ASC', version: 'ASC' } }),
      store: async ({ manager }, versions) => {
        for (const version of versions) await manager.insert(RecipeVersionRow, version);
      },
    });
    keepers.add(records);
  }
}
