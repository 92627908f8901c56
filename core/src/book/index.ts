export { type Book, type BookData, boxAsSold, openBook } from './book.js';
