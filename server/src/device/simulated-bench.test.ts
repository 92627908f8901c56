import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import type { Simulate } from '@usual-pantry/core/api';
import type { DeviceMessage } from '@usual-pantry/core/device';
import { SimulatedBench } from './simulated-bench.js';

let bench: SimulatedBench;
let heard: DeviceMessage[];
beforeEach(() => {
  jest.useFakeTimers({ now: Date.parse('2026-11-25T18:00:00.000Z') });
  bench = new SimulatedBench();
  heard = [];
  for (const device of [bench.probe, bench.scale, bench.hygrometer])
    device.listen((message: DeviceMessage) => heard.push(message));
});
afterEach(() => {
  bench.onModuleDestroy();
  jest.useRealTimers();
});

const onTheHeat = (more: Partial<Extract<Simulate, { what: 'on the heat' }>> = {}): Simulate => ({
  what: 'on the heat',
  makingId: 'm',
  contents: { water: 60, sugars: 300, fat: 100, others: 5 },
  watts: 900,
  waterBoils: 95,
  celsius: 30,
  offsetKelvin: 0,
  speed: 1,
  ...more,
});
/** What a probe has read that could be true. */
const read = (): number[] =>
  heard.flatMap((message) =>
    message.device === 'probe' && message.celsius !== null && message.celsius > 1 && message.celsius < 300
      ? [message.celsius]
      : [],
  );
const seconds = (count: number) => {
  jest.advanceTimersByTime(count * 1000);
};

describe('the simulated bench', () => {
  it('reads nothing until something stands on it', () => {
    seconds(30);
    expect(heard).toEqual([]);
  });

  it('follows a pot on the heat, twice a second, by its own clock', () => {
    bench.do({ what: 'probe', touchesKelvin: 0, dropOuts: 0, nonsense: 0 });
    bench.do(onTheHeat());
    seconds(60);
    expect(heard).toHaveLength(120);
    expect(read().at(-1)).toBeGreaterThan((read()[0] ?? 0) + 20);
    expect(heard.at(-1)?.at).toBe('2026-11-25T18:01:00.000Z');
  });

  it('goes as fast as it is told, its clock with it', () => {
    bench.do({ what: 'probe', touchesKelvin: 0, dropOuts: 0, nonsense: 0 });
    bench.do(onTheHeat({ speed: 20 }));
    seconds(6);
    expect(heard).toHaveLength(240);
    expect(heard.at(-1)?.at).toBe('2026-11-25T18:02:00.000Z');
  });

  it('dips when something cold goes in, and reads as much higher as the thermometer is off', () => {
    bench.do(onTheHeat({ celsius: 104, offsetKelvin: 5 }));
    seconds(5);
    const before = read().at(-1) ?? 0;
    expect(before).toBeGreaterThan(107);
    bench.do({ what: 'goes in', contents: { water: 20, sugars: 0, fat: 200, others: 0 }, celsius: 5 });
    seconds(20);
    expect(Math.min(...read().slice(-30))).toBeLessThan(before - 5);
  });

  it('cools when the flame is out, and stops when the pot is taken off', () => {
    bench.do(onTheHeat({ celsius: 90 }));
    bench.do({ what: 'heat', share: 0 });
    seconds(120);
    expect(read().at(-1)).toBeLessThan(90);
    bench.do({ what: 'off the heat' });
    const count = heard.length;
    seconds(30);
    expect(heard).toHaveLength(count);
  });

  it('reads too high where the bulb touches, and leaves readings out when told to', () => {
    bench.do({ what: 'probe', touchesKelvin: 20, dropOuts: 0.5, nonsense: 0 });
    bench.do(onTheHeat({ watts: 0, celsius: 21 }));
    seconds(60);
    expect(heard.length).toBeGreaterThan(30);
    expect(heard.length).toBeLessThan(95);
    expect(Math.max(...read())).toBeGreaterThan(33);
  });

  it('weighs and knows the room once it is told', () => {
    bench.do({ what: 'on the scale', grams: 431.2 });
    bench.do({ what: 'room', celsius: 22, humidity: 48 });
    expect(heard).toMatchObject([
      { device: 'scale', grams: 431.2, stable: true },
      { device: 'hygrometer', celsius: 22, humidity: 48 },
    ]);
  });

  it('tells nobody who listens no more, and nothing of a pot that is not there', () => {
    const own: DeviceMessage[] = [];
    const end = bench.scale.listen((message) => own.push(message));
    end();
    bench.do({ what: 'on the scale', grams: 10 });
    bench.do({ what: 'goes in', contents: { water: 1, sugars: 0, fat: 0, others: 0 }, celsius: 5 });
    bench.do({ what: 'heat', share: 2 });
    seconds(5);
    expect(own).toEqual([]);
    expect(heard).toHaveLength(1);
  });

  it('forgets a pot that nobody takes off', () => {
    bench.do(onTheHeat({ watts: 0, celsius: 21, speed: 60 }));
    seconds(240);
    const count = heard.length;
    seconds(60);
    expect(heard).toHaveLength(count);
  });
});
