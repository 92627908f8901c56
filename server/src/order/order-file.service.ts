import { Inject, Injectable } from '@nestjs/common';
import { ordersCsv, shelfOfBook, type OrderFileAnswer, type OrderFileRequest } from '@usual-pantry/core/intake';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { Refused, wrongValues } from '../http/errors.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { GivenUp, letOthersIn, Thread } from '../thread/thread.js';
import type { OrderFileJob, OrderFileReading } from './order-file-reader.js';
import { OrderRecords } from './order.records.js';

/** Injection token of the thread that reads. */
export const ORDER_FILE_READER = Symbol('ORDER_FILE_READER');
const MOST_MS = 60_000;

type Readable = Extract<OrderFileReading, { trouble: null }>;

@Injectable()
export class OrderFileService {
  constructor(
    private readonly books: BookService,
    private readonly records: OrderRecords,
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
    @Inject(ORDER_FILE_READER) private readonly reader: Thread<OrderFileJob, OrderFileReading>,
  ) {}

  /**
   * What a file would do, row by row; changes nothing.
   * @throws Refused 422 when it cannot be read at all, 503 when that takes too long
   */
  async check(request: OrderFileRequest, signal: AbortSignal): Promise<OrderFileAnswer> {
    return (await this.read(request, signal)).answer;
  }

  /** Takes every order of a file that can be taken, in one transaction; refused rows change nothing. @throws as {@link check} does */
  take(request: OrderFileRequest, signal: AbortSignal): Promise<OrderFileAnswer> {
    return this.work.write(
      async () => {
        const { plan, answer } = await this.read(request, signal);
        for (const { id, ...draft } of plan.create) {
          await this.records.create(draft, id);
          await letOthersIn();
        }
        for (const { id, version, draft } of plan.update) {
          await this.records.update(id, version, draft);
          await letOthersIn();
        }
        return answer;
      },
      { part: 'orders' },
    );
  }

  /** Every order as a CSV file that can be read again and is safe in a spreadsheet. */
  async write(): Promise<string> {
    const { orders, book } = await this.books.season();
    return ordersCsv(orders, (id) => book.boxes.get(id)?.box.name ?? id, book, book.kitchen.currency);
  }

  private async read(request: OrderFileRequest, signal: AbortSignal): Promise<Readable> {
    const { orders, book } = await this.books.season();
    const settings = { shelf: shelfOfBook(book), today: this.clock.today(), currency: book.kitchen.currency };
    try {
      const reading = await this.reader.run({ request, orders, settings }, { signal, mostMs: MOST_MS });
      if (reading.trouble === null) return reading;
      throw wrongValues([{ path: ['text'], message: reading.trouble }], `${reading.trouble} Nothing was changed.`);
    } catch (error) {
      if (error instanceof GivenUp) throw new Refused('took-too-long');
      throw error;
    }
  }
}
