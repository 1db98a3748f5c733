/** A recorded round: its takes heard blindly, one chosen for each item, named as the call wants, and what is still missing. */
import { USUAL_PATTERN, blindly, fileNameOf, sendOn } from '../../core/around';
import type { Prescreen } from '../../core/record';
import type { SoundKind } from '../../core/record/words';
import { dayOf, formatDate } from '../../core/units';
import type { PrescreenView } from '../../schema/prescreen';
import type { App } from '../app';
import { applyChange } from '../change/apply';
import { CodedError, orNotFound } from '../errors';
import { type Season, readSeason } from '../laying/facts';
import type { Round } from '../store/call';
import type { ListItem } from '../store/item';
import { prescreensOf } from '../store/prescreen';
import { type KnownTake, takesOf } from '../store/take';
import { candidateOfAudition } from './owner';
import { useCase } from './use-case';

type Recorded = Round & { readonly uploadBy: string };
const isRecorded = (round: Round): round is Recorded => round.uploadBy !== undefined;

const ENDINGS: Readonly<Record<SoundKind, string>> = {
  'audio/webm': 'webm',
  'audio/mp4': 'm4a',
  'audio/mpeg': 'mp3',
  'audio/ogg': 'ogg',
  'audio/wav': 'wav',
  'audio/flac': 'flac'
};

const saidOf = (app: App, auditionId: string, roundId: string): Prescreen =>
  prescreensOf(app.db, auditionId).find((one) => one.roundId === roundId) ?? {
    roundId,
    rules: '',
    pattern: USUAL_PATTERN,
    chosen: [],
    films: []
  };

/** Items of the list that a round hears. */
const heardIn = ({ items }: Season, { itemIds }: Round): ListItem[] =>
  items.filter(({ listItemId, isLeftOut }) => !isLeftOut && (itemIds?.includes(listItemId) ?? true));

/** Of the round that is named, else of the first that is not over, else of the last. */
export const readPrescreen = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run(app: App, input: { auditionId: string; roundId?: string | undefined }): PrescreenView {
    const season = readSeason(app, input.auditionId);
    const { audition, candidate, own } = season;
    const rounds = audition.rounds.filter(isRecorded);
    const round =
      rounds.find(({ id }) => id === input.roundId) ??
      rounds.find(({ uploadBy }) => uploadBy >= own.today) ??
      rounds.at(-1);
    const takes = takesOf(app.db, candidate.id).filter(
      ({ sound, source }) => sound !== null && source !== 'other'
    );
    const items = round ? itemsOf(app, season, round, takes) : [];
    return {
      audition: { id: audition.id, name: audition.name },
      candidate: { id: candidate.id, name: candidate.name },
      today: own.today,
      rounds: rounds.map(({ id, name, date, uploadBy }) => ({ id, name, date, uploadBy })),
      round: round ? viewOfRound(round, saidOf(app, audition.id, round.id)) : null,
      items,
      missing: items.filter(({ chosen, film }) => !chosen && film === '').map(({ name }) => name)
    };
  }
});

const viewOfRound = ({ id, name, date, uploadBy }: Recorded, { rules, pattern }: Prescreen) => ({
  ...{ id, name, date, uploadBy, rules, pattern },
  sendOn: formatDate(sendOn(dayOf(uploadBy)))
});

function itemsOf(
  app: App,
  season: Season,
  round: Recorded,
  all: readonly KnownTake[]
): PrescreenView['items'] {
  const { audition, candidate } = season;
  const said = saidOf(app, audition.id, round.id);
  return heardIn(season, round).map((item, i) => {
    const takes = blindly(
      all.filter(({ itemId }) => itemId === item.id),
      `${round.id} ${item.id}`
    );
    const takeId = said.chosen.find(({ itemId }) => itemId === item.id)?.takeId;
    const take = takes.find(({ id }) => id === takeId);
    const parts = { name: candidate.name, instrument: candidate.instruments, item: item.name, number: i + 1 };
    const fileName = fileNameOf(said.pattern, parts);
    return {
      id: item.id,
      name: item.name,
      cuts: (item.cuts ?? []).map(({ fromBar, toBar }) => ({ fromBar, toBar })),
      fileName,
      film: said.films.find(({ itemId }) => itemId === item.id)?.name ?? '',
      takes: takes.map(({ id, letter }) => ({ id, letter })),
      chosen: take
        ? {
            id: take.id,
            letter: take.letter,
            date: take.date,
            file: `${fileName}.${ENDINGS[take.sound!.kind]}`
          }
        : null
    };
  });
}

function change(app: App, auditionId: string, roundId: string, to: (before: Prescreen) => Prescreen): string {
  const { audition, candidate } = readSeason(app, auditionId);
  orNotFound(audition.rounds.filter(isRecorded).find(({ id }) => id === roundId));
  const edit = {
    kind: 'prescreen' as const,
    about: { auditionId, roundId },
    to: to(saidOf(app, auditionId, roundId))
  };
  return applyChange(app, { candidateId: candidate.id, edits: [edit], cause: 'a recorded round' });
}

/** The call's rules in words, and how its files are named. Returns the secret by which it can be taken back. */
export const setPrescreen = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string; roundId: string; rules: string; pattern: string }): string =>
    change(app, input.auditionId, input.roundId, (before) => ({
      ...before,
      rules: input.rules,
      pattern: input.pattern.trim() === '' ? USUAL_PATTERN : input.pattern
    }))
});

/** The take that is sent of an item; null: none yet. Returns the secret by which it can be taken back. */
export const chooseTake = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run(
    app: App,
    input: { auditionId: string; roundId: string; itemId: string; takeId: string | null }
  ): string {
    const { auditionId, roundId, itemId, takeId } = input;
    const season = readSeason(app, auditionId);
    orNotFound(season.items.find(({ id }) => id === itemId));
    const isTheirs = takesOf(app.db, season.candidate.id).some(
      ({ id, itemId: of, sound }) => id === takeId && of === itemId && sound !== null
    );
    if (takeId !== null && !isTheirs) throw new CodedError('not-found');
    return change(app, auditionId, roundId, (before) => ({
      ...before,
      chosen: [
        ...before.chosen.filter((one) => one.itemId !== itemId),
        ...(takeId === null ? [] : [{ itemId, takeId }])
      ]
    }));
  }
});

/** A film of an item, by the name of its file; empty: none. Returns the secret by which it can be taken back. */
export const nameFilm = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run(app: App, input: { auditionId: string; roundId: string; itemId: string; name: string }): string {
    const { auditionId, roundId, itemId, name } = input;
    orNotFound(readSeason(app, auditionId).items.find(({ id }) => id === itemId));
    return change(app, auditionId, roundId, (before) => ({
      ...before,
      films: [
        ...before.films.filter((one) => one.itemId !== itemId),
        ...(name.trim() === '' ? [] : [{ itemId, name: name.trim() }])
      ]
    }));
  }
});
