export { bookAsMade } from './as-made.js';
export { type Book, type BookData, boxAsSold, openBook } from './book.js';
