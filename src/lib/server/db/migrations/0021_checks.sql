-- What somebody said of a check of an item, or of its groundwork: a history, in which a tick of before is the first word.
CREATE TABLE said_check (
  id TEXT PRIMARY KEY,
  item_id TEXT NOT NULL REFERENCES item (id) ON DELETE CASCADE,
  kind TEXT NOT NULL,
  date TEXT NOT NULL,
  is_held INTEGER NOT NULL,
  by_whom TEXT NOT NULL
) STRICT;
CREATE INDEX said_check_by_item ON said_check (item_id, date);
INSERT INTO said_check (id, item_id, kind, date, is_held, by_whom)
  SELECT lower(hex(randomblob(16))), item_id, kind, on_date, 1, 'self' FROM check_tick;
DROP TABLE check_tick;
-- a tick that could be taken back no longer has a place
DELETE FROM change WHERE before_json LIKE '%"kind":"tick"%';
-- which checks are set otherwise than by default
ALTER TABLE item ADD COLUMN checks_json TEXT NOT NULL DEFAULT '{}';
