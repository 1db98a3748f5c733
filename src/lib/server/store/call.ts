/** Calls: what belongs to the studio and is taken by several candidates: name, rounds, other dates. */
import type { OtherDate, Round } from '../../core/record';
import { type Db, preparedOnce, writesOf } from '../db/open';

export type { OtherDate, Round };

export type Call = {
  readonly id: string;
  readonly name: string;
  readonly dates: readonly OtherDate[];
  readonly rounds: readonly Round[];
  /** When the page was last looked at for errata and cuts. */
  readonly checkedOn: string | null;
  /** Where it is published; empty where nobody said. */
  readonly webAddress: string;
  readonly version: number;
};

type Row = {
  id: string;
  name: string;
  dates_json: string;
  checked_on: string | null;
  web_address: string;
  version: number;
};
type RoundRow = {
  id: string;
  name: string;
  date: string;
  time: string | null;
  zone: string;
  is_history: number;
  is_week: number;
  upload_by: string | null;
  item_ids_json: string | null;
};

const COLUMNS = 'id, name, dates_json, checked_on, web_address, version';

const statements = preparedOnce((db) => ({
  add: db.prepare(
    'INSERT INTO call (id, name, dates_json, web_address, created_at_ms) VALUES (?, ?, ?, ?, ?)'
  ),
  byId: db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM call WHERE id = ?`),
  all: db.prepare<[], Row>(`SELECT ${COLUMNS} FROM call ORDER BY created_at_ms DESC, rowid DESC`),
  save: db.prepare(
    'UPDATE call SET name = ?, dates_json = ?, web_address = coalesce(?, web_address), version = version + 1 WHERE id = ? AND version = ?'
  ),
  setChecked: db.prepare('UPDATE call SET checked_on = ? WHERE id = ?'),
  rounds: db.prepare<[string], RoundRow>(
    `SELECT id, name, date, time, zone, is_history, is_week, upload_by, item_ids_json FROM call_round
     WHERE call_id = ? ORDER BY date, time, id`
  ),
  callOfRound: db.prepare<[string], string>('SELECT call_id FROM call_round WHERE id = ?').pluck(),
  dropRound: db.prepare('DELETE FROM call_round WHERE id = ? AND call_id = ?'),
  putRound: db.prepare(
    `INSERT INTO call_round (id, call_id, name, date, time, zone, is_history, is_week, upload_by, item_ids_json)
     VALUES (@id, @callId, @name, @date, @time, @zone, @isHistory, @isWeek, @uploadBy, @itemIds)
     ON CONFLICT (id) DO UPDATE SET name = @name, date = @date, time = @time, zone = @zone, is_history = @isHistory,
       is_week = @isWeek, upload_by = @uploadBy, item_ids_json = @itemIds WHERE call_id = @callId`
  )
}));

function decode(db: Db, row: Row): Call {
  return {
    id: row.id,
    name: row.name,
    dates: JSON.parse(row.dates_json) as OtherDate[],
    rounds: statements(db).rounds.all(row.id).map(decodeRound),
    checkedOn: row.checked_on,
    webAddress: row.web_address,
    version: row.version
  };
}

function decodeRound(r: RoundRow): Round {
  return {
    id: r.id,
    name: r.name,
    date: r.date,
    time: r.time ?? undefined,
    zone: r.zone,
    isHistory: r.is_history === 1,
    isWeek: r.is_week === 1 || undefined,
    uploadBy: r.upload_by ?? undefined,
    itemIds: r.item_ids_json === null ? undefined : (JSON.parse(r.item_ids_json) as string[])
  };
}

/** Calls read since anything was written: a studio's many auditions share few of them. */
const known = new WeakMap<Db, { readonly at: string; readonly calls: Map<string, Call> }>();

export function findCall(db: Db, id: string): Call | undefined {
  const at = writesOf(db);
  const before = known.get(db);
  const calls = before?.at === at ? before.calls : new Map<string, Call>();
  if (before?.at !== at) known.set(db, { at, calls });
  const call = calls.get(id);
  if (call) return call;
  const row = statements(db).byId.get(id);
  if (!row) return undefined;
  const read = decode(db, row);
  calls.set(id, read);
  return read;
}
/** Newest first. */
export const listCalls = (db: Db): Call[] =>
  statements(db)
    .all.all()
    .map((row) => decode(db, row));

/** What is written of a call; an address of which nothing is said stays. */
type Written = Pick<Call, 'id' | 'name' | 'dates' | 'rounds'> & { readonly webAddress?: string | undefined };

export function addCall(db: Db, call: Written, nowMs: number): void {
  const { id, name, dates, webAddress = '' } = call;
  statements(db).add.run(id, name, JSON.stringify(dates), webAddress, nowMs);
  putRounds(db, call.id, call.rounds);
}

/** False where the version is no longer the one that was read. */
export function saveCall(db: Db, call: Written & Pick<Call, 'version'>): boolean {
  const { id, name, dates, rounds, version, webAddress = null } = call;
  if (statements(db).save.run(name, JSON.stringify(dates), webAddress, id, version).changes === 0)
    return false;
  putRounds(db, id, rounds);
  return true;
}

export const callOfRound = (db: Db, roundId: string) => statements(db).callOfRound.get(roundId);

export const setCallChecked = (db: Db, id: string, on: string | null) =>
  statements(db).setChecked.run(on, id);

/** Rounds that stay keep their row, and with it the slots in them. */
function putRounds(db: Db, callId: string, rounds: readonly Round[]): void {
  const kept = new Set(rounds.map((r) => r.id));
  for (const { id } of statements(db).rounds.all(callId))
    if (!kept.has(id)) statements(db).dropRound.run(id, callId);
  for (const r of rounds)
    statements(db).putRound.run({
      id: r.id,
      callId,
      name: r.name,
      date: r.date,
      time: r.time ?? null,
      zone: r.zone,
      isHistory: r.isHistory ? 1 : 0,
      isWeek: r.isWeek ? 1 : 0,
      uploadBy: r.uploadBy ?? null,
      itemIds: r.itemIds === undefined ? null : JSON.stringify(r.itemIds)
    });
}
