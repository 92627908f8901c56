import { z } from 'zod';

const at = z.iso.datetime({ offset: true });

/** What a device says: one line of JSON. */
export const deviceMessageSchema = z
  .discriminatedUnion('device', [
    z.strictObject({
      device: z.literal('probe'),
      at,
      /** What it reads; null while it reads nothing. */
      celsius: z.number().nullable(),
    }),
    z.strictObject({
      device: z.literal('scale'),
      at,
      grams: z.number().min(-50_000).max(200_000),
      /** Whether the reading stands still. */
      stable: z.boolean(),
    }),
    z.strictObject({
      device: z.literal('hygrometer'),
      at,
      celsius: z.number().min(-20).max(60),
      /** Relative, percent. */
      humidity: z.number().min(0).max(100),
    }),
  ])
  .meta({ id: 'DeviceMessage' });

export type DeviceMessage = z.infer<typeof deviceMessageSchema>;
export type DeviceKind = DeviceMessage['device'];
export const deviceKinds = ['probe', 'scale', 'hygrometer'] as const satisfies readonly DeviceKind[];

/** A longer line is no message of a device. */
export const MOST_LINE = 500;

/** What a stretch of text from a device came to. */
export interface DeviceLines {
  readonly messages: readonly DeviceMessage[];
  /** Lines that say nothing. */
  readonly refused: number;
  /** The beginning of a line that has not ended yet; null when it is too long to be one, and is passed over up to its end. */
  readonly rest: string | null;
}

function readLine(line: string): DeviceMessage | null {
  try {
    const read = deviceMessageSchema.safeParse(JSON.parse(line));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/**
 * Reads newline-delimited JSON as it comes, in pieces of any length.
 * @param rest of the text before; empty at the beginning
 * @returns whole messages, in order; nothing throws, whatever comes
 */
export function readDeviceLines(rest: string | null, text: string): DeviceLines {
  const lines = ((rest ?? '') + text).split('\n');
  const open = lines.pop() ?? '';
  // A line whose beginning was passed over has an end that says nothing.
  const whole = rest === null ? lines.slice(1) : lines;
  const isLost = rest === null && lines.length === 0;
  const written = whole.map((line) => line.trim()).filter((line) => line !== '');
  const messages = written.flatMap((line) => (line.length > MOST_LINE ? [] : (readLine(line) ?? [])));
  return {
    messages,
    refused: written.length - messages.length + (rest === null && lines.length > 0 ? 1 : 0),
    rest: isLost || open.length > MOST_LINE ? null : open,
  };
}

/** A message as a line. */
export const writeDeviceLine = (message: DeviceMessage): string => `${JSON.stringify(message)}\n`;
