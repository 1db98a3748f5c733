-- What is told at the desk of more than its day is read without reading all days.
CREATE INDEX desk_event_lasting ON desk_event (candidate_id)
  WHERE json_extract(event_json, '$.kind') IN ('spot', 'spot-set', 'hurt', 'well');
-- When each fundamental was last done.
CREATE INDEX desk_event_fundamental ON desk_event (candidate_id, date)
  WHERE json_extract(event_json, '$.fundamental') IS NOT NULL;
