-- Recorded rounds: rules, names of files, and which take of each item is sent.
CREATE TABLE prescreen (
  audition_id TEXT NOT NULL REFERENCES audition (id) ON DELETE CASCADE,
  round_id TEXT NOT NULL,
  prescreen_json TEXT NOT NULL,
  PRIMARY KEY (audition_id, round_id)
) STRICT;
