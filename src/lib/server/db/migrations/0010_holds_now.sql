-- What was said to hold of an item's sections when it was entered.
ALTER TABLE item ADD COLUMN holds_now_json TEXT NOT NULL DEFAULT '[]';
