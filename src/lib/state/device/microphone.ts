import { hasSafeLine, sayNoSafeLine } from './safe-line';

/** The microphone as music needs it: nothing is taken out of the sound, and nothing made louder. */
export const openMicrophone = (): Promise<MediaStream> =>
  navigator.mediaDevices.getUserMedia({
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 }
  });

/** Why it cannot be opened. */
export function sayNoMicrophone(thrown: unknown): string {
  if (!hasSafeLine()) return sayNoSafeLine('For the microphone a browser needs');
  const name = thrown instanceof DOMException ? thrown.name : '';
  if (name === 'NotAllowedError')
    return 'The microphone is not allowed here: allow it at the address line, then try again.';
  if (name === 'NotFoundError') return 'This device has no microphone.';
  return 'The microphone cannot be opened: perhaps another program has it.';
}
