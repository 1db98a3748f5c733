-- The device on which what a link opens is written; null before any.
ALTER TABLE access_grant ADD COLUMN device TEXT;
