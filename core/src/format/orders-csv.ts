import { memoize } from 'es-toolkit/function';
import Papa from 'papaparse';
import { exclusionName, namedExclusion, type NamedThings } from '../ingredient/index.js';
import { lineKey, orderDraftSchema, orderStates, unsaidOf, type OrderDraft, type OrderFiled } from '../order/index.js';
import { sayDay, type Day } from '../quantity/index.js';
import { indexNames, matchName } from '../reading/index.js';
import { readDay, type DayOrder, idOfKey, type Shelf, readWay, wishesIn, wishList } from '../intake/index.js';
import { readDeposit, readPaid, sayPaid, sayPlain, withPaid } from './order-money.js';
import { cellOf, type CsvTable } from './csv-table.js';
import { WHY_REFUSED, type BesideUse, type UnusedColumn } from './unused-columns.js';

/** What a column of the file can hold. */
export const orderFields = [
  'reference',
  'customer',
  'contact',
  'box',
  'count',
  'day',
  'way',
  'place',
  'exclusions',
  'only this box',
  'deposit',
  'paid',
  'state',
  'notes',
] as const;
export type OrderField = (typeof orderFields)[number];

/** Which column holds which field, by the column's name. */
export type ColumnMapping = Readonly<Partial<Record<OrderField, string>>>;

const guesses: Readonly<Record<OrderField, RegExp>> = {
  reference: /^(?:ref|reference|order (?:no|number|id)|order|number|id)\b/i,
  customer: /customer|^name$|buyer|client|who/i,
  contact: /contact|phone|mail|tel/i,
  box: /box|item|product|assortment/i,
  count: /count|qty|quantity|how many|amount|number of/i,
  day: /day|date|when|hand/i,
  way: /way|how$|method|delivery/i,
  place: /place|where|address/i,
  'only this box': /only this box/i,
  exclusions: /exclu|without|allerg|diet|not contain|avoid|intoleran|must not/i,
  deposit: /deposit|advance/i,
  paid: /paid|payment/i,
  state: /state|status/i,
  notes: /note|remark|comment|message/i,
};

/** The mapping that the names of the columns suggest; for the maker to correct. */
export function guessMapping(columns: readonly string[]): ColumnMapping {
  const taken = new Set<string>();
  const mapping: Partial<Record<OrderField, string>> = {};
  for (const field of orderFields) {
    const found = columns.find((column) => !taken.has(column) && guesses[field].test(column.trim()));
    if (found === undefined) continue;
    taken.add(found);
    mapping[field] = found;
  }
  return mapping;
}

/** What happens with one row, and why. */
export interface RowReport {
  /** Of the file, the names of the columns being row 1. */
  readonly row: number;
  readonly fate: 'new' | 'changed' | 'same' | 'double' | 'refused';
  readonly customer: string;
  readonly what: string;
  readonly why: string;
}

/** An import worked out, before anything is stored. */
export interface ImportPlan {
  readonly report: readonly RowReport[];
  readonly create: readonly OrderFiled[];
  readonly update: readonly { readonly id: string; readonly version: number; readonly draft: OrderDraft }[];
}

/** An order that is stored. */
type StoredOrder = OrderFiled & { readonly version: number };

interface ReadRow {
  readonly row: number;
  readonly key: string;
  readonly reference: string;
  readonly line: OrderDraft['lines'][number];
  readonly draft: Omit<
    OrderDraft,
    'lines' | 'agreed' | 'leftOut' | 'standIns' | 'labelSchool' | 'history' | 'words' | 'payments'
  > & {
    /** What is paid beside the deposit. */
    readonly paid: number | 'all';
  };
}

/** Everything that an import rests on. */
export interface ImportSettings {
  readonly mapping: ColumnMapping;
  /** What the maker has said of columns that hold no field. */
  readonly beside?: Readonly<Record<string, BesideUse>> | undefined;
  readonly shelf: Shelf;
  readonly today: Day;
  readonly dayOrder: DayOrder;
  /** Of the deposits, such as `USD`. */
  readonly currency: string;
}

/** Readers of cells: what is written the same in many rows is read once. */
function cellReaders({ shelf, today, dayOrder }: ImportSettings) {
  const index = indexNames(shelf.boxes.map((box) => ({ ...box, kind: 'ingredient' as const })));
  return {
    boxOf: memoize((text: string) => matchName(text, index)),
    dayOf: memoize((text: string) => readDay(text, today, dayOrder)),
    wishes: memoize((text: string) => wishesIn(text, shelf)),
    wishList: memoize((text: string) => wishList(text, shelf)),
  };
}

/** One row, or what is wrong with it in words. */
function readRow(
  cells: Readonly<Record<string, string>>,
  row: number,
  settings: ImportSettings,
  { boxOf, dayOf, wishes, wishList: list }: ReturnType<typeof cellReaders>,
): ReadRow | string {
  const { mapping, today, currency, beside: others = {} } = settings;
  // An apostrophe before what looks like a formula was put there for a spreadsheet.
  const cell = (field: OrderField) =>
    cellOf(cells, mapping[field])
      .trim()
      .replace(/^'(?=[=+\-@])/, '');
  const problems: string[] = [];
  // Whatever rules something out is found, in whichever column it stands.
  const beside = (field: 'customer' | 'box') => {
    const written = cell(field);
    const isBox = field === 'box' && boxOf(written).certain;
    return isBox || written === '' ? { codes: [], unknown: [], rest: written } : wishes(written);
  };
  const [customer, box] = [beside('customer'), beside('box')];
  const noted = wishes(cell('notes'));
  const [listed, own] = [list(cell('exclusions')), list(cell('only this box'))];
  const more = Object.entries(others).flatMap(([column, use]) =>
    use === 'exclusions' ? [list(cellOf(cells, column).trim())] : [],
  );
  if (customer.rest === '') problems.push('no customer');
  const { found } = boxOf(box.rest);
  if (!found) problems.push(box.rest === '' ? 'no box' : `there is no one box “${cell('box')}”`);
  for (const words of [...listed.unknown, ...own.unknown, ...more.flatMap(({ unknown }) => unknown)])
    problems.push(`“${words}” is nothing that can be ruled out`);
  for (const words of [...customer.unknown, ...box.unknown])
    problems.push(`“${words}”: write what is ruled out in the column of exclusions`);
  const countText = cell('count') || '1';
  const count = /^\d{1,3}$/.test(countText) ? Number(countText) : NaN;
  if (!(count >= 1 && count <= 500)) problems.push(`“${countText}” is no number of boxes`);
  const dayText = cell('day');
  const { day, choices } = dayOf(dayText);
  if (day === null)
    problems.push(
      choices.length > 1
        ? `“${dayText}” may be ${choices.map(sayDay).join(' or ')}: say which number is the month`
        : choices.length === 1
          ? `“${dayText}” has passed this year: write the year`
          : dayText === ''
            ? 'no day'
            : `“${dayText}” is no day`,
    );
  else if (day < today) problems.push(`${sayDay(day)} has passed`);
  const wayText = cell('way');
  const way = wayText === '' ? 'pick-up' : readWay(wayText);
  if (way === null) problems.push(`“${wayText}” is neither pick-up, stall nor courier`);
  const deposit = readDeposit(cell('deposit'), currency);
  if (!(deposit >= 0)) problems.push(`“${cell('deposit')}” is no amount: write it as 12.50`);
  const stateText = cell('state').toLowerCase() || 'asked';
  const paid = stateText === 'paid' ? 'all' : readPaid(cell('paid'), currency);
  if (paid === null) problems.push(`“${cell('paid')}” is no amount: write it as 12.50, or yes for all of it`);
  const state = orderStates.find((each) => each === (stateText === 'paid' ? 'confirmed' : stateText));
  if (!state) problems.push(`“${stateText}” is no state of an order`);
  if (problems.length > 0 || !found || day === null || !way || !state || paid === null) return problems.join('; ');
  const reference = cell('reference');
  const exclusions = [
    ...new Set([...listed.codes, ...customer.codes, ...noted.codes, ...more.flatMap(({ codes }) => codes)]),
  ];
  const without = [...new Set([...box.codes, ...own.codes])].filter((code) => !exclusions.includes(code)).sort();
  return {
    row,
    reference,
    key: reference === '' ? `${customer.rest}|${day}|${way}`.toLowerCase() : reference.toLowerCase(),
    line: { boxId: found.id, count, edition: null, without },
    draft: {
      customer: { name: customer.rest, contact: cell('contact') },
      handOver: { on: day, way, place: cell('place') },
      exclusions,
      state,
      depositMinor: deposit,
      paid,
      notes: cell('notes'),
    },
  };
}

/** What rows of one order must agree on: the first that says something says it, and another that says something else is refused. */
function agreedDraft(group: readonly ReadRow[]): ReadRow['draft'] | string {
  const problems: string[] = [];
  const one = <T extends string | number>(name: string, of: (draft: ReadRow['draft']) => T, empty: T): T => {
    const said = [...new Set(group.map(({ draft }) => of(draft)).filter((value) => value !== empty))];
    if (said.length > 1) problems.push(`its rows have different ${name}`);
    return said[0] ?? empty;
  };
  const draft = {
    customer: {
      name: one('customers', ({ customer }) => customer.name, ''),
      contact: one('contacts', ({ customer }) => customer.contact, ''),
    },
    handOver: {
      on: one('days', ({ handOver }) => handOver.on, ''),
      way: one<OrderDraft['handOver']['way'] | ''>('ways', ({ handOver }) => handOver.way, '') || ('pick-up' as const),
      place: one('places', ({ handOver }) => handOver.place, ''),
    },
    // What one row rules out holds for the whole order: it is never lost with a row.
    exclusions: [...new Set(group.flatMap((row) => row.draft.exclusions))],
    state: one<OrderDraft['state'] | ''>('states', ({ state }) => state, '') || ('asked' as const),
    depositMinor: one('deposits', ({ depositMinor }) => depositMinor, 0),
    paid: one<number | 'all'>('payments', ({ paid }) => paid, 0),
    notes: [...new Set(group.map(({ draft: { notes } }) => notes).filter(Boolean))].join('; '),
  };
  return problems.length > 0 ? problems.join('; ') : draft;
}

/** The part of an order that a file can say, in one text, to be compared. */
const contentOf = ({
  customer,
  handOver,
  exclusions,
  state,
  depositMinor,
  payments,
  notes,
  lines,
}: OrderDraft): string =>
  JSON.stringify([
    customer,
    handOver,
    [...exclusions].sort(),
    state,
    depositMinor,
    payments,
    notes,
    lines.map((line) => [lineKey(line), line.count] as const).sort(([a], [b]) => (a < b ? -1 : 1)),
  ]);

const likeness = ({ customer, handOver, lines }: OrderDraft): string =>
  `${customer.name.toLowerCase().replace(/\W+/g, ' ').trim()}|${handOver.on}|${lines
    .map((line) => `${lineKey(line)} ${line.count}`)
    .sort()
    .join()}`;

/**
 * Works out an import without storing anything. Rows with one reference, or with one customer, day and way, are one order.
 *
 * A second import of the same file changes nothing: each order is known by its reference. What stands there under another
 * reference, alike in customer, day and boxes, is a double and is left alone. One bad row refuses its whole order, no other.
 */
export function planImport(
  { rows, faults }: CsvTable,
  stored: readonly StoredOrder[],
  settings: ImportSettings,
): ImportPlan {
  const readers = cellReaders(settings);
  const nameOf = new Map(settings.shelf.boxes.map(({ id, name }) => [id, name]));
  const report: RowReport[] = [];
  const groups = new Map<string, ReadRow[]>();
  /** By reference, a row of the order that cannot be taken. */
  const spoiled = new Map<string, number>();
  rows.forEach((cells, at) => {
    const row = at + 2;
    const read = faults.get(at) ?? readRow(cells, row, settings, readers);
    if (typeof read === 'string') {
      report.push({ row, fate: 'refused', customer: cellOf(cells, settings.mapping.customer), what: '', why: read });
      spoiled.set(cellOf(cells, settings.mapping.reference).trim().toLowerCase(), row);
    } else groups.set(read.key, [...(groups.get(read.key) ?? []), read]);
  });
  const byId = new Map(stored.map((order) => [order.id, order]));
  const alike = new Map(stored.map((order) => [likeness(order), order]));
  const create: OrderFiled[] = [];
  const update: { id: string; version: number; draft: OrderDraft }[] = [];
  for (const [key, group] of groups) {
    const [first] = group;
    if (!first) continue;
    const lines = new Map<string, ReadRow['line']>();
    for (const { line } of group) {
      const same = lines.get(lineKey(line));
      lines.set(lineKey(line), same ? { ...same, count: same.count + line.count } : line);
    }
    const what = [...lines.values()].map(({ boxId, count }) => `${count} × ${nameOf.get(boxId) ?? boxId}`).join(', ');
    const tell = (fate: RowReport['fate'], why: string) => {
      for (const { row } of group) report.push({ row, fate, customer: first.draft.customer.name, what, why });
    };
    const bad = first.reference === '' ? undefined : spoiled.get(key);
    if (bad !== undefined) {
      tell('refused', `row ${String(bad)} of the same order cannot be taken`);
      continue;
    }
    const agreed = agreedDraft(group);
    if (typeof agreed === 'string') {
      tell('refused', agreed);
      continue;
    }
    // A file that was written here names the orders by their own ids.
    const id = byId.has(first.reference) ? first.reference : idOfKey('csv', key);
    const before = byId.get(id);
    const { paid, ...said } = agreed;
    const kept = withPaid({ depositMinor: 0, ...unsaidOf(before) }, paid, settings.today);
    const parsed = orderDraftSchema.safeParse({
      ...kept,
      ...said,
      lines: [...lines.values()].map((line) => ({
        ...line,
        edition: before?.lines.find(({ boxId }) => boxId === line.boxId)?.edition ?? null,
      })),
    });
    if (!parsed.success) {
      tell('refused', parsed.error.issues.map(({ path, message }) => `${path.join('.')} ${message}`).join('; '));
      continue;
    }
    const draft = parsed.data;
    const double = alike.get(likeness(draft));
    if (before && contentOf(before) === contentOf(draft)) tell('same', 'it is there already');
    else if (before) {
      update.push({ id, version: before.version, draft });
      tell('changed', 'it is there under the same reference, with other values');
    } else if (double)
      tell('double', `${double.customer.name} has the same boxes for ${sayDay(double.handOver.on)} already`);
    else {
      create.push({ ...draft, id });
      alike.set(likeness(draft), { ...draft, id, version: 0 });
      tell('new', '');
    }
  }
  return { report: report.sort((a, b) => a.row - b.row), create, update };
}

/** Text that a spreadsheet shows as text: what looks like a formula gets an apostrophe before it. */
const safely = { escapeFormulae: true, newline: '\r\n' } as const;

/** The refused rows as a file to mend, with the reason in a last column. */
export const refusedCsv = ({ columns, rows }: CsvTable, report: readonly RowReport[]): string => {
  const refused = report.filter(({ fate }) => fate === 'refused');
  return Papa.unparse(
    {
      fields: [...columns.filter((column) => column !== WHY_REFUSED), WHY_REFUSED],
      data: refused.map(({ row, why }) => ({ ...rows[row - 2], [WHY_REFUSED]: why })),
    },
    safely,
  );
};

/** A list of exclusions that {@link wishList} reads back: codes, and single things by their name. */
const sayList = (codes: readonly string[], names: NamedThings): string =>
  codes.map((code) => (namedExclusion(code) ? exclusionName(code, names) : code)).join('; ');

/** Orders as a file that can be read again: one row a box. */
export const ordersCsv = (
  orders: readonly OrderFiled[],
  nameOf: (boxId: string) => string,
  names: NamedThings,
  currency: string,
): string =>
  Papa.unparse(
    orders.flatMap((order) =>
      order.lines.map(({ boxId, count, without }) => ({
        reference: order.id,
        customer: order.customer.name,
        contact: order.customer.contact,
        box: nameOf(boxId),
        count,
        day: order.handOver.on,
        way: order.handOver.way,
        place: order.handOver.place,
        exclusions: sayList(order.exclusions, names),
        'only this box': sayList(without, names),
        deposit: sayPlain(order.depositMinor, currency),
        paid: sayPaid(order, currency),
        state: order.state,
        notes: order.notes,
      })),
    ),
    safely,
  );

/** A file of orders, and how it is to be read. */
export interface OrderFileRequest {
  readonly text: string;
  /** Which column holds what; guessed from the names of the columns when it is not said. */
  readonly mapping?: ColumnMapping | undefined;
  /** What the maker says of columns that hold no field: they are read as exclusions, or passed over. */
  readonly beside?: Readonly<Record<string, BesideUse>> | undefined;
  readonly dayOrder: DayOrder;
}

/** What an import would do, or has done. */
export interface OrderFileAnswer {
  readonly columns: readonly string[];
  readonly mapping: ColumnMapping;
  /** Columns that hold something and no field; nothing is taken while one of them may hold exclusions and nobody has said what it is. */
  readonly unused: readonly UnusedColumn[];
  readonly report: readonly RowReport[];
  readonly orders: { readonly create: number; readonly update: number };
  /** The refused rows as CSV, each with its reason; empty when there is none. */
  readonly refused: string;
}
