-- Mocks: a stage that is booked, what is drawn for it and where it stands; its jurors, and what each wrote of each item.
CREATE TABLE mock (
  id TEXT PRIMARY KEY,
  audition_id TEXT NOT NULL REFERENCES audition (id) ON DELETE CASCADE,
  stage INTEGER NOT NULL,
  date TEXT NOT NULL,
  time TEXT,
  place TEXT NOT NULL,
  length_min INTEGER NOT NULL,
  -- the number under which the candidate plays
  number INTEGER NOT NULL,
  seed INTEGER NOT NULL,
  draw_json TEXT NOT NULL,
  -- the place in the draw that is played; null before it was begun, as many as there are behind the last
  at INTEGER,
  since_ms INTEGER,
  broken_json TEXT NOT NULL DEFAULT '[]',
  is_opened INTEGER NOT NULL DEFAULT 0
) STRICT;
CREATE INDEX mock_by_audition ON mock (audition_id, date);

CREATE TABLE juror (
  id TEXT PRIMARY KEY,
  mock_id TEXT NOT NULL REFERENCES mock (id) ON DELETE CASCADE,
  place INTEGER NOT NULL,
  name TEXT NOT NULL,
  ballot_json TEXT NOT NULL DEFAULT '[]',
  settled_json TEXT NOT NULL DEFAULT '[]'
) STRICT;
CREATE INDEX juror_by_mock ON juror (mock_id);
