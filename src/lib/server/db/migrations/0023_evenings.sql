-- Mocks that are one evening, with jurors who hear all of it by one link; what comes before a mock; and what was played in it.
ALTER TABLE mock ADD COLUMN evening_id TEXT;
CREATE INDEX mock_by_evening ON mock (evening_id) WHERE evening_id IS NOT NULL;
-- minutes of warming up and of waiting; null where there are none
ALTER TABLE mock ADD COLUMN before_json TEXT;
-- by its place in the draw: a tempo that was tapped, a take
ALTER TABLE mock ADD COLUMN played_json TEXT NOT NULL DEFAULT '[]';
-- what a juror's link opens, where it opens more than one ballot
ALTER TABLE juror ADD COLUMN seat_id TEXT;
CREATE INDEX juror_by_seat ON juror (seat_id) WHERE seat_id IS NOT NULL;
