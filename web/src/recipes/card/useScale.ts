import type { KitchenDraft } from '@usual-pantry/core/kitchen';
import { batchesForPieces, bodyForm, bodyRecipeId, piecesPerBatch, type PieceFacts } from '@usual-pantry/core/piece';
import { adviceFor, multipleFor, type BatchCount, type RecipeFacts } from '@usual-pantry/core/recipe';
import { useMemo, useState } from 'react';
import type { SeasonBook } from '../../data/useSeason';

/** What the batch is wanted for. */
export type Wanted =
  | { readonly by: 'multiple' | 'mass' | 'pieces'; readonly value: number }
  | { readonly by: 'pan'; readonly pan: number }
  | { readonly by: 'in hand'; readonly line: number; readonly value: number };

/** What it takes: whole batches of allowed sizes, and what the recipe says to it. */
export interface Scaled {
  /** What was wanted, in base batches. */
  readonly multiple: number;
  readonly batches: readonly BatchCount[];
  readonly allowed: boolean;
  readonly advice: string;
}

/** The pieces whose count the batches of this recipe decide. */
export const piecesFrom = (season: SeasonBook, recipeId: string): PieceFacts[] =>
  [...season.book.pieces.values()].filter(({ piece }) => bodyRecipeId(piece.form) === recipeId);

function scaleTo(
  wanted: Wanted,
  facts: RecipeFacts,
  piece: PieceFacts | undefined,
  kitchen: KitchenDraft,
): Scaled | null {
  const form = piece && bodyForm(piece.piece.form);
  if (wanted.by === 'pieces') {
    const found = form && batchesForPieces(form, facts, wanted.value);
    return found ? { ...found, allowed: found.batches.length === 1 && found.batches[0]?.count === 1 } : null;
  }
  const multiple = (() => {
    switch (wanted.by) {
      case 'multiple':
        return multipleFor({ by: 'multiple', multiple: wanted.value }, facts);
      case 'mass':
        return multipleFor({ by: 'mass', grams: wanted.value }, facts);
      case 'in hand':
        return multipleFor({ by: 'in hand', line: wanted.line, grams: wanted.value }, facts);
      case 'pan': {
        const pan = kitchen.pans[wanted.pan];
        if (!pan || form?.kind !== 'cut') return null;
        const fromMm2 = form.panLengthMm * form.panWidthMm * form.pansPerBatch;
        return multipleFor({ by: 'area', fromMm2, toMm2: pan.lengthMm * pan.widthMm }, facts);
      }
    }
  })();
  return multiple === null ? null : { multiple, ...adviceFor(facts.recipe, multiple) };
}

/** The scaling of one recipe: what is wanted, and what follows. */
export function useScale(season: SeasonBook, facts: RecipeFacts) {
  const [wanted, setWanted] = useState<Wanted>({ by: 'multiple', value: 1 });
  const pieces = piecesFrom(season, facts.recipe.id);
  const piece = pieces[0];
  const scaled = useMemo(
    () => scaleTo(wanted, facts, piece, season.data.kitchen),
    [wanted, facts, piece, season.data.kitchen],
  );
  const form = piece && bodyForm(piece.piece.form);
  const perBatch = form ? piecesPerBatch(form, 1, facts.yieldGrams) : 0;
  return { wanted, setWanted, scaled, piece, perBatch };
}
