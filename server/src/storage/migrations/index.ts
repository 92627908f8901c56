import { BenchCard1764050000000 } from './1764050000000-bench-card.js';
import { Sold1764060000000 } from './1764060000000-sold.js';
import { SeasonPlan1764070000000 } from './1764070000000-season-plan.js';
import { LotsAndYields1764080000000 } from './1764080000000-lots-and-yields.js';
import { Batches1764090000000 } from './1764090000000-batches.js';
import { Wishes1764100000000 } from './1764100000000-wishes.js';
import { StepsOfLines1764110000000 } from './1764110000000-steps-of-lines.js';
import { PanelOfBoxes1764120000000 } from './1764120000000-panel-of-boxes.js';
import { NothingLost1764130000000 } from './1764130000000-nothing-lost.js';
import { History1764140000000 } from './1764140000000-history.js';
import { OneWord1764150000000 } from './1764150000000-one-word.js';
import { LabelSchools1764160000000 } from './1764160000000-label-schools.js';
import { LabelPrints1764170000000 } from './1764170000000-label-prints.js';
import { AtTheBench1764180000000 } from './1764180000000-at-the-bench.js';
import { AnySize1764190000000 } from './1764190000000-any-size.js';
import { RealKitchen1764200000000 } from './1764200000000-real-kitchen.js';
import { Keeping1764210000000 } from './1764210000000-keeping.js';
import { Payments1764220000000 } from './1764220000000-payments.js';
import { FirstTables1764000000000 } from './1764000000000-first-tables.js';

/** Every migration, the oldest first. Never change one that has been released: add another. */
export const migrations = [
  FirstTables1764000000000,
  BenchCard1764050000000,
  Sold1764060000000,
  SeasonPlan1764070000000,
  LotsAndYields1764080000000,
  Batches1764090000000,
  Wishes1764100000000,
  StepsOfLines1764110000000,
  PanelOfBoxes1764120000000,
  NothingLost1764130000000,
  History1764140000000,
  OneWord1764150000000,
  LabelSchools1764160000000,
  LabelPrints1764170000000,
  AtTheBench1764180000000,
  AnySize1764190000000,
  RealKitchen1764200000000,
  Keeping1764210000000,
  Payments1764220000000,
];
