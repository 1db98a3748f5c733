/**
 * A zip from elsewhere, unpacked as it is read: never more bytes, files or values than an archive of a studio can have, whatever the zip
 * says of itself. What is unpacked is counted, not believed.
 */
import { Unzip, UnzipInflate } from 'fflate';

const MB = 1024 * 1024;
/** As sent. */
export const MOST_ARCHIVE_BYTES = 64 * MB;
/** A candidate with 200,000 touches is about 60 MB of text, a studio of a million 250 (measured). */
const MOST_FILE_BYTES = 96 * MB;
const MOST_UNPACKED_BYTES = 320 * MB;
/** Values and objects: a touch has about fourteen. What is built of them takes a hundred bytes each at most. */
const MOST_VALUES = 4_000_000;
const MOST_DEPTH = 16;
/** 2,000 candidates, the lists and the head. */
const MOST_FILES = 2002;
/** A slice unpacks to a thousand times its size at most: so much at once, and no more, is held unseen. */
const SLICE = 16 * 1024;

/** Why a file was not unpacked, as a sentence. */
export class Unreadable extends Error {
  /** By which it is known on the other side of a thread. */
  override name = 'Unreadable';
}

/** Files by name, each as text. Throws Unreadable. `onBytes` hears how much has been read so far. */
export function unpack(
  chunks: Iterable<Uint8Array>,
  onBytes: (read: number) => void = () => {}
): Map<string, string> {
  const files = new Map<string, string>();
  const open = new Map<string, Uint8Array[]>();
  let [unpacked, values, read] = [0, 0, 0];
  const unzip = new Unzip((file) => {
    const { name } = file;
    if (open.has(name) || open.size >= MOST_FILES)
      throw new Unreadable('It holds files that do not belong there.');
    const parts: Uint8Array[] = [];
    open.set(name, parts);
    let bytes = 0;
    file.ondata = (fault, part, isLast) => {
      if (fault) throw fault;
      bytes += part.length;
      unpacked += part.length;
      if (bytes > MOST_FILE_BYTES || unpacked > MOST_UNPACKED_BYTES)
        throw new Unreadable('Unpacked it is larger than any studio.');
      if (part.length > 0) parts.push(part);
      if (!isLast) return;
      values += countValues(parts);
      if (values > MOST_VALUES) throw new Unreadable('It holds more than any studio.');
      files.set(name, new TextDecoder().decode(Buffer.concat(parts)));
      parts.length = 0;
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for (const chunk of chunks)
      for (let at = 0; at < chunk.length; at += SLICE) {
        unzip.push(chunk.subarray(at, at + SLICE));
        read += Math.min(SLICE, chunk.length - at);
        if (read > MOST_ARCHIVE_BYTES) throw new Unreadable(sayTooLarge(read));
        onBytes(read);
      }
    unzip.push(new Uint8Array(0), true);
  } catch (thrown) {
    if (thrown instanceof Unreadable) throw thrown;
    throw new Unreadable('It is no zip file, or it was cut short. Send it once more.');
  }
  if (open.size === 0 || files.size < open.size)
    throw new Unreadable('It is no zip file, or it was cut short. Send it once more.');
  return files;
}

export function sayTooLarge(bytes: number): string {
  const mega = (n: number) => Math.ceil(n / MB);
  return `It has ${mega(bytes)} MB; an archive has at most ${mega(MOST_ARCHIVE_BYTES)} MB.`;
}

const [QUOTE, BACKSLASH, COMMA, COLON] = [0x22, 0x5c, 0x2c, 0x3a];
const OPEN = new Set([0x5b, 0x7b]);
const CLOSE = new Set([0x5d, 0x7d]);

/** Values of a JSON text, without building any. Throws Unreadable where they are nested too deep. */
function countValues(parts: readonly Uint8Array[]): number {
  let [values, depth, isText, isEscaped] = [1, 0, false, false];
  for (const part of parts)
    for (const sign of part) {
      if (isText) {
        if (isEscaped) isEscaped = false;
        else if (sign === BACKSLASH) isEscaped = true;
        else if (sign === QUOTE) isText = false;
      } else if (sign === QUOTE) isText = true;
      else if (sign === COMMA || sign === COLON) values += 1;
      else if (OPEN.has(sign)) {
        values += 1;
        depth += 1;
        if (depth > MOST_DEPTH) throw new Unreadable('It is nested deeper than any archive.');
      } else if (CLOSE.has(sign)) depth -= 1;
    }
  return values;
}
