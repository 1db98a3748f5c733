import { expect, it } from 'vitest';
import { perList } from './per-list';

it('a list is read once, and anew when it has grown', () => {
  let times = 0;
  const sum = perList((list: readonly number[]) => {
    times += 1;
    return list.reduce((a, b) => a + b, 0);
  });
  const list = [1, 2];
  expect([sum(list), sum(list), times]).toEqual([3, 3, 1]);
  list.push(4);
  expect([sum(list), sum([1, 2]), times]).toEqual([7, 3, 3]);
});
