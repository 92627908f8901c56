import Box from '@mui/material/Box';
import { withForecast } from '@usual-pantry/core/intake';
import { airOn } from '@usual-pantry/core/plan';
import { sayNumber, sayTemperature } from '@usual-pantry/core/quantity';
import { isSameRoom } from '@usual-pantry/core/room';
import { useState } from 'react';
import { useBookQuery, useSaveKitchenMutation } from '../data/book';
import { usePlanQuery } from '../data/plan';
import { sayRefusal, type Refusal } from '../parts/refusal';
import { BigButton } from './BigButton';
import { useRoomReading } from './useRoom';

const sayAir = (celsius: number | null, humidity: number | null): string =>
  [
    ...(celsius === null ? [] : [sayTemperature(celsius)]),
    ...(humidity === null ? [] : [`${sayNumber(humidity)} % humidity`]),
  ].join(', ');

/** The room as the hygrometer reads it, where the plan does not know it so: one tap, and the plan goes by it today. */
export function RoomToday() {
  const reading = useRoomReading();
  const { data: book } = useBookQuery();
  const { data: plan } = usePlanQuery();
  const [save, { isLoading }] = useSaveKitchenMutation();
  const [trouble, setTrouble] = useState<string | null>(null);
  if (!reading || !book || !plan) return null;
  const { kitchen } = book;
  const known = airOn(plan.today, kitchen);
  if (isSameRoom(known, reading)) return null;
  const { celsius, humidity } = reading;
  const expected = sayAir(known.celsius, known.humidityPercent);
  const take = async () => {
    const today = { day: plan.today, roomCelsius: celsius, humidityPercent: humidity, humid: null };
    const changed = { ...kitchen, dayChanges: withForecast(kitchen.dayChanges, [today]) };
    try {
      await save({ kitchen: changed, label: `Today’s air is ${sayAir(celsius, humidity)}.` }).unwrap();
      setTrouble(null);
    } catch (error) {
      setTrouble(sayRefusal(error as Refusal));
    }
  };
  return (
    <Box
      role="status"
      sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1.5, mb: 1.5, typography: 'large' }}
    >
      <span>
        The room is {sayAir(celsius, humidity)}; for today the plan {expected ? `expects ${expected}` : 'knows nothing'}
        .
      </span>
      <BigButton disabled={isLoading} onClick={() => void take()}>
        Plan by it
      </BigButton>
      {trouble !== null && (
        <Box role="alert" sx={{ color: 'error.main' }}>
          {trouble}
        </Box>
      )}
    </Box>
  );
}
