import { Injectable } from '@nestjs/common';
import { type BatchDraft, takenFor, wentInto, wrongInBatch, wrongInBatchEdit } from '@usual-pantry/core/batch';
import { withoutTaken, withPutBack, type IngredientFiled, type StockPart } from '@usual-pantry/core/ingredient';
import { lackingFor } from '@usual-pantry/core/shopping';
import { addDays, sayDay, sayGrams } from '@usual-pantry/core/quantity';
import { groupBy, type WrongValue } from '@usual-pantry/core/record';
import { In, type EntityManager } from 'typeorm';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { wrongValues, type User } from '../refusal/refused.js';
import { IngredientRow } from '../ingredient/ingredient.entity.js';
import { knownIn } from '../storage/known.js';
import { Records, type Stored } from '../storage/records.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import type { BatchRow } from './batch.entity.js';
import { batchMapping } from './batch.mapping.js';

type Change<Ingredient> = (ingredient: Ingredient, parts: readonly StockPart[]) => Ingredient;

/** Changes what is on hand of every ingredient of a list; one that has been deleted since is passed over. */
async function changeStock(
  taken: BatchDraft['taken'],
  change: Change<IngredientRow>,
  manager: EntityManager,
): Promise<void> {
  const parts = groupBy(taken, ({ ingredientId }) => ingredientId);
  for (const row of await manager.findBy(IngredientRow, { id: In([...parts.keys()]) })) {
    const { id, version, onHandGrams, lots } = change(row, parts.get(row.id) ?? []);
    await manager.update(IngredientRow, id, { onHandGrams, lots, version: version + 1 });
  }
}

/** Where that came from which the pantry did not have. */
interface BroughtIn {
  /** Packs that were opened: they are on hand, and give for the batches. */
  readonly opened: readonly { readonly ingredientId: string; readonly grams: number }[];
  readonly elsewhere: readonly string[];
}

/** Batches that were made: each takes its ingredients from the pantry, and gives them back when it is taken back. */
@Injectable()
export class BatchRecords extends Records<BatchDraft, BatchRow> {
  readonly mapping = batchMapping;
  override readonly derived = ['taken'];

  constructor(
    work: UnitOfWork,
    private readonly books: BookService,
    private readonly clock: Clock,
  ) {
    super(work);
  }

  nameOf({ recipeId, on }: BatchDraft): string {
    return `${recipeId}, made on ${sayDay(on)}`;
  }

  async wrongIn(draft: BatchDraft, _id: string, _before: unknown, manager: EntityManager): Promise<WrongValue[]> {
    return [...wrongInBatch(draft, await knownIn(manager, ['recipe'])), ...wrongInBatchEdit(draft, this.clock.today())];
  }

  protected override async prepare(
    draft: BatchDraft,
    before: Stored<BatchDraft> | null,
    _id: string,
    manager: EntityManager,
  ): Promise<BatchDraft> {
    const { recipeId, size, on } = draft;
    // What went in is what went in, whatever is said of it later.
    if (before?.recipeId === recipeId && before.size === size && before.on === on)
      return { ...draft, taken: before.taken };
    if (before) await changeStock(before.taken, withPutBack, manager);
    const facts = (await this.books.stored()).recipes.get(recipeId);
    if (!facts) return { ...draft, taken: [] };
    const ids = wentInto(draft, facts).map(({ ingredientId }) => ingredientId);
    const rows: IngredientFiled[] = await manager.findBy(IngredientRow, { id: In(ids) });
    const taken = takenFor(draft, facts, new Map(rows.map((row) => [row.id, row])));
    await changeStock(taken, withoutTaken, manager);
    return { ...draft, taken };
  }

  protected override prepareAgain(...put: Parameters<BatchRecords['prepare']>): Promise<BatchDraft> {
    return this.prepare(...put);
  }

  protected override discard({ taken }: BatchDraft, manager: EntityManager): Promise<void> {
    return changeStock(taken, withPutBack, manager);
  }

  /**
   * Writes several batches down, all of them or none.
   * @param from where that came from which the pantry did not have
   * @throws Refused as {@link create} does, for the first that is wrong; 422 with every ingredient that was never on hand and not accounted for
   */
  createAll(drafts: readonly BatchDraft[], from: BroughtIn): Promise<Stored<BatchDraft>[]> {
    return this.work.write(
      async (manager) => {
        await this.bringIn(drafts, from, manager);
        const made: Stored<BatchDraft>[] = [];
        for (const draft of drafts) made.push(await this.create(draft));
        return made;
      },
      { part: this.part },
    );
  }

  /** Puts packs that were opened into the pantry, and asks for what is not accounted for. */
  private async bringIn(
    drafts: readonly BatchDraft[],
    { opened, elsewhere }: BroughtIn,
    manager: EntityManager,
  ): Promise<void> {
    const [first] = drafts;
    const rows = await manager.findBy(IngredientRow, { id: In(opened.map(({ ingredientId }) => ingredientId)) });
    for (const { id, version, onHandGrams, lots, keepsDays } of rows) {
      const grams = opened.reduce((sum, each) => sum + (each.ingredientId === id ? each.grams : 0), 0);
      const fresh = keepsDays === null || !first ? [] : [{ grams, useBy: addDays(first.on, keepsDays) }];
      const stock = { onHandGrams: onHandGrams + grams, lots: [...lots, ...fresh], version: version + 1 };
      await manager.update(IngredientRow, id, stock);
    }
    const { recipes } = await this.books.stored();
    const wrong: WrongValue[] = [];
    for (const [recipeId, made] of groupBy(drafts, (draft) => draft.recipeId)) {
      const facts = recipes.get(recipeId);
      if (!facts) continue;
      const ids = made.flatMap((draft) => wentInto(draft, facts).map(({ ingredientId }) => ingredientId));
      const there: IngredientFiled[] = await manager.findBy(IngredientRow, { id: In(ids) });
      for (const { ingredientId, name, grams } of lackingFor(made, facts, new Map(there.map((row) => [row.id, row]))))
        if (!elsewhere.includes(ingredientId))
          wrong.push({
            path: ['opened', ingredientId],
            message: `${name}: the pantry lacks ${sayGrams(grams)} of what went in. Say what was opened, or that it came from elsewhere.`,
          });
    }
    if (wrong.length > 0) throw wrongValues(wrong, 'Something of it was never on hand.');
  }

  usersOf(): Promise<User[]> {
    return Promise.resolve([]);
  }
}
