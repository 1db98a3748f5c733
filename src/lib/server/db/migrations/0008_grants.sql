-- What a link or secret address lets its holder do: one table for all of them. Only hashes are kept.
CREATE TABLE access_grant (
  token_hash TEXT PRIMARY KEY,
  kind TEXT NOT NULL,
  candidate_id TEXT NOT NULL REFERENCES candidate (id) ON DELETE CASCADE,
  -- Id of what it opens, as its kind names it.
  opens_id TEXT NOT NULL,
  made_at_ms INTEGER NOT NULL,
  -- Null: until it is ended.
  expires_at_ms INTEGER,
  -- Null: as often as one likes.
  uses_left INTEGER
) STRICT;
CREATE INDEX access_grant_by_what ON access_grant (kind, opens_id);

INSERT INTO access_grant (token_hash, kind, candidate_id, opens_id, made_at_ms, expires_at_ms, uses_left)
  SELECT token_hash, 'join', candidate_id, candidate_id, expires_at_ms - 1209600000, expires_at_ms, 1 FROM join_link;
INSERT INTO access_grant (token_hash, kind, candidate_id, opens_id, made_at_ms)
  SELECT f.token_hash, 'feed', a.candidate_id, f.audition_id, f.made_at_ms FROM feed_link f JOIN audition a ON a.id = f.audition_id;
DROP TABLE join_link;
DROP TABLE feed_link;
