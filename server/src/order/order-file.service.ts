import { Injectable } from '@nestjs/common';
import {
  guessMapping,
  ordersCsv,
  planImport,
  readCsv,
  refusedCsv,
  shelfOfBook,
  type ImportPlan,
  type OrderFileAnswer,
  type OrderFileRequest,
} from '@usual-pantry/core/intake';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { OrderRecords } from './order.records.js';

@Injectable()
export class OrderFileService {
  constructor(
    private readonly books: BookService,
    private readonly records: OrderRecords,
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
  ) {}

  /** What a file would do, row by row; changes nothing. */
  async check(request: OrderFileRequest): Promise<OrderFileAnswer> {
    return (await this.read(request)).answer;
  }

  /** Takes every order of a file that can be taken, in one transaction; refused rows change nothing. */
  take(request: OrderFileRequest): Promise<OrderFileAnswer> {
    return this.work.write(
      async () => {
        const { plan, answer } = await this.read(request);
        for (const { id, ...draft } of plan.create) await this.records.create(draft, id);
        for (const { id, version, draft } of plan.update) await this.records.update(id, version, draft);
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

  private async read({
    text,
    mapping,
    dayOrder,
  }: OrderFileRequest): Promise<{ plan: ImportPlan; answer: OrderFileAnswer }> {
    const { orders, book } = await this.books.season();
    const table = readCsv(text);
    const used = mapping ?? guessMapping(table.columns);
    const plan = planImport(table, orders, {
      mapping: used,
      shelf: shelfOfBook(book),
      today: this.clock.today(),
      dayOrder,
      currency: book.kitchen.currency,
    });
    const { report, create, update } = plan;
    const answer = {
      columns: table.columns,
      mapping: used,
      report,
      orders: { create: create.length, update: update.length },
      refused: report.some(({ fate }) => fate === 'refused') ? refusedCsv(table, report) : '',
    };
    return { plan, answer };
  }
}
