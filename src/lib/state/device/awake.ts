/** Keeps the screen awake while a page is seen, where the device lets it. Returns what ends it. */
export function keepAwake(): () => void {
  let held: WakeLockSentinel | null = null;
  const ask = () => {
    if (document.visibilityState === 'visible')
      void navigator.wakeLock?.request('screen').then(
        (lock) => (held = lock),
        () => {}
      );
  };
  ask();
  document.addEventListener('visibilitychange', ask);
  return () => {
    document.removeEventListener('visibilitychange', ask);
    void held?.release();
  };
}
