import {
  guessMapping,
  planImport,
  readCsv,
  refusedCsv,
  type ImportPlan,
  type ImportSettings,
  type OrderFileAnswer,
  type OrderFileRequest,
} from '@usual-pantry/core/intake';
import type { Order } from '@usual-pantry/core/order';
import { answerJobs } from '../thread/answer.js';

/** A CSV of orders, and what it is read against. */
export interface OrderFileJob {
  readonly request: OrderFileRequest;
  readonly orders: readonly Order[];
  readonly settings: Omit<ImportSettings, 'mapping' | 'dayOrder'>;
}

/** What a file would do, and what is said of it; or why it cannot be read at all. */
export type OrderFileReading =
  | { readonly trouble: null; readonly plan: Pick<ImportPlan, 'create' | 'update'>; readonly answer: OrderFileAnswer }
  | { readonly trouble: string };

answerJobs<OrderFileJob, OrderFileReading>(({ request, orders, settings }) => {
  const { text, mapping, dayOrder } = request;
  const table = readCsv(text);
  if (table.trouble !== null) return { trouble: table.trouble };
  const used = mapping ?? guessMapping(table.columns);
  const { report, create, update } = planImport(table, orders, { ...settings, mapping: used, dayOrder });
  const answer: OrderFileAnswer = {
    columns: table.columns,
    mapping: used,
    report,
    orders: { create: create.length, update: update.length },
    refused: report.some(({ fate }) => fate === 'refused') ? refusedCsv(table, report) : '',
  };
  return { trouble: null, plan: { create, update }, answer };
});
