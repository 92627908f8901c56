import { readDeviceLines, type DeviceKind, type DeviceMessage } from '@usual-pantry/core/device';
import { apiAt } from '../parts/kitchenAt';

const AGAIN_MS = 2_000;

type Tell = (message: DeviceMessage) => void;
const listeners = new Set<Tell>();
let line: WebSocket | null = null;
let again: ReturnType<typeof setTimeout> | null = null;

/** Opens the line to the devices, and again whenever it breaks, as long as anybody listens. */
function open(): void {
  if (line || listeners.size === 0) return;
  const fresh = new WebSocket(`${location.origin.replace(/^http/, 'ws')}${apiAt('/devices')}`);
  let rest: string | null = '';
  line = fresh;
  fresh.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
    if (typeof data !== 'string') return;
    const read = readDeviceLines(rest, data);
    ({ rest } = read);
    for (const message of read.messages) for (const tell of listeners) tell(message);
  });
  fresh.addEventListener('close', () => {
    line = null;
    again ??= setTimeout(() => {
      again = null;
      open();
    }, AGAIN_MS);
  });
}

/** Hears what devices of a kind say. @returns what ends that */
export function listenTo<Kind extends DeviceKind>(
  kind: Kind,
  tell: (message: Extract<DeviceMessage, { device: Kind }>) => void,
): () => void {
  const own: Tell = (message) => {
    if (message.device === kind) tell(message as Extract<DeviceMessage, { device: Kind }>);
  };
  listeners.add(own);
  open();
  return () => {
    listeners.delete(own);
    if (listeners.size === 0) line?.close();
  };
}
