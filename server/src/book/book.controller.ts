import { Controller, Get, Sse, type MessageEvent } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { bookSchema, type Answer } from '@usual-pantry/core/api';
import { interval, map, merge, takeUntil, type Observable } from 'rxjs';
import { Clock } from '../clock/clock.js';
import { bookForHelper } from './for-helpers.js';
import { Answers, AnswersFile } from '../http/contract.js';
import { isHelper } from '../door/visitor.js';
import { Closing } from '../storage/closing.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { BookService } from './book.service.js';

const HEARTBEAT_MS = 25_000;

@ApiTags('Book')
@Controller('api')
export class BookController {
  constructor(
    private readonly books: BookService,
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
    private readonly closing: Closing,
  ) {}

  @Get('book')
  @ApiOperation({
    summary: 'Settings, pantry, recipes, pieces and boxes together: what a page needs to work out a draft at once',
  })
  @Answers(bookSchema)
  async book(): Promise<Answer<typeof bookSchema>> {
    const { data } = await this.books.season();
    return { ...(isHelper() ? bookForHelper(data) : data), today: this.clock.today() };
  }

  @Sse('changes')
  @ApiOperation({ summary: 'A stream that names the revision whenever something was stored' })
  @AnswersFile('text/event-stream')
  changes(): Observable<MessageEvent> {
    const revisions = this.work.changes.pipe(map((revision) => ({ data: { revision } })));
    const beats = interval(HEARTBEAT_MS).pipe(map(() => ({ type: 'beat', data: '' })));
    return merge(revisions, beats).pipe(takeUntil(this.closing.begins));
  }
}
