import { useEffect, useEffectEvent } from 'react';
import { listenTo } from '../data/deviceLine';
import type { Bench } from './useBench';
import { useDevices } from './useDevices';

/** The room is kept with a batch when it has changed by as much, K and percent. */
const CHANGED = { celsius: 1, humidity: 3 } as const;

/** Keeps with a batch what the hygrometer says of the room. */
export function useRoom(bench: Bench | null): void {
  const { devices } = useDevices();
  const isOn = devices.hygrometer !== 'none' && bench !== null;
  const take = useEffectEvent((celsius: number, humidity: number) => {
    const room = bench?.state.room;
    const isSame =
      room &&
      Math.abs(room.celsius - celsius) < CHANGED.celsius &&
      Math.abs(room.humidity - humidity) < CHANGED.humidity;
    if (bench && !isSame) bench.happen({ kind: 'room', celsius, humidity });
  });
  useEffect(
    () =>
      isOn
        ? listenTo('hygrometer', ({ celsius, humidity }) => {
            take(celsius, humidity);
          })
        : undefined,
    [isOn],
  );
}
