import type { Provider } from '@nestjs/common';
import { LABEL_PRINTER } from './label-printer.js';
import { SCALE } from './scale.js';
import { SimulatedScale } from './simulated-scale.js';
import { SimulatedLabelPrinter } from './simulated-label-printer.js';
import { ORDER_SENDER } from './order-sender.js';
import { SimulatedOrderSender } from './simulated-order-sender.js';

/** What stands in for each device: an interface a file, the simulated one beside it, and a line here. */
export const devices: readonly Provider[] = [
  { provide: ORDER_SENDER, useClass: SimulatedOrderSender },
  { provide: SCALE, useClass: SimulatedScale },
  { provide: LABEL_PRINTER, useClass: SimulatedLabelPrinter },
];
