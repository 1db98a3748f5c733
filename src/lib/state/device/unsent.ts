/** Before somebody signs out: what of theirs waits here, and what is taken off the device. */
import { forgetPages } from './kept-pages';
import { hasSafeLine } from './safe-line';
import { openShelf, waits } from './shelf';
import { waitingTakes } from './takes';

/** "3 answers and 1 take are"; empty where nothing waits, or the browser keeps nothing. */
export async function sayUnsent(owner: string): Promise<string> {
  if (!hasSafeLine()) return '';
  try {
    const events = (await (await openShelf()).all()).filter((one) => one.owner === owner && waits(one));
    const takes = await waitingTakes(owner);
    const parts = [
      events.length > 0 ? `${events.length} ${events.length === 1 ? 'answer' : 'answers'} from the desk` : '',
      takes.length > 0 ? `${takes.length} ${takes.length === 1 ? 'take' : 'takes'}` : ''
    ].filter(Boolean);
    return parts.length === 0
      ? ''
      : `${parts.join(' and ')} ${events.length + takes.length === 1 ? 'is' : 'are'}`;
  } catch {
    return '';
  }
}

/** Days and pages that were kept for whoever was signed in. */
export async function clearDevice(): Promise<void> {
  if (hasSafeLine()) await forgetPages(null).catch(() => {});
}
