import { describe, expect, it, vi } from 'vitest';
import { Marking } from './marking.svelte';

/** A studio that answers when it is told to, and what it was sent. */
function slowStudio() {
  const bodies: { put: { says: string }[]; drop: string[] }[] = [];
  const answers: (() => void)[] = [];
  vi.stubGlobal('fetch', (_: string, { body }: { body: string }) => {
    bodies.push(JSON.parse(body) as (typeof bodies)[number]);
    return new Promise((resolve) => answers.push(() => resolve({ ok: true, redirected: false })));
  });
  return {
    bodies,
    answer: async () => {
      await vi.waitFor(() => expect(answers.length).toBeGreaterThan(0));
      answers.shift()!();
    }
  };
}

describe('marks that are put while listening', () => {
  it('words that are said while their mark is on its way are sent after it', async () => {
    const { bodies, answer } = slowStudio();
    const marking = new Marking('t', []);
    marking.put(1000, 'air');
    await vi.waitFor(() => expect(bodies).toHaveLength(1));
    marking.say(marking.marks[0]!.id, 'short of air');
    await answer();
    await vi.waitFor(() => expect(bodies).toHaveLength(2));
    await answer();
    await marking.send();
    expect(bodies.map(({ put }) => put.map(({ says }) => says))).toEqual([[''], ['short of air']]);
  });

  it('a mark that is taken back while it is on its way is dropped after it, and another stays', async () => {
    const { bodies, answer } = slowStudio();
    const marking = new Marking('t', []);
    marking.put(1000, 'air');
    await vi.waitFor(() => expect(bodies).toHaveLength(1));
    const { id } = marking.marks[0]!;
    marking.put(2000, 'tone');
    marking.drop(id);
    await answer();
    await answer();
    await marking.send();
    expect(bodies.map(({ put, drop }) => [put.length, drop])).toEqual([
      [1, []],
      [1, [id]]
    ]);
    expect(marking.marks.map(({ element }) => element)).toEqual(['tone']);
  });
});
