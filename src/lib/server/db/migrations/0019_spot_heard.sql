-- What was heard of a spot in takes is told of more than its day, too.
DROP INDEX desk_event_lasting;
CREATE INDEX desk_event_lasting ON desk_event (candidate_id)
  WHERE json_extract(event_json, '$.kind') IN ('spot', 'spot-set', 'spot-heard', 'hurt', 'well');
