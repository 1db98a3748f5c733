/** The log: touches in, touches out, and the plan laid again after each. */
import type { Touch } from '../../core/practice';
import type { App, Who } from '../app';
import { findCandidate } from '../store/candidate';
import { findItem } from '../store/item';
import * as touches from '../store/touch';
import { candidateOfAudition, candidateOfItem, candidateOfTouch } from './owner';
import { boundCount, boundDates } from './bounds';
import { readSeason } from '../laying/facts';
import { layAgain } from '../laying/lay';
import { planOf } from '../laying/plan';
import { orNotFound } from '../errors';
import { useCase } from './use-case';

/** The log newest first, with the list for choosing from and today's road map. */
export const readLog = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string }) => {
    const season = readSeason(app, input.auditionId);
    const version = planOf(app, season);
    return {
      audition: season.audition,
      candidate: season.candidate,
      today: season.request.today,
      items: [
        ...season.items,
        ...season.others.filter((o) => version?.plan.items.some((i) => i.id === o.id))
      ],
      touches: [...season.own.log].reverse(),
      plan: version?.plan ?? null
    };
  }
});

/** Logs a touch and returns its id and the laying that follows. What a teacher logs was heard by the teacher. */
export const logTouch = useCase({
  rule: 'own',
  owner: candidateOfItem,
  run: (app: App, input: Omit<Touch, 'id'>, who: Who) => {
    const item = orNotFound(findItem(app.db, input.itemId));
    const { zone } = orNotFound(findCandidate(app.db, orNotFound(candidateOfItem(app, input))));
    boundDates(app, zone, [input.date]);
    boundCount('touches', touches.countTouches(app.db, item.id) + 1);
    const id = app.newId();
    const evidence =
      input.evidence === 'recording' ? 'recording' : who.kind === 'teacher' ? 'teacher' : 'self';
    touches.addTouch(app.db, { ...input, id, evidence }, app.now());
    const version = layAgain(app, item.auditionId, `log: ${item.name}`);
    return {
      id,
      number: version?.number ?? null,
      moves: version?.laidAtMs === app.now() ? version.moves : []
    };
  }
});

/** Takes a touch out of the log, or puts it back. */
export const removeTouch = useCase({
  rule: 'own',
  owner: candidateOfTouch,
  run: (app: App, input: { touchId: string; isBack: boolean }) => {
    const item = orNotFound(findItem(app.db, orNotFound(touches.itemOfTouch(app.db, input.touchId))));
    touches.setTouchRemoved(app.db, input.touchId, input.isBack ? null : app.now());
    layAgain(app, item.auditionId, input.isBack ? 'a touch put back' : 'a touch taken out');
  }
});
