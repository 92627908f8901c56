import { Injectable } from '@nestjs/common';
import {
  ingredientDraftSchema,
  nameTaken,
  ruledOut,
  withPriceHistory,
  wrongInIngredient,
  type IngredientDraft,
} from '@usual-pantry/core/ingredient';
import type { WrongValue } from '@usual-pantry/core/record';
import type { EntityManager } from 'typeorm';
import { Clock } from '../clock/clock.js';
import { wrongValues, type User } from '../refusal/refused.js';
import { starterIngredients } from '@usual-pantry/core/starter';
import { knownIn } from '../storage/known.js';
import { Records, type Mapping, type Stored } from '../storage/records.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { IngredientRow } from './ingredient.entity.js';

export const ingredientMapping: Mapping<IngredientDraft, IngredientRow> = {
  noun: 'ingredient',
  schema: ingredientDraftSchema,
  entity: IngredientRow,
  children: [],
  nameColumn: 'name',
  sortable: ['name', 'onHandGrams'],
  toRow: (draft) => draft,
  toDraft: ({ id: _id, version: _version, ...draft }) => draft,
};

const starters = new Map(starterIngredients().map((each) => [each.id, each]));

@Injectable()
export class IngredientRecords extends Records<IngredientDraft, IngredientRow> {
  readonly mapping = ingredientMapping;

  nameOf(draft: IngredientDraft): string {
    return draft.name;
  }

  constructor(
    work: UnitOfWork,
    private readonly clock: Clock,
  ) {
    super(work);
  }

  async wrongIn(
    draft: IngredientDraft,
    id: string,
    before: IngredientDraft | null,
    manager: EntityManager,
  ): Promise<WrongValue[]> {
    const others = await manager.find(IngredientRow, { select: { id: true, name: true } });
    const names = others.flatMap((each) => (each.id === id ? [] : [each.name]));
    return [
      ...nameTaken(draft.name, before?.name ?? null, names),
      ...wrongInIngredient(draft, await knownIn(manager, ['ingredient'], { noun: 'ingredient', id })),
    ];
  }

  /** Plain ingredients come into the pantry. A substitute that is not there cannot be named yet. @throws Refused 422 for one that nobody knows */
  takeStarters(ids: readonly string[]): Promise<Stored<IngredientDraft>[]> {
    return this.work.write(
      async (manager) => {
        const rows = await manager.find(IngredientRow, { select: { id: true } });
        const there = new Set(rows.map(({ id }) => id));
        const unknown = ids.filter((id) => !starters.has(id));
        if (unknown.length > 0)
          throw wrongValues(unknown.map((id) => ({ path: ['ids'], message: `there is no "${id}"` })));
        const taken: Stored<IngredientDraft>[] = [];
        for (const starter of ids.flatMap((each) => (there.has(each) ? [] : (starters.get(each) ?? [])))) {
          const { id, ...draft } = starter;
          const substitutes = draft.substitutes.filter(({ ingredientId }) => there.has(ingredientId));
          taken.push(await this.create({ ...draft, substitutes }, id));
          there.add(id);
        }
        return taken;
      },
      { part: this.part },
    );
  }

  protected override prepare(draft: IngredientDraft, before: IngredientDraft | null): IngredientDraft {
    return withPriceHistory(draft, before, this.clock.today());
  }

  usersOf(id: string, manager: EntityManager): Promise<User[]> {
    return manager.query(
      `SELECT DISTINCT 'recipe' AS noun, recipe.id, recipe.name FROM recipe
       JOIN recipe_line ON recipe_line.recipeId = recipe.id WHERE recipe_line.ingredientId = ?
       UNION
       SELECT 'recipe', recipe.id, recipe.name FROM recipe, json_each(recipe.variantSwaps) AS swap
         WHERE ? IN (swap.value ->> 'ingredientId', swap.value ->> 'withId')
       UNION
       SELECT 'ingredient', other.id, other.name FROM ingredient AS other, json_each(other.substitutes) AS substitute
         WHERE substitute.value ->> 'ingredientId' = ?
       UNION
       SELECT 'order', placed.id, placed.customerName FROM customer_order AS placed
         WHERE EXISTS (SELECT 1 FROM json_each(placed.exclusions) WHERE value = ?)
            OR EXISTS (SELECT 1 FROM order_line, json_each(order_line.without)
                       WHERE order_line.orderId = placed.id AND json_each.value = ?)
       ORDER BY 3`,
      [id, id, id, ruledOut('ingredient', id), ruledOut('ingredient', id)],
    );
  }
}
