/**
 * The open archive out and in: the whole studio, or one candidate to take along. Taking in adds to what the studio has; it
 * is all or nothing. Sign-ins do not travel: a candidate gets a new link.
 */
import { tooFarAhead } from '../../core/season';
import type { Archive, ArchiveCall, ArchiveCandidate } from '../../schema/archive';
import { ARCHIVE_VERSION } from '../../schema/archive';
import { type App, todayIn } from '../app';
import { CodedError } from '../errors';
import * as auditions from '../store/audition';
import * as calls from '../store/call';
import * as candidates from '../store/candidate';
import * as items from '../store/item';
import { addWish, lessonNotesOf, putLessonNote, wishesOf } from '../store/lesson';
import { pinsOf, putBlockPin, putRungPin } from '../store/pin';
import { latestVersion } from '../store/plan-version';
import { addTouch, touchesOfAudition } from '../store/touch';
import { keepAgreed, readSeason } from './current-plan';
import { found, useCase } from './use-case';

/** Everything of the studio. */
export const exportStudio = useCase({
  rule: 'teacher',
  run: (app: App, _input: Record<string, never>): Archive => {
    const all = candidates.listCandidates(app.db);
    const written = all.map((c) => ({
      ...writeCandidate(app, c),
      privateNote: candidates.privateNoteOf(app.db, c.id)
    }));
    return {
      head: headOf(app, 'studio', written.length),
      calls: [...calls.listCalls(app.db)].reverse().map((call) => writeCall(app, call)),
      candidates: written
    };
  }
});

/** One candidate to take along; without the teacher's private note. */
export const exportCandidate = useCase({
  rule: 'own',
  about: (_app: App, input: { candidateId: string }) => input.candidateId,
  run: (app: App, input: { candidateId: string }): Archive => {
    const candidate = found(candidates.findCandidate(app.db, input.candidateId));
    const written = writeCandidate(app, candidate);
    const taken = new Set(written.auditions.map((a) => a.callId));
    return {
      head: headOf(app, 'candidate', 1),
      calls: [...taken].map((id) => writeCall(app, found(calls.findCall(app.db, id)))),
      candidates: [written]
    };
  }
});

function headOf(app: App, scope: 'studio' | 'candidate', count: number): Archive['head'] {
  const madeAt = new Date(app.now()).toISOString();
  return { format: 'irvot-archive', version: ARCHIVE_VERSION, scope, madeAt, candidates: count };
}

function writeCall(app: App, { id, name, checkedOn, rounds, dates }: calls.Call): ArchiveCall {
  const listed = items.printedItems(app.db, id);
  return {
    id,
    name,
    checkedOn,
    rounds: rounds.map((r) => ({ ...r, itemIds: r.itemIds && [...r.itemIds] })),
    dates: [...dates],
    items: listed as ArchiveCall['items']
  };
}

function writeCandidate(app: App, candidate: candidates.Candidate): ArchiveCandidate {
  const { id, name, instruments, zone, isMinor, guardian, consentOn, archivedAtMs, time } = candidate;
  return {
    id,
    name,
    instruments,
    zone,
    isMinor,
    guardian,
    consentOn,
    isPutAway: archivedAtMs !== null,
    time: time as ArchiveCandidate['time'],
    lessonNotes: lessonNotesOf(app.db, id).reverse(),
    wishes: wishesOf(app.db, id).reverse(),
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
    isLeftOut: item.isLeftOut,
    ticks: items.ticksOf(app.db, item.id),
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
      null) as ArchiveCandidate['auditions'][number]['agreed']
  };
}

export type TakenIn = { readonly candidates: readonly string[]; readonly lists: readonly string[] };

/**
 * Takes an archive in beside what is there. A list the studio has under the same id is used as it is here; a candidate it
 * has already is refused. Says what came in.
 */
export const importArchive = useCase({
  rule: 'teacher',
  run: (app: App, { archive }: { archive: Archive }): TakenIn => {
    const here = new Set(candidates.listCandidates(app.db).map((c) => c.id));
    const again = archive.candidates.find((c) => here.has(c.id));
    if (again) throw new CodedError('here-already', sayHereAlready(again.name));
    const fresh = archive.calls.filter((call) => !calls.findCall(app.db, call.id));
    const dates = [...fresh.flatMap((c) => c.rounds), ...archive.candidates.flatMap(slotsOf)];
    const tooFar = dates.map(({ date }) => tooFarAhead(date, todayIn(app, 'UTC'))).find(Boolean);
    if (tooFar)
      throw new CodedError(
        'archive-unreadable',
        `This file was not taken in. ${tooFar} Nothing was changed.`
      );
    for (const call of fresh) takeCall(app, call);
    for (const candidate of archive.candidates) takeCandidate(app, candidate);
    return {
      candidates: archive.candidates.map((c) => c.name),
      lists: fresh.map((c) => c.name)
    };
  }
});

const slotsOf = ({ auditions: taken }: ArchiveCandidate) => taken.flatMap((a) => a.slots);

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
  const { name, instruments, zone, isMinor, guardian, consentOn, privateNote = '' } = from;
  const facts = { name, instruments, zone, isMinor, guardian, consentOn, privateNote };
  candidates.saveFacts(app.db, from.id, facts, 1);
  if (from.isPutAway) candidates.setArchived(app.db, from.id, app.now());
  for (const note of from.lessonNotes) putLessonNote(app.db, from.id, note);
  for (const wish of from.wishes) addWish(app.db, from.id, wish);
  for (const audition of from.auditions) takeAudition(app, from.id, audition);
  // when all are there: several are laid as one
  for (const { id, agreed } of from.auditions) {
    const season = readSeason(app, id);
    if (season.own.items.length > 0 && season.own.rounds.length > 0)
      keepAgreed(app, season, agreed ?? undefined, 'archive taken in');
  }
}

function takeAudition(app: App, candidateId: string, from: ArchiveCandidate['auditions'][number]): void {
  const { id, callId, beganOn } = from;
  auditions.addAudition(app.db, { id, candidateId, callId, beganOn }, app.now());
  auditions.saveOwnDates(app.db, id, from.ownDates, 1);
  for (const slot of from.slots) auditions.putSlot(app.db, id, slot);
  auditions.setDaysIntoMock(app.db, id, from.daysIntoMock ?? 0);
  const listed = new Set(items.listItemIds(app.db, callId));
  const strange = from.items.find((item) => !listed.has(item.listItemId));
  if (strange)
    throw new CodedError(
      'archive-unreadable',
      'This file was not taken in. The studio has its list already, but not all of its items. Nothing was changed.'
    );
  for (const item of from.items) {
    const { ownSections, mostPerDayMin, schools } = item;
    items.addOwn(
      app.db,
      { id: item.id, auditionId: id, listItemId: item.listItemId },
      { ownSections, mostPerDayMin, schools }
    );
    if (item.isLeftOut) items.setLeftOut(app.db, item.id, true);
    for (const [kind, date] of Object.entries(item.ticks))
      items.setTick(app.db, item.id, kind as Parameters<typeof items.setTick>[2], date);
    for (const pin of item.pins) {
      if ('minutes' in pin) putBlockPin(app.db, pin);
      else putRungPin(app.db, pin);
    }
    for (const touch of item.log) addTouch(app.db, touch, app.now());
  }
}
