/**
 * Wishes: a candidate's proposals for the plan. What a wish asks for that can be carried out is carried out as it is accepted, and both are one
 * change.
 */
import type { WishAsk } from '../../core/record';
import type { Changes } from '../../core/season';
import { targetOf } from '../../core/tempo';
import { WEEKDAY_NAMES, sayBpm } from '../../core/units';
import type { CanWish } from '../../schema/view';
import { type App, todayIn } from '../app';
import { applyChange } from '../change/apply';
import { boundCount } from '../change/bounds';
import { CodedError, orNotFound } from '../errors';
import { auditionsOf } from '../store/audition';
import { findCandidate } from '../store/candidate';
import * as items from '../store/item';
import * as lessons from '../store/lesson';
import { useCase } from './use-case';
import { editsToKeep } from './what-if';

/**
 * Answers a wish. What is accepted and can be carried out is carried out with it, as one change. Returns the secret by which it can be taken
 * back, and whether anything was.
 */
export const answerWish = useCase({
  rule: 'teacher',
  run: (app: App, input: { wishId: string; answer: lessons.WishAnswer; reply?: string }) => {
    const { candidateId, wish } = findWish(app, input.wishId);
    const { answer, reply = '' } = input;
    const isDone = answer === 'accepted' && wish.asks !== undefined;
    const changed = isDone ? editsToKeep(app, changesOfWish(app, candidateId, wish.asks!)).edits : [];
    const { reply: _, ...rest } = wish;
    const to = { ...rest, answer, ...(reply === '' ? {} : { reply }) };
    const edit = { kind: 'wish', about: { candidateId, wishId: wish.id }, to } as const;
    const token = applyChange(app, {
      candidateId,
      edits: [...changed, edit],
      cause: isDone ? `wish: ${wish.says.slice(0, 80)}` : 'wish answered'
    });
    return { token, isDone };
  }
});

function findWish(app: App, wishId: string) {
  const candidateId = orNotFound(lessons.candidateOfWish(app.db, wishId));
  return {
    candidateId,
    wish: orNotFound(lessons.wishesOf(app.db, candidateId).find(({ id }) => id === wishId))
  };
}

/** What a wish comes to, as it is tried on a scratch copy, and the audition in which. */
function changesOfWish(
  app: App,
  candidateId: string,
  asks: WishAsk
): { auditionId: string; changes: Changes } {
  if (asks.kind === 'left-out' || asks.kind === 'target') {
    const { itemId } = asks;
    const auditionId = items.findItem(app.db, itemId)?.auditionId;
    if (!auditionId) throw new CodedError('wish-gone');
    const how =
      asks.kind === 'left-out'
        ? { isLeftOut: true }
        : { targets: [{ sectionId: asks.sectionId, bpm: asks.bpm }] };
    return { auditionId, changes: { items: [{ itemId, ...how }] } };
  }
  const { time } = orNotFound(findCandidate(app.db, candidateId));
  // time is the candidate's, whichever audition it is changed from
  const [any] = auditionsOf(app.db, candidateId);
  if (!any) throw new CodedError('wish-gone');
  if (asks.kind === 'lighter') return { auditionId: any.id, changes: { lighterDays: asks.days } };
  const there = time.week.filter((span) => span.weekday === asks.weekday);
  const addMin = asks.minutes - there.reduce((sum, span) => sum + span.minutes, 0);
  return { auditionId: any.id, changes: { week: [{ weekday: asks.weekday, addMin }] } };
}

/** What a wish would change, to be tried, and in which audition; null where it is words alone, or what it is about is gone. */
export const proposedByWish = useCase({
  rule: 'teacher',
  run: (app: App, input: { wishId: string }): { auditionId: string; changes: Changes } | null => {
    const candidateId = lessons.candidateOfWish(app.db, input.wishId);
    const wish = candidateId
      ? lessons.wishesOf(app.db, candidateId).find(({ id }) => id === input.wishId)
      : undefined;
    if (!candidateId || !wish?.asks || isGone(app, wish.asks)) return null;
    return changesOfWish(app, candidateId, wish.asks);
  }
});
/** Whether what it is about is on no list any more. */
export const isGone = (app: App, asks: WishAsk) => 'itemId' in asks && !items.findItem(app.db, asks.itemId);

/** The week's minutes, and the items that are worked with their targets. */
export function wishable(app: App, candidateId: string): CanWish {
  const { time, zone } = orNotFound(findCandidate(app.db, candidateId));
  const today = todayIn(app, zone);
  const ahead = auditionsOf(app.db, candidateId).filter(({ rounds }) =>
    rounds.some(({ date }) => date >= today)
  );
  const own = ahead.flatMap(({ id }) => items.itemsOf(app.db, id)).filter(({ isLeftOut }) => !isLeftOut);
  return {
    minutes: WEEKDAYS.map((weekday) =>
      time.week.filter((span) => span.weekday === weekday).reduce((sum, span) => sum + span.minutes, 0)
    ),
    items: own.map(({ id, name }) => ({ id, name })),
    sections: own.flatMap(({ id, name, sections }) =>
      sections.flatMap((section) => {
        const target = targetOf(section.tempo);
        const { id: sectionId, fromBar, toBar } = section;
        return target ? [{ itemId: id, sectionId, name, fromBar, toBar, target }] : [];
      })
    )
  };
}
const WEEKDAYS = [1, 2, 3, 4, 5, 6, 7];

/** A wish of the candidate's: it changes nothing until the teacher has answered. Returns the secret by which it can be taken back. */
export const addWish = useCase({
  rule: 'own',
  owner: (_app: App, input: { candidateId: string }) => input.candidateId,
  run: (
    app: App,
    { candidateId, says, asks }: { candidateId: string; says: string; asks?: WishAsk | undefined }
  ) => {
    const { zone } = orNotFound(findCandidate(app.db, candidateId));
    const before = lessons.wishesOf(app.db, candidateId);
    boundCount('wishes', before.length + 1);
    boundCount('waiting', before.filter((w) => w.answer === null).length + 1);
    const words = [asks ? sayAsk(asks, wishable(app, candidateId)) : '', says.trim()]
      .filter(Boolean)
      .join(': ');
    const wish = {
      ...{ id: app.newId(), madeOn: todayIn(app, zone), says: words, answer: null },
      ...(asks ? { asks } : {})
    };
    const edit = { kind: 'wish', about: { candidateId, wishId: wish.id }, to: wish } as const;
    return applyChange(app, { candidateId, edits: [edit], cause: 'a wish' });
  }
});

/** What is asked for, in words. Throws CodedError "wish-gone" where it is about what is not there. */
function sayAsk(asks: WishAsk, { minutes, items: all, sections }: CanWish): string {
  switch (asks.kind) {
    case 'minutes':
      return `${WEEKDAY_NAMES[asks.weekday - 1]}: ${asks.minutes} minutes instead of ${minutes[asks.weekday - 1]}`;
    case 'lighter':
      return `Half the minutes on my next ${asks.days === 1 ? 'practice day' : `${asks.days} practice days`}`;
    case 'left-out': {
      const item = all.find(({ id }) => id === asks.itemId);
      if (!item) throw new CodedError('wish-gone');
      return `Leave out ${item.name}`;
    }
    case 'target': {
      const section = sections.find((one) => one.itemId === asks.itemId && one.sectionId === asks.sectionId);
      if (!section) throw new CodedError('wish-gone');
      const { name, fromBar, toBar, target } = section;
      return `${name}, bars ${fromBar}–${toBar}: target ${sayBpm(asks.bpm)} instead of ${sayBpm(target.bpm)}`;
    }
  }
}
