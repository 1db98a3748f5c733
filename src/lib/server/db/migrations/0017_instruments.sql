-- What an item is played on, where that is not the candidate's first instrument.
ALTER TABLE list_item ADD COLUMN instrument TEXT NOT NULL DEFAULT '';
