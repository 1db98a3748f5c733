-- What a lesson leaves: a note to take home, one a day; a candidate's wishes, which wait for the teacher.
CREATE TABLE lesson_note (
  candidate_id TEXT NOT NULL REFERENCES candidate (id) ON DELETE CASCADE,
  date TEXT NOT NULL,
  note TEXT NOT NULL,
  PRIMARY KEY (candidate_id, date)
) STRICT;

CREATE TABLE wish (
  id TEXT PRIMARY KEY,
  candidate_id TEXT NOT NULL REFERENCES candidate (id) ON DELETE CASCADE,
  made_on TEXT NOT NULL,
  says TEXT NOT NULL,
  answer TEXT CHECK (answer IN ('accepted', 'not now'))
) STRICT;
CREATE INDEX wish_by_candidate ON wish (candidate_id, made_on);

-- A private calendar address of one audition; only its hash is kept, and a new one ends the one before.
CREATE TABLE feed_link (
  audition_id TEXT PRIMARY KEY REFERENCES audition (id) ON DELETE CASCADE,
  token_hash TEXT NOT NULL UNIQUE,
  made_at_ms INTEGER NOT NULL
) STRICT;

-- What stood there before something was saved, so that it can be taken back for a while.
CREATE TABLE undo_step (
  token TEXT PRIMARY KEY,
  candidate_id TEXT NOT NULL REFERENCES candidate (id) ON DELETE CASCADE,
  kind TEXT NOT NULL CHECK (kind IN ('item', 'call', 'time', 'facts')),
  before_json TEXT NOT NULL,
  made_at_ms INTEGER NOT NULL
) STRICT;
