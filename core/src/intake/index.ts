export { readCsv, type CsvTable } from './csv-table.js';
export * from './csv.js';
export { readDay, type DayOrder, type ReadDay } from './day.js';
export * from './inbox.js';
export * from './quick.js';
export { shelfOf, shelfOfBook, type Named, type Shelf } from './shelf.js';
export type { Reading } from './tokens.js';
export { readWay, type Way } from './ways.js';
export { wishesIn, wishList, type Wishes } from './wishes.js';
