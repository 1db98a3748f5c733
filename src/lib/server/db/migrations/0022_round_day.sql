-- The day of a round as a candidate has set it; and the thought to think before an item is played.
CREATE TABLE round_day (
  audition_id TEXT NOT NULL REFERENCES audition (id) ON DELETE CASCADE,
  round_id TEXT NOT NULL,
  day_json TEXT NOT NULL,
  PRIMARY KEY (audition_id, round_id)
) STRICT;
ALTER TABLE item ADD COLUMN thought TEXT NOT NULL DEFAULT '';
