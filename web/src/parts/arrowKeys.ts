import type { KeyboardEvent } from 'react';

const steps: Record<string, number> = { ArrowDown: 1, ArrowUp: -1, ArrowRight: 1, ArrowLeft: -1 };

/**
 * Moves the focus among what can be opened in a list, and into it from a field above: put it on what holds both.
 * Left and right stay with the field while something is typed there.
 * @param selector what can be opened
 */
export function arrowKeys(event: KeyboardEvent<HTMLElement>, selector = 'li a[href]'): void {
  const step = steps[event.key];
  if (step === undefined || event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
  const from = event.target as HTMLElement;
  const isField = from.matches('input, textarea, [role="combobox"]');
  if (isField && (event.key !== 'ArrowDown' || from.matches('[role="combobox"]'))) return;
  const places = [...event.currentTarget.querySelectorAll<HTMLElement>(selector)];
  const next = places[places.indexOf(from) + step];
  if (!isField && !places.includes(from)) return;
  (isField ? places[0] : next)?.focus();
  event.preventDefault();
}
