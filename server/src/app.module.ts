import { Module, type DynamicModule } from '@nestjs/common';
import { BatchModule } from './batch/batch.module.js';
import { BookModule } from './book/book.module.js';
import { BoxModule } from './box/box.module.js';
import type { Clock } from './clock/clock.js';
import { DoorModule } from './door/door.module.js';
import type { ExampleSetup } from './example/example-kitchen.js';
import { ExampleModule } from './example/example.module.js';
import { HistoryModule } from './history/history.module.js';
import { HttpModule } from './http/http.module.js';
import { InboxModule } from './inbox/inbox.module.js';
import { IngredientModule } from './ingredient/ingredient.module.js';
import { KitchenModule } from './kitchen/kitchen.module.js';
import { LabelModule } from './label/label.module.js';
import { MakingModule } from './making/making.module.js';
import { MoneyModule } from './money/money.module.js';
import { OrderModule } from './order/order.module.js';
import { PieceModule } from './piece/piece.module.js';
import { PlanModule } from './plan/plan.module.js';
import { RecipeModule } from './recipe/recipe.module.js';
import { SeasonFileModule } from './season-file/season-file.module.js';
import type { Database } from './storage/database.js';
import { StorageModule } from './storage/storage.module.js';
import { WatchModule } from './watch/watch.module.js';

/** What is kept, a module each. */
const nouns = [
  KitchenModule,
  IngredientModule,
  RecipeModule,
  PieceModule,
  BoxModule,
  OrderModule,
  BatchModule,
  PlanModule,
  InboxModule,
  HistoryModule,
  LabelModule,
  MakingModule,
] as const;

/** The tables of all nouns. */
export const entities = nouns.flatMap((noun): readonly (new () => object)[] => noun.entities);

/** What the server is built around. */
interface Around {
  readonly database: Database;
  readonly clock: Clock;
  readonly isLocked: boolean;
  readonly servedAt: () => readonly string[];
  readonly example: ExampleSetup;
}

/** Everything that the server is made of, around one open database. */
@Module({})
export class AppModule {
  static around({ database, clock, isLocked, servedAt, example }: Around): DynamicModule {
    return {
      module: AppModule,
      imports: [
        StorageModule.around(database, clock),
        DoorModule.with(isLocked, servedAt),
        HttpModule,
        BookModule,
        ...nouns,
        MoneyModule,
        SeasonFileModule,
        ExampleModule.with(example),
        WatchModule,
      ],
    };
  }
}
