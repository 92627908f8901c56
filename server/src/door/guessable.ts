import { withoutPhrases } from './phrases.js';

/** What is said of one that is. */
export const GUESSABLE = 'is too easy to guess: use some words that do not belong together';

/** From this score on, of 0 to 4, guessing takes more than ten thousand million tries. */
const LEAST_SCORE = 3;

type Judge = (text: string) => number;
let judge: Promise<Judge> | null = null;

/** The lists of passphrases that have leaked and of common words are large: they are read when the first one is set. */
async function loadJudge(): Promise<Judge> {
  const [{ ZxcvbnFactory }, common, english] = await Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
    import('@zxcvbn-ts/language-en'),
  ]);
  const checker = new ZxcvbnFactory({
    dictionary: { ...common.dictionary, ...english.dictionary },
    graphs: common.adjacencyGraphs,
  });
  return (text) => checker.check(text).score;
}

/** Whether a passphrase is easily guessed: one that has leaked, a saying that everybody knows, rows of keys, repeated words, dates. */
export async function isGuessable(text: string): Promise<boolean> {
  judge ??= loadJudge();
  return (await judge)(withoutPhrases(text)) < LEAST_SCORE;
}
