import { wishesIn, wishList, type Shelf } from '../intake/index.js';
import { cellOf, type CsvTable } from './csv-table.js';

/** How the column is called in which this program writes why it refused a row. */
export const WHY_REFUSED = 'why it was refused';

/** What a column that holds no field of an order is taken for: read as exclusions, or passed over because the maker says so. */
export const besideUses = ['exclusions', 'nothing'] as const;
export type BesideUse = (typeof besideUses)[number];

/** A column of a file of orders that holds no field of an order. */
export interface UnusedColumn {
  readonly column: string;
  /** How many of its cells hold something. */
  readonly filled: number;
  /** What one of them says: one that reads as an exclusion, where there is one. */
  readonly sample: string;
  /** Whether it may say what somebody must not eat: then the maker says what it is before anything is taken. */
  readonly mayRuleOut: boolean;
  /** What the maker has said that it is; null while nothing was said. */
  readonly use: BesideUse | null;
}

/** How a column of allergies, diets or exclusions is headed. */
const HEADED =
  /allerg|intoler|sensitiv|diet|avoid|exclu|without|free from|must not|can(?:not|['’]?t) (?:eat|have)|not eat/i;

/** Words of allergies, diets and exclusions, as a cell is written. */
const RULES_OUT =
  /allerg|anaphyla|\bepi-?p|epinephrine|adrenalin|intoler|sensitiv|diet|avoid|exclu|without|free\b|-free|must not|cannot|can['’]?t|does ?n['’]?t|do not|don['’]?t|\bnot?\b|\bnone of\b|\bskip\b|leave out|hold the|\bexcept\b|\bsans\b|\bw\/o\b|vegan|veget|halal|kosher|pareve|coeliac|celiac|diabet|keto|lactose|dairy|gluten|\bnuts?\b/i;

/** An answer to a question that only the head of its column tells. */
const YES_OR_NO = /^(?:no|n|none|not|yes|y|n\/a|-+)\.?$/i;

/** So many different cells of a column are read word by word; all of them are looked through for the words of diets. */
const MOST_READ = 2000;

/** Tells whether a text reads as something that is ruled out, in whatever words. */
function rulesOut(text: string, shelf: Shelf): boolean {
  if (YES_OR_NO.test(text)) return false;
  if (RULES_OUT.test(text)) return true;
  const { codes, unknown } = wishesIn(text, shelf);
  return codes.length > 0 || unknown.length > 0 || wishList(text, shelf).codes.length > 0;
}

/**
 * Finds the columns of a file of orders that hold something and are not used. No exclusion is lost with a column: one that may hold exclusions is
 * asked about.
 * @param used the columns that hold fields of an order
 * @param beside what the maker has said of other columns
 */
export function unusedColumns(
  { columns, rows }: Pick<CsvTable, 'columns' | 'rows'>,
  used: ReadonlySet<string>,
  beside: Readonly<Record<string, BesideUse>>,
  shelf: Shelf,
): UnusedColumn[] {
  return columns.flatMap((column): UnusedColumn[] => {
    if (used.has(column) || column === WHY_REFUSED) return [];
    const cells = rows.map((cells) => cellOf(cells, column).trim()).filter(Boolean);
    const [first] = cells;
    if (first === undefined) return [];
    const different = [...new Set(cells)];
    const telling =
      different.find((cell) => RULES_OUT.test(cell) && !YES_OR_NO.test(cell)) ??
      different.slice(0, MOST_READ).find((cell) => rulesOut(cell, shelf));
    const mayRuleOut = telling !== undefined || HEADED.test(column) || different.length > MOST_READ;
    const use = beside[column] ?? null;
    return [{ column, filled: cells.length, sample: telling ?? first, mayRuleOut, use }];
  });
}
