-- What was saved is taken back only where it is still what was left: each step says what it is about and what it left. Steps of
-- before cannot say it and are let go; they lived for a day.
DROP TABLE undo_step;
CREATE TABLE undo_step (
  token_hash TEXT PRIMARY KEY,
  candidate_id TEXT NOT NULL REFERENCES candidate (id) ON DELETE CASCADE,
  kind TEXT NOT NULL,
  about_json TEXT NOT NULL,
  before_json TEXT NOT NULL,
  left_digest TEXT NOT NULL,
  made_at_ms INTEGER NOT NULL
) STRICT;

-- Sessions end by themselves when long unused, and are listed for whom they belong to.
ALTER TABLE session ADD COLUMN created_at_ms INTEGER NOT NULL DEFAULT 0;
ALTER TABLE session ADD COLUMN used_at_ms INTEGER NOT NULL DEFAULT 0;
ALTER TABLE session ADD COLUMN device TEXT NOT NULL DEFAULT '';
UPDATE session SET created_at_ms = expires_at_ms - 2592000000, used_at_ms = expires_at_ms - 2592000000;

-- Devices on which somebody has signed in before: guessing from elsewhere does not lock them out.
CREATE TABLE known_device (
  token_hash TEXT PRIMARY KEY,
  account_id TEXT NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  used_at_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX known_device_by_account ON known_device (account_id);

-- What was agreed in another studio, until the first laying here.
ALTER TABLE audition ADD COLUMN agreed_json TEXT;

-- Keys this studio made for itself; drafts on a device are kept under one of them.
CREATE TABLE studio_key (
  name TEXT PRIMARY KEY,
  value TEXT NOT NULL
) STRICT;

-- Candidates and calls that are being taken in from an archive; what is found here at the start was never finished.
CREATE TABLE intake (
  id TEXT PRIMARY KEY
) STRICT;
