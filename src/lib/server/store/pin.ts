/** Pins: what a teacher set by hand. An item has one block pin a date, and one date a rung. */
import type { BlockPin, RungPin } from '../../core/season';
import { type Db, preparedOnce } from '../db/open';

type Row = {
  item_id: string;
  section_id: string;
  tempo_bpm: number;
  date: string;
  length_min: number | null;
};

const statements = preparedOnce((db) => ({
  ofAudition: db.prepare<[string], Row>(
    `SELECT p.item_id, p.section_id, p.tempo_bpm, p.date, p.length_min FROM pin p JOIN item i ON i.id = p.item_id JOIN list_item l ON l.id = i.list_item_id
     WHERE i.audition_id = ? AND i.removed_at_ms IS NULL AND l.removed_at_ms IS NULL ORDER BY p.date, i.position, p.section_id, p.tempo_bpm`
  ),
  putBlock: db.prepare(
    `INSERT INTO pin (item_id, date, length_min) VALUES (?, ?, ?)
     ON CONFLICT (item_id, date) WHERE length_min IS NOT NULL DO UPDATE SET length_min = excluded.length_min`
  ),
  putRung: db.prepare(
    `INSERT INTO pin (item_id, section_id, tempo_bpm, date) VALUES (?, ?, ?, ?)
     ON CONFLICT (item_id, section_id, tempo_bpm) WHERE length_min IS NULL DO UPDATE SET date = excluded.date`
  ),
  dropBlock: db.prepare('DELETE FROM pin WHERE item_id = ? AND date = ? AND length_min IS NOT NULL'),
  dropRung: db.prepare(
    'DELETE FROM pin WHERE item_id = ? AND section_id = ? AND tempo_bpm = ? AND length_min IS NULL'
  )
}));

function decode({ item_id, section_id, tempo_bpm, date, length_min }: Row): BlockPin | RungPin {
  return length_min === null
    ? { itemId: item_id, sectionId: section_id, bpm: tempo_bpm, date }
    : { itemId: item_id, date, minutes: length_min };
}

export const pinsOf = (db: Db, auditionId: string) => statements(db).ofAudition.all(auditionId).map(decode);
export const putBlockPin = (db: Db, pin: BlockPin) =>
  statements(db).putBlock.run(pin.itemId, pin.date, pin.minutes);
export const putRungPin = (db: Db, pin: RungPin) =>
  statements(db).putRung.run(pin.itemId, pin.sectionId, pin.bpm, pin.date);
export const dropBlockPin = (db: Db, pin: Omit<BlockPin, 'minutes'>) =>
  statements(db).dropBlock.run(pin.itemId, pin.date);
export const dropRungPin = (db: Db, pin: Omit<RungPin, 'date'>) =>
  statements(db).dropRung.run(pin.itemId, pin.sectionId, pin.bpm);
