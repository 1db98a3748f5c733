-- When a device of the candidate's last asked or sent; null before any.
ALTER TABLE candidate ADD COLUMN heard_at_ms INTEGER;
