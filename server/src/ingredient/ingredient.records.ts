import { Injectable } from '@nestjs/common';
import type { IngredientDraft } from '@usual-pantry/core/ingredient';
import type { WrongValue } from '@usual-pantry/core/record';
import type { EntityManager } from 'typeorm';
import type { User } from '../http/errors.js';
import { Records, type Mapping } from '../storage/records.js';
import { IngredientRow } from './ingredient.entity.js';

export const ingredientMapping: Mapping<IngredientDraft, IngredientRow> = {
  noun: 'ingredient',
  entity: IngredientRow,
  children: [],
  nameColumn: 'name',
  sortable: ['name', 'onHandGrams'],
  toRow: (draft) => draft,
  toDraft: ({ id: _id, version: _version, ...draft }) => draft,
};

@Injectable()
export class IngredientRecords extends Records<IngredientDraft, IngredientRow> {
  readonly mapping = ingredientMapping;

  nameOf(draft: IngredientDraft): string {
    return draft.name;
  }

  wrongIn(): Promise<WrongValue[]> {
    return Promise.resolve([]);
  }

  usersOf(id: string, manager: EntityManager): Promise<User[]> {
    return manager.query(
      `SELECT DISTINCT 'recipe' AS noun, recipe.id, recipe.name FROM recipe
       JOIN recipe_line ON recipe_line.recipeId = recipe.id WHERE recipe_line.ingredientId = ? ORDER BY recipe.name`,
      [id],
    );
  }
}
