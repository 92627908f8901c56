import { Global, Module } from '@nestjs/common';
import { Beside } from './beside.js';
import { BookController } from './book.controller.js';
import { BookService } from './book.service.js';
import { Parts } from './parts.js';

/** All that is kept, as core works it out: what every noun adds its part to. */
@Global()
@Module({
  controllers: [BookController],
  providers: [Parts, Beside, BookService],
  exports: [Parts, Beside, BookService],
})
export class BookModule {}
