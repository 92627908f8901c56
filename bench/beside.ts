import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openBook, type Book } from '@usual-pantry/core/book';
import type { OrderFiled } from '@usual-pantry/core/order';
import { buildProgramme, programmeInput, solveProgramme } from '@usual-pantry/core/programme';
import { readSeasonFile } from '@usual-pantry/core/season-file';
import { gapOf, solveWithHighs, type HighsRuntime, type LinearModel, type Solver } from '@usual-pantry/core/solver';
import loadHighs from 'highs';
import { largeSeason } from './large.js';
import { lpOf } from './lp.js';
import { madeUpSeason } from './season.js';

/** Prints what this program, CBC and GLPK find for the same models in the same time, on the same machine; asserts nothing. */
const highs = await (loadHighs as unknown as () => Promise<HighsRuntime>)();
const solver: Solver = (model, options) => Promise.resolve(solveWithHighs(highs, model, options));
const say = (text: string) => process.stdout.write(`${text}\n`);
const percent = (share: number) => (Number.isFinite(share) ? `${(share * 100).toFixed(1)} %` : 'no plan');

/** The objective that a solver of its own writes for an LP file; Infinity when it finds none. */
function outside(
  model: LinearModel,
  command: string,
  args: (lp: string, out: string) => string[],
  read: RegExp,
): number | null {
  const folder = mkdtempSync(join(tmpdir(), 'beside-'));
  try {
    const [lp, out] = [join(folder, 'model.lp'), join(folder, 'out.txt')];
    writeFileSync(lp, lpOf(model));
    execFileSync(command, args(lp, out), { stdio: ['ignore', 'pipe', 'ignore'] });
    const text = readFileSync(out, 'utf8');
    // What is no plan of whole batches is said in words beside a number that means nothing.
    const found = /no integer solution|UNDEFINED|nfeasible/.test(text) ? undefined : read.exec(text)?.[1];
    return found === undefined ? Infinity : Number(found) + model.offset;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
    return Infinity;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

async function beside(name: string, book: Book, orders: readonly OrderFiled[], today: string, seconds: number) {
  const { model } = buildProgramme(programmeInput({ book, orders, today }));
  const whole = model.columns.filter((column) => column.whole).length;
  say(
    `${name}: ${String(model.columns.length)} columns, ${String(whole)} whole, ${String(model.rows.length)} rows, ${String(seconds)} s each`,
  );
  const found = await solveProgramme({ book, orders, today }, solver, { gap: 0.01, work: seconds });
  const bound = found.bound;
  say(
    `  this program: ${found.objective.toFixed(0)}, bound ${bound.toFixed(0)}, gap ${percent(found.gap)}, ${found.work.toFixed(1)} s, its days ending in time`,
  );
  const rows: [string, number | null][] = [
    [
      'CBC',
      outside(
        model,
        'cbc',
        (lp, out) => [lp, 'sec', String(seconds), 'ratio', '0.01', 'solve', 'solu', out],
        /objective value\s+(-?[\d.eE+-]+)/,
      ),
    ],
    [
      'GLPK',
      outside(
        model,
        'glpsol',
        (lp, out) => ['--lp', lp, '--tmlim', String(seconds), '--mipgap', '0.01', '-o', out],
        /Objective:\s+cost = (-?[\d.eE+-]+) \(MINimum\)/,
      ),
    ],
  ];
  for (const [solverName, objective] of rows)
    say(
      objective === null
        ? `  ${solverName}: is not on this machine`
        : `  ${solverName}: ${Number.isFinite(objective) ? `${objective.toFixed(0)}, against the same bound ${percent(gapOf(objective, bound))}` : 'no plan'}`,
    );
  say(`  memory ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB`);
}

const { file } = readSeasonFile(JSON.parse(readFileSync('demo/season.json', 'utf8')));
if (!file) throw new Error('the demo cannot be read');
await beside('demo', openBook(file), file.orders, file.writtenFor, 20);
const large = largeSeason(file);
await beside('a large season as it is in life', openBook(large.data), large.orders, large.today, 40);
const random = madeUpSeason(300, 25, 3);
const kitchen = {
  ...random.data.kitchen,
  overtimeMinutes: 240,
  benchWeek: [0, 1, 2, 3, 4, 5, 6].map((weekday) => ({ weekday, hours: 12, begins: null })),
};
await beside('300 random orders', openBook({ ...random.data, kitchen }), random.orders, random.today, 60);
