import { useEffect, useState } from 'react';
import { listenTo } from '../data/deviceLine';

/** What the scale shows, and the tare that the maker has set. */
export interface ScaleReading {
  /** Net, g; null while no scale says anything. */
  readonly net: number | null;
  readonly tare: () => void;
}

/** What stands on the scale. @param isOn whether there is one */
export function useScale(isOn: boolean): ScaleReading {
  const [gross, setGross] = useState<number | null>(null);
  const [zero, setZero] = useState(0);
  useEffect(
    () =>
      isOn
        ? listenTo('scale', ({ grams }) => {
            setGross(grams);
          })
        : undefined,
    [isOn],
  );
  return {
    net: gross === null || !isOn ? null : Math.round((gross - zero) * 100) / 100,
    tare: () => {
      setZero(gross ?? 0);
    },
  };
}
