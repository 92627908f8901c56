export {
  A_YEAR_OF_WEEKS,
  addDays,
  type Day,
  dayNumber,
  daysBetween,
  sayDay,
  sayDaySeenFrom,
  sayFarDay,
  sayLabelDay,
  sayShortDay,
  sayWeekday,
  weekday,
  weekdays,
} from './day.js';
export {
  type Conventions,
  conventionsSchema,
  type Locale,
  locales,
  usualWriting,
  writeAs,
  type Writing,
  writingSchema,
  written,
} from './conventions.js';
export {
  decimalSign,
  heightUnit,
  lengthUnit,
  roundToStep,
  sayClock,
  sayCount,
  sayExact,
  sayGrams,
  sayHeight,
  sayLength,
  sayList,
  sayMass,
  sayMinutes,
  sayMoney,
  sayNumber,
  sayOunces,
  sayTime,
} from './format.js';

export { sayMeasure } from './fraction.js';
export { currencySigns, minorDigits, minorPerUnit, percentOfMinor, readMoney, splitMinor, toMinor } from './money.js';
export { amountSchema, densitySchema, gramsSchema, percentSchema, unitSchema } from './schema.js';
export { sayTemperature, toCelsius, toFahrenheit } from './temperature.js';
export { type Density, GRAMS_PER_OUNCE, type UnitCode, unitCodes, units, weigh, type Weighing } from './units.js';
