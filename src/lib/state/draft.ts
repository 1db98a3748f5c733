/**
 * Keeps what is typed on this device until it is saved, so that a reload, a wrong click, a dropped connection or an ended session loses
 * nothing. A draft is one person's (its key never leaves their session, so nobody else who uses the device reads it), of one thing of one
 * candidate, and keeps the version it began on: what was saved elsewhere since is noticed when it is sent.
 */
import { browser } from '$app/environment';
import { getContext, onMount, setContext } from 'svelte';
import { get, type Readable, type Writable } from 'svelte/store';

const PREFIX = 'irvot draft ';
const OWNER = Symbol('whose drafts');

/** Who types, and the key under which theirs are kept. */
export type DraftOwner = { readonly accountId: string; readonly key: string };

/** To be called where the page is set up; forms below it keep their drafts as this person's. */
export const setDraftOwner = (owner: () => DraftOwner | null) => setContext(OWNER, owner);

const prefixOf = (owner: DraftOwner) => `${PREFIX}${owner.accountId} `;

/** One draft of one person. Without a secure connection browsers have no cipher: then what is private is not kept at all. */
export class Draft {
  #pending: Promise<void> = Promise.resolve();
  #round = 0;

  constructor(
    private readonly owner: DraftOwner | null,
    private readonly what: string,
    private readonly isPrivate = false
  ) {}

  get #name() {
    return this.owner && browser ? prefixOf(this.owner) + this.what : null;
  }

  async read(): Promise<unknown> {
    const text = this.#name ? localStorage.getItem(this.#name) : null;
    if (text === null) return null;
    try {
      return JSON.parse(await decipher(this.owner!.key, text)) as unknown;
    } catch {
      return null;
    }
  }

  write(value: unknown): void {
    const name = this.#name;
    if (!name || (this.isPrivate && !hasCipher())) return;
    const round = (this.#round += 1);
    const text = JSON.stringify(value);
    this.#pending = this.#pending.then(async () => {
      if (round !== this.#round) return;
      const enciphered = await encipher(this.owner!.key, text);
      if (round === this.#round) localStorage.setItem(name, enciphered);
    });
  }

  /** Of what was taken nothing is kept any more but what was typed beyond it. */
  keepBeyond(taken: unknown, now: unknown): void {
    if (JSON.stringify(now) === JSON.stringify(taken)) this.forget();
    else this.write(now);
  }

  forget(): void {
    this.#round += 1;
    if (this.#name) localStorage.removeItem(this.#name);
  }
}

/** Call while a component is being set up. */
export function draftOf(what: string, isPrivate = false): Draft {
  const owner = getContext<(() => DraftOwner | null) | undefined>(OWNER);
  return new Draft(owner?.() ?? null, what, isPrivate);
}

type FormState<T> = { readonly form: Writable<T>; readonly tainted: Readable<unknown> };

/** Call while a component is being set up. `onBack` hears that a draft was put back into the form; a `fresh` form begins anew. */
export function keepDraft<T extends object>(
  draft: Draft,
  { form, tainted }: FormState<T>,
  { onBack, isFresh = false }: { readonly onBack: () => void; readonly isFresh?: boolean }
): void {
  onMount(() => {
    let stop = () => {};
    let isGone = false;
    const begin = () => {
      let isFirst = true;
      stop = form.subscribe((value) => {
        if (isFirst && !isFresh) isFirst = false;
        else if (isFresh || get(tainted)) draft.write(value);
      });
    };
    if (isFresh) begin();
    else
      void draft.read().then((before) => {
        if (isGone) return;
        if (before && JSON.stringify(before) !== JSON.stringify(get(form))) {
          form.set({ ...get(form), ...(before as T) });
          onBack();
        }
        begin();
      });
    return () => {
      isGone = true;
      stop();
    };
  });
}

const namesOf = (owner: DraftOwner) =>
  Object.keys(localStorage).filter((name) => name.startsWith(prefixOf(owner)));

/** How many things this person has typed on this device and not saved. */
export const countDrafts = (owner: DraftOwner) => namesOf(owner).length;

/** Forgets every draft of this person on this device. */
export function forgetDrafts(owner: DraftOwner): void {
  for (const name of namesOf(owner)) localStorage.removeItem(name);
}

const hasCipher = () => globalThis.crypto?.subtle !== undefined;
const IV_BYTES = 12;
const CLEAR = 'clear ';

async function keyFrom(secret: string): Promise<CryptoKey> {
  const bytes = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(secret));
  return crypto.subtle.importKey('raw', bytes, 'AES-GCM', false, ['encrypt', 'decrypt']);
}

async function encipher(secret: string, text: string): Promise<string> {
  if (!hasCipher()) return CLEAR + text;
  const iv = crypto.getRandomValues(new Uint8Array(IV_BYTES));
  const data = new TextEncoder().encode(text);
  const enciphered = await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, await keyFrom(secret), data);
  return toText(new Uint8Array([...iv, ...new Uint8Array(enciphered)]));
}

async function decipher(secret: string, enciphered: string): Promise<string> {
  if (enciphered.startsWith(CLEAR)) return enciphered.slice(CLEAR.length);
  const bytes = Uint8Array.from(atob(enciphered), (sign) => sign.charCodeAt(0));
  const [iv, data] = [bytes.slice(0, IV_BYTES), bytes.slice(IV_BYTES)];
  return new TextDecoder().decode(
    await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, await keyFrom(secret), data)
  );
}

function toText(bytes: Uint8Array): string {
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}
