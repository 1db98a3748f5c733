import { describe, expect, it } from 'vitest';
import { TODAY, clean, etude, freeTime, request, roundOn } from '../../../../../tests/fixtures/etude-season';
import { randomSeasons } from '../../../../../tests/fixtures/random-season';
import { deskEvent, itemFields } from '../../record';
import type { SeasonRequest } from '../facts/request';
import { laySeason } from '../lay/lay';
import { blocksToAdd, clockMinutes, makeRoadMap } from './road-map';
import { scalesStanding } from './scales';

const idOf = (index: number) => `b${index}`;
function roadMapOf(given: SeasonRequest, date = given.today) {
  const plan = laySeason(given);
  const { items, time, schools, log } = given;
  return { plan, blocks: makeRoadMap(plan, { items, time, schools, log }, date, idOf) };
}

/** The first block of a ladder that a plan brings. */
function firstLadder(given: SeasonRequest) {
  const days = laySeason(given).days.filter(({ blocks }) => blocks.some(({ kind }) => kind === 'ladder'));
  return roadMapOf(given, days[0]!.date).blocks.find(({ kind }) => kind === 'ladder')!;
}
const soon = { rounds: [roundOn('2026-12-20')] };

describe('a day’s road map', () => {
  const given = request([etude('A', 96), etude('B', 108)], {
    rounds: [roundOn('2026-12-20')],
    log: [clean('A', '2026-11-23', 60, 10), clean('B', '2026-11-23', 66, 10)]
  });

  it('has the warm-up, the fundamentals and the plan’s blocks in their order, each with its minutes', () => {
    const { plan, blocks } = roadMapOf(given);
    const planned = plan.days.find((day) => day.date === TODAY)!.blocks;
    expect(blocks.slice(0, 2).map(({ kind, minutes }) => [kind, minutes])).toEqual([
      ['warm-up', 10],
      ['fundamentals', 5]
    ]);
    expect(blocks.slice(2).map(({ itemId, minutes }) => [itemId, minutes])).toEqual(
      planned.map(({ itemId, minutes }) => [itemId, minutes])
    );
    // 60 of the clock on a Tuesday
    expect(clockMinutes(plan, TODAY)).toBe(60);
  });

  it('gives a minute to take up another instrument, of the block that follows', () => {
    const items = given.items.map((item) =>
      item.id === 'B' ? { ...item, instrument: 'cor anglais' } : item
    );
    const { date } = laySeason(given).days.find((day) => day.blocks.some(({ itemId }) => itemId === 'B'))!;
    const plain = roadMapOf(given, date).blocks;
    const { blocks } = roadMapOf({ ...given, items }, date);
    const at = blocks.findIndex(({ name }) => name === 'Take up the cor anglais');
    expect(blocks[at]).toMatchObject({ kind: 'rest', minutes: 1, itemId: null });
    expect(blocks[at + 1]!.itemId).toBe('B');
    const sum = (of: typeof blocks) => of.reduce((total, { minutes }) => total + minutes, 0);
    expect(sum(blocks)).toBe(sum(plain));
    const minutesOf = (of: typeof blocks) => of.find(({ itemId }) => itemId === 'B')!.minutes;
    expect(minutesOf(blocks)).toBe(minutesOf(plain) - 1);
  });

  it('is a day that the desk can send, however long the name of an instrument may be', () => {
    const longest = 'x'.repeat(60);
    expect(itemFields.instrument.safeParse(longest).success).toBe(true);
    expect(itemFields.instrument.safeParse(`${longest}x`).success).toBe(false);
    const items = given.items.map((item) => ({ ...item, instrument: longest }));
    const { date } = laySeason(given).days.find((day) => day.blocks.some(({ itemId }) => itemId === 'B'))!;
    const { blocks } = roadMapOf({ ...given, items }, date);
    expect(blocks.some(({ name }) => name.includes(longest))).toBe(true);
    const sent = { id: 'e', device: 'd', seq: 0, atMs: 0, date, kind: 'day', blocks };
    expect(deskEvent.safeParse(sent).error?.issues ?? []).toEqual([]);
  });

  it('names an item of another audition with it where two have one name, as long as the desk can send that', () => {
    const { plan } = roadMapOf(given);
    const addable = (audition: string, named = 'one') => {
      const items = plan.items.map((item) => ({
        ...{ ...item, name: item.id === 'A' || named === 'one' ? 'Gate song' : 'Mill song' },
        ...(item.id === 'B' ? { broughtBy: { auditionId: 'x', name: audition, isShared: false } } : {})
      }));
      const { time, schools, log } = given;
      return blocksToAdd({ ...plan, items }, { items: given.items, time, schools, log }, TODAY)
        .slice(0, 2)
        .map(({ name }) => name);
    };
    expect(addable('Wind band')).toEqual(['Gate song', 'Gate song, for Wind band']);
    expect(addable('Wind band', 'two')).toEqual(['Gate song', 'Mill song']);
    expect(addable('x'.repeat(190))).toEqual(['Gate song', 'Gate song']);
  });

  it('works from what holds by the school’s steps to today’s rung, with the rung after it one further', () => {
    const { plan, blocks } = roadMapOf(given);
    const block = blocks.find(({ kind, itemId }) => kind === 'ladder' && itemId === 'A')!;
    const rungs = plan.items[0]!.rungs.map(({ bpm }) => bpm);
    const goal = block.work!.way.at(-1)!;
    // by single clicks from 60: 63, 66, 69, 72 ...
    expect(block.work!.way[0]).toBe(60);
    expect(rungs).toContain(goal);
    expect(block.work).toMatchObject({
      unit: 'quarter',
      targetBpm: 96,
      heldBpm: 60,
      below: [58, 56, 54, 52, 50],
      furtherBpm: rungs[rungs.indexOf(goal) + 1],
      inARow: 3
    });
    expect(block.why).toMatch(new RegExp(`^${goal} is due (today|tomorrow|on )`));
  });

  it('counts and steps back as the item’s school says', () => {
    const workOf = (schools: SeasonRequest['schools']) =>
      roadMapOf({ ...given, schools }).blocks.find(({ kind }) => kind === 'ladder')!.work;
    expect(workOf({ inARow: 4, among: 6, back: 'held' })).toMatchObject({
      inARow: 4,
      among: 6,
      back: 'held'
    });
    // as everybody does it nothing is said
    expect(Object.keys(workOf({})!)).not.toContain('back');
  });

  it('says what was not reached by its day', () => {
    const days = ['2026-11-24', '2026-11-26', '2026-11-28', '2026-12-03'];
    let previous: SeasonRequest['previous'];
    for (const today of days) previous = laySeason({ ...given, today, began: TODAY, previous }).agreed;
    const late = roadMapOf({ ...given, today: '2026-12-05', began: TODAY, previous });
    expect(late.blocks.find(({ kind }) => kind === 'ladder')!.why).toMatch(/ was due on | was not reached/);
  });

  it('rests five minutes before the block that would make it over fifty-five of play', () => {
    const items = ['A', 'B', 'C', 'D', 'E'].map((id) => etude(id, 132, 48));
    const busy = request(items, {
      rounds: [roundOn('2026-12-12')],
      time: { ...freeTime(150), warmUpMin: 15 }
    });
    const { blocks } = roadMapOf(busy);
    expect(blocks.some(({ kind }) => kind === 'rest')).toBe(true);
    expect(blocks.at(-1)!.kind).not.toBe('rest');
    let play = 0;
    for (const { kind, minutes } of blocks) {
      play = kind === 'rest' ? 0 : play + minutes;
      expect(play).toBeLessThanOrEqual(55);
    }
  });

  it('begins a long section with the part of which most attempts of lately were not clean', () => {
    const long = request([etude('L', 80, 96)], { rounds: [roundOn('2027-01-20')], time: freeTime(120) });
    const partly = (log: SeasonRequest['log']) =>
      roadMapOf({ ...long, log }).blocks.find(({ parts }) => parts.length > 1)!;
    const { parts, firstPart } = partly([]);
    expect(firstPart).toBe(0);
    const worked = (date: string, part: number, attempts: string) => ({
      id: `${date} ${part}`,
      itemId: 'L',
      date,
      minutes: 5,
      series: [{ ...parts[part]!, tempoBpm: 40, unit: 'quarter' as const, attempts, atMs: 0, seconds: 60 }]
    });
    const log = [
      worked('2026-11-05', 0, 'nnnnnn'),
      worked('2026-11-20', 1, 'nnc'),
      worked('2026-11-21', 0, 'nc')
    ];
    expect(partly(log).firstPart).toBe(1);
  });

  it('joins the chunks of a chain one after the other, forwards, or backwards at the end of a ramp', () => {
    const atTempo = (fromBar: number, toBar: number) =>
      clean('A', '2026-11-23', 96, 9, { id: `${fromBar}`, fromBar, toBar });
    const linkAfter = (strategy: 'chunks' | 'combined', log: SeasonRequest['log']) =>
      firstLadder({ ...request([etude('A', 96, 16, { schools: { strategy } })], soon), log });
    // sixteen bars are four chunks of four; the first is worked alone
    const first = linkAfter('chunks', []);
    expect([first.bars, first.link, first.parts]).toEqual([{ fromBar: 1, toBar: 4 }, undefined, []]);
    expect(first.why).toMatch(/^at tempo is due/);
    const second = linkAfter('chunks', [atTempo(1, 4)]);
    expect(second).toMatchObject({
      bars: { fromBar: 1, toBar: 8 },
      link: { chunk: { fromBar: 5, toBar: 8 }, to: { fromBar: 1, toBar: 4 } },
      parts: [{ fromBar: 5, toBar: 8 }],
      isJoined: true
    });
    expect([second.work!.way, second.drillMin]).toEqual([[96], undefined]);
    const held = clean('A', '2026-11-22', 80, 9);
    expect(linkAfter('combined', [held, atTempo(13, 16)])).toMatchObject({
      bars: { fromBar: 9, toBar: 16 },
      link: { chunk: { fromBar: 9, toBar: 12 }, to: { fromBar: 13, toBar: 16 } }
    });
  });

  it('takes the difficulty out of the music first where there are drills: in half of the block at most, and up to 80 %', () => {
    const drilled = (strategy: 'drills' | 'ramp', bpm: number, bars = 16, inARow = 3) =>
      firstLadder({
        ...request([etude('A', 100, bars, { schools: { strategy, inARow } })], soon),
        log: [clean('A', '2026-11-23', bpm, 9)]
      });
    const { drillMin, minutes } = drilled('drills', 60);
    expect(drillMin).toBeGreaterThanOrEqual(1);
    expect(drillMin).toBeLessThanOrEqual(Math.round(minutes / 2));
    // two bars last five seconds, their drill twenty
    const short = drilled('drills', 60, 2, 8);
    expect(short.drillMin).toBe(Math.round(short.minutes / 2));
    expect(drilled('ramp', 60).drillMin).toBeUndefined();
    expect(drilled('drills', 88).drillMin).toBeUndefined();
  });

  it('can be given what is of no item besides', () => {
    const plan = laySeason(given);
    const added = blocksToAdd(plan, given, TODAY);
    expect(added.flatMap(({ kind, itemId, minutes }) => (itemId === null ? [[kind, minutes]] : []))).toEqual([
      ['liked', 5],
      ['free', 8],
      ['quiet', 8],
      ['rest', 5]
    ]);
  });

  it('says where each key of the scales that were played stands', () => {
    const scales = {
      ...{ keys: ['C', 'G', 'D'], octaves: 2, pattern: '', unit: 'quarter' as const },
      ...{ fromBpm: 60, toBpm: 66, stage: 'beats' as const }
    };
    const turn = { id: 's', name: 'Scales', minutes: 3, often: { kind: 'every' as const, days: 1 }, scales };
    const told = (key: string, marks: string) =>
      [...marks].map((mark) => ({ key, bpm: 60, stage: 'beats' as const, mark: mark as 'c' | 'n' }));
    const standing = (played: ReturnType<typeof told>) =>
      scalesStanding({ time: { ...given.time, rotation: [turn] }, keysPlayed: new Map([['s', played]]) });
    expect(standing([])).toEqual([]);
    // two clean lead a click on: 60, 63
    expect(standing([...told('C', 'cc'), ...told('D', 'nn')])).toMatchObject([
      {
        name: 'Scales',
        toBpm: 66,
        keys: [
          { key: 'C', bpm: 63, isWeak: false },
          { key: 'G', bpm: 60, isWeak: false },
          { key: 'D', bpm: 60, isWeak: true }
        ]
      }
    ]);
  });

  it('is empty on a day without minutes', () => {
    // Wednesdays are free
    expect(roadMapOf(given, '2026-11-25').blocks).toEqual([]);
  });

  it('over random seasons leaves no planned minute out, and never works above the target', () => {
    for (const season of randomSeasons(12)) {
      const plan = laySeason(season);
      for (const day of plan.days.slice(0, 10)) {
        const { items, time, schools, log } = season;
        const blocks = makeRoadMap(plan, { items, time, schools, log }, day.date, idOf);
        const sum = blocks.reduce((all, b) => all + (b.itemId === null ? 0 : b.minutes), 0);
        expect(sum).toBe(day.blocks.reduce((all, b) => all + b.minutes, 0));
        for (const { work } of blocks) {
          if (!work) continue;
          const { way, below, furtherBpm, targetBpm } = work;
          expect(Math.max(...way, furtherBpm ?? 0)).toBeLessThanOrEqual(targetBpm * (1 + 1e-9));
          expect([...below].sort((a, b) => b - a)).toEqual(below);
          expect(below.every((bpm) => bpm < way[0]!)).toBe(true);
        }
      }
    }
  });
});
