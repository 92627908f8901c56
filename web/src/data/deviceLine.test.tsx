import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { writeDeviceLine, type DeviceMessage } from '@usual-pantry/core/device';
import { listenTo } from './deviceLine';

/** A line that the test holds the other end of. */
class Line extends EventTarget {
  static opened: Line[] = [];
  isClosed = false;

  constructor(readonly address: string) {
    super();
    Line.opened.push(this);
  }

  says(text: unknown): void {
    this.dispatchEvent(new MessageEvent('message', { data: text }));
  }

  close(): void {
    if (this.isClosed) return;
    this.isClosed = true;
    this.dispatchEvent(new Event('close'));
  }
}

const RealSocket = globalThis.WebSocket;
let ends: (() => void)[];
beforeEach(() => {
  Line.opened = [];
  ends = [];
  globalThis.WebSocket = Line as unknown as typeof WebSocket;
});
afterEach(() => {
  for (const end of ends) end();
  globalThis.WebSocket = RealSocket;
});

const at = '2026-11-25T16:40:00.000Z';
const probe = (celsius: number): DeviceMessage => ({ device: 'probe', at, celsius });
const scale = (grams: number): DeviceMessage => ({ device: 'scale', at, grams, stable: true });
const newest = (): Line => {
  const line = Line.opened.at(-1);
  if (!line) throw new Error('no line');
  return line;
};

describe('the line to the devices', () => {
  it('is one line for all who listen, and each hears its own kind', () => {
    const celsius: (number | null)[] = [];
    const grams: number[] = [];
    ends.push(
      listenTo('probe', (message) => celsius.push(message.celsius)),
      listenTo('scale', (message) => grams.push(message.grams)),
    );
    expect(Line.opened).toHaveLength(1);
    expect(newest().address).toMatch(/^ws:\/\/.*\/api\/devices$/);
    newest().says(writeDeviceLine(probe(120)) + writeDeviceLine(scale(431)));
    expect(celsius).toEqual([120]);
    expect(grams).toEqual([431]);
  });

  it('hears messages that come in pieces, and passes over nonsense and what is no text', () => {
    const celsius: (number | null)[] = [];
    ends.push(listenTo('probe', (message) => celsius.push(message.celsius)));
    const text = writeDeviceLine(probe(121));
    newest().says(`nonsense\n${text.slice(0, 20)}`);
    newest().says(new ArrayBuffer(4));
    newest().says(text.slice(20));
    expect(celsius).toEqual([121]);
  });

  it('is closed when nobody listens any more, and opened again for the next', () => {
    const end = listenTo('probe', () => undefined);
    const first = newest();
    end();
    expect(first.isClosed).toBe(true);
    ends.push(listenTo('probe', () => undefined));
    expect(Line.opened).toHaveLength(2);
  });
});
