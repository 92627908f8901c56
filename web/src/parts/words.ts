import type { BatchCount } from '@usual-pantry/core/plan';
import { sayCount } from '@usual-pantry/core/quantity';

/** `3 batches`, `2 double batches + 1 half batch`. */
export function sayBatches(batches: readonly BatchCount[]): string {
  const sizes: Record<number, string> = { 0.25: 'quarter ', 0.5: 'half ', 1: '', 2: 'double ' };
  return (
    batches
      .map(({ size, count }) => {
        const word = sizes[size] ?? `${String(size)}-fold `;
        return sayCount(count, `${word}batch`, `${word}batches`);
      })
      .join(' + ') || 'none'
  );
}

/** `37 %`, or a dash where it cannot be said. */
export const sayPercent = (percent: number | null): string =>
  percent === null ? '–' : `${String(Math.round(percent))} %`;
