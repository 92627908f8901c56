import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { conventionsSchema, writeAs, type Conventions } from '@usual-pantry/core/quantity';
import { keptAs } from '../parts/kitchenAt';

const KEPT = keptAs('usual-pantry writing');

/** How the kitchen wrote when this browser last heard of it, so that the first screen need not be written twice. */
function remembered(): Conventions | null {
  try {
    return conventionsSchema.nullable().parse(JSON.parse(localStorage.getItem(KEPT) ?? 'null'));
  } catch {
    return null;
  }
}

/** The same for the same way of writing. */
const keyOf = (conventions: Conventions): string =>
  JSON.stringify(Object.entries(conventions).sort(([a], [b]) => (a < b ? -1 : 1)));

const slice = createSlice({
  name: 'writing',
  /** Names the way in which everything is written, so that what is on the screen can be written anew; null until it is known. */
  initialState: (): string | null => {
    const before = remembered();
    if (before) writeAs(before);
    return before && keyOf(before);
  },
  reducers: { writtenAs: (_state, { payload }: PayloadAction<string>) => payload },
});

export const writingReducer = slice.reducer;

/** Writes everything as the kitchen does from now on. */
export function follow(conventions: Conventions): ReturnType<typeof slice.actions.writtenAs> {
  writeAs(conventions);
  try {
    localStorage.setItem(KEPT, JSON.stringify(conventions));
  } catch {
    // Without room to keep it, it is heard again with the next visit.
  }
  return slice.actions.writtenAs(keyOf(conventions));
}
