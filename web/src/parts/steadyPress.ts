/** So far a pointer may move and still press, px. */
const STILL_PX = 6;
const PRESSABLE = 'button, a[href], [role="button"], [role="tab"], [role="menuitem"], [role="option"], label, summary';

/**
 * Lets a press count although the page moves under it: leaving a field shows what is wrong with it, and what was pressed is somewhere else
 * when the pointer comes up. The browser then sends the click to neither.
 */
export function steadyPresses(root: Document): void {
  let pressed: { readonly target: Element; readonly x: number; readonly y: number } | null = null;
  root.addEventListener(
    'pointerdown',
    ({ target, button, clientX: x, clientY: y, isPrimary }) => {
      const found = button === 0 && isPrimary && target instanceof Element ? target.closest(PRESSABLE) : null;
      pressed = found ? { target: found, x, y } : null;
    },
    true,
  );
  root.addEventListener(
    'pointercancel',
    () => {
      pressed = null;
    },
    true,
  );
  root.addEventListener(
    'pointerup',
    ({ target, clientX, clientY }) => {
      const was = pressed;
      pressed = null;
      if (!was || !(target instanceof Node)) return;
      const isStill = Math.hypot(clientX - was.x, clientY - was.y) <= STILL_PX;
      if (!isStill || was.target.contains(target) || !was.target.isConnected) return;
      // After the browser has sent its own click, if any.
      setTimeout(() => {
        if (was.target instanceof HTMLElement && was.target.isConnected) was.target.click();
      });
    },
    true,
  );
}
