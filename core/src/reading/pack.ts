import type { MeasureHabit } from '../kitchen/index.js';
import { readMeasure, type Amount } from './measure.js';

/**
 * Reads what a pack holds, with its unit: `2 lb`, `1 1/2 kg`, `500ml`.
 * @returns null where it is no amount of one unit and nothing else, or could be meant in several ways
 */
export function readHolds(text: string, habit: MeasureHabit): Amount | null {
  const { amount, upTo, unit, others, plus, pack, either, sheets, rest, questions } = readMeasure(text, habit);
  const isPlain =
    upTo === null && others.length + plus.length + either.length + questions.length === 0 && pack === null && !sheets;
  return isPlain && amount !== null && unit !== null && rest.trim() === '' ? { amount, unit } : null;
}
