import ICAL from 'ical.js';
import { beforeEach, describe, expect, it } from 'vitest';
import { EVENINGS, TEACHER, openStudio } from '../../../../tests/fixtures/small-studio';
import type { App } from '../app';
import { exportCalendar } from './calendar';
import { readCountback } from './countback';
import { logTouch } from './log';
import { readCandidate, saveTime } from './studio';

let app: App;
let auditionId: string;
let candidateId: string;
let itemId: string;

beforeEach(() => {
  ({ app, candidateId, auditionId, itemId } = openStudio(() => Date.parse('2026-11-24T10:00:00Z'), EVENINGS));
});

describe('the calendar file', () => {
  /** Long lines are folded (RFC 5545, 3.1); here they are whole again. */
  const lines = () =>
    exportCalendar(app, TEACHER, { auditionId, by: 'block' })
      .text.replace(/\r\n[ \t]/g, '')
      .split('\r\n');
  const uids = () => lines().filter((l) => l.startsWith('UID:'));

  it('keeps its UIDs, so that a new file updates the old', () => {
    const before = uids();
    expect(before.length).toBeGreaterThan(10);
    expect(new Set(before).size).toBe(before.length);
    expect(uids()).toEqual(before);
    expect(
      lines()
        .filter((l) => l.startsWith('SEQUENCE:'))
        .every((l) => l === 'SEQUENCE:0')
    ).toBe(true);
  });

  it('has one event a day, its blocks as text, from the first to the last; lessons beside it', () => {
    const { time, timeVersion: version } = readCandidate(app, TEACHER, { candidateId }).candidate;
    const lessons = [{ weekday: 3, start: '15:30', minutes: 45, isInside: false }];
    saveTime(app, TEACHER, { candidateId, version, time: { ...time, lessons } });
    const { text } = exportCalendar(app, TEACHER, { auditionId, by: 'day' });
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((event) => ({
      at: String(event.getFirstPropertyValue('dtstart')),
      until: String(event.getFirstPropertyValue('dtend')),
      says: String(event.getFirstPropertyValue('summary')),
      more: String(event.getFirstPropertyValue('description'))
    }));
    const days = readCountback(app, TEACHER, { auditionId }).plan!.days.filter(
      ({ blocks }) => blocks.length > 0
    );
    const practice = events.filter(({ says }) => says.startsWith('Practice, '));
    expect(practice.map(({ at }) => at.slice(0, 10))).toEqual(days.map(({ date }) => date));
    const [first] = days;
    const sum = first!.blocks.reduce((minutes, block) => minutes + block.minutes, 0);
    expect(practice[0]).toMatchObject({
      says: `Practice, ${sum} min`,
      at: `${first!.date}T${first!.blocks[0]!.start}:00`
    });
    const last = first!.blocks.at(-1)!;
    const [hour, minute] = last.start!.split(':').map(Number) as [number, number];
    const end = hour * 60 + minute + last.minutes;
    const pad = (n: number) => String(n).padStart(2, '0');
    expect(practice[0]!.until).toBe(`${first!.date}T${pad(Math.floor(end / 60))}:${pad(end % 60)}:00`);
    for (const block of first!.blocks)
      expect(practice[0]!.more).toContain(`${block.start}, Study in reeds, ${block.minutes} min`);
    // Wednesdays up to 9 January
    const wednesdays = ['25', '02', '09', '16', '23', '30', '06'];
    expect(events.filter(({ says }) => says === 'Lesson').map(({ at }) => at.slice(8, 16))).toEqual(
      wednesdays.map((day) => `${day}T15:30`)
    );
  });

  it('cancels what is no longer planned and counts up what changed', () => {
    uids();
    logTouch(app, TEACHER, { itemId, date: '2026-11-24', minutes: 12, tempoBpm: 96, attempts: 'ccc' });
    const text = lines();
    expect(text).toContain('STATUS:CANCELLED');
    expect(text).toContain('SEQUENCE:1');
    const again = lines();
    expect(again.filter((l) => l === 'SEQUENCE:2')).toEqual([]);
  });
});
