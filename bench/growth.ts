import { readFileSync } from 'node:fs';
import { openBook } from '@usual-pantry/core/book';
import { planImport, readCsv, guessMapping, readRecipe, readRecipeJsonLd } from '@usual-pantry/core/format';
import { readQuickOrder, shelfOfBook, wishList } from '@usual-pantry/core/intake';
import { pantryItems, readIngredientLines, readSteps } from '@usual-pantry/core/reading';
import { seasonFileSchema } from '@usual-pantry/core/season-file';

/** How reading grows with what is read: pieces of text that are hard to read, over and over. Prints what takes longer than in proportion. */
const demo = seasonFileSchema.parse(JSON.parse(readFileSync('demo/season.json', 'utf8')));
const shelf = shelfOfBook(openBook(demo));
const pantry = pantryItems(demo.ingredients, demo.recipes);
const today = demo.writtenFor;

const readers: Readonly<Record<string, (text: string) => unknown>> = {
  'ingredient lines': (text) => readIngredientLines(text, pantry, 'US'),
  'whole recipe': (text) => readRecipe(text, pantry, demo.ingredients, 'US'),
  steps: readSteps,
  'JSON-LD': readRecipeJsonLd,
  'order in one line': (text) => readQuickOrder(text, shelf, today),
  exclusions: (text) => wishList(text, shelf),
  'CSV of orders': (text) => {
    const table = readCsv(text);
    const settings = {
      mapping: guessMapping(table.columns),
      shelf,
      today,
      dayOrder: 'unknown',
      currency: 'USD',
    } as const;
    return planImport(table, [], settings);
  },
};
const hard = [
  ' ',
  '\u00a0',
  '½',
  '(',
  ')',
  ',',
  '1 ',
  'a ',
  '0',
  '-',
  'no ',
  'and ',
  '<',
  '"',
  'until ',
  '1 cup sugar ',
  '.',
  '; ',
  '\t',
];
const harder = [
  '½ ',
  'to ',
  'each ',
  '1/',
  '&#',
  '°C ',
  '120 ',
  'C',
  '[',
  '{"a":',
  '\\',
  "'",
  'é',
  'step 1. ',
  '1-',
  '~',
  'a@',
  '(a) ',
];

const SHORT = 2_000;
const TIMES = 3;
const timed = (read: (text: string) => unknown, text: string): number => {
  const times = Array.from({ length: TIMES }, () => {
    const since = performance.now();
    read(text);
    return performance.now() - since;
  });
  return Math.min(...times);
};

for (const [name, read] of Object.entries(readers)) {
  const rows = [...hard, ...harder].map((unit) => {
    const text = (length: number) => `${unit.repeat(Math.ceil(length / unit.length))}!`;
    return { unit, short: timed(read, text(SHORT)), long: timed(read, text(SHORT * 2)) };
  });
  const worst = rows.reduce((a, b) => (b.long > a.long ? b : a));
  const steep = rows.filter(({ short, long }) => long > 20 && long > short * 3);
  process.stdout.write(
    `${name}: ${String(SHORT * 2)} characters read in ${worst.long.toFixed(0)} ms at worst (${JSON.stringify(worst.unit)}); ` +
      `twice as much takes more than three times as long for ${
        steep.length === 0 ? 'none' : steep.map(({ unit }) => JSON.stringify(unit)).join(' ')
      } of ${String(rows.length)}\n`,
  );
}
