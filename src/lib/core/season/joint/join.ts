/**
 * Several auditions of one candidate on one set of days: their rounds, items and logs as one request. A work that is on two lists is
 * one item, heard by both: the earliest date governs, between the dates it is kept warm, after the last it is retired. Where the later
 * list asks more of it, what is more begins after the earlier date, from the tempo that holds by then.
 */
import { targetOf } from '../../tempo';
import { type Bpm, tempoIn } from '../../units';
import { narrowToCuts } from '../facts/narrow';
import type { SeasonItem, SeasonRequest, SeasonSection } from '../facts/request';

/** One audition: its own request, of the same candidate and the same day as the others'. */
export type Part = { readonly auditionId: string; readonly name: string; readonly request: SeasonRequest };

/** Where an item's own ids are found in the joint request. */
type Twin = { readonly itemId: string; readonly sections: ReadonlyMap<string, string> };

export type Joint = {
  readonly request: SeasonRequest;
  readonly parts: readonly Part[];
  /** Auditions with a round ahead, the earliest first. */
  readonly live: readonly Part[];
  /** Items that stand for others: by the other's own id. */
  readonly twins: ReadonlyMap<string, Twin>;
};

/** The same whatever the order they are given in. */
export function joinAuditions(given: readonly Part[]): Joint {
  const parts = [...given].sort((a, b) => (a.auditionId < b.auditionId ? -1 : 1));
  const live = parts
    .map((part) => ({ part, next: nextRound(part) }))
    .filter((one): one is { part: Part; next: string } => one.next !== null)
    .sort((a, b) => (a.next === b.next ? 0 : a.next < b.next ? -1 : 1))
    .map(({ part }) => part);
  const first = live[0]!;
  const items: SeasonItem[] = [];
  const twins = new Map<string, Twin>();
  const copies: [from: string, to: string][] = [];
  const same = new Map<string, SeasonItem[]>();
  const stands = (item: SeasonItem, other: SeasonItem) =>
    same.set(item.id, [...(same.get(item.id) ?? []), other]);
  for (const part of live)
    for (const item of part.request.items) {
      const earlier = item.isLeftOut
        ? undefined
        : items.find((other) => isSameWork(other, item) && !other.isLeftOut);
      const sections = earlier && sectionsOver(earlier, item);
      if (earlier) stands(earlier, item);
      if (earlier && sections) twins.set(item.id, { itemId: earlier.id, sections });
      else {
        if (earlier) stands(item, earlier);
        items.push({ ...item, ...whereItBegins(part, item, earlier, live) });
        if (earlier) copies.push([earlier.id, item.id], [item.id, earlier.id]);
      }
    }
  for (const part of parts.filter((one) => !live.includes(one)))
    for (const item of part.request.items) {
      const ahead = items.find((other) => isSameWork(other, item));
      if (!ahead) continue;
      copies.push([item.id, ahead.id]);
      stands(ahead, item);
    }
  const stated = items.map((item) => withStated(item, same.get(item.id) ?? []));
  return { request: requestOf(first, parts, live, stated, twins, copies), parts, live, twins };
}

/** The joint request as one of its auditions looks at it: counted down to its own rounds. */
export const countingDownTo = (joint: SeasonRequest, own: Pick<SeasonRequest, 'rounds'>): SeasonRequest => ({
  ...joint,
  countsDownTo: own.rounds.map((round) => round.id)
});

type Agreed = NonNullable<SeasonRequest['previous']>;

/** What was agreed about some items: of those that are no more, or that another stands for now, nothing. */
export function agreedAbout(agreed: Agreed, items: readonly SeasonItem[]): Agreed {
  const ids = new Set(items.map((item) => item.id));
  // cuts part a section: its parts have ids of their own
  const sections = new Set(
    items.flatMap((item) => [...item.sections, ...narrowToCuts(item).sections].map((section) => section.id))
  );
  return {
    ground: agreed.ground,
    stated: agreed.stated,
    carried: agreed.carried.filter((c) => ids.has(c.itemId)),
    rungs: agreed.rungs.filter((r) => sections.has(r.sectionId)),
    allotments: agreed.allotments.filter((a) => ids.has(a.itemId))
  };
}

function nextRound({ request }: Part): string | null {
  return (
    request.rounds
      .map((r) => r.date)
      .filter((date) => date >= request.today)
      .sort()[0] ?? null
  );
}

/** With what was said to hold of the same bars on other lists; of several, the latest. */
function withStated(item: SeasonItem, others: readonly SeasonItem[]): SeasonItem {
  const holdsNow = item.sections.flatMap((section) => {
    const said = [item, ...others].flatMap((one) => {
      const { id } =
        one.sections.find((s) => s.fromBar === section.fromBar && s.toBar === section.toBar) ?? {};
      return one.holdsNow?.filter((stated) => stated.sectionId === id) ?? [];
    });
    const dates = said.map(({ on }) => on).sort();
    const latest = said.find(({ on }) => on === dates.at(-1));
    return latest ? [{ ...latest, sectionId: section.id }] : [];
  });
  return holdsNow.length > 0 ? { ...item, holdsNow } : item;
}

const plain = (text: string | undefined) => (text ?? '').trim().toLowerCase();

type Work = { readonly name: string; readonly composer?: string | undefined };

/** By name and composer, as people write them. */
export function isSameWork(a: Work, b: Work): boolean {
  return plain(a.name) === plain(b.name) && plain(a.composer) === plain(b.composer);
}

/** The earlier item's section for each of the later one's, where what it aims at is at least as much; null where it is not. */
function sectionsOver(earlier: SeasonItem, later: SeasonItem): Map<string, string> | null {
  const pairs = narrowToCuts(later).sections.map((section) => {
    const over = sectionOver(earlier, section);
    if (!over) return null;
    const [goal, asked] = [targetIn(over, section), targetOf(section.tempo)?.bpm];
    const isEnough = asked === undefined ? over.tempo.kind === 'free' : goal !== null && goal >= asked - 1e-9;
    return isEnough ? ([section.id, over.id] as const) : null;
  });
  if (
    pairs.length === 0 &&
    later.sections.length === 0 &&
    (earlier.minutesPerWeek ?? 0) >= (later.minutesPerWeek ?? 0)
  )
    return new Map();
  return pairs.length > 0 && pairs.every((pair) => pair !== null) ? new Map(pairs) : null;
}

function sectionOver(item: SeasonItem, { fromBar, toBar }: SeasonSection): SeasonSection | undefined {
  return narrowToCuts(item).sections.find((s) => s.fromBar <= fromBar && s.toBar >= toBar);
}

/** The target of `over` in the beat unit of `section`; null where either has none. */
function targetIn(over: SeasonSection, section: SeasonSection): Bpm | null {
  const [goal, asked] = [targetOf(over.tempo), targetOf(section.tempo)];
  return goal && asked ? tempoIn(goal, asked.unit) : null;
}

/** What a later list asks more of a work begins on the earlier date, from the targets that hold by then. */
function whereItBegins(
  { request }: Part,
  item: SeasonItem,
  earlier: SeasonItem | undefined,
  live: readonly Part[]
): Pick<SeasonItem, 'began' | 'daysIntoMock' | 'holds'> {
  const own = { began: request.began ?? request.today, daysIntoMock: request.daysIntoMock };
  const heard = earlier && heardOn(live, earlier.id, request.today);
  const mine = heardOn(live, item.id, request.today);
  if (!earlier || !heard || !mine || heard >= mine) return own;
  const holds = Object.fromEntries(
    narrowToCuts(item).sections.flatMap((section) => {
      const over = sectionOver(earlier, section);
      const goal = over ? targetIn(over, section) : null;
      const asked = targetOf(section.tempo)?.bpm;
      return goal !== null && asked !== undefined ? [[section.id, Math.min(goal, asked)]] : [];
    })
  );
  return Object.keys(holds).length === 0 ? own : { ...own, began: heard, holds };
}

/** The first date ahead on which an item is heard. */
function heardOn(live: readonly Part[], itemId: string, today: string): string | null {
  const dates = live.flatMap(({ request }) =>
    request.items.some((item) => item.id === itemId)
      ? request.rounds
          .filter((r) => r.date >= today && (r.itemIds?.includes(itemId) ?? true))
          .map((r) => r.date)
      : []
  );
  return dates.sort()[0] ?? null;
}

function requestOf(
  first: Part,
  parts: readonly Part[],
  live: readonly Part[],
  items: readonly SeasonItem[],
  twins: Joint['twins'],
  copies: readonly (readonly [from: string, to: string])[]
): SeasonRequest {
  const idOf = (itemId: string) => twins.get(itemId)?.itemId ?? itemId;
  const log = parts.flatMap(({ request }) =>
    request.log.map((touch) => ({ ...touch, itemId: idOf(touch.itemId) }))
  );
  // what was played of the same work elsewhere is evidence here too; its minutes are counted once
  const lent = copies.flatMap(([from, to]) =>
    log.filter((touch) => touch.itemId === from).map((touch) => ({ ...touch, itemId: to, minutes: 0 }))
  );
  return {
    ...first.request,
    began: live.map(({ request }) => request.began ?? request.today).sort()[0],
    daysIntoMock: undefined,
    rounds: live.flatMap(({ request }) =>
      request.rounds.map((round) => ({
        ...round,
        itemIds: (round.itemIds ?? request.items.map((item) => item.id)).map(idOf)
      }))
    ),
    items,
    time: { ...first.request.time, mocks: live.flatMap(({ request }) => request.time.mocks) },
    log: [...log, ...lent],
    pins: live.flatMap(({ request }) =>
      (request.pins ?? []).map((pin) => {
        const twin = twins.get(pin.itemId);
        if (!twin) return pin;
        const itemId = twin.itemId;
        return 'sectionId' in pin
          ? { ...pin, itemId, sectionId: twin.sections.get(pin.sectionId) ?? pin.sectionId }
          : { ...pin, itemId };
      })
    )
  };
}
