import damerauLevenshtein from 'damerau-levenshtein';

/** How many letters may be wrong, missing, too many or swapped in a word of so many letters. */
const mistakesIn = (letters: number): number => (letters < 4 ? 0 : letters < 8 ? 1 : 2);

/**
 * The one known word that a word is, or that it is a misspelling of: one letter in words of four to seven letters, two in longer ones.
 * The first letter is never the wrong one, unless it is said that it may be.
 * @returns null when none is near, or when several are as near
 */
export function closest(word: string, known: readonly string[], anyFirst = false): string | null {
  const most = mistakesIn(word.length);
  let best: string | null = null;
  let least = most + 1;
  for (const each of known) {
    if (each === word) return each;
    if (each === best) continue;
    if (most === 0 || (!anyFirst && each[0] !== word[0]) || Math.abs(each.length - word.length) > most) continue;
    const { steps } = damerauLevenshtein(word, each);
    if (steps > mistakesIn(Math.min(word.length, each.length))) continue;
    if (steps < least) {
      least = steps;
      best = each;
    } else if (steps === least) best = null;
  }
  return best;
}
