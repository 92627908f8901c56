export {
  againstAir,
  type Air,
  type AirLimit,
  airLimitSchema,
  ANY_AIR,
  DAMP_FROM_PERCENT,
  humidityPercentSchema,
  roomCelsiusSchema,
  tooDamp,
  tooWarm,
} from './air.js';
export {
  type ColdKind,
  coldKinds,
  coldNames,
  type ColdPlace,
  coldPlaceSchema,
  litresOf,
  PIECES_OF_ROOM,
  type StandsCold,
  standsColdSchema,
} from './cold.js';
