import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { againstAir, ANY_AIR, coldPlaceSchema, isSameRoom, litresOf, tooDamp, tooWarm } from './index.js';

const air = (celsius: number | null, humidityPercent: number | null, humid = false) => ({
  celsius,
  humidityPercent,
  humid,
});

describe('the air of a room', () => {
  it('is against something only where both its limit and the number are known', () => {
    fc.assert(
      fc.property(
        fc.option(fc.integer({ min: 10, max: 35 })),
        fc.option(fc.integer({ min: 10, max: 35 })),
        (mostCelsius, celsius) => {
          const limit = { ...ANY_AIR, mostCelsius };
          expect(tooWarm(limit, air(celsius, null))).toBe(
            mostCelsius !== null && celsius !== null && celsius > mostCelsius,
          );
        },
      ),
    );
  });

  it('is said with both numbers', () => {
    expect(againstAir({ mostCelsius: 25, mostHumidityPercent: 50 }, air(28, 61))).toBe(
      '28 C / 82 F are expected, and it wants 25 C / 77 F at most; 61 % humidity are expected, and it wants 50 % at most',
    );
    expect(againstAir({ mostCelsius: 25, mostHumidityPercent: 50 }, air(25, 50))).toBeNull();
    expect(againstAir(ANY_AIR, air(40, 90, true))).toBeNull();
  });

  it('goes by the word only where there is no number', () => {
    const dry = { ...ANY_AIR, mostHumidityPercent: 50 };
    expect(tooDamp(dry, air(null, null, true))).toBe(true);
    expect(tooDamp(dry, air(null, 45, true))).toBe(false);
    expect(tooDamp(dry, air(null, 55, false))).toBe(true);
    expect(againstAir(dry, air(null, null, true))).toBe('the day is humid, and it wants 50 % at most');
  });
});

describe('a reading of the room', () => {
  it('is news where it differs by more than a hygrometer errs, and wherever nothing was known', () => {
    const reading = { celsius: 22, humidity: 48 };
    expect(isSameRoom({ celsius: 22.9, humidityPercent: 45.1 }, reading)).toBe(true);
    expect(isSameRoom({ celsius: 23, humidityPercent: 48 }, reading)).toBe(false);
    expect(isSameRoom({ celsius: 22, humidityPercent: 51 }, reading)).toBe(false);
    expect(isSameRoom({ celsius: null, humidityPercent: 48 }, reading)).toBe(false);
    expect(isSameRoom({ celsius: 22, humidityPercent: null }, reading)).toBe(false);
  });
});

describe('cold places', () => {
  const place = (kind: 'fridge' | 'freezer', litres: number) => coldPlaceSchema.parse({ name: kind, kind, litres });

  it('of one kind are counted together, and those that nobody named not at all', () => {
    expect(litresOf([place('fridge', 5), place('freezer', 9), place('fridge', 2)], 'fridge')).toBe(7);
    expect(litresOf([place('freezer', 9)], 'fridge')).toBeNull();
  });
});
