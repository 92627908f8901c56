import { useEffect, useEffectEvent } from 'react';

/** Where keys are typed, they are no commands. */
const TYPES = 'input, textarea, select, [role=combobox], [contenteditable=true]';

/** Keys of the bench, unless something is typed, or a button has the key that presses it. */
export function useBenchKeys(keys: Readonly<Record<string, () => void>>): void {
  const press = useEffectEvent((event: KeyboardEvent) => {
    const target = event.target instanceof Element ? event.target : null;
    if (event.ctrlKey || event.altKey || event.metaKey || event.repeat || target?.closest(TYPES)) return;
    if (event.key === ' ' && target?.closest('button, a, summary')) return;
    const work = keys[event.key];
    if (!work) return;
    event.preventDefault();
    work();
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      press(event);
    };
    window.addEventListener('keydown', listen);
    return () => {
      window.removeEventListener('keydown', listen);
    };
  }, []);
}
