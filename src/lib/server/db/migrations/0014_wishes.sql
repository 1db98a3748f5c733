-- What a wish asks for, where it can be carried out, and the teacher's words with the answer.
ALTER TABLE wish ADD COLUMN asks_json TEXT;
ALTER TABLE wish ADD COLUMN reply TEXT NOT NULL DEFAULT '';
