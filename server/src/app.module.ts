import { Module, type DynamicModule } from '@nestjs/common';
import { APP_INTERCEPTOR } from '@nestjs/core';
import { DataSource } from 'typeorm';
import { BatchController } from './batch/batch.controller.js';
import { BatchRecords } from './batch/batch.records.js';
import { BookController } from './book/book.controller.js';
import { BookService } from './book/book.service.js';
import { BoxFiguresController } from './box/box-figures.controller.js';
import { BoxController } from './box/box.controller.js';
import { BoxRecords } from './box/box.records.js';
import { Clock } from './clock/clock.js';
import { DATA_DIR } from './config.js';
import { devices } from './device/devices.js';
import { SeasonFileController } from './document/season-file.controller.js';
import { SEASON_READER, SeasonFileService } from './document/season-file.service.js';
import { HistoryController } from './history/history.controller.js';
import { HistoryInterceptor } from './history/history.interceptor.js';
import { HistoryService } from './history/history.service.js';
import { IngredientController } from './ingredient/ingredient.controller.js';
import { IngredientRecords } from './ingredient/ingredient.records.js';
import { InboxController } from './inbox/inbox.controller.js';
import { InboxService } from './inbox/inbox.service.js';
import { KitchenController } from './kitchen/kitchen.controller.js';
import { KitchenRecords } from './kitchen/kitchen.records.js';
import { LABEL_PRESS, LabelController } from './label/label.controller.js';
import { MoneyController } from './money/money.controller.js';
import { OrderFileController } from './order/order-file.controller.js';
import { ORDER_FILE_READER, OrderFileService } from './order/order-file.service.js';
import { CustomerController } from './order/customer.controller.js';
import { OrderController } from './order/order.controller.js';
import { OrderRecords } from './order/order.records.js';
import { PieceController } from './piece/piece.controller.js';
import { PieceRecords } from './piece/piece.records.js';
import { SeasonPlans } from './plan/season-plan.js';
import { SeasonPlanner } from './plan/season-planner.js';
import { PlanAheadInterceptor } from './plan/plan-ahead.interceptor.js';
import { PlanController } from './plan/plan.controller.js';
import { LINE_READER, RecipeFiguresController } from './recipe/recipe-figures.controller.js';
import { RecipeController } from './recipe/recipe.controller.js';
import { RecipeRecords } from './recipe/recipe.records.js';
import { ComposeController } from './box/compose.controller.js';
import { PromiseService } from './promise/promise.service.js';
import { SolverService } from './solver/solver.service.js';
import { RevisionInterceptor } from './http/revision.interceptor.js';
import { Audit } from './door/audit.js';
import { DoorController, SERVED_AT } from './door/door.controller.js';
import { DOOR_LOCKED, DoorService } from './door/door.service.js';
import { VisitorInterceptor } from './door/visitor.interceptor.js';
import { ProblemController } from './http/problem.controller.js';
import { BackupController } from './watch/backup.controller.js';
import { Backups, COPY_THREAD } from './storage/backups.js';
import { Closing } from './storage/closing.js';
import { Database } from './storage/database.js';
import { Disk } from './storage/disk.js';
import { threadOf } from './thread/thread.js';
import { Diagnostics } from './watch/diagnostics.js';
import { RequestLog } from './watch/request-log.js';
import { WatchController } from './watch/watch.controller.js';
import { KEEPERS, type Keeper } from './storage/keeper.js';
import { UnitOfWork } from './storage/unit-of-work.js';

/** Everything whose changes can be taken back. */
const keepers = [
  KitchenRecords,
  IngredientRecords,
  RecipeRecords,
  PieceRecords,
  BoxRecords,
  OrderRecords,
  BatchRecords,
  SeasonPlans,
] as const;

/** What the server is built around. */
interface Around {
  readonly database: Database;
  readonly clock: Clock;
  readonly isLocked: boolean;
  readonly servedAt: () => readonly string[];
}

/** Everything that the server is made of, around one open database. */
@Module({})
export class AppModule {
  static around({ database, clock, isLocked, servedAt }: Around): DynamicModule {
    return {
      module: AppModule,
      providers: [
        { provide: Database, useValue: database },
        { provide: DataSource, useValue: database.dataSource },
        { provide: Clock, useValue: clock },
        { provide: DATA_DIR, useValue: database.folder.path },
        { provide: DOOR_LOCKED, useValue: isLocked },
        { provide: SERVED_AT, useValue: servedAt },
        { provide: COPY_THREAD, useFactory: () => threadOf('copy-worker') },
        { provide: SEASON_READER, useFactory: () => threadOf('season-reader') },
        { provide: ORDER_FILE_READER, useFactory: () => threadOf('order-file-reader') },
        { provide: LINE_READER, useFactory: () => threadOf('line-reader') },
        { provide: LABEL_PRESS, useFactory: () => threadOf('label-worker') },
        ...devices,
        Disk,
        UnitOfWork,
        Closing,
        Backups,
        Audit,
        DoorService,
        RequestLog,
        Diagnostics,
        BookService,
        KitchenRecords,
        IngredientRecords,
        RecipeRecords,
        PieceRecords,
        BoxRecords,
        BatchRecords,
        OrderRecords,
        OrderFileService,
        SeasonFileService,
        InboxService,
        SolverService,
        PromiseService,
        SeasonPlanner,
        SeasonPlans,
        { provide: KEEPERS, useFactory: (...all: Keeper[]) => all, inject: [...keepers] },
        HistoryService,
        { provide: APP_INTERCEPTOR, useClass: VisitorInterceptor },
        { provide: APP_INTERCEPTOR, useClass: HistoryInterceptor },
        { provide: APP_INTERCEPTOR, useClass: RevisionInterceptor },
        { provide: APP_INTERCEPTOR, useClass: PlanAheadInterceptor },
      ],
      controllers: [
        DoorController,
        ProblemController,
        BackupController,
        WatchController,
        BookController,
        HistoryController,
        KitchenController,
        IngredientController,
        RecipeFiguresController,
        RecipeController,
        PieceController,
        BatchController,
        LabelController,
        BoxFiguresController,
        BoxController,
        OrderFileController,
        InboxController,
        ComposeController,
        CustomerController,
        OrderController,
        PlanController,
        MoneyController,
        SeasonFileController,
      ],
    };
  }
}
