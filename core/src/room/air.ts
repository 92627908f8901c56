import { z } from 'zod';
import { sayExact, sayNumber, sayTemperature } from '../quantity/index.js';

/** A room that is warmer or damper than any kitchen is a slip. */
export const roomCelsiusSchema = z
  .number('must be a number')
  .min(-10, 'is colder than any kitchen')
  .max(50, 'is hotter than any kitchen');
export const humidityPercentSchema = z
  .number('must be a number')
  .min(0, 'must not be negative')
  .max(100, 'must be 100 % or less');

/** How warm and how damp the room may be for something: null where that does not matter. */
export const airLimitSchema = z
  .strictObject({
    mostCelsius: roomCelsiusSchema.nullable().default(null),
    mostHumidityPercent: humidityPercentSchema.nullable().default(null),
  })
  .meta({ id: 'AirLimit' });

export type AirLimit = z.infer<typeof airLimitSchema>;

/** Any air will do. */
export const ANY_AIR: AirLimit = { mostCelsius: null, mostHumidityPercent: null };

/** Hygroscopic sweets want a room under this. Common practice, no source. */
export const DAMP_FROM_PERCENT = 50;

/** The air of a kitchen on a day, as far as it is known. */
export interface Air {
  readonly celsius: number | null;
  readonly humidityPercent: number | null;
  /** Whether the maker calls the day humid, without a number. */
  readonly humid: boolean;
}

/** What a hygrometer says of a room. */
export interface RoomReading {
  readonly celsius: number;
  readonly humidity: number;
}

/** By less than this no room has changed, K and percent: a hygrometer of a kitchen is no finer. A guess. */
const CHANGED = { celsius: 1, humidity: 3 } as const;

/** Whether a room is what it was known to be, as nearly as a hygrometer tells. @example isSameRoom({ celsius: 21, humidityPercent: null }, reading) // false */
export const isSameRoom = (
  { celsius, humidityPercent }: Pick<Air, 'celsius' | 'humidityPercent'>,
  reading: RoomReading,
): boolean =>
  celsius !== null &&
  humidityPercent !== null &&
  Math.abs(celsius - reading.celsius) < CHANGED.celsius &&
  Math.abs(humidityPercent - reading.humidity) < CHANGED.humidity;

/** Whether a room is warmer than a limit; what is not known is not held against it. */
export const tooWarm = ({ mostCelsius }: AirLimit, { celsius }: Air): boolean =>
  mostCelsius !== null && celsius !== null && celsius > mostCelsius;

/**
 * Whether a room is damper than a limit. A number goes before the word: a day that is called humid without one is too humid for whatever has
 * a limit.
 */
export const tooDamp = ({ mostHumidityPercent }: AirLimit, { humidityPercent, humid }: Air): boolean =>
  mostHumidityPercent !== null && (humidityPercent !== null ? humidityPercent > mostHumidityPercent : humid);

/** What of a room's air is against something, as the end of a sentence; null when nothing is. @example '28 °C are expected: up to 25 °C' */
export function againstAir(limit: AirLimit, air: Air): string | null {
  const warm = tooWarm(limit, air)
    ? [
        `${sayTemperature(air.celsius ?? 0)} are expected, and it wants ${sayTemperature(limit.mostCelsius ?? 0)} at most`,
      ]
    : [];
  const damp = tooDamp(limit, air)
    ? [
        air.humidityPercent === null
          ? `the day is humid, and it wants ${sayExact(limit.mostHumidityPercent ?? 0)} % at most`
          : `${sayNumber(air.humidityPercent)} % humidity are expected, and it wants ${sayExact(limit.mostHumidityPercent ?? 0)} % at most`,
      ]
    : [];
  const words = [...warm, ...damp];
  return words.length > 0 ? words.join('; ') : null;
}
