-- What has to be done around an audition besides playing.
CREATE TABLE task (
  id TEXT PRIMARY KEY,
  audition_id TEXT NOT NULL REFERENCES audition (id) ON DELETE CASCADE,
  place INTEGER NOT NULL,
  name TEXT NOT NULL,
  due_on TEXT,
  who TEXT NOT NULL,
  done_on TEXT
) STRICT;
CREATE INDEX task_by_audition ON task (audition_id, place);
