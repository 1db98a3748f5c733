/**
 * A plan as iCalendar (RFC 5545): rounds and other dates, lessons, and practice, as one event a day with its blocks as text, or one a block. UIDs
 * are stable, so that a new file updates the old; what has gone since the last file is cancelled in the new one. What has a start time has an
 * alarm five minutes before; what has none lasts all day.
 */
import { createHash } from 'node:crypto';
import { ICalAlarmType, ICalCalendar, ICalEventStatus } from 'ical-generator';
import { Temporal } from 'temporal-polyfill';
import { tzlib_get_ical_block } from 'timezones-ical-library';
import type { PracticeTime } from '../core/plan';
import { dayOf, sayBpm, sayUnit, tempoIn, weekdayOf } from '../core/units';
import { instantOf } from '../core/units/zone';
import {
  type PlannedBlock,
  type PlannedItem,
  type SeasonPlan,
  barsOf,
  rungOfBlock,
  unitOfRung,
  sayPart
} from '../core/season';
import { oneLine } from '../core/record';
import type { Audition } from './store/audition';

/** One event before it is written. Without `time` it lasts all day. */
export type CalendarEvent = {
  readonly uid: string;
  readonly date: string;
  readonly time: string | null;
  readonly zone: string;
  readonly minutes: number;
  readonly summary: string;
  readonly description: string;
  readonly hasAlarm: boolean;
};

/** What an earlier file said of a UID. */
export type SentEntry = {
  readonly uid: string;
  readonly date: string;
  readonly sequence: number;
  readonly digest: string;
};

const MS_PER_MIN = 60_000;
const ALARM_SECONDS = 300;
/** A round's length is not known beforehand; half an hour keeps the place. */
const ROUND_MIN = 30;

/** How practice is written. */
export type CalendarBy = 'day' | 'block';
type Candidate = {
  readonly id: string;
  readonly zone: string;
  readonly time: Pick<PracticeTime, 'lessons'>;
};

/** Everything dated of one audition, from the plan's today on. */
export function eventsOf(
  audition: Audition,
  candidate: Candidate,
  plan: SeasonPlan | null,
  by: CalendarBy
): CalendarEvent[] {
  const homeZone = candidate.zone;
  const base = { time: null, zone: homeZone, minutes: 0, description: '', hasAlarm: false };
  const rounds = audition.rounds.map((r) => ({
    ...base,
    uid: `${r.id}@irvot`,
    date: r.date,
    time: r.time ?? null,
    zone: r.zone,
    minutes: ROUND_MIN,
    summary: `${audition.name}: ${r.name}`
  }));
  const dates = audition.dates.map((d) => ({
    ...base,
    uid: `${audition.id}.${digestOf(d.date + d.name)}@irvot`,
    date: d.date,
    ...('time' in d && d.time ? { time: d.time, minutes: d.minutes, hasAlarm: true } : {}),
    summary: `${audition.name}: ${d.name}`
  }));
  const blocks =
    plan?.days.flatMap(({ date, blocks: all }) => {
      const events = blockEvents(audition.id, homeZone, date, all, plan.items);
      return by === 'block' ? events : dayEvent(audition.id, events);
    }) ?? [];
  return [...rounds, ...dates, ...lessonEvents(candidate, plan), ...blocks];
}

/** Blocks of one day as one event: as long as from the first to the last, its blocks as text. */
function dayEvent(auditionId: string, blocks: readonly CalendarEvent[]): CalendarEvent[] {
  const [first] = blocks;
  if (!first) return [];
  const minutes = blocks.reduce((sum, block) => sum + block.minutes, 0);
  const timed = blocks.flatMap(({ time, minutes: own }) => (time ? [{ from: minutesOf(time), own }] : []));
  const from = Math.min(...timed.map((block) => block.from));
  const until = Math.max(...timed.map((block) => block.from + block.own));
  const lines = blocks.map(({ time, summary, description }) =>
    [time, summary, description].filter(Boolean).join(', ')
  );
  const isTimed = timed.length > 0;
  return [
    {
      ...first,
      uid: `${auditionId}.${first.date}@irvot`,
      time: isTimed ? blocks.find(({ time }) => time && minutesOf(time) === from)!.time : null,
      minutes: isTimed ? until - from : minutes,
      summary: `Practice, ${minutes} min`,
      description: lines.join('\n'),
      hasAlarm: isTimed
    }
  ];
}

const minutesOf = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));

/** Weekly lessons on the days of the plan. One of several on a day is told by its hour. */
function lessonEvents({ id, zone, time }: Candidate, plan: SeasonPlan | null): CalendarEvent[] {
  return (plan?.days ?? []).flatMap(({ date }) =>
    time.lessons
      .filter(({ weekday }) => weekday === weekdayOf(dayOf(date)))
      .map(({ start, minutes }) => ({
        uid: `${id}.lesson.${date}.${start ?? 'day'}@irvot`,
        date,
        time: start ?? null,
        zone,
        minutes,
        summary: 'Lesson',
        description: '',
        hasAlarm: start !== undefined
      }))
  );
}

function blockEvents(
  auditionId: string,
  zone: string,
  date: string,
  blocks: readonly PlannedBlock[],
  items: readonly PlannedItem[]
): CalendarEvent[] {
  const seen = new Map<string, number>();
  return blocks.flatMap((block) => {
    const item = items.find((i) => i.id === block.itemId)!;
    // it stands in the calendar of the audition that brings it
    if (item.broughtBy) return [];
    const nth = (seen.get(item.id) ?? 0) + 1;
    seen.set(item.id, nth);
    return {
      uid: `${auditionId}.${date}.${item.id}.${nth}@irvot`,
      date,
      time: block.start,
      zone,
      minutes: block.minutes,
      summary: `${item.name}, ${block.minutes} min`,
      description: describeBlock(block, item),
      hasAlarm: block.start !== null
    };
  });
}

function describeBlock(block: PlannedBlock, item: PlannedItem): string {
  if (block.kind === 'keep-warm') return 'keep it warm';
  if (block.kind === 'run' || block.kind === 'easy-run') return 'one run, straight through';
  const rung = rungOfBlock(item, block);
  const bars = barsOf(item, block);
  if (!rung || !bars) return '';
  const unit = unitOfRung(item, rung);
  const bpm = tempoIn(rung.click, unit);
  const begins = block.fromClick ? tempoIn(block.fromClick, unit) : bpm;
  const from = begins < bpm ? `${sayBpm(begins)} to ` : '';
  const clicked =
    rung.click.unit === unit ? '' : `, click ${sayUnit(rung.click.unit)} ${sayBpm(rung.click.bpm)}`;
  const where = block.part ? sayPart(block.part) : `bars ${bars.fromBar}–${bars.toBar}`;
  return `${where} at ${sayUnit(unit)} ${from}${sayBpm(bpm)}${clicked}`;
}

/** Writes the file and says what it sent, so that the next one can be compared with it. `stampMs` dates the file. */
export function writeCalendar(
  name: string,
  events: readonly CalendarEvent[],
  before: readonly SentEntry[],
  stampMs: number
): { text: string; sent: SentEntry[] } {
  const calendar = new ICalCalendar({
    // which the library writes as it is
    name: oneLine(name),
    prodId: '//Irvot//Plan//EN',
    timezone: { name: null, generator: (zone) => tzlib_get_ical_block(zone)[0] ?? null }
  });
  const known = new Map(before.map((entry) => [entry.uid, entry]));
  const sent: SentEntry[] = [];
  for (const event of events) {
    const digest = digestOf(JSON.stringify(event));
    const old = known.get(event.uid);
    const sequence = !old ? 0 : old.digest === digest ? old.sequence : old.sequence + 1;
    known.delete(event.uid);
    sent.push({ uid: event.uid, date: event.date, sequence, digest });
    addEvent(calendar, event, sequence, stampMs);
  }
  for (const gone of known.values()) {
    const sequence = gone.digest === CANCELLED ? gone.sequence : gone.sequence + 1;
    sent.push({ ...gone, sequence, digest: CANCELLED });
    calendar
      .createEvent({
        id: gone.uid,
        start: startOfDay(gone.date),
        allDay: true,
        summary: 'no longer planned',
        sequence,
        stamp: new Date(stampMs)
      })
      .status(ICalEventStatus.CANCELLED);
  }
  return { text: calendar.toString(), sent };
}

const CANCELLED = 'cancelled';

function addEvent(calendar: ICalCalendar, event: CalendarEvent, sequence: number, stampMs: number): void {
  const common = {
    id: event.uid,
    summary: event.summary,
    description: event.description || null,
    sequence,
    stamp: new Date(stampMs)
  };
  const instant = event.time === null ? null : instantOf(event.date, event.time, event.zone);
  if (instant === null) {
    calendar.createEvent({ ...common, start: startOfDay(event.date), allDay: true });
    return;
  }
  const entry = calendar.createEvent({
    ...common,
    start: zoned(instant, event.zone),
    end: zoned(instant + event.minutes * MS_PER_MIN, event.zone),
    timezone: event.zone
  });
  if (event.hasAlarm) entry.createAlarm({ type: ICalAlarmType.display, trigger: ALARM_SECONDS });
}

/** The generator writes a plain Date in the server's own zone; a zoned time is written as it is. */
function zoned(epochMs: number, zone: string): Temporal.ZonedDateTime {
  return Temporal.Instant.fromEpochMilliseconds(epochMs).toZonedDateTimeISO(zone);
}

/** All-day dates are read as UTC when written. */
function startOfDay(date: string): Date {
  return new Date(dayOf(date) * 1440 * MS_PER_MIN);
}

function digestOf(text: string): string {
  return createHash('sha256').update(text).digest('base64url').slice(0, 22);
}
