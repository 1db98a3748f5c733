/** Changes tried and kept: what is kept is what was drawn, and one step takes it all back. */
import { beforeEach, describe, expect, it } from 'vitest';
import { type Changes, dropGone, findRemedies, laySeason, trySeason } from '../../core/season';
import { type App, makeApp } from '../app';
import { openDb } from '../db/open';
import { addAudition, readCall, saveCall, takeCall } from './call';
import { readCountback } from './countback';
import { addItem, readList } from './list';
import { readCandidate } from './studio';
import { takeBack } from './undo';
import { keepChanges, readScratch } from './what-if';
import { STUDY, TEACHER, addPlayer, timeOf, zone } from '../../../../tests/fixtures/small-studio';

let app: App;
let candidateId: string;
let auditionId: string;

beforeEach(() => {
  app = makeApp(openDb(':memory:'), () => Date.parse('2026-11-24T08:00:00Z'));
  candidateId = add('Ada');
  const rounds = [
    { id: 'r1', name: 'first round', date: '2027-01-09', time: '10:40', zone, isHistory: false }
  ];
  auditionId = addAudition(app, TEACHER, { candidateId, name: 'Band', rounds, dates: [] });
  for (const [name, toBar] of [
    ['Gate song', 60],
    ['Millrace', 60]
  ] as const)
    addItem(app, TEACHER, { auditionId, item: item(name, toBar) });
});

const add = (name: string) => addPlayer(app, name, { ...timeOf(30, [1, 2, 3, 4, 6]), fundamentalsMin: 4 });

function item(name: string, toBar: number) {
  const tempo = { kind: 'range', unit: 'quarter', lowBpm: 72, highBpm: 96, stretchBpm: 92 } as const;
  return { ...STUDY, name, composer: '', toBar, sections: [{ id: 'new-1', fromBar: 1, toBar, tempo }] };
}

const planOf = (id = auditionId) => readCountback(app, TEACHER, { auditionId: id }).plan!;
const itemsOf = () => readList(app, TEACHER, { auditionId }).items;
const keep = (changes: Changes) => keepChanges(app, TEACHER, { auditionId, changes });

describe('changes tried and kept', () => {
  it('give the plan that was drawn, whatever they change', () => {
    const [first, second] = itemsOf();
    const targets = [{ sectionId: first!.sections[0]!.id, bpm: 80 }];
    const changes: Changes = {
      week: [{ weekday: 1, addMin: 20 }],
      fundamentalsMin: 2,
      daysIntoMock: 3,
      rounds: [
        { roundId: readScratch(app, TEACHER, { auditionId }).request.rounds[0]!.id, date: '2027-01-16' }
      ],
      items: [
        { itemId: first!.id, targets, schools: { step: { kind: 'scale', clicks: 2 } } },
        { itemId: second!.id, isLeftOut: true }
      ]
    };
    const { parts, plan } = readScratch(app, TEACHER, { auditionId });
    const drawn = laySeason(trySeason(parts, auditionId, plan!.agreed).with(changes).request);
    keep(changes);
    expect(planOf()).toEqual(drawn);
    // a moved round keeps its hour
    expect(readCall(app, TEACHER, { auditionId }).audition.rounds[0]).toMatchObject({
      date: '2027-01-16',
      time: '10:40'
    });
  });

  it('of a remedy bring a plan that does not fit to one that does, and are taken back as one', () => {
    const before = planOf();
    expect(before.short).not.toBeNull();
    const facts = () => [
      itemsOf().map((i) => [i.sections, i.schools, i.isLeftOut]),
      readCandidate(app, TEACHER, { candidateId }).candidate.time
    ];
    const stood = facts();
    const { parts, plan } = readScratch(app, TEACHER, { auditionId });
    const curing = [...findRemedies(trySeason(parts, auditionId, plan!.agreed))].filter(
      (remedy) => remedy.changes
    );
    expect(curing.length).toBeGreaterThan(1);
    for (const { kind, changes } of curing) {
      const undoToken = keep(changes!);
      expect(planOf().short, kind).toBeNull();
      takeBack(app, TEACHER, { undoToken });
      expect(facts(), kind).toEqual(stood);
      expect(planOf().short?.minutes, kind).toBe(before.short!.minutes);
    }
  });

  it('of a target stay with the candidate who has it where others take the list', () => {
    const other = add('Bo');
    const { callId } = readCountback(app, TEACHER, { auditionId }).audition;
    const theirs = takeCall(app, TEACHER, { candidateId: other, callId });
    const [first] = itemsOf();
    const undoToken = keep({
      items: [{ itemId: first!.id, targets: [{ sectionId: first!.sections[0]!.id, bpm: 76 }] }]
    });
    expect(itemsOf()[0]).toMatchObject({ hasOwnSections: true, sections: [{ tempo: { stretchBpm: 76 } }] });
    expect(planOf(theirs).items[0]!.sections[0]!.targetBpm).toBe(92);
    takeBack(app, TEACHER, { undoToken });
    expect(itemsOf()[0]).toMatchObject({ hasOwnSections: false, sections: [{ tempo: { stretchBpm: 92 } }] });
  });

  it('are refused whole with a sentence where one of them cannot be', () => {
    const [first] = itemsOf();
    const sectionId = first!.sections[0]!.id;
    const roundId = readScratch(app, TEACHER, { auditionId }).request.rounds[0]!.id;
    const refused: [Changes, string][] = [
      [{ week: [{ weekday: 1, addMin: 700 }] }, 'minutes'],
      [
        { fundamentalsMin: 1, items: [{ itemId: first!.id, targets: [{ sectionId, bpm: 140 }] }] },
        'published range'
      ],
      [{ fundamentalsMin: 1, items: [{ itemId: 'nobody', isLeftOut: true }] }, 'on the list no more'],
      [{ fundamentalsMin: 1, rounds: [{ roundId: 'none', date: '2027-01-16' }] }, 'in the call no more'],
      [{ fundamentalsMin: 1, rounds: [{ roundId, date: '2062-01-16' }] }, 'more than two years ahead']
    ];
    const before = JSON.stringify(planOf());
    for (const [changes, says] of refused) expect(() => keep(changes)).toThrow(says);
    expect(JSON.stringify(planOf())).toBe(before);
    expect(readCandidate(app, TEACHER, { candidateId }).candidate.time.fundamentalsMin).toBe(4);
  });

  it('lose only what has gone when they are tried again later, and when they are taken back', () => {
    const [first] = itemsOf();
    const { request } = readScratch(app, TEACHER, { auditionId });
    const roundId = request.rounds[0]!.id;
    const changes: Changes = {
      fundamentalsMin: 1,
      rounds: [
        { roundId, date: '2027-01-16' },
        { roundId: 'gone', date: '2027-01-16' }
      ],
      items: [
        { itemId: first!.id, targets: [{ sectionId: 'gone', bpm: 80 }], isLeftOut: true },
        { itemId: 'gone', isLeftOut: true }
      ]
    };
    expect(dropGone(changes, request)).toEqual({
      fundamentalsMin: 1,
      rounds: [{ roundId, date: '2027-01-16' }],
      items: [{ itemId: first!.id, targets: [], isLeftOut: true }]
    });
    const own = { dates: [], version: 1, slots: [{ roundId, date: '2027-01-12' }] };
    const before = readCountback(app, TEACHER, { auditionId }).audition.call;
    saveCall(app, TEACHER, { ...before, auditionId, own });
    const undoToken = keep({ fundamentalsMin: 1, rounds: [{ roundId, date: '2027-01-16' }] });
    const { call } = readCountback(app, TEACHER, { auditionId }).audition;
    const rounds = [{ id: '', name: 'final', date: '2027-01-30', zone, isHistory: false }];
    saveCall(app, TEACHER, { auditionId, version: call.version, name: call.name, rounds, dates: [] });
    // what was kept stands there no more: the call of somebody's later work stays
    expect(() => takeBack(app, TEACHER, { undoToken })).toThrow('changed again since then');
    expect(readCandidate(app, TEACHER, { candidateId }).candidate.time.fundamentalsMin).toBe(1);
    expect(planOf().daysToGo).toBe(67);
  });
});
