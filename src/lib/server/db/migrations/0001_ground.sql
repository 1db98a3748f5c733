CREATE TABLE account (
  id TEXT PRIMARY KEY,
  role TEXT NOT NULL CHECK (role IN ('teacher', 'candidate')),
  name TEXT NOT NULL,
  login TEXT NOT NULL UNIQUE COLLATE NOCASE,
  password_hash TEXT NOT NULL,
  created_at_ms INTEGER NOT NULL
) STRICT;

CREATE TABLE session (
  token_hash TEXT PRIMARY KEY,
  account_id TEXT NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  expires_at_ms INTEGER NOT NULL
) STRICT;

CREATE TABLE sign_in_attempt (
  key TEXT NOT NULL,
  at_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX sign_in_attempt_by_key ON sign_in_attempt (key, at_ms);

CREATE TABLE candidate (
  id TEXT PRIMARY KEY,
  account_id TEXT UNIQUE REFERENCES account (id) ON DELETE SET NULL,
  name TEXT NOT NULL,
  instruments TEXT NOT NULL,
  zone TEXT NOT NULL,
  time_json TEXT NOT NULL,
  time_version INTEGER NOT NULL DEFAULT 1,
  created_at_ms INTEGER NOT NULL
) STRICT;

CREATE TABLE join_link (
  token_hash TEXT PRIMARY KEY,
  candidate_id TEXT NOT NULL REFERENCES candidate (id) ON DELETE CASCADE,
  expires_at_ms INTEGER NOT NULL
) STRICT;

CREATE TABLE audition (
  id TEXT PRIMARY KEY,
  candidate_id TEXT NOT NULL REFERENCES candidate (id) ON DELETE CASCADE,
  name TEXT NOT NULL,
  began_on TEXT NOT NULL,
  dates_json TEXT NOT NULL,
  call_version INTEGER NOT NULL DEFAULT 1,
  created_at_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX audition_by_candidate ON audition (candidate_id);

CREATE TABLE round (
  id TEXT PRIMARY KEY,
  audition_id TEXT NOT NULL REFERENCES audition (id) ON DELETE CASCADE,
  name TEXT NOT NULL,
  date TEXT NOT NULL,
  time TEXT,
  zone TEXT NOT NULL,
  is_history INTEGER NOT NULL DEFAULT 0,
  item_ids_json TEXT
) STRICT;
CREATE INDEX round_by_audition ON round (audition_id, date);

CREATE TABLE item (
  id TEXT PRIMARY KEY,
  audition_id TEXT NOT NULL REFERENCES audition (id) ON DELETE CASCADE,
  position INTEGER NOT NULL,
  name TEXT NOT NULL,
  composer TEXT NOT NULL,
  kind TEXT NOT NULL,
  edition TEXT NOT NULL,
  tested TEXT NOT NULL,
  bars_per_line TEXT NOT NULL,
  metre TEXT NOT NULL,
  from_bar INTEGER NOT NULL,
  to_bar INTEGER NOT NULL,
  pickup_beats REAL NOT NULL,
  minutes_per_week INTEGER,
  most_per_day_min INTEGER,
  sections_json TEXT NOT NULL,
  schools_json TEXT NOT NULL,
  version INTEGER NOT NULL DEFAULT 1,
  removed_at_ms INTEGER
) STRICT;
CREATE INDEX item_by_audition ON item (audition_id, position);

CREATE TABLE touch (
  id TEXT PRIMARY KEY,
  item_id TEXT NOT NULL REFERENCES item (id) ON DELETE CASCADE,
  date TEXT NOT NULL,
  from_bar INTEGER,
  to_bar INTEGER,
  length_min INTEGER NOT NULL,
  tempo_bpm REAL,
  unit TEXT,
  attempts TEXT NOT NULL,
  not_held_json TEXT NOT NULL,
  evidence TEXT NOT NULL,
  note TEXT NOT NULL,
  logged_at_ms INTEGER NOT NULL,
  removed_at_ms INTEGER
) STRICT;
CREATE INDEX touch_by_item ON touch (item_id, date);

CREATE TABLE check_tick (
  item_id TEXT NOT NULL REFERENCES item (id) ON DELETE CASCADE,
  kind TEXT NOT NULL,
  on_date TEXT NOT NULL,
  PRIMARY KEY (item_id, kind)
) STRICT;

CREATE TABLE plan_version (
  audition_id TEXT NOT NULL REFERENCES audition (id) ON DELETE CASCADE,
  number INTEGER NOT NULL,
  laid_on TEXT NOT NULL,
  laid_at_ms INTEGER NOT NULL,
  cause TEXT NOT NULL,
  facts_digest TEXT NOT NULL,
  plan_deflated BLOB NOT NULL,
  moves_json TEXT NOT NULL,
  PRIMARY KEY (audition_id, number)
) STRICT;

CREATE TABLE calendar_entry (
  uid TEXT PRIMARY KEY,
  audition_id TEXT NOT NULL REFERENCES audition (id) ON DELETE CASCADE,
  date TEXT NOT NULL,
  sequence INTEGER NOT NULL,
  digest TEXT NOT NULL
) STRICT;
CREATE INDEX calendar_entry_by_audition ON calendar_entry (audition_id, date);
