/**
 * Keeps what is typed in a form on this device until it is saved, so that a reload, a wrong click or a dropped
 * connection loses nothing. One draft a key; a draft of another version of the thing is kept and offered all the same.
 */
import { browser } from '$app/environment';
import { onMount } from 'svelte';
import { get, type Readable, type Writable } from 'svelte/store';

const PREFIX = 'irvot draft ';
/** Where a draft is kept on this device. */
export const draftName = (key: string) => PREFIX + key;

type Kept<T> = { readonly form: Writable<T>; readonly tainted: Readable<unknown> };

/** Call while a component is being set up. `onBack` hears that a draft was put back into the form. */
export function keepDraft<T extends object>(
  key: string,
  { form, tainted }: Kept<T>,
  onBack: () => void
): { forget: () => void } {
  const name = draftName(key);
  const forget = () => browser && localStorage.removeItem(name);
  onMount(() => {
    const before = localStorage.getItem(name);
    if (before && before !== JSON.stringify(get(form))) {
      form.set({
        ...get(form),
        ...(JSON.parse(before) as T),
        version: (get(form) as { version?: number }).version
      } as T);
      onBack();
    }
    let isFirst = true;
    return form.subscribe((value) => {
      if (isFirst) isFirst = false;
      else if (get(tainted)) localStorage.setItem(name, JSON.stringify(value));
    });
  });
  return { forget };
}

/** Forgets every draft on this device: whoever signs in next must not find them. */
export function forgetDrafts(): void {
  for (const key of Object.keys(localStorage)) if (key.startsWith(PREFIX)) localStorage.removeItem(key);
}
