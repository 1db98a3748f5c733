/** Ways to practise: what a player is offered, with the teacher's own among them and some of the usual ones hidden. */
import { wayOf } from '../../core/practice';
import { type OwnMethod, familyOf } from '../../core/record';
import type { App } from '../app';
import { CodedError, orNotFound } from '../errors';
import { findAudition } from '../store/audition';
import { findCandidate, listCandidates } from '../store/candidate';
import { candidateOfAudition } from './owner';
import { keepEvent, waysOfPlayer } from './spots';
import { useCase } from './use-case';

export const readWaysPage = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string }) => {
    const { id, name, candidateId } = orNotFound(findAudition(app.db, input.auditionId));
    const candidate = orNotFound(findCandidate(app.db, candidateId));
    return {
      audition: { id, name },
      candidate: { id: candidateId, name: candidate.name },
      family: familyOf(candidate.instruments),
      ways: waysOfPlayer(app, candidateId),
      players: listCandidates(app.db).length
    };
  }
});

/** Everybody's, or one's alone. */
const playersOf = (app: App, candidateId: string, isForAll: boolean): string[] =>
  isForAll ? listCandidates(app.db).map(({ id }) => id) : [orNotFound(findCandidate(app.db, candidateId)).id];

/** Adds a way of the teacher's own, or says one anew. */
export const addWay = useCase({
  rule: 'teacher',
  run: (app: App, input: { candidateId: string; method: OwnMethod; isForAll: boolean }): void => {
    const { candidateId, method, isForAll } = input;
    // a usual way keeps its name for whoever reads the log
    if (wayOf(method.id, { own: [] })) throw new CodedError('not-allowed');
    for (const id of playersOf(app, candidateId, isForAll))
      keepEvent(app, id, { kind: 'method', method, isGone: false });
  }
});

/** A usual way is hidden or offered again; one of the teacher's own is taken out, or put back. */
export const setWayOffered = useCase({
  rule: 'teacher',
  run: (app: App, input: { candidateId: string; methodId: string; isOffered: boolean }): void => {
    const { candidateId, methodId, isOffered } = input;
    const ways = waysOfPlayer(app, orNotFound(findCandidate(app.db, candidateId)).id);
    const own = ways.own.find(({ id }) => id === methodId);
    if (own) {
      const { isGone: _, ...method } = own;
      keepEvent(app, candidateId, { kind: 'method', method, isGone: !isOffered });
    } else if (wayOf(methodId, ways))
      keepEvent(app, candidateId, { kind: 'method-hidden', method: methodId, isHidden: !isOffered });
    else throw new CodedError('not-found');
  }
});
