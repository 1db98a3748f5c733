/** What was said of an item's checks and of its groundwork, in the order in which it was said; and which checks it is asked. */
import type { CheckLevels, SaidCheck, SaidKind } from '../../core/record';
import { type Db, preparedOnce } from '../db/open';

type Row = { id: string; kind: SaidKind; date: string; is_held: number; by_whom: SaidCheck['by'] };

const statements = preparedOnce((db) => ({
  of: db.prepare<[string], Row>(
    'SELECT id, kind, date, is_held, by_whom FROM said_check WHERE item_id = ? ORDER BY date, rowid'
  ),
  find: db.prepare<[string], Row>('SELECT id, kind, date, is_held, by_whom FROM said_check WHERE id = ?'),
  add: db.prepare(
    `INSERT INTO said_check (id, item_id, kind, date, is_held, by_whom)
     VALUES (@id, @itemId, @check, @date, @isHeld, @by)`
  ),
  drop: db.prepare('DELETE FROM said_check WHERE id = ?'),
  levels: db.prepare<[string], string>('SELECT checks_json FROM item WHERE id = ?').pluck(),
  setLevels: db.prepare('UPDATE item SET checks_json = ? WHERE id = ?')
}));

const decode = ({ id, kind, date, is_held, by_whom }: Row): SaidCheck => ({
  id,
  check: kind,
  date,
  isHeld: is_held === 1,
  by: by_whom
});

export const saidChecksOf = (db: Db, itemId: string): SaidCheck[] =>
  statements(db).of.all(itemId).map(decode);

export function findSaidCheck(db: Db, id: string): SaidCheck | undefined {
  const row = statements(db).find.get(id);
  return row && decode(row);
}

export function addSaidCheck(db: Db, itemId: string, { isHeld, ...said }: SaidCheck): void {
  statements(db).add.run({ ...said, itemId, isHeld: Number(isHeld) });
}

export const dropSaidCheck = (db: Db, id: string): void => void statements(db).drop.run(id);

/** By kind the day since which it is said to hold; undefined where it is not, or no more. */
export function heldDaysOf(db: Db, itemId: string): Partial<Record<SaidKind, string>> {
  const latest = new Map(saidChecksOf(db, itemId).map((said) => [said.check, said]));
  return Object.fromEntries(
    [...latest.values()].flatMap(({ check, date, isHeld }) => (isHeld ? [[check, date]] : []))
  );
}

/** Undefined where there is no such item. */
export function checkLevelsOf(db: Db, itemId: string): CheckLevels | undefined {
  const text = statements(db).levels.get(itemId);
  return text === undefined ? undefined : (JSON.parse(text) as CheckLevels);
}

export const setCheckLevels = (db: Db, itemId: string, levels: CheckLevels): void =>
  void statements(db).setLevels.run(JSON.stringify(levels), itemId);
