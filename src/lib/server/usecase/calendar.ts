/** An audition's calendar: a file to save, and a private address that a calendar program asks again and again. */
import type { App, Who } from '../app';
import { type CalendarBy, eventsOf, writeCalendar } from '../calendar';
import { endGrants, makeGrant } from '../grant/grant';
import { entriesFrom, putEntry } from '../store/calendar-entry';
import { findAudition } from '../store/audition';
import { candidateOfAudition } from './owner';
import { readSeason } from '../laying/facts';
import { planOfToday } from './today';
import { orNotFound } from '../errors';
import { holderOf, useCase } from './use-case';

/** iCalendar text and a name for the file. Past blocks stay as earlier files had them. */
function writeFile(app: App, auditionId: string, by: CalendarBy) {
  const season = readSeason(app, auditionId);
  const { audition, candidate, request } = season;
  const plan = planOfToday(app, season);
  const before = entriesFrom(app.db, audition.id, request.today);
  const { text, sent } = writeCalendar(
    `${candidate.name}: ${audition.name}`,
    eventsOf(audition, candidate, plan, by),
    before,
    app.now()
  );
  for (const entry of sent) putEntry(app.db, audition.id, entry);
  return { text, fileName: `${audition.name.replace(/[^\p{L}\p{N}]+/gu, '-')}.ics` };
}

export const exportCalendar = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string; by: CalendarBy }) => writeFile(app, input.auditionId, input.by)
});

/** A new private address's secret, shown once; the one before ends. */
export const makeFeed = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run: (app: App, { auditionId }: { auditionId: string }) => {
    const { candidateId } = orNotFound(findAudition(app.db, auditionId));
    return makeGrant(app, 'feed', { candidateId, opensId: auditionId });
  }
});

export const dropFeed = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run: (app: App, { auditionId }: { auditionId: string }) => endGrants(app, 'feed', auditionId)
});

/** Whoever has the secret reads this one calendar. */
export const readFeed = useCase({
  rule: 'holder',
  grant: 'feed',
  run: (app: App, { by }: { by: CalendarBy }, who: Who) => writeFile(app, holderOf(who).opensId, by).text
});
