import { describe, expect, it } from 'vitest';
import { etude, request } from '../../../../../tests/fixtures/etude-season';
import { randomSeasons } from '../../../../../tests/fixtures/random-season';
import { sectionSeconds, targetOf } from '../../tempo';
import { laySeason } from '../lay/lay';
import { sayPart } from '../laid/plan';
import { partsOf } from './parts';

const cut = (bars: number, barsPerLine?: string) => {
  const item = etude('a', 120, bars, { barsPerLine });
  return partsOf(item, item.sections[0]!);
};
const say = (parts: ReturnType<typeof partsOf>) => parts?.bars.map((b) => `${b.fromBar}-${b.toBar}`);

describe('the parts of a long section', () => {
  it('are equal where no lines are known: at quarter 120 a bar of four lasts 2 s, and a part 30 s at most', () => {
    // 40 bars are 80 s: three parts; below 160 one attempt lasts longer than a minute
    expect(say(cut(40))).toEqual(['1-13', '14-27', '28-40']);
    expect(cut(40)!.under).toBe(160);
    expect(cut(15)).toBeNull();
  });

  it('are whole lines of the page where they are known, and a line too long is parted', () => {
    expect(say(cut(40, '6 6 5 6 / 6 6 5'))).toEqual(['1-12', '13-23', '24-35', '36-40']);
    expect(say(cut(40, '20 20'))).toEqual(['1-10', '11-20', '21-30', '31-40']);
    // what the lines leave out at the end is there all the same
    expect(say(cut(40, '12 12'))).toEqual(['1-12', '13-24', '25-32', '33-40']);
  });

  it('cover each section of any season once, none longer than half a minute at its target', () => {
    for (const item of randomSeasons(60).flatMap((season) => season.items))
      for (const section of item.sections) {
        const parts = partsOf(item, section)?.bars;
        if (!parts) continue;
        expect(parts[0]!.fromBar).toBe(section.fromBar);
        expect(parts.at(-1)!.toBar).toBe(section.toBar);
        parts.slice(1).forEach((part, i) => expect(part.fromBar).toBe(parts[i]!.toBar + 1));
        for (const { fromBar, toBar } of parts) {
          const { bpm } = targetOf(section.tempo)!;
          const seconds = sectionSeconds(section.tempo, item.metre, toBar - fromBar + 1, 0, bpm);
          // what would be shorter than eight seconds went with the one before
          expect(fromBar === toBar || seconds < 38).toBe(true);
        }
      }
  });

  it('are named in the blocks, in turn, with all of it at the block that reaches the rung', () => {
    const { days } = laySeason(request([etude('a', 120, 64)]));
    const told = days.flatMap(({ date, blocks }) => blocks.map((block) => ({ date, ...block })));
    const ladder = told.filter((block) => block.kind === 'ladder' && block.bpm! < 120);
    expect(ladder.every((block) => block.part)).toBe(true);
    expect(ladder.filter((block) => block.part!.isJoined).length).toBeGreaterThan(3);
    expect(sayPart(ladder[0]!.part!)).toMatch(/^bars 1–\d+$/);
    expect(sayPart({ bars: null, isJoined: true })).toBe('in parts, then all');
    // of two blocks on a day the last joins them
    const long = laySeason(request([etude('b', 120, 160)], {}, 120)).days;
    const both = long.map(({ blocks }) => blocks.filter((b) => b.part)).find((b) => b[1]?.part!.isJoined)!;
    expect(both.map((block) => block.part!.isJoined)).toEqual([false, true]);
    // of the blocks that lead to the first rung, each goes on where the one before ended, and the last reaches the end
    const first = ladder.filter((block) => block.bpm === ladder[0]!.bpm).map((block) => block.part!);
    expect(first.length).toBeGreaterThan(1);
    expect(first[0]!.bars!.fromBar).toBe(1);
    expect(first.at(-1)).toMatchObject({ isJoined: true, bars: { toBar: 64 } });
    first.slice(1).forEach(({ bars }, i) => {
      expect(bars!.fromBar).toBeLessThanOrEqual(first[i]!.bars!.toBar + 1);
      expect(bars!.toBar).toBeGreaterThanOrEqual(first[i]!.bars!.toBar);
    });
  });
});
