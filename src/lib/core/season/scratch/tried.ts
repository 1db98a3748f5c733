/**
 * A season that changes are tried on, by itself or laid as one with the candidate's other auditions. What is tried there is carried
 * out on each audition and joined anew, as it would be were it kept: which work stands for which may come out otherwise.
 */
import type { Changes, ItemChange } from './change';
import { applyChanges, applyEdits, editsOf } from './edits';
import { type Joint, type Part, agreedAbout, countingDownTo, joinAuditions } from '../joint/join';
import type { SeasonRequest } from '../facts/request';
import { type Names, namesFor } from '../joint/view';

type Laying = {
  readonly request: SeasonRequest;
  /** What the audition calls the items, where several are laid together. */
  readonly names: Names | null;
};

export type Tried = Laying & { readonly with: (changes: Changes) => Laying };

export function trySeason(
  parts: readonly Part[],
  auditionId: string,
  previous: SeasonRequest['previous']
): Tried {
  const own = parts.find((part) => part.auditionId === auditionId)!;
  return parts.length === 1 ? tryAlone({ ...own.request, previous }) : tryJoint(parts, own, previous);
}

export function tryAlone(request: SeasonRequest): Tried {
  return {
    request,
    names: null,
    with: (changes) => ({ request: applyChanges(request, changes), names: null })
  };
}

function tryJoint(parts: readonly Part[], own: Part, previous: SeasonRequest['previous']): Tried {
  const lay = (changed: readonly Part[]): Laying => {
    const joint = joinAuditions(changed);
    return {
      request: {
        ...countingDownTo(joint.request, own.request),
        previous: previous && agreedAbout(previous, joint.request.items)
      },
      names: namesFor(joint, own.auditionId)
    };
  };
  const before = joinAuditions(parts);
  return {
    ...lay(parts),
    with: (changes) => {
      const edits = editsOf(forAllTwins(changes, before), parts);
      return lay(parts.map((part) => ({ ...part, request: applyEdits(part, edits) })));
    }
  };
}

/** What is said of a work on several lists is said of each: how it is worked, and that it is left out. A target is its list's own. */
export function forAllTwins(changes: Changes, { twins }: Pick<Joint, 'twins'>): Changes {
  if (!changes.items) return changes;
  const items = changes.items.flatMap((change): ItemChange[] => {
    const { itemId, schools, isLeftOut } = change;
    if (!schools && isLeftOut === undefined) return [change];
    const stands = twins.get(itemId)?.itemId ?? itemId;
    const same = [stands, ...[...twins].flatMap(([id, twin]) => (twin.itemId === stands ? [id] : []))];
    const spoken = new Set(changes.items!.map((other) => other.itemId));
    return [
      change,
      ...same.filter((id) => !spoken.has(id)).map((id) => ({ itemId: id, schools, isLeftOut }))
    ];
  });
  return { ...changes, items };
}
