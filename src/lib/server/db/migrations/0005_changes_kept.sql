-- What a tried change may keep: days of the mock window given to the ramp, items the teacher leaves out; and its way back.
ALTER TABLE audition ADD COLUMN days_into_mock INTEGER NOT NULL DEFAULT 0;
ALTER TABLE item ADD COLUMN is_left_out INTEGER NOT NULL DEFAULT 0;

CREATE TABLE undo_step_of_all (
  token TEXT PRIMARY KEY,
  candidate_id TEXT NOT NULL REFERENCES candidate (id) ON DELETE CASCADE,
  kind TEXT NOT NULL CHECK (kind IN ('item', 'call', 'time', 'facts', 'changes')),
  before_json TEXT NOT NULL,
  made_at_ms INTEGER NOT NULL
) STRICT;
INSERT INTO undo_step_of_all (token, candidate_id, kind, before_json, made_at_ms)
  SELECT token, candidate_id, kind, before_json, made_at_ms FROM undo_step;
DROP TABLE undo_step;
ALTER TABLE undo_step_of_all RENAME TO undo_step;
