/** How takes and their files come and go: each sound beside its take, and neither longer than it is held. */
import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { Sound } from '../../core/record';
import { goingDays } from '../../core/take';
import { dayOf } from '../../core/units';
import { type App, todayIn } from '../app';
import { orNotFound } from '../errors';
import { FILE_NAME } from '../files/folder';
import { auditionsOf } from '../store/audition';
import { findCandidate, listCandidates } from '../store/candidate';
import { ownerOfItem } from '../store/item';
import * as takes from '../store/take';

/** What was taken out can be put back for a day. */
const PUT_BACK_MS = 24 * 3_600_000;
/** An archive that is taken in has its files in place before its takes are written down. */
const FRESH_MS = 3_600_000;

/** Takes each of a candidate's away whose day has come. */
function sweepTakesOf(app: App, candidateId: string): void {
  const today = dayOf(todayIn(app, findCandidate(app.db, candidateId)!.zone));
  for (const [id, day] of goingDaysOf(app, candidateId))
    if (day !== null && day <= today) takes.dropTake(app.db, id);
}

/** The day on which each take of a candidate goes; null where it stays. */
export function goingDaysOf(app: App, candidateId: string): ReadonlyMap<string, number | null> {
  const all = takes.takesOf(app.db, candidateId);
  const ofSpots = takes.takesWithSpots(app.db, candidateId);
  const lastDays = new Map(
    auditionsOf(app.db, candidateId).map(({ id, rounds }) => [
      id,
      Math.max(...rounds.map(({ date }) => dayOf(date)), -Infinity)
    ])
  );
  const today = dayOf(todayIn(app, findCandidate(app.db, candidateId)!.zone));
  const isOpen = (itemId: string) =>
    (lastDays.get(ownerOfItem(app.db, itemId)?.auditionId ?? '') ?? -Infinity) >= today;
  return goingDays(
    all.map((take) => ({
      ...take,
      day: dayOf(take.date),
      isOwn: take.source !== 'other',
      isOfSpot: ofSpots.has(take.id)
    })),
    isOpen
  );
}

/** A take's sound is in its place; throws CodedError "not-found" where the take was taken out meanwhile. */
export function keepSound(app: App, takeId: string, sound: Sound): void {
  orNotFound(takes.findTake(app.db, takeId));
  takes.putSound(app.db, takeId, sound);
}

/** Folder of what is being sent, beside that of what has come. */
export const sendingOf = (files: string) => join(files, '..', 'sending');

/** What was sent for a take is no sound: there is no take either. */
export function dropSoundless(app: App, takeId: string): void {
  if (takes.findTake(app.db, takeId)?.sound === null) takes.dropTake(app.db, takeId);
}

/** Removes the files of these names that no take has. */
function dropSounds(app: App, names: readonly string[]): void {
  for (const name of names)
    if (app.files !== '' && !takes.isSoundUsed(app.db, name)) rmSync(join(app.files, name), { force: true });
}

/** What a candidate has recorded, as it can be removed when they are erased: sounds that nobody else has, and what was half sent. */
export function readyToDrop(app: App, candidateId: string): () => void {
  const sounds = takes.soundsOf(app.db, candidateId);
  const ids = takes.takeIdsOf(app.db, candidateId);
  return () => {
    dropSounds(app, sounds);
    if (app.files === '') return;
    for (const id of ids)
      for (const name of [id, `${id}.json`]) rmSync(join(sendingOf(app.files), name), { force: true });
  };
}

/** Once a while. */
export function sweepTakes(app: App): void {
  takes.dropTakesGone(app.db, app.now() - PUT_BACK_MS);
  for (const { id } of listCandidates(app.db)) sweepTakesOf(app, id);
  if (app.files === '' || !existsSync(app.files)) return;
  const isOld = (name: string) => Date.now() - statSync(join(app.files, name)).ctimeMs > FRESH_MS;
  dropSounds(
    app,
    readdirSync(app.files).filter((name) => FILE_NAME.test(name) && isOld(name))
  );
}
