import { describe, expect, it } from 'vitest';
import { blankRound, callFaults, type CallForm, fillCallForm, readCallForm } from './call-form';
import { blankSection, fillItemForm, itemForm, readItemForm } from './item-form';
import { readLines } from '../core/record';
import { fillTimeForm, readTimeForm, timeForm } from './time-form';
import { fillFromLine, readTouchForm } from './touch-form';

const blank = itemForm.parse({ name: 'Study', composer: '', edition: '', tested: '' });
const section = (more: object) => ({ ...blankSection('new-1'), fromBar: 1, toBar: 16, ...more });
const filled = (more: object) => ({
  ...blank,
  fromBar: 1,
  toBar: 16,
  sections: [section({ targetBpm: 96 })],
  ...more
});
const faultsOf = (form: typeof blank) => {
  const read = readItemForm(form);
  return read.ok ? [] : read.faults.map((f) => `${f.path.join('.')}: ${f.says}`);
};

describe('the form of an item', () => {
  it('means the item it was filled from, for every kind of tempo', () => {
    const kinds = [
      { tempoKind: 'pulse', targetBpm: 96 },
      { tempoKind: 'range', lowBpm: 80, highBpm: 92, stretchBpm: 84 },
      { tempoKind: 'change', fromBpm: 60, toBpm: 96 },
      { tempoKind: 'recordings', recordings: '92 88; 96', use: 'median' },
      { tempoKind: 'free', minutesPerWeek: 15 }
    ];
    for (const kind of kinds) {
      const read = readItemForm(filled({ sections: [section(kind)] }));
      expect(read.ok, JSON.stringify(kind)).toBe(true);
      if (!read.ok) continue;
      const again = readItemForm(fillItemForm({ ...read.item, version: 3 }));
      expect(again.ok && again.item).toEqual(read.item);
    }
  });

  it('leads a fault back to the field that has it', () => {
    expect(faultsOf(filled({ sections: [section({ targetBpm: null })] }))).toEqual([
      'sections.0.targetBpm: A tempo is a number of beats a minute.'
    ]);
    expect(
      faultsOf(filled({ sections: [section({ tempoKind: 'recordings', recordings: 'fast' })] }))[0]
    ).toContain('sections.0.recordings');
    expect(faultsOf(filled({ sections: [section({ tempoKind: 'recordings', recordings: '' })] }))).toEqual([
      'sections.0.recordings: Measure at least one recording.'
    ]);
    expect(faultsOf(filled({ toBar: 0 }))[0]).toContain('toBar: The last bar, 0, comes before the first, 1.');
    expect(faultsOf(filled({ metre: '4/5' }))[0]).toContain('metre: A metre is written');
    expect(faultsOf(filled({ kind: 'sight-reading' }))).toEqual([
      'minutesPerWeek: Say how many minutes a week.'
    ]);
  });

  it('wants the lines of the page to have as many bars as the item', () => {
    expect(readLines('5 4 4 5 / 4 4 6')).toEqual([
      [5, 4, 4, 5],
      [4, 4, 6]
    ]);
    expect(readLines('')).toEqual([]);
    expect(readLines('5 x')).toBeNull();
    expect(faultsOf(filled({ barsPerLine: '4 4 / 4 4' }))).toEqual([]);
    expect(faultsOf(filled({ barsPerLine: '4 4 4' }))).toEqual([
      'barsPerLine: The lines have 12 bars, the item has 16.'
    ]);
  });
});

describe('the form of a call', () => {
  const round = { ...blankRound('first round', 'Europe/Brussels'), date: '2027-01-09' };
  const form = (more: object): CallForm => ({
    version: 1,
    name: 'Band',
    webAddress: '',
    rounds: [{ ...round, ...more }],
    dates: [],
    ownVersion: 1,
    ownDates: [],
    slots: []
  });
  const says = (more: object) =>
    callFaults(form(more), '2026-11-24')
      .map((f) => `${f.path.join('.')}: ${f.says}`)
      .join();

  it('refuses a round before today unless it is history', () => {
    expect(says({ date: '2026-11-01' })).toContain('rounds.0.date: 2026-11-01 is before today');
    expect(says({ date: '2026-11-01', isHistory: true })).toBe('');
  });

  it('refuses a round more than two years ahead: a slip in the year', () => {
    expect(says({ date: '2062-01-09' })).toContain('rounds.0.date: 2062-01-09 is more than two years ahead');
    expect(says({ date: '2028-11-25' })).toBe('');
  });

  it('refuses a local time that daylight saving skips, and a round that hears nothing', () => {
    expect(says({ date: '2027-03-28', time: '02:30' })).toContain('rounds.0.time: 02:30 does not exist');
    expect(says({ hearsAll: false })).toContain('Choose what it hears');
  });

  it('means the call it was filled from', () => {
    const call = {
      ...readCallForm({
        ...form({ time: '10:40', hearsAll: false, itemIds: ['a'] }),
        webAddress: 'https://hall.example/call',
        dates: [{ date: '2026-12-30', name: 'closes', kind: 'deadline' }]
      }),
      version: 1
    };
    const own = { ownVersion: 1, ownDates: [], slots: [] };
    expect(readCallForm(fillCallForm(call, own))).toEqual({
      name: call.name,
      rounds: call.rounds,
      dates: call.dates,
      webAddress: 'https://hall.example/call'
    });
  });
});

describe('the form of the week', () => {
  const time = {
    week: [{ weekday: 1, start: '17:00', minutes: 60 }],
    lessons: [],
    exceptions: [],
    warmUpMin: 10,
    fundamentalsMin: 5
  };

  it('keeps a stretch away as one entry with two dates, and joins what follows on it', () => {
    const away = { until: '', minutes: 0, why: 'away' };
    const form = {
      ...fillTimeForm(time, 1),
      exceptions: [
        { ...away, date: '2027-01-03' },
        { ...away, date: '2026-12-30', until: '2027-01-02' }
      ]
    };
    const kept = [{ date: '2026-12-30', until: '2027-01-03', minutes: 0, why: 'away' }];
    expect(readTimeForm(form).exceptions).toEqual(kept);
    expect(fillTimeForm(readTimeForm(form), 1).exceptions).toEqual(kept);
  });

  it('counts entries, not days, and refuses more than a year at once', () => {
    const spans = Array.from({ length: 401 }, (_, i) => ({
      date: `20${10 + Math.floor(i / 10)}-0${(i % 9) + 1}-01`,
      until: '',
      minutes: i,
      why: ''
    }));
    const faults = (exceptions: unknown) =>
      timeForm.safeParse({ ...fillTimeForm(time, 1), exceptions }).error?.issues.map((i) => i.message) ?? [];
    expect(faults(spans).join()).toContain('At most 400 dated exceptions');
    expect(faults(spans.slice(1))).toEqual([]);
    expect(faults([{ date: '2026-01-01', until: '2027-06-01', minutes: 0, why: '' }])).toEqual([
      'More than a year at once: check the year.'
    ]);
  });

  it('refuses dates upside down and more than a day has', () => {
    const says = (more: object) =>
      timeForm
        .safeParse({ ...fillTimeForm(time, 1), ...more })
        .error?.issues.map((i) => i.message)
        .join() ?? '';
    expect(
      says({ exceptions: [{ date: '2026-12-30', until: '2026-12-29', minutes: 0, why: '' }] })
    ).toContain('upside down');
    expect(says({ week: [1, 2].map(() => ({ weekday: 3, start: '', minutes: 500 })) })).toContain(
      'More than twelve hours'
    );
    expect(says({ warmUpMin: 500 })).toContain('At most 120 minutes.');
  });
});

describe('a touch typed in a line or a form', () => {
  const items = [{ id: 'a', name: 'Study', fromBar: 1, toBar: 16 }];
  const line = {
    itemId: 'a',
    date: '2026-11-24',
    fromBar: 3,
    toBar: 8,
    minutes: 15,
    tempoBpm: 92,
    attempts: 'ccc',
    notHeld: [],
    note: ''
  };

  it('is read the same way', () => {
    const read = readTouchForm(fillFromLine('t1', line, 'quarter'), items, '2026-11-24');
    expect(read.data).toMatchObject({
      itemId: 'a',
      fromBar: 3,
      toBar: 8,
      minutes: 15,
      tempoBpm: 92,
      unit: 'quarter',
      attempts: 'ccc'
    });
  });

  it('has its faults at the form’s fields', () => {
    const says = (more: object) =>
      readTouchForm({ ...fillFromLine('t1', line, 'quarter'), ...more }, items, '2026-11-24')
        .error?.issues.map((i) => `${i.path.join('.')}: ${i.message}`)
        .join();
    expect(says({ minutes: null })).toContain('minutes: Minutes are a number.');
    expect(says({ minutes: 0 })).toContain('minutes: At least 1 minute.');
    expect(says({ minutes: 361 })).toContain('minutes: At most 360 minutes.');
    expect(says({ toBar: 20 })).toContain('toBar: Study has bars 1 to 16.');
    expect(says({ date: '2026-11-25' })).toContain('date: A touch is logged on its day or later');
    expect(says({ itemId: 'none' })).toContain('itemId: Choose an item');
    expect(says({ tempoBpm: 5000 })).toContain('tempoBpm: No click is that fast');
  });
});
