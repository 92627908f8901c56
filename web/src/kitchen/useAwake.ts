import { useEffect, useState } from 'react';

/** Keeps the screen awake as long as it is looked at. @returns whether it does: not every browser can */
export function useAwake(): boolean {
  const [isAwake, setIsAwake] = useState(false);
  useEffect(() => {
    if (!('wakeLock' in navigator)) return undefined;
    let lock: WakeLockSentinel | null = null;
    let isOver = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        const fresh = await navigator.wakeLock.request('screen');
        if (isOver) {
          await fresh.release();
          return;
        }
        lock = fresh;
        setIsAwake(true);
        fresh.addEventListener('release', () => {
          setIsAwake(false);
        });
      } catch {
        setIsAwake(false);
      }
    };
    const again = () => void ask();
    document.addEventListener('visibilitychange', again);
    again();
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release().catch(() => undefined);
    };
  }, []);
  return isAwake;
}
