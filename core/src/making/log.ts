import { usableGrams, type BatchDraft, type BatchLog } from '../batch/index.js';
import type { RecipeFacts } from '../recipe/index.js';
import type { Making, MakingEnd, MakingEvent } from './schema.js';
import { isBelieved, traceOf, type MakingState } from './state.js';
import type { WeighOut } from './weigh-out.js';

/** Of what the recipe says, what something else went in for, as shares of each ingredient's lines together. */
function swapsOf(
  { recipe, lineGrams }: Pick<RecipeFacts, 'recipe' | 'lineGrams'>,
  { swapped }: Pick<MakingState, 'swapped'>,
): BatchLog['swaps'] {
  const allOf = (ingredientId: string) =>
    recipe.lines.reduce((sum, { uses }, line) => (uses.id === ingredientId ? sum + (lineGrams[line] ?? 0) : sum), 0);
  return [...swapped].flatMap(([line, { withId, ratio }]) => {
    const uses = recipe.lines[line]?.uses;
    const grams = lineGrams[line] ?? 0;
    if (uses?.kind !== 'ingredient' || grams <= 0) return [];
    return [{ ingredientId: uses.id, withId, ratio, share: Math.min(1, grams / allOf(uses.id)) }];
  });
}

/** The last good temperature of the last step that was cooked, and how long that took. */
function cookOf(recipe: RecipeFacts['recipe'], events: readonly MakingEvent[]) {
  const step = recipe.steps.findLastIndex(({ target }) => target?.boils === true);
  const good = traceOf(events, step + 1).filter(isBelieved);
  const first = good.at(0);
  const last = good.at(-1);
  return {
    finalCelsius: last?.celsius ?? null,
    cookSeconds: first && last && last.at > first.at ? (last.at - first.at) / 1000 : null,
  };
}

/**
 * The batch as it is written down when it is at its end: what went in by the scale, where it was weighed, else what should have gone in.
 * What was rejected does not count as made.
 * @param at when it ended
 */
export function draftOfMaking(
  making: Making,
  facts: Pick<RecipeFacts, 'recipe' | 'lineGrams'>,
  events: readonly MakingEvent[],
  state: MakingState,
  sheet: WeighOut,
  end: MakingEnd,
  at: string,
): BatchDraft {
  const noted = state.notes.flatMap(({ note, text }) => [note, text].filter(Boolean).join(': '));
  return {
    recipeId: making.recipeId,
    on: making.on,
    size: making.size * state.factor,
    state: end.state,
    grams: end.state === 'failed' ? null : usableGrams(end.grams, end.pieces, end.rejects),
    finishedOn: null,
    stageDays: [],
    taken: [],
    notes: [end.notes, ...noted].filter((text) => text !== '').join('\n').slice(0, 4000), // prettier-ignore
    log: {
      makingId: making.id,
      startedAt: making.startedAt,
      endedAt: at,
      weights: sheet.lines.flatMap(({ ingredientId, weighed, exact }) => {
        const grams = weighed?.grams ?? exact;
        return ingredientId === null || grams <= 0 ? [] : [{ ingredientId, grams, useBy: weighed?.useBy ?? null }];
      }),
      swaps: swapsOf(facts, state),
      pieces: end.pieces,
      rejects: end.rejects,
      grade: end.grade,
      ...cookOf(facts.recipe, events),
      roomCelsius: state.room?.celsius ?? null,
      humidity: state.room?.humidity ?? null,
    },
  };
}
