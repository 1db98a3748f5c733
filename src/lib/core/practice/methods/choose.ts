/**
 * Which methods a spot is offered: those that fit who plays and what is wrong; never the last again; what was least used on it first, then what
 * has worked for this person with such an issue. Source: the practice model, section 5.
 */
import type { InstrumentFamily } from '../../record/family';
import { type Share, SAME_TEMPO } from '../../units';
import { ELEMENTS, type Element } from '../elements';
import { type SpotTry, triesBySpot } from '../spots/spot';
import type { Method } from './catalogue';
import { type Ways, waysOffered } from './own';

/** So many are offered. */
const OFFERED = 6;
/** A share that worked is weighed with so many presumed at a half. */
const PRESUMED_TRIES = 4;
const PRESUMED_SHARE: Share = 0.5;

/** Words of an issue that mean an element (common practice, no published source). */
const MEANS: readonly (readonly [Element, RegExp])[] = [
  ['rhythm', /rhythm|rush|drag|late|early|uneven|count|tempo|beat|pulse|dotted|triplet/i],
  ['intonation', /intonation|pitch|sharp|flat|tun(e|ing)|leap|shift/i],
  ['articulation', /articulat|tongu|bow|slur|staccat|attack|spiccato|consonant/i],
  ['dynamics', /dynamic|loud|soft|cresc|dimin|forte|piano\b|accent/i],
  ['tone', /tone|sound|colou?r|crack|thin|harsh/i],
  ['air', /air|breath|phrase/i],
  ['fingers', /finger|notes?\b|hand|thumb|cross/i],
  ['bowing', /bow/i],
  ['shifts', /shift|position/i],
  ['voicing', /voic|melody|balance/i],
  ['pedal', /pedal/i],
  ['sticking', /stick|hands? order/i],
  ['evenness', /even|roll|flam/i],
  ['breath', /breath/i],
  ['words', /words?|text|vowel|consonant/i],
  ['ease', /ease|tens|stiff|grip|tired|nerv/i]
];

export function elementsOf({ issue, notHeld }: { issue: string; notHeld: readonly string[] }): Element[] {
  return ELEMENTS.filter(
    (element) => notHeld.includes(element) || MEANS.some(([one, word]) => one === element && word.test(issue))
  );
}

type Issue = { readonly id: string; readonly issue: string; readonly notHeld: readonly string[] };
type About = {
  /** All spots that are known of this person. */
  readonly spots: readonly Issue[];
  /** Null where it is not known: then all fit. */
  readonly family: InstrumentFamily | null;
  /** Tries of all their spots, in the order played. */
  readonly tries: readonly SpotTry[];
  /** What is offered at all. */
  readonly ways: Ways;
  /** Then nothing that tires. */
  readonly isHurt: boolean;
};

/** Offers for each spot at most six methods, the one proposed first; at least one, unless all are hidden. What all spots tell together is read once. */
export function offerMethods({ spots, family, tries, ways, isHurt }: About): (spot: Issue) => Method[] {
  const bySpot = triesBySpot(tries);
  const elements = new Map(spots.map((spot) => [spot.id, elementsOf(spot)]));
  // what spots with the same elements tell is told together
  const groups = new Map<string, { readonly elements: readonly Element[]; readonly results: Result[] }>();
  for (const [id, own] of bySpot) {
    const named = elements.get(id) ?? [];
    const group = groups.get(named.join()) ?? { elements: named, results: [] };
    group.results.push(...resultsOf(own));
    groups.set(named.join(), group);
  }
  const told = [...groups.values()].map((group) => ({
    elements: group.elements,
    counts: countByMethod(group.results)
  }));
  const fitting = waysOffered(ways).filter(
    ({ families, isTiring }) =>
      (!families || family === null || families.includes(family)) && !(isHurt && isTiring)
  );
  return (spot) => {
    const own = bySpot.get(spot.id) ?? [];
    const wanted = elementsOf(spot);
    const like = told.filter((group) => group.elements.some((element) => wanted.includes(element)));
    const alone = wanted.length === 0 ? [countByMethod(resultsOf(own))] : [];
    return rank(fitting, wanted, own, [...like.map(({ counts }) => counts), ...alone]);
  };
}

function rank(
  fitting: readonly Method[],
  wanted: readonly Element[],
  own: readonly SpotTry[],
  told: readonly Counts[]
): Method[] {
  const last = own.findLast(({ method }) => method !== null)?.method;
  const ranked = fitting
    .filter(({ id }) => id !== last)
    .map((method, place) => ({
      method,
      place,
      fits: wanted.length === 0 || method.goodFor.some((element) => wanted.includes(element)),
      used: own.filter((one) => one.method === method.id).length,
      worked: shareThatWorked(method.id, told)
    }));
  ranked.sort(
    (a, b) => Number(b.fits) - Number(a.fits) || a.used - b.used || b.worked - a.worked || a.place - b.place
  );
  const methods = ranked.map(({ method }) => method);
  // a variant of what is offered already waits behind other ways
  const isVariant = (method: Method, i: number) =>
    methods.findIndex(({ group }) => group === method.group) < i;
  const ways = ranked.flatMap(({ method, fits }, i) => (fits && !isVariant(method, i) ? [method] : []));
  return [...new Set([...ways, ...methods])].slice(0, OFFERED);
}

/** Whether what followed a method was cleaner than what came before it, at the same tempo or a faster one. */
type Result = { readonly method: string; readonly hasWorked: boolean };

/** How often each method worked, of how many times. */
type Counts = ReadonlyMap<string, { readonly worked: number; readonly all: number }>;
function countByMethod(results: readonly Result[]): Counts {
  const counts = new Map<string, { worked: number; all: number }>();
  for (const { method, hasWorked } of results) {
    const { worked, all } = counts.get(method) ?? { worked: 0, all: 0 };
    counts.set(method, { worked: worked + (hasWorked ? 1 : 0), all: all + 1 });
  }
  return counts;
}

/** Share of the times that a method worked, with so many presumed at a half. */
function shareThatWorked(method: string, told: readonly Counts[]): Share {
  let worked = PRESUMED_TRIES * PRESUMED_SHARE;
  let all = PRESUMED_TRIES;
  for (const counts of told) {
    const count = counts.get(method);
    worked += count?.worked ?? 0;
    all += count?.all ?? 0;
  }
  return worked / all;
}

/** Of one spot's tries: a result for each time a method was used between two others. */
export function resultsOf(tries: readonly SpotTry[]): Result[] {
  return tries.flatMap((one, i) => {
    const { method } = one;
    const before = tries[i - 1];
    if (method === null || !before || before.method === method) return [];
    const after = tries.slice(i + 1).find((later) => later.method !== method);
    return after ? [{ method, hasWorked: hasWorked(before, after) }] : [];
  });
}

function hasWorked(before: SpotTry, after: SpotTry): boolean {
  const isSlower = (after.tempoBpm ?? 0) < (before.tempoBpm ?? 0) * (1 - SAME_TEMPO);
  return !isSlower && cleanOf(after) > cleanOf(before);
}
const cleanOf = ({ marks }: SpotTry): Share => (marks.split('c').length - 1) / marks.length;
