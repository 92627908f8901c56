import type { ColumnMapping } from '@usual-pantry/core/format';
import type { DayOrder } from '@usual-pantry/core/intake';
import { keptAs } from '../parts/kitchenAt';

/** How a file with certain columns is read. */
interface KeptMapping {
  readonly mapping: ColumnMapping;
  readonly dayOrder: DayOrder;
}

const keyOf = (columns: readonly string[]): string => keptAs(`order-columns ${columns.join('|')}`);

/** How a file with these columns was read the last time in this browser; null when there was none. */
export function keptMapping(columns: readonly string[]): KeptMapping | null {
  try {
    return JSON.parse(localStorage.getItem(keyOf(columns)) ?? 'null') as KeptMapping | null;
  } catch {
    return null;
  }
}

/** Remembers how a file with these columns was read. */
export function keepMapping(columns: readonly string[], kept: KeptMapping): void {
  try {
    localStorage.setItem(keyOf(columns), JSON.stringify(kept));
  } catch {
    // A browser without room forgets it: the mapping is asked for again.
  }
}
