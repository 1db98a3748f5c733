/** What a device keeps of an audition, so that its days can be played and laid again without a line; and of which auditions it keeps it. */
import type { Kit } from '../../core/season';
import type { KeptHere } from '../../schema/kit';
import { type App, type Who, isTeaching, todayIn } from '../app';
import { orNotFound } from '../errors';
import { readSeason } from '../laying/facts';
import { agreedBefore } from '../laying/lay';
import { planOf } from '../laying/plan';
import { auditionsOf } from '../store/audition';
import { findCandidate, hearCandidate } from '../store/candidate';
import { countWantedLonger, hurtEvents } from '../store/desk-event';
import { itemCount } from '../store/item';
import { readDayFacts } from './day-facts';
import { candidateOfAudition } from './owner';
import { useCase } from './use-case';

export const readKit = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run(app: App, { auditionId }: { auditionId: string }, who: Who): Kit {
    const season = readSeason(app, auditionId);
    const { candidate, audition, own, beside } = season;
    const hurts = hurtEvents(app.db, candidate.id);
    const areAllTheirs = !isTeaching(who) || hurts.every((one) => one.kind !== 'hurt' || one.isTold);
    return {
      facts: readDayFacts(app, season, who),
      part: { auditionId, name: audition.name, request: own },
      beside,
      plan: planOf(app, season)?.plan ?? null,
      agreed: Object.fromEntries(
        [auditionId, ...beside.map((part) => part.auditionId)].map((id) => [id, agreedBefore(app, id)])
      ),
      zone: candidate.zone,
      hurtEvents: areAllTheirs ? hurts : null,
      wantedLonger: countWantedLonger(app.db, candidate.id),
      evidence: isTeaching(who) ? 'teacher' : 'self'
    };
  }
});

/** A device asks what to keep: a player's auditions ahead; of a teacher's players it keeps those that were opened on it. That it asked is noted. */
export const hearDevice = useCase({
  rule: 'self',
  run(app: App, _input: Record<string, never>, who: Who): KeptHere {
    const candidateId = playerOf(who);
    if (candidateId !== undefined) noteHeard(app, candidateId);
    const auditions = candidateId === undefined ? [] : aheadOf(app, candidateId);
    return { nowMs: app.now(), auditions };
  }
});

/** The candidate as whom somebody plays; undefined for who teaches. */
const playerOf = (who: Who): string | undefined =>
  who.kind === 'candidate' ? who.candidateId : who.kind === 'teacher' ? who.plays : undefined;

/** What is heard within it is heard once: plans and pages that were read stay as they are. */
const NOTED_MS = 5 * 60_000;

function noteHeard(app: App, candidateId: string): void {
  const { heardAtMs } = orNotFound(findCandidate(app.db, candidateId));
  if (heardAtMs === null || heardAtMs + NOTED_MS <= app.now()) hearCandidate(app.db, candidateId, app.now());
}

function aheadOf(app: App, candidateId: string): KeptHere['auditions'] {
  const today = todayIn(app, orNotFound(findCandidate(app.db, candidateId)).zone);
  return auditionsOf(app.db, candidateId)
    .filter(({ id, rounds }) => rounds.some(({ date }) => date >= today) && itemCount(app.db, id) > 0)
    .map(({ id }) => id);
}
