export { type DayOrder, readDay } from './day.js';
export {
  type KnownOrder,
  type MessageFate,
  messageFates,
  planMessage,
  type Receipt,
  type ShopMessage,
  shopMessageSchema,
  shopOrderId,
} from './inbox.js';

export { type Forecast, type ForecastDay, readForecast, withForecast } from './forecast.js';
export { idOfKey } from './key.js';
export { type QuickOrder, type QuickQuestion, readQuickOrder } from './quick.js';
export { type Shelf, shelfOf, shelfOfBook } from './shelf.js';
export type { Reading } from './tokens.js';
export { readWay } from './ways.js';
export { wishesIn, wishList } from './wishes.js';
