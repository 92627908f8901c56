export { addDays, type Day, dayNumber, daysBetween, sayDay, sayLabelDay, sayShortDay, weekday } from './day.js';
export {
  roundToStep,
  sayClock,
  sayCount,
  sayGrams,
  sayList,
  sayMass,
  sayMinutes,
  sayMoney,
  sayNumber,
  sayOunces,
} from './format.js';

export { sayMeasure } from './fraction.js';
export { currencySigns, minorDigits, minorPerUnit, percentOfMinor, readMoney, splitMinor, toMinor } from './money.js';
export { amountSchema, densitySchema, gramsSchema, percentSchema, unitSchema } from './schema.js';
export { sayTemperature, toCelsius, toFahrenheit } from './temperature.js';
export { type Density, GRAMS_PER_OUNCE, type UnitCode, unitCodes, units, weigh, type Weighing } from './units.js';
