/** What stands around an audition: its mocks, tasks, recorded rounds and days. */
import type { Mock, Prescreen, RoundDay, Task } from '../../core/record';
import { dropMock, findMock, putMock } from '../store/mock';
import { dropPrescreen, prescreensOf, putPrescreen } from '../store/prescreen';
import * as days from '../store/round-day';
import { putTasks, tasksOf } from '../store/task';
import { place } from './place';

type OfItem = { readonly itemId: string };
type OfAudition = { readonly auditionId: string };

/** A mock that is booked, with all that came of it; null where there is none. */
export const mock = place<OfAudition & { readonly mockId: string }, Mock | null>({
  read: (app, { mockId }) => findMock(app.db, mockId) ?? null,
  write(app, { auditionId, mockId }, to) {
    if (to) putMock(app.db, auditionId, to);
    else dropMock(app.db, mockId);
  },
  touches: (_app, { auditionId }) => ({ auditionId })
});

/** How the day of a round goes; null: as usual. */
export const roundDay = place<OfAudition & { readonly roundId: string }, RoundDay | null>({
  read: (app, { auditionId, roundId }) => days.findRoundDay(app.db, auditionId, roundId) ?? null,
  write(app, { auditionId, roundId }, to) {
    if (to) days.putRoundDay(app.db, auditionId, to);
    else days.dropRoundDay(app.db, auditionId, roundId);
  },
  touches: () => null
});

/** What is thought before an item is played. */
export const thought = place<OfItem, string>({
  read: (app, { itemId }) => days.thoughtOf(app.db, itemId),
  write: (app, { itemId }, to) => days.setThought(app.db, itemId, to),
  touches: () => null
});

/** All tasks around an audition, in their order. */
export const tasks = place<OfAudition, readonly Task[]>({
  read: (app, { auditionId }) => tasksOf(app.db, auditionId),
  write: (app, { auditionId }, to) => putTasks(app.db, auditionId, to),
  touches: () => null
});

/** What is sent of a recorded round; null before anything was said. */
export const prescreen = place<OfAudition & { readonly roundId: string }, Prescreen | null>({
  read: (app, { auditionId, roundId }) =>
    prescreensOf(app.db, auditionId).find((one) => one.roundId === roundId) ?? null,
  write(app, { auditionId, roundId }, to) {
    if (to) putPrescreen(app.db, auditionId, to);
    else dropPrescreen(app.db, auditionId, roundId);
  },
  touches: () => null
});
