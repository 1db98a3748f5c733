/** What is typed while an answer is still to come: it stays, whatever the answer fills the fields with. */

const isSame = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);

/**
 * What a field holds when its answer has come.
 *
 * @param sent - what it held when it was sent.
 * @param now - what it holds.
 * @param answered - what the answer fills it with. Where that empties it, what was typed on after what was sent stays alone.
 */
export function typedOn<T>(sent: T | undefined, now: T, answered: T): T {
  if (isSame(now, sent)) return answered;
  const isOn = typeof now === 'string' && typeof sent === 'string' && now.startsWith(sent);
  return answered === '' && isOn ? (now.slice(sent.length) as T) : now;
}

/** The same for all fields of a form. */
export const allTypedOn = <T extends Record<string, unknown>>(sent: T, now: T, answered: T): T =>
  Object.fromEntries(
    Object.entries(answered).map(([name, value]) => [name, typedOn(sent[name], now[name], value)])
  ) as T;
