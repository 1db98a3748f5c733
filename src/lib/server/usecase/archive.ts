/**
 * The open archive out and in: the whole studio, or one candidate to take along. Taking in adds to what the studio has; it
 * is all or nothing. Sign-ins do not travel: a candidate gets a new link.
 */
import { type SaidCheck, SAID_KINDS } from '../../core/record';
import type { Archive, ArchiveCall, ArchiveCandidate } from '../../schema/archive';
import { ARCHIVE_VERSION } from '../../schema/archive';
import { datesIn } from '../../schema/dates-in';
import type { App, Who } from '../app';
import type { Outgoing } from '../archive/file';
import { unreadable } from '../archive/reader';
import { byItself, writeCall, writeCandidate } from '../archive/write';
import { openCopy } from '../db/backup';
import { CodedError, orNotFound } from '../errors';
import * as auditions from '../store/audition';
import * as calls from '../store/call';
import * as candidates from '../store/candidate';
import * as items from '../store/item';
import { addWish, putLessonNote } from '../store/lesson';
import { putBlockPin, putRungPin } from '../store/pin';
import { addDeskEvent } from '../store/desk-event';
import { putRoundDay, setThought } from '../store/round-day';
import { putSetting } from '../store/setting';
import {
  LISTENER,
  addTake,
  putMark,
  putSound,
  setMarkSpot,
  setTakeAnchors,
  setTakeKept,
  soundsOf
} from '../store/take';
import { putMock } from '../store/mock';
import { putPrescreen } from '../store/prescreen';
import { putTasks } from '../store/task';
import { addSaidCheck, setCheckLevels } from '../store/said-check';
import { addTouch } from '../store/touch';
import { readFiles } from '../files/folder';
import { serverLog } from '../log';
import * as intake from '../store/intake';
import { boundCount, boundDates, boundTime } from '../change/bounds';
import { useCase, waitingUseCase } from './use-case';
import { usualSchools } from './usual';

/** Everything of the studio. */
export const exportStudio = useCase({
  rule: 'teacher',
  run: (app: App, _input: Record<string, never>, who: Who): Archive => {
    noteExport(who, 'studio');
    const whole = wholeStudio(app);
    return { ...whole, candidates: [...whole.candidates] };
  }
});

/**
 * The same for a file that is written while others go on: from a copy made at one moment, in a folder of its own, which is gone when the
 * last candidate was read or nobody reads on.
 */
export const streamStudio = waitingUseCase({
  rule: 'teacher',
  run: async (app: App, input: { folder: string; files: string }, who: Who): Promise<Outgoing> => {
    noteExport(who, 'studio');
    const copy = await openCopy(app.db, input.folder);
    const whole = wholeStudio({ ...app, db: copy.db });
    return { ...whole, files: readFiles(input.files), end: copy.end };
  }
});

/** Its candidates are read one at a time. */
function wholeStudio(app: App): Outgoing {
  const all = candidates.listCandidates(app.db);
  function* written() {
    for (const candidate of all)
      yield {
        ...writeCandidate(app, candidate),
        privateNote: candidates.privateNoteOf(app.db, candidate.id)
      };
  }
  return {
    head: { ...headOf(app, 'studio', all.length), usualSchools: usualSchools(app) },
    calls: [...calls.listCalls(app.db)].reverse().map((call) => writeCall(app, call)),
    candidates: written()
  };
}

/** One candidate to take along, and the names of the files that belong to it; without the teacher's private note. */
export const exportCandidate = useCase({
  rule: 'see',
  owner: (_app: App, input: { candidateId: string }) => input.candidateId,
  run: (
    app: App,
    input: { candidateId: string },
    who: Who
  ): Archive & { readonly files: readonly string[] } => {
    noteExport(who, input.candidateId);
    const candidate = orNotFound(candidates.findCandidate(app.db, input.candidateId));
    const written = writeCandidate(app, candidate);
    const taken = new Set(written.auditions.map((a) => a.callId));
    return {
      head: headOf(app, 'candidate', 1),
      calls: [...taken].map((id) => writeCall(app, orNotFound(calls.findCall(app.db, id)))),
      candidates: [written],
      files: soundsOf(app.db, candidate.id)
    };
  }
});

function noteExport(who: Who, what: string): void {
  serverLog.info({ accountId: 'accountId' in who ? who.accountId : null, what }, 'taken out');
}

function headOf(app: App, scope: 'studio' | 'candidate', count: number): Archive['head'] {
  const madeAt = new Date(app.now()).toISOString();
  return { format: 'irvot-archive', version: ARCHIVE_VERSION, scope, madeAt, candidates: count };
}

export type TakenIn = { readonly candidates: readonly string[]; readonly lists: readonly string[] };

type Taking = {
  readonly archive: Archive;
  readonly signal?: AbortSignal | undefined;
  /** Hears how many candidates are in. */
  readonly onProgress?: ((done: number) => void) | undefined;
};

/**
 * Takes an archive in beside what is there, one candidate after another so that everybody else is answered in between; wholly or not at
 * all. A list the studio has under the same id is used as it is here; a candidate it has already is refused. Plans are laid afterwards.
 */
export const importArchive = waitingUseCase({
  rule: 'teacher',
  run: async (app: App, { archive, signal, onProgress }: Taking): Promise<TakenIn> => {
    const fresh = refuseUnsound(app, archive);
    const ids = [...fresh.map((c) => c.id), ...archive.candidates.map((c) => c.id)];
    try {
      app.db.transaction(() => {
        intake.begin(app.db, ids);
        for (const call of fresh) takeCall(app, call);
        takeUsual(app, archive);
      })();
      for (const [n, candidate] of archive.candidates.entries()) {
        app.db.transaction(() => takeCandidate(app, candidate))();
        onProgress?.(n + 1);
        await new Promise((resolve) => setImmediate(resolve));
        if (signal?.aborted) throw unreadable('It was stopped.');
      }
      intake.finish(app.db);
    } catch (thrown) {
      intake.takeBack(app.db);
      throw isConstraint(thrown) ? unreadable('Something of it is in this studio already.') : thrown;
    }
    serverLog.info({ candidates: archive.candidates.length }, 'archive taken in');
    app.layLater();
    return { candidates: archive.candidates.map((c) => c.name), lists: fresh.map((c) => c.name) };
  }
});

/** What is usual here stays. */
function takeUsual(app: App, { head }: Archive): void {
  const isSet = Object.keys(usualSchools(app)).length > 0;
  if (head.usualSchools && !isSet) putSetting(app.db, 'schools', head.usualSchools);
}

const isConstraint = (thrown: unknown) =>
  String((thrown as { code?: unknown }).code).startsWith('SQLITE_CONSTRAINT');

/** The lists that are new here. Throws CodedError where the archive cannot be taken in. */
function refuseUnsound(app: App, { calls: all, candidates: arriving }: Archive): ArchiveCall[] {
  const present = candidates.listCandidates(app.db);
  const here = new Set(present.map((c) => c.id));
  const again = arriving.find((c) => here.has(c.id));
  if (again) throw new CodedError('here-already', sayHereAlready(again.name));
  const fresh = all.filter((call) => !calls.findCall(app.db, call.id));
  boundCount('candidates', present.length + arriving.length);
  boundCount('calls', calls.listCalls(app.db).length + fresh.length);
  boundDates(
    app,
    'UTC',
    datesIn([fresh, arriving]).map(({ date }) => date)
  );
  for (const call of all) boundCount('items', call.items.length);
  for (const candidate of arriving) boundTime(app, candidate.zone, candidate.time);
  for (const { auditions: taken } of arriving)
    for (const { callId, items: own } of taken) {
      const known = calls.findCall(app.db, callId);
      const listed = known && new Set(items.listItemIds(app.db, callId));
      if (listed && own.some((item) => !listed.has(item.listItemId)))
        throw unreadable('The studio has its list already, but not all of its items.');
    }
  return fresh;
}

function sayHereAlready(name: string): string {
  return `${name} is in this studio already. Nothing was changed; erase the one here first, if the file is to take its place.`;
}

/** A list of a name the studio has already gets a number behind it. */
function takeCall(app: App, call: ArchiveCall): void {
  const names = new Set(calls.listCalls(app.db).map((c) => c.name));
  let name = call.name;
  for (let n = 2; names.has(name); n += 1) name = `${call.name} (${n})`;
  calls.addCall(app.db, { ...call, name }, app.now());
  calls.setCallChecked(app.db, call.id, call.checkedOn);
  for (const { id, ...printed } of call.items) items.addPrinted(app.db, call.id, id, { id, ...printed });
}

function takeCandidate(app: App, from: ArchiveCandidate): void {
  candidates.addCandidate(app.db, from, app.now());
  const { name, instruments, zone, isMinor, guardian, consentOn, sharingOn, privateNote = '' } = from;
  const facts = { name, instruments, zone, isMinor, guardian, consentOn, sharingOn, privateNote };
  candidates.saveFacts(app.db, from.id, facts, 1);
  if (from.isPutAway) candidates.setArchived(app.db, from.id, app.now());
  for (const note of from.lessonNotes) putLessonNote(app.db, from.id, note);
  for (const wish of from.wishes) addWish(app.db, from.id, wish);
  for (const event of from.desk) addDeskEvent(app.db, from.id, event, app.now());
  for (const audition of from.auditions) takeAudition(app, from.id, audition);
  for (const { id, agreed } of from.auditions) auditions.setAgreedElsewhere(app.db, id, agreed);
  for (const take of from.takes) takeTake(app, from.id, take);
}

/** Sign-ins do not travel: marks are nobody's, and stay. */
function takeTake(app: App, candidateId: string, from: ArchiveCandidate['takes'][number]): void {
  const { anchors, isKept, sound, marks, ...take } = from;
  addTake(app.db, candidateId, take);
  setTakeAnchors(app.db, take.id, anchors);
  setTakeKept(app.db, take.id, isKept);
  if (sound) putSound(app.db, take.id, sound);
  for (const { spotId, isRemark, ...mark } of marks) {
    putMark(app.db, take.id, (isRemark ?? mark.says !== '') ? LISTENER : '', mark);
    if (spotId !== null) setMarkSpot(app.db, take.id, mark.id, spotId);
  }
}

/** Files of before have one tick for each check. */
const ticksAsSaid = (
  app: App,
  { ticks }: ArchiveCandidate['auditions'][number]['items'][number]
): SaidCheck[] =>
  SAID_KINDS.flatMap((check) => {
    const date = ticks?.[check];
    return date === undefined ? [] : [{ id: app.newId(), check, date, isHeld: true, by: 'self' }];
  });

function takeAudition(app: App, candidateId: string, from: ArchiveCandidate['auditions'][number]): void {
  const { id, callId, beganOn } = from;
  auditions.addAudition(app.db, { id, candidateId, callId, beganOn }, app.now());
  auditions.saveOwnDates(app.db, id, from.ownDates, 1);
  for (const slot of from.slots) auditions.putSlot(app.db, id, slot);
  auditions.setDaysIntoMock(app.db, id, from.daysIntoMock ?? 0);
  for (const item of from.items) {
    const { ownSections, mostPerDayMin, schools, holdsNow } = item;
    items.addOwn(
      app.db,
      { id: item.id, auditionId: id, listItemId: item.listItemId },
      { ownSections, mostPerDayMin, schools, holdsNow }
    );
    if (item.isLeftOut) items.setLeftOut(app.db, item.id, true);
    setCheckLevels(app.db, item.id, item.checks);
    setThought(app.db, item.id, item.thought);
    for (const said of [...ticksAsSaid(app, item), ...item.said]) addSaidCheck(app.db, item.id, said);
    for (const pin of item.pins) {
      if ('minutes' in pin) putBlockPin(app.db, pin);
      else putRungPin(app.db, pin);
    }
    for (const touch of item.log) addTouch(app.db, touch, app.now());
  }
  for (const mock of from.mocks) putMock(app.db, id, byItself(mock));
  putTasks(app.db, id, from.tasks);
  for (const one of from.prescreens) putPrescreen(app.db, id, one);
  for (const day of from.roundDays) putRoundDay(app.db, id, day);
}
