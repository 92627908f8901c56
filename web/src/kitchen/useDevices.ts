import { deviceKinds, type DeviceKind } from '@usual-pantry/core/device';
import { useSyncExternalStore } from 'react';
import { z } from 'zod';
import { keptAs } from '../parts/kitchenAt';

const choiceSchema = z.enum(['none', 'simulated', 'connected']);
export type DeviceChoice = z.infer<typeof choiceSchema>;
export type Devices = Readonly<Record<DeviceKind, DeviceChoice>>;

const none: Devices = { probe: 'none', scale: 'none', hygrometer: 'none' };
const NAME = keptAs('usual-pantry-devices');
const devicesSchema = z.object({ probe: choiceSchema, scale: choiceSchema, hygrometer: choiceSchema });

function read(): Devices {
  try {
    return devicesSchema.parse(JSON.parse(localStorage.getItem(NAME) ?? ''));
  } catch {
    return none;
  }
}

let now: Devices | null = null;
const listeners = new Set<() => void>();
const listen = (tell: () => void) => {
  listeners.add(tell);
  return () => listeners.delete(tell);
};

/** Which devices stand at this bench: a choice of each tablet or phone. */
export function useDevices(): {
  readonly devices: Devices;
  readonly choose: (kind: DeviceKind, as: DeviceChoice) => void;
} {
  const devices = useSyncExternalStore(listen, () => (now ??= read()));
  return {
    devices,
    choose: (kind, as) => {
      now = { ...devices, [kind]: as };
      localStorage.setItem(NAME, JSON.stringify(now));
      for (const tell of listeners) tell();
    },
  };
}

export const simulatesAny = (devices: Devices): boolean => deviceKinds.some((kind) => devices[kind] === 'simulated');
