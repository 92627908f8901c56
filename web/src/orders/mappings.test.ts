import { afterEach, beforeEach, expect, it } from '@jest/globals';
import { keepMapping, keptMapping } from './mappings';

const kept = { mapping: { customer: 'Name' }, dayOrder: 'day first' } as const;
const room = new Map<string, string>();
beforeEach(() => {
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => room.get(key) ?? null,
      setItem: (key: string, value: string) => room.set(key, value),
    },
  });
});
afterEach(() => {
  room.clear();
  Reflect.deleteProperty(globalThis, 'localStorage');
});

it('remembers how a file with the same columns was read, and no other', () => {
  keepMapping(['Name', 'Box'], kept);
  expect(keptMapping(['Name', 'Box'])).toEqual(kept);
  expect(keptMapping(['Box', 'Name'])).toBeNull();
});

it('asks again when what was kept cannot be read, or there is no room to keep it', () => {
  room.set('order-columns Name', '{');
  expect(keptMapping(['Name'])).toBeNull();
  Object.assign(globalThis.localStorage, {
    setItem: () => {
      throw new Error('full');
    },
  });
  expect(() => {
    keepMapping(['Name'], kept);
  }).not.toThrow();
});
