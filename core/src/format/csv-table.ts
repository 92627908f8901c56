import Papa from 'papaparse';

/** A file as rows of text, with the names of its columns. */
export interface CsvTable {
  readonly columns: readonly string[];
  readonly rows: readonly Readonly<Record<string, string>>[];
  /** Why a row cannot be trusted, by its place in `rows`. */
  readonly faults: ReadonlyMap<number, string>;
  /** Why nothing of the file can be read, in words; null when it can. */
  readonly trouble: string | null;
}

/** More than these nobody's file has. */
const MOST_ROWS = 20_000;
const MOST_COLUMNS = 100;
const MOST_CELL = 4_000;
/** After so many quotes that are never closed, the rest of a file is one row. */
const MOST_BROKEN = 50;

/** The cells of one row, and why they cannot be trusted. */
interface ParsedRow {
  readonly cells: readonly string[];
  readonly fault: string | null;
}

const UNCLOSED = 'a quote is opened and never closed';

/** Rows up to the first whose quotes never close, and where that begins; null where all of them do. */
function rowsBefore(text: string): {
  readonly rows: ParsedRow[];
  readonly broken: number | null;
  readonly delimiter: string;
} {
  const rows: ParsedRow[] = [];
  let [start, delimiter] = [0, ','];
  let broken: number | null = null;
  Papa.parse<string[]>(text, {
    skipEmptyLines: 'greedy',
    step: ({ data: cells, errors, meta }, parser) => {
      delimiter = meta.delimiter;
      if (errors.some(({ code }) => code === 'MissingQuotes')) {
        broken = start;
        parser.abort();
        return;
      }
      const isOdd = errors.some(({ code }) => code === 'InvalidQuotes');
      rows.push({ cells, fault: isOdd ? 'a quote stands in the middle of a cell' : null });
      start = meta.cursor;
    },
  });
  return { rows, broken, delimiter };
}

/** The rows of a text. A quote that is never closed spoils its own line only: what comes after that is read all the same. */
function parseRows(text: string): ParsedRow[] {
  const all: ParsedRow[] = [];
  let rest = text;
  for (let times = 1; ; times++) {
    const { rows, broken, delimiter } = rowsBefore(rest);
    all.push(...rows);
    if (broken === null) return all;
    rest = rest.slice(broken).replace(/^[\r\n]+/, '');
    const end = times < MOST_BROKEN ? rest.search(/\r?\n|\r/) : -1;
    const line = end < 0 ? rest : rest.slice(0, end);
    // Parted where its cells seem to end: enough to know which order it belongs to.
    all.push({ cells: line.slice(0, MOST_CELL).split(delimiter), fault: UNCLOSED });
    if (end < 0) return all;
    rest = rest.slice(end);
  }
}

const unreadable = (trouble: string): CsvTable => ({ columns: [], rows: [], faults: new Map(), trouble });

/** Why a row cannot be trusted whatever it says: what stands there may have been meant for another column. */
function faultOf({ cells, fault }: ParsedRow, columns: readonly string[]): string | null {
  if (fault !== null) return fault;
  if (cells.length > columns.length && cells.slice(columns.length).some((cell) => cell.trim() !== ''))
    return `it has ${String(cells.length)} cells for ${String(columns.length)} columns: put a cell with a comma in quotes`;
  return cells.some((cell) => cell.length > MOST_CELL) ? `a cell has more than ${String(MOST_CELL)} characters` : null;
}

/**
 * Reads a CSV file: comma, semicolon, tab or bar, quoted or not, any line ends. The first row names the columns.
 * Columns without a name are called by their place; a name that is there twice gets its place behind it.
 */
export function readCsv(text: string): CsvTable {
  const [head, ...body] = parseRows(text.replace(/^\uFEFF/, ''));
  if (!head) return { columns: [], rows: [], faults: new Map(), trouble: null };
  if (head.fault !== null) return unreadable(`The first row, which names the columns, cannot be read: ${head.fault}.`);
  if (head.cells.length > MOST_COLUMNS)
    return unreadable(`The file has ${String(head.cells.length)} columns; ${String(MOST_COLUMNS)} can be read.`);
  if (body.length > MOST_ROWS)
    return unreadable(`The file has ${String(body.length)} rows; ${String(MOST_ROWS)} can be read at once. Split it.`);
  const names = head.cells.map((name) => name.trim());
  const columns = names.map((name, at) =>
    name !== '' && names.indexOf(name) === at ? name : name === '' ? `column ${at + 1}` : `${name} ${at + 1}`,
  );
  return {
    columns,
    rows: body.map(({ cells }) => {
      // What is too much stays in the last column, so that it comes back with the row.
      const last = columns.length - 1;
      const kept = cells.length > columns.length ? [...cells.slice(0, last), cells.slice(last).join(',')] : cells;
      return Object.fromEntries(columns.map((column, at) => [column, kept[at] ?? '']));
    }),
    faults: new Map(
      body.flatMap((row, at) => {
        const fault = faultOf(row, columns);
        return fault === null ? [] : [[at, fault] as const];
      }),
    ),
    trouble: null,
  };
}

/** What stands in a column of a row; empty where there is no such column, whatever it is called. */
export const cellOf = (cells: Readonly<Record<string, string>>, column: string | undefined): string =>
  column !== undefined && Object.hasOwn(cells, column) ? (cells[column] ?? '') : '';
