import type { Provider } from '@nestjs/common';
import { LABEL_PRINTER } from './label-printer.js';
import { BENCH_DEVICES } from './bench-device.js';
import { SCALE } from './scale.js';
import { SimulatedBench } from './simulated-bench.js';
import { SimulatedScale } from './simulated-scale.js';
import { SimulatedLabelPrinter } from './simulated-label-printer.js';
import { ORDER_SENDER } from './order-sender.js';
import { SimulatedOrderSender } from './simulated-order-sender.js';

/** What stands in for each device: an interface a file, the simulated one beside it, and a line here. */
export const devices: readonly Provider[] = [
  { provide: ORDER_SENDER, useClass: SimulatedOrderSender },
  { provide: SCALE, useClass: SimulatedScale },
  SimulatedBench,
  { provide: BENCH_DEVICES, useExisting: SimulatedBench },
  { provide: LABEL_PRINTER, useClass: SimulatedLabelPrinter },
];
