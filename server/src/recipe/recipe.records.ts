import { Injectable } from '@nestjs/common';
import type { WrongValue } from '@usual-pantry/core/record';
import { wrongCycle, wrongInRecipe, type RecipeDraft } from '@usual-pantry/core/recipe';
import type { EntityManager } from 'typeorm';
import type { User } from '../http/errors.js';
import { knownIn } from '../storage/known.js';
import { loadAll, Records, type Mapping } from '../storage/records.js';
import { RecipeLineRow, RecipeRow } from './recipe.entity.js';

export const recipeMapping: Mapping<RecipeDraft, RecipeRow> = {
  noun: 'recipe',
  entity: RecipeRow,
  children: [
    {
      entity: RecipeLineRow,
      key: 'recipeId',
      relation: 'lines',
      rowsOf: ({ lines }) =>
        lines.map(({ uses, ...line }, position) => ({
          ...line,
          position,
          ingredientId: uses.kind === 'ingredient' ? uses.id : null,
          componentId: uses.kind === 'recipe' ? uses.id : null,
        })),
    },
  ],
  nameColumn: 'name',
  sortable: ['name', 'keepsDays', 'handsMinutes'],
  toRow: ({ lines: _lines, ...row }) => row,
  toDraft: ({ id: _id, version: _version, lines, ...draft }) => ({
    ...draft,
    lines: lines.map(({ ingredientId, componentId, amount, unit, state, note }) => ({
      uses:
        ingredientId === null
          ? { kind: 'recipe' as const, id: componentId ?? '' }
          : { kind: 'ingredient' as const, id: ingredientId },
      amount,
      unit,
      state,
      note,
    })),
  }),
};

@Injectable()
export class RecipeRecords extends Records<RecipeDraft, RecipeRow> {
  readonly mapping = recipeMapping;

  nameOf(draft: RecipeDraft): string {
    return draft.name;
  }

  async wrongIn(draft: RecipeDraft, id: string, _before: unknown, manager: EntityManager): Promise<WrongValue[]> {
    const wrong = wrongInRecipe(draft, await knownIn(manager, id));
    if (wrong.length > 0) return wrong;
    const others = (await loadAll(manager, recipeMapping)).filter((each) => each.id !== id);
    const cycle = wrongCycle([{ ...draft, id }, ...others]);
    return cycle ? [cycle.wrong] : [];
  }

  usersOf(id: string, manager: EntityManager): Promise<User[]> {
    return manager.query(
      `SELECT DISTINCT 'recipe' AS noun, recipe.id, recipe.name FROM recipe
         JOIN recipe_line ON recipe_line.recipeId = recipe.id WHERE recipe_line.componentId = ?
       UNION ALL
       SELECT 'piece', id, name FROM piece WHERE ? IN (bodyRecipeId, finishRecipeId, coatingRecipeId)
       ORDER BY 3`,
      [id, id],
    );
  }
}
