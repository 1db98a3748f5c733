import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import ICAL from 'ical.js';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { SeasonPlan } from '../core/season';
import { type CalendarEvent, eventsOf, writeCalendar } from './calendar';
import type { Audition } from './store/audition';

const folder = mkdtempSync(join(tmpdir(), 'irvot-calendar-'));
const NOW = Date.parse('2026-11-24T08:00:00Z');

const event = (more: Partial<CalendarEvent>): CalendarEvent => ({
  uid: 'one@irvot',
  date: '2026-12-02',
  time: '17:15',
  zone: 'Europe/Brussels',
  minutes: 20,
  summary: 'Étude 14, “Millrace”; bars 1–40',
  description: '',
  hasAlarm: true,
  ...more
});

const EVENTS = [
  event({}),
  event({ uid: 'two@irvot', time: null, hasAlarm: false, summary: 'لحن الفجر 🎶, 12 min' }),
  event({
    uid: 'three@irvot',
    date: '2027-03-28',
    time: '10:40',
    zone: 'America/New_York',
    summary: 'x'.repeat(300),
    hasAlarm: false
  }),
  event({ uid: 'four@irvot', date: '2026-10-25', time: '02:30', description: 'line one\nline two' })
];

const gone = { uid: 'gone@irvot', date: '2026-12-03', sequence: 1, digest: 'before' };
const { text, sent } = writeCalendar('Ada: Wind band', EVENTS, [gone], NOW);
const file = join(folder, 'plan.ics');

beforeAll(() => writeFileSync(file, text));
afterAll(() => rmSync(folder, { recursive: true }));

describe('the calendar file, read by others', () => {
  it('has times as they are at the venue, whatever zone the server stands in (ical.js)', () => {
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
    const startOf = (uid: string) =>
      events.find((e) => e.getFirstPropertyValue('uid') === uid)!.getFirstProperty('dtstart')!;
    expect(String(startOf('one@irvot').getFirstValue())).toBe('2026-12-02T17:15:00');
    expect(startOf('three@irvot').getParameter('tzid')).toBe('America/New_York');
    expect(String(startOf('three@irvot').getFirstValue())).toBe('2027-03-28T10:40:00');
    expect(String(startOf('two@irvot').getFirstValue())).toBe('2026-12-02');
    expect(
      events.find((e) => e.getFirstPropertyValue('uid') === 'two@irvot')!.getFirstPropertyValue('summary')
    ).toBe('لحن الفجر 🎶, 12 min');
  });

  it('passes the restrictions of RFC 5545 as libical checks them', () => {
    const program = join(folder, 'strict');
    execFileSync('gcc', ['tests/calendar/strict.c', '-o', program, '-lical']);
    expect(execFileSync(program, [file], { encoding: 'utf8' })).toBe('5 events\n');
  });

  it('is valid to vobject, which wants every required property and zone', () => {
    const script =
      'import sys,vobject; c=vobject.readOne(open(sys.argv[1],encoding="utf8",newline="").read()); c.validate(raiseException=True); print(len(c.vevent_list))';
    expect(execFileSync('/usr/bin/python3', ['-c', script, file], { encoding: 'utf8' }).trim()).toBe('5');
  });

  it('folds long lines at 75 octets and ends them with CR LF (RFC 5545, 3.1)', () => {
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    expect(text.replaceAll('\r\n', '')).not.toContain('\n');
  });

  it('cancels what has gone once, and does not count it up again', () => {
    const cancelled = sent.find((s) => s.uid === 'gone@irvot')!;
    expect(cancelled).toMatchObject({ sequence: 2, digest: 'cancelled' });
    const again = writeCalendar('Ada: Wind band', EVENTS, sent, NOW);
    expect(again.sent.find((s) => s.uid === 'gone@irvot')!.sequence).toBe(2);
    expect(again.sent.find((s) => s.uid === 'one@irvot')!.sequence).toBe(0);
  });
});

describe('a day as one event', () => {
  it('lasts from its first block to the end of its last, a rest between them included', () => {
    const block = (start: string, minutes: number) => ({ itemId: 'a', kind: 'run', start, minutes });
    const plan = {
      days: [{ date: '2026-11-25', blocks: [block('17:00', 10), block('17:20', 5)] }],
      items: [{ id: 'a', name: 'Gate song' }]
    } as unknown as SeasonPlan;
    const audition = { id: 'x', name: 'Band', rounds: [], dates: [] } as unknown as Audition;
    const candidate = { id: 'c', zone: 'Europe/Brussels', time: { lessons: [] } };
    expect(eventsOf(audition, candidate, plan, 'day')).toMatchObject([
      { time: '17:00', minutes: 25, summary: 'Practice, 15 min', hasAlarm: true }
    ]);
    expect(eventsOf(audition, candidate, plan, 'block').map(({ time }) => time)).toEqual(['17:00', '17:20']);
  });
});

describe('a name that would begin another line', () => {
  it('stays within its own, in the calendar’s name too', () => {
    const hostile = 'Ada\r\nEND:VEVENT\nATTENDEE:mailto:x@evil.example\r\u2028X';
    const written = writeCalendar(hostile, [event({ summary: hostile, description: hostile })], [], NOW).text;
    const lines = written.split('\r\n');
    expect(lines.filter((line) => line === 'END:VEVENT')).toHaveLength(1);
    expect(lines.some((line) => line.startsWith('ATTENDEE'))).toBe(false);
    expect(written.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
  });
});
