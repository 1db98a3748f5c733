-- Keys of scales, and what was taken back, are read without reading all days.
CREATE INDEX desk_event_key ON desk_event (candidate_id, date)
  WHERE json_extract(event_json, '$.kind') IN ('key', 'undo');
-- Where a player's notes lie.
CREATE INDEX desk_event_tones ON desk_event (candidate_id, date)
  WHERE json_extract(event_json, '$.kind') = 'tones';
-- What was changed of the instrument.
CREATE INDEX desk_event_equipment ON desk_event (candidate_id)
  WHERE json_extract(event_json, '$.kind') = 'equipment';
-- Ways to practise that were added or hidden.
CREATE INDEX desk_event_method ON desk_event (candidate_id)
  WHERE json_extract(event_json, '$.kind') IN ('method', 'method-hidden');
