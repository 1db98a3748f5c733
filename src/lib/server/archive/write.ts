/** A list and a candidate as they stand in the open archive. */
import type { Mock } from '../../core/record';
import type { ArchiveCall, ArchiveCandidate } from '../../schema/archive';
import type { App } from '../app';
import * as auditions from '../store/audition';
import type { Call } from '../store/call';
import type { Candidate } from '../store/candidate';
import { allDeskEvents } from '../store/desk-event';
import * as items from '../store/item';
import { lessonNotesOf, wishesOf } from '../store/lesson';
import { mocksOf } from '../store/mock';
import { pinsOf } from '../store/pin';
import { latestVersion } from '../store/plan-version';
import { prescreensOf } from '../store/prescreen';
import { roundDaysOf, thoughtOf } from '../store/round-day';
import { checkLevelsOf, saidChecksOf } from '../store/said-check';
import { LISTENER, marksOf, takesOf } from '../store/take';
import { tasksOf } from '../store/task';
import { touchesOfAudition } from '../store/touch';

export function writeCall(app: App, { id, name, checkedOn, rounds, dates, webAddress }: Call): ArchiveCall {
  const listed = items.printedItems(app.db, id);
  return {
    id,
    name,
    checkedOn,
    ...(webAddress === '' ? {} : { webAddress }),
    rounds: rounds.map((r) => ({ ...r, itemIds: r.itemIds && [...r.itemIds] })),
    dates: [...dates],
    items: listed as ArchiveCall['items']
  };
}

export function writeCandidate(app: App, candidate: Candidate): ArchiveCandidate {
  const { id, name, instruments, zone, isMinor, guardian, consentOn, sharingOn, archivedAtMs, time } =
    candidate;
  return {
    id,
    name,
    instruments,
    zone,
    isMinor,
    guardian,
    consentOn,
    sharingOn,
    isPutAway: archivedAtMs !== null,
    time: time as ArchiveCandidate['time'],
    lessonNotes: lessonNotesOf(app.db, id).reverse(),
    wishes: wishesOf(app.db, id).reverse(),
    desk: allDeskEvents(app.db, id) as ArchiveCandidate['desk'],
    takes: takesOf(app.db, id).map(({ candidateId: _owner, ...take }) => ({
      ...take,
      anchors: [...take.anchors],
      marks: marksOf(app.db, take.id).map(({ accountId, ...mark }) => ({
        ...mark,
        isRemark: accountId === LISTENER
      }))
    })),
    auditions: auditions.auditionsOf(app.db, id).map((audition) => writeAudition(app, audition))
  };
}

function writeAudition(app: App, audition: auditions.Audition): ArchiveCandidate['auditions'][number] {
  const { id, callId, beganOn, slots, ownDates, daysIntoMock } = audition;
  const log = touchesOfAudition(app.db, id);
  const pins = pinsOf(app.db, id);
  const written = items.itemsOf(app.db, id).map((item) => ({
    id: item.id,
    listItemId: item.listItemId,
    ownSections: item.hasOwnSections ? item.sections : null,
    mostPerDayMin: item.mostPerDayMin,
    schools: item.schools,
    holdsNow: item.holdsNow,
    isLeftOut: item.isLeftOut,
    checks: checkLevelsOf(app.db, item.id) ?? {},
    said: saidChecksOf(app.db, item.id),
    thought: thoughtOf(app.db, item.id) ?? '',
    pins: pins.filter((pin) => pin.itemId === item.id),
    log: log.filter((touch) => touch.itemId === item.id)
  }));
  return {
    id,
    callId,
    beganOn,
    slots: [...slots],
    ownDates: [...ownDates],
    daysIntoMock: daysIntoMock || undefined,
    items: written as ArchiveCandidate['auditions'][number]['items'],
    agreed: (latestVersion(app.db, id)?.plan.agreed ??
      auditions.agreedElsewhere(app.db, id) ??
      null) as ArchiveCandidate['auditions'][number]['agreed'],
    mocks: mocksOf(app.db, id).map(byItself) as ArchiveCandidate['auditions'][number]['mocks'],
    tasks: tasksOf(app.db, id),
    prescreens: prescreensOf(app.db, id) as ArchiveCandidate['auditions'][number]['prescreens'],
    roundDays: roundDaysOf(app.db, id) as ArchiveCandidate['auditions'][number]['roundDays']
  };
}

/** Which evening it belongs to, and who hears all of that, is this studio's alone. */
export const byItself = ({ evening: _evening, jurors, ...mock }: Mock): Mock => ({
  ...mock,
  jurors: jurors.map(({ seat: _seat, ...juror }) => juror)
});
