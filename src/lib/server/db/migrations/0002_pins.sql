-- What a teacher set by hand: a block of minutes on a date, or a rung that is to be reached on a date.
CREATE TABLE pin (
  item_id TEXT NOT NULL REFERENCES item (id) ON DELETE CASCADE,
  section_id TEXT NOT NULL DEFAULT '',
  tempo_bpm REAL NOT NULL DEFAULT 0,
  date TEXT NOT NULL,
  length_min INTEGER,
  CHECK ((length_min IS NULL) = (section_id <> ''))
) STRICT;
CREATE UNIQUE INDEX pin_of_block ON pin (item_id, date) WHERE length_min IS NOT NULL;
CREATE UNIQUE INDEX pin_of_rung ON pin (item_id, section_id, tempo_bpm) WHERE length_min IS NULL;
