import { useEffect, useRef, type RefObject } from 'react';

/**
 * The focus goes where the eye goes: to the heading of a record that was opened from elsewhere on the page. It stays where it is when it
 * is in the record already, or nowhere.
 * @returns for the heading, which takes the focus only so: `tabIndex={-1}`
 */
export function useFocusOnOpen<E extends HTMLElement>(): RefObject<E | null> {
  const heading = useRef<E>(null);
  useEffect(() => {
    const at = document.activeElement;
    const record = heading.current?.closest('form, article, section');
    if (at === null || at === document.body || record?.contains(at)) return;
    heading.current?.focus({ preventScroll: true });
  }, []);
  return heading;
}
