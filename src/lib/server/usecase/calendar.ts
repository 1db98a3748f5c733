/** The calendar file of one audition. */
import type { App } from '../app';
import { eventsOf, writeCalendar } from '../calendar';
import { entriesFrom, putEntry } from '../store/calendar-entry';
import { candidateOfAudition } from './about';
import { NEW_DAY, currentPlan, readSeason } from './current-plan';
import { useCase } from './use-case';

/** iCalendar text and a name for the file. Past blocks stay as earlier files had them. */
export const exportCalendar = useCase({
  rule: 'own',
  about: candidateOfAudition,
  run: (app: App, input: { auditionId: string }) => {
    const season = readSeason(app, input.auditionId);
    const { audition, candidate, request } = season;
    const plan = currentPlan(app, season, NEW_DAY)?.plan ?? null;
    const before = entriesFrom(app.db, audition.id, request.today);
    const { text, sent } = writeCalendar(
      `${candidate.name}: ${audition.name}`,
      eventsOf(audition, candidate.zone, plan),
      before,
      app.now()
    );
    for (const entry of sent) putEntry(app.db, audition.id, entry);
    return { text, fileName: `${audition.name.replace(/[^\p{L}\p{N}]+/gu, '-')}.ics` };
  }
});
