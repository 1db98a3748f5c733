/** Takes, what was heard in them, and the names of the files that hold their sound. */
import type { BeatUnit } from '../../core/units';
import type { Sound, Take, TakeAnchor, TakeMark } from '../../core/record';
import type { SoundKind } from '../../core/record/words';
import { type Db, preparedOnce } from '../db/open';

export type KnownTake = Take & {
  readonly candidateId: string;
  readonly anchors: readonly TakeAnchor[];
  readonly isKept: boolean;
  /** Who was asked to hear it by a link; empty: nobody. */
  readonly listener: string;
  /** Null until it has come. */
  readonly sound: Sound | null;
};

/** A mark, whose it is, what a listener says there, and the spot that was made of it. */
export type KnownMark = TakeMark & {
  readonly accountId: string;
  readonly spotId: string | null;
};
/** Whose marks are that came by a link. */
export const LISTENER = 'listener';

type Row = {
  id: string;
  candidate_id: string;
  item_id: string;
  from_bar: number;
  to_bar: number;
  date: string;
  made_at_ms: number;
  source: Take['source'];
  bpm: number | null;
  unit: BeatUnit | null;
  music_at_ms: number;
  anchors_json: string;
  is_kept: number;
  listener: string;
  sound_name: string | null;
  sound_kind: SoundKind | null;
  sound_bytes: number | null;
  length_ms: number | null;
};
type MarkRow = {
  id: string;
  account_id: string;
  at_ms: number;
  element: string;
  says: string;
  spot_id: string | null;
};

const COLUMNS = `id, candidate_id, item_id, from_bar, to_bar, date, made_at_ms, source, bpm, unit, music_at_ms, anchors_json, is_kept, listener,
  sound_name, sound_kind, sound_bytes, length_ms`;

const statements = preparedOnce((db) => ({
  add: db.prepare(
    `INSERT INTO take (id, candidate_id, item_id, from_bar, to_bar, date, made_at_ms, source, bpm, unit, music_at_ms)
     VALUES (@id, @candidateId, @itemId, @fromBar, @toBar, @date, @madeAtMs, @source, @bpm, @unit, @musicAtMs)`
  ),
  ownerOf: db.prepare<[string], string>('SELECT candidate_id FROM take WHERE id = ?').pluck(),
  find: db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM take WHERE id = ? AND gone_at_ms IS NULL`),
  all: db.prepare<[string], Row>(
    `SELECT ${COLUMNS} FROM take WHERE candidate_id = ? AND gone_at_ms IS NULL ORDER BY made_at_ms DESC, id`
  ),
  count: db.prepare<[string], number>('SELECT count(*) FROM take WHERE candidate_id = ?').pluck(),
  countSilent: db
    .prepare<[string], number>(
      'SELECT count(*) FROM take WHERE candidate_id = ? AND sound_name IS NULL AND gone_at_ms IS NULL'
    )
    .pluck(),
  ids: db.prepare<[string], string>('SELECT id FROM take WHERE candidate_id = ?').pluck(),
  setKept: db.prepare('UPDATE take SET is_kept = ? WHERE id = ?'),
  setAnchors: db.prepare('UPDATE take SET anchors_json = ? WHERE id = ?'),
  setListener: db.prepare('UPDATE take SET listener = ? WHERE id = ?'),
  setGone: db.prepare('UPDATE take SET gone_at_ms = ? WHERE id = ?'),
  drop: db.prepare('DELETE FROM take WHERE id = ?'),
  dropGone: db.prepare('DELETE FROM take WHERE gone_at_ms < ?'),
  putSound: db.prepare(
    'UPDATE take SET sound_name = @name, sound_kind = @kind, sound_bytes = @bytes, length_ms = @lengthMs, peaks = NULL WHERE id = @id'
  ),
  bytes: db.prepare<[], number>('SELECT coalesce(sum(sound_bytes), 0) FROM take').pluck(),
  isUsed: db.prepare<[string], number>('SELECT 1 FROM take WHERE sound_name = ? LIMIT 1').pluck(),
  peaksOf: db.prepare<[string], Buffer | null>('SELECT peaks FROM take WHERE id = ?').pluck(),
  putPeaks: db.prepare('UPDATE take SET peaks = ? WHERE id = ?'),
  marks: db.prepare<[string], MarkRow>(
    'SELECT id, account_id, at_ms, element, says, spot_id FROM take_mark WHERE take_id = ? ORDER BY at_ms, id'
  ),
  addMark: db.prepare(
    `INSERT INTO take_mark (id, take_id, account_id, at_ms, element, says)
     VALUES (@id, @takeId, @accountId, @atMs, @element, @says)
     ON CONFLICT (id) DO UPDATE SET at_ms = excluded.at_ms, element = excluded.element, says = excluded.says
       WHERE take_id = excluded.take_id AND account_id = excluded.account_id AND spot_id IS NULL`
  ),
  dropMark: db.prepare(
    'DELETE FROM take_mark WHERE id = ? AND take_id = ? AND account_id = ? AND spot_id IS NULL'
  ),
  setSpot: db.prepare('UPDATE take_mark SET spot_id = ? WHERE id = ? AND take_id = ?'),
  sounds: db
    .prepare<[string], string>(
      'SELECT sound_name FROM take WHERE candidate_id = ? AND sound_name IS NOT NULL'
    )
    .pluck(),
  withSpots: db
    .prepare<[string], string>(
      'SELECT DISTINCT take_id FROM take_mark JOIN take ON take.id = take_id WHERE candidate_id = ? AND spot_id IS NOT NULL'
    )
    .pluck()
}));

function takeOf(row: Row): KnownTake {
  const { sound_name: name, sound_kind: kind, sound_bytes: bytes, length_ms: lengthMs } = row;
  const isThere = name !== null && kind !== null && bytes !== null && lengthMs !== null;
  return {
    id: row.id,
    candidateId: row.candidate_id,
    itemId: row.item_id,
    fromBar: row.from_bar,
    toBar: row.to_bar,
    date: row.date,
    madeAtMs: row.made_at_ms,
    source: row.source,
    tempo: row.bpm === null || row.unit === null ? null : { bpm: row.bpm, unit: row.unit },
    musicAtMs: row.music_at_ms,
    anchors: JSON.parse(row.anchors_json) as TakeAnchor[],
    isKept: row.is_kept === 1,
    listener: row.listener,
    sound: isThere ? { name, kind, bytes, lengthMs } : null
  };
}

export function addTake(db: Db, candidateId: string, { tempo, ...take }: Take): void {
  statements(db).add.run({ ...take, candidateId, bpm: tempo?.bpm ?? null, unit: tempo?.unit ?? null });
}
/** Whose a take is, one that was taken out too; undefined where there is none of that id. */
export const ownerOfTake = (db: Db, id: string) => statements(db).ownerOf.get(id);
export function findTake(db: Db, id: string): KnownTake | undefined {
  const row = statements(db).find.get(id);
  return row && takeOf(row);
}
/** Newest first. */
export const takesOf = (db: Db, candidateId: string): KnownTake[] =>
  statements(db).all.all(candidateId).map(takeOf);
export const countTakes = (db: Db, candidateId: string): number => statements(db).count.get(candidateId)!;
/** Those whose sound has not come. */
export const countSilentTakes = (db: Db, candidateId: string): number =>
  statements(db).countSilent.get(candidateId)!;
/** Of all, also those that were taken out. */
export const takeIdsOf = (db: Db, candidateId: string): string[] => statements(db).ids.all(candidateId);
export const setTakeKept = (db: Db, id: string, isKept: boolean) =>
  void statements(db).setKept.run(isKept ? 1 : 0, id);
export const setTakeListener = (db: Db, id: string, name: string) =>
  void statements(db).setListener.run(name, id);
export const setTakeAnchors = (db: Db, id: string, anchors: readonly TakeAnchor[]) =>
  void statements(db).setAnchors.run(JSON.stringify(anchors), id);
/** Null puts it back. */
export const setTakeGone = (db: Db, id: string, atMs: number | null) =>
  void statements(db).setGone.run(atMs, id);
export const dropTake = (db: Db, id: string) => void statements(db).drop.run(id);
/** Those that were taken out before an instant are no more. */
export const dropTakesGone = (db: Db, beforeMs: number) => void statements(db).dropGone.run(beforeMs);

export const putSound = (db: Db, id: string, sound: Sound) =>
  void statements(db).putSound.run({ ...sound, id });
/** Of all sounds of the studio. */
export const soundBytes = (db: Db): number => statements(db).bytes.get()!;
/** Names of a candidate's files. */
export const soundsOf = (db: Db, candidateId: string): string[] => statements(db).sounds.all(candidateId);
export const isSoundUsed = (db: Db, name: string): boolean => statements(db).isUsed.get(name) !== undefined;

/** Null until somebody has listened. */
export const peaksOfTake = (db: Db, id: string): number[] | null => {
  const peaks = statements(db).peaksOf.get(id);
  return peaks ? [...peaks] : null;
};
export const putPeaks = (db: Db, id: string, peaks: readonly number[]) =>
  void statements(db).putPeaks.run(Buffer.from(peaks), id);

/** In the order of the sound. */
export const marksOf = (db: Db, takeId: string): KnownMark[] =>
  statements(db)
    .marks.all(takeId)
    .map((row) => ({
      id: row.id,
      accountId: row.account_id,
      atMs: row.at_ms,
      element: row.element,
      says: row.says,
      spotId: row.spot_id
    }));
/** The same mark put again moves it; what a spot was made of stays, and nobody moves another's. */
export const putMark = (db: Db, takeId: string, accountId: string, mark: TakeMark) =>
  void statements(db).addMark.run({ ...mark, takeId, accountId });
export const dropMark = (db: Db, takeId: string, accountId: string, id: string) =>
  void statements(db).dropMark.run(id, takeId, accountId);
export const setMarkSpot = (db: Db, takeId: string, id: string, spotId: string) =>
  void statements(db).setSpot.run(spotId, id, takeId);
/** Ids of takes in which a spot was found. */
export const takesWithSpots = (db: Db, candidateId: string): Set<string> =>
  new Set(statements(db).withSpots.all(candidateId));
