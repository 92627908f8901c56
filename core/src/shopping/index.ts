export { lastArrival, orderBy, thereFrom } from './arrival.js';
export { type Lacking, lackingFor } from './lacking.js';
export { afterBuying, buyingDays, ingredientNeeds, shopOf, type ShoppingLine, shoppingList } from './shopping.js';
