import { describe, expect, it } from 'vitest';
import { chance } from '../../../../tests/fixtures/random-studio';
import { FlowNetwork } from './network';

describe('a flow', () => {
  it('goes round by another way where the shortest would block it', () => {
    // 0 to 3 by 1 and 2; the arc 1-2 tempts the shortest paths, and the flow must take it back
    const network = new FlowNetwork(4, 5);
    const arcs = (
      [
        [0, 1, 10],
        [0, 2, 5],
        [1, 2, 15],
        [1, 3, 5],
        [2, 3, 10]
      ] as const
    ).map(([from, to, capacity]) => network.addArc(from, to, capacity));
    expect(network.send(0, 3)).toBe(15);
    expect(arcs.map((arc) => network.flow(arc))).toEqual([10, 5, 5, 5, 10]);
  });

  it('is sent no further than its limit, and goes on from there', () => {
    const network = new FlowNetwork(2, 1);
    network.addArc(0, 1, 10);
    expect(network.send(0, 1, 4)).toBe(4);
    expect(network.send(0, 1)).toBe(6);
  });

  it('leaves the cut nearest the source, and grows where an arc of it is widened', () => {
    const network = new FlowNetwork(4, 3);
    network.addArc(0, 1, 9);
    const narrow = network.addArc(1, 2, 3);
    network.addArc(2, 3, 3);
    expect(network.send(0, 3)).toBe(3);
    expect([...network.reachable(0)]).toEqual([1, 1, 0, 0]);
    network.widen(narrow, 4);
    expect(network.send(0, 3)).toBe(0);
    expect([...network.reachable(0)]).toEqual([1, 1, 1, 0]);
  });

  it('keeps what is locked and puts back what was taken out', () => {
    const network = new FlowNetwork(4, 5);
    const upper = network.addArc(0, 1, 4);
    network.addArc(0, 2, 4);
    const out = network.addArc(1, 3, 4);
    network.addArc(2, 3, 4);
    network.addArc(2, 1, 4);
    network.send(0, 3);
    network.lock(out, 3);
    const before = network.flow(out);
    expect(before).toBeGreaterThanOrEqual(3);
    const putBack = network.without(upper);
    expect(network.flow(upper)).toBe(0);
    putBack(2);
    expect(network.flow(upper)).toBe(2);
    expect(network.flow(out)).toBe(before);
  });

  it('is as large as the least cut of all, on small random networks', () => {
    const { whole } = chance(11);
    for (let run = 0; run < 200; run += 1) {
      const nodes = whole(3, 7);
      const arcs = Array.from({ length: whole(nodes, 3 * nodes) }, () => ({
        from: whole(0, nodes - 2),
        to: whole(1, nodes - 1),
        capacity: whole(0, 12)
      })).filter((arc) => arc.from !== arc.to);
      const network = new FlowNetwork(nodes, arcs.length);
      for (const { from, to, capacity } of arcs) network.addArc(from, to, capacity);
      let least = Infinity;
      for (let set = 0; set < 2 ** nodes; set += 1) {
        const isIn = (node: number) => ((set >> node) & 1) === 1;
        if (!isIn(0) || isIn(nodes - 1)) continue;
        const cut = arcs.filter((a) => isIn(a.from) && !isIn(a.to)).reduce((sum, a) => sum + a.capacity, 0);
        least = Math.min(least, cut);
      }
      expect(network.send(0, nodes - 1)).toBe(least);
    }
  });
});
