/**
 * Every place that a change can put something into. A new kind of change is one more entry here: nothing else has to know of it, and
 * none has to be added to the database.
 */
import type { StepSchool } from '../../core/tempo';
import { targetOf } from '../../core/tempo';
import type { Touch } from '../../core/practice';
import type { CheckLevels, SaidCheck } from '../../core/record';
import type { BlockPin, RungPin, Schools, SeasonSection } from '../../core/season';
import type { App } from '../app';
import { orNotFound } from '../errors';
import { endGrantsOf } from '../grant/grant';
import * as auditions from '../store/audition';
import { setCallChecked } from '../store/call';
import * as candidates from '../store/candidate';
import * as items from '../store/item';
import * as lessons from '../store/lesson';
import * as pins from '../store/pin';
import * as checks from '../store/said-check';
import * as touches from '../store/touch';
import { mock, prescreen, roundDay, tasks, thought } from './around-places';
import { boundDates, boundTime } from './bounds';
import { callPlace } from './call-place';
import { itemPlace } from './item-place';
import { type Place, type Touched, place } from './place';
import { setSections, withTarget } from './target';

type OfItem = { readonly itemId: string };
type OfCandidate = { readonly candidateId: string };

/** Of an item's own plan, and of what it lends. */
const auditionOf = (app: App, { itemId }: OfItem): Touched => ({
  auditionId: orNotFound(items.ownerOfItem(app.db, itemId)).auditionId
});

const time = place<OfCandidate, candidates.CandidateTime>({
  read: (app, { candidateId }) => candidates.findCandidate(app.db, candidateId)?.time,
  write(app, { candidateId }, to) {
    const { zone, timeVersion } = orNotFound(candidates.findCandidate(app.db, candidateId));
    boundTime(app, zone, to);
    candidates.saveTime(app.db, candidateId, to, timeVersion);
  },
  touches: (_app, about) => about
});

/** A changed home zone changes today, and so the plan. */
const facts = place<OfCandidate, candidates.CandidateFacts>({
  read(app, { candidateId }) {
    const candidate = candidates.findCandidate(app.db, candidateId);
    if (!candidate) return undefined;
    const { name, instruments, zone, isMinor, guardian, consentOn, sharingOn } = candidate;
    const privateNote = candidates.privateNoteOf(app.db, candidateId);
    return { name, instruments, zone, isMinor, guardian, consentOn, sharingOn, privateNote };
  },
  write(app, { candidateId }, to) {
    const { zone, factsVersion } = orNotFound(candidates.findCandidate(app.db, candidateId));
    boundDates(app, zone, [to.consentOn, to.sharingOn]);
    candidates.saveFacts(app.db, candidateId, to, factsVersion);
    if (to.isMinor && !to.sharingOn) endGrantsOf(app, 'listener', candidateId);
  },
  touches: (_app, about) => about
});

type Sections = {
  readonly sections: readonly SeasonSection[];
  /** Null where they are the list's; as it is where nothing is said. */
  readonly ownSections?: readonly SeasonSection[] | null | undefined;
};

/** One candidate's sections of an item, with whether they are their own. */
const sections = place<OfItem, Sections>({
  read(app, { itemId }) {
    const item = items.findItem(app.db, itemId);
    return item && { sections: item.sections, ownSections: item.hasOwnSections ? item.sections : null };
  },
  write(app, { itemId }, to) {
    const item = orNotFound(items.findItem(app.db, itemId));
    if (item.hasOwnSections && to.ownSections === null) items.setOwnSections(app.db, itemId, null);
    else setSections(app, item, to.sections);
  },
  touches: auditionOf
});

/** The target of one section alone. */
const target = place<OfItem & { readonly sectionId: string }, number>({
  read(app, { itemId, sectionId }) {
    const section = items.findItem(app.db, itemId)?.sections.find((s) => s.id === sectionId);
    return section && targetOf(section.tempo)?.bpm;
  },
  write(app, { itemId, sectionId }, bpm) {
    const item = orNotFound(items.findItem(app.db, itemId));
    const section = orNotFound(item.sections.find((s) => s.id === sectionId));
    const tempo = withTarget(section.tempo, bpm);
    setSections(
      app,
      item,
      item.sections.map((s) => (s === section ? { ...s, tempo } : s))
    );
  },
  touches: auditionOf
});

const schools = place<OfItem, Partial<Schools>>({
  read: (app, { itemId }) => {
    const item = items.findItem(app.db, itemId);
    return item && (item.schools ?? {});
  },
  write: (app, { itemId }, to) => items.setSchools(app.db, itemId, to),
  touches: auditionOf
});

/** Null where it is the studio's usual. */
const step = place<OfItem, StepSchool | null>({
  read(app, { itemId }) {
    const item = items.findItem(app.db, itemId);
    return item && (item.schools?.step ?? null);
  },
  write(app, { itemId }, to) {
    const item = orNotFound(items.findItem(app.db, itemId));
    items.setSchools(app.db, itemId, { ...item.schools, step: to ?? undefined });
  },
  touches: auditionOf
});

const leftOut = place<OfItem, boolean>({
  read: (app, { itemId }) => {
    const item = items.findItem(app.db, itemId);
    return item && item.isLeftOut === true;
  },
  write: (app, { itemId }, to) => items.setLeftOut(app.db, itemId, to),
  touches: auditionOf
});

/** Whether it is on the list, for all who took it; its logs are kept while it is not. */
const onList = place<OfItem, boolean>({
  read: (app, { itemId }) => items.findItem(app.db, itemId) !== undefined,
  write(app, { itemId }, to) {
    const { listItemId } = orNotFound(items.ownerOfItem(app.db, itemId));
    items.setItemRemoved(app.db, listItemId, to ? null : app.now());
  },
  touches: itemPlace.touches
});

/** Null where the candidate has no slot of their own. A slot in a round that is no more goes with it. */
const slot = place<
  { readonly auditionId: string; readonly roundId: string },
  { readonly date: string; readonly time?: string | undefined } | null
>({
  read(app, { auditionId, roundId }) {
    const found = auditions.findAudition(app.db, auditionId)?.slots.find((s) => s.roundId === roundId);
    return found ? { date: found.date, time: found.time } : null;
  },
  write(app, { auditionId, roundId }, to) {
    const { rounds } = orNotFound(auditions.findAudition(app.db, auditionId));
    if (to && rounds.some((round) => round.id === roundId))
      auditions.putSlot(app.db, auditionId, { roundId, ...to });
    else auditions.dropSlot(app.db, auditionId, roundId);
  },
  touches: (_app, { auditionId }) => ({ auditionId })
});

const daysIntoMock = place<{ readonly auditionId: string }, number>({
  read: (app, { auditionId }) => auditions.findAudition(app.db, auditionId)?.daysIntoMock,
  write: (app, { auditionId }, to) => auditions.setDaysIntoMock(app.db, auditionId, to),
  touches: (_app, about) => about
});

const order = place<{ readonly auditionId: string }, readonly string[]>({
  read: (app, { auditionId }) => items.itemsOf(app.db, auditionId).map((item) => item.id),
  write: (app, { auditionId }, ids) => items.orderItems(app.db, auditionId, ids),
  touches: (_app, about) => about
});

/** Empty where there is none. */
const note = place<OfCandidate & { readonly date: string }, string>({
  read: (app, { candidateId, date }) =>
    lessons.lessonNotesOf(app.db, candidateId).find((n) => n.date === date)?.note ?? '',
  write: (app, { candidateId, date }, to) => lessons.putLessonNote(app.db, candidateId, { date, note: to }),
  touches: () => null
});

/** Null before it was made. */
const wish = place<OfCandidate & { readonly wishId: string }, lessons.Wish | null>({
  read: (app, { candidateId, wishId }) =>
    lessons.wishesOf(app.db, candidateId).find((w) => w.id === wishId) ?? null,
  write(app, { candidateId, wishId }, to) {
    if (!to) lessons.dropWish(app.db, wishId);
    else if (lessons.candidateOfWish(app.db, wishId))
      lessons.answerWish(app.db, wishId, to.answer, to.reply ?? '');
    else lessons.addWish(app.db, candidateId, to);
  },
  touches: () => null
});

/** The day on which the call's page was last looked at. */
const checked = place<{ readonly auditionId: string }, string | null>({
  read: (app, { auditionId }) => auditions.findAudition(app.db, auditionId)?.call.checkedOn,
  write: (app, { auditionId }, to) =>
    setCallChecked(app.db, orNotFound(auditions.findAudition(app.db, auditionId)).callId, to),
  touches: () => null
});

const pinOf = (app: App, { itemId }: OfItem) =>
  pins
    .pinsOf(app.db, orNotFound(items.ownerOfItem(app.db, itemId)).auditionId)
    .filter((pin) => pin.itemId === itemId);

/** Minutes of an item that stay on a date; null where none do. */
const blockPin = place<Omit<BlockPin, 'minutes'>, number | null>({
  read: (app, about) =>
    pinOf(app, about).find((pin): pin is BlockPin => 'minutes' in pin && pin.date === about.date)?.minutes ??
    null,
  write(app, about, to) {
    if (to === null) pins.dropBlockPin(app.db, about);
    else pins.putBlockPin(app.db, { ...about, minutes: to });
  },
  touches: auditionOf
});

/** The date on which a rung is to be reached; null where it is free. */
const rungPin = place<Omit<RungPin, 'date'>, string | null>({
  read: (app, about) =>
    pinOf(app, about).find(
      (pin) => 'sectionId' in pin && pin.sectionId === about.sectionId && pin.bpm === about.bpm
    )?.date ?? null,
  write(app, about, to) {
    if (to === null) pins.dropRungPin(app.db, about);
    else pins.putRungPin(app.db, { ...about, date: to });
  },
  touches: auditionOf
});

/** What was said of a check on a day; null where it was not. */
const said = place<OfItem & { readonly saidId: string }, SaidCheck | null>({
  read: (app, { saidId }) => checks.findSaidCheck(app.db, saidId) ?? null,
  write(app, { itemId, saidId }, to) {
    if (to) checks.addSaidCheck(app.db, itemId, to);
    else checks.dropSaidCheck(app.db, saidId);
  },
  touches: () => null
});

/** Which checks an item is asked, where that is set otherwise than by default. */
const checkLevels = place<OfItem, CheckLevels>({
  read: (app, { itemId }) => checks.checkLevelsOf(app.db, itemId),
  write: (app, { itemId }, to) => checks.setCheckLevels(app.db, itemId, to),
  touches: () => null
});

/** Null where it is not in the log. One that was there comes back as it was. */
const touch = place<OfItem & { readonly touchId: string }, Touch | null>({
  read: (app, { touchId }) => touches.findTouch(app.db, touchId) ?? null,
  write(app, { touchId }, to) {
    const isKnown = touches.itemOfTouch(app.db, touchId) !== undefined;
    if (isKnown) touches.setTouchRemoved(app.db, touchId, to ? null : app.now());
    else if (to) touches.addTouch(app.db, { ...to, id: touchId }, app.now());
  },
  touches: auditionOf
});

/** How what was played is vouched for, and what it came to: the same touch, heard by somebody else. */
const heard = place<OfItem & { readonly touchId: string }, Pick<Touch, 'series' | 'evidence'>>({
  read(app, { touchId }) {
    const found = touches.findTouch(app.db, touchId);
    return found && { series: found.series, evidence: found.evidence };
  },
  write: (app, { touchId }, to) => touches.setTouchHeard(app.db, touchId, to),
  touches: auditionOf
});

export const PLACES = {
  item: itemPlace,
  call: callPlace,
  time,
  facts,
  sections,
  target,
  schools,
  step,
  'left-out': leftOut,
  'on-list': onList,
  slot,
  'days-into-mock': daysIntoMock,
  order,
  note,
  wish,
  checked,
  'block-pin': blockPin,
  'rung-pin': rungPin,
  said,
  'check-levels': checkLevels,
  'round-day': roundDay,
  thought,
  touch,
  heard,
  mock,
  tasks,
  prescreen
} as const;

type Places = typeof PLACES;
export type EditKind = keyof Places;
type AboutOf<K extends EditKind> = Parameters<Places[K]['read']>[1];
type ToOf<K extends EditKind> = Parameters<Places[K]['write']>[2];

/** What a change puts where. */
export type Edit = {
  [K in EditKind]: { readonly kind: K; readonly about: AboutOf<K>; readonly to: ToOf<K> };
}[EditKind];

/** Kinds are told apart by their names alone: what an edit is about and puts there fits its own place. */
export const placeOf = ({ kind }: Pick<Edit, 'kind'>) => PLACES[kind] as Place<unknown, unknown>;
