/** When something was on this device's own clock: "14:05" today, with its day before. */
export function sayWhen(atMs: number, nowMs: number): string {
  const [at, now] = [new Date(atMs), new Date(nowMs)];
  const time = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  return at.toDateString() === now.toDateString()
    ? time
    : `${at.toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })}, ${time}`;
}
