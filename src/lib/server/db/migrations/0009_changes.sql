-- Every change has an id made by whoever acts: the same one comes twice to nothing. What stood there before is kept for a day, so that it
-- can be taken back; what a change can be about is the program's to know, not the table's. What could be taken back until now cannot be
-- any more.
DROP TABLE undo_step;
CREATE TABLE change (
  id TEXT PRIMARY KEY,
  token_hash TEXT NOT NULL UNIQUE,
  candidate_id TEXT NOT NULL REFERENCES candidate (id) ON DELETE CASCADE,
  -- edits that put back what was there, and the dates that were agreed; null once taken back or a day old
  before_json TEXT,
  left_digest TEXT NOT NULL,
  made_at_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX change_by_age ON change (made_at_ms);
CREATE INDEX change_of_candidate ON change (candidate_id);
