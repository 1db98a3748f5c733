-- Takes: what is known of a sound, which itself is a file beside the database; and what was heard in it.
CREATE TABLE take (
  id TEXT PRIMARY KEY,
  candidate_id TEXT NOT NULL REFERENCES candidate (id) ON DELETE CASCADE,
  item_id TEXT NOT NULL REFERENCES item (id) ON DELETE CASCADE,
  from_bar INTEGER NOT NULL,
  to_bar INTEGER NOT NULL,
  date TEXT NOT NULL,
  made_at_ms INTEGER NOT NULL,
  source TEXT NOT NULL,
  bpm REAL,
  unit TEXT,
  music_at_ms INTEGER NOT NULL,
  anchors_json TEXT NOT NULL DEFAULT '[]',
  is_kept INTEGER NOT NULL DEFAULT 0,
  -- who was asked to hear it by a link; empty: nobody
  listener TEXT NOT NULL DEFAULT '',
  -- taken out; for a while it can be put back
  gone_at_ms INTEGER,
  -- null until the sound has come
  sound_name TEXT,
  sound_kind TEXT,
  sound_bytes INTEGER,
  length_ms INTEGER,
  peaks BLOB
) STRICT;
CREATE INDEX take_by_candidate ON take (candidate_id, made_at_ms);
CREATE INDEX take_by_sound ON take (sound_name) WHERE sound_name IS NOT NULL;

CREATE TABLE take_mark (
  id TEXT PRIMARY KEY,
  take_id TEXT NOT NULL REFERENCES take (id) ON DELETE CASCADE,
  account_id TEXT NOT NULL,
  at_ms INTEGER NOT NULL,
  element TEXT NOT NULL,
  -- a listener's remark
  says TEXT NOT NULL DEFAULT '',
  -- the spot that was made of it
  spot_id TEXT
) STRICT;
CREATE INDEX take_mark_by_take ON take_mark (take_id);

-- A guardian's consent to sharing takes by link is another than that to recording.
ALTER TABLE candidate ADD COLUMN sharing_on TEXT;
