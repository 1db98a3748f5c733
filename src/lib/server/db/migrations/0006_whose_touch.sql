-- Whose a touch is, which an item never changes: the studio's page asks for each candidate when and how long they last played.
ALTER TABLE touch ADD COLUMN candidate_id TEXT;
UPDATE touch SET candidate_id =
  (SELECT a.candidate_id FROM item i JOIN audition a ON a.id = i.audition_id WHERE i.id = touch.item_id);
CREATE INDEX touch_by_candidate ON touch (candidate_id, date, length_min, removed_at_ms);
