/**
 * Fills an empty database with the demo studio and the weeks behind it. Its players practise what each day's plan
 * asks, miss days and get on with some items better than with others; all by a fixed seed and counted from today.
 */
import { startingSet } from '../../core/practice';
import { type Often, type SaidKind, familyOf } from '../../core/record';
import { dayOf, formatDate, randomFrom } from '../../core/units';
import { instantOf } from '../../core/units/zone';
import { type App, type Who, todayIn } from '../app';
import { addAccount, findTeacher } from '../store/account';
import { findAudition, saveOwnDates } from '../store/audition';
import { listCalls, saveCall, setCallChecked } from '../store/call';
import { setCandidateAccount } from '../store/candidate';
import { findItem, itemsOf } from '../store/item';
import { addWish, putLessonNote } from '../store/lesson';
import { layAgain } from '../laying/lay';
import { addUsualTasks } from '../usecase/around';
import { addAudition, takeCall } from '../usecase/call';
import { keepDeskEvents } from '../usecase/desk';
import { addItem } from '../usecase/list';
import { sayCheck } from '../usecase/readiness';
import { readRoundDay, setRoundDay } from '../usecase/round-day';
import { addSpot, readSpotPage, setSpot } from '../usecase/spots';
import { addCandidate, saveFacts, saveTime } from '../usecase/studio';
import { addCall, addUntakenItems } from '../usecase/untaken';
import type { Player } from './desk-day';
import type { DemoCandidate, DemoItem, DemoList, DemoTaker } from './shape';
import { seedEvening, tell, tickBehind } from './ends';
import { playMock, reserveMock } from './mocks';
import { practise } from './practise';
import { recordRun } from './takes';
import { DEMO_CANDIDATES, DEMO_TEACHER, DEMO_UNTAKEN, DEMO_ZONE } from './studio';

/** No password fits: the demo is entered by one click. */
const NO_PASSWORD = 'demo';

/** How often each of a player's fundamentals comes: six minutes a day are enough for all. */
const OFTEN: readonly Often[] = [
  { kind: 'every', days: 1 },
  { kind: 'weekdays', weekdays: [2, 4, 6] },
  { kind: 'weekdays', weekdays: [1, 3, 5] }
];

/** What a player has said to hold, so many of these. */
const SAID: readonly SaidKind[] = [
  'edition',
  'errata',
  'bars',
  'decisions',
  'straight',
  'cold',
  'anywhere',
  'context',
  'take',
  'probe'
];

/** Since so many days they have a desk. */
const DESK_DAYS = 21;

export function seedDemo(app: App): void {
  if (findTeacher(app.db)) return;
  app.db.transaction(() => {
    const accountId = app.newId();
    addAccount(
      app.db,
      { id: accountId, role: 'teacher', ...DEMO_TEACHER, password_hash: NO_PASSWORD },
      app.now()
    );
    const teacher: Who = { kind: 'teacher', accountId, name: DEMO_TEACHER.name };
    DEMO_CANDIDATES.forEach((candidate, i) => seedCandidate(app, teacher, candidate, randomFrom(100 + i)));
    seedUntaken(app, teacher);
    seedEvening(app, teacher);
  })();
}

function seedCandidate(app: App, teacher: Who, demo: DemoCandidate | DemoTaker, random: () => number): void {
  const today = dayOf(todayIn(app, DEMO_ZONE));
  const began = today - demo.beganDaysAgo;
  const on = (day: number, minutesLater = 0): App => {
    const atMs = instantOf(formatDate(day), '20:00', DEMO_ZONE)! + minutesLater * 60_000;
    return { ...app, now: () => atMs };
  };
  const start = demo.beganDaysAgo === 0 ? app : on(began);
  const candidateId = seedPlayer(app, start, teacher, demo, today);
  const taken =
    'takes' in demo
      ? takeList(start, teacher, candidateId, demo)
      : enterList(app, on, teacher, candidateId, demo, today);
  const mocks = demo.mocks.map(({ inDays, ...mock }) => ({
    ...mock,
    date: formatDate(today + inDays),
    kind: 'mock' as const
  }));
  saveOwnDates(app.db, taken.auditionId, mocks, 1);
  for (const mock of demo.stages ?? []) reserveMock(app, today, taken, mock);
  const who: Who = {
    kind: 'candidate',
    accountId: candidateId,
    name: demo.name,
    candidateId,
    isPutAway: false
  };
  const player = { who, candidateId, auditionId: taken.auditionId, easeOf: taken.easeOf, random };
  for (let day = began; day < today; day += 1) {
    if (day > began) taken.addOn(day);
    practise(on(day), player, demo.diligence, day, today - day <= DESK_DAYS);
  }
  [...taken.easeOf.keys()].forEach((id, i) =>
    SAID.slice(0, Math.max(0, demo.ticks - (i % 3))).forEach((check, k) =>
      sayCheck(on(today - 3 * k - 2), player.who, { itemId: id, check, isHeld: true })
    )
  );
  for (const { daysAgo, says } of demo.equipment ?? [])
    markEquipment(on(today - daysAgo), player, formatDate(today - daysAgo), says);
  for (const [n, { item, daysAgo, ...played }] of (demo.recorded ?? []).entries()) {
    const date = formatDate(today - daysAgo);
    // two of one day one after the other
    recordRun(on(today - daysAgo, n), player.who, [...taken.easeOf.keys()][item]!, { ...played, date });
  }
  for (const mock of demo.stages ?? []) playMock(on, today, teacher, player, mock);
  if (demo.roundDay) setDay(on(today - 1), player, demo.roundDay);
  tickBehind(on, player, today);
  if (demo.told) tell(on(today - 3), player, demo.told);
  if (demo.heard) hearSpot(on(today - 1), teacher, player, demo.heard);
  layAgain(app, taken.auditionId, 'a new day');
  if ('also' in demo && demo.also) addSecond(app, teacher, candidateId, demo.also, today);
}

function markEquipment(app: App, { who, candidateId }: Player, date: string, says: string): void {
  const id = app.newId();
  const made = { id, device: 'demo tablet', seq: 9000, atMs: app.now(), date };
  keepDeskEvents(app, who, { candidateId, events: [{ ...made, kind: 'equipment', mark: id, says }] });
}

function setDay(
  app: App,
  { who, auditionId, easeOf }: Player,
  { thoughts, ...day }: NonNullable<DemoCandidate['roundDay']>
): void {
  const { round } = readRoundDay(app, who, { auditionId });
  const said = [...easeOf.keys()].map((id, i) => [id, thoughts[i] ?? ''] as const);
  setRoundDay(app, who, { auditionId, day: { ...day, roundId: round.id }, thoughts: new Map(said) });
}

/** In the lesson the teacher lays what was heard first, and one that rests to rest for good. */
function hearSpot(
  app: App,
  teacher: Who,
  { auditionId, candidateId, easeOf }: Player,
  { item, ...heard }: NonNullable<DemoCandidate['heard']>
): void {
  const id = app.newId();
  addSpot(app, teacher, { id, itemId: [...easeOf.keys()][item]!, notHeld: [], ...heard });
  setSpot(app, teacher, { candidateId, spotId: id, set: { isFirst: true } });
  const rests = readSpotPage(app, teacher, { auditionId }).spots.find(({ state }) => state === 'resting');
  if (rests) setSpot(app, teacher, { candidateId, spotId: rests.id, set: { isOpen: false } });
}

function callOf({ audition, round }: DemoList, today: number) {
  const { inDays, ...named } = round;
  const date = formatDate(today + inDays);
  return {
    name: audition,
    rounds: [{ ...named, id: '', date, zone: DEMO_ZONE, isHistory: false }],
    dates: []
  };
}

const printedOnly = ({ ease: _ease, ...item }: DemoItem) => item;

function seedUntaken(app: App, teacher: Who): void {
  const callId = addCall(app, teacher, callOf(DEMO_UNTAKEN, dayOf(todayIn(app, DEMO_ZONE))));
  addUntakenItems(app, teacher, { callId, items: DEMO_UNTAKEN.items.map(printedOnly) });
}

function addSecond(app: App, teacher: Who, candidateId: string, also: DemoList, today: number): void {
  const auditionId = addAudition(app, teacher, { candidateId, ...callOf(also, today) });
  for (const item of also.items) addItem(app, teacher, { auditionId, item: printedOnly(item) });
}

/** The candidate with sign-in, week and facts; returns the id. */
function seedPlayer(
  app: App,
  start: App,
  teacher: Who,
  demo: DemoCandidate | DemoTaker,
  today: number
): string {
  const { name, instruments, login, guardian } = demo;
  const who = { name, instruments, zone: DEMO_ZONE, isMinor: guardian !== undefined };
  const candidateId = addCandidate(start, teacher, who);
  const consentDaysAgo = guardian?.consentDaysAgo ?? null;
  const consentOn = consentDaysAgo === null ? null : formatDate(today - consentDaysAgo);
  const facts = {
    ...who,
    guardian: guardian?.name ?? '',
    consentOn,
    sharingOn: consentOn,
    privateNote: demo.note ?? ''
  };
  saveFacts(start, teacher, { candidateId, facts, version: 1 });
  const accountId = app.newId();
  addAccount(
    app.db,
    { id: accountId, role: 'candidate', name, login, password_hash: NO_PASSWORD },
    app.now()
  );
  setCandidateAccount(app.db, candidateId, accountId);
  saveTime(start, teacher, { candidateId, version: 1, time: timeOf(demo, today) });
  if (demo.home) putLessonNote(app.db, candidateId, { date: formatDate(today - 7), note: demo.home });
  const id = app.newId();
  if (demo.wish)
    addWish(app.db, candidateId, { id, madeOn: formatDate(today - 2), says: demo.wish, answer: null });
  return candidateId;
}

type Taken = {
  readonly auditionId: string;
  readonly easeOf: Map<string, number>;
  /** Puts on the list what came onto it that day. */
  readonly addOn: (day: number) => void;
};

function takeList(app: App, teacher: Who, candidateId: string, demo: DemoTaker): Taken {
  const first = DEMO_CANDIDATES.find((c): c is DemoCandidate => c.name === demo.takes && 'items' in c)!;
  const call = listCalls(app.db).find((c) => c.name === first.audition)!;
  const auditionId = takeCall(app, teacher, { candidateId, callId: call.id });
  const easeOf = new Map(
    itemsOf(app.db, auditionId).map((item) => [
      item.id,
      first.items.find((i) => i.name === item.name)!.ease * demo.easeTimes
    ])
  );
  return { auditionId, easeOf, addOn: () => undefined };
}

function enterList(
  app: App,
  on: (day: number) => App,
  teacher: Who,
  candidateId: string,
  demo: DemoCandidate,
  today: number
): Taken {
  const began = today - demo.beganDaysAgo;
  const at = (day: number) => (day === today ? app : on(day));
  const { audition: name } = demo;
  const auditionId = addAudition(at(began), teacher, { candidateId, name, rounds: [], dates: [] });
  const easeOf = new Map<string, number>();
  const addOn = (day: number) => {
    for (const one of demo.items.filter((i) =>
      began === day ? i.addedDaysAgo === undefined : i.addedDaysAgo === today - day
    )) {
      const { ease, addedDaysAgo: _added, ...item } = one;
      easeOf.set(addItem(at(day), teacher, { auditionId, item }), ease);
    }
  };
  addOn(began);
  putCall(app, auditionId, demo, [...easeOf.keys()], today);
  addUsualTasks(at(began), teacher, { auditionId });
  return { auditionId, easeOf, addOn };
}

/** The first of a set, and its scales, where it has any. */
function setFor(instruments: string) {
  const set = startingSet(familyOf(instruments));
  const scales = set.find((one) => one.scales);
  return scales ? [set[0]!, scales, ...set.slice(1, OFTEN.length - 1)] : set.slice(0, OFTEN.length);
}

function timeOf(demo: DemoCandidate | DemoTaker, today: number) {
  const [weekday, start, minutes] = demo.lesson;
  return {
    week: demo.week.map(([day, at, length]) => ({
      weekday: day,
      ...(at ? { start: at } : {}),
      minutes: length
    })),
    exceptions: demo.exceptions.map((e) => ({
      date: formatDate(today + e.inDays),
      minutes: e.minutes,
      why: e.why
    })),
    lessons: [{ weekday, start, minutes, isInside: true }],
    warmUpMin: 8,
    fundamentalsMin: 6,
    rotation: setFor(demo.instruments).map((one, i) => ({
      ...one,
      id: `turn-${i + 1}`,
      minutes: 3,
      often: OFTEN[i]!
    }))
  };
}

/** Rounds and dates go in after the items, whose ids they name. */
function putCall(
  app: App,
  auditionId: string,
  demo: DemoCandidate,
  ids: readonly string[],
  today: number
): void {
  const rounds = demo.rounds.map((r) => ({
    id: app.newId(),
    name: r.name,
    date: formatDate(today + r.inDays),
    time: r.time,
    zone: DEMO_ZONE,
    isHistory: false,
    ...(r.uploadInDays === undefined ? {} : { uploadBy: formatDate(today + r.uploadInDays) }),
    itemIds: r.hears?.map((n) => findItem(app.db, ids[n]!)!.listItemId)
  }));
  const dates = demo.dates.map(({ inDays, ...date }) => ({ ...date, date: formatDate(today + inDays) }));
  const { callId } = findAudition(app.db, auditionId)!;
  saveCall(app.db, { id: callId, name: demo.audition, rounds, dates, version: 1 });
  setCallChecked(app.db, callId, formatDate(today - (demo.checkedDaysAgo ?? 2)));
}
