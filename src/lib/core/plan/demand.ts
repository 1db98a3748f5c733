/**
 * What all items together ask of the days: windows with their minutes, and days alike taken together as columns.
 * Days are alike when the same windows are open on them and they have the same minutes; then what holds for
 * their sum holds for each, because any whole minutes of a column can be dealt round to its days. It decides nothing.
 */
import type { DayNumber, Minutes } from '../units';

/** Minutes that are to lie from `from` to `to`, both included. */
export type Window = { readonly from: DayNumber; readonly to: DayNumber; readonly minutes: Minutes };

/** One item's windows, served in this order, and the most that it may have on one day. */
export type Demand = {
  readonly id: string;
  readonly mostPerDay: Minutes;
  readonly windows: readonly Window[];
  /** Least minutes of one block. Missing: 8. */
  readonly least?: Minutes;
  /** The longest block of whoever plays it; missing: as of everybody. */
  readonly longest?: Minutes;
  /** Missing where it is only minutes. */
  readonly climbing?: Climbing;
};

/** How the minutes of a ladder are climbed. */
export type Climbing = {
  /** Minutes left of each rung, in climbing order. */
  readonly rungs: readonly Minutes[];
  /** Practice days on end that it may rest, on a day. */
  readonly mostRest: (day: DayNumber) => number;
  /** Days on which it is touched besides. */
  readonly touchedOn: ReadonlySet<DayNumber>;
  /** The last day before today on which it was played. */
  readonly lastPlayed: DayNumber | null;
};

/** Days alike, in time order: `room` minutes still free on each (over 0), `load` minutes that lie there already. */
export type Column = { readonly days: readonly DayNumber[]; readonly room: Minutes; readonly load: Minutes };

/** What lies already: minutes of a demand on a day, and all of a day. Days on which anything lies are never taken together. */
export type Lying = {
  readonly ofDemand: (demand: number, day: DayNumber) => Minutes;
  readonly on: (day: DayNumber) => Minutes;
};
const NOTHING_LIES: Lying = { ofDemand: () => 0, on: () => 0 };

/** A window over its columns; `most` is what the item may have on all days of the column together. */
export type Row = {
  readonly item: number;
  readonly minutes: Minutes;
  readonly cells: readonly { readonly column: number; readonly most: Minutes }[];
};

export type Demands = {
  readonly columns: readonly Column[];
  readonly rows: readonly Row[];
  /** For each row, its demand and its window within it. */
  readonly rowOf: readonly { readonly demand: number; readonly window: number }[];
};

/**
 * Columns and rows of what is asked; rows in the order of the demands. `capacity` is what each day has, with what lies there.
 * Cost: days + windows x columns.
 */
export function readDemands(
  demands: readonly Demand[],
  capacity: ReadonlyMap<DayNumber, Minutes>,
  lying: Lying = NOTHING_LIES
): Demands {
  const columns = groupDays(demands, capacity, lying);
  const rows: Row[] = [];
  const rowOf: Demands['rowOf'][number][] = [];
  demands.forEach((demand, d) => {
    demand.windows.forEach((window, w) => {
      if (window.minutes <= 0) return;
      const cells: Row['cells'][number][] = [];
      columns.forEach(({ days, load }, c) => {
        if (days[0]! < window.from || days.at(-1)! > window.to) return;
        const there = load > 0 ? lying.ofDemand(d, days[0]!) : 0;
        const most = (demand.mostPerDay - there) * days.length;
        if (most > 0) cells.push({ column: c, most });
      });
      rows.push({ item: d, minutes: window.minutes, cells });
      rowOf.push({ demand: d, window: w });
    });
  });
  return { columns, rows, rowOf };
}

function groupDays(
  demands: readonly Demand[],
  capacity: ReadonlyMap<DayNumber, Minutes>,
  lying: Lying
): Column[] {
  const edges = [...new Set(demands.flatMap((d) => d.windows.flatMap((w) => [w.from, w.to + 1])))].sort(
    (a, b) => a - b
  );
  const columns: { days: DayNumber[]; room: Minutes; load: Minutes }[] = [];
  let known = new Map<Minutes, DayNumber[]>();
  let edge = 0;
  for (const day of [...capacity.keys()].sort((a, b) => a - b)) {
    while (edge < edges.length && edges[edge]! <= day) {
      known = new Map();
      edge += 1;
    }
    const load = lying.on(day);
    const room = capacity.get(day)! - load;
    if (room <= 0 || edge === 0 || edge === edges.length) continue;
    const alike = load === 0 ? known.get(room) : undefined;
    if (alike) alike.push(day);
    else {
      const column = { days: [day], room, load };
      if (load === 0) known.set(room, column.days);
      columns.push(column);
    }
  }
  return columns;
}
