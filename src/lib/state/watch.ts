/** What happens elsewhere is asked for again and again, while a page is looked at; without a line nothing of the page is lost. */
const AGAIN_MS = 1500;

/** Calls with each answer of an address; returns what ends it. */
export function watch<T>(address: string, onSeen: (seen: T) => void): () => void {
  let isAsking = false;
  const ask = async () => {
    if (isAsking || document.visibilityState !== 'visible') return;
    isAsking = true;
    const answer = await fetch(address).catch(() => null);
    const seen = answer?.ok && !answer.redirected ? await answer.json().catch(() => null) : null;
    if (seen) onSeen(seen as T);
    isAsking = false;
  };
  const timer = setInterval(() => void ask(), AGAIN_MS);
  return () => clearInterval(timer);
}
