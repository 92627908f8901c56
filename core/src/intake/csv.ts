import Papa from 'papaparse';
import { orderDraftSchema, orderStates, type OrderDraft, type OrderFiled } from '../order/index.js';
import { sayDay, type Day, minorDigits, minorPerUnit } from '../quantity/index.js';
import { indexNames, matchName } from '../reading/index.js';
import { readDay, type DayOrder } from './day.js';
import type { NamedBox } from './quick.js';
import { idOfKey } from './key.js';
import { readExclusion, readWay } from './words.js';

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
  'deposit',
  'state',
  'notes',
] as const;
export type OrderField = (typeof orderFields)[number];

/** Which column holds which field, by the column's name. */
export type ColumnMapping = Readonly<Partial<Record<OrderField, string>>>;

/** A file as rows of text, with the names of its columns. */
export interface CsvTable {
  readonly columns: readonly string[];
  readonly rows: readonly Readonly<Record<string, string>>[];
}

/**
 * Reads a CSV file: comma, semicolon, tab or bar, quoted or not, any line ends. The first row names the columns.
 * Columns without a name are called by their place; a name that is there twice gets its place behind it.
 */
export function readCsv(text: string): CsvTable {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [head = [], ...body] = data;
  const columns = head.map((name, at) => {
    const plain = name.trim() || `column ${at + 1}`;
    return head.findIndex((other) => other.trim() === plain) === at || name.trim() === ''
      ? plain
      : `${plain} ${at + 1}`;
  });
  return {
    columns,
    rows: body.map((cells) => Object.fromEntries(columns.map((column, at) => [column, cells[at] ?? '']))),
  };
}

const guesses: Readonly<Record<OrderField, RegExp>> = {
  reference: /^(?:ref|reference|order (?:no|number|id)|order|number|id)\b/i,
  customer: /customer|^name$|buyer|client|who/i,
  contact: /contact|phone|mail|tel/i,
  box: /box|item|product|assortment/i,
  count: /count|qty|quantity|how many|amount|number of/i,
  day: /day|date|when|hand/i,
  way: /way|how$|method|delivery/i,
  place: /place|where|address/i,
  exclusions: /exclu|without|allerg|not contain/i,
  deposit: /deposit|paid|advance/i,
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
  readonly draft: Omit<OrderDraft, 'lines' | 'agreed' | 'leftOut' | 'history'>;
}

/** Everything that an import rests on. */
export interface ImportSettings {
  readonly mapping: ColumnMapping;
  readonly boxes: readonly NamedBox[];
  readonly today: Day;
  readonly dayOrder: DayOrder;
  /** Of the deposits, such as `USD`. */
  readonly currency: string;
}

const LIST = /\s*[;/|]\s*|\s+(?:and|or)\s+|,\s*/i;

/** One row, or what is wrong with it in words. */
function readRow(
  cells: Readonly<Record<string, string>>,
  row: number,
  settings: ImportSettings,
  index: ReturnType<typeof indexNames>,
): ReadRow | string {
  const { mapping, today, dayOrder, currency } = settings;
  // An apostrophe before what looks like a formula was put there for a spreadsheet.
  const cell = (field: OrderField) =>
    (mapping[field] === undefined ? '' : (cells[mapping[field]] ?? '')).trim().replace(/^'(?=[=+\-@])/, '');
  const problems: string[] = [];
  const customer = cell('customer');
  if (customer === '') problems.push('no customer');
  const boxName = cell('box');
  const { found } = matchName(boxName, index);
  if (!found) problems.push(boxName === '' ? 'no box' : `there is no one box “${boxName}”`);
  const countText = cell('count') || '1';
  const count = /^\d{1,3}$/.test(countText) ? Number(countText) : NaN;
  if (!(count >= 1 && count <= 500)) problems.push(`“${countText}” is no number of boxes`);
  const dayText = cell('day');
  const { day, choices } = readDay(dayText, today, dayOrder);
  if (day === null)
    problems.push(
      choices.length > 1
        ? `“${dayText}” may be ${choices.map(sayDay).join(' or ')}: say which number is the month`
        : dayText === ''
          ? 'no day'
          : `“${dayText}” is no day`,
    );
  else if (day < today) problems.push(`${sayDay(day)} has passed`);
  const wayText = cell('way');
  const way = wayText === '' ? 'pick-up' : readWay(wayText)?.way;
  if (way === undefined) problems.push(`“${wayText}” is neither pick-up, stall nor courier`);
  const exclusions = cell('exclusions')
    .split(LIST)
    .map((word) => word.replace(/^no\s+/i, '').trim())
    .filter((word) => word !== '' && !/^(?:none|-|nothing)$/i.test(word))
    .map((word) => [word, readExclusion(word)] as const);
  for (const [word, code] of exclusions) if (code === null) problems.push(`“${word}” is nothing that can be ruled out`);
  const depositText = cell('deposit')
    .replace(/[^\d.,-]/g, '')
    .replace(',', '.');
  const deposit = depositText === '' ? 0 : Math.round(Number(depositText) * minorPerUnit(currency));
  if (!(deposit >= 0)) problems.push(`“${cell('deposit')}” is no deposit`);
  const stateText = cell('state').toLowerCase() || 'asked';
  const state = orderStates.find((each) => each === stateText);
  if (!state) problems.push(`“${stateText}” is no state of an order`);
  if (problems.length > 0 || !found || day === null || !way || !state) return problems.join('; ');
  const reference = cell('reference');
  const draft = {
    customer: { name: customer, contact: cell('contact') },
    handOver: { on: day, way, place: cell('place') },
    exclusions: [...new Set(exclusions.flatMap(([, code]) => (code === null ? [] : [code])))],
    state,
    depositMinor: deposit,
    notes: cell('notes'),
  };
  return {
    row,
    reference,
    key: reference === '' ? `${customer}|${day}|${way}`.toLowerCase() : reference.toLowerCase(),
    line: { boxId: found.id, count, edition: null },
    draft,
  };
}

/** The part of an order that a file can say, in one text, to be compared. */
const contentOf = ({ customer, handOver, exclusions, state, depositMinor, notes, lines }: OrderDraft): string =>
  JSON.stringify([
    customer,
    handOver,
    [...exclusions].sort(),
    state,
    depositMinor,
    notes,
    lines.map(({ boxId, count }) => [boxId, count] as const).sort(([a], [b]) => a.localeCompare(b)),
  ]);

const likeness = ({ customer, handOver, lines }: OrderDraft): string =>
  `${customer.name.toLowerCase().replace(/\W+/g, ' ').trim()}|${handOver.on}|${lines
    .map(({ boxId, count }) => `${boxId} ${count}`)
    .sort()
    .join()}`;

/**
 * Works out an import without storing anything. Rows with one reference, or with one customer, day and way, are one order.
 *
 * A second import of the same file changes nothing: each order is known by its reference. What stands there under another
 * reference, alike in customer, day and boxes, is a double and is left alone. One bad row refuses its whole order, no other.
 */
export function planImport({ rows }: CsvTable, stored: readonly StoredOrder[], settings: ImportSettings): ImportPlan {
  const index = indexNames(settings.boxes.map((box) => ({ ...box, kind: 'ingredient' as const })));
  const nameOf = new Map(settings.boxes.map(({ id, name }) => [id, name]));
  const report: RowReport[] = [];
  const groups = new Map<string, ReadRow[]>();
  rows.forEach((cells, at) => {
    const row = at + 2;
    const read = readRow(cells, row, settings, index);
    if (typeof read === 'string')
      report.push({
        row,
        fate: 'refused',
        customer: cells[settings.mapping.customer ?? ''] ?? '',
        what: '',
        why: read,
      });
    else groups.set(read.key, [...(groups.get(read.key) ?? []), read]);
  });
  const byId = new Map(stored.map((order) => [order.id, order]));
  const alike = new Map(stored.map((order) => [likeness(order), order]));
  const create: OrderFiled[] = [];
  const update: { id: string; version: number; draft: OrderDraft }[] = [];
  for (const [key, group] of groups) {
    const [first] = group;
    if (!first) continue;
    const lines = new Map<string, number>();
    for (const { line } of group) lines.set(line.boxId, (lines.get(line.boxId) ?? 0) + line.count);
    // A file that was written here names the orders by their own ids.
    const id = byId.has(first.reference) ? first.reference : idOfKey('csv', key);
    const before = byId.get(id);
    const parsed = orderDraftSchema.safeParse({
      ...first.draft,
      agreed: before?.agreed ?? [],
      leftOut: before?.leftOut ?? [],
      history: before?.history ?? [],
      lines: [...lines].map(([boxId, count]) => ({
        boxId,
        count,
        edition: before?.lines.find((line) => line.boxId === boxId)?.edition ?? null,
      })),
    });
    const what = [...lines].map(([boxId, count]) => `${count} × ${nameOf.get(boxId) ?? boxId}`).join(', ');
    const tell = (fate: RowReport['fate'], why: string) => {
      for (const { row } of group) report.push({ row, fate, customer: first.draft.customer.name, what, why });
    };
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
      fields: [...columns.filter((column) => column !== 'why'), 'why'],
      data: refused.map(({ row, why }) => ({ ...rows[row - 2], why })),
    },
    safely,
  );
};

/** Orders as a file that can be read again: one row a box. */
export const ordersCsv = (orders: readonly OrderFiled[], nameOf: (boxId: string) => string, currency: string): string =>
  Papa.unparse(
    orders.flatMap((order) =>
      order.lines.map(({ boxId, count }) => ({
        reference: order.id,
        customer: order.customer.name,
        contact: order.customer.contact,
        box: nameOf(boxId),
        count,
        day: order.handOver.on,
        way: order.handOver.way,
        place: order.handOver.place,
        exclusions: order.exclusions.join('; '),
        deposit: (order.depositMinor / minorPerUnit(currency)).toFixed(minorDigits(currency)),
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
  readonly dayOrder: DayOrder;
}

/** What an import would do, or has done. */
export interface OrderFileAnswer {
  readonly columns: readonly string[];
  readonly mapping: ColumnMapping;
  readonly report: readonly RowReport[];
  readonly orders: { readonly create: number; readonly update: number };
  /** The refused rows as CSV, each with its reason; empty when there is none. */
  readonly refused: string;
}
