export {
  abvOf,
  alcoholKept,
  alcoholRules,
  type AlcoholUse,
  alcoholUses,
  keptAfterHeat,
  RESTRICTED_ABV,
} from './alcohol.js';

export { ganacheBalance, type GanacheBalance } from './balance.js';
export {
  boilingPointAt,
  boilingPointAtPressure,
  pressureAt,
  readingHere,
  targetHere,
  thermometerOffset,
  type Thermometry,
} from './boiling.js';

export { foamFactors, type Foaming, foamings, potCheck, type PotCheck, type PotSize } from './pot.js';
export { elevationOf, stageAt, stages, waterLeft } from './syrup.js';
export { temperingCurves } from './tempering.js';
export {
  type EstimatedWaterActivity,
  FOOD_CODE_LIMIT,
  moneyBorn,
  norrish,
  waterActivity,
  type WaterActivity,
} from './water-activity.js';
