/**
 * Which methods a spot is offered: those that fit who plays and what is wrong; never the last again; what was least used on it first, then what
 * has worked for this person with such an issue. Source: the practice model, section 5.
 */
import type { InstrumentFamily } from '../../record/family';
import { type Share, SAME_TEMPO } from '../../units';
import { ELEMENTS, type Element } from '../elements';
import type { SpotTry } from '../spots/spot';
import { METHODS, type Method } from './catalogue';

/** So many are offered. */
export const OFFERED = 6;
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
  ['ease', /ease|tens|stiff|grip|tired|nerv/i]
];

export function elementsOf({ issue, notHeld }: { issue: string; notHeld: readonly string[] }): Element[] {
  return ELEMENTS.filter(
    (element) => notHeld.includes(element) || MEANS.some(([one, word]) => one === element && word.test(issue))
  );
}

type About = {
  readonly spot: { readonly id: string; readonly issue: string; readonly notHeld: readonly string[] };
  /** Null where it is not known: then all fit. */
  readonly family: InstrumentFamily | null;
  /** Tries of all spots of this person, in the order played. */
  readonly tries: readonly SpotTry[];
  /** The issue of a spot; undefined where it is gone. */
  readonly issueOf: (
    spotId: string
  ) => { readonly issue: string; readonly notHeld: readonly string[] } | undefined;
  /** Then nothing that tires. */
  readonly isHurt: boolean;
};

/** At most six, the one proposed first; at least one. */
export function offerMethods({ spot, family, tries, issueOf, isHurt }: About): Method[] {
  const own = tries.filter(({ spotId }) => spotId === spot.id);
  const last = own.findLast(({ method }) => method !== null)?.method;
  const wanted = elementsOf(spot);
  const isLike = (id: string) => {
    const issue = issueOf(id);
    return issue !== undefined && elementsOf(issue).some((element) => wanted.includes(element));
  };
  const others = [...new Set(tries.map(({ spotId }) => spotId))].filter((id) => id !== spot.id);
  const likes = new Set([spot.id, ...others.filter(isLike)]);
  const like = tries.filter(({ spotId }) => likes.has(spotId));
  const used = new Set(like.flatMap(({ method }) => method ?? []));
  const worked = new Map([...used].map((id) => [id, shareThatWorked(id, like)]));
  const open = METHODS.filter(
    ({ id, families, isTiring }) =>
      id !== last && (!families || family === null || families.includes(family)) && !(isHurt && isTiring)
  );
  const ranked = open.map((method, place) => ({
    method,
    place,
    fits: wanted.length === 0 || method.goodFor.some((element) => wanted.includes(element)),
    used: own.filter((one) => one.method === method.id).length,
    worked: worked.get(method.id) ?? PRESUMED_SHARE
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

/** How often what followed a method was cleaner than what came before it, at the same tempo or a higher. */
export function shareThatWorked(method: string, tries: readonly SpotTry[]): Share {
  const told = [...new Set(tries.map(({ spotId }) => spotId))].flatMap((spotId) =>
    resultsOn(
      method,
      tries.filter((one) => one.spotId === spotId)
    )
  );
  const worked = told.filter(Boolean).length;
  return (worked + PRESUMED_TRIES * PRESUMED_SHARE) / (told.length + PRESUMED_TRIES);
}

/** Of one spot, for each time a method was used between two others: whether it worked. */
function resultsOn(method: string, tries: readonly SpotTry[]): boolean[] {
  return tries.flatMap((one, i) => {
    if (one.method !== method || tries[i - 1]?.method === method) return [];
    const before = tries[i - 1];
    const after = tries.slice(i).find((later) => later.method !== method);
    return before && after ? [hasWorked(before, after)] : [];
  });
}

function hasWorked(before: SpotTry, after: SpotTry): boolean {
  const isSlower = (after.tempoBpm ?? 0) < (before.tempoBpm ?? 0) * (1 - SAME_TEMPO);
  return !isSlower && cleanOf(after) > cleanOf(before);
}
const cleanOf = ({ marks }: SpotTry): Share => (marks.split('c').length - 1) / marks.length;
