/**
 * Passwords: which are refused, and their hashes (Argon2id), made one at a time so that a crowd at the door does not slow those inside.
 * The commonest are a list that ships with the application (the 49,233 of @zxcvbn-ts/language-common).
 */
import { hash, verify } from '@node-rs/argon2';
import { dictionary } from '@zxcvbn-ts/language-common';
import { CodedError } from './errors';
import { newToken } from './token';

const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
/** Who comes when so many wait would wait longer than a page takes to give up (two seconds at 80 ms each, judgement). */
const MOST_WAITING = 24;

const common = new Set(dictionary['passwords-common'] as readonly string[]);
/** A word typed on until it is long enough has few letters of its own (judgement). */
const LEAST_DIFFERENT = 5;

/** Why a password of sound length would be guessed, as a sentence; null where it may be had. `own` is what is known of the person. */
export function passwordFault(password: string, own: readonly string[]): string | null {
  const text = password.toLowerCase();
  if (new Set(text).size < LEAST_DIFFERENT)
    return 'That repeats the same few signs. Three or four words make a good one.';
  const bare = text.replaceAll(/[^\p{L}]/gu, '');
  const isCommon = [text, bare, half(text), half(bare)].some((part) => common.has(part));
  if (isCommon) return 'That is among the passwords tried first. Three or four words make a good one.';
  const known = own
    .flatMap((name) => name.toLowerCase().split(/[^\p{L}\p{N}]+/u))
    .filter((w) => w.length > 3);
  const rest = known.reduce((left, word) => left.replaceAll(word, ''), text);
  return rest.length < LEAST_DIFFERENT
    ? 'That is made of your own name. Three or four words make a good one.'
    : null;
}

/** The first half of what stands there twice. */
function half(text: string): string {
  const first = text.slice(0, text.length / 2);
  return first + first === text ? first : text;
}

let waiting = 0;
let last: Promise<unknown> = Promise.resolve();

/** One after another. Throws CodedError "too-busy" where many wait already. */
async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (waiting >= MOST_WAITING) throw new CodedError('too-busy');
  waiting += 1;
  const before = last;
  const mine = before.then(work, work);
  last = mine.catch(() => undefined);
  try {
    return await mine;
  } finally {
    waiting -= 1;
  }
}

export const hashPassword = (password: string) => inTurn(() => hash(password, ARGON));

/** A hash that no password fits: an unknown name takes as long as a wrong password. */
const NO_HASH = hash(newToken(), ARGON);

/** Whether it is the password of a hash. The demo's people have a hash that is none: no password fits it. */
export const isPassword = (passwordHash: string | undefined, password: string) =>
  inTurn(async () => {
    const isHash = passwordHash?.startsWith('$argon2') === true;
    return verify(isHash ? passwordHash : await NO_HASH, password);
  });
