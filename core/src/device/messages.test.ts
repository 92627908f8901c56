import { describe, expect, it } from '@jest/globals';
import { runs } from '../../testing/runs.js';
import fc from 'fast-check';
import { MOST_LINE, readDeviceLines, writeDeviceLine, type DeviceMessage } from './messages.js';

const MESSAGES = runs(10_000, 100_000);
const at = '2026-11-25T16:40:00.000Z';
const probe = (celsius: number): DeviceMessage => ({ device: 'probe', at, celsius });

/** Reads a text in pieces that end anywhere. */
function readInPieces(text: string, lengths: readonly number[]) {
  let rest: string | null = '';
  const messages: DeviceMessage[] = [];
  let refused = 0;
  let from = 0;
  for (let turn = 0; from < text.length; turn++) {
    const to = from + Math.max(1, lengths[turn % lengths.length] ?? 1);
    const lines = readDeviceLines(rest, text.slice(from, to));
    messages.push(...lines.messages);
    refused += lines.refused;
    ({ rest } = lines);
    from = to;
  }
  return { messages, refused };
}

describe('lines of a device', () => {
  const sent: fc.Arbitrary<DeviceMessage> = fc.oneof(
    fc.record({
      device: fc.constant('probe' as const),
      at: fc.constant(at),
      celsius: fc.oneof(fc.double({ noNaN: true, noDefaultInfinity: true }), fc.constant(null)),
    }),
    fc.record({
      device: fc.constant('scale' as const),
      at: fc.constant(at),
      grams: fc.double({ min: -100, max: 5000, noNaN: true }),
      stable: fc.boolean(),
    }),
    fc.record({
      device: fc.constant('hygrometer' as const),
      at: fc.constant(at),
      celsius: fc.double({ min: -5, max: 40, noNaN: true }),
      humidity: fc.double({ min: 0, max: 100, noNaN: true }),
    }),
  );

  it('come whole however they are cut', () => {
    fc.assert(
      fc.property(
        fc.array(sent, { minLength: 1, maxLength: 20 }),
        fc.array(fc.integer({ min: 1, max: 90 }), { minLength: 1 }),
        (list, lengths) => {
          const { messages, refused } = readInPieces(list.map(writeDeviceLine).join(''), lengths);
          expect(JSON.stringify(messages)).toBe(JSON.stringify(list));
          expect(refused).toBe(0);
        },
      ),
    );
  });

  it(`of ${MESSAGES.toLocaleString('en')} broken and whole messages give the whole ones, and no other`, () => {
    const junk = fc.oneof(
      fc.string({ maxLength: 60 }),
      fc.json(),
      fc.constantFrom(
        '{"device":"probe"}',
        '{"device":"probe","at":"now","celsius":1}',
        '{"device":"probe","at":"2026-11-25T16:40:00Z","celsius":"120"}',
        '{"device":"scale","at":"2026-11-25T16:40:00Z","grams":1e999,"stable":true}',
        '{"device":"toaster","celsius":120}',
        '[]',
        'null',
        '{"device":"probe","at":"2026-11-25T16:40:00Z","celsius":120',
        'x'.repeat(MOST_LINE + 1),
      ),
    );
    const each = 500;
    fc.assert(
      fc.property(
        fc.array(fc.oneof({ weight: 1, arbitrary: sent }, { weight: 2, arbitrary: junk }), {
          minLength: each,
          maxLength: each,
        }),
        fc.integer({ min: 1, max: 2000 }),
        (list, length) => {
          const isWhole = (line: DeviceMessage | string): line is DeviceMessage => typeof line !== 'string';
          const text = list
            .map((line) => (isWhole(line) ? writeDeviceLine(line) : `${line.replaceAll('\n', ' ')}\n`))
            .join('');
          const { messages } = readInPieces(text, [length]);
          expect(JSON.stringify(messages)).toBe(JSON.stringify(list.filter(isWhole)));
        },
      ),
      { numRuns: MESSAGES / each },
    );
  });

  it('that are endless are passed over, and the next one is read', () => {
    const { messages, refused } = readInPieces(`${'9'.repeat(5000)}\n${writeDeviceLine(probe(120))}`, [64]);
    expect(messages).toEqual([probe(120)]);
    expect(refused).toBe(1);
  });
});
