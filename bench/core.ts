import { readFileSync } from 'node:fs';
import { allergenCells, mixingWarnings, workOutBox } from '@usual-pantry/core/box';
import { openBook } from '@usual-pantry/core/book';
import { guessMapping, planImport, readCsv } from '@usual-pantry/core/format';
import { shelfOfBook } from '@usual-pantry/core/intake';
import { costBasis, costOfBox, costOfBoxes } from '@usual-pantry/core/money';
import { planSeason } from '@usual-pantry/core/plan';
import { pantryItems, readIngredientLines } from '@usual-pantry/core/reading';
import { recipeFiledSchema } from '@usual-pantry/core/recipe';
import { seasonFileSchema } from '@usual-pantry/core/season-file';
import { Bench } from 'tinybench';
import { madeUpSeason } from './season.js';

/** Prints figures of the core; asserts nothing. */
const large = madeUpSeason(1000, 25, 3);
const demo = seasonFileSchema.parse(JSON.parse(readFileSync('demo/season.json', 'utf8')));
const bench = new Bench({ time: 2000, warmupTime: 500 });

const work = (data: Parameters<typeof openBook>[0], orders: Parameters<typeof planSeason>[1], today: string) => () => {
  const book = openBook(data);
  planSeason(book, orders, today);
  costOfBoxes(book);
};
bench.add(
  'explode + batch + shop + cost, 1,000 orders x 25 recipes x 3 levels',
  work(large.data, large.orders, large.today),
);
bench.add('the same for the demo', work(demo, demo.orders, demo.writtenFor));

// A recipe that 20 others use: changed, and everything that rests on it worked out anew.
const base = recipeFiledSchema.parse({ ...large.data.recipes[0], id: 'base', name: 'Base' });
const users = Array.from({ length: 20 }, (_, index) =>
  recipeFiledSchema.parse({
    ...base,
    id: `user-${index}`,
    name: `User ${index}`,
    lines: [{ uses: { kind: 'recipe', id: 'base' }, amount: 400, unit: 'g' }, ...base.lines],
  }),
);
let change = 0;
bench.add('an edit of a recipe that 20 others use, all of them worked out anew', () => {
  const edited = { ...base, lines: base.lines.map((line) => ({ ...line, amount: line.amount + (change++ % 7) })) };
  openBook({ ...large.data, recipes: [edited, ...users], pieces: [], boxes: [] });
});

const pasted = [
  '1 1/2 cups packed brown sugar',
  '2-3 tbsp heavy cream',
  'half a stick unsalted butter, softened',
  '1 can (354 mL) evaporated milk',
  '200 g / 7 oz pecan halves, chopped',
];
const lines = Array.from({ length: 200 }, (_, index) => pasted[index % pasted.length] ?? '').join('\n');
const pantry = pantryItems(demo.ingredients, demo.recipes);
bench.add('200 pasted ingredient lines read against the demo pantry', () => {
  readIngredientLines(lines, pantry, 'US');
});
const rows = Array.from(
  { length: 5000 },
  (_, at) => `R${at};Customer ${at};Table box;${(at % 4) + 1};${(at % 20) + 1} Dec 2026;stall;no nuts`,
);
const csv = ['Order no;Customer;Box;Count;Day;Way;Without', ...rows].join('\n');
const shelf = shelfOfBook(openBook(demo));
bench.add('a CSV of 5,000 rows read and looked at row by row', () => {
  const table = readCsv(csv);
  const mapping = guessMapping(table.columns);
  planImport(
    table,
    demo.orders.map((each) => ({ ...each, version: 1 })),
    {
      mapping,
      shelf,
      today: demo.writtenFor,
      dayOrder: 'unknown',
      currency: 'USD',
    },
  );
});
const book = openBook(demo);
const [box] = demo.boxes;
let turn = 0;
bench.add('all figures of a box after an edit of one cell', () => {
  if (!box) return;
  const cells = box.cells.map((cell, at) => (at === turn % box.cells.length ? null : cell));
  turn++;
  const facts = workOutBox({ ...box, cells }, book.pieces);
  costOfBox(facts, book, costBasis(book));
  allergenCells(cells, book.pieces);
  mixingWarnings(cells, book.pieces);
});
const decided = demo.plan ?? undefined;
bench.add('the demo season after an edit of an order, its days kept, before it is solved again', () => {
  turn++;
  const orders = demo.orders.map((each, at) =>
    at === turn % demo.orders.length ? { ...each, notes: String(turn) } : each,
  );
  planSeason(book, orders, demo.writtenFor, decided);
});
await bench.run();

for (const { name, result } of bench.tasks)
  if (result.state === 'completed')
    process.stdout.write(
      `${name}: median ${result.latency.p50.toFixed(1)} ms, 99 % within ${result.latency.p99.toFixed(1)} ms (${result.latency.samplesCount} runs)\n`,
    );
