import { Inject, Injectable } from '@nestjs/common';
import type { Book } from '@usual-pantry/core/book';
import { ordersCsv, type OrderFileAnswer } from '@usual-pantry/core/format';
import { shelfOfBook } from '@usual-pantry/core/intake';
import { ordersYearLater, type OrderFiled } from '@usual-pantry/core/order';
import { sayCount } from '@usual-pantry/core/quantity';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { Audit } from '../door/audit.js';
import { readIn, type Reader } from '../http/readers.js';
import { wrongValues } from '../refusal/refused.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { letOthersIn } from '../thread/thread.js';
import type { OrderFileJob, ReadOrderFile } from './order-file-reader.js';
import { OrderRecords } from './order.records.js';

/** Injection token of the thread that reads. */
export const ORDER_FILE_READER = Symbol('ORDER_FILE_READER');
const MOST_MS = 60_000;

@Injectable()
export class OrderFileService {
  constructor(
    private readonly books: BookService,
    private readonly records: OrderRecords,
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
    private readonly audit: Audit,
    @Inject(ORDER_FILE_READER) private readonly reader: Reader<OrderFileJob, ReadOrderFile>,
  ) {}

  /**
   * What a file would do, row by row; changes nothing.
   * @throws Refused 422 when it cannot be read at all, 503 when that takes too long
   */
  async check(bytes: Uint8Array, signal: AbortSignal): Promise<OrderFileAnswer> {
    return (await this.read(bytes, signal)).answer;
  }

  /** Takes every order of a file that can be taken, in one transaction; refused rows change nothing. @throws as {@link check} does; Refused 422 while a column may hold exclusions and nobody has said what it is */
  take(bytes: Uint8Array, signal: AbortSignal): Promise<OrderFileAnswer> {
    return this.work.write(
      async () => {
        const { plan, answer } = await this.read(bytes, signal);
        const open = answer.unused.filter(({ mayRuleOut, use }) => mayRuleOut && use === null);
        if (open.length > 0)
          throw wrongValues(
            open.map(({ column, sample }) => ({
              path: ['beside', column],
              message: `may say what somebody must not eat (“${sample}”): say whether it is read as exclusions, or holds nothing of that kind`,
            })),
            'Nothing was taken: a column may hold exclusions.',
          );
        await this.records.createMany(plan.create.map(({ id, ...draft }) => ({ id, draft })));
        for (const { id, version, draft } of plan.update) {
          await this.records.update(id, version, draft);
          await letOthersIn();
        }
        this.work.entitle(`${sayCount(plan.create.length + plan.update.length, 'order')} taken from a file.`);
        this.audit.note('imported', `${String(plan.create.length + plan.update.length)} orders of a CSV`);
        return answer;
      },
      { part: 'orders' },
    );
  }

  /** Every order as a CSV file that can be read again and is safe in a spreadsheet. */
  async write(): Promise<string> {
    const { orders, book } = await this.books.season();
    this.audit.note('exported', `${String(orders.length)} orders as CSV`);
    return this.csvOf(orders, book);
  }

  /** Last season's orders as a draft of this one, in the same form; nothing is changed. */
  async writeLastSeason(): Promise<string> {
    const { orders, book } = await this.books.season();
    return this.csvOf(ordersYearLater(orders, this.clock.today()), book);
  }

  private csvOf(orders: readonly OrderFiled[], book: Book): string {
    return ordersCsv(orders, (id) => book.boxes.get(id)?.box.name ?? id, book, book.kitchen.currency);
  }

  private async read(bytes: Uint8Array, signal: AbortSignal): Promise<ReadOrderFile> {
    const { orders, book } = await this.books.season();
    const settings = { shelf: shelfOfBook(book), today: this.clock.today(), currency: book.kitchen.currency };
    return readIn(this.reader, { bytes, orders, settings }, { signal, mostMs: MOST_MS });
  }
}
