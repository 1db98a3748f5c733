-- What is told at the desk of more than its day is read without reading all days.
CREATE INDEX desk_event_lasting ON desk_event (candidate_id)
  WHERE json_extract(event_json, '$.kind') IN ('spot', 'spot-set', 'hurt', 'well');
