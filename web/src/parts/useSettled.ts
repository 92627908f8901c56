import { useEffect, useState } from 'react';

/**
 * A value once it has stood still for so many milliseconds: what is asked of the server need not follow every key.
 * @param first what it is until then
 */
export function useSettled<T>(value: T, milliseconds: number, first = value): T {
  const [settled, setSettled] = useState(first);
  useEffect(() => {
    const timer = setTimeout(() => {
      setSettled(value);
    }, milliseconds);
    return () => {
      clearTimeout(timer);
    };
  }, [value, milliseconds]);
  return settled;
}
