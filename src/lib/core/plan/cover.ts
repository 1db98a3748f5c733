/**
 * The least sum of a few whole numbers that satisfies covering conditions: each a sum of multiples that must reach so much.
 * Solved exactly by branch and bound; the bound is the linear program's, found by the simplex method on its dual, which
 * starts feasible because every number costs something. Meant for the seven weekdays, not for many unknowns.
 */

/** `times` of each unknown, 0 or more, are to add up to at least `least`. */
export type Cover = { readonly times: readonly number[]; readonly least: number };

const NEARLY = 1e-7;

/** Whole numbers from 0 to `most` each with the least sum, or null where no such numbers satisfy all conditions. */
export function leastCover(conditions: readonly Cover[], most: readonly number[]): number[] | null {
  let best: number[] | null = null;
  let bestSum = Infinity;
  const open: { low: number[]; high: number[] }[] = [{ low: most.map(() => 0), high: [...most] }];
  for (let node = open.pop(); node; node = open.pop()) {
    const { low, high } = node;
    const relaxed = relax(conditions, low, high);
    if (!relaxed || Math.ceil(sum(relaxed) - NEARLY) >= bestSum) continue;
    const up = relaxed.map((value) => Math.ceil(value - NEARLY));
    if (sum(up) < bestSum) {
      // rounding up only adds to sums that already reach far enough
      best = up;
      bestSum = sum(up);
    }
    const split = relaxed.findIndex((value) => Math.abs(value - Math.round(value)) > NEARLY);
    if (split < 0) continue;
    const below = Math.floor(relaxed[split]!);
    open.push({ low, high: high.map((value, i) => (i === split ? below : value)) });
    open.push({ low: low.map((value, i) => (i === split ? below + 1 : value)), high });
  }
  return best;
}

/** The least sum when parts are allowed, between `low` and `high`; null where even the highest do not suffice. */
function relax(
  conditions: readonly Cover[],
  low: readonly number[],
  high: readonly number[]
): number[] | null {
  const open = conditions
    .map(({ times, least }) => ({ times, left: least - dot(times, low) }))
    .filter(({ left }) => left > 0);
  const room = high.map((value, i) => value - low[i]!);
  if (open.some(({ times, left }) => dot(times, room) < left - NEARLY)) return null;
  if (open.length === 0) return [...low];
  const more = solveDual(open, room);
  return low.map((value, i) => Math.min(high[i]!, value + Math.max(0, more[i]!)));
}

/**
 * min sum x, times x >= left, 0 <= x <= room, by the simplex method on its dual: max left y - room z with times' y - z <= 1.
 * Bland's rule keeps it from going round in circles; x are the prices of the dual's conditions.
 */
function solveDual(
  open: readonly { readonly times: readonly number[]; readonly left: number }[],
  room: readonly number[]
): number[] {
  const unknowns = room.length;
  const columns = open.length + 2 * unknowns;
  // rows: one condition an unknown; columns: y, z, slacks, and what is allowed
  const rows = room.map((_, i) => [
    ...open.map(({ times }) => times[i]!),
    ...room.map((__, j) => (i === j ? -1 : 0)),
    ...room.map((__, j) => (i === j ? 1 : 0)),
    1
  ]);
  const goal = [...open.map(({ left }) => -left), ...room, ...room.map(() => 0), 0];
  const basis = room.map((_, i) => open.length + unknowns + i);
  for (;;) {
    const enter = goal.findIndex((value, c) => c < columns && value < -NEARLY);
    if (enter < 0) return goal.slice(open.length + unknowns, columns);
    let leave = -1;
    for (let r = 0; r < unknowns; r += 1) {
      if (rows[r]![enter]! <= NEARLY) continue;
      const [ratio, least] = [ratioOf(rows[r]!, enter), leave < 0 ? Infinity : ratioOf(rows[leave]!, enter)];
      if (ratio < least - NEARLY || (ratio < least + NEARLY && basis[r]! < basis[leave]!)) leave = r;
    }
    if (leave < 0) throw new RangeError('a covering program has no bound: the highest do not suffice');
    pivot(rows, goal, leave, enter);
    basis[leave] = enter;
  }
}

const ratioOf = (row: readonly number[], column: number) => row.at(-1)! / row[column]!;

function pivot(rows: number[][], goal: number[], leave: number, enter: number): void {
  const by = rows[leave]![enter]!;
  rows[leave] = rows[leave]!.map((value) => value / by);
  const clear = (row: number[]) => {
    const times = row[enter]!;
    if (times === 0) return;
    for (let c = 0; c < row.length; c += 1) row[c]! -= times * rows[leave]![c]!;
  };
  rows.forEach((row, r) => {
    if (r !== leave) clear(row);
  });
  clear(goal);
}

function dot(a: readonly number[], b: readonly number[]): number {
  return a.reduce((total, value, i) => total + value * b[i]!, 0);
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}
