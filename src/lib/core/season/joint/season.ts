/**
 * A season as it is laid: one audition's facts by themselves, or with the candidate's other auditions, and what was agreed of it before.
 * The same from the same facts, wherever it is made: in the studio, and on a device without a line.
 */
import type { Touch } from '../../record';
import type { Agreed, SeasonRequest } from '../facts/request';
import { type Joint, type Part, agreedAbout, countingDownTo, joinAuditions } from './join';
import { type Names, logOf, namesFor } from './view';

export type JoinedSeason = {
  readonly auditionId: string;
  /** This audition's facts by themselves. */
  readonly own: SeasonRequest;
  /** What the plan is laid from: with the candidate's other auditions, where there are any. */
  readonly request: SeasonRequest;
  /** Null where it is the only one. */
  readonly joint: Joint | null;
  /** The log from which the plan is laid, with this audition's ids. */
  readonly log: readonly Touch[];
};

/** An audition with nothing to play, or behind, is laid by itself. */
export const isLaidWithOthers = ({ items, rounds, today }: SeasonRequest): boolean =>
  items.length > 0 && rounds.some(({ date }) => date >= today);

export function joinSeason(part: Part, others: readonly Part[]): JoinedSeason {
  const { auditionId, request: own } = part;
  if (others.length === 0 || !isLaidWithOthers(own))
    return { auditionId, own, request: own, joint: null, log: own.log };
  const joint = joinAuditions([part, ...others]);
  const log = logOf(joint.request.log, namesFor(joint, auditionId));
  return { auditionId, own, request: countingDownTo(joint.request, own), joint, log };
}

/** What is laid at once, and of each audition what it calls the items (null where it is the only one) and the ids of its rounds. */
export type ToLay = {
  readonly request: SeasonRequest;
  readonly auditions: readonly {
    readonly id: string;
    readonly names: Names | null;
    readonly countsDownTo: NonNullable<SeasonRequest['countsDownTo']>;
  }[];
};

/** `previous` is what was agreed before. */
export function toLay(season: JoinedSeason, previous: Agreed | undefined): ToLay {
  const { joint, request, auditionId } = season;
  const idsOf = ({ rounds }: Pick<SeasonRequest, 'rounds'>) => rounds.map((round) => round.id);
  const auditions = joint
    ? joint.live.map(({ auditionId: id, request: own }) => ({
        id,
        names: namesFor(joint, id),
        countsDownTo: idsOf(own)
      }))
    : [{ id: auditionId, names: null, countsDownTo: idsOf(request) }];
  return { request: { ...request, previous }, auditions };
}

/** What was agreed: of several auditions each one's own, so that one that joins brings its dates along. */
export function agreedOf(
  { joint, auditionId }: JoinedSeason,
  agreedBefore: (auditionId: string) => Agreed | undefined
): Agreed | undefined {
  if (!joint) return agreedBefore(auditionId);
  const all = joint.live.flatMap((part) => {
    const agreed = agreedBefore(part.auditionId);
    if (!agreed) return [];
    const own = new Set(part.request.items.map((item) => item.id).filter((id) => !joint.twins.has(id)));
    const items = joint.request.items.filter((item) => own.has(item.id));
    return [agreedAbout(agreed, items)];
  });
  return all.length === 0
    ? undefined
    : {
        ground: all.every((a) => a.ground === all[0]!.ground) ? all[0]!.ground : undefined,
        carried: all.flatMap((a) => a.carried),
        rungs: all.flatMap((a) => a.rungs),
        allotments: all.flatMap((a) => a.allotments)
      };
}

/** What an audition calls an item of its own or of a joint season. */
export function idsOfSeason({ joint, auditionId }: JoinedSeason): (itemId: string) => string {
  const names = joint && namesFor(joint, auditionId);
  return (id) => {
    const jointId = joint?.twins.get(id)?.itemId ?? id;
    return names?.items[jointId] ?? jointId;
  };
}
