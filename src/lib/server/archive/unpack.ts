/**
 * A zip from elsewhere, unpacked as it is read: never more bytes, files or values than an archive of a studio can have, whatever the zip
 * says of itself. What is unpacked is counted, not believed.
 */
import { statSync } from 'node:fs';
import { type ZipFile, fromBufferPromise, openPromise } from 'yauzl';
import { isDiskFull } from '../errors';

const MB = 1024 * 1024;
/** The records, as sent. */
const MOST_RECORD_BYTES = 64 * MB;
/** The files beside them, as sent and as they are: some 45 hours of sound. */
const MOST_FILES_BYTES = 2048 * MB;
/** As sent. */
export const MOST_ARCHIVE_BYTES = MOST_RECORD_BYTES + MOST_FILES_BYTES;
/** A candidate with 200,000 touches is about 60 MB of text, a studio of a million 250 (measured). */
const MOST_FILE_BYTES = 96 * MB;
const MOST_UNPACKED_BYTES = 320 * MB;
/** Values and objects: a touch has about fourteen. What is built of them takes a hundred bytes each at most. */
const MOST_VALUES = 4_000_000;
const MOST_DEPTH = 16;
/** 2,000 candidates, the lists, the head, and 20,000 files beside them. */
const MOST_FILES = 22_002;
const FOREIGN = 'It holds files that do not belong there.';

/** Why a file was not unpacked, as a sentence. */
export class Unreadable extends Error {
  /** By which it is known on the other side of a thread. */
  override name = 'Unreadable';
}

/** Takes what comes of one file; `end` says whether it is what its name says. */
export type Sink = { readonly write: (part: Uint8Array) => void; readonly end: () => boolean };

/**
 * Texts by name, but for the files that have a sink, which takes them as they come. Throws Unreadable. `onBytes` hears how much has been
 * unpacked so far. `source` is a file's path, or its bytes.
 */
export async function unpack(
  source: string | Buffer,
  sinkOf: (name: string) => Sink | null = () => null,
  onBytes: (unpacked: number) => void = () => {}
): Promise<Map<string, string>> {
  try {
    const bytes = typeof source === 'string' ? statSync(source).size : source.length;
    const zip = await openZip(source);
    try {
      if (zip.entryCount > MOST_FILES) throw new Unreadable(FOREIGN);
      return await unpackEntries(zip, bytes, sinkOf, onBytes);
    } finally {
      zip.close();
    }
  } catch (thrown) {
    if (thrown instanceof Unreadable) throw thrown;
    if (isDiskFull(thrown)) throw new Unreadable('The studio’s disk has no room for it.');
    throw new Unreadable('It is no zip file, or it was cut short. Send it once more.');
  }
}

/** Names as they are: which of them belong there is asked here. What an entry says of its size is held to while it is unpacked. */
const openZip = (source: string | Buffer) => {
  const options = { lazyEntries: true, decodeStrings: false, autoClose: false };
  return typeof source === 'string' ? openPromise(source, options) : fromBufferPromise(source, options);
};

async function unpackEntries(
  zip: ZipFile,
  size: number,
  sinkOf: (name: string) => Sink | null,
  onBytes: (unpacked: number) => void
): Promise<Map<string, string>> {
  const texts = new Texts();
  const names = new Set<string>();
  let [packed, unpacked, filed] = [0, 0, 0];
  for await (const entry of zip.eachEntry()) {
    const name = String(entry.fileName);
    if (names.has(name) || names.size >= MOST_FILES) throw new Unreadable(FOREIGN);
    names.add(name);
    const sink = sinkOf(name);
    if (!sink) packed += entry.compressedSize;
    if (packed > MOST_RECORD_BYTES) throw new Unreadable(sayTooLarge(size));
    const into = sink ?? texts.open(name);
    for await (const part of (await zip.openReadStreamPromise(entry)) as AsyncIterable<Buffer>) {
      unpacked += part.length;
      if (sink) filed += part.length;
      // files are not packed: what grows was packed to do so
      if (filed > size) throw new Unreadable('Unpacked it is larger than any studio.');
      into.write(part);
      onBytes(unpacked);
    }
    if (!into.end()) throw new Unreadable(`Its ${name.slice(0, 80)} is damaged.`);
  }
  return texts.whole;
}

/** The records' texts as they come, counted together. */
class Texts {
  readonly whole = new Map<string, string>();
  #unpacked = 0;
  #values = 0;

  open(name: string): Sink {
    const parts: Uint8Array[] = [];
    let bytes = 0;
    return {
      write: (part) => {
        bytes += part.length;
        this.#unpacked += part.length;
        if (bytes > MOST_FILE_BYTES || this.#unpacked > MOST_UNPACKED_BYTES)
          throw new Unreadable('Unpacked it is larger than any studio.');
        if (part.length > 0) parts.push(part);
      },
      end: () => {
        this.#values += countValues(parts);
        if (this.#values > MOST_VALUES) throw new Unreadable('It holds more than any studio.');
        this.whole.set(name, new TextDecoder().decode(Buffer.concat(parts)));
        parts.length = 0;
        return true;
      }
    };
  }
}

export function sayTooLarge(bytes: number): string {
  const mega = (n: number) => Math.ceil(n / MB);
  const most = `at most ${mega(MOST_RECORD_BYTES)} MB of records and ${mega(MOST_FILES_BYTES)} MB of files beside them`;
  return `It has ${mega(bytes)} MB; an archive has ${most}.`;
}

/** Values of a JSON text, without building any. Throws Unreadable where they are nested too deep. */
function countValues(parts: readonly Uint8Array[]): number {
  const counted = { values: 1, depth: 0, isText: false, isEscaped: false };
  for (const part of parts) countPart(part, counted);
  return counted.values;
}

type Counted = { values: number; depth: number; isText: boolean; isEscaped: boolean };

/** A part by itself, by index and with plain numbers: a hundred million bytes go by here. */
function countPart(part: Uint8Array, counted: Counted): void {
  let { values, depth, isText, isEscaped } = counted;
  for (let i = 0; i < part.length; i += 1) {
    const sign = part[i];
    if (isEscaped) isEscaped = false;
    else if (isText) {
      if (sign === 0x22 /* " */) isText = false;
      else isEscaped = sign === 0x5c; /* \ */
    } else
      switch (sign) {
        case 0x22 /* " */:
          isText = true;
          break;
        case 0x2c /* , */:
        case 0x3a /* : */:
          values += 1;
          break;
        case 0x5b /* [ */:
        case 0x7b /* { */:
          values += 1;
          depth += 1;
          if (depth > MOST_DEPTH) throw new Unreadable('It is nested deeper than any archive.');
          break;
        case 0x5d /* ] */:
        case 0x7d /* } */:
          depth -= 1;
      }
  }
  Object.assign(counted, { values, depth, isText, isEscaped });
}
