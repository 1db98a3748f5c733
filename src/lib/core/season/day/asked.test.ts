import { describe, expect, it } from 'vitest';
import { TODAY, clean, etude, request, roundOn } from '../../../../../tests/fixtures/etude-season';
import { type DeskEvent, deskEvent } from '../../record';
import { laySeason } from '../lay/lay';
import { type Asked, drawStarts, runMinutesOf, wantedOn } from './asked';
import { makeRoadMap } from './road-map';

const given = request([etude('A', 96), etude('B', 108)], {
  rounds: [roundOn('2026-12-20')],
  log: [clean('A', '2026-11-23', 60, 10), clean('B', '2026-11-23', 66, 10)]
});
const plan = laySeason(given);
const { items, time, schools, log } = given;
const roadMap = (asked: readonly Asked[]) =>
  makeRoadMap(plan, { items, time, schools, log, asked }, TODAY, (index) => `b${index}`);
const minutesOf = (blocks: ReturnType<typeof roadMap>) =>
  blocks.reduce((sum, { minutes }) => sum + minutes, 0);

describe('a block that was put on a day', () => {
  it('is the first of its pieces where it is a run, of all bars, and takes its minutes from the item’s own longest block', () => {
    const [plain, blocks] = [roadMap([]), roadMap([{ itemId: 'B', as: 'run' }])];
    const run = blocks[2]!;
    expect(run).toMatchObject({ kind: 'run', itemId: 'B', bars: null, minutes: runMinutesOf(items[1]!) });
    expect(run.sections).toHaveLength(1);
    const longestOfB = (of: typeof blocks) =>
      Math.max(...of.filter((one) => one.itemId === 'B' && one !== run).map(({ minutes }) => minutes));
    expect(longestOfB(blocks)).toBe(longestOfB(plain) - run.minutes);
    expect(minutesOf(blocks)).toBe(minutesOf(plain));
  });

  it('names five bars where it is played from any, other ones on other days, none twice', () => {
    const starts = roadMap([{ itemId: 'A', as: 'any-bar' }]).find(({ kind }) => kind === 'any-bar')!.starts!;
    const { fromBar, toBar } = items[0]!;
    expect(new Set(starts).size).toBe(5);
    expect(starts.every((bar) => bar >= fromBar && bar <= toBar)).toBe(true);
    expect(drawStarts(items[0]!, 'A 2026-11-24')).not.toEqual(drawStarts(items[0]!, 'A 2026-11-25'));
    expect(drawStarts({ fromBar: 4, toBar: 6 }, 'x').sort()).toEqual([4, 5, 6]);
  });

  it('is not put in beside work that the plan has anyway', () => {
    const ladder = plan.days[0]!.blocks.find(({ kind }) => kind === 'ladder')!;
    expect(roadMap([{ itemId: ladder.itemId, as: 'work' }])).toEqual(roadMap([]));
  });

  it('can be sent by the desk', () => {
    const blocks = roadMap([
      { itemId: 'A', as: 'any-bar' },
      { itemId: 'B', as: 'run' }
    ]);
    expect(blocks.slice(2, 4).map(({ kind }) => kind)).toEqual(['run', 'any-bar']);
    const sent = { id: 'e', device: 'd', seq: 0, atMs: 0, date: TODAY, kind: 'day', blocks };
    expect(deskEvent.safeParse(sent).error?.issues ?? []).toEqual([]);
  });

  it('is wanted until it is taken off, and once however often it was asked for', () => {
    const event = (seq: number, as: 'run' | 'any-bar', isWanted: boolean) =>
      ({
        kind: 'asked',
        id: String(seq),
        device: 'd',
        seq,
        atMs: seq,
        date: TODAY,
        itemId: 'A',
        as,
        isWanted
      }) as DeskEvent;
    expect(wantedOn([event(1, 'run', true), event(2, 'run', true)])).toEqual([{ itemId: 'A', as: 'run' }]);
    expect(wantedOn([event(1, 'run', true), event(2, 'any-bar', true), event(3, 'run', false)])).toEqual([
      { itemId: 'A', as: 'any-bar' }
    ]);
  });
});
