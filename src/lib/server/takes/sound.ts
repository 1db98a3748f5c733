/**
 * What a file that was sent as a sound is, by its content: never by its name. A recording of a browser says neither how long it is nor where
 * its parts lie, so it is packed anew, its sound untouched, and can then be entered at any moment.
 */
import { createHash } from 'node:crypto';
import { createReadStream, renameSync, statSync } from 'node:fs';
import {
  ALL_FORMATS,
  Conversion,
  FilePathSource,
  FilePathTarget,
  Input,
  Output,
  WebMOutputFormat
} from 'mediabunny';
import type { Sound } from '../../core/record';
import { LONGEST_TAKE_MS, SOUND_KINDS, type SoundKind } from '../../core/record/words';
import { CodedError, isDiskFull } from '../errors';

const refuse = (why: string): never => {
  throw new CodedError('sound-unreadable', `${why} Nothing was kept of it.`);
};

/** Throws CodedError "sound-unreadable", with a sentence, for what is no sound that can be played. The file may be another afterwards. */
export async function readSound(path: string): Promise<Sound> {
  let kind = await kindOf(path);
  if (kind.isLoose) {
    await packAnew(path);
    kind = await kindOf(path);
  }
  return { name: await nameOf(path), bytes: statSync(path).size, kind: kind.media, lengthMs: kind.lengthMs };
}

type Kind = { readonly media: SoundKind; readonly lengthMs: number; readonly isLoose: boolean };

async function reading<T>(path: string, read: (input: Input) => Promise<T>): Promise<T> {
  try {
    const input = new Input({ source: new FilePathSource(path), formats: ALL_FORMATS });
    try {
      return await read(input);
    } finally {
      input.dispose();
    }
  } catch (thrown) {
    // a file that is broken breaks its reader
    if (thrown instanceof CodedError || isDiskFull(thrown)) throw thrown;
    return refuse('This is no sound that can be read.');
  }
}

const kindOf = (path: string) => reading(path, readKind);

async function readKind(input: Input): Promise<Kind> {
  if (!(await input.canRead())) return refuse('This is no sound that can be read.');
  const [said] = (await input.getMimeType()).split(';');
  const media = SOUND_KINDS.find((one) => one === said);
  const track = await input.getPrimaryAudioTrack();
  if ((await input.getVideoTracks()).length > 0) return refuse('This is a film; send its sound alone.');
  if (!track || !media) return refuse('This is no sound that browsers play.');
  const seconds = await track.computeDuration();
  if (!(seconds > 0)) return refuse('There is nothing in this sound.');
  const lengthMs = Math.round(seconds * 1000);
  if (lengthMs > LONGEST_TAKE_MS) return refuse('A take lasts an hour and a half at most.');
  return {
    media,
    lengthMs,
    isLoose: media === 'audio/webm' && (await input.getDurationFromMetadata()) === null
  };
}

async function packAnew(path: string): Promise<void> {
  await reading(path, async (input) => {
    const target = new FilePathTarget(`${path}.packed`);
    const output = new Output({ format: new WebMOutputFormat(), target });
    const conversion = await Conversion.init({ input, output, showWarnings: false });
    if (!conversion.isValid) refuse('This is no sound that can be read.');
    await conversion.execute();
  });
  renameSync(`${path}.packed`, path);
}

async function nameOf(path: string): Promise<string> {
  const digest = createHash('sha256');
  for await (const part of createReadStream(path)) digest.update(part as Buffer);
  return digest.digest('hex');
}
