/** The program on the device: kept by its worker, and changed for a newer one only while nobody sits at a desk. */
import { TAKE_OVER } from '$lib/schema/kept-pages';
import { hasSafeLine } from './safe-line';

const SITTING = 'irvot sits at a desk';

/** Call once, where a page is alive. */
export async function keepProgram(): Promise<void> {
  if (!hasSafeLine() || !('serviceWorker' in navigator)) return;
  const registration = await navigator.serviceWorker.register('/service-worker.js');
  if (!registration) return;
  const changeOver = () => {
    const { waiting } = registration;
    // held by whoever sits at a desk, in any tab: then it waits for a later page
    if (waiting)
      void navigator.locks.request(SITTING, { ifAvailable: true }, (lock) => {
        if (lock) waiting.postMessage(TAKE_OVER);
      });
  };
  changeOver();
  registration.addEventListener('updatefound', () => {
    const fresh = registration.installing;
    fresh?.addEventListener('statechange', () => {
      if (fresh.state === 'installed' && navigator.serviceWorker.controller) changeOver();
    });
  });
}

/** Held while a desk is open. Returns what ends it. */
export function sitAtDesk(): () => void {
  let rise = () => {};
  const risen = new Promise<void>((resolve) => (rise = resolve));
  if (hasSafeLine()) void navigator.locks.request(SITTING, { mode: 'shared' }, () => risen);
  return rise;
}
