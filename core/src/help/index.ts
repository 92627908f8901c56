export { type Term, termOfField, terms } from './terms.js';
