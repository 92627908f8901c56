import { said } from '../data/notices';
import type { store as Store } from '../data/store';

/** What browsers report and nobody needs to know: a page that was left, a size that settles a moment later. */
const HARMLESS = /AbortError|ResizeObserver loop/;

const wordsOf = (reason: unknown): string => {
  if (reason instanceof Error) return `${reason.name}: ${reason.message}`;
  const { message } = (reason ?? {}) as { message?: unknown };
  return typeof message === 'string' ? message : String(reason);
};

/** Says every error that no part of the page has said itself: no press ever does nothing in silence. */
export function sayUntold(window: Window, { dispatch }: Pick<typeof Store, 'dispatch'>): void {
  const say = (reason: unknown) => {
    const words = wordsOf(reason);
    if (HARMLESS.test(words)) return;
    dispatch(said({ text: `That didn’t work: ${words.slice(0, 200)} What you typed is still here.`, tone: 'trouble' }));
  };
  window.addEventListener('error', ({ error, message }) => {
    say(error ?? message);
  });
  window.addEventListener('unhandledrejection', ({ reason }) => {
    say(reason);
  });
}
