-- A call and its list belong to the studio and are taken by several candidates. What was one audition's becomes the
-- call's: name, rounds and dates, and of each item all that is printed. Target, schools, order and evidence stay personal.
CREATE TABLE call (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  dates_json TEXT NOT NULL,
  checked_on TEXT,
  version INTEGER NOT NULL DEFAULT 1,
  created_at_ms INTEGER NOT NULL
) STRICT;
INSERT INTO call (id, name, dates_json, version, created_at_ms)
  SELECT id, name, (SELECT json_group_array(json(value)) FROM json_each(dates_json) WHERE value ->> 'kind' <> 'mock'),
    call_version, created_at_ms FROM audition;

CREATE TABLE call_round (
  id TEXT PRIMARY KEY,
  call_id TEXT NOT NULL REFERENCES call (id) ON DELETE CASCADE,
  name TEXT NOT NULL,
  date TEXT NOT NULL,
  time TEXT,
  zone TEXT NOT NULL,
  is_history INTEGER NOT NULL DEFAULT 0,
  is_week INTEGER NOT NULL DEFAULT 0,
  upload_by TEXT,
  item_ids_json TEXT
) STRICT;
CREATE INDEX call_round_by_call ON call_round (call_id, date);
INSERT INTO call_round (id, call_id, name, date, time, zone, is_history, item_ids_json)
  SELECT id, audition_id, name, date, time, zone, is_history, item_ids_json FROM round;
DROP TABLE round;

CREATE TABLE list_item (
  id TEXT PRIMARY KEY,
  call_id TEXT NOT NULL REFERENCES call (id) ON DELETE CASCADE,
  position INTEGER NOT NULL,
  name TEXT NOT NULL,
  composer TEXT NOT NULL,
  kind TEXT NOT NULL,
  edition TEXT NOT NULL,
  pages TEXT NOT NULL DEFAULT '',
  music_key TEXT NOT NULL DEFAULT '',
  tested TEXT NOT NULL,
  bars_per_line TEXT NOT NULL,
  metre TEXT NOT NULL,
  from_bar INTEGER NOT NULL,
  to_bar INTEGER NOT NULL,
  pickup_beats REAL NOT NULL,
  minutes_per_week INTEGER,
  sections_json TEXT NOT NULL,
  errata_json TEXT NOT NULL DEFAULT '[]',
  cuts_json TEXT NOT NULL DEFAULT '[]',
  version INTEGER NOT NULL DEFAULT 1,
  removed_at_ms INTEGER
) STRICT;
CREATE INDEX list_item_by_call ON list_item (call_id, position);
INSERT INTO list_item (id, call_id, position, name, composer, kind, edition, tested, bars_per_line, metre, from_bar, to_bar,
    pickup_beats, minutes_per_week, sections_json, version, removed_at_ms)
  SELECT id, audition_id, position, name, composer, kind, edition, tested, bars_per_line, metre, from_bar, to_bar,
    pickup_beats, minutes_per_week, sections_json, version, removed_at_ms FROM item;

ALTER TABLE audition ADD COLUMN call_id TEXT REFERENCES call (id);
-- Mocks and other dates of one candidate alone.
ALTER TABLE audition ADD COLUMN own_dates_json TEXT NOT NULL DEFAULT '[]';
ALTER TABLE audition ADD COLUMN own_version INTEGER NOT NULL DEFAULT 1;
UPDATE audition SET call_id = id,
  own_dates_json = (SELECT json_group_array(json(value)) FROM json_each(dates_json) WHERE value ->> 'kind' = 'mock');
CREATE INDEX audition_by_call ON audition (call_id);
ALTER TABLE audition DROP COLUMN name;
ALTER TABLE audition DROP COLUMN dates_json;
ALTER TABLE audition DROP COLUMN call_version;

-- A candidate's own slot in a round.
CREATE TABLE slot (
  audition_id TEXT NOT NULL REFERENCES audition (id) ON DELETE CASCADE,
  round_id TEXT NOT NULL REFERENCES call_round (id) ON DELETE CASCADE,
  date TEXT NOT NULL,
  time TEXT,
  PRIMARY KEY (audition_id, round_id)
) STRICT;

ALTER TABLE item ADD COLUMN list_item_id TEXT REFERENCES list_item (id) ON DELETE CASCADE;
UPDATE item SET list_item_id = id, version = 1, removed_at_ms = NULL;
CREATE UNIQUE INDEX item_of_list_item ON item (list_item_id, audition_id);
-- Null: the list's own sections.
ALTER TABLE item ADD COLUMN own_sections_json TEXT;
ALTER TABLE item DROP COLUMN name;
ALTER TABLE item DROP COLUMN composer;
ALTER TABLE item DROP COLUMN kind;
ALTER TABLE item DROP COLUMN edition;
ALTER TABLE item DROP COLUMN tested;
ALTER TABLE item DROP COLUMN bars_per_line;
ALTER TABLE item DROP COLUMN metre;
ALTER TABLE item DROP COLUMN from_bar;
ALTER TABLE item DROP COLUMN to_bar;
ALTER TABLE item DROP COLUMN pickup_beats;
ALTER TABLE item DROP COLUMN minutes_per_week;
ALTER TABLE item DROP COLUMN sections_json;

-- A candidate's facts beside the practice time; a private note is the teacher's alone.
ALTER TABLE candidate ADD COLUMN is_minor INTEGER NOT NULL DEFAULT 0;
ALTER TABLE candidate ADD COLUMN guardian TEXT NOT NULL DEFAULT '';
ALTER TABLE candidate ADD COLUMN consent_on TEXT;
ALTER TABLE candidate ADD COLUMN private_note TEXT NOT NULL DEFAULT '';
ALTER TABLE candidate ADD COLUMN archived_at_ms INTEGER;
ALTER TABLE candidate ADD COLUMN facts_version INTEGER NOT NULL DEFAULT 1;

-- What a front page says of a plan, so that it need not be unpacked.
ALTER TABLE plan_version ADD COLUMN summary_json TEXT;
