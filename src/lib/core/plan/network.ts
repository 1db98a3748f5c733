/**
 * Maximum flow and the minimum cut nearest the source, in whole numbers up to 2^53. The plan asks it whether minutes
 * fit, why they do not, and how evenly they can lie; what nodes and arcs stand for is the caller's.
 * Method: Dinic (1970), shortest augmenting paths by levels. The same calls in the same order give the same flow.
 */
export class FlowNetwork {
  readonly #first: Int32Array;
  readonly #next: Int32Array;
  readonly #to: Int32Array;
  /** What an arc can still carry; of a locked one, the part that stays is left out of its way back. */
  readonly #left: Float64Array;
  readonly #locked: Float64Array;
  readonly #level: Int32Array;
  readonly #cursor: Int32Array;
  readonly #queue: Int32Array;
  readonly #path: Int32Array;
  #arcs = 0;

  /** `arcs` is the most arcs that will be added. */
  constructor(nodes: number, arcs: number) {
    this.#first = new Int32Array(nodes).fill(-1);
    this.#next = new Int32Array(2 * arcs);
    this.#to = new Int32Array(2 * arcs);
    this.#left = new Float64Array(2 * arcs);
    this.#locked = new Float64Array(arcs);
    this.#level = new Int32Array(nodes);
    this.#cursor = new Int32Array(nodes);
    this.#queue = new Int32Array(nodes);
    this.#path = new Int32Array(nodes);
  }

  /** Adds an arc and returns its id. `capacity` is a whole number, or Infinity. */
  addArc(from: number, to: number, capacity: number): number {
    const arc = this.#arcs;
    this.#put(arc, from, to, capacity);
    this.#put(arc + 1, to, from, 0);
    this.#arcs += 2;
    return arc;
  }

  #put(arc: number, from: number, to: number, capacity: number): void {
    this.#to[arc] = to;
    this.#left[arc] = capacity;
    this.#next[arc] = this.#first[from]!;
    this.#first[from] = arc;
  }

  flow(arc: number): number {
    return this.#left[arc + 1]! + this.#locked[arc >> 1]!;
  }

  /** Lets an arc carry `more`; a negative number takes back what it does not use. */
  widen(arc: number, more: number): void {
    this.#left[arc]! += more;
  }

  /** Puts flow onto an arc, or takes it off, without looking at what is left at its ends. */
  force(arc: number, amount: number): void {
    this.#left[arc]! -= amount;
    this.#left[arc + 1]! += amount;
  }

  /** Keeps `least` of an arc's flow where it is: no later `send` takes it back. */
  lock(arc: number, least: number): void {
    this.#left[arc + 1]! -= least;
    this.#locked[arc >> 1]! += least;
  }

  /** Takes an arc out, with its flow, and returns what puts it back with another. */
  without(arc: number): (flow: number) => void {
    const most = this.#left[arc]! + this.#left[arc + 1]!;
    this.#left[arc] = 0;
    this.#left[arc + 1] = 0;
    return (flow) => {
      this.#left[arc] = most - flow;
      this.#left[arc + 1] = flow;
    };
  }

  /** Sends as much as can be, at most `limit`, on top of what flows already; returns what was added. */
  send(source: number, sink: number, limit = Infinity): number {
    let sent = 0;
    while (sent < limit && this.#layer(source, sink)) {
      this.#cursor.set(this.#first);
      for (let more = 1; more > 0 && sent < limit; sent += more)
        more = this.#sendOnce(source, sink, limit - sent);
    }
    return sent;
  }

  /** The nodes that more flow from `source` could still reach: after a full `send`, the cut nearest the source. */
  reachable(source: number): Uint8Array {
    this.#layer(source, -1);
    return Uint8Array.from(this.#level, (level) => (level >= 0 ? 1 : 0));
  }

  #layer(source: number, sink: number): boolean {
    const [level, queue] = [this.#level, this.#queue];
    level.fill(-1);
    level[source] = 0;
    queue[0] = source;
    for (let at = 0, end = 1; at < end; at += 1) {
      const node = queue[at]!;
      for (let arc = this.#first[node]!; arc >= 0; arc = this.#next[arc]!) {
        const to = this.#to[arc]!;
        if (level[to] !== -1 || this.#left[arc]! <= 0) continue;
        level[to] = level[node]! + 1;
        if (to === sink) return true;
        queue[end] = to;
        end += 1;
      }
    }
    return false;
  }

  #sendOnce(source: number, sink: number, limit: number): number {
    const [level, cursor, path] = [this.#level, this.#cursor, this.#path];
    let node = source;
    let depth = 0;
    while (node !== sink) {
      let arc = cursor[node]!;
      while (arc >= 0 && (this.#left[arc]! <= 0 || level[this.#to[arc]!] !== level[node]! + 1))
        arc = this.#next[arc]!;
      cursor[node] = arc;
      if (arc >= 0) {
        path[depth] = arc;
        depth += 1;
        node = this.#to[arc]!;
      } else {
        if (depth === 0) return 0;
        level[node] = -1;
        depth -= 1;
        node = this.#to[path[depth]! ^ 1]!;
      }
    }
    let least = limit;
    for (let i = 0; i < depth; i += 1) least = Math.min(least, this.#left[path[i]!]!);
    for (let i = 0; i < depth; i += 1) {
      this.#left[path[i]!]! -= least;
      this.#left[path[i]! ^ 1]! += least;
    }
    return least;
  }
}
