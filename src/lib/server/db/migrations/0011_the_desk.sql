-- What happens at the desk, event by event; and a touch that was played at several tempos.
CREATE TABLE desk_event (
  id TEXT PRIMARY KEY,
  candidate_id TEXT NOT NULL REFERENCES candidate (id) ON DELETE CASCADE,
  date TEXT NOT NULL,
  event_json TEXT NOT NULL,
  kept_at_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX desk_event_by_day ON desk_event (candidate_id, date);
ALTER TABLE touch ADD COLUMN series_json TEXT NOT NULL DEFAULT '[]';
