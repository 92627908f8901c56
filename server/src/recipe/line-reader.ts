import type { MeasureHabit } from '@usual-pantry/core/kitchen';
import { readIngredientLines, type PantryItem, type ReadLine } from '@usual-pantry/core/reading';
import { answerJobs } from '../thread/answer.js';

/** Pasted lines, and what they are read against. */
export interface LinesJob {
  readonly text: string;
  readonly pantry: readonly PantryItem[];
  readonly habit: MeasureHabit;
}

answerJobs<LinesJob, ReadLine[]>(({ text, pantry, habit }) => readIngredientLines(text, pantry, habit));
