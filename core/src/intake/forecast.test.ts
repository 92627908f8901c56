import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { different, TODAY } from '../../testing/kitchen.js';
import { addDays, toFahrenheit, weekday } from '../quantity/index.js';
import { readForecast, withForecast } from './forecast.js';

const NAMES = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];

describe('a forecast in one line', () => {
  it('is read day by day, a weekday being the next one and the warmer end of a span counting', () => {
    expect(readForecast('Thu 22 C 45 %, Sat-Mon 79 F; tomorrow humid, Wed 18-24°C 50% rh', TODAY)).toEqual({
      days: [
        { day: '2026-11-25', roomCelsius: 24, humidityPercent: 50, humid: null },
        { day: '2026-11-26', roomCelsius: 22, humidityPercent: 45, humid: null },
        { day: '2026-11-28', roomCelsius: 26.1, humidityPercent: null, humid: null },
        { day: '2026-11-29', roomCelsius: 26.1, humidityPercent: null, humid: null },
        { day: '2026-11-30', roomCelsius: 26.1, humidityPercent: null, humid: null },
      ],
      wrong: [{ text: 'tomorrow humid', message: 'names a day that was named before.' }],
    });
    expect(readForecast('5 Dec 23 C, 2026-12-06: dry, 12 December 21,5 C 40,5 %', TODAY).days).toEqual([
      { day: '2026-12-05', roomCelsius: 23, humidityPercent: null, humid: null },
      { day: '2026-12-06', roomCelsius: null, humidityPercent: null, humid: false },
      { day: '2026-12-12', roomCelsius: 21.5, humidityPercent: 40.5, humid: null },
    ]);
  });

  it.each([
    ['Mon 22', '22 of what? Say C, F or %.'],
    ['Mon', 'says nothing of the air: give a temperature, a humidity, or "humid".'],
    ['22 C', 'names no day: begin with a weekday or a date.'],
    ['Mon 95 C', 'no kitchen is that cold or that warm.'],
    ['Mon 130 %', 'a humidity is from 0 to 100 %.'],
    ['Mon sunny 22 C', '"sunny" was not understood.'],
  ])('asks about %s', (text, message) => {
    expect(readForecast(text, TODAY)).toEqual({ days: [], wrong: [{ text, message }] });
  });

  it('loses no day and no number that it does not ask about', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(
          fc.record({
            ahead: fc.nat(6),
            celsius: fc.integer({ min: -5, max: 45 }),
            percent: fc.option(fc.integer({ min: 0, max: 100 })),
            inFahrenheit: fc.boolean(),
          }),
          { minLength: 1, maxLength: 7, selector: ({ ahead }) => ahead },
        ),
        (days) => {
          const line = days
            .map(({ ahead, celsius, percent, inFahrenheit }) => {
              const degrees = inFahrenheit ? `${String(toFahrenheit(celsius))} F` : `${String(celsius)} C`;
              return `${NAMES[weekday(addDays(TODAY, ahead))] ?? ''} ${degrees}${percent === null ? '' : ` ${String(percent)} %`}`;
            })
            .join(', ');
          const { days: read, wrong } = readForecast(line, TODAY);
          expect(wrong).toEqual([]);
          expect(read).toEqual(
            [...days]
              .sort((a, b) => a.ahead - b.ahead)
              .map(({ ahead, celsius, percent }) => ({
                day: addDays(TODAY, ahead),
                roomCelsius: celsius,
                humidityPercent: percent,
                humid: null,
              })),
          );
        },
      ),
    );
  });
});

describe('days with a forecast', () => {
  const known = [different('2026-11-26', { roomCelsius: 21, humidityPercent: 70, helperHours: 2 })];
  const then = (text: string) => withForecast(known, readForecast(text, TODAY).days);

  it('keep what it does not say of them', () => {
    expect(then('Thu 24 C, Fri 40 %')).toEqual([
      different('2026-11-26', { roomCelsius: 24, humidityPercent: 70, helperHours: 2 }),
      different('2026-11-27', { humidityPercent: 40 }),
    ]);
  });

  it('go by its word where that is newer than a number', () => {
    expect(then('Thu dry')).toEqual([
      different('2026-11-26', { roomCelsius: 21, humidityPercent: null, helperHours: 2 }),
    ]);
    expect(then('Thu humid 65 %')[0]).toMatchObject({ humid: true, humidityPercent: 65 });
  });
});
