import { Injectable } from '@nestjs/common';
import type { WrongValue } from '@usual-pantry/core/record';
import { recipeDraftSchema, wrongCycle, wrongInRecipe, type RecipeDraft } from '@usual-pantry/core/recipe';
import type { EntityManager } from 'typeorm';
import { Clock } from '../clock/clock.js';
import type { User } from '../refusal/refused.js';
import { knownIn } from '../storage/known.js';
import { loadAll, Records, type Mapping, type Stored } from '../storage/records.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { RecipeLineRow, RecipeRow, RecipeVersionRow } from './recipe.entity.js';

export const recipeMapping: Mapping<RecipeDraft, RecipeRow> = {
  noun: 'recipe',
  schema: recipeDraftSchema,
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
  toRow: ({ lines: _lines, variantOf, ...row }) => ({
    ...row,
    variantOfId: variantOf?.recipeId ?? null,
    variantSwaps: variantOf?.swaps ?? null,
  }),
  toDraft: ({ id: _id, version: _version, lines, variantOfId, variantSwaps, ...draft }) => ({
    ...draft,
    variantOf: variantOfId === null ? null : { recipeId: variantOfId, swaps: variantSwaps ?? [] },
    lines: lines.map(({ ingredientId, componentId, amount, unit, state, note, afterCook, atStep, alcohol }) => ({
      uses:
        ingredientId === null
          ? { kind: 'recipe' as const, id: componentId ?? '' }
          : { kind: 'ingredient' as const, id: ingredientId },
      amount,
      unit,
      state,
      note,
      afterCook,
      atStep,
      alcohol,
    })),
  }),
};

/** A recipe as it was, and the day on which an edit replaced it. */
export interface RecipeVersion {
  readonly version: number;
  readonly replacedOn: string;
  readonly draft: RecipeDraft;
}

@Injectable()
export class RecipeRecords extends Records<RecipeDraft, RecipeRow> {
  readonly mapping = recipeMapping;

  constructor(
    work: UnitOfWork,
    private readonly clock: Clock,
  ) {
    super(work);
  }

  nameOf(draft: RecipeDraft): string {
    return draft.name;
  }

  async wrongIn(draft: RecipeDraft, id: string, _before: unknown, manager: EntityManager): Promise<WrongValue[]> {
    const wrong = wrongInRecipe(draft, await knownIn(manager, ['ingredient', 'recipe'], { noun: 'recipe', id }));
    if (wrong.length > 0) return wrong;
    const others = (await loadAll(manager, recipeMapping)).filter((each) => each.id !== id);
    const cycle = wrongCycle([{ ...draft, id }, ...others]);
    return cycle ? [cycle.wrong] : [];
  }

  protected override async supersede(
    { id, version, ...draft }: Stored<RecipeDraft>,
    manager: EntityManager,
  ): Promise<void> {
    await manager.insert(RecipeVersionRow, { recipeId: id, version, replacedOn: this.clock.today(), draft });
  }

  /** Earlier versions, the newest first; settings that came later take their defaults. */
  versions(id: string): Promise<RecipeVersion[]> {
    return this.work.read(async (manager) => {
      const rows = await manager.find(RecipeVersionRow, { where: { recipeId: id }, order: { version: 'DESC' } });
      return rows.map(({ version, replacedOn, draft }) => ({
        version,
        replacedOn,
        draft: recipeDraftSchema.parse(draft),
      }));
    });
  }

  usersOf(id: string, manager: EntityManager): Promise<User[]> {
    return manager.query(
      `SELECT DISTINCT 'recipe' AS noun, recipe.id, recipe.name FROM recipe
         JOIN recipe_line ON recipe_line.recipeId = recipe.id WHERE recipe_line.componentId = ?
       UNION
       SELECT 'recipe', id, name FROM recipe WHERE variantOfId = ?
       UNION
       SELECT 'piece', piece.id, piece.name FROM piece LEFT JOIN piece_layer ON piece_layer.pieceId = piece.id
         WHERE ? IN (bodyRecipeId, finishRecipeId, coatingRecipeId, piece_layer.recipeId)
       UNION
       SELECT DISTINCT 'batch', '', 'batches that were made' FROM batch WHERE recipeId = ?
       ORDER BY 3`,
      [id, id, id, id],
    );
  }
}
