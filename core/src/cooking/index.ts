export {
  abvOf,
  alcoholKept,
  alcoholRules,
  type AlcoholUse,
  alcoholUses,
  keptAfterHeat,
  RESTRICTED_ABV,
} from './alcohol.js';

export { ganacheAdvice, ganacheBalance, type GanacheBalance, type GanacheSchool, ganacheSchools } from './balance.js';
export {
  boilingPointAt,
  boilingPointAtPressure,
  pressureAt,
  readingHere,
  targetHere,
  thermometerOffset,
  type Thermometry,
} from './boiling.js';

export {
  type Addition,
  boilsAt,
  cookFor,
  cookUntil,
  gramsIn,
  heatIn,
  type Heating,
  type PotContents,
  potContentsSchema,
  type PotState,
} from './cook-curve.js';
export { foamFactors, type Foaming, foamings, potCheck, type PotCheck, type PotSize } from './pot.js';
export { coldWaterAt, elevationOf, stageAt, stages, waterLeft } from './syrup.js';
export {
  fillBelow,
  fillingSets,
  seedOf,
  temperingAt,
  temperingBands,
  type TemperingCurve,
  temperingCurves,
  type TemperingSchool,
  temperingSchools,
} from './tempering.js';
export {
  type EstimatedWaterActivity,
  FOOD_CODE_LIMIT,
  moneyBorn,
  norrish,
  waterActivity,
  type WaterActivity,
} from './water-activity.js';
export { type Banded, type CookFit, fitCook, type FitSetup, type Reading } from './cook-fit.js';
export { type CookForecast, type CookGoal, forecastCook, startSecond, straightLine } from './cook-forecast.js';
export { judgeReading, noReadings, type ProbeTrust, type ReadingMark, sinceChange } from './probe-trace.js';
export { fairProbe, normal, type ProbeFaults, readProbe } from './simulated-probe.js';
export { seeded, simulatedCook, type SimulatedCook } from './simulated-cook.js';
