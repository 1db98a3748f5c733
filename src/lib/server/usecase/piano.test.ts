import { describe, expect, it } from 'vitest';
import { STUDY, TEACHER, openStudio, timeOf } from '../../../../tests/fixtures/small-studio';
import { addItem } from './list';
import { readPianoSheet, readPianoSheets } from './piano';
import { findAudition } from '../store/audition';

describe('sheets for the accompanist', () => {
  it('are of every audition ahead that has something to accompany, and of none that is over', () => {
    let nowMs = Date.parse('2026-12-20T09:00:00Z');
    const { app, auditionId } = openStudio(() => nowMs, timeOf(60, [1, 2, 3]));
    const named = (kind: 'solo' | 'scales' | 'sight-reading', name: string) => ({ ...STUDY, kind, name });
    addItem(app, TEACHER, { auditionId, item: named('scales', 'Scales') });
    addItem(app, TEACHER, { auditionId, item: named('solo', 'Aria') });
    const sheet = readPianoSheet(app, TEACHER, { auditionId });
    expect(sheet.items.map(({ name }) => name)).toContain('Aria');
    expect(sheet.items.map(({ name }) => name)).not.toContain('Scales');
    const all = readPianoSheets(app, TEACHER, {});
    expect(all).toMatchObject([{ id: auditionId, sheet }]);
    const last = findAudition(app.db, auditionId)!.rounds.at(-1)!;
    expect(sheet.dates.map(({ date }) => date)).toContain(last.date);
    nowMs = Date.parse(`${last.date}T23:00:00Z`) + 86_400_000;
    expect(readPianoSheets(app, TEACHER, {})).toEqual([]);
    expect(readPianoSheet(app, TEACHER, { auditionId }).dates).toEqual([]);
  });
});
