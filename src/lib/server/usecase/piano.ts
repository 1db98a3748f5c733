/** What somebody at the piano needs: of one audition, or of all whom they accompany. */
import type { PianoSheetView } from '../../schema/view';
import { targetOf } from '../../core/tempo';
import { type App, todayIn } from '../app';
import { orNotFound } from '../errors';
import { type Audition, auditionsOf, findAudition } from '../store/audition';
import { findCandidate, listCandidates } from '../store/candidate';
import { itemsOf } from '../store/item';
import { candidateOfAudition } from './owner';
import { useCase } from './use-case';

/** Tempos that are agreed, cuts, pages, and when there is a rehearsal. */
function sheetOf(app: App, audition: Audition, today: string): PianoSheetView {
  return {
    items: itemsOf(app.db, audition.id)
      .filter(({ isLeftOut, kind }) => !isLeftOut && kind !== 'scales' && kind !== 'sight-reading')
      .map(({ name, composer, edition, pages = '', cuts = [], sections }) => ({
        ...{ name, composer: composer ?? '', edition, pages },
        cuts: cuts.map(({ fromBar, toBar }) => ({ fromBar, toBar })),
        sections: sections.map(({ fromBar, toBar, tempo }) => ({
          ...{ fromBar, toBar, target: targetOf(tempo) },
          range: tempo.kind === 'range' ? { low: tempo.lowBpm, high: tempo.highBpm } : null
        }))
      })),
    dates: [
      ...audition.ownDates.filter(({ kind }) => kind === 'other'),
      ...audition.rounds.map(({ date, name, time }) => ({ date, name, time }))
    ]
      .filter(({ date }) => date >= today)
      .map(({ date, name, time }) => ({ date, name, time: time ?? null }))
      .sort((a, b) => `${a.date} ${a.time ?? ''}`.localeCompare(`${b.date} ${b.time ?? ''}`))
  };
}

export const readPianoSheet = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run(app: App, { auditionId }: { auditionId: string }): PianoSheetView {
    const audition = orNotFound(findAudition(app.db, auditionId));
    const { zone } = orNotFound(findCandidate(app.db, audition.candidateId));
    return sheetOf(app, audition, todayIn(app, zone));
  }
});

/** A sheet for each audition that is ahead and has something to accompany, the next round first. */
export const readPianoSheets = useCase({
  rule: 'teacher',
  run: (app: App, _input: Record<string, never>) =>
    listCandidates(app.db)
      .filter(({ archivedAtMs }) => archivedAtMs === null)
      .flatMap(({ id, name, zone }) => {
        const today = todayIn(app, zone);
        return auditionsOf(app.db, id).flatMap((audition) => {
          const next = audition.rounds.find(({ date }) => date >= today);
          const sheet = next && sheetOf(app, audition, today);
          return next && sheet && sheet.items.length > 0
            ? [{ id: audition.id, name, audition: audition.name, next, today, sheet }]
            : [];
        });
      })
      .sort((a, b) => a.next.date.localeCompare(b.next.date))
});
