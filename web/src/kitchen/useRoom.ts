import { isSameRoom, type RoomReading } from '@usual-pantry/core/room';
import { useEffect, useEffectEvent, useState } from 'react';
import { listenTo } from '../data/deviceLine';
import type { Bench } from './useBench';
import { useDevices } from './useDevices';

/** The newest reading of the hygrometer since the page was opened: it says nothing again until something changes. */
let newest: RoomReading | null = null;

/** What the hygrometer says of the room; null where there is none, or it has not said anything yet. */
export function useRoomReading(): RoomReading | null {
  const { devices } = useDevices();
  const isOn = devices.hygrometer !== 'none';
  const [reading, setReading] = useState(newest);
  useEffect(
    () =>
      isOn
        ? listenTo('hygrometer', ({ celsius, humidity }) => {
            newest = { celsius, humidity };
            setReading(newest);
          })
        : undefined,
    [isOn],
  );
  return isOn ? reading : null;
}

/** Keeps with a batch what the hygrometer says of the room. */
export function useRoom(bench: Bench | null): void {
  const reading = useRoomReading();
  const isThere = bench !== null;
  const take = useEffectEvent(({ celsius, humidity }: RoomReading) => {
    const room = bench?.state.room;
    const known = { celsius: room?.celsius ?? null, humidityPercent: room?.humidity ?? null };
    if (bench && !isSameRoom(known, { celsius, humidity })) bench.happen({ kind: 'room', celsius, humidity });
  });
  useEffect(() => {
    if (reading && isThere) take(reading);
  }, [reading, isThere]);
}
