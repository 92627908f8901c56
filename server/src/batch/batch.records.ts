import { Injectable } from '@nestjs/common';
import { takenFor, wrongInBatch, wrongInBatchEdit, type BatchDraft } from '@usual-pantry/core/batch';
import { withoutTaken, withPutBack, type IngredientFiled, type StockPart } from '@usual-pantry/core/ingredient';
import { sayDay } from '@usual-pantry/core/quantity';
import { groupBy, type WrongValue } from '@usual-pantry/core/record';
import { In, type EntityManager } from 'typeorm';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import type { User } from '../http/errors.js';
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

/** Batches that were made: each takes its ingredients from the pantry, and gives them back when it is taken back. */
@Injectable()
export class BatchRecords extends Records<BatchDraft, BatchRow> {
  readonly mapping = batchMapping;

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
    return [...wrongInBatch(draft, await knownIn(manager)), ...wrongInBatchEdit(draft, this.clock.today())];
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
    const ids = facts.recipe.lines.flatMap(({ uses }) => (uses.kind === 'ingredient' ? [uses.id] : []));
    const rows: IngredientFiled[] = await manager.findBy(IngredientRow, { id: In(ids) });
    const taken = takenFor(draft, facts, new Map(rows.map((row) => [row.id, row])));
    await changeStock(taken, withoutTaken, manager);
    return { ...draft, taken };
  }

  protected override discard({ taken }: BatchDraft, manager: EntityManager): Promise<void> {
    return changeStock(taken, withPutBack, manager);
  }

  /** Writes several batches down, all of them or none. @throws Refused as {@link create} does, for the first that is wrong */
  createAll(drafts: readonly BatchDraft[]): Promise<Stored<BatchDraft>[]> {
    return this.work.write(async () => {
      const made: Stored<BatchDraft>[] = [];
      for (const draft of drafts) made.push(await this.create(draft));
      return made;
    }, this.part);
  }

  usersOf(): Promise<User[]> {
    return Promise.resolve([]);
  }
}
