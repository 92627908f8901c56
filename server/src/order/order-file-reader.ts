import {
  guessMapping,
  planImport,
  readCsv,
  refusedCsv,
  unusedColumns,
  type ImportPlan,
  type ImportSettings,
  type OrderFileAnswer,
} from '@usual-pantry/core/format';
import type { Order } from '@usual-pantry/core/order';
import { readJson, refusedBody, type RefusedBody } from '../http/read-json.js';
import { answerJobs } from '../thread/answer.js';
import { orderFileSchema } from '@usual-pantry/core/api';

/** A CSV of orders as it was sent, and what it is read against. */
export interface OrderFileJob {
  readonly bytes: Uint8Array;
  readonly orders: readonly Order[];
  readonly settings: Omit<ImportSettings, 'mapping' | 'dayOrder'>;
}

/** What a file would do, and what is said of it. */
export interface ReadOrderFile {
  readonly plan: Pick<ImportPlan, 'create' | 'update'>;
  readonly answer: OrderFileAnswer;
}

function readOrderFile({ bytes, orders, settings }: OrderFileJob): ReadOrderFile | { readonly refused: RefusedBody } {
  const read = readJson(bytes);
  if ('refused' in read) return read;
  const { data: request, error } = orderFileSchema.safeParse(read.value);
  if (!request) return refusedBody('wrong-values', 'Some values cannot be right.', error.issues);
  const { text, mapping, dayOrder, beside = {} } = request;
  const table = readCsv(text);
  const { trouble } = table;
  if (trouble !== null)
    return refusedBody('wrong-values', `${trouble} Nothing was changed.`, [{ path: ['text'], message: trouble }]);
  const used = mapping ?? guessMapping(table.columns);
  const unused = unusedColumns(table, new Set(Object.values(used)), beside, settings.shelf);
  const isOpen = unused.some(({ mayRuleOut, use }) => mayRuleOut && use === null);
  const { report, ...found } = planImport(table, orders, { ...settings, mapping: used, beside, dayOrder });
  // What somebody must not eat may stand in a column that nobody has looked at: nothing is taken until that is said.
  const { create, update } = isOpen ? { create: [], update: [] } : found;
  const answer: OrderFileAnswer = {
    columns: table.columns,
    mapping: used,
    unused,
    report,
    orders: { create: create.length, update: update.length },
    refused: report.some(({ fate }) => fate === 'refused') ? refusedCsv(table, report) : '',
  };
  return { plan: { create, update }, answer };
}

answerJobs(readOrderFile);
