import { useEffect } from 'react';

let audio: AudioContext | null = null;

/** Lets the page make sounds: a browser allows it only after a tap. */
export function allowSound(): void {
  if ('AudioContext' in window) audio ??= new AudioContext();
  void audio?.resume().catch(() => undefined);
  if ('Notification' in window && Notification.permission === 'default') void Notification.requestPermission();
}

/** Two short tones, made here. */
function beep(high: boolean): void {
  if (audio?.state !== 'running') return;
  const at = audio.currentTime;
  for (const start of [0, 0.22]) {
    const tone = audio.createOscillator();
    const loud = audio.createGain();
    tone.type = 'square';
    tone.frequency.value = high ? 1320 : 880;
    loud.gain.setValueAtTime(0.0001, at + start);
    loud.gain.exponentialRampToValueAtTime(0.3, at + start + 0.02);
    loud.gain.exponentialRampToValueAtTime(0.0001, at + start + 0.18);
    tone.connect(loud).connect(audio.destination);
    tone.start(at + start);
    tone.stop(at + start + 0.2);
  }
}

const AGAIN_MS = 1_200;

/** Rings until nothing is said any more: sound, vibration, and a notice where the page is not looked at. @param what rings; null for nothing */
export function useRing(what: string | null, isUrgent = false): void {
  useEffect(() => {
    if (what === null) return undefined;
    const ring = () => {
      beep(isUrgent);
      // A browser lets a page shake a phone only after a tap.
      if ('vibrate' in navigator && navigator.userActivation.hasBeenActive) navigator.vibrate([200, 100, 200]);
    };
    ring();
    let notice: Notification | null = null;
    if (document.visibilityState !== 'visible' && 'Notification' in window && Notification.permission === 'granted')
      try {
        notice = new Notification(what, { tag: 'bench', requireInteraction: true });
      } catch {
        // On some phones only a service worker may do this.
      }
    const timer = setInterval(ring, AGAIN_MS);
    return () => {
      clearInterval(timer);
      notice?.close();
    };
  }, [what, isUrgent]);
}
