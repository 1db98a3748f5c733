/** A page that shows what happens elsewhere asks again and again, while it is looked at. */
import { invalidateAll } from '$app/navigation';

const AGAIN_MS = 1500;

/** Returns what ends it. */
export function watch(): () => void {
  const timer = setInterval(() => {
    if (document.visibilityState === 'visible') void invalidateAll().catch(() => {});
  }, AGAIN_MS);
  return () => clearInterval(timer);
}
