import type { FieldValues } from 'react-hook-form';
import { keptAs } from '../parts/kitchenAt';

/** Unsaved typing and the version of the record that it started from. */
interface Kept {
  readonly version: number;
  readonly values: FieldValues;
}

const PREFIX = keptAs('usual-pantry draft ');

/** Keeps unsaved typing in this tab, so that a reload does not lose it. A full store keeps nothing and says nothing. */
export function keepDraft(key: string, kept: Kept): void {
  try {
    sessionStorage.setItem(PREFIX + key, JSON.stringify(kept));
  } catch {
    // The page itself still holds what was typed.
  }
}

/** What was kept, or null. */
export function takeDraft(key: string): Kept | null {
  const text = sessionStorage.getItem(PREFIX + key);
  return text === null ? null : (JSON.parse(text) as Kept);
}

export const dropDraft = (key: string): void => {
  sessionStorage.removeItem(PREFIX + key);
};
