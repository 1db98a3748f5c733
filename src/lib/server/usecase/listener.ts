/** One listener elsewhere: a take is sent to somebody by a link, who hears it without an account and says what they hear. */
import { grantEndsMs, endGrants, makeGrant } from '../grant/grant';
import type { Sound } from '../../core/record';
import type { ListenerView } from '../../schema/view';
import type { App, Who } from '../app';
import { boundCount } from '../change/bounds';
import { CodedError, orNotFound } from '../errors';
import { findCandidate, mayBeHeard } from '../store/candidate';
import { findItem } from '../store/item';
import * as takes from '../store/take';
import { candidateOfTake } from './owner';
import { keepEvent } from './spots';
import { holderOf, useCase } from './use-case';
import { takeShown } from './takes';

/** The link, shown once; the one before it ends. */
export const shareTake = useCase({
  rule: 'own',
  owner: candidateOfTake,
  run(app: App, { takeId, name }: { takeId: string; name: string }): string {
    const { candidateId, sound } = orNotFound(takes.findTake(app.db, takeId));
    if (!mayBeHeard(orNotFound(findCandidate(app.db, candidateId)))) throw new CodedError('no-sharing');
    orNotFound(sound);
    takes.setTakeListener(app.db, takeId, name);
    return makeGrant(app, 'listener', { candidateId, opensId: takeId });
  }
});

export const endSharing = useCase({
  rule: 'own',
  owner: candidateOfTake,
  run: (app: App, { takeId }: { takeId: string }): void => endGrants(app, 'listener', takeId)
});

/** The take that the link opens; one whose sound is gone opens nothing. */
function takeOf(app: App, who: Who) {
  const take = takes.findTake(app.db, holderOf(who).opensId);
  if (!take?.sound) throw new CodedError('link-spent');
  return { ...take, sound: take.sound };
}

/** What a listener is shown: the item and its bars, and what they have said; of the player nothing. */
export const readListening = useCase({
  rule: 'holder',
  grant: 'listener',
  run(app: App, _input: Record<string, never>, who: Who): ListenerView {
    const take = takeOf(app, who);
    const item = orNotFound(findItem(app.db, take.itemId));
    const { name, metre, fromBar, toBar, barsPerLine } = item;
    return {
      listener: take.listener,
      endsMs: grantEndsMs(app, 'listener', take.id),
      take: takeShown(take),
      item: { id: item.id, name, metre, fromBar, toBar, barsPerLine },
      peaks: takes.peaksOfTake(app.db, take.id),
      remarks: remarksOf(app, take.id).map(({ id, atMs, says }) => ({ id, atMs, says }))
    };
  }
});

const remarksOf = (app: App, takeId: string) =>
  takes.marksOf(app.db, takeId).filter(({ accountId }) => accountId === takes.LISTENER);

export const findListenedSound = useCase({
  rule: 'holder',
  grant: 'listener',
  run: (app: App, _input: Record<string, never>, who: Who): Sound => takeOf(app, who).sound
});

/** The same remark sent again is there once. */
export const addRemark = useCase({
  rule: 'holder',
  grant: 'listener',
  run(app: App, input: { id: string; atMs: number; says: string }, who: Who): void {
    const take = takeOf(app, who);
    takes.putMark(app.db, take.id, takes.LISTENER, { ...input, element: '' });
    boundCount('remarks', remarksOf(app, take.id).length);
  }
});

/** Makes a spot of what a listener said at some bars. */
export const makeRemarkSpot = useCase({
  rule: 'own',
  owner: candidateOfTake,
  run(
    app: App,
    { takeId, markId, bars }: { takeId: string; markId: string; bars: { fromBar: number; toBar: number } }
  ): void {
    const { candidateId, itemId } = orNotFound(takes.findTake(app.db, takeId));
    const { id, says, atMs, spotId } = orNotFound(remarksOf(app, takeId).find((one) => one.id === markId));
    if (spotId !== null) return;
    const spot = { id: app.newId(), itemId, ...bars, issue: says, notHeld: [], elsewhere: [] };
    const heardIn = { takeId, atMs };
    keepEvent(app, candidateId, { kind: 'spot', spot: { ...spot, foundBy: 'take', heardIn } });
    takes.setMarkSpot(app.db, takeId, id, spot.id);
  }
});
